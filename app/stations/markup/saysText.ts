/** Whether something that is said of a picture holds a text; in any case. */
import type { PairView } from '~core/view/index.ts';

export function saysText({ full, words, tags }: PairView, sought: string): boolean {
  const text = sought.trim().toLowerCase();
  return [full, words.title, words.caption, words.alt, ...tags].some((one) => one.toLowerCase().includes(text));
}
