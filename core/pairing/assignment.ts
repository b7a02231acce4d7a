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

/** For each row its column, with the least sum of cost; there are at least as many columns as rows. */
function shortestPaths(cost: readonly Float64Array[], width: number): number[] {
  const height = cost.length;
  // Numbers from 1; column 0 stands for the row that looks for a place.
  const u = new Float64Array(height + 1);
  const v = new Float64Array(width + 1);
  const rowOf = new Int32Array(width + 1);
  const from = new Int32Array(width + 1);
  for (let row = 1; row <= height; row++) {
    rowOf[0] = row;
    let column = 0;
    const least = new Float64Array(width + 1).fill(Infinity);
    const seen = new Uint8Array(width + 1);
    do {
      seen[column] = 1;
      const here = rowOf[column] ?? 0;
      let delta = Infinity;
      let next = 0;
      for (let other = 1; other <= width; other++) {
        if (seen[other]) continue;
        const reduced = (cost[here - 1]?.[other - 1] ?? 0) - (u[here] ?? 0) - (v[other] ?? 0);
        if (reduced < (least[other] ?? 0)) {
          least[other] = reduced;
          from[other] = column;
        }
        if ((least[other] ?? 0) < delta) {
          delta = least[other] ?? 0;
          next = other;
        }
      }
      for (let other = 0; other <= width; other++) {
        if (seen[other]) {
          u[rowOf[other] ?? 0] = (u[rowOf[other] ?? 0] ?? 0) + delta;
          v[other] = (v[other] ?? 0) - delta;
        } else least[other] = (least[other] ?? 0) - delta;
      }
      column = next;
    } while (rowOf[column] !== 0);
    do {
      const before = from[column] ?? 0;
      rowOf[column] = rowOf[before] ?? 0;
      column = before;
    } while (column !== 0);
  }
  const columnOf = new Array<number>(height).fill(-1);
  for (let column = 1; column <= width; column++)
    if ((rowOf[column] ?? 0) > 0) columnOf[(rowOf[column] ?? 0) - 1] = column - 1;
  return columnOf;
}
