/**
 * What answers when a picture is clicked: the kits that a page uses or means to use, and the elements that each one
 * finds.
 */
import {
  matcherFor,
  matches,
  valueOf,
  type GalleryItem,
  type PageDocument,
  type PageElement,
} from '../../markup/index.ts';
import type { FileContent, PathIndex, SiteFiles } from '../../site/index.ts';
import {
  answersLinks,
  bracketed,
  bracketsWhole,
  groupAttribute,
  isMarker,
  markerSelector,
  scriptsOf,
  type Kit,
  type KitFile,
} from '../kit/manifest.ts';
import { isSlipOf } from './letters.ts';
import { includedName, includesOf, type Include } from './includes.ts';
import type { ModulePage } from './moduleGraph.ts';
import { runScripts, type ScriptRun } from './scripts.ts';
import { callsOf, lostTo, mentionsOf, setBefore, startOf, type KitMention, type StartingScript } from './starts.ts';

export interface KitUse {
  kit: Kit;
  /** For each file of the manifest the includes that mean it, in the order in which they run. */
  files: { file: KitFile; includes: Include[] }[];
  /** The include of its last script, which does the work. */
  script: Include | null;
  /** All of its scripts are there and ran in an order that works. */
  runs: boolean;
  starts: StartingScript[];
  /** What other scripts import from it, and set for its calls. */
  mentions: KitMention[];
  /** Elements that carry its marker, on whatever tag. */
  marked: PageElement[];
  /** Links, or holders of items, that it answers. */
  claimed: Set<PageElement>;
  /**
   * Elements that a start call listens to and that are no links: a click there opens nothing, for they say no
   * address.
   */
  strays: Set<PageElement>;
  /** Its stylesheets are there. */
  styled: boolean;
}

export interface PageWiring {
  includes: Include[];
  /** Scripts only, in the order in which they run. */
  scripts: ScriptRun[];
  uses: KitUse[];
  /** Attributes that a script which belongs to no kit sets or takes away. */
  taken: { name: string; run: ScriptRun; at: number }[];
  /**
   * The one that is meant to open pictures: what opens on a click before what shows in its place; null where neither
   * is there.
   */
  main: KitUse | null;
}

const RANK = { overlay: 0, stage: 1, show: 2, page: 3 } as const;

interface Known {
  kits: readonly Kit[];
  wiring: PageWiring;
  /** What each script's file held. */
  contents: (FileContent | undefined)[];
  /** What each file held that they import, by its path. */
  imported: Map<string, FileContent | undefined>;
}

/** A page that is as it was, with the same kits and the same scripts, is wired as it was. */
const wired = new WeakMap<PageDocument, Known>();

const contentsOf = (includes: readonly Include[], files: SiteFiles): Known['contents'] =>
  includes.map(({ lookup }) => (lookup.found === 'exact' ? files.get(lookup.path) : undefined));

const holds = (
  { kits, wiring, contents, imported }: Known,
  includes: readonly Include[],
  now: Known['contents'],
  nowKits: readonly Kit[],
  files: SiteFiles,
): boolean =>
  kits.length === nowKits.length &&
  kits.every((kit, n) => kit === nowKits[n]) &&
  contents.every((content, n) => content === now[n]) &&
  [...imported].every(([path, content]) => files.get(path) === content) &&
  wiring.includes.every(
    ({ path, lookup }, n) => path === includes[n]?.path && lookup.found === includes[n].lookup.found,
  );

/** `path` is what the page's addresses count from. */
export function wiringOf(
  page: PageDocument,
  path: string,
  files: SiteFiles,
  index: PathIndex,
  kits: readonly Kit[],
): PageWiring {
  const includes = includesOf(page, path, index);
  const contents = contentsOf(includes, files);
  const known = wired.get(page);
  if (known && holds(known, includes, contents, kits, files)) return known.wiring;
  const wiring = readWiring({ document: page, base: path, index }, includes, files, kits);
  const asked = wiring.scripts.flatMap(({ imports }) => imports.flatMap(({ include }) => include.path ?? []));
  const imported = new Map(asked.map((one) => [one, files.get(one)]));
  wired.set(page, { kits, wiring, contents, imported });
  return wiring;
}

function readWiring(at: ModulePage, includes: Include[], files: SiteFiles, kits: readonly Kit[]): PageWiring {
  const page = at.document;
  const scripts = runScripts(includes, files, at);
  const uses = kits.flatMap((kit) => {
    const use = useOf(page, includes, scripts, kit, kits);
    return use ? [use] : [];
  });
  const [main = null] = uses
    .filter(({ kit }) => kit.manifest.does !== 'page')
    .sort(
      (a, b) =>
        RANK[a.kit.manifest.does] - RANK[b.kit.manifest.does] ||
        Number(b.claimed.size > 0) - Number(a.claimed.size > 0),
    );
  return { includes, scripts, uses, main, taken: takenBy(scripts, uses) };
}

