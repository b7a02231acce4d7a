/**
 * Lines out of a manual put where they belong on a page: includes with the paths that the files really have, the
 * marker and the group on every link, the start call in its author's words, rules in the stylesheet. What the lines do
 * not say is read from the script; what has no place is said.
 */
import {
  galleriesOf,
  insertAtEnd,
  insertInHead,
  matches,
  newlineOf,
  parsePage,
  scriptTag,
  stylesheetTag,
  valueOf,
  type PageElement,
} from '../../markup/index.ts';
import {
  applyChange,
  applyEdits,
  type Change,
  countOf,
  type Edit,
  type FileChange,
  nameOf,
  PathIndex,
  refuse,
  relativeReference,
  type Result,
} from '../../site/index.ts';
import {
  answersLinks,
  isOfKit,
  markerName,
  markerSelector,
  scriptsOf,
  startWritten,
  type Kit,
  type KitFile,
} from '../kit/manifest.ts';
import { readCode } from '../read/scriptFacts.ts';
import { isMeant } from '../read/starts.ts';
import { answers, wiringOf } from '../read/uses.ts';
import { writtenHolder } from '../write/containerEdits.ts';
import { wantedNames } from '../write/wanted.ts';
import { attributesOf, openable } from '../write/marks.ts';
import { rewire, type Authored } from '../write/wire.ts';
import type { LinkMemory, WiringPage, WiringSite } from '../write/site.ts';
import { draftedKit, scriptsOfNobody } from './draftedKit.ts';
import { findFile, withBrought, type FoundFile } from './findFile.ts';
import { importEdits, importsPasted, type PastedImport } from './imports.ts';
import { piecesIn, sampleOf, shownOnLinks, type Piece } from './pieces.ts';

interface Pasted {
  text: string;
  /** Texts of files that come with the lines and may not be in the site yet, by their names. */
  files: Readonly<Record<string, string>>;
}

export interface PastedPiece extends Piece {
  /** Something was done with it, or stands on the page already. */
  placed: boolean;
  /** What became of it. */
  says: string;
}

export interface Pasting {
  pieces: PastedPiece[];
  /** What was copied along and is left out. */
  mended: string[];
  /** What the lines do not say and the script asks for. */
  added: string[];
  outcome: Result<{
    change: Change;
    /** To be kept, so that the script is known from now on; null where it is known. */
    kit: Kit | null;
    remembers: LinkMemory[];
  }>;
}

interface Told {
  piece: Piece;
  file: FoundFile | null;
}

const NO_SCRIPT =
  'None of these lines names a script of the site or starts one that is known. Paste the line that includes it as well';

export function paste(site: WiringSite, page: WiringPage, { text, files }: Pasted): Pasting {
  const { pieces, mended } = piecesIn(text);
  const told = pieces.map((piece): Told => {
    const isInclude = piece.kind === 'script' || piece.kind === 'style';
    return { piece, file: isInclude ? findFile(site, page, files, piece.text) : null };
  });
  const refused = (reason: string): Pasting => ({
    pieces: told.map((one) => ({ ...one.piece, ...fateOf(page, one, null) })),
    mended,
    added: [],
    outcome: refuse(reason),
  });
  const imports = importsPasted(site, page, files, pieces);
  const missing = [
    ...told.filter(({ file }) => file?.found === 'nowhere').map(({ piece }) => nameOf(piece.text)),
    ...imports.filter(({ file }) => file.found === 'nowhere').map(({ from }) => nameOf(from)),
  ];
  if (missing.length > 0)
    return refused(`There is no ${missing.join(' and no ')} in the site. Add the script’s files to these lines.`);
  const meant = kitFor(withBrought(site, files), page, pieces, [...told, ...imports.map(toldBy)]);
  if (!meant.ok) return refused(meant.reason);
  const { kit, isKnown } = meant;
  const placing = placingOf(site, page, kit, { told, imports });
  const kits = isKnown ? site.kits : [...site.kits, kit];
  const wired = rewire({ ...site, kits }, page, { from: null, to: kit, authored: placing });
  if (!wired.ok) return refused(wired.reason);
  const trouble = notAnswered(page, kit, kits, site, wired.change);
  if (trouble !== null) return refused(trouble);
  return {
    pieces: told.map((one) => ({ ...one.piece, ...fateOf(page, one, { kit, placing }) })),
    mended,
    added: addedBy(page, kit, pieces),
    outcome: {
      ok: true,
      change: { ...wired.change, label: `Place pasted lines in ${page.path}` },
      kit: isKnown ? null : kit,
      remembers: wired.remembers,
    },
  };
}

