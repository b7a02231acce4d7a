/**
 * Options of a viewer written where their author would write them: in the attribute or the start call that says them
 * already, else in the start call by which the viewer has its links, else as an attribute of what they are for.
 */
import {
  attributeOf,
  closest,
  isWithin,
  nearestWritten,
  rewriteTag,
  type Gallery,
  type PageElement,
} from '../../markup/index.ts';
import { type Edit, type FileChange, refuse, type Result, type SiteFiles } from '../../site/index.ts';
import { answersLinks, argumentName, type KitOption, type OptionValue } from '../kit/manifest.ts';
import { asArgument, asAttribute } from '../kit/manual.ts';
import type { StartingScript } from '../read/starts.ts';
import type { KitUse } from '../read/uses.ts';
import type { WiringPage } from '../write/site.ts';
import { optionSaid, startOfElement, type OptionSaid } from './said.ts';

/** What options are for: a gallery, or one link of it. */
interface OptionScope {
  use: KitUse;
  gallery: Gallery;
  link: PageElement | null;
}

/** Null takes an option back to what holds without it. */
type OptionWishes = Readonly<Record<string, OptionValue | null>>;

type Written = Result<{ edits: Edit[]; files: FileChange[] }>;

/** The links or the element that a viewer takes as its gallery, in a scope; empty where it answers none of it. */
export function targetsOf({ use, gallery, link }: OptionScope): PageElement[] {
  if (link) return use.claimed.has(link) ? [link] : [];
  if (answersLinks(use.kit.manifest))
    return gallery.items.flatMap((item) => (item.link && use.claimed.has(item.link) ? [item.link] : []));
  const [item] = gallery.items;
  const holder = item?.elements[0] ? closest(item.elements[0], (one) => use.claimed.has(one)) : null;
  return holder ? [holder] : [];
}

const list = (values: readonly string[] = []): string => values.map((one) => one || 'nothing').join(', ');

function rangeOf({ min, max, unit }: KitOption): string {
  const [from, to] = [min === undefined ? '' : ` from ${min}`, max === undefined ? '' : ` to ${max}`];
  return `a number${from}${to}${unit === undefined ? '' : ` ${unit}`}`;
}

const isInRange = ({ min = -Infinity, max = Infinity }: KitOption, value: number): boolean =>
  value >= min && value <= max;

/** For each type whether a value is one, and what is one. */
const TYPES: Readonly<
  Record<
    KitOption['type'],
    { takes: (option: KitOption, value: OptionValue) => boolean; says: (of: KitOption) => string }
  >
> = {
  switch: { takes: (_, value) => typeof value === 'boolean', says: () => 'on or off' },
  choice: {
    takes: ({ values = [] }, value) => typeof value === 'string' && values.includes(value),
    says: ({ values }) => `one of ${list(values)}`,
  },
  text: { takes: (_, value) => typeof value !== 'number', says: () => 'text' },
  number: {
    takes: (option, value) => typeof value === 'number' && Number.isFinite(value) && isInRange(option, value),
    says: rangeOf,
  },
};

/** Why a value is none of an option's; null where it is. */
export function troubleWithValue(option: KitOption, value: OptionValue): string | null {
  const { takes, says } = TYPES[option.type];
  return takes(option, value) ? null : `${option.name} is ${says(option)}.`;
}

export function setOptions(files: SiteFiles, page: WiringPage, scope: OptionScope, wishes: OptionWishes): Written {
  const targets = targetsOf(scope);
  const { manifest } = scope.use.kit;
  if (targets.length === 0) return refuse(`${manifest.title} answers nothing there.`);
  const tags = new Map<PageElement, Map<string, string | null>>();
  const calls = new Map<StartingScript, Map<string, OptionValue>>();
  for (const [name, value] of Object.entries(wishes)) {
    const option = manifest.options.find((one) => one.name === name);
    if (!option) return refuse(`${manifest.title} has no option ${name}.`);
    const trouble = value === null ? null : troubleWithValue(option, value);
    if (trouble !== null) return refuse(trouble);
    if (option.each && !scope.link && answersLinks(manifest) && value !== null && value !== 'off')
      return refuse(`${name} is for one link alone. Choose the link first.`);
    const reason = place(scope, targets, option, value ?? option.without, { tags, calls });
    if (reason !== null) return refuse(reason);
  }
  const edits = [...tags].flatMap(([element, attributes]) => rewriteTag(element, attributes, page.document.text));
  return withCalls(files, page, calls, edits);
}