function takenBy(scripts: readonly ScriptRun[], uses: readonly KitUse[]): PageWiring['taken'] {
  const ofKits = new Set(uses.flatMap(({ files }) => files.flatMap(({ includes }) => includes)));
  return scripts.flatMap((run) =>
    run.runs && run.reading?.ok && !ofKits.has(run.include)
      ? run.reading.attributes
          .filter(({ by }) => by === 'setAttribute' || by === 'removeAttribute')
          .map(({ name, at }) => ({ name, run, at }))
      : [],
  );
}

function useOf(
  page: PageDocument,
  includes: readonly Include[],
  scripts: readonly ScriptRun[],
  kit: Kit,
  kits: readonly Kit[],
): KitUse | null {
  const { manifest } = kit;
  const imported = scripts.flatMap(({ include }) => (include.imported ? [include] : []));
  const files = filesOf([...includes, ...imported], kit, scripts);
  const marked = markedBy(page, kit);
  const telling = tellingScripts(kit, kits);
  const loads = files.some(({ file, includes: some }) => telling.includes(file) && some.length > 0);
  const calls = callsOf(scripts, kit);
  const marks = (manifest.marker.attribute ?? manifest.marker.element) !== undefined && marked.length > 0;
  if (!loads && !marks && calls.every(({ call }) => call.guarded)) return null;

  const own = files.filter(({ file }) => file.role === 'script');
  const running = new Set(scripts.filter((run) => run.runs).map(({ include }) => include));
  const runs = own.every(({ includes: some }) => some.some((include) => running.has(include)));
  const script = own.at(-1)?.includes[0] ?? null;
  // The place in the order from which on its function can be called.
  const ready = runs ? scripts.findIndex(({ include }) => include === script) : Infinity;
  const mentions = mentionsOf(scripts, kit);
  const starts = calls.map(({ run, call }) => {
    const tooEarly = call.immediate && scripts.indexOf(run) < ready;
    const set = setBefore(scripts, mentions, { run, call });
    return startOf(page, kit, { include: run.include, call, tooEarly, set, lost: lostTo(scripts, ready, run, call) });
  });
  // A script that a browser stops makes no call behind that place.
  const made = starts.filter(({ include }) => running.has(include));
  const reached = runs && isDefined(kit, scripts) ? reachedBy(page, kit, made) : NONE;
  const styled = files.every(
    ({ file, includes: some }) => file.role !== 'style' || some.some(({ lookup }) => lookup.found === 'exact'),
  );
  return { kit, files, script, runs, starts, mentions, marked, ...reached, styled };
}

/** The kit's own element means nothing to a browser until a script that runs defines it, by that name. */
function isDefined({ manifest }: Kit, scripts: readonly ScriptRun[]): boolean {
  const { element } = manifest.marker;
  if (element === undefined) return true;
  const names = scriptsOf(manifest).map(({ name }) => name.toLowerCase());
  const own = scripts.filter(({ include }) => names.includes(includedName(include)));
  const defined = own.flatMap(({ reading }) => (reading?.ok ? reading.elements : []));
  // Where no line says by which name it does so, the manifest is believed.
  return defined.length === 0 || defined.some(({ name }) => name === element);
}

/** Scripts whose includes say that this kit is meant: not those that other kits bring along as well, if it has others. */
function tellingScripts(kit: Kit, kits: readonly Kit[]): KitFile[] {
  const scripts = scriptsOf(kit.manifest).filter(({ base }) => !base);
  const names = (one: Kit) => one.manifest.files.map(({ name }) => name.toLowerCase());
  const elsewhere = new Set(kits.filter((one) => one !== kit).flatMap(names));
  const alone = scripts.filter(({ name }) => !elsewhere.has(name.toLowerCase()));
  return alone.length > 0 ? alone : scripts;
}

/** For each file of a kit the includes that mean it; a base may be there under another name. */
function filesOf(includes: readonly Include[], { manifest }: Kit, scripts: readonly ScriptRun[]): KitUse['files'] {
  return manifest.files.map((file) => {
    const named = includes.filter(
      (include) =>
        includedName(include) === file.name.toLowerCase() && (include.kind === 'script') === (file.role === 'script'),
    );
    return { file, includes: named.length === 0 && file.base ? givingAll(scripts, file.gives) : named };
  });
}

function givingAll(scripts: readonly ScriptRun[], names: readonly string[]): Include[] {
  const gives = ({ reading }: ScriptRun) => (reading?.ok ? reading.gives.map(({ name }) => name) : []);
  return scripts.filter((run) => names.every((name) => gives(run).includes(name))).map(({ include }) => include);
}