/** An import names a script as an include does. */
const toldBy = ({ from, file }: PastedImport): Told => ({ piece: { kind: 'script', line: 0, text: from }, file });

type Meant = Result<{ kit: Kit; isKnown: boolean }>;

/** The kit that the lines speak of: one that is known, or one drafted from its scripts and these lines. */
function kitFor(site: WiringSite, page: WiringPage, pieces: readonly Piece[], told: readonly Told[]): Meant {
  const local = told.flatMap(({ piece, file }) =>
    file?.found === 'here'
      ? [{ ...file, kind: piece.kind === 'script' ? ('script' as const) : ('style' as const), module: piece.module }]
      : [],
  );
  const scripts = local.filter(({ kind }) => kind === 'script');
  const known = site.kits.find((kit) => (scripts.length > 0 ? isOf(kit, scripts) : isNamed(kit, pieces)));
  if (known) return { ok: true, kit: known, isKnown: true };
  const used = scripts.length > 0 ? local : scriptsOfNobody(page);
  if (used.length === 0) return refuse(`${NO_SCRIPT}.`);
  const drafted = draftedKit(site, used, sampleOf(pieces));
  return drafted.ok ? { ...drafted, isKnown: false } : drafted;
}

/** Every script of the kit is among these, but for bases and for what its module imports. */
const isOf = ({ manifest }: Kit, given: readonly { path: string }[]): boolean => {
  const names = given.map(({ path }) => nameOf(path).toLowerCase());
  const scripts = scriptsOf(manifest);
  const isAside = (file: KitFile) => file.base || (file.module && file !== scripts.at(-1));
  return scripts.every((file) => isAside(file) || names.includes(file.name.toLowerCase()));
};

/** Without an include: by the marker that is shown, or by what is called. */
function isNamed({ manifest }: Kit, pieces: readonly Piece[]): boolean {
  const { attribute, class: name } = manifest.marker;
  const isMarked = shownOnLinks(pieces).some(
    (one) =>
      one.name === attribute || (name !== undefined && one.name === 'class' && one.value.split(/\s+/).includes(name)),
  );
  const { element } = manifest.marker;
  const isShown = pieces.some(({ kind, text }) => kind === 'example' && element && text.includes(`<${element}`));
  return (
    isMarked || isShown || pieces.some(({ kind, text }) => kind === 'start' && callsIn(text, manifest.start).length > 0)
  );
}

const callsIn = (code: string, start: Kit['manifest']['start']) => {
  const reading = readCode(code);
  return start && reading.ok ? reading.calls.filter((call) => isMeant(start, call, reading.imports)) : [];
};

interface Placing extends Authored {
  /** Selectors of the pasted call that were changed for the page’s own. */
  adapted: { from: string; to: string }[];
  /** The stylesheet that takes the rules; null where they stand in the page. */
  stylesheet: string | null;
}

interface AllTold {
  told: readonly Told[];
  imports: readonly PastedImport[];
}

function placingOf(site: WiringSite, page: WiringPage, kit: Kit, all: AllTold): Placing {
  const { told } = all;
  const { document } = page;
  const outside = told.flatMap(({ piece, file }): Edit[] => {
    if (file?.found !== 'outside' || isLoaded(page, file.address)) return [];
    if (piece.kind === 'script') return [insertAtEnd(document, scriptTag(file.address))];
    const edit = insertInHead(document, stylesheetTag(file.address), ({ tag }) => tag === 'link');
    return edit ? [edit] : [];
  });
  const { edits, files, stylesheet } = rulesPlaced(site, page, kit, told);
  return { ...startPlaced(page, kit, all), before: outside, behind: edits, files, stylesheet };
}

const isLoaded = ({ wiring }: WiringPage, address: string): boolean =>
  wiring.includes.some(({ written }) => written === address);

/** Into the page's last stylesheet that is the author's own; without one, into the head. */
function rulesPlaced(
  site: WiringSite,
  page: WiringPage,
  kit: Kit,
  told: readonly Told[],
): { edits: Edit[]; files: FileChange[]; stylesheet: string | null } {
  const rules = told.flatMap(({ piece }) => (piece.kind === 'rules' ? [piece.text] : []));
  if (rules.length === 0) return { edits: [], files: [], stylesheet: null };
  const own = page.wiring.includes.findLast(
    ({ kind, path }) => kind === 'style' && path !== null && ![...site.kits, kit].some((one) => isOfKit(one, path)),
  );
  const path = own?.lookup.found === 'exact' ? own.lookup.path : null;
  const content = path === null ? undefined : site.files.get(path);
  if (path !== null && content?.kind === 'text') {
    const newline = content.text.includes('\r\n') ? '\r\n' : '\n';
    const text = [...rules.map((rule) => rule.replace(/\n/g, newline)), ''].join(newline);
    const end = content.text.length;
    const before = content.text === '' || content.text.endsWith('\n') ? '' : newline;
    return {
      edits: [],
      files: [{ kind: 'edit', path, edits: [{ start: end, end, text: before + text }] }],
      stylesheet: path,
    };
  }
  const style = ['<style>', ...rules, '</style>'].join('\n').replace(/\n/g, newlineOf(page.document));
  const edit = insertInHead(page.document, style, ({ tag }) => tag === 'style');
  return { edits: edit ? [edit] : [], files: [], stylesheet: null };
}

