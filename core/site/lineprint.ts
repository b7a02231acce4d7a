/**
 * Tells lines apart by a short name each: two runs of FNV-1a of 32 bits (Fowler, Noll, Vo), from two beginnings; white
 * space at the ends of a line does not count.
 */
export function lineprint(line: string): string {
  const text = line.trim();
  let [one, other] = [0x811c9dc5, 0x9e3779b9];
  for (let n = 0; n < text.length; n++) {
    const code = text.charCodeAt(n);
    one = Math.imul(one ^ code, 0x01000193);
    other = Math.imul(other ^ code, 0x01000193);
  }
  return (one >>> 0).toString(36) + (other >>> 0).toString(36);
}
