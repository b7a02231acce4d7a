/** Floats and inline blocks written as a grid of the same columns and gaps, as one change. */
import { valueFor } from '../cascade.ts';
import type { StyleWish } from '../declare.ts';
import { isNothing, layoutOf, sideOf, type Layout } from '../layout.ts';
import { upTo } from '../media.ts';
import { COLUMNS } from './columns.ts';
import { firstOf } from '../../site/index.ts';
import type { Declared, Setting } from './setting.ts';

const [columns, columnGap, rowGap] = [firstOf(COLUMNS), COLUMNS[1], COLUMNS[2]];

const OLD = new Set(['float', 'inline']);

/** Widths of windows, in CSS px, for which a condition of the page says something. */
const toldWidths = ({ situation }: Layout): number[] => [
  ...new Set(situation.stylesheets.flatMap(({ rules }) => rules.flatMap(({ media }) => upTo(media) ?? []))),
];

/** A narrower window in which the gallery is laid out otherwise; null where there is none. */
function otherwiseAt(layout: Layout): number | null {
  const { situation, gallery } = layout;
  const said = columns.read(layout).value;
  const other = toldWidths(layout).find(
    (width) => columns.read(layoutOf({ ...situation, width }, gallery)).value !== said,
  );
  return other ?? null;
}

function idle(layout: Layout): string | null {
  if (!OLD.has(layout.method)) return 'Only for floats and inline blocks.';
  const { value, unread } = columns.read(layout);
  if (unread !== undefined) return `It cannot be told how many columns the grid would need: ${unread}.`;
  if (value === null) return 'Set columns first; these pictures are as wide as they come.';
  const narrow = otherwiseAt(layout);
  return narrow === null
    ? null
    : `Windows up to ${narrow} px have other columns, which would go on with floats. Change it in the source.`;
}

/** What stands in the way of items in cells, taken back. */
function itemWishes(layout: Layout): StyleWish[] {
  const { situation, parts, method } = layout;
  const [item] = parts.item;
  const margins = ['top', 'right', 'bottom', 'left'].filter((side) => !isNothing(sideOf(layout, `margin-${side}`)));
  const back = (property: string, value: string): StyleWish => ({ role: 'item', property, value });
  return [
    ...(method === 'float' ? [back('float', 'none')] : [back('display', 'block')]),
    ...(valueFor(situation, item, 'width') === null ? [] : [back('width', 'auto')]),
    ...margins.map((side) => back(`margin-${side}`, '0')),
  ];
}

function wishes(layout: Layout): StyleWish[] | string {
  const reason = idle(layout);
  if (reason !== null) return reason;
  const value = columns.read(layout).value ?? '1';
  const gaps = [
    ['column-gap', columnGap],
    ['row-gap', rowGap],
  ] as const;
  const container = (property: string, said: string): StyleWish => ({ role: 'container', property, value: said });
  return [
    container('display', 'grid'),
    container(
      'grid-template-columns',
      /^\d+$/.test(value) ? `repeat(${value}, minmax(0, 1fr))` : `repeat(auto-fill, ${value})`,
    ),
    ...gaps.flatMap(([property, setting]): StyleWish[] => {
      const room = setting?.read(layout).value ?? '0';
      return isNothing(room) ? [] : [container(property, room)];
    }),
    ...itemWishes(layout),
  ];
}

/** Nothing says so: it is done, and not set. */
const read = (): Declared => ({ value: null, winner: null });

export const GRID: Setting = {
  id: 'grid',
  group: 'Columns',
  title: 'Change to a grid',
  purpose: 'a grid in place of floats or inline blocks',
  field: { kind: 'act' },
  read,
  wishes,
  idle,
};