type Reached = Pick<KitUse, 'claimed' | 'strays'>;

const NONE: Reached = { claimed: new Set(), strays: new Set() };

/** What a running kit answers for: what carries its marker, and what its start calls find. */
function reachedBy(page: PageDocument, { manifest }: Kit, starts: readonly StartingScript[]): Reached {
  const selector = manifest.start?.required ? null : markerSelector(manifest);
  const found = starts
    .filter(({ tooEarly, lost, unfinished }) => !tooEarly && !lost && unfinished === null)
    .flatMap(({ there }) => there);
  const all = [...(selector === null ? [] : matching(page, selector)), ...found];
  const claimed = answersLinks(manifest) ? all.filter(({ tag }) => tag === 'a') : all;
  const takesAny = answersLinks(manifest) && (manifest.start?.binds || manifest.start?.required);
  const strays = takesAny ? found.filter(({ tag }) => tag !== 'a') : [];
  return { claimed: new Set(claimed), strays: new Set(strays) };
}

function matching(page: PageDocument, selector: string): PageElement[] {
  const found = matches(page, selector);
  return found.ok ? found.elements : [];
}

function markedBy(page: PageDocument, { manifest }: Kit): PageElement[] {
  const { attribute, class: name, element } = manifest.marker;
  if (attribute !== undefined)
    return page.elements.filter(({ attributes }) => attributes.some((one) => isMarker(manifest, one.name, one.value)));
  if (element !== undefined) return page.elements.filter(({ tag }) => tag === element);
  return name === undefined ? [] : page.elements.filter((one) => classesOf(one).includes(name));
}

const classesOf = (element: PageElement): string[] => (valueOf(element, 'class') ?? '').split(/\s+/).filter(Boolean);

/** An attribute of the link whose name is one or two letters off the marker's: `data-enlagre`. */
export function misspeltMarker(
  link: PageElement,
  { manifest: { marker, group, caption, kind, container } }: Kit,
): { attribute: string; is: string; meant: string } | null {
  if (marker.attribute !== undefined) {
    const meant = marker.attribute;
    // Not another attribute of the same kit, whose name may be near.
    const known = [
      group && 'attribute' in group ? group.attribute : undefined,
      caption.attribute,
      caption.description,
      kind?.attribute,
      container?.attribute,
    ];
    const slip = link.attributes.find(({ name }) => !known.includes(name) && isSlipOf(name, meant));
    return slip ? { attribute: slip.name, is: slip.name, meant } : null;
  }
  const { class: right } = marker;
  if (right === undefined) return null;
  const wrong = classesOf(link).find((name) => isSlipOf(name, right));
  return wrong === undefined ? null : { attribute: 'class', is: wrong, meant: right };
}

/** The name of the group that a link says it is in; null where it says none. */
export function groupOf(link: PageElement, { manifest }: Kit): string | null {
  const attribute = groupAttribute(manifest);
  const value = attribute === null ? undefined : valueOf(link, attribute);
  const { group } = manifest;
  // A name that does not stand as the script asks for it is none.
  const isInBrackets = group !== undefined && 'in' in group && group.in === 'brackets';
  if (isInBrackets) return bracketsWhole(manifest, value ?? '') ? bracketed(value ?? '') : null;
  return value || null;
}

/** The group that most marked links of the items are in; null where they have none. */
export function commonGroup(items: readonly GalleryItem[], kit: Kit): string | null {
  const counts = new Map<string, number>();
  for (const { link } of items) {
    const group = link && groupOf(link, kit);
    if (group) counts.set(group, (counts.get(group) ?? 0) + 1);
  }
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}

/** Whether a viewer answers for an item: by its link, or by an element around it. */
export function answers(use: KitUse, item: GalleryItem): boolean {
  if (answersLinks(use.kit.manifest)) return item.link !== null && use.claimed.has(item.link);
  const { does, marker } = use.kit.manifest;
  // A viewer that opens links hears those alone that it looks for.
  const isMeant = does !== 'overlay' || (item.link !== null && matcherFor(marker.links)?.(item.link) === true);
  for (let at: PageElement | null = item.elements[0] ?? null; at; at = at.parent)
    if (use.claimed.has(at)) return isMeant;
  return false;
}

/** An element around or inside a link that a viewer listens to in its stead. */
export function strayOf(use: KitUse, link: PageElement): PageElement | null {
  for (const stray of use.strays) {
    for (let at: PageElement | null = link; at; at = at.parent) if (at === stray) return stray;
    for (let at: PageElement | null = stray; at; at = at.parent) if (at === link) return stray;
  }
  return null;
}