/** The pasted code, with selectors that find this page's links. */
function startPlaced(
  page: WiringPage,
  kit: Kit,
  { told, imports }: AllTold,
): Pick<Placing, 'start' | 'holders' | 'adapted'> {
  const holders: Holders = new Map();
  const adapted: Placing['adapted'] = [];
  const codes = told.flatMap(({ piece }) => (piece.kind === 'start' ? [piece.text] : []));
  const placed = codes.map((code) => {
    const selectors = callsIn(code, kit.manifest.start).flatMap((call): Edit[] => {
      const { start } = kit.manifest;
      const key = start?.key;
      const said = key === undefined ? call.text : call.options[key];
      const at = key === undefined ? call.textAt : call.optionsAt[key];
      if (typeof said !== 'string' || !at) return [];
      const selector = selectorHere(page, kit, said, holders);
      if (selector === said) return [];
      adapted.push({ from: said, to: selector });
      const quote = code[at.start] ?? "'";
      return [{ ...at, text: quote + selector + quote }];
    });
    const edits = [...importEdits(page, code, imports), ...selectors].sort((a, b) => a.start - b.start);
    const applied = applyEdits(code, edits);
    return applied.ok ? applied.text : code;
  });
  const code = placed.join('\n').replace(/\n/g, newlineOf(page.document));
  return { start: placed.length === 0 ? null : code, holders, adapted };
}

type Holders = Map<PageElement, { name: 'id' | 'class'; value: string }>;

