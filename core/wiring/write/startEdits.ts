/** Start calls written at the end of a page, and taken out of whatever script makes them. */
import { cutLine, insertAtEnd, insertBeside, newlineOf, type PageElement } from '../../markup/index.ts';
import { type Edit, type FileChange, refuse, type Result } from '../../site/index.ts';
import {
  kitPath,
  markerSelector,
  scriptsOf,
  startGlobal,
  startWritten,
  type Kit,
  type KitManifest,
} from '../kit/manifest.ts';
import type { Include } from '../read/includes.ts';
import { specifierTo } from '../read/moduleGraph.ts';
import { readScript } from '../read/scriptFacts.ts';
import type { KitMention, StartingScript } from '../read/starts.ts';
import type { KitUse } from '../read/uses.ts';
import type { WiringPage, WiringSite } from './site.ts';

/** `peephole('.peep');`, `jQuery(function ($) { $('.glow').glow(); });`, `new Gleam('.gleam', { items: 'a' }).init();` */
export function callText(manifest: KitManifest): string {
  const { start } = manifest;
  if (!start) return '';
  const selector = markerSelector(manifest)?.replace(/^a(?=[.[])/, '') ?? start.finds ?? null;
  const quoted = start.selector && selector !== null ? `'${selector}'` : '';
  if (start.way === 'collection') return `jQuery(function ($) { ${startWritten(start, '', quoted)}; });`;
  const items = start.items ? `{ ${start.items.option}: '${start.items.without}' }` : '';
  const inside = start.key === undefined ? [quoted, items].filter(Boolean).join(', ') : `{ ${start.key}: ${quoted} }`;
  return `${startWritten(start, inside)}${start.then === undefined ? '' : `.${start.then}()`};`;
}

const WAITING = ["document.addEventListener('DOMContentLoaded', function () {", '});'] as const;

/** An inline script put into a function that waits until the page is read. */
export const waitingEdits = ({ start, text }: NonNullable<Include['inline']>): Edit[] => [
  { start, end: start, text: WAITING[0] },
  { start: start + text.length, end: start + text.length, text: WAITING[1] },
];

/** `import dazzle from './dazzle/dazzle.esm.js';`, from where the page stands; null where nothing is imported. */
export function importText({ index }: Pick<WiringSite, 'index'>, { base }: WiringPage, kit: Kit): string | null {
  const { start } = kit.manifest;
  const module = scriptsOf(kit.manifest).at(-1);
  if (start?.imported === undefined || !module) return null;
  const path = kitPath(kit, module.name);
  const real = index.lookup(path);
  const from = specifierTo(base, real.found === 'nothing' ? path : real.path);
  const name = start.way === 'method' ? (start.of ?? start.call) : start.call;
  return `import ${start.imported === 'default' ? name : `{ ${name} }`} from '${from}';`;
}

/**
 * Empty where the kit is started already, or needs no call; each edit is one more element. `authored` is code that
 * starts it as its author has written it.
 */
export function startEdits(
  site: Pick<WiringSite, 'index'>,
  page: WiringPage,
  kit: Kit,
  script: PageElement | null,
  authored: string | null = null,
): Edit[] {
  const { document, wiring } = page;
  const call = authored ?? callNeeded(kit);
  const use = wiring.uses.find((one) => one.kit.manifest.name === kit.manifest.name);
  if (call === null || (use && use.starts.length > 0)) return [];
  const imports = importText(site, page, kit);
  if (imports !== null) {
    const lines = authored === null ? [imports, call] : [call];
    return [insertAtEnd(document, ['<script type="module">', ...lines, '</script>'].join(newlineOf(document)))];
  }
  return [plainStart(page, kit, script, call)];
}

/** A call that stands as it is runs before scripts that are deferred; it has to wait as they do. */
function plainStart({ document, wiring }: WiringPage, kit: Kit, script: PageElement | null, call: string): Edit {
  const waiting =
    wiring.includes.find((include) => include.element === script)?.when === 'deferred' ||
    (script === null && kit.manifest.place === 'head');
  const text = waiting ? `<script>${WAITING[0]} ${call} ${WAITING[1]}</script>` : `<script>${call}</script>`;
  return script && !waiting && script.parent?.tag === 'body'
    ? insertBeside(document, script, text, 'after')
    : insertAtEnd(document, text);
}

const callNeeded = ({ manifest }: Kit): string | null => (manifest.start?.required ? callText(manifest) : null);

type RemovedStarts = Result<{ edits: Edit[]; files: FileChange[]; removed: number }>;

interface Place {
  start: number;
  end: number;
}

/** All that one script says of a kit: its calls, and what it imports or sets for them. */
interface Said {
  include: Include;
  starts: StartingScript[];
  mentions: KitMention[];
}

export function removedStarts(site: WiringSite, page: WiringPage, kit: Kit): RemovedStarts {
  const use = page.wiring.uses.find((one) => one.kit === kit);
  const out: Extract<RemovedStarts, { ok: true }> = { ok: true, edits: [], files: [], removed: 0 };
  for (const said of saidBy(use)) {
    const { include } = said;
    const done = include.inline ? withoutInline(page, said, include.inline) : withoutInFile(site, page, kit, said);
    if (!done.ok) return done;
    out.edits.push(...done.edits);
    out.files.push(...done.files);
    out.removed += done.removed;
  }
  return out;
}

function saidBy(use: KitUse | undefined): Said[] {
  const starts = use?.starts ?? [];
  const mentions = use?.mentions ?? [];
  const scripts = new Set([...starts, ...mentions].map(({ include }) => include));
  return [...scripts].map((include) => ({
    include,
    starts: starts.filter((one) => one.include === include),
    mentions: mentions.filter((one) => one.include === include),
  }));
}

function withoutInline(page: WiringPage, said: Said, inline: NonNullable<Include['inline']>): RemovedStarts {
  const { include } = said;
  if (saysNothingElse(inline.text, said) && include.element.range)
    return { ok: true, edits: [cutLine(page.document, include.element.range)], files: [], removed: 1 };
  const gone = withoutCalls(inline.text, said);
  if (!gone) return refuseFor(said, page.path);
  const edits = gone.map(({ start, end }) => ({ start: start + inline.start, end: end + inline.start, text: '' }));
  return { ok: true, edits, files: [], removed: 0 };
}

/** Where other pages start the kit by the same script, the call stays and asks whether it can be made. */
function withoutInFile(site: WiringSite, page: WiringPage, kit: Kit, said: Said): RemovedStarts {
  const { include } = said;
  const path = include.lookup.found === 'nothing' ? null : include.lookup.path;
  const content = path === null ? undefined : site.files.get(path);
  if (path === null || content?.kind !== 'text') return { ok: true, edits: [], files: [], removed: 0 };
  const startsKit = (other: WiringPage) =>
    other.wiring.uses.some(
      (use) => use.kit === kit && [...use.starts, ...use.mentions].some((one) => one.include.path === include.path),
    );
  const shared = site.pages.some((one) => one.path !== page.path && startsKit(one));
  const imports = said.mentions.some(({ names }) => names !== null);
  if (shared && imports)
    return refuse(`${include.written} imports it for other pages too. Remove it from that script in Markup first.`);
  const edits = shared ? guarded(said) : withoutCalls(content.text, said);
  if (!edits) return refuseFor(said, page.path);
  return { ok: true, edits: [], files: edits.length > 0 ? [{ kind: 'edit', path, edits }] : [], removed: 0 };
}

function refuseFor({ include, starts: [first] }: Said, page: string): RemovedStarts {
  const script = include.written ?? `The script on line ${include.line} of ${page}`;
  const what = first ? `what ${first.call.name}() gives back` : 'what it imports from there';
  return refuse(`${script} uses ${what}, so the call cannot be taken out by itself. ` + 'Remove it in Markup first.');
}

/** `$(function () { … })`, `jQuery(document).ready(function ($) { … })`, and the same in a function called at once. */
const WAITS_FOR_BASE =
  /^(?:\(function\(\$?\)\{)?(?:\$|jQuery)(?:\(document\)\.ready)?\((?:function\w*\(\$?\)|\(?\$?\)?=>)\{?\}?\);?(?:\}\)\((?:jQuery|\$)?\);?)?$/;

/** Where the calls stand, with what is imported and set for them, and what is called on their outcome, in order. */
function statementsOf({ starts, mentions }: Said): Place[] {
  const all = [
    ...starts.flatMap(({ call }) => [
      call.statement ?? { start: call.at, end: call.end },
      ...call.then.flatMap(({ statement }) => statement ?? []),
    ]),
    ...mentions.flatMap(({ statement }) => statement ?? []),
  ];
  // One statement may import several names, and may hold the call.
  return all
    .filter((one, n) => !all.some((other, m) => m !== n && isIn(one, other) && (!isIn(other, one) || m < n)))
    .sort((a, b) => a.start - b.start);
}

const isIn = (one: Place, other: Place): boolean => one.start >= other.start && one.end <= other.end;

/** Whether a script makes these calls and does nothing else, but for waiting until the page is there. */
function saysNothingElse(text: string, said: Said): boolean {
  let rest = text;
  for (const { start, end } of statementsOf(said).reverse()) rest = rest.slice(0, start) + rest.slice(end);
  const bare = rest.replace(/\/\*[\s\S]*?\*\/|\/\/.*$/gm, '').replace(/\s+/g, '');
  return (
    bare === '' ||
    WAITS_FOR_BASE.test(bare) ||
    /^(?:document|window)\.(?:addEventListener\((['"])(?:DOMContentLoaded|load)\1,|onload=)(?:function\w*\(\w*\)|\(\w*\)=>|\w+=>)\{?\}?\)?;?$/.test(
      bare,
    )
  );
}

/**
 * The statements cut out, each with the rest of its line where that is empty; null where a call is part of something
 * larger, or what is imported is used otherwise too.
 */
function withoutCalls(text: string, said: Said): Edit[] | null {
  const edits: Edit[] = [];
  if ([...said.starts.map(({ call }) => call), ...said.mentions].some(({ statement }) => !statement)) return null;
  for (const statement of statementsOf(said)) {
    let { start, end } = statement;
    const lineStart = text.lastIndexOf('\n', start - 1) + 1;
    const rest = /^[ \t]*\r?\n/.exec(text.slice(end));
    if (/^[ \t]*$/.test(text.slice(lineStart, start)) && rest) {
      start = lineStart;
      end += rest[0].length;
    }
    edits.push({ start, end, text: '' });
  }
  const left = edits.reduceRight((rest, edit) => rest.slice(0, edit.start) + rest.slice(edit.end), text);
  const reading = readScript(left, said.include.module ? 'module' : 'script');
  const gone = said.mentions.flatMap(({ names }) => names ?? []);
  return reading.ok && !reading.needs.some(({ name }) => gone.includes(name)) ? edits : null;
}

/** Other pages need the call still: it asks first whether the function is there. */
function guarded({ starts, mentions }: Said): Edit[] | null {
  const [first] = starts;
  if (!first || [...starts.map(({ call }) => call), ...mentions].some(({ statement }) => !statement)) return null;
  const ask = (at: number): Edit => ({ start: at, end: at, text: `if (${isThere(first.call)}) ` });
  return [
    ...starts.flatMap(({ call }) => (call.statement && !call.guarded ? [ask(call.statement.start)] : [])),
    ...mentions.flatMap(({ statement }) => (statement ? [ask(statement.start)] : [])),
  ].sort((a, b) => a.start - b.start);
}

/** Asks whether what is called is there. */
const isThere = ({ way, of, name }: StartingScript['call']): string => {
  if (way === 'collection') return `${of ?? '$'}.fn.${name}`;
  return `window.${startGlobal({ way, call: name, ...(of === null ? {} : { of }) }) ?? name}`;
};
