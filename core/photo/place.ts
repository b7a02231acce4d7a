/**
 * Where in a picture another one was taken from: a search over place and scale by normalised cross-correlation
 * (Lewis, "Fast Normalized Cross-Correlation", 1995), coarse on a grid of 6×6 cells, then fine around the best.
 * Correlation does not see a change of brightness or contrast, so a picture recoloured a little is still found.
 */
import { cellMeans, normalise, summedArea, type Frame, type Luma, type SummedArea } from './luma.ts';

/** The part of a picture that another one shows, in shares of its width and height, and how well it agrees. */
export interface Place {
  left: number;
  top: number;
  width: number;
  height: number;
  /** Correlation of both pictures there, -1 to 1. */
  agreement: number;
}

const CELLS = 6;
const COUNT = CELLS * CELLS;
/**
 * Windows of the search: each scale is so much smaller than the last, and none shows less than this share of the
 * longest fit.
 */
const SCALE_STEP = 0.86;
const SMALLEST = 0.4;
/** Steps of a window across its own size. */
const STEPS = 6;
/** A window whose shape is so near to that of the whole is the whole: sizes are rounded to px. */
const SAME_SHAPE = 0.03;

export interface Sought {
  luma: Luma;
  table: SummedArea;
  coarse: Float32Array;
  /** The cells of the last close comparison; most follow one another with the same. */
  grid?: Grid;
  /** The cells of the closer look. */
  middle?: Float32Array;
}

export function soughtOf(luma: Luma): Sought {
  const table = summedArea(luma);
  const coarse = new Float32Array(COUNT);
  cellMeans(table, { left: 0, top: 0, width: luma.width, height: luma.height }, CELLS, CELLS, coarse);
  normalise(coarse, 0, COUNT);
  return { luma, table, coarse };
}

interface Windows {
  frames: Frame[];
  /** `frames.length` × 36 normalised cell means. */
  cells: Float32Array;
  table: SummedArea;
}

/** All windows of one shape in a picture; shape is width / height. */
export function windowsOf(luma: Luma, shape: number): Windows {
  const table = summedArea(luma);
  const frames: Frame[] = [];
  const { width, height } = luma;
  const own = width / height;
  const cut = shape > own ? { width, height: width / shape } : { width: height * shape, height };
  const most = Math.abs(shape / own - 1) <= SAME_SHAPE ? { width, height } : cut;
  for (let scale = 1; scale >= SMALLEST; scale *= SCALE_STEP) {
    const size = { width: most.width * scale, height: most.height * scale };
    const across = Math.ceil(((width - size.width) / size.width) * STEPS - 1e-6);
    const down = Math.ceil(((height - size.height) / size.height) * STEPS - 1e-6);
    for (let y = 0; y <= down; y++)
      for (let x = 0; x <= across; x++)
        frames.push({
          ...size,
          left: across === 0 ? 0 : ((width - size.width) * x) / across,
          top: down === 0 ? 0 : ((height - size.height) * y) / down,
        });
  }
  const cells = new Float32Array(frames.length * COUNT);
  frames.forEach((frame, n) => {
    cellMeans(table, frame, CELLS, CELLS, cells, n * COUNT);
    normalise(cells, n * COUNT, COUNT);
  });
  return { frames, cells, table };
}

/** Coarse agreement with every window of a picture. */
function scoresOf({ coarse }: Sought, { frames, cells }: Windows): Float32Array {
  const scores = new Float32Array(frames.length);
  for (let window = 0, at = 0; window < scores.length; window++) {
    let sum = 0;
    for (let c = 0; c < COUNT; c++, at++) sum += (coarse[c] ?? 0) * (cells[at] ?? 0);
    scores[window] = sum;
  }
  return scores;
}

export interface FirstLook {
  /** The best coarse agreement over all windows, -1 to 1. */
  agreement: number;
  /** The windows worth a close look, best first; computed when asked for. */
  starts: () => Frame[];
}

/** A cheap look at a picture for the place of another: only the coarse grid. */
export function firstLook(sought: Sought, windows: Windows): FirstLook {
  const scores = scoresOf(sought, windows);
  let agreement = -1;
  for (const score of scores) if (score > agreement) agreement = score;
  return { agreement, starts: () => startsOf(scores, windows.frames) };
}

/** How many windows of a picture are looked at closely; the best coarse one is often beside the place. */
const STARTS = 5;

