import { describe, expect, it } from 'vitest';
import { parsePage } from '../markup/index.ts';
import { sizeSaid } from './sizes.ts';
import { candidatesIn, sourceFor } from './srcset.ts';

const WINDOW = { width: 1000, height: 800, density: 1 };

function chosen(markup: string, window = WINDOW, laidOut: number | null = null): string | null {
  const image = parsePage(`<!DOCTYPE html><title>x</title><body>${markup}`).elements.find(({ tag }) => tag === 'img');
  return image ? (sourceFor(image, window, laidOut)?.address ?? null) : null;
}

describe('which file an image loads', () => {
  it.each([
    ['<img src="a.jpg">', 'a.jpg'],
    ['<img src="">', null],
    ['<img alt="">', null],
    ['<img src="a.jpg" srcset="b.jpg 2x">', 'a.jpg'],
    ['<img srcset="a.jpg 1x, b.jpg 2x">', 'a.jpg'],
    // A first candidate without a descriptor stands for one pixel each, and `src` is not looked at.
    ['<img src="a.jpg" srcset="c.jpg, b.jpg 2x">', 'c.jpg'],
    ['<img src="z.jpg" srcset="s.jpg 400w, m.jpg 900w, l.jpg 2000w" sizes="400px">', 's.jpg'],
    ['<img src="z.jpg" srcset="s.jpg 400w, m.jpg 900w, l.jpg 2000w" sizes="401px">', 'm.jpg'],
    // Nothing said is the whole window.
    ['<img src="z.jpg" srcset="s.jpg 400w, m.jpg 900w, l.jpg 2000w">', 'l.jpg'],
    ['<img srcset="s.jpg 400w, m.jpg 900w" sizes="3000px">', 'm.jpg'],
    ['<picture><source media="(max-width: 600px)" srcset="n.jpg"><img src="a.jpg"></picture>', 'a.jpg'],
    ['<picture><source media="(min-width: 600px)" srcset="n.jpg"><img src="a.jpg"></picture>', 'n.jpg'],
    [
      '<picture><source type="image/jxr" srcset="n.jxr"><source type="image/webp" srcset="n.webp"><img src="a.jpg"></picture>',
      'n.webp',
    ],
    // What stands behind the image counts for nothing.
    ['<picture><img src="a.jpg"><source srcset="n.jpg"></picture>', 'a.jpg'],
    ['<div><source srcset="n.jpg"><img src="a.jpg"></div>', 'a.jpg'],
  ])('%s', (markup, address) => {
    expect(chosen(markup)).toBe(address);
  });

  it('takes more pixels on a dense screen, the nearer of two', () => {
    const dense = { ...WINDOW, density: 2 };
    expect(chosen('<img src="a.jpg" srcset="b.jpg 2x">', dense)).toBe('b.jpg');
    expect(chosen('<img src="a.jpg" srcset="b.jpg 3x">', { ...WINDOW, density: 1.2 })).toBe('a.jpg');
    expect(chosen('<img src="a.jpg" srcset="b.jpg 3x">', { ...WINDOW, density: 1.9 })).toBe('b.jpg');
  });

  it('takes the width in the layout for sizes="auto"', () => {
    const markup = '<img src="z.jpg" srcset="s.jpg 400w, l.jpg 2000w" sizes="auto, 100vw" loading="lazy">';
    expect(chosen(markup, WINDOW, 300)).toBe('s.jpg');
    expect(chosen(markup)).toBe('l.jpg');
  });
});

describe('srcset', () => {
  it.each([
    ['a.jpg', [['a.jpg', 1, null]]],
    [
      ' a.jpg 1.5x ,b.jpg 2x,',
      [
        ['a.jpg', 1.5, null],
        ['b.jpg', 2, null],
      ],
    ],
    ['a,b.jpg 2x', [['a,b.jpg', 2, null]]],
    [
      'a.jpg, b.jpg 300w',
      [
        ['a.jpg', 1, null],
        ['b.jpg', 1, 300],
      ],
    ],
    ['a.jpg 300w 200h', [['a.jpg', 1, 300]]],
    ['a.jpg wide, b.jpg 2x', [['b.jpg', 2, null]]],
    ['', []],
  ])('%s', (srcset, expected) => {
    expect(candidatesIn(srcset).map(({ address, density, width }) => [address, density, width])).toEqual(expected);
  });
});

describe('sizes', () => {
  it.each([
    [undefined, 1000],
    ['50vw', 500],
    ['(max-width: 600px) 100vw, 33vw', 330],
    ['(min-width: 600px) calc(50vw - 20px), 100vw', 480],
    ['calc((100vw - 3 * 10px) / 4)', 242.5],
    ['min(300px, 90vw)', 300],
    ['max(300px, 90vw)', 900],
    ['clamp(100px, 20vw, 150px)', 150],
    ['20em', 320],
    ['(min-width: 600px) and (max-width: 1200px) 10vw, 100vw', 100],
    // What is no length is passed by.
    ['50%, 200px', 200],
    ['-5px, 40vh', 320],
    ['nonsense', 1000],
  ])('%s', (sizes, px) => {
    expect(sizeSaid(sizes, WINDOW, null)).toBeCloseTo(px, 6);
  });
});
