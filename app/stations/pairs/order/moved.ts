/** Several at once put where one of them was dropped. */

/**
 * `all` with the `taken` ones together at the place of `over`: behind it where `active` came from above, before it
 * where it came from below. They keep their order among themselves.
 */
export function movedTogether(
  all: readonly string[],
  taken: ReadonlySet<string>,
  active: string,
  over: string,
): string[] {
  if (taken.has(over)) return [...all];
  const moved = all.filter((one) => taken.has(one));
  const left = all.filter((one) => !taken.has(one));
  const at = left.indexOf(over) + (all.indexOf(active) < all.indexOf(over) ? 1 : 0);
  return [...left.slice(0, at), ...moved, ...left.slice(at)];
}