/** The windows that agree best on the grid, apart from one another by more than a third of their size; best first. */
function startsOf(scores: Float32Array, frames: readonly Frame[]): Frame[] {
  const starts: Frame[] = [];
  const isFree = (frame: Frame | undefined) => frame !== undefined && !starts.some((one) => isNear(one, frame));
  while (starts.length < STARTS) {
    let best = -1;
    for (let n = 0; n < scores.length; n++) if ((scores[n] ?? 0) > (scores[best] ?? 0) && isFree(frames[n])) best = n;
    const found = frames[best];
    if (!found) break;
    starts.push(found);
  }
  return starts.length > 0 ? starts : frames.slice(0, 1);
}

const isNear = (a: Frame, b: Frame): boolean => {
  const size = Math.max(a.width, b.width);
  return (
    Math.abs(a.left + a.width / 2 - b.left - b.width / 2) < size / 3 &&
    Math.abs(a.top + a.height / 2 - b.top - b.height / 2) < size / 3 &&
    Math.abs(Math.log(a.width / b.width)) < 0.35
  );
};

/** Cells across and down in which two pictures are compared closely: at most one for each px of the frame. */
const FINEST = 28;
const cellsAlong = (px: number): number => Math.max(CELLS, Math.min(FINEST, Math.round(px)));

interface Grid {
  columns: number;
  rows: number;
  /** Mean shade, 0 to 255. */
  mean: number;
  plain: Float32Array;
  detail: Float32Array;
  /** How far the detail spreads; shades. */
  spread: number;
}

function gridOf(table: SummedArea, frame: Frame, columns: number, rows: number): Grid {
  const plain = new Float32Array(columns * rows);
  cellMeans(table, frame, columns, rows, plain);
  const fine = detail(plain, columns, rows);
  const mean = plain.reduce((sum, shade) => sum + shade, 0) / plain.length;
  normalise(plain, 0, plain.length);
  const spread = normalise(fine, 0, fine.length);
  return { columns, rows, mean, plain, detail: fine, spread };
}

/** Mean of the correlations of both pictures as they are, and with what is smooth taken out. */
function agreementAt(sought: Sought, table: SummedArea, frame: Frame): number {
  const columns = cellsAlong(frame.width);
  const rows = cellsAlong(frame.height);
  if (sought.grid?.columns !== columns || sought.grid.rows !== rows)
    sought.grid = gridOf(
      sought.table,
      { left: 0, top: 0, width: sought.luma.width, height: sought.luma.height },
      columns,
      rows,
    );
  const there = gridOf(table, frame, columns, rows);
  const { grid } = sought;
  // Where neither has anything to see, only the shade is left to compare.
  if (isFlat(grid.plain) && isFlat(there.plain)) return Math.max(0, 1 - Math.abs(grid.mean - there.mean) / FAR_SHADE);
  const plain = product(grid.plain, there.plain);
  // Where both have little detail, it is mostly what compression left of it.
  const weight = Math.min(1, Math.max(grid.spread, there.spread) / CLEAR_DETAIL) / 2;
  return plain * (1 - weight) + product(grid.detail, there.detail) * weight;
}

/** From this spread on detail speaks as loud as the whole; shades. */
const CLEAR_DETAIL = 4;
/** Flat pictures whose shades are so far apart have nothing in common. */
const FAR_SHADE = 64;

const isFlat = (values: Float32Array): boolean => values.every((value) => value === 0);

function product(a: Float32Array, b: Float32Array): number {
  let sum = 0;
  for (let n = 0; n < a.length; n++) sum += (a[n] ?? 0) * (b[n] ?? 0);
  return sum;
}

/**
 * Each value less the mean of its 5×5 surroundings: skies that shade alike from top to bottom agree without being the
 * same.
 */
function detail(values: Float32Array, columns: number, rows: number): Float32Array {
  const table = new Float64Array((columns + 1) * (rows + 1));
  for (let y = 0; y < rows; y++)
    for (let x = 0, row = 0; x < columns; x++) {
      row += values[y * columns + x] ?? 0;
      table[(y + 1) * (columns + 1) + x + 1] = (table[y * (columns + 1) + x + 1] ?? 0) + row;
    }
  const result = new Float32Array(values.length);
  for (let y = 0; y < rows; y++) {
    const top = Math.max(0, y - 2) * (columns + 1);
    const bottom = Math.min(rows, y + 3) * (columns + 1);
    for (let x = 0; x < columns; x++) {
      const left = Math.max(0, x - 2);
      const right = Math.min(columns, x + 3);
      const area = ((bottom - top) / (columns + 1)) * (right - left);
      result[y * columns + x] =
        (values[y * columns + x] ?? 0) -
        ((table[bottom + right] ?? 0) -
          (table[bottom + left] ?? 0) -
          (table[top + right] ?? 0) +
          (table[top + left] ?? 0)) /
          area;
    }
  }
  return result;
}

