/**
 * Menus as people write them: a list of links to pages, with the page's own entry marked in one way or another.
 * An entry is written as its neighbours are, and the mark goes where it belongs.
 */
import { isPagePath, resolveInSite, type Edit } from '../site/index.ts';
import {
  type Attribute,
  attributeOf,
  descendants,
  textOf,
  valueOf,
  type PageDocument,
  type PageElement,
  type Range,
} from './document.ts';
import { encodeMarkup, replaceValue } from './encode.ts';
import { isPager } from './pager.ts';
import { joined } from './pattern.ts';
import { SAYS, SEPARATOR } from './units.ts';

export interface MenuEntry {
  /** The element that goes when the entry goes: `li`, or the link itself. */
  unit: PageElement;
  /** Null where the page's own entry is no link. */
  link: PageElement | null;
  href: string | null;
  label: string;
  /** The page that it leads to; null for a dummy and for what leads elsewhere. */
  target: string | null;
  dummy: boolean;
  current: boolean;
}

/** How an author marks the entry of the page that is shown. */
export type CurrentMark =
  | { kind: 'class'; on: 'link' | 'unit'; name: string }
  | { kind: 'aria'; on: 'link' | 'unit' }
  | { kind: 'unlinked'; tag: string | null }
  | null;

export interface Menu {
  container: PageElement;
  entries: MenuEntry[];
  mark: CurrentMark;
}

const UNITS = new Set(['li', 'a', 'td', 'span', 'div', 'p', 'strong', 'b', 'em']);
/** More than this is a sentence, not the name of a page. Characters. */
const LONGEST_LABEL = 40;
/** An entry with all of its markup is shorter than this; what is longer need not be looked into. Characters. */
const LONGEST_ENTRY = 600;

/** A page is parsed again only when its text or path is another; its menus are kept as long. */
const known = new WeakMap<PageDocument, { path: string; base: string; menus: Menu[] }>();

/**
 * Every run of links that may be a menu, the likeliest first. `path` is the page's own; its addresses count from `base`.
 */
export function menusOf(page: PageDocument, path: string, base = path): readonly Menu[] {
  const before = known.get(page);
  if (before?.path === path && before.base === base) return before.menus;
  const menus = findMenus(page, path, base);
  known.set(page, { path, base, menus });
  return menus;
}

function findMenus(page: PageDocument, path: string, base: string): Menu[] {
  const menus: Menu[] = [];
  for (const container of page.elements) {
    if (container.children.length < 2 || !container.range) continue;
    const entries = container.children.flatMap((unit) => entryOf(unit, path, base) ?? []);
    const linked = entries.filter(({ target, dummy }) => target !== null || dummy);
    const leading = entries.filter(({ target }) => target !== null).length;
    if (linked.length < 2 || leading === 0 || linked.length * 2 < container.children.length) continue;
    if (isProse(container, entries) || isPager(container)) continue;
    menus.push({ container, entries, mark: markOf(entries) });
  }
  const worth = ({ container, entries }: Menu) =>
    entries.length + (container.tag === 'nav' || container.parent?.tag === 'nav' ? 10 : 0);
  return menus.sort((a, b) => worth(b) - worth(a));
}

/**
 * Links within a sentence are no menu: words stand right beside them. Between the entries of a menu stand signs; its
 * name may stand before it.
 */
function isProse({ texts }: PageElement, entries: readonly MenuEntry[]): boolean {
  const links = entries.flatMap(({ link, unit }) => (link === unit && unit.range ? [unit.range] : []));
  return texts.some(({ value, range }) => {
    if (!SAYS.test(value)) return false;
    const after = links.some(({ end }) => end === range.start);
    const before = links.some(({ start }) => start === range.end);
    return (after && /^[\s]*[^\s|·•,;/–—>»]/.test(value)) || (before && /[^\s|·•,;:/–—<«][\s]*$/.test(value));
  });
}

