/**
 * How many items stand beside one another where their own width decides it: floats, inline blocks, rows of flex. It is
 * said only where it is the same in every room that the gallery may have; else why it is not.
 */
import { valueOf, type PageElement } from '../markup/index.ts';
import { inheritedFor, valueFor, type Situation } from './cascade.ts';
import { type Layout, sideOf } from './layout.ts';
import { inRoom, type Linear, linearOf, type Units } from './linear.ts';

type InRow =
  | { kind: 'count'; count: number }
  /** As many as fit, each of this width. */
  | { kind: 'length'; width: string }
  /** As wide as they come. */
  | { kind: 'free' }
  | { kind: 'unread'; why: string };

/** Without a size of its own a browser's text has so many CSS px (common practice of browsers, no source). */
const FONT_SIZE = 16;

function unitsFor(situation: Situation, element: PageElement | undefined): Units {
  const size = inheritedFor(situation, element, 'font-size') ?? '';
  const em = /^[\d.]+px$/.test(size) ? Number.parseFloat(size) : FONT_SIZE;
  return { em: size === '0' ? 0 : em, rem: FONT_SIZE, vw: situation.width / 100 };
}

/** The least and the most room that a gallery is taken to have, in shares of the window or of the column of the page. */
const LEAST_ROOM = 0.6;
const ROOMS = 9;
/** A browser reckons in sixty-fourths of a CSS px. */
const SLACK = 0.05;
/** Of a picture that does not say how wide it is; CSS px (our own assumption, no source). */
const PICTURE = 200;
/** White space between two words, in shares of the font's size. */
const SPACE = 0.3;

function roomsFor({ situation, parts }: Layout, units: Units): number[] {
  const content = parts.content[0];
  const told = ['max-width', 'width'].flatMap((property) => {
    const value = valueFor(situation, content, property);
    const length = value === null ? null : linearOf(value, units);
    return length && length.percent === 0 && length.px > 0 ? [length.px] : [];
  });
  const most = Math.min(situation.width, ...told);
  const least = most * LEAST_ROOM;
  return Array.from({ length: ROOMS }, (_, n) => least + ((most - least) * n) / (ROOMS - 1));
}

/** What decides the width of an item. */
const DECIDING = [
  'width',
  'min-width',
  'max-width',
  'flex-basis',
  'margin-left',
  'margin-right',
  'padding-left',
  'padding-right',
  'box-sizing',
  'clear',
  'float',
  'display',
] as const;

/** By their place items are told apart within the first few; further ones only by what they are called. */
const BY_PLACE = 13;

function telling(items: readonly PageElement[]): PageElement[] {
  const called = new Set<string>();
  return items.filter((item, n) => {
    const names = ['class', 'id', 'style'].map((name) => valueOf(item, name) ?? '').join('\n');
    const isNew = !called.has(names) && called.size < BY_PLACE;
    if (isNew) called.add(names);
    return n < BY_PLACE || isNew;
  });
}

function unlike({ situation, parts: { item } }: Layout): string | null {
  const [first, ...others] = telling(item);
  const apart = DECIDING.find((property) => {
    const value = valueFor(situation, first, property);
    return others.some((other) => valueFor(situation, other, property) !== value);
  });
  return apart === undefined ? null : `its items are not all alike: the stylesheet gives some another ${apart}`;
}

/** Both edges of an item; null where one cannot be told. Borders of other widths than px count as three. */
function edgesOf(layout: Layout, units: Units): Linear | null {
  const { situation, parts } = layout;
  const [item] = parts.item;
  if (valueFor(situation, item, 'box-sizing')?.toLowerCase() === 'border-box') return { percent: 0, px: 0 };
  const sides = ['padding-left', 'padding-right'].map((side) => linearOf(sideOf(layout, side), units));
  const borders = ['left', 'right'].map((side) => borderOf(situation, item, side));
  return sumOf([...sides, ...borders]);
}

function borderOf(situation: Situation, item: PageElement | undefined, side: string): Linear {
  const said = [`border-${side}-width`, `border-${side}`, 'border-width', 'border'].flatMap(
    (property) => valueFor(situation, item, property) ?? [],
  );
  const [value] = said;
  if (value === undefined || /^(?:0|none|hidden)\b/.test(value) || /\bnone\b/.test(value)) return { percent: 0, px: 0 };
  return { percent: 0, px: Number(/([\d.]+)px/.exec(value)?.[1] ?? 3) };
}

const sumOf = (lengths: readonly (Linear | null)[]): Linear | null =>
  lengths.reduce<Linear | null>(
    (sum, one) => sum && one && { percent: sum.percent + one.percent, px: sum.px + one.px },
    { percent: 0, px: 0 },
  );

