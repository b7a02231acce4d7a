/** How many columns, and how far apart: in the terms of whatever method the author chose. */
import { firstOf } from '../../site/index.ts';
import { valueFor } from '../cascade.ts';
import type { StyleWish } from '../declare.ts';
import type { Declaration } from '../stylesheets.ts';
import { displayOf, isNothing, oddIn, sideOf, type Layout } from '../layout.ts';
import { itemsInRow, widthOf } from '../rows.ts';
import { lengthOf, piecesOf, sumOf, timesOf } from '../values.ts';
import { declared, type Setting, type Declared } from './setting.ts';

const isCount = (value: string): boolean => /^[1-9]\d?$/.test(value);

/** Columns of a grid: a number, the least width of as many as fit, or as written. */
function gridColumns(value: string | null): string | null {
  if (value === null) return null;
  const repeated = /^repeat\(\s*(\d+|auto-fill|auto-fit)\s*,\s*(.*)\)$/is.exec(value.trim());
  if (!repeated) {
    if (value === 'none') return '1';
    const isOdd = /[a-z]+\(|\[/i.test(value) && !/^minmax/i.test(value);
    return isOdd ? value : String(piecesOf(value).length);
  }
  if (/^\d+$/.test(repeated[1] ?? '')) return String(Number(repeated[1]) * piecesOf(repeated[2] ?? '').length);
  return leastOf(repeated[2] ?? '') ?? value;
}

const leastOf = (track: string): string | null =>
  /^minmax\(\s*(?:min\(\s*)?([\d.]+[a-z]+)/i.exec(track)?.[1] ?? (lengthOf(track) ? track : null);

/** Why a declaration does not say a value by itself. */
const whyUntold = ({ property, value }: Declaration): string =>
  property === 'grid-template-columns'
    ? `${value} names what nothing sets`
    : `${property} says it together with other things`;

/** Reads a grid's columns, and says where nobody can: tracks of others, columns that are filled from top to bottom. */
function readGrid(layout: Layout): Declared {
  const { situation, parts } = layout;
  const [container] = parts.container;
  const one = declared(layout, 'container', 'grid-template-columns');
  const says = (property: string) => valueFor(situation, container, property) ?? '';
  if (one.unread !== undefined) return { ...one, value: null };
  if (one.winner && one.value === null) return { ...one, unread: whyUntold(one.winner.declaration) };
  if (/subgrid|masonry/i.test(one.value ?? ''))
    return { ...one, value: null, unread: 'its columns are those of another grid' };
  if (/\bcolumn\b/i.test(says('grid-auto-flow')))
    return { ...one, value: null, unread: 'it fills its columns from top to bottom (grid-auto-flow: column)' };
  if (!/^(?:none)?$/i.test(says('grid-template-areas')))
    return { ...one, value: null, unread: 'its columns are drawn as areas (grid-template-areas)' };
  return { ...one, value: gridColumns(one.value) ?? '1' };
}

/** Newspaper columns: a number and a least width together limit one another (CSS Multi-column 1 §3.4). */
function readNewspaper(layout: Layout): Declared {
  const count = declared(layout, 'container', 'column-count');
  const width = declared(layout, 'container', 'column-width');
  const isSet = ({ value }: Declared) => value !== null && value !== 'auto';
  if (isSet(count) && isSet(width))
    return { ...count, unread: `it has at most ${count.value} columns, none narrower than ${width.value}` };
  return isSet(count) ? count : width;
}

function readRow(layout: Layout): Declared {
  const { method } = layout;
  const basis = declared(layout, 'item', 'flex-basis');
  const width = declared(layout, 'item', 'width');
  const one = method === 'flex' && widthOf(layout) === basis.value && basis.value !== null ? basis : width;
  const doubt = basis.unread ?? width.unread;
  if (doubt !== undefined) return { ...one, value: null, unread: doubt };
  const inRow = itemsInRow(layout);
  switch (inRow.kind) {
    case 'count':
      return { ...one, value: String(inRow.count) };
    case 'length':
      return { ...one, value: inRow.width };
    case 'free':
      return { ...one, value: null };
    case 'unread':
      return { ...one, value: null, unread: inRow.why };
  }
}

function read(layout: Layout): Declared {
  const odd = layout.fixed ?? oddIn(layout);
  if (odd !== null) return { value: null, winner: null, unread: odd };
  switch (layout.method) {
    case 'grid':
      return readGrid(layout);
    case 'columns':
      return readNewspaper(layout);
    case 'flex':
    case 'float':
    case 'inline':
      return readRow(layout);
    default:
      return { value: layout.method === 'stacked' ? '1' : null, winner: null };
  }
}

function wishes(layout: Layout, value: string | null): StyleWish[] | string {
  const own = columnWishes(layout, value);
  return typeof own === 'string' ? own : [...own, ...shrinking(layout)];
}

/** Pictures wider than their column would lie over the next one. */
function shrinking({ situation, parts }: Layout): StyleWish[] {
  const [image] = parts.image;
  if (!image || ['max-width', 'width'].some((property) => valueFor(situation, image, property) !== null)) return [];
  return [
    { role: 'image', property: 'max-width', value: '100%' },
    ...(valueFor(situation, image, 'height') === null
      ? [{ role: 'image' as const, property: 'height', value: 'auto' }]
      : []),
  ];
}

function columnWishes(layout: Layout, value: string | null): StyleWish[] | string {
  if (layout.fixed) return layout.fixed;
  if (value === null) return 'Columns are given as a number, or as the least width of one.';
  const count = isCount(value) ? Number(value) : null;
  const length = lengthOf(value);
  if (count === null && (length === null || length.number <= 0))
    return `“${value}” is neither a number of columns nor a width such as 150px.`;
  switch (layout.method) {
    case 'grid':
      return [
        {
          role: 'container',
          property: 'grid-template-columns',
          value: tracks(valueFor(layout.situation, layout.parts.container[0], 'grid-template-columns'), count, value),
        },
      ];
    case 'columns':
      return inColumns(layout, count, value);
    case 'stacked':
      return [
        { role: 'container', property: 'display', value: 'grid' },
        { role: 'container', property: 'grid-template-columns', value: tracks(null, count, value) },
        ...(isNothing(valueFor(layout.situation, layout.parts.container[0], 'column-gap') ?? '0')
          ? ([{ role: 'container', property: 'gap', value: '16px' }] as const)
          : []),
        ...(layout.parts.item[0]?.tag === 'figure'
          ? ([{ role: 'item', property: 'margin', value: '0' }] as const)
          : []),
      ];
    default:
      return byItemWidth(layout, count, value);
  }
}

/** Tracks as the author writes them, so many of them; a fixed width would not fit other numbers. */
function tracks(present: string | null, count: number | null, least: string): string {
  const said = present?.trim() ?? '';
  const [, times = '', repeated = ''] = /^repeat\(\s*(\d+|auto-fill|auto-fit)\s*,\s*(.*)\)$/is.exec(said) ?? [];
  const counted = /^\d/.test(times);
  if (count === null) return `repeat(${counted || times === '' ? 'auto-fill' : times}, minmax(${least}, 1fr))`;
  const track = times === '' ? equalTrack(said) : counted && piecesOf(repeated).length === 1 && repeated;
  const fits = track && track.includes('fr') && !/minmax\(\s*[1-9]/.test(track);
  return `repeat(${count}, ${fits ? track : 'minmax(0, 1fr)'})`;
}

/** The one width that all tracks of a list have: `1fr` of `1fr 1fr`; null where they differ, or are no shares. */
function equalTrack(list: string): string | null {
  if (!/^[\d.]+fr(?:\s+[\d.]+fr)*$/.test(list)) return null;
  const widths = new Set(piecesOf(list).map(({ text }) => text));
  return widths.size === 1 ? firstOf([...widths]) : null;
}

function inColumns({ situation, parts }: Layout, count: number | null, value: string): StyleWish[] {
  const [container] = parts.container;
  // Of `columns` both parts count: the other one would still limit it.
  const other = count === null ? 'column-count' : 'column-width';
  const said = valueFor(situation, container, other);
  return [
    ...(said !== null && said !== 'auto' ? [{ role: 'container' as const, property: other, value: 'auto' }] : []),
    { role: 'container', property: count === null ? 'column-width' : 'column-count', value },
  ];
}

/**
 * White space between inline items takes room; as much as this it never is (a space is about a quarter of the font's
 * size, at most 0.6).
 */
const SPACE = '0.6em';

function byItemWidth(layout: Layout, count: number | null, value: string): StyleWish[] {
  const { situation, parts, method } = layout;
  const [item] = parts.item;
  const basis =
    method === 'flex' && !/^(?:auto|content|)$/.test(valueFor(situation, item, 'flex-basis') ?? '')
      ? 'flex-basis'
      : 'width';
  const wishes: StyleWish[] = [
    { role: 'item', property: basis, value: count === null ? value : shareOf(layout, count, marginsOf(layout)) },
  ];
  const padded =
    ['padding-left', 'padding-right'].some((side) => !isNothing(sideOf(layout, side))) ||
    valueFor(situation, item, 'border') !== null;
  if (padded && count !== null && valueFor(situation, item, 'box-sizing') !== 'border-box')
    wishes.push({ role: 'item', property: 'box-sizing', value: 'border-box' });
  if (
    method === 'flex' &&
    !/wrap/.test(
      `${valueFor(situation, parts.container[0], 'flex-wrap') ?? ''} ${valueFor(situation, parts.container[0], 'flex-flow') ?? ''}`.replace(
        'nowrap',
        '',
      ),
    )
  )
    wishes.push({ role: 'container', property: 'flex-wrap', value: 'wrap' });
  if (method === 'inline' && displayOf(situation, item) === 'inline')
    wishes.push(
      { role: 'item', property: 'display', value: 'inline-block' },
      { role: 'item', property: 'vertical-align', value: 'top' },
    );
  return wishes;
}

/**
 * The width of one of so many items in a row, less what stands between them: `margins` of the item, the gap of a flex
 * row.
 */
function shareOf({ situation, parts, method }: Layout, count: number, margins: string): string {
  const gap = method === 'flex' ? (valueFor(situation, parts.container[0], 'column-gap') ?? '0') : '0';
  const percent = Math.floor(10_000 / count) / 100;
  const gaps = count === 2 ? gap : `${count - 1} * ${gap}`;
  if (method === 'inline')
    return `calc(${100 % count === 0 ? `${100 / count}%` : `100% / ${count}`} - ${isNothing(margins) ? SPACE : `${margins} - ${SPACE}`})`;
  if (count > 1 && !isNothing(gap) && gap !== 'normal')
    return `calc((100% - ${gaps}) / ${count}${isNothing(margins) ? '' : ` - ${margins}`})`;
  return isNothing(margins) ? `${percent}%` : `calc(${percent}% - ${margins})`;
}

const marginsOf = (layout: Layout): string => sumOf(sideOf(layout, 'margin-left'), sideOf(layout, 'margin-right'));

/** Whether the room between items is their margin or their padding. */
function spacing(layout: Layout, sides: readonly [string, string]): 'margin' | 'padding' {
  const has = (kind: string) => sides.some((side) => !isNothing(sideOf(layout, `${kind}-${side}`)));
  return has('padding') && !has('margin') ? 'padding' : 'margin';
}

const ROW = ['top', 'bottom'] as const;
const COLUMN = ['left', 'right'] as const;

/** Whether the room between items is a property of what holds them. */
const hasGap = ({ method }: Layout, property: string): boolean =>
  method === 'grid' || method === 'flex' || (method === 'columns' && property === 'column-gap');

/** The margins of an item on both sides, which stand beside a gap. */
const ownMargins = (layout: Layout, sides: readonly [string, string]): string =>
  sumOf(sideOf(layout, `margin-${sides[0]}`), sideOf(layout, `margin-${sides[1]}`));

function readGap(layout: Layout, property: 'row-gap' | 'column-gap'): Declared {
  const sides = property === 'row-gap' ? ROW : COLUMN;
  const odd = oddIn(layout);
  if (odd !== null) return { value: null, winner: null, unread: odd };
  if (hasGap(layout, property)) {
    const gap = declared(layout, 'container', property);
    const margins = layout.method === 'columns' ? '0' : ownMargins(layout, sides);
    return isNothing(margins) ? gap : { ...gap, value: sumOf(gap.value ?? '0', margins) };
  }
  const kind = spacing(layout, sides);
  const one = declared(layout, 'item', `${kind}-${sides[1]}`);
  return {
    value: sumOf(sideOf(layout, `${kind}-${sides[0]}`), sideOf(layout, `${kind}-${sides[1]}`)),
    winner: one.winner,
  };
}

function gapWishes(layout: Layout, property: 'row-gap' | 'column-gap', value: string | null): StyleWish[] | string {
  const { method } = layout;
  const sides = property === 'row-gap' ? ROW : COLUMN;
  if (hasGap(layout, property)) {
    const wishes = withColumns(layout, property, value);
    if (method === 'columns' || value === null || isNothing(ownMargins(layout, sides))) return wishes;
    // What is asked for is all of the room.
    return [...wishes, ...sides.map((side): StyleWish => ({ role: 'item', property: `margin-${side}`, value: '0' }))];
  }
  if (value === null) return 'Give 0 for no room between.';
  const kind = spacing(layout, sides);
  const [one, other] = sides.map((side) => isNothing(sideOf(layout, `${kind}-${side}`)));
  // All on one side, or half on each, as it is now.
  const half = timesOf(value, 0.5);
  const alone = one ? ['0', value] : [value, '0'];
  const shares = one === other ? [half, half] : alone;
  const wishes = sides.map((side, n): StyleWish => ({
    role: 'item',
    property: `${kind}-${side}`,
    value: shares[n] ?? half,
  }));
  const columns =
    property === 'column-gap' && kind === 'margin' && (method === 'float' || method === 'inline')
      ? read(layout).value
      : null;
  if (columns === null || !isCount(columns)) return wishes;
  // The width follows where it was reckoned from the room between.
  return [...wishes, { role: 'item', property: 'width', value: shareOf(layout, Number(columns), value) }];
}

function withColumns(layout: Layout, property: 'row-gap' | 'column-gap', value: string | null): StyleWish[] {
  const { situation, parts, method } = layout;
  const wish: StyleWish = { role: 'container', property, value };
  const width = method === 'flex' && property === 'column-gap' ? valueFor(situation, parts.item[0], 'width') : null;
  const share = width === null ? null : /^calc\(\(100% - (\d+ \* )?(.+?)\) \/ (\d+)\)$/.exec(width);
  return share && value !== null
    ? [wish, { role: 'item', property: 'width', value: `calc((100% - ${share[1] ?? ''}${value}) / ${share[3]})` }]
    : [wish];
}

const stacked = ({ method }: Layout): string | null =>
  method === 'stacked' ? 'Set columns first; one under the other, there is nothing between them.' : null;
const notFixed = (layout: Layout): string | null => layout.fixed;

export const COLUMNS: readonly Setting[] = [
  {
    id: 'columns',
    group: 'Columns',
    title: 'Columns',
    purpose: 'columns',
    field: { kind: 'columns' },
    read,
    wishes,
    idle: notFixed,
  },
  {
    id: 'column-gap',
    group: 'Columns',
    title: 'Between columns',
    purpose: 'room between columns',
    field: { kind: 'length' },
    read: (layout) => readGap(layout, 'column-gap'),
    wishes: (layout, value) => gapWishes(layout, 'column-gap', value),
    idle: (layout) => notFixed(layout) ?? stacked(layout),
  },
  {
    id: 'row-gap',
    group: 'Columns',
    title: 'Between rows',
    purpose: 'room between rows',
    field: { kind: 'length' },
    read: (layout) => readGap(layout, 'row-gap'),
    wishes: (layout, value) => gapWishes(layout, 'row-gap', value),
    idle: (layout) => notFixed(layout) ?? stacked(layout),
  },
];