function entryOf(unit: PageElement, path: string, base: string): MenuEntry | null {
  if (!mayBeEntry(unit)) return null;
  const [link = null, ...more] = [unit, ...descendants(unit)].filter(({ tag }) => tag === 'a');
  if (more.length > 0) return null;
  const label = textOf(unit).trim().replace(/\s+/g, ' ');
  if (!SAYS.test(label) || label.length > LONGEST_LABEL) return null;
  const { href, target } = whereTo(link, base);
  const current = target === path || (link === null && unit.tag !== 'p' && unit.tag !== 'div');
  return {
    unit,
    link,
    href,
    label,
    target: link === null && current ? path : target,
    dummy: href !== null && (href === '' || /^#!?$/.test(href)),
    current,
  };
}

function whereTo(link: PageElement | null, path: string): { href: string | null; target: string | null } {
  const href = (link && valueOf(link, 'href')) ?? null;
  return { href, target: href === null ? null : targetOf(href, path) };
}

function mayBeEntry(unit: PageElement): boolean {
  if (!UNITS.has(unit.tag) || !unit.range || unit.range.end - unit.range.start > LONGEST_ENTRY) return false;
  return ![unit, ...descendants(unit)].some(({ tag }) => tag === 'img' || tag === 'picture');
}

function targetOf(href: string, path: string): string | null {
  const target = resolveInSite(href, path);
  return target.kind === 'file' && isPagePath(target.path) ? target.path : null;
}

/** What the entry of the page itself has and no other one has. */
function markOf(entries: readonly MenuEntry[]): CurrentMark {
  const own = entries.find(({ current }) => current);
  const others = entries.filter(({ current }) => !current);
  if (!own || others.length === 0) return null;
  if (!own.link)
    return {
      kind: 'unlinked',
      tag: own.unit.children[0]?.tag ?? (own.unit.tag === 'li' || own.unit.tag === 'td' ? null : own.unit.tag),
    };
  for (const on of ['link', 'unit'] as const) {
    const element = own[on];
    if (!element) continue;
    if (
      valueOf(element, 'aria-current') !== undefined &&
      others.every((one) => !one[on] || valueOf(one[on], 'aria-current') === undefined)
    )
      return { kind: 'aria', on };
    const name = classes(element).find((one) =>
      others.every((other) => !other[on] || !classes(other[on]).includes(one)),
    );
    if (name !== undefined) return { kind: 'class', on, name };
  }
  return null;
}

const classes = (element: PageElement): string[] => (valueOf(element, 'class') ?? '').split(/\s+/).filter(Boolean);

interface EntryWish {
  /** As it shall stand in the page. */
  href: string;
  label: string;
  /** It is the entry of the page itself. */
  current: boolean;
}

/** An entry's bytes, as a neighbour is written; null where no entry is a plain link to write by. */
export function writeEntry(page: PageDocument, menu: Menu, wish: EntryWish): string | null {
  const model = menu.entries.find(({ link, current }) => link && !current) ?? null;
  if (!model?.link || !model.unit.range) return null;
  const { start, end } = model.unit.range;
  const edits: Edit[] = [];
  const text = labelRange(page, model.link);
  if (wish.current && menu.mark?.kind === 'unlinked' && model.link.range && text) {
    const { tag } = menu.mark;
    edits.push({
      ...model.link.range,
      text: tag === null ? encodeMarkup(wish.label) : `<${tag}>${encodeMarkup(wish.label)}</${tag}>`,
    });
  } else {
    const href = attributeOf(model.link, 'href');
    if (!href || !text) return null;
    edits.push(replaceValue(href, wish.href), { ...text, text: encodeMarkup(wish.label) });
    const title = attributeOf(model.link, 'title');
    if (title) edits.push(replaceValue(title, wish.label));
    if (wish.current) edits.push(...marked(menu, model));
  }
  const written = page.text.slice(start, start + page.text.slice(start, end).trimEnd().length);
  return joined(
    written,
    edits.map((edit) => ({ ...edit, start: edit.start - start, end: edit.end - start })),
  );
}

/** The edits that put the author's mark on an entry, where the author puts it. */
function marked({ mark, entries }: Menu, entry: MenuEntry): Edit[] {
  if (mark === null || mark.kind === 'unlinked') return [];
  const element = entry[mark.on];
  if (!element?.open) return [];
  const [name, value] = mark.kind === 'class' ? ['class', mark.name] : ['aria-current', 'page'];
  const existing = mark.kind === 'class' ? attributeOf(element, name) : undefined;
  if (existing) return [replaceValue(existing, `${existing.value} ${value}`.trim())];
  return markedAnew(element, entries.find(({ current }) => current)?.[mark.on] ?? null, { name, value });
}

/** An attribute that was not there, where the model has it and in the quotes that stand there. */
function markedAnew(
  element: PageElement,
  model: PageElement | null,
  { name, value }: { name: string; value: string },
): Edit[] {
  const isBehind = (model?.attributes.findIndex((attribute) => attribute.name === name) ?? 0) > 0;
  const last = isBehind ? element.attributes.at(-1)?.range.end : undefined;
  const at = last ?? (element.open?.start ?? 0) + 1 + element.tag.length;
  const quote = quoteOf([...(model?.attributes ?? []), ...element.attributes]);
  return [{ start: at, end: at, text: ` ${name}=${quote}${value}${quote}` }];
}

/** The author's own quotes, as far as there are any. */
function quoteOf(attributes: readonly Attribute[]): string {
  const used = attributes.map(({ quote }) => quote);
  return used.includes("'") && !used.includes('"') ? "'" : '"';
}

/** Whether an entry wears a mark that all pages use. */
function wears(entry: MenuEntry, mark: CurrentMark): boolean {
  if (mark === null || mark.kind === 'unlinked') return false;
  const element = entry[mark.on];
  if (!element) return false;
  return mark.kind === 'class' ? classes(element).includes(mark.name) : valueOf(element, 'aria-current') !== undefined;
}

/** The edits after which the page's own entry alone wears the mark; none where that is so. */
export function markEdits(page: PageDocument, menu: Menu, mark: CurrentMark, own: MenuEntry): Edit[] {
  const wrong = menu.entries.filter((entry) => entry !== own && wears(entry, mark));
  return [
    ...wrong.flatMap((entry) => unmarked(page, mark, entry)),
    ...(wears(own, mark) ? [] : marked({ ...menu, mark }, own)),
  ].sort((a, b) => a.start - b.start);
}

/** The edits that take the author's mark from an entry that has it. */
function unmarked(page: PageDocument, mark: CurrentMark, entry: MenuEntry): Edit[] {
  if (mark === null || mark.kind === 'unlinked') return [];
  const element = entry[mark.on];
  const attribute = element && attributeOf(element, mark.kind === 'class' ? 'class' : 'aria-current');
  if (!element || !attribute) return [];
  const left =
    mark.kind === 'class'
      ? classes(element)
          .filter((name) => name !== mark.name)
          .join(' ')
      : '';
  if (left !== '') return [replaceValue(attribute, left)];
  let { start } = attribute.range;
  while (/\s/.test(page.text[start - 1] ?? '')) start--;
  return [{ start, end: attribute.range.end, text: '' }];
}

/** Where the words of a link stand; null where they are not in one piece. */
function labelRange(page: PageDocument, link: PageElement): Range | null {
  const holders = [link, ...descendants(link)].flatMap(({ texts }) => texts.filter(({ value }) => SAYS.test(value)));
  const [only] = holders;
  if (!only || holders.length > 1) return null;
  const written = page.text.slice(only.range.start, only.range.end);
  return {
    start: only.range.start + (/^\s*/.exec(written)?.[0] ?? '').length,
    end: only.range.end - (/\s*$/.exec(written)?.[0] ?? '').length,
  };
}

/** An entry put behind another one, or before the first. */
export function insertEntry(page: PageDocument, menu: Menu, wish: EntryWish, after: number): Edit[] | null {
  const text = writeEntry(page, menu, wish);
  const neighbour = menu.entries[Math.max(0, after)];
  if (text === null || !neighbour?.unit.range) return null;
  const separator = separatorIn(page, menu);
  const { start, end } = neighbour.unit.range;
  const at = after < 0 ? start : start + page.text.slice(start, end).trimEnd().length;
  return [{ start: at, end: at, text: after < 0 ? text + separator : separator + text }];
}

/** The cut that takes an entry away, with the separator before it or, of the first one, behind it. */
export function removeEntry(page: PageDocument, { entries }: Menu, n: number): Edit | null {
  const own = entries[n]?.unit.range;
  if (!own || entries.length < 2) return null;
  const endOf = ({ start, end }: Range) => start + page.text.slice(start, end).trimEnd().length;
  const [before, behind] = [entries[n - 1]?.unit.range, entries[n + 1]?.unit.range];
  if (before && SEPARATOR.test(page.text.slice(endOf(before), own.start)))
    return { start: endOf(before), end: endOf(own), text: '' };
  return behind && SEPARATOR.test(page.text.slice(endOf(own), behind.start))
    ? { start: own.start, end: behind.start, text: '' }
    : { start: own.start, end: endOf(own), text: '' };
}

function separatorIn(page: PageDocument, { entries }: Menu): string {
  for (const [n, { unit }] of entries.entries()) {
    const next = entries[n + 1]?.unit.range;
    if (!next || !unit.range) continue;
    const end = unit.range.start + page.text.slice(unit.range.start, unit.range.end).trimEnd().length;
    const between = page.text.slice(end, next.start);
    if (SEPARATOR.test(between)) return between;
  }
  return '\n';
}

/** The edits by which a copy of a page marks itself: the mark leaves the entry of the page it was made from. */
export function moveMark(
  page: PageDocument,
  menu: Menu,
  from: MenuEntry | undefined,
  to: MenuEntry | undefined,
  hrefOf: string,
): Edit[] {
  const { mark } = menu;
  const edits: Edit[] = [];
  if (mark?.kind === 'unlinked') {
    if (from?.unit.range && !from.link) {
      const plain = writeEntry(page, menu, { href: hrefOf, label: from.label, current: false });
      if (plain !== null)
        edits.push({
          start: from.unit.range.start,
          end: from.unit.range.start + page.text.slice(from.unit.range.start, from.unit.range.end).trimEnd().length,
          text: plain,
        });
    }
    return edits;
  }
  if (from) edits.push(...unmarked(page, mark, from));
  if (to) edits.push(...marked(menu, to));
  return edits;
}
