import { describe, expect, it } from 'vitest';
import { joined } from '../site/index.ts';
import { FORMATS, formatOf, inFormat, typeOfFormat } from './format.ts';

describe('formats', () => {
  it('have the media types of their registrations (IANA)', () =>
    expect(FORMATS.map(typeOfFormat)).toEqual(['image/jpeg', 'image/webp', 'image/png', 'image/avif']));

  it.each([
    ['a.jpg', 'jpeg'],
    ['a.JPEG', 'jpeg'],
    ['p/b.webp', 'webp'],
    ['c.d.PNG', 'png'],
    ['e.avif', 'avif'],
    ['f.gif', null],
    ['g', null],
    ['h.html', null],
  ])('of %s is %s', (path, format) => expect(formatOf(path)).toBe(format));

  it.each([
    ['p/Kite.JPG', 'jpeg', 'p/Kite.JPG'],
    ['p/kite.jpeg', 'jpeg', 'p/kite.jpeg'],
    ['p/kite.one.jpg', 'webp', 'p/kite.one.webp'],
    ['kite.png', 'jpeg', 'kite.jpg'],
    ['kite.gif', 'avif', 'kite.avif'],
  ] as const)('%s in %s is %s', (path, format, made) => expect(inFormat(path, format)).toBe(made));
});

it('bytes are put together in their order', () => {
  const [a, b] = [Uint8Array.of(1, 2), Uint8Array.of(3)];
  expect([...joined([a, new Uint8Array(), b])]).toEqual([1, 2, 3]);
  expect(joined([a])).toBe(a);
  expect(joined([]).length).toBe(0);
});
