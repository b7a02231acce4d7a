/** Captions in a row of their own go where their pictures go. */
import { describe, expect, it } from 'vitest';
import type { Edited } from '../site/index.ts';
import { addItems, freshItems } from './addItems.ts';
import { parsePage, type PageDocument } from './document.ts';
import { doneOn } from './edited.fixture.ts';
import { galleriesOf, type Gallery } from './galleries.ts';
import { moveItem, removeItem, removeItems } from './items.ts';
import { setCaption } from './slots.ts';

const cell = (name: string) => `<td><img src="${name}.jpg" alt=""></td>`;
const words = (name: string) => `<td><p class="c">${name.toUpperCase()} flies</p></td>`;
const row = (cells: string[]) => `<tr>\n  ${cells.join('\n  ')}\n</tr>`;
const pair = (names: string) => `${row([...names].map(cell))}\n${row([...names].map(words))}`;
const table = (...rows: string[]) => `<table>\n${rows.map(pair).join('\n')}\n</table>`;

/** As it was written before end tags were asked for. */
const open = (...rows: string[]) =>
  `<TABLE>\n${rows
    .map(
      (names) =>
        `<TR>\n${[...names].map((name) => `<TD><IMG SRC=${name}.gif>\n`).join('')}</TR>\n<TR>\n${[...names].map((name) => `<TD>${name}\n`).join('')}</TR>\n`,
    )
    .join('')}</TABLE>`;

function opened(text: string): { page: PageDocument; gallery: Gallery } {
  const page = parsePage(text);
  const [gallery] = galleriesOf(page);
  if (!gallery) throw new Error('There is no gallery.');
  return { page, gallery };
}

const fresh = (name: string) => ({
  src: `${name}.jpg`,
  href: '',
  alt: '',
  title: '',
  caption: `${name.toUpperCase()} flies`,
});

describe('captions in rows of their own', () => {
  it('are those of the pictures above them', () => {
    const captions = opened(table('abc', 'de')).gallery.items.map(({ caption }) => caption?.text);
    expect(captions).toEqual(['A flies', 'B flies', 'C flies', 'D flies', 'E flies']);
    expect(opened(open('ab')).gallery.items.map(({ caption }) => caption?.text)).toEqual(['a', 'b']);
  });

  it('are none where the row below shows pictures, has other cells, or says nothing', () => {
    const captions = (rows: string) => opened(`<table>${rows}</table>`).gallery.items.map(({ caption }) => caption);
    expect(captions(row([...'ab'].map(cell)) + row([...'cd'].map(cell)))).toEqual([null, null, null, null]);
    expect(captions(row([...'ab'].map(cell)) + row([words('a')]))).toEqual([null, null]);
    expect(captions(row([...'ab'].map(cell)) + row(['<td></td>', '<td>–</td>']))).toEqual([null, null]);
  });

  it('go with an item that is removed, and with them a row of which nothing stays', () => {
    expect(doneOn(table('abc'), (page, gallery) => removeItem(page, gallery, 1))).toBe(table('ac'));
    expect(doneOn(table('abc'), (page, gallery) => removeItem(page, gallery, 0))).toBe(table('bc'));
    expect(doneOn(table('abc', 'de'), (page, gallery) => removeItems(page, gallery, [3, 4]))).toBe(table('abc'));
    expect(doneOn(table('abc', 'de'), (page, gallery) => removeItems(page, gallery, [0, 1, 2, 4]))).toBe(table('d'));
    expect(doneOn(open('abc'), (page, gallery) => removeItem(page, gallery, 2))).toBe(
      open('abc').replace('<TD><IMG SRC=c.gif>\n', '\n').replace('<TD>c\n', '\n').replaceAll('\n\n', '\n'),
    );
  });

  it('change places with their pictures, across rows', () => {
    expect(doneOn(table('abc', 'de'), (page, gallery) => moveItem(page, gallery, 0, 4))).toBe(table('bcd', 'ea'));
    expect(doneOn(open('ab', 'cd'), (page, gallery) => moveItem(page, gallery, 3, 0))).toBe(open('da', 'bc'));
  });

  it('are written for new pictures: in the row, and in a row of its own where it is full', () => {
    const add = (text: string, names: string, at?: number) =>
      doneOn(text, (page, gallery) => addItems(page, gallery, [...names].map(fresh), at));
    expect(add(table('ab'), 'c')).toBe(table('abc'));
    expect(add(table('abc', 'd'), 'e')).toBe(table('abc', 'de'));
    expect(add(table('abc', 'de'), 'fgh')).toBe(table('abc', 'def', 'gh'));
    expect(add(table('ab'), 'c', 1)).toBe(table('acb'));
    expect(add(table('ab'), 'c', 0)).toBe(table('cab'));
  });

  it('are set where they stand', () => {
    const set = (page: PageDocument, { items: [, second] }: Gallery): Edited =>
      second ? setCaption(page, second, 'Up & away') : { ok: false, reason: 'There is no second item.' };
    expect(doneOn(table('ab'), set)).toBe(table('ab').replace('B flies', 'Up &amp; away'));
  });

  it('come with items that are written elsewhere', () => {
    const { page, gallery } = opened(table('ab'));
    const made = freshItems(page, gallery, [fresh('x'), fresh('y')]);
    expect(made.ok && made.text.replace(/\s+/g, ' ')).toBe(
      `${cell('x')} ${cell('y')} </tr> <tr> ${words('x')} ${words('y')}`,
    );
  });
});
