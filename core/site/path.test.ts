import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  byNaturalName,
  cleanPath,
  extensionOf,
  folderOf,
  isSystemLitter,
  nameOf,
  relativeReference,
  stemOf,
} from './path.ts';
import { resolveInSite } from './resolve.ts';

describe('cleanPath', () => {
  it.each([
    ['a/b.jpg', 'a/b.jpg'],
    ['./a//b.jpg', 'a/b.jpg'],
    ['a\\b.jpg', 'a/b.jpg'],
  ])('%s → %s', (raw, path) => expect(cleanPath(raw)).toEqual({ ok: true, path }));

  const OUT = 'the path leads out of the folder (“..”)';
  const ABSOLUTE = 'the path is absolute; only files inside the folder can be imported';
  const CONTROL = 'the name holds a control character';
  const reserved = (name: string) => `“${name}” is a reserved name on Windows; rename it first`;

  it.each([
    ['../a', OUT],
    ['a/../../b', OUT],
    ['/etc/passwd', ABSOLUTE],
    ['C:\\a', ABSOLUTE],
    ['c:/a', ABSOLUTE],
    ['\\\\host\\a', ABSOLUTE],
    ['', 'the path is empty'],
    ['./.', 'the path is empty'],
    ['a/\u0000b', CONTROL],
    ['a\u007f/b', CONTROL],
    ['a/con.jpg', reserved('con.jpg')],
    ['AUX/b', reserved('AUX')],
    ['com1', reserved('com1')],
    ['a/lpt9.b.c', reserved('lpt9.b.c')],
    ['x'.repeat(401), 'the path is longer than 400 characters'],
  ])('refuses %j: %s', (raw, reason) => {
    expect(cleanPath(raw)).toEqual({ ok: false, reason });
  });

  it.each(['ab:c', 'icon.png', 'con2', 'comx', 'lptx.jpg', 'a..b', 'x'.repeat(400)])('takes %j as it is', (path) => {
    expect(cleanPath(path)).toEqual({ ok: true, path });
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
    ['a/b/c.html', 'a/b/d.css', 'd.css'],
    ['a/b/c.html', 'x/b/d.css', '../../x/b/d.css'],
    ['a/b/c.html', 'a', '../../a'],
    ['a/b/c.html', 'a/b', '../b'],
    ['b/c.html', 'a:b.jpg', '../a:b.jpg'],
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
    ['b\n.jp\tg', { kind: 'file', path: 'pages/b.jpg' }],
    ['http://host/a.jpg', { kind: 'outside', url: 'http://host/a.jpg' }],
    ['JavaScript:void(0)', { kind: 'scheme', scheme: 'javascript' }],
    ['?a', { kind: 'file', path: 'pages/a.html' }],
    ['100%.jpg', { kind: 'file', path: 'pages/100%.jpg' }],
    ['small\\b.jpg?c\\d', { kind: 'file', path: 'pages/small/b.jpg' }],
    ['\\small\\b.jpg', { kind: 'root', path: 'small/b.jpg' }],
    ['\\\\host\\b.jpg', { kind: 'outside', url: '\\\\host\\b.jpg' }],
    ['../b.jpg#%C3%A9', { kind: 'file', path: 'b.jpg', fragment: 'é' }],
    ['#%C3%A9', { kind: 'fragment', fragment: 'é' }],
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

describe('parts of a path', () => {
  it.each([
    ['a/b/C.JPG', 'a/b/', 'C.JPG', 'jpg'],
    ['plain', '', 'plain', ''],
    ['a/.hidden', 'a/', '.hidden', ''],
    ['a.b/c', 'a.b/', 'c', ''],
  ])('%s', (path, folder, name, extension) => {
    expect([folderOf(path), nameOf(path), extensionOf(path)]).toEqual([folder, name, extension]);
  });
});

describe('names', () => {
  it('are sorted as people count, whatever their capitals', () => {
    expect(['photo 10', 'Photo 2', 'photo 1', 'été', 'eta'].sort(byNaturalName)).toEqual([
      'eta',
      'été',
      'photo 1',
      'Photo 2',
      'photo 10',
    ]);
    expect(byNaturalName('A', 'a')).toBe(0);
  });

  it.each([
    ['.DS_Store', true],
    ['css/kites.css.crswap', true],
    ['.index.html.swp', true],
    ['css/.#kites.css', true],
    ['kites.swp', false],
    ['a/.ds_store', true],
    ['a/Thumbs.db', true],
    ['desktop.ini', true],
    ['._reel.jpg', true],
    ['a/._', true],
    ['.git/config', true],
    ['a/.git/hooks/x', true],
    ['__MACOSX/a/b', true],
    ['node_modules/x/y.js', true],
    ['a/node_modules/x', true],
    ['a.DS_Store', false],
    ['Thumbs.db/a.jpg', false],
    ['_reel.jpg', false],
    ['my.git/a', false],
    ['old_node_modules/a', false],
    ['._folder/a.jpg', false],
  ])('%s is left behind by a system or a tool: %s', (path, is) => expect(isSystemLitter(path)).toBe(is));
});
