import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cleanPath, relativeReference, stemOf } from './path.ts';
import { resolveInSite } from './resolve.ts';

describe('cleanPath', () => {
  it.each([
    ['a/b.jpg', 'a/b.jpg'],
    ['./a//b.jpg', 'a/b.jpg'],
    ['a\\b.jpg', 'a/b.jpg'],
  ])('%s → %s', (raw, path) => expect(cleanPath(raw)).toEqual({ ok: true, path }));

  it.each([
    '../a',
    'a/../../b',
    '/etc/passwd',
    'C:\\a',
    'c:/a',
    '\\\\host\\a',
    '',
    'a/\u0000b',
    'a/con.jpg',
    'x'.repeat(500),
  ])('refuses %j with a reason', (raw) => {
    const clean = cleanPath(raw);
    expect(clean.ok).toBe(false);
    if (!clean.ok) expect(clean.reason.length).toBeGreaterThan(10);
  });

  it('never gives a path that leads out of the folder', () => {
    fc.assert(
      fc.property(fc.string(), (raw) => {
        const clean = cleanPath(raw);
        if (clean.ok) expect(clean.path.split('/')).not.toContain('..');
      }),
    );
  });
});

const segment = fc
  .string({ minLength: 1, maxLength: 8, unit: fc.constantFrom(...'abc XYZ0_-.&%#?+äé\'"(') })
  .filter((text) => !/^\.+$/.test(text) && text.trim() === text);
const sitePath = fc
  .array(segment, { minLength: 1, maxLength: 4 })
  .map((segments) => segments.join('/').normalize('NFC'));

describe('relativeReference', () => {
  it.each([
    ['index.html', 'photos/a.jpg', 'photos/a.jpg'],
    ['pages/kites.html', 'photos/a.jpg', '../photos/a.jpg'],
    ['a/b/c.html', 'a/d.css', '../d.css'],
    ['index.html', 'my photos/a b.jpg', 'my%20photos/a%20b.jpg'],
    ['index.html', 'a:b.jpg', './a:b.jpg'],
  ])('from %s to %s: %s', (from, to, reference) => expect(relativeReference(from, to)).toBe(reference));

  it('is resolved back to the file it was made for', () => {
    fc.assert(
      fc.property(sitePath, sitePath, (from, to) => {
        expect(resolveInSite(relativeReference(from, to), from)).toEqual({ kind: 'file', path: to });
      }),
    );
  });
});

describe('resolveInSite', () => {
  it.each([
    ['#', { kind: 'fragment', fragment: '' }],
    ['', { kind: 'empty' }],
    ['/a.jpg', { kind: 'root', path: 'a.jpg' }],
    ['../../a.jpg', { kind: 'above', reference: '../../a.jpg' }],
    ['//host/a.jpg', { kind: 'outside', url: '//host/a.jpg' }],
    ['https://host/a.jpg', { kind: 'outside', url: 'https://host/a.jpg' }],
    ['mailto:a@example.org', { kind: 'scheme', scheme: 'mailto' }],
    [' b.jpg\n', { kind: 'file', path: 'pages/b.jpg' }],
    ['b%20c.jpg?v=2#x', { kind: 'file', path: 'pages/b c.jpg', fragment: 'x' }],
  ])('%j', (reference, target) => expect(resolveInSite(reference, 'pages/a.html')).toEqual(target));
});

describe('stemOf', () => {
  it.each([
    ['small/reel-box.jpg', 'reel-box'],
    ['a.b.jpg', 'a.b'],
    ['.hidden', '.hidden'],
    ['plain', 'plain'],
  ])('%s → %s', (path, stem) => expect(stemOf(path)).toBe(stem));
});
