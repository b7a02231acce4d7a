/**
 * Words, texts for pictures and addresses that were changed in the HTML, written as Markdown where they stand in it. What
 * can be tried is tried: only what makes just the wanted HTML counts.
 */
import { decodeHTML } from 'entities/decode';
import { pageLines } from './html.ts';
import type { Changed } from './changed.ts';
import { type Said, valuesOf } from './values.ts';

/** Places that are tried for all values together: each makes the HTML once more. Our own number, no source. */
const TRIES = 400;

/** The Markdown with each value that can be written in it; the others stay as they were. */
export function withValues(
  markdown: string,
  changes: readonly Changed[],
  before: string,
  as: (html: string) => string,
): string {
  const said = valuesOf(before);
  const wanted = wantedIn(said, changes);
  let now = markdown;
  let made = said;
  let tries = 0;
  for (const [at, { text, near }] of wanted) {
    const old = made.values[at]?.text ?? '';
    if (old === text) continue;
    for (const written of writtenIn(now, old, text, near)) {
      if (tries++ === TRIES) return now;
      const then = valuesOf(as(pageLines(written)));
      if (then.values[at]?.text !== text || !isWanted(then, said, wanted)) continue;
      [now, made] = [written, then];
      break;
    }
  }
  return now;
}

interface Wanted {
  text: string;
  /** In the Markdown, where its block begins. */
  near: number;
}

/** By the number of each value; only where the tags around it have stayed. */
function wantedIn({ values }: Said, changes: readonly Changed[]): ReadonlyMap<number, Wanted> {
  const wanted = new Map<number, Wanted>();
  for (const { touched, was, html } of changes) {
    const [first] = touched;
    const [old, now] = [valuesOf(was), valuesOf(html)];
    if (!first || touched.every(({ isHtml }) => isHtml) || old.frame !== now.frame) continue;
    const begin = values.findIndex(({ from }) => from >= first.from);
    for (const [n, { text }] of now.values.entries()) {
      const { from = 0, text: before = text } = old.values[n] ?? {};
      const block = touched.findLast((piece) => piece.from - first.from <= from) ?? first;
      if (before !== text) wanted.set(begin + n, { text, near: block.start });
    }
  }
  return wanted;
}

/** Each value says what it said before, or what it should. */
const isWanted = (then: Said, before: Said, wanted: ReadonlyMap<number, Wanted>): boolean =>
  then.frame === before.frame &&
  then.values.every(({ text }, n) => text === before.values[n]?.text || text === wanted.get(n)?.text);

/** The Markdown with one value put in place of another, wherever that may stand; nearest first. */
function* writtenIn(markdown: string, old: string, text: string, near: number): Generator<string> {
  const forms = formsOf(text);
  for (const { start, end, form } of placesOf(markdown, old).sort(byDistance(near)))
    for (const put of new Set([forms[form], ...forms]))
      yield markdown.slice(0, start) + (put ?? '') + markdown.slice(end);
}

interface Place {
  start: number;
  end: number;
  /** Which of {@link formsOf} stands there. */
  form: number;
}

/** What stands before the block comes last. */
const byDistance = (near: number) => (a: Place, b: Place) =>
  Number(a.start < near) - Number(b.start < near) || a.start - b.start;

function placesOf(markdown: string, old: string): Place[] {
  // A picture without a text, and a title without words.
  if (old === '')
    return [...markdown.matchAll(/(?<=!\[)(?=\])|(?<=")(?=")/g)].map(({ index }) => ({
      start: index,
      end: index,
      form: 0,
    }));
  return formsOf(old).flatMap((written, form) => {
    const places: Place[] = [];
    for (let at = markdown.indexOf(written); at >= 0; at = markdown.indexOf(written, at + 1))
      places.push({ start: at, end: at + written.length, form });
    return places;
  });
}

/** As somebody may have written it, the plainest first. */
function formsOf(value: string): string[] {
  const plain = decodeHTML(value);
  const escaped = plain.replaceAll(/[!-/:-@[-`{-~]/g, '\\$&');
  const signs = plain.replaceAll(/[\\`*_[\]<>&]/g, '\\$&');
  return [spelled(plain), plain, value, signs, escaped];
}

/** An address with its letters; as it is where they cannot be read. */
function spelled(address: string): string {
  try {
    return decodeURI(address);
  } catch {
    return address;
  }
}
