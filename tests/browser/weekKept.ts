/** Whether a week's work has lost a word that somebody typed, or a text, date or size that belongs to a picture. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { htmlErrors } from '../checkers';
import { CAPTIONS, HEAVY, RECORDED, SITE_NAME, TYPED, wordsOf } from '../weekSite';
import { expect } from './fixtures';

const PAGES = ['index.html', 'spring.html', 'about.html'];

/** Sizes of pictures follow their files; no word of an author. */
const withoutSizes = (text: string): string => text.replace(/ (?:width|height)='\d+'/g, '');

export async function expectNothingLost(folder: string, out: string): Promise<void> {
  const now = (name: string) => readFileSync(join(out, name), 'utf8');
  // Every word that somebody typed stands where it stood, in its order; what was asked for came in between.
  for (const name of [...PAGES, 'look.css']) {
    const before = readFileSync(join(folder, name), 'utf8');
    expect(missingIn(wordsOf(withoutSizes(before)), wordsOf(withoutSizes(now(name)))), name).toEqual([]);
    expect(now(name).startsWith('\ufeff') && !/[^\r]\n/.test(now(name)), name).toBe(name !== 'look.css');
  }
  const [summer, autumn] = [now('summer.html'), now('autumn.html')];
  expect(now('about.html')).toContain(`a dog.</p>${TYPED}\r\n`);
  for (const text of [...PAGES.map(now), summer, autumn]) {
    expect(text).toContain('<em>patience</em>, love &amp; tea.');
    expect(text).toMatch(/<meta name=["']viewport["']/);
    expect(text).toMatch(/href=["']look\.css["']/);
  }
  expect(summer).toContain(`<title>${SITE_NAME}: Summer</title>`);
  expect(summer).toContain(`<h1>${SITE_NAME}</h1>`);
  // In the author's own quotes.
  expect(summer).not.toMatch(/="/);
  expect(summer).toMatch(/<h2 id=["']summer["']>Summer<\/h2>/);
  expect(summer).toMatch(/<h2 id=["']by-the-mill["']>By the mill<\/h2>/);
  expect(summer).toContain("<a href='#by-the-mill'>By the mill</a>");
  expect(summer).not.toMatch(/&laquo; back|alt='[^']*(?:DSC|IMG)_|alt=''|>(?:DSC|IMG)_/);
  expect(summer.match(/width='150'/g)?.length).toBe(summer.match(/<img /g)?.length);
  expect(summer).toContain("<a href='summer.html' class='now'>Summer</a>");
  for (const name of PAGES) expect(now(name)).toContain("<a href='summer.html'>Summer</a>");
  // Every picture of the camera is on the page, with its texts out of the list.
  const captions = readdirSync(join(out, 'camera')).filter((name) => /\.JPG$/i.test(name));
  for (const caption of CAPTIONS) expect(now('spring.html')).toContain(caption);
  const both = `${summer}${autumn}`;
  const told = both.match(/Told of (?:DSC|IMG) no\. \w+</g);
  expect(told?.length).toBeGreaterThanOrEqual(captions.length - 2);
  // The slideshow stays on its page alone, with its script; the emptied gallery has the pattern of the other.
  for (const text of [summer, autumn]) expect(text).not.toMatch(/opening|Turning/);
  expect(now('spring.html').match(/Turning, part/g)).toHaveLength(3);
  expect(autumn).toMatch(/<span class='shot'><a href='[^']+'[^>]*><img [^>]*width='150'/);
  expect(autumn.match(/<span class='shot'>/g)).toHaveLength(2);
  expect(both).toContain(`>${RECORDED.caption}</span>`);
  // The one that was too heavy is lighter, and as large as it was.
  const heavy = [folder, out].map((root) => readFileSync(join(root, 'photos', `walk-${HEAVY}.jpg`)));
  const sizes = await Promise.all(heavy.map((file) => sharp(file).metadata()));
  expect(sizes.map(({ width }) => width)).toEqual([1400, 1400]);
  expect(heavy[1]!.length).toBeLessThan(heavy[0]!.length / 2);
  // Both galleries open in the viewer, each caption with its picture, also where it holds markup.
  expect(now('spring.html').match(/data-enlarge-group=/g)).toHaveLength(CAPTIONS.length);
  expect(now('spring.html')).toMatch(/data-enlarge-caption='A dragonfly at rest'/);
  // The one that lay on its side stands upright, small and large.
  const was = await sharp(join(folder, 'camera', 'DSC_0120.JPG')).metadata();
  const is = await sharp(join(out, 'camera', 'DSC_0120.JPG')).metadata();
  expect(is.width / is.height).toBeCloseTo(was.height / was.width, 2);
  const errors = await htmlErrors([...PAGES, 'summer.html', 'autumn.html'].map((name) => join(out, name)));
  expect(errors).toEqual([]);
}

/** Words that are not there, or no longer in their order. */
function missingIn(words: readonly string[], all: readonly string[]): string[] {
  let at = 0;
  return words.filter((word) => {
    const found = all.indexOf(word, at);
    if (found < 0) return true;
    at = found + 1;
    return false;
  });
}
