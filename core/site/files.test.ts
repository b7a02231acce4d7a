import fc from 'fast-check';
import { describe, expect, it, test } from 'vitest';
import { joined } from './bytes.ts';
import { bytesOf, PathIndex } from './files.ts';
import { grouped } from './grouped.ts';
import { isPagePath, isPicturePath, isStylePath, isTextPath, mediaTypeOf } from './media.ts';
import { planEdits } from './plan.ts';
import { refuse } from './result.ts';
import { firstNot } from './search.ts';

describe('a look-up', () => {
  const index = new PathIndex(['index.html', 'Small/Reel.JPG', 'other/reel.jpg', 'plain', 'a-2.jpg', 'a.jpg']);

  it('tells a file from one of other capitals and from none', () => {
    expect(index.lookup('Small/Reel.JPG')).toEqual({ found: 'exact', path: 'Small/Reel.JPG' });
    expect(index.lookup('small/reel.jpg')).toEqual({ found: 'other-case', path: 'Small/Reel.JPG' });
    expect(index.lookup('small/none.jpg')).toEqual({ found: 'nothing' });
  });

  it('finds the page of a folder, as a server would', () => {
    expect(index.lookup('')).toEqual({ found: 'exact', path: 'index.html' });
    expect(new PathIndex(['a/index.html']).lookup('a/')).toEqual({ found: 'exact', path: 'a/index.html' });
    expect(index.lookup('small')).toEqual({ found: 'nothing' });
  });

  it('finds files of the same name elsewhere', () => {
    expect(index.namesakes('gone/REEL.jpg')).toEqual(['Small/Reel.JPG', 'other/reel.jpg']);
    expect(index.namesakes('gone/eel.jpg')).toEqual([]);
  });

  it('gives a name that is free, whatever the capitals', () => {
    expect(index.freePath('b.jpg')).toBe('b.jpg');
    expect(index.freePath('A.jpg')).toBe('A-3.jpg');
    expect(index.freePath('small/reel.jpg')).toBe('small/reel-2.jpg');
  });
});

describe('the bytes of a file', () => {
  it('are those of its text in UTF-8', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (text) => {
        expect(bytesOf({ kind: 'text', text })).toBe(new TextEncoder().encode(text).length);
      }),
    );
    for (const text of [
      '\u007f',
      '\u0080',
      '\u07ff',
      '\u0800',
      '\ud7ff',
      '\ue000',
      '\uffff',
      '\u{10000}',
      '\u{10ffff}',
    ])
      expect(bytesOf({ kind: 'text', text })).toBe(new TextEncoder().encode(text).length);
    expect(bytesOf({ kind: 'binary', hash: 'x', bytes: 7 })).toBe(7);
  });
});

describe('the media of a path', () => {
  // IANA, Media Types; text/javascript by RFC 9239.
  it.each([
    ['index.html', 'text/html', 'page text'],
    ['a.b/OLD.HTM', 'text/html', 'page text'],
    ['a.css', 'text/css', 'style text'],
    ['a.js', 'text/javascript', 'text'],
    ['a.mjs', 'text/javascript', 'text'],
    ['a.json', 'application/json', 'text'],
    ['a.txt', 'text/plain', 'text'],
    ['a.md', 'text/markdown', 'text'],
    ['a.xml', 'application/xml', 'text'],
    ['a.csv', 'text/csv', 'text'],
    ['a.svg', 'image/svg+xml', 'text'],
    ['a.webmanifest', 'application/manifest+json', 'text'],
    ['a.jpg', 'image/jpeg', 'picture'],
    ['a.JPEG', 'image/jpeg', 'picture'],
    ['a.png', 'image/png', 'picture'],
    ['a.gif', 'image/gif', 'picture'],
    ['a.webp', 'image/webp', 'picture'],
    ['a.avif', 'image/avif', 'picture'],
    ['a.bmp', 'image/bmp', 'picture'],
    ['a.jfif', 'image/jpeg', 'picture'],
    ['a.TIF', 'image/tiff', 'picture'],
    ['a.heic', 'image/heic', 'picture'],
    ['a.jxl', 'image/jxl', 'picture'],
    ['a.ico', 'image/x-icon', ''],
    ['a.mp4', 'video/mp4', ''],
    ['a.webm', 'video/webm', ''],
    ['a.mp3', 'audio/mpeg', ''],
    ['a.pdf', 'application/pdf', ''],
    ['a.woff', 'font/woff', ''],
    ['a.woff2', 'font/woff2', ''],
    ['a.ttf', 'font/ttf', ''],
    ['a.unknown', 'application/octet-stream', ''],
    ['html', 'application/octet-stream', ''],
    ['.css', 'application/octet-stream', ''],
  ])('%s: %s', (path, type, kinds) => {
    expect(mediaTypeOf(path)).toBe(type);
    const is = {
      page: isPagePath(path),
      style: isStylePath(path),
      text: isTextPath(path),
      picture: isPicturePath(path),
    };
    const says = Object.entries(is).flatMap(([name, holds]) => (holds ? [name] : []));
    expect(says.join(' ')).toBe(kinds);
  });
});

describe('lists', () => {
  it('are grouped in their order', () => {
    const groups = grouped(['a1', 'b1', 'a2'], (one) => one[0]);
    expect([...groups]).toEqual([
      ['a', ['a1', 'a2']],
      ['b', ['b1']],
    ]);
  });

  it('are searched for the first that no longer holds', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(20)), fc.nat(21), (numbers, limit) => {
        const sorted = numbers.sort((a, b) => a - b);
        const expected = sorted.findIndex((one) => one >= limit);
        expect(firstNot(sorted, (one) => one < limit)).toBe(expected < 0 ? sorted.length : expected);
      }),
    );
  });
});

test('bytes are put together, and the only ones are not copied', () => {
  const one = Uint8Array.of(1, 2);
  expect(joined([one])).toBe(one);
  expect(joined([])).toEqual(Uint8Array.of());
  expect(joined([one, Uint8Array.of(), Uint8Array.of(3), one])).toEqual(Uint8Array.of(1, 2, 3, 1, 2));
});

test('edits of a file are a change, and a refusal stays one', () => {
  const edits = [{ start: 0, end: 1, text: 'x' }];
  expect(planEdits('Do it', 'a.html', { ok: true, edits })).toEqual({
    ok: true,
    change: { label: 'Do it', files: [{ kind: 'edit', path: 'a.html', edits }] },
  });
  expect(planEdits('Do it', 'a.html', refuse('No.'))).toEqual({ ok: false, reason: 'No.' });
});
