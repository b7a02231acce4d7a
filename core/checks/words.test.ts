/** Words that are none, ids that stand twice, and places for sizes that hold none. */
import { describe, expect, it } from 'vitest';
import { listPage, PICTURES, siteOf } from '../plans/asked.fixture.ts';
import { applyChange } from '../site/index.ts';
import { findingsOf } from './index.ts';

const found = (files: Record<string, string>, rule: string) =>
  findingsOf(siteOf({ ...PICTURES, ...files })).filter((finding) => finding.rule === rule);

const pictures = { 'IMG_2041.jpg': 'X', 't/IMG_2041.jpg': 'tx' };
const item = (alt: string, caption = '') =>
  `<a href="IMG_2041.jpg"><img src="t/IMG_2041.jpg" alt="${alt}"></a><p>${caption}</p>`;
const other = '<a href="a.jpg"><img src="t/a.jpg" alt="a"></a><p>A kite</p>';

describe('an alt text that is a file’s name', () => {
  it.each([
    ['IMG_2041', 1],
    ['IMG_2041.jpg', 1],
    [' photos/kite.png ', 1],
    ['A kite named IMG_2041', 0],
    ['', 0],
    ['Sky.', 0],
  ])('“%s”: %i', (alt, count) => {
    const page = listPage([item(alt, 'The moor'), other]);
    expect(found({ ...pictures, 'index.html': page }, 'alt-is-name')).toHaveLength(count);
  });

  it('is told with its place, and asks for words', () => {
    const [finding] = found(
      { ...pictures, 'index.html': listPage([other, item('IMG_2041', 'The moor')]) },
      'alt-is-name',
    );
    expect(finding).toMatchObject({
      says: 'The alt text of img_2041 is a file’s name: “IMG_2041”.',
      place: { path: 'index.html', line: 8 },
      fixes: [{ kind: 'ask', ask: 'alt' }],
    });
  });

  it('is told of captions as well', () => {
    const [finding] = found(
      { ...pictures, 'index.html': listPage([other, item('The moor', 'IMG_2041')]) },
      'alt-is-name',
    );
    expect(finding?.says).toBe('The caption of img_2041 is a file’s name: “IMG_2041”.');
  });

  it('is none where a plain word is', () =>
    expect(found({ 'index.html': listPage([other, other]) }, 'alt-is-name')).toEqual([]));
});

describe('an id that stands twice', () => {
  it('is told once, with all its lines', () => {
    const page = '<p id="x">\n<p id="y">\n<p id=x>\n<p ID="x">\n<p id="">\n<p id="">';
    expect(found({ 'index.html': page }, 'id-twice').map(({ says, place }) => [says, place.line])).toEqual([
      ['The id “x” stands in line 1 and again in line 3, 4.', 3],
    ]);
  });
});

describe('an empty srcset', () => {
  it.each([
    ['<p><img src="a.jpg" alt="a" srcset="" sizes="9px">', '<p><img src="a.jpg" alt="a" sizes="9px">'],
    [
      '<picture>\n<source srcset=" "\n media="print"><img src="a.jpg" alt="a"></picture>',
      '<picture>\n<source\n media="print"><img src="a.jpg" alt="a"></picture>',
    ],
    ['<p><img srcset src="a.jpg" alt="a">', '<p><img src="a.jpg" alt="a">'],
  ])('%s', (text, mended) => {
    const site = siteOf({ ...PICTURES, 'index.html': text });
    const [finding, ...more] = found({ 'index.html': text }, 'srcset-empty');
    expect(more).toEqual([]);
    const [fix] = finding?.fixes ?? [];
    const planned = fix?.kind === 'change' ? fix.plan() : null;
    const applied = planned?.ok ? applyChange(site.files, planned.change) : null;
    expect(applied?.ok && applied.files.get('index.html')).toEqual({ kind: 'text', text: mended });
  });

  it('is none where an address stands', () =>
    expect(found({ 'index.html': '<img src="a.jpg" srcset="a.jpg 2x" alt="a">' }, 'srcset-empty')).toEqual([]));
});
