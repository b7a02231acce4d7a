import { describe, expect, it } from 'vitest';
import { asked, FACTS, linked, listPage, siteOf } from './asked.fixture.ts';
import { broughtFrom } from './bringPictures.ts';
import type { Intent } from './intent.ts';

/** Pictures that are nothing like one another, thumbnails smaller than they. */
const facts = Object.fromEntries(
  ['A', 'B', 'C'].flatMap((hash, n) => {
    const likeness = ((n + 1) * 0x9e3779b97f4a7).toString(16).padStart(16, '0').slice(-16);
    return [
      [hash, { ...FACTS, likeness, width: 1200, height: 800 }],
      [`t${hash}`, { ...FACTS, likeness }],
    ];
  }),
);

const OTHER = siteOf(
  {
    'kites/a.jpg': 'A',
    'kites/t/a.jpg': 'tA',
    'kites/wide/a.jpg': 'wA',
    'kites/b.jpg': 'B',
    'kites/t/b.jpg': 'tB',
    'kites/p.html': listPage([linked('a'), linked('b')]).replace('alt="a"', 'alt="A red kite"'),
  },
  {
    facts,
    notes: {
      tags: { A: ['red'] },
      words: { A: { title: 'Red' }, B: { alt: 'B of the notes' } },
      focus: { A: { x: 0.2, y: 0.3 } },
      placeKept: ['A'],
      made: [{ path: 'kites/wide/a.jpg', as: 'Wide', from: 'kites/a.jpg', of: 'A', by: 'f', is: 'wA' }],
    },
  },
);

const wish = (...fulls: string[]): Intent => ({
  kind: 'bring-pictures',
  from: 'Kites',
  pictures: broughtFrom(OTHER, fulls),
});

describe('pictures of another site', () => {
  it('come with their sizes, texts, tags and decisions', () => {
    expect(asked(siteOf({ 'index.html': listPage([]) }), wish('kites/a.jpg'))).toMatchObject({
      label: 'Bring a.jpg from Kites',
      files: { 'kites/a.jpg': 'A', 'kites/t/a.jpg': 'tA', 'kites/wide/a.jpg': 'wA' },
      notes: {
        tags: { A: ['red'] },
        words: { A: { title: 'Red', alt: 'A red kite' } },
        focus: { A: { x: 0.2, y: 0.3 } },
        placeKept: ['A'],
        decisions: [{ small: 'tA', large: 'A', belong: true }],
        made: [{ path: 'kites/wide/a.jpg', from: 'kites/a.jpg' }],
      },
    });
  });

  it('take names that are free, and the files that are here already', () => {
    const here = siteOf(
      { 'kites/a.jpg': 'X', 'kites/T/A.jpg': 'Y', 'pictures/b.jpg': 'B' },
      { notes: { words: { B: { alt: 'Ours' } } } },
    );
    expect(asked(here, wish('kites/a.jpg', 'kites/b.jpg'))).toMatchObject({
      label: 'Bring 2 pictures from Kites',
      files: { 'kites/a-2.jpg': 'A', 'kites/t/a-2.jpg': 'tA', 'kites/wide/a.jpg': 'wA', 'kites/t/b.jpg': 'tB' },
      notes: {
        words: { B: { alt: 'Ours' } },
        made: [{ path: 'kites/wide/a.jpg', from: 'kites/a-2.jpg' }],
      },
    });
  });

  it('are refused where all of them are here', () => {
    expect(asked(OTHER, wish('kites/a.jpg', 'kites/b.jpg'))).toBe(
      'These pictures are in this site already, with all their sizes.',
    );
  });
});
