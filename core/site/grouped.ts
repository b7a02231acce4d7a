/**
 * Things by what they have in common, in the order in which they come (`Map.groupBy` of ECMAScript 2024, which Node
 * 20 does not have).
 */
export function grouped<Key, Thing>(things: Iterable<Thing>, keyOf: (thing: Thing) => Key): Map<Key, Thing[]> {
  const groups = new Map<Key, Thing[]>();
  for (const thing of things) {
    const key = keyOf(thing);
    const group = groups.get(key);
    if (group) group.push(thing);
    else groups.set(key, [thing]);
  }
  return groups;
}
