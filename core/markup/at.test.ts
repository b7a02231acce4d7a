import { describe, expect, it } from 'vitest';
import { elementAt, elementBy, tieOf } from './at.ts';
import { ancestors, descendants, parsePage, pathTo, placeOf, textOf, valueOf } from './document.ts';
import { the } from './edited.fixture.ts';

describe('the element at a place', () => {
  const html = '<html><body><div><p>one</p> <b>two</b><i>x</i></div>\n<u></u></body></html>';
  const page = parsePage(html);
  const at = (text: string, shift = 0) => elementAt(page, html.indexOf(text) + shift)?.tag ?? null;

  it.each([
    ['one', 0, 'p'],
    ['<p>', 0, 'p'],
    ['<p>', -1, 'div'],
    ['<div>', 0, 'div'],
    ['</p>', 4, 'p'],
    ['</p>', 5, 'b'],
    ['<b>', 0, 'b'],
    ['</b>', 4, 'i'],
    ['</i>', 4, 'i'],
    ['</div>', 6, 'div'],
    ['<u>', 3, 'u'],
    ['</u>', 4, 'u'],
    ['<html>', 0, 'html'],
    ['</html>', 6, 'html'],
    ['</html>', 7, null],
  ])('%s + %d is <%s>', (text, shift, tag) => expect(at(text, shift)).toBe(tag));

  it('is none outside of all', () => {
    expect(elementAt(parsePage('<!-- x --><p>y</p>'), 2)).toBeNull();
    expect(elementAt(parsePage(''), 0)).toBeNull();
    expect(elementAt(parsePage('<p>y</p>'), 99)).toBeNull();
  });
});

describe('the element by its place in the tree', () => {
  const page = parsePage('<table><tr><td>x</td></tr></table><p>y</p>');

  it.each<[number[], string | null]>([
    [[], null],
    [[1], null],
    [[1, 0], 'table'],
    [[1, 0, 0], 'table'],
    [[1, 0, 0, 0], 'tr'],
    [[1, 0, 0, 0, 0], 'td'],
    [[1, 1], 'p'],
    [[1, 7], null],
    [[1, 1, 3, 0], 'p'],
  ])('%j is %s', (path, tag) => expect(elementBy(page, path)?.tag ?? null).toBe(tag));

  it('is found again by the way to it', () => {
    for (const element of page.elements) if (element.range) expect(elementBy(page, pathTo(element))).toBe(element);
  });
});

describe('a tie to the live page', () => {
  const page = parsePage(
    '<html><head><title>T</title></head><body class="b"><ul class=" one two "><li><img></li></ul></body></html>',
  );

  it('has the way from the root, the place in the source, and the tags with their first class', () => {
    expect(tieOf(the(page, 'img'))).toEqual({
      element: [1, 0, 0, 0],
      range: the(page, 'img').range,
      trail: ['ul.one', 'li', 'img'],
    });
  });

  it('is none for the whole page, its head, and what stands nowhere', () => {
    for (const tag of ['html', 'head', 'body', 'title']) expect(tieOf(the(page, tag))).toBeNull();
    expect(tieOf(null)).toBeNull();
    expect(tieOf(the(parsePage('<table><tr></tr></table>'), 'tbody'))).toBeNull();
  });
});

describe('a page', () => {
  it('has its elements in order, with their places in the source', () => {
    const html = '\uFEFF<!DOCTYPE html>\n<!-- c --><p ID=x>one <b>two</b> three</p><br>';
    const page = parsePage(html);
    expect(page.doctype).toBe(true);
    expect(page.comments.map(({ start, end }) => html.slice(start, end))).toEqual(['<!-- c -->']);
    expect(page.elements.map(({ tag, index, place }) => `${tag} ${index} ${place}`)).toEqual([
      'html 0 0',
      'head 1 0',
      'body 2 1',
      'p 3 0',
      'b 4 0',
      'br 5 1',
    ]);
    const p = the(page, 'p');
    const slice = (range: { start: number; end: number } | null) => range && html.slice(range.start, range.end);
    expect([slice(p.range), slice(p.open), slice(p.close)]).toEqual([
      '<p ID=x>one <b>two</b> three</p>',
      '<p ID=x>',
      '</p>',
    ]);
    expect(p.texts.map(({ value }) => value)).toEqual(['one ', ' three']);
    expect(p.texts.map(({ range }) => slice(range))).toEqual(['one ', ' three']);
    expect([textOf(p), textOf(the(page, 'b')), textOf(the(page, 'br'))]).toEqual(['one two three', 'two', '']);
    const br = the(page, 'br');
    expect([slice(br.open), br.close]).toEqual(['<br>', null]);
    expect([the(page, 'html').range, the(page, 'html').open]).toEqual([null, null]);
    expect([...ancestors(the(page, 'b'))].map(({ tag }) => tag)).toEqual(['p', 'body', 'html']);
    expect([...descendants(the(page, 'body'))].map(({ tag }) => tag)).toEqual(['p', 'b', 'br']);
    expect(placeOf(br)).toBe(br.range);
    expect(() => placeOf(the(page, 'html'))).toThrow('place of <html> in the source');
    expect(parsePage('<p>').doctype).toBe(false);
  });

  it.each([
    ['a="x&amp;y"', 'x&y', '"', 'x&amp;y'],
    ["a='x'", 'x', "'", 'x'],
    ['a=x', 'x', '', 'x'],
    ['a', '', 'none', ''],
    ['a = \n "x"', 'x', '"', 'x'],
    ['a\t=\tx', 'x', '', 'x'],
    ['a=""', '', '"', ''],
    ['A="x"', 'x', '"', 'x'],
  ])('reads the attribute %s', (written, value, quote, within) => {
    const html = `<p b ${written}>x</p>`;
    const attribute = the(parsePage(html), 'p').attributes[1];
    expect(attribute).toMatchObject({ name: 'a', value, quote });
    const slice = (range?: { start: number; end: number }) => range && html.slice(range.start, range.end);
    expect([slice(attribute?.range), slice(attribute?.valueRange)]).toEqual([written, within]);
  });

  it('reads attributes of odd names, and of other languages', () => {
    const page = parsePage('<p =x="1" b==2></p><svg><use xlink:href="#a"></use><template><g></g></template></svg>');
    const [odd, double] = the(page, 'p').attributes;
    expect([odd?.name, odd?.value, double?.name, double?.value]).toEqual(['=x', '1', 'b', '=2']);
    expect(valueOf(the(page, 'use'), 'xlink:href')).toBe('#a');
    expect(the(page, 'g').parent?.tag).toBe('template');
  });

  it('looks into templates, and takes what noscript holds for elements', () => {
    const page = parsePage('<template><b>x</b></template><noscript><i>y</i></noscript>');
    expect(page.elements.map(({ tag }) => tag)).toEqual(['html', 'head', 'template', 'b', 'noscript', 'body', 'i']);
  });
});
