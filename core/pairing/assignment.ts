import { known } from '../site/index.ts';
/**
 * The assignment of rows to columns with the greatest sum of worth, each used once at most: the Hungarian method
 * (Kuhn 1955, Munkres 1957) in the form with potentials and shortest augmenting paths (Jonker and Volgenant 1987).
 * A row or column is left alone where nothing above 0 is to be had.
 */

export interface Worth {
  row: number;
  column: number;
  /** Above 0; what is worth nothing is left out. */
  worth: number;
}

/**
 * The chosen of the given worths. Parts of the table that share no row or column are solved apart, so sparse tables
 * stay cheap.
 */
export function bestAssignment(worths: readonly Worth[]): Worth[] {
  return components(worths.filter(({ worth }) => worth > 0)).flatMap((part) =>
    part.length === 1 ? part : solve(part),
  );
}

/** Groups of worths that hang together by rows and columns. */
function components(worths: readonly Worth[]): Worth[][] {
  const root = new Map<string, string>();
  const find = (node: string): string => {
    let at = node;
    for (let up = root.get(at); up !== undefined && up !== at; up = root.get(at)) at = up;
    // Paths are shortened on the way, so that long chains are walked once.
    for (let step = node; step !== at;) {
      const up = root.get(step) ?? at;
      root.set(step, at);
      step = up;
    }
    return at;
  };
  const nodes = ({ row, column }: Worth) => [`r${row}`, `c${column}`] as const;
  for (const worth of worths) {
    const [row, column] = nodes(worth);
    for (const node of [row, column]) if (!root.has(node)) root.set(node, node);
    root.set(find(row), find(column));
  }
  const parts = new Map<string, Worth[]>();
  for (const worth of worths) {
    const at = find(nodes(worth)[0]);
    const part = parts.get(at);
    if (part) part.push(worth);
    else parts.set(at, [worth]);
  }
  return [...parts.values()];
}

function solve(part: readonly Worth[]): Worth[] {
  const rows = [...new Set(part.map(({ row }) => row))];
  const columns = [...new Set(part.map(({ column }) => column))];
  const rowAt = new Map(rows.map((row, n) => [row, n]));
  const columnAt = new Map(columns.map((column, n) => [column, n]));
  // As many empty columns as rows let every row stay alone at no cost.
  const width = columns.length + rows.length;
  const cost = rows.map(() => new Float64Array(width));
  for (const one of part) {
    const line = known(cost[rowAt.get(one.row) ?? -1], 'row');
    const at = columnAt.get(one.column) ?? 0;
    line[at] = Math.min(line[at] ?? 0, -one.worth);
  }
  const taken = shortestPaths(cost, width);
  const chosen = new Map(part.map((one) => [`${one.row} ${one.column} ${one.worth}`, one]));
  return rows.flatMap((row, n) => {
    const at = taken[n] ?? -1;
    const one = chosen.get(`${row} ${columns[at]} ${-(cost[n]?.[at] ?? 0)}`);
    return one ? [one] : [];
  });
}

/** What is known of the rows placed so far. Numbers from 1; column 0 stands for the row that looks for a place. */
interface Table {
  cost: readonly Float64Array[];
  /** Potentials of the rows and of the columns. */
  u: Float64Array;
  v: Float64Array;
  /** The row in each column; 0 where it is free. */
  rowOf: Int32Array;
  /** The column from which the cheapest way came to each column. */
  from: Int32Array;
}

/** How far a search for one row's place has come. */
interface Search {
  /** The least reduced cost at which each column was reached. */
  least: Float64Array;
  seen: Uint8Array;
}

const at = (numbers: ArrayLike<number>, n: number): number => numbers[n] ?? 0;

/** For each row its column, with the least sum of cost; there are at least as many columns as rows. */
function shortestPaths(cost: readonly Float64Array[], width: number): number[] {
  const height = cost.length;
  const table: Table = {
    cost,
    u: new Float64Array(height + 1),
    v: new Float64Array(width + 1),
    rowOf: new Int32Array(width + 1),
    from: new Int32Array(width + 1),
  };
  for (let row = 1; row <= height; row++) placeRow(table, row);
  const columnOf = new Array<number>(height).fill(-1);
  for (let column = 1; column <= width; column++) {
    const row = at(table.rowOf, column);
    if (row > 0) columnOf[row - 1] = column - 1;
  }
  return columnOf;
}

/** Finds the cheapest way from a row to a free column, and moves the rows on that way on by one place. */
function placeRow(table: Table, row: number): void {
  const { rowOf, from } = table;
  const search: Search = {
    least: new Float64Array(rowOf.length).fill(Infinity),
    seen: new Uint8Array(rowOf.length),
  };
  rowOf[0] = row;
  let column = 0;
  do {
    search.seen[column] = 1;
    const next = reachFrom(table, search, column);
    lower(table, search, at(search.least, next));
    column = next;
  } while (rowOf[column] !== 0);
  do {
    const before = at(from, column);
    rowOf[column] = at(rowOf, before);
    column = before;
  } while (column !== 0);
}

/** Looks at every column from the row in this one; gives the column that is nearest now. */
function reachFrom({ cost, u, v, rowOf, from }: Table, { least, seen }: Search, column: number): number {
  const row = at(rowOf, column);
  const line = known(cost[row - 1], 'row');
  let nearest = 0;
  for (let other = 1; other < rowOf.length; other++) {
    if (seen[other]) continue;
    const reduced = at(line, other - 1) - at(u, row) - at(v, other);
    if (reduced < at(least, other)) {
      least[other] = reduced;
      from[other] = column;
    }
    if (nearest === 0 || at(least, other) < at(least, nearest)) nearest = other;
  }
  return nearest;
}

/** Shifts the potentials so that the nearest column costs nothing more. */
function lower({ u, v, rowOf }: Table, { least, seen }: Search, by: number): void {
  for (let column = 0; column < rowOf.length; column++) {
    if (seen[column]) {
      const row = at(rowOf, column);
      u[row] = at(u, row) + by;
      v[column] = at(v, column) - by;
    } else least[column] = at(least, column) - by;
  }
}