interface Wanted {
  tags: Map<PageElement, Map<string, string | null>>;
  calls: Map<StartingScript, Map<string, OptionValue>>;
}

/** Notes where an option is to be written; or the reason why it cannot be. */
function place(
  scope: OptionScope,
  targets: readonly PageElement[],
  option: KitOption,
  value: OptionValue,
  { tags, calls }: Wanted,
): string | null {
  const { use } = scope;
  const said = targets.map((target) => optionSaid(use, target, option));
  if (said.every((one) => one.value === value)) return null;
  const attribute = use.kit.manifest.prefix + option.name;
  const note = (element: PageElement, written: string | null) => {
    const attributes = tags.get(element) ?? new Map<string, string | null>();
    tags.set(element, attributes.set(attribute, written));
  };
  const start = callFor(scope, targets, said);
  const own = said.flatMap((one) => (one.from === 'markup' && isInScope(scope, one.element) ? [one.element] : []));
  const others = said.filter((one) => !(one.from === 'markup' && own.includes(one.element)));
  const beside = others.every((one) => one.value === value);
  for (const element of new Set(own)) {
    const without = own.length === said.length ? withoutMarkup(scope, option, targets) : null;
    note(element, without === value ? null : asTag(option, value, attributeOf(element, attribute)?.value));
  }
  if (beside) return null;
  if (start) {
    const set = calls.get(start) ?? new Map<string, OptionValue>();
    calls.set(start, set.set(argumentName(option.name), value));
    return null;
  }
  const elements = elementsFor(scope, targets);
  if (elements.length === 0)
    return `${use.kit.manifest.title} takes its options in a start call, and none is there. Write one first.`;
  for (const element of elements) note(element, asTag(option, value, undefined));
  return null;
}

/** As attributes say it: a switch that is on needs no value, where its author has written none. */
function asTag({ type }: KitOption, value: OptionValue, before: string | undefined): string {
  if (type === 'switch' && value === true && before !== 'on') return '';
  return asAttribute(value);
}

/** What would hold if no attribute of the scope said it. */
function withoutMarkup({ use }: OptionScope, option: KitOption, [target]: readonly PageElement[]): OptionValue {
  const key = argumentName(option.name);
  const start = target ? startOfElement(use, target) : null;
  return start?.options[key] ?? option.without;
}

const isInScope = ({ gallery, link }: OptionScope, element: PageElement): boolean => {
  if (link) return element === link;
  return isWithin(element, gallery.container) || isWithinHolder(element, gallery) || element === holderOf(gallery);
};

/** What the options of a gallery are written on: what holds its items, or the nearest around that has a tag. */
const holderOf = ({ container }: Gallery): PageElement | null => nearestWritten(container);

/** The element that a viewer is marked on may stand around what holds the items. */
const isWithinHolder = (element: PageElement, { container }: Gallery): boolean =>
  container.parent === element && element.children.length === 1;

/** The start call that is to say it: the one that does, or by which the viewer has its links; none that others share. */
function callFor(
  scope: OptionScope,
  targets: readonly PageElement[],
  said: readonly OptionSaid[],
): StartingScript | null {
  const { use, link } = scope;
  if (link && use.kit.manifest.prefix !== '') return null;
  const [first] = said;
  const start = first && first.from === 'call' ? first.start : startIfUnmarked(use, targets);
  if (!start) return null;
  const isShared = start.there.some((one) => !targets.some((target) => isWithin(target, one) || isWithin(one, target)));
  return isShared && use.kit.manifest.prefix !== '' ? null : start;
}

