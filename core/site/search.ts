/** Looking things up in what is sorted. */

/** The first place at which a test no longer holds, in a list where it holds up to some place; its length where none. */
export function firstNot<T>(sorted: readonly T[], holds: (one: T) => boolean): number {
  let low = 0;
  let high = sorted.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    const one = sorted[middle];
    if (one !== undefined && holds(one)) low = middle + 1;
    else high = middle;
  }
  return low;
}
