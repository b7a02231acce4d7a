/** Lists of pictures that a script draws: read with the files that they name, and gone on with as they are written. */
import { describe, expect, it } from 'vitest';
import { asked, listPage, PICTURES, siteOf } from './asked.fixture.ts';
import type { NewPicture } from './intent.ts';
import { scriptLists } from './scriptLists.ts';

const page = (script: string) => listPage([]).replace('</body>', `<div id="g"></div>\n${script}\n</body>`);
const run = '<script src="js/kites.js"></script>';
const picture: NewPicture = {
  thumbnail: 't/c.jpg',
  full: 'c.jpg',
  title: 'C flies',
  alt: 'Kite c',
  caption: 'C’s </script>',
};

type Files = Record<string, string>;
const read = (files: Files) => scriptLists(siteOf({ ...PICTURES, 'index.html': page(run), ...files }));
function added(files: Files, more: Partial<NewPicture> = {}): string {
  const site = siteOf({ ...PICTURES, 'index.html': page(run), ...files }, { facts: { C: { width: 60, height: 40 } } });
  const [list] = scriptLists(site);
  if (!list) return 'There is no list.';
  const outcome = asked(site, {
    kind: 'add-to-list',
    path: list.path,
    at: list.at,
    pictures: [{ ...picture, ...more }],
  });
  return typeof outcome === 'string' ? outcome : (outcome.files[list.path] ?? '');
}

describe('a list in a script', () => {
  it('is read with its files, its name and the pages that run it', () => {
    expect(read({ 'js/kites.js': "var pics = [\n  'a.jpg',\n  'b.jpg'\n];\n" })).toEqual([
      { path: 'js/kites.js', at: 11, line: 1, name: 'pics', entries: [['a.jpg'], ['b.jpg']], pages: ['index.html'] },
    ]);
  });

  it.each<[string, string, string[][]]>([
    [
      'objects',
      'const o = { list: [{ big: "a.jpg", small: "t/a.jpg" }, { big: "b.jpg", small: "t/b.jpg" }] };',
      [
        ['a.jpg', 't/a.jpg'],
        ['b.jpg', 't/b.jpg'],
      ],
    ],
    ['lists', 'window.pics = [["a.jpg", "A"], ["b.jpg", "B"]];', [['a.jpg'], ['b.jpg']]],
    [
      'names behind a beginning',
      'var n = ["a.jpg", "b.jpg"]; for (const one of n) show("../" + one);',
      [['a.jpg'], ['b.jpg']],
    ],
  ])('may hold %s', (_name, text, entries) => expect(read({ 'js/kites.js': text })[0]?.entries).toEqual(entries));

  it.each([
    ['one entry', 'var a = ["a.jpg"];'],
    ['words among the pictures', 'var a = ["a.jpg", "words"];'],
    ['what is worked out', 'var a = ["a.jpg", "b" + n + ".jpg"];'],
    ['files that are not there', 'var a = ["x.jpg", "y.jpg"];'],
    ['a text that is no script', 'var a = ["a.jpg", "b.jpg"'],
  ])('is none with %s', (_name, text) => expect(read({ 'js/kites.js': text })).toEqual([]));
});

describe('a new entry', () => {
  it.each<[string, string, string]>([
    ['a text', "var p = [\n  'a.jpg',\n  'b.jpg'\n];", "var p = [\n  'a.jpg',\n  'b.jpg',\n  'c.jpg'\n];"],
    ['one behind a last comma', 'var p = ["a.jpg", "b.jpg",];', 'var p = ["a.jpg", "b.jpg", "c.jpg",];'],
    [
      'an object, each value by what it is',
      `var p = [{ n: 1, big: "a.jpg", small: "t/a.jpg", caption: "A", w: 1, kind: "kite" }, { n: 2, big: "b.jpg", small: "t/b.jpg", caption: "B", w: 2, kind: "kite" }];`,
      `var p = [{ n: 1, big: "a.jpg", small: "t/a.jpg", caption: "A", w: 1, kind: "kite" }, { n: 2, big: "b.jpg", small: "t/b.jpg", caption: "B", w: 2, kind: "kite" }, { n: 3, big: "c.jpg", small: "t/c.jpg", caption: "C’s <\\/script>", w: 60, kind: "kite" }];`,
    ],
    [
      'without the comment of a neighbour',
      'var p = ["a.jpg", // the first\n"b.jpg"];',
      'var p = ["a.jpg", // the first\n"b.jpg", "c.jpg"];',
    ],
  ])('is written as the last one is: %s', (_name, text, written) =>
    expect(added({ 'js/kites.js': text })).toBe(written),
  );

  it('stands in the page where the list does, and in data', () => {
    const inline = page('<script>var p = ["a.jpg", "b.jpg"];</script>');
    expect(added({ 'index.html': inline })).toBe(inline.replace('"b.jpg"]', '"b.jpg", "c.jpg"]'));
    const data = '{ "pictures": [\n{ "src": "a.jpg", "title": "A \\"1\\"" },\n{ "src": "b.jpg", "title": "B" }\n] }\n';
    expect(added({ 'kites.json': data }, { caption: 'C "3"' })).toBe(
      data.replace('"B" }', '"B" },\n{ "src": "c.jpg", "title": "C \\"3\\"" }'),
    );
  });

  it.each([
    [
      'numbers that do not count',
      'var p = [{ f: "a.jpg", id: 17 }, { f: "b.jpg", id: 4 }];',
      'what stands for id of a new picture cannot be told',
    ],
    ['entries of two kinds', 'var p = ["a.jpg", { f: "b.jpg" }];', 'the entries of this list are not all alike'],
  ])('is refused with the reason: %s', (_name, text, reason) =>
    expect(added({ 'js/kites.js': text })).toContain(reason),
  );

  it('of a file that cannot be named as the others are is refused', () => {
    const text = 'var p = ["one.jpg", "two.jpg"];';
    const deep = { 'deep/one.jpg': '1', 'deep/two.jpg': '2' };
    expect(added({ ...deep, 'js/kites.js': text })).toContain('no other file can be named like it');
    expect(added({ ...deep, 'deep/c.jpg': 'dc', 'js/kites.js': text }, { full: 'deep/c.jpg' })).toBe(
      text.replace(']', ', "c.jpg"]'),
    );
  });
});