const startIfUnmarked = (use: KitUse, [target]: readonly PageElement[]): StartingScript | null =>
  target && (!use.marked.some((one) => isWithin(target, one)) || use.kit.manifest.prefix === '')
    ? startOfElement(use, target)
    : null;

/** The elements whose attribute is to say it. */
function elementsFor({ use, gallery, link }: OptionScope, targets: readonly PageElement[]): readonly PageElement[] {
  const { marker, prefix, inherits } = use.kit.manifest;
  if (marker.element !== undefined)
    return [...new Set(targets.flatMap((one) => closest(one, ({ tag }) => tag === marker.element) ?? []))];
  if (prefix === '') return [];
  if (!inherits || link || !answersLinks(use.kit.manifest)) return targets;
  // What holds other galleries too would say it for them as well.
  const holder = holderOf(gallery);
  if (!holder) return targets;
  const isShared = [...use.claimed].some((one) => isWithin(one, holder) && !targets.includes(one));
  return isShared ? targets : [holder];
}

function withCalls(
  files: SiteFiles,
  page: WiringPage,
  calls: ReadonlyMap<StartingScript, ReadonlyMap<string, OptionValue>>,
  edits: Edit[],
): Written {
  const changes: FileChange[] = [];
  for (const [start, options] of calls) {
    const { inline, path, written } = start.include;
    const content = path === null ? undefined : files.get(path);
    const text = inline?.text ?? (content?.kind === 'text' ? content.text : null);
    if (text === null) return refuse(`${written ?? 'The script'} cannot be read.`);
    const inCall = editsInCall(start, options, text);
    if (!inCall)
      return refuse(`The start call in ${written ?? page.path} is written so that nothing can be added to it.`);
    if (inline)
      edits.push(...inCall.map((one) => ({ ...one, start: one.start + inline.start, end: one.end + inline.start })));
    else if (path !== null) changes.push({ kind: 'edit', path, edits: inCall });
  }
  return { ok: true, edits: edits.sort((a, b) => a.start - b.start), files: changes };
}

/** Values put in the place of those that are there, and the others after them; offsets in the script's text. */
function editsInCall({ call }: StartingScript, options: ReadonlyMap<string, OptionValue>, text: string): Edit[] | null {
  const edits: Edit[] = [];
  const coming: string[] = [];
  for (const [key, value] of options) {
    const at = call.optionsAt[key];
    if (at) edits.push({ ...at, text: asArgument(value) });
    else coming.push(`${key}: ${asArgument(value)}`);
  }
  if (coming.length === 0) return edits;
  const added = call.object ? intoObject(call.object, coming, text) : intoBrackets(call.end, coming, text);
  return added && [...edits, added].sort((a, b) => a.start - b.start);
}

function intoObject(
  { start, end, last }: NonNullable<StartingScript['call']['object']>,
  coming: string[],
  text: string,
): Edit {
  if (last === null) return { start, end, text: `{ ${coming.join(', ')} }` };
  const line = text.slice(text.lastIndexOf('\n', last - 1) + 1, last);
  const isLaidOut = text.slice(start, last).includes('\n');
  const newline = text.includes('\r\n') ? '\r\n' : '\n';
  const separator = isLaidOut ? `,${newline}${/^[ \t]*/.exec(line)?.[0] ?? ''}` : ', ';
  return { start: last, end: last, text: coming.map((one) => separator + one).join('') };
}

/** What separates an argument from what stands before it. */
const LEADS: Readonly<Record<string, string>> = { '(': '', ',': ' ' };

function intoBrackets(end: number, coming: string[], text: string): Edit | null {
  const at = end - 1;
  if (text[at] !== ')') return null;
  const before = text.slice(0, at).trimEnd().at(-1);
  const lead = LEADS[before ?? ''] ?? ', ';
  return { start: at, end: at, text: `${lead}{ ${coming.join(', ')} }` };
}
