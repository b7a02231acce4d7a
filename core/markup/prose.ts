/** Words of a page that are no caption, however near to a picture they stand. */

/** Sentences, longer than a caption is; letters (common practice, no source). */
const PROSE = 80;
/** A paragraph that ends as a sentence does, of so many words, is none either. */
const SENTENCE = 4;
/** Scripts of which one letter says as much as some of another. */
const DENSE = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}]/gu;

const spaced = (text: string): string => text.replace(/\s+/g, ' ').trim();

/** Longer than anybody writes below a picture, with the end of a sentence in it. */
export function isLongProse(text: string): boolean {
  const words = spaced(text);
  return words.replace(DENSE, 'xxx').length >= PROSE && /[.!?:。](?:\s|$)/.test(words);
}

export function isProse(text: string): boolean {
  const words = spaced(text);
  return isLongProse(text) || (/[.!?]$/.test(words) && words.split(' ').length >= SENTENCE);
}
