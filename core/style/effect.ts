/** Whether a page shows what a setting says: from the boxes of a gallery's items, measured before and after. */

/** From the left and the top of the page, with width and height; CSS px. */
export type Box = readonly [left: number, top: number, width: number, height: number];

/** A browser rounds to parts of a CSS px. */
const NEAR = 2;

/** Items that stand beside one another, row by row. */
function rowsOf(boxes: readonly Box[]): Box[][] {
  const rows: Box[][] = [];
  for (const box of boxes) {
    const row = rows.find(([first]) => first && Math.abs(first[1] - box[1]) < NEAR);
    if (row) row.push(box);
    else rows.push([box]);
  }
  return rows;
}

/** How many stand beside one another at most; a wide item may leave room for fewer in its own row. */
export const columnsIn = (boxes: readonly Box[]): number => Math.max(0, ...rowsOf(boxes).map(({ length }) => length));

/** What was asked for, and what a page showed before and shows now. */
export interface Trial {
  setting: string;
  value: string | null;
  before: readonly Box[];
  after: readonly Box[];
  /** Of the window; CSS px. */
  width: number;
}

const isSame = (one: readonly Box[], other: readonly Box[]): boolean =>
  one.length === other.length &&
  one.every((box, n) => box.every((side, at) => Math.abs(side - (other[n]?.[at] ?? NaN)) < 0.1));

/** Settings that move the items of a gallery, whatever their value. */
const MOVING = new Set(['column-gap', 'row-gap']);

/** What the page shows instead, in words; null where it shows what was asked for, or nothing can be told from boxes. */
export function missedBy({ setting, value, before, after, width }: Trial): string | null {
  if (after.length < 2) return null;
  if (setting === 'columns' && value !== null && /^\d+$/.test(value)) {
    const wanted = Math.min(Number(value), after.length);
    const shown = columnsIn(after);
    return shown === wanted ? null : `in a window of ${width} px the page shows ${shown} columns and not ${value}`;
  }
  if (setting === 'grid') {
    const [was, is] = [columnsIn(before), columnsIn(after)];
    return was === is ? null : `in a window of ${width} px the page would show ${is} columns where it shows ${was}`;
  }
  // One under the other, nothing stands between columns; all in one row, nothing between rows.
  const rows = rowsOf(after).length;
  const hasRoom = setting === 'column-gap' ? columnsIn(after) > 1 : rows > 1;
  return MOVING.has(setting) && hasRoom && isSame(before, after)
    ? `in a window of ${width} px nothing of the gallery moves`
    : null;
}