const LED_BY_NAME = /^\w*([.#])([A-Za-z_-][\w-]*)/;

/** What finds on this page what a selector of the manual means; an element may be given its name for that. */
function selectorHere(page: WiringPage, kit: Kit, selector: string, holders: Holders): string {
  const [led, sign, name = ''] = LED_BY_NAME.exec(selector) ?? [];
  const containers = page.galleries.flatMap(({ container }) => writtenHolder(container) ?? []);
  const [first] = containers;
  if (led === undefined || !first || !findsNothing(page, kit, selector)) return selector;
  const marker = markMeant(kit, selector);
  if (marker !== null) return marker;
  if (sign === '.') {
    for (const container of containers) holders.set(container, { name: 'class', value: name });
    return selector;
  }
  const own = valueOf(first, 'id') ?? '';
  if (/^[A-Za-z_][\w-]*$/.test(own)) return `#${own}${selector.slice(led.length)}`;
  holders.set(first, { name: 'id', value: name });
  return selector;
}

/** Links that the manual calls otherwise than by this viewer's mark, which is on them; null where it means others. */
function markMeant({ manifest }: Kit, selector: string): string | null {
  const meansLinks = answersLinks(manifest) && manifest.start?.items === undefined && !/[\s>]/.test(selector.trim());
  return meansLinks ? (markerSelector(manifest)?.replace(/^a/, '') ?? null) : null;
}

/** Neither is anything there, nor will the marker be it. */
function findsNothing(page: WiringPage, kit: Kit, selector: string): boolean {
  const found = matches(page.document, selector);
  const marker = markerSelector(kit.manifest)?.replace(/^a/, '');
  return found.ok && found.elements.length === 0 && (marker === undefined || !selector.includes(marker));
}

/** Why the page would not work with what was written; null where it does. */
function notAnswered(
  page: WiringPage,
  kit: Kit,
  kits: readonly Kit[],
  site: WiringSite,
  change: Change,
): string | null {
  const changed = applyChange(site.files, change);
  if (!changed.ok) return changed.reason;
  const content = changed.files.get(page.path);
  if (content?.kind !== 'text') return null;
  const after = parsePage(content.text, page.document.units);
  const wiring = wiringOf(after, page.base, changed.files, new PathIndex(changed.files.keys()), kits);
  const use = wiring.uses.find((one) => one.kit === kit);
  const items = galleriesOf(after).flatMap((gallery) => gallery.items);
  if (use && items.some((item) => answers(use, item))) return null;
  const [first] = use?.starts ?? [];
  const why =
    first?.asked && first.matched.length === 0
      ? `its call looks for “${first.asked.text}”, and nothing on ${page.path} is that`
      : 'neither these lines nor the script tell by what it finds them';
  return `Nothing was changed, for ${kit.manifest.title} would answer none of the links: ${why}`;
}

const isStarted = ({ wiring }: WiringPage, { manifest }: Kit): boolean =>
  wiring.uses.some(({ kit, starts }) => kit.manifest.name === manifest.name && starts.length > 0);

const linksOf = (page: WiringPage): number =>
  page.galleries.flatMap(({ items }) => items).filter((item) => openable(page.base, item)).length;

/** What is written though no line says it. */
function addedBy(page: WiringPage, { manifest }: Kit, pieces: readonly Piece[]): string[] {
  const has = (kind: Piece['kind']) => pieces.some((piece) => piece.kind === kind);
  const { marker } = manifest;
  const isMarked = (marker.attribute ?? marker.class ?? marker.element) !== undefined;
  return [
    ...(isMarked && !has('example') && !has('attribute')
      ? [`${markerName(manifest)}, by which the script finds its links`]
      : []),
    ...(manifest.start?.required && !has('start')
      ? [`${startWritten(manifest.start, '…')}, without which it does nothing`]
      : []),
  ];
}

interface Done {
  kit: Kit;
  placing: Placing;
}

function startFate(page: WiringPage, { kit, placing }: Done): string {
  if (isStarted(page, kit)) return 'the page starts it already';
  const changed = placing.adapted.map(({ from, to }) => `“${to}” instead of “${from}”`);
  const where = kit.manifest.start?.imported === undefined ? 'after the scripts' : 'as a module';
  return [where, ...changed].join(', with ');
}

/** What became of a piece. */
function fateOf(page: WiringPage, { piece, file }: Told, done: Done | null): Pick<PastedPiece, 'placed' | 'says'> {
  const left = (says: string) => ({ placed: false, says });
  const placed = (says: string) => ({ placed: done !== null, says: done === null ? 'not placed yet' : says });
  if (file) return includeFate(page, file, placed, left);
  switch (piece.kind) {
    case 'start':
      return placed(done ? startFate(page, done) : '');
    case 'rules':
      return placed(done?.placing.stylesheet ? `at the end of ${done.placing.stylesheet}` : 'in the head of the page');
    case 'example':
    case 'attribute':
      return placed(done ? saidOfLinks(page, done.kit, piece) : '');
    case 'map':
      return placed('not needed, for the import names its file by itself');
    case 'markup':
      return isElement(piece.text, done?.kit.manifest.container?.id)
        ? placed('before the pictures')
        : left('the lines do not say where it belongs: add it in Markup where you want it');
    default:
      return left('words of the manual');
  }
}

/** Whether a piece of markup is the element of that id. */
const isElement = (text: string, id: string | undefined): boolean =>
  id !== undefined && parsePage(text).elements.some((element) => valueOf(element, 'id') === id);

function includeFate(
  page: WiringPage,
  file: FoundFile,
  placed: (says: string) => Pick<PastedPiece, 'placed' | 'says'>,
  left: (says: string) => Pick<PastedPiece, 'placed' | 'says'>,
): Pick<PastedPiece, 'placed' | 'says'> {
  if (file.found === 'nowhere') return left('no such file is in the site');
  if (file.found === 'outside') return placed(`included from ${file.address}, which works only online`);
  const here = page.wiring.includes.some(({ lookup }) => lookup.found === 'exact' && lookup.path === file.path);
  if (here) return { placed: true, says: `${file.path} is loaded already` };
  return placed(
    `included as ${relativeReference(page.base, file.path)}${file.isBrought ? ', which is added to the site' : ''}`,
  );
}

/** What every link has, or has of its own. */
const OF_ANY_LINK = ['href', 'title', 'class', 'id'];

function saidOfLinks(page: WiringPage, kit: Kit, piece: Piece): string {
  const { element, on } = kit.manifest.marker;
  if (element !== undefined && on === 'gallery') return `<${element}> around the pictures`;
  const marks = markerName(kit.manifest) || 'nothing more';
  const known = [...OF_ANY_LINK, ...attributesOf(kit), ...wantedNames(kit)];
  const left = shownOnLinks([piece]).flatMap(({ name }) => (known.includes(name) ? [] : [name]));
  const besides = left.length === 0 ? '' : `; not written, for the script does not ask for it: ${left.join(', ')}`;
  const where = on === 'gallery' ? 'what holds the pictures' : countOf(linksOf(page), 'link');
  return `${marks} on ${where}${besides}`;
}
