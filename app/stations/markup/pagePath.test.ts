import { describe, expect, it } from 'vitest';
import { freePagePath, pagePathTrouble } from './pagePath';

const FILES = ['index.html', 'days/Harbour.html', 'days/harbour-2.html', 'old.htm'];

describe('the file of a new page', () => {
  it.each([
    ['Autumn & winter', 'index.html', 'autumn-winter.html'],
    ['Straße nach Süden', 'index.html', 'strasse-nach-suden.html'],
    // A host may not tell capitals apart.
    ['Harbour', 'days/Harbour.html', 'days/harbour-3.html'],
    ['Harbour', 'old.htm', 'harbour.htm'],
    ['?!', 'index.html', 'page.html'],
  ])('is called after %s, beside %s', (title, from, path) => expect(freePagePath(FILES, title, from)).toBe(path));

  it('is the index where there is no page yet', () =>
    expect(freePagePath(['a.jpg'], 'Harbour', '')).toBe('index.html'));

  it.each([
    ['new.html', null],
    [' new.html ', null],
    ['', 'Write a file name.'],
    ['new', 'The name of a page ends in .html.'],
    ['../new.html', 'This cannot be a file name: the path leads out of the folder (“..”).'],
    ['INDEX.html', 'There is a file INDEX.html already.'],
  ])('%j: %s', (path, trouble) => expect(pagePathTrouble(FILES, path)).toBe(trouble));
});
