import { describe, expect, it } from 'vitest';
import { asked, siteOf } from './asked.fixture.ts';
import { textFound, type TextSought } from './replaceText.ts';

const FILES = {
  'index.html':
    '<!DOCTYPE html>\r\n<title>Kites (2024)</title>\r\n<p>Kites and kite. $& Über Kites</p>\r\n<!-- Kites -->\r\n',
  'kites.css': '.kites { color: red }\n',
  'js/kites.js': 'const kites = "Kites";\n',
  'a.jpg': 'Kites',
};
const ALL = ['index.html', 'kites.css', 'js/kites.js', 'a.jpg'];

const sought = (find: string, more: Partial<TextSought> = {}): TextSought => ({
  find,
  matchCase: true,
  wholeWords: false,
  ...more,
});
const found = (find: string, more: Partial<TextSought> = {}) =>
  Object.fromEntries(textFound(siteOf(FILES), sought(find, more)).map(({ path, count }) => [path, count]));
const replaced = (find: string, replace: string, paths: readonly string[] = ALL, more: Partial<TextSought> = {}) =>
  asked(siteOf(FILES), { kind: 'replace-text', ...sought(find, more), replace, paths: [...paths] });

describe('a text looked for in all files', () => {
  it('is found in pages, comments, stylesheets and scripts, and never in pictures', () => {
    expect(found('Kites')).toEqual({ 'index.html': 4, 'js/kites.js': 1 });
    expect(found('kites', { matchCase: false })).toEqual({ 'index.html': 4, 'js/kites.js': 2, 'kites.css': 1 });
    expect(found('kite', { wholeWords: true })).toEqual({ 'index.html': 1 });
  });

  it.each([
    ['(2024)', { 'index.html': 1 }],
    ['$&', { 'index.html': 1 }],
    ['über', {}],
    ['.', { 'index.html': 1, 'kites.css': 1 }],
    // However the file breaks its lines.
    ['html>\n<title', { 'index.html': 1 }],
    ['', {}],
  ])('%j is taken as it is written', (find, files) => expect(found(find)).toEqual(files));

  it('tells other capitals of any script apart, or not', () =>
    expect(found('ÜBER', { matchCase: false })).toEqual({ 'index.html': 1 }));
});

describe('a text replaced', () => {
  it('is one change of the files that were chosen, and nothing else changes', () =>
    expect(replaced('Kites', 'Dragons & $1', ['index.html', 'a.jpg'])).toEqual({
      label: 'Replace “Kites” by “Dragons & $1” (4 places in index.html)',
      files: { 'index.html': FILES['index.html'].replaceAll('Kites', () => 'Dragons & $1') },
      notes: {},
    }));

  it('may be markup, which is the author’s own typing, in the line breaks of each file', () => {
    expect(replaced('<p>Kites', '<p>\n<b>Kites')).toMatchObject({
      files: { 'index.html': FILES['index.html'].replace('<p>Kites', '<p>\r\n<b>Kites') },
    });
    expect(replaced('Kites', '')).toMatchObject({ label: 'Replace “Kites” by “” (5 places in 2 files)' });
  });

  it.each([
    ['', 'x', 'There is nothing to look for.'],
    ['Kites', 'Kites', 'Both texts are the same.'],
    ['nowhere', 'x', '“nowhere” stands in none of these files.'],
  ])('%j by %j is refused', (find, replace, reason) => expect(replaced(find, replace)).toBe(reason));
});