/** Moves a frame by shares of its size and keeps it inside. */
function moved(frame: Frame, table: SummedArea, scale: number, dx: number, dy: number): Frame | null {
  const width = frame.width * scale;
  const height = frame.height * scale;
  if (width > table.width + 1e-6 || height > table.height + 1e-6) return null;
  const left = frame.left + (frame.width - width) / 2 + dx * frame.width;
  const top = frame.top + (frame.height - height) / 2 + dy * frame.height;
  return {
    width,
    height,
    left: Math.min(Math.max(0, left), table.width - width),
    top: Math.min(Math.max(0, top), table.height - height),
  };
}

interface Found {
  frame: Frame;
  agreement: number;
}

/** Above this nothing is won by looking on: both are the same but for compression. */
const SAME = 0.985;

/** Cells across and down of the closer look that follows the first. */
const MIDDLE = 10;

/** How well both agree around the starts on a finer grid than the first look's: walking there costs little. */
export function closerLook(sought: Sought, table: SummedArea, starts: readonly Frame[]): number {
  const here = (sought.middle ??= gridCells(sought.table, {
    left: 0,
    top: 0,
    width: sought.luma.width,
    height: sought.luma.height,
  }));
  const measure = (frame: Frame) => product(here, gridCells(table, frame));
  return Math.max(
    -1,
    ...starts.map((frame) => climb(table, { frame, agreement: measure(frame) }, [0.1, 0.05], measure).agreement),
  );
}

function gridCells(table: SummedArea, frame: Frame): Float32Array {
  const cells = new Float32Array(MIDDLE * MIDDLE);
  cellMeans(table, frame, MIDDLE, MIDDLE, cells);
  normalise(cells, 0, cells.length);
  return cells;
}

/**
 * The place in a picture where both agree best: every start is walked up in long steps, the best two in ever shorter
 * ones.
 */
export function placeFrom(sought: Sought, table: SummedArea, starts: readonly Frame[]): Place {
  const measure = (frame: Frame) => agreementAt(sought, table, frame);
  const rough: Found[] = [];
  for (const frame of starts) {
    const found = climb(table, { frame, agreement: measure(frame) }, [0.1, 0.05], measure);
    rough.push(found);
    if (found.agreement > SAME) break;
  }
  rough.sort((a, b) => b.agreement - a.agreement);
  const [best] = rough
    .slice(0, 2)
    .map((found) => climb(table, found, [0.05, 0.025, 0.0125], measure))
    .sort((a, b) => b.agreement - a.agreement);
  if (!best) return { left: 0, top: 0, width: 1, height: 1, agreement: 0 };
  const { frame, agreement } = best;
  return {
    left: frame.left / table.width,
    top: frame.top / table.height,
    width: frame.width / table.width,
    height: frame.height / table.height,
    agreement,
  };
}

function climb(table: SummedArea, start: Found, steps: readonly number[], measure: (frame: Frame) => number): Found {
  let { frame, agreement } = start;
  for (const step of steps) {
    for (let better = true, rounds = 0; better && rounds < 4; rounds++) {
      better = false;
      for (const [scale, dx, dy] of [
        [1, step, 0],
        [1, -step, 0],
        [1, 0, step],
        [1, 0, -step],
        [1 + step, 0, 0],
        [1 / (1 + step), 0, 0],
      ] as const) {
        const other = moved(frame, table, scale, dx, dy);
        if (!other) continue;
        const found = measure(other);
        if (found <= agreement + 1e-4) continue;
        agreement = found;
        frame = other;
        better = true;
      }
    }
  }
  return { frame, agreement };
}

/** How well a picture agrees with the whole of another of the same shape; null where the shapes differ. */
export function agreementOfWhole(sought: Sought, large: Luma): number | null {
  const shape = (sought.luma.width / sought.luma.height / large.width) * large.height;
  return Math.abs(shape - 1) > SAME_SHAPE
    ? null
    : agreementAt(sought, summedArea(large), { left: 0, top: 0, width: large.width, height: large.height });
}

/** Where the smaller picture is in the larger one, as well as can be found. */
export function findPlace(sought: Sought, large: Luma): Place {
  const windows = windowsOf(large, sought.luma.width / sought.luma.height);
  return placeFrom(sought, windows.table, firstLook(sought, windows).starts());
}
