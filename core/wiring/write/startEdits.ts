/** Start calls written at the end of a page, and taken out of whatever script makes them. */
import { cutLine, insertAtEnd, insertBeside, type PageElement } from '../../markup/index.ts';
import { type Edit, type FileChange, grouped, refuse, type Result } from '../../site/index.ts';
import { markerSelector, startGlobal, startWritten, type Kit, type KitManifest } from '../kit/manifest.ts';
import type { Include } from '../read/includes.ts';
import { readScript } from '../read/scriptFacts.ts';
import type { StartingScript } from '../read/starts.ts';
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

/**
 * Empty where the kit is started already, or needs no call; each edit is one more element. `authored` is code that
 * starts it as its author has written it.
 */
export function startEdits(
  { document, wiring }: WiringPage,
  kit: Kit,
  script: PageElement | null,
  authored: string | null = null,
): Edit[] {
  const call = authored ?? callNeeded(kit);
  const use = wiring.uses.find((one) => one.kit.manifest.name === kit.manifest.name);
  if (call === null || (use && use.starts.length > 0)) return [];
  const markup = `<script>${call}</script>`;
  // A call that stands as it is runs before scripts that are deferred; it has to wait as they do.
  const waiting =
    wiring.includes.find((include) => include.element === script)?.when === 'deferred' ||
    (script === null && kit.manifest.place === 'head');
  const text = waiting ? `<script>${WAITING[0]} ${call} ${WAITING[1]}</script>` : markup;
  return [
    script && !waiting && script.parent?.tag === 'body'
      ? insertBeside(document, script, text, 'after')
      : insertAtEnd(document, text),
  ];
}

const callNeeded = ({ manifest }: Kit): string | null => (manifest.start?.required ? callText(manifest) : null);

type RemovedStarts = Result<{ edits: Edit[]; files: FileChange[]; removed: number }>;

export function removedStarts(site: WiringSite, page: WiringPage, kit: Kit): RemovedStarts {
  const use = page.wiring.uses.find((one) => one.kit === kit);
  const out: Extract<RemovedStarts, { ok: true }> = { ok: true, edits: [], files: [], removed: 0 };
  for (const [include, starts] of grouped(use?.starts ?? [], ({ include: one }) => one)) {
    const done = include.inline
      ? withoutInline(page, include, include.inline, starts)
      : withoutInFile(site, page, kit, include, starts);
    if (!done.ok) return done;
    out.edits.push(...done.edits);
    out.files.push(...done.files);
    out.removed += done.removed;
  }
  return out;
}

function withoutInline(
  page: WiringPage,
  include: Include,
  inline: NonNullable<Include['inline']>,
  starts: readonly StartingScript[],
): RemovedStarts {
  if (saysNothingElse(inline.text, starts) && include.element.range)
    return { ok: true, edits: [cutLine(page.document, include.element.range)], files: [], removed: 1 };
  const gone = withoutCalls(inline.text, starts);
  if (!gone) return refuseFor(include, page.path, starts);
  const edits = gone.map(({ start, end }) => ({ start: start + inline.start, end: end + inline.start, text: '' }));
  return { ok: true, edits, files: [], removed: 0 };
}

/** Where other pages start the kit by the same script, the call stays and asks whether it can be made. */
function withoutInFile(
  site: WiringSite,
  page: WiringPage,
  kit: Kit,
  include: Include,
  starts: readonly StartingScript[],
): RemovedStarts {
  const path = include.lookup.found === 'nothing' ? null : include.lookup.path;
  const content = path === null ? undefined : site.files.get(path);
  if (path === null || content?.kind !== 'text') return { ok: true, edits: [], files: [], removed: 0 };
  const startsKit = (other: WiringPage) =>
    other.wiring.uses.some((use) => use.kit === kit && use.starts.some((start) => start.include.path === include.path));
  const shared = site.pages.some((one) => one.path !== page.path && startsKit(one));
  const edits = shared ? guarded(starts) : withoutCalls(content.text, starts);
  if (!edits) return refuseFor(include, page.path, starts);
  return { ok: true, edits: [], files: edits.length > 0 ? [{ kind: 'edit', path, edits }] : [], removed: 0 };
}

function refuseFor(include: Include, page: string, [first]: readonly StartingScript[]): RemovedStarts {
  const script = include.written ?? `The script on line ${include.line} of ${page}`;
  return refuse(
    `${script} uses what ${first?.call.name}() gives back, so the call cannot be taken out by itself. ` +
      'Take it out in Markup first.',
  );
}

/** `$(function () { … })`, `jQuery(document).ready(function ($) { … })`, and the same in a function called at once. */
const WAITS_FOR_BASE =
  /^(?:\(function\(\$?\)\{)?(?:\$|jQuery)(?:\(document\)\.ready)?\((?:function\w*\(\$?\)|\(?\$?\)?=>)\{?\}?\);?(?:\}\)\((?:jQuery|\$)?\);?)?$/;

/** Where the calls stand, with what is called on their outcome, in order. */
const statementsOf = (starts: readonly StartingScript[]): { start: number; end: number }[] =>
  starts
    .flatMap(({ call }) => [
      call.statement ?? { start: call.at, end: call.end },
      ...call.then.flatMap(({ statement }) => statement ?? []),
    ])
    .sort((a, b) => a.start - b.start);

/** Whether a script makes these calls and does nothing else, but for waiting until the page is there. */
function saysNothingElse(text: string, starts: readonly StartingScript[]): boolean {
  let rest = text;
  for (const { start, end } of statementsOf(starts).reverse()) rest = rest.slice(0, start) + rest.slice(end);
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
 * larger.
 */
function withoutCalls(text: string, starts: readonly StartingScript[]): Edit[] | null {
  const edits: Edit[] = [];
  if (starts.some(({ call }) => !call.statement)) return null;
  for (const statement of statementsOf(starts)) {
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
  return readScript(left).ok ? edits : null;
}

/** Other pages need the call still: it asks first whether the function is there. */
const guarded = (starts: readonly StartingScript[]): Edit[] | null =>
  starts.every(({ call }) => call.statement)
    ? starts.flatMap(({ call }) =>
        call.statement && !call.guarded
          ? [{ start: call.statement.start, end: call.statement.start, text: `if (${isThere(call)}) ` }]
          : [],
      )
    : null;

/** Asks whether what is called is there. */
const isThere = ({ way, of, name }: StartingScript['call']): string => {
  if (way === 'collection') return `${of ?? '$'}.fn.${name}`;
  return `window.${startGlobal({ ...BARE, way, call: name, ...(of === null ? {} : { of }) }) ?? name}`;
};

const BARE = { required: true, selector: true, binds: true } as const;