/** The room between two neighbours; null where it cannot be told. */
function betweenOf({ situation, parts, method }: Layout, units: Units, isSpaced: boolean): Linear | null {
  if (method === 'inline') return { percent: 0, px: isSpaced ? units.em * SPACE : 0 };
  if (method !== 'flex') return { percent: 0, px: 0 };
  const gap = valueFor(situation, parts.container[0], 'column-gap');
  return gap === null || gap === 'normal' ? { percent: 0, px: 0 } : linearOf(gap, units);
}

/** White space in the source between items stands between them on the page as well. */
function isSpaced({ situation, gallery }: Layout): boolean {
  const { text } = situation.page.document;
  return gallery.items.some(({ range }, n) => {
    const next = gallery.items[n + 1];
    return next !== undefined && /\s/.test(text.slice(range.end, next.range.start).replace(/<!--[\s\S]*?-->/g, ''));
  });
}

/** In a row of flex no item becomes narrower than its picture, if that does not shrink; CSS px. */
function leastOf({ situation, parts, method }: Layout): number {
  const [item] = parts.item;
  const [image] = parts.image;
  if (method !== 'flex' || !image || valueFor(situation, item, 'min-width') !== null) return 0;
  const overflow = valueFor(situation, item, 'overflow');
  if (overflow !== null && overflow !== 'visible') return 0;
  const shrinks = ['max-width', 'width'].some((property) => valueFor(situation, image, property)?.includes('%'));
  if (shrinks) return 0;
  const own = valueFor(situation, image, 'width');
  return Number.parseFloat(own ?? valueOf(image, 'width') ?? '') || PICTURE;
}

interface Widths {
  width: Linear;
  least: Linear | null;
  most: Linear | null;
}

const written = (situation: Situation, item: PageElement | undefined, property: string): string | null => {
  const value = valueFor(situation, item, property);
  return value === null || /^(?:auto|none|initial|unset|0|0px)$/i.test(value) ? null : value;
};

/** The declared width: in a row of flex its basis, if it has one. */
export function widthOf({ situation, parts, method }: Layout): string | null {
  const [item] = parts.item;
  const basis = method === 'flex' ? valueFor(situation, item, 'flex-basis') : null;
  return basis !== null && !/^(?:auto|content|initial|unset)$/i.test(basis) ? basis : written(situation, item, 'width');
}

function widthsOf(layout: Layout, width: string, units: Units): Widths | null {
  const { situation, parts } = layout;
  const [most, least] = ['max-width', 'min-width'].map((property) => written(situation, parts.item[0], property));
  const [own, upper, lower] = [width, most ?? null, least ?? null].map((one) => one && linearOf(one, units));
  if (!own || (most && !upper) || (least && !lower)) return null;
  return { width: own, least: lower || null, most: upper || null };
}

/** Whether a row of flex goes on in a next one. */
function wraps({ situation, parts }: Layout): boolean {
  const [container] = parts.container;
  const flow = valueFor(situation, container, 'flex-flow') ?? '';
  const wrap = valueFor(situation, container, 'flex-wrap') ?? flow;
  return /\bwrap/.test(wrap.replace('nowrap', ''));
}

const unread = (why: string): InRow => ({ kind: 'unread', why });

export function itemsInRow(layout: Layout): InRow {
  const apart = unlike(layout);
  if (apart !== null) return unread(apart);
  const { situation, parts, method, gallery } = layout;
  if (method === 'flex' && !wraps(layout))
    return unread(`its ${gallery.items.length} items stand in one row that does not wrap`);
  const width = widthOf(layout);
  if (width === null) {
    const limit = written(situation, parts.item[0], 'max-width');
    return limit === null ? { kind: 'free' } : unread(`its items are as wide as they come, up to ${limit}`);
  }
  const units = unitsFor(situation, parts.item[0]);
  const outer = unitsFor(situation, parts.container[0]);
  const widths = widthsOf(layout, width, units);
  const edges = edgesOf(layout, units);
  const margins = sumOf(['margin-left', 'margin-right'].map((side) => linearOf(sideOf(layout, side), units)));
  const between = betweenOf(layout, outer, isSpaced(layout));
  if (!widths || !edges || !margins || !between) return unread(`how wide ${width} is only a browser can say`);
  if (widths.width.percent === 0 && widths.width.px === 0) return unread('its items begin with no width and grow');
  const isFixed = [widths.width, widths.least, widths.most].every((one) => one === null || one.percent === 0);
  if (isFixed) return { kind: 'length', width };
  const counts = roomsFor(layout, outer).map((room) => {
    const asked = Math.min(inRoom(widths.width, room), widths.most ? inRoom(widths.most, room) : Infinity);
    const own = Math.max(asked, widths.least ? inRoom(widths.least, room) : 0, leastOf(layout));
    const gap = inRoom(between, room);
    return Math.max(1, Math.floor((room + gap + SLACK) / (own + inRoom(edges, room) + inRoom(margins, room) + gap)));
  });
  const [count = 1] = counts;
  return counts.every((one) => one === count)
    ? { kind: 'count', count }
    : unread('how many stand in a row depends on the room that it has');
}
