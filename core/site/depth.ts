/** How deep things lie in one another: what goes through them level by level can go only so deep. */

/** Levels of elements or blocks that are read. Browsers themselves build no more than some 500 levels of elements. */
export const DEEPEST = 500;

const OPENS = '{([';
const CLOSES = '})]';

/**
 * Where the blocks and brackets of a stylesheet or a script lie deeper than {@link DEEPEST} for the first time; null
 * where they do not. Brackets in strings and comments count as well: more than so many are never there by chance.
 */
export function tooDeepAt(text: string): number | null {
  let depth = 0;
  for (let at = 0; at < text.length; at++) {
    const letter = text.charAt(at);
    if (OPENS.includes(letter)) depth++;
    else if (CLOSES.includes(letter)) depth = Math.max(0, depth - 1);
    if (depth > DEEPEST) return at;
  }
  return null;
}
