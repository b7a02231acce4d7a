import { describe, expect, it } from 'vitest';
import { known } from '../site/index.ts';
import { parsePage } from './document.ts';
import { galleryIn, listOf, onGallery, shot, textAfter, the } from './edited.fixture.ts';
import { cutLine, fenced, moveItem, moveItems, orderItems, removeItem, removeItems } from './items.ts';
import { oddOnes } from './odd.ts';

const shots = (names: string) => [...names].map((name) => shot(name));
const list = (names: string, eol = '\n') => listOf(shots(names), eol);
const removed = (html: string, ...places: number[]) =>
  onGallery(html, (page, gallery) => removeItems(page, gallery, places));

describe('items', () => {
  it.each([
    [[0], 'bcde'],
    [[4], 'abcd'],
    [[2], 'abde'],
    [[0, 1], 'cde'],
    [[3, 4], 'abc'],
    [[4, 0, 2, 2], 'bd'],
    [[0, 1, 2, 3], 'e'],
  ])('%j go with their lines', (places, left) => {
    expect(removed(list('abcde'), ...places)).toBe(list(left));
    expect(removed(list('abcde', '\r\n'), ...places)).toBe(list(left, '\r\n'));
  });

  it('all go', () => {
    expect(removed(list('abc'), 0, 1, 2)).toBe('<body>\n<ul>\n</ul>\n</body>\n');
    expect(removed(list('abc', '\r\n'), 0, 1, 2)).toBe('<body>\r\n<ul>\r\n</ul>\r\n</body>\r\n');
  });

  it('that stand in one line go with the separator between', () => {
    const line = (names: string) => `<body><p>Look: ${shots(names).join(' | ')} there.</p></body>`;
    expect(removed(line('abc'), 1)).toBe(line('ac'));
    expect(removed(line('abc'), 0)).toBe(line('bc'));
    expect(removed(line('abc'), 2)).toBe(line('ab'));
    const close = (names: string) => `<body><p>${shots(names).join('')}</p></body>`;
    expect(removed(close('abc'), 0)).toBe(close('bc'));
  });

  it('move, the separators stay', () => {
    const moved = (from: number[], to: number) =>
      onGallery(list('abcd'), (page, gallery) => moveItems(page, gallery, from, to));
    expect(moved([0], 3)).toBe(list('bcda'));
    expect(moved([3], 0)).toBe(list('dabc'));
    expect(moved([2, 0], 1)).toBe(list('bacd'));
    expect(moved([1, 1], 1)).toBe(list('abcd'));
    expect(onGallery(list('abcd'), (page, gallery) => moveItem(page, gallery, 1, 2))).toBe(list('acbd'));
    expect(onGallery(list('abcd'), (page, gallery) => orderItems(page, gallery, [3, 2, 1, 0]))).toBe(list('dcba'));
    for (const [from, to] of [
      [[], 0],
      [[9], 0],
      [[0], 9],
    ] as const)
      expect(moved([...from], to)).toBe('There is no such place in the gallery.');
  });

  it('that are not there, or are others, are refused', () => {
    expect(removed(list('abc'))).toBe('This item no longer exists.');
    expect(removed(list('abc'), 0, 7)).toBe('This item no longer exists.');
    expect(onGallery(list('abc'), (page, gallery) => removeItem(page, gallery, 3))).toBe('This item no longer exists.');
    for (const order of [
      [0, 1],
      [0, 1, 1],
      [0, 1, 7],
      [0, 1, 2, 3],
    ])
      expect(onGallery(list('abc'), (page, gallery) => orderItems(page, gallery, order))).toBe(
        'The gallery has other items than were put in order.',
      );
  });

  it('of a source that is not sound stay', () => {
    const page = parsePage(list('abc').replace('</a></li>', '</li>'));
    const gallery = galleryIn(page);
    const reason = fenced(page, gallery) ?? '';
    expect(reason).toMatch(/^Line 3: .+\. Fix this first; until then items cannot be added, moved or removed here\.$/);
    expect(textAfter(page, removeItems(page, gallery, [0]))).toBe(reason);
    expect(textAfter(page, orderItems(page, gallery, [2, 1, 0]))).toBe(reason);
    expect(fenced(page, { ...gallery, items: [] })).toBe('The gallery has no items.');
    const sound = parsePage(list('abc'));
    expect(fenced(sound, galleryIn(sound))).toBeNull();
  });
});

describe('a line', () => {
  it.each([
    ['<p>a</p>\n  <b>x</b>\n<p>c</p>', '<p>a</p>\n<p>c</p>'],
    ['<p>a</p>\r\n\t<b>x</b> \t\r\n<p>c</p>', '<p>a</p> \t\r\n<p>c</p>'],
    ['<p>a</p>\n<b>x</b>', '<p>a</p>'],
    ['<b>x</b>\n<p>c</p>', '\n<p>c</p>'],
    ['<p>a</p> <b>x</b>\n', '<p>a</p> \n'],
    ['<p>a</p>\n<b>x</b> c', '<p>a</p>\n c'],
  ])('%j without its element', (html, expected) => {
    const page = parsePage(html);
    const range = known(the(page, 'b').range, 'place');
    expect(textAfter(page, { ok: true, edits: [cutLine(page, range)] })).toBe(expected);
  });
});

describe('what an item lacks', () => {
  const odd = (items: readonly string[]) => {
    const page = parsePage(listOf(items));
    return oddOnes(galleryIn(page)).map(
      ({ item, on, lacks, value, having, element }) =>
        `${item} ${on} ${lacks} ${value} ${having} ${element?.tag ?? 'none'}`,
    );
  };

  it.each<[string, string[], string[]]>([
    ['nothing', shots('abc'), []],
    ['its link', [shot('a'), '<img src="t/b.jpg" alt="b">', shot('c')], ['1 item link null 2 none']],
    ['its caption', [`${shot('a')}<p>A</p>`, `${shot('b')}<p>B</p>`, shot('c')], ['2 item caption null 2 none']],
    ['an attribute of the image', [shot('a', ' id=x'), shot('b', ' id=y'), shot('c')], ['2 image id null 2 img']],
    [
      'one that all others have alike',
      [shot('a').replace('<a', '<a rel="k"'), shot('b'), shot('c').replace('<a', '<a rel="k"')],
      ['1 link rel k 2 a'],
    ],
    ['what too few have', [shot('a', ' id=x'), shot('b'), shot('c')], []],
    ['of two nobody can say', [shot('a', ' id=x'), shot('b')], []],
    [
      'what just enough have',
      [...'abcdef'].map((name, n) => shot(name, n < 4 ? ' x=1' : '')),
      ['4 image x 1 4 img', '5 image x 1 4 img'],
    ],
    ['what a little less than enough have', [...'abcdefg'].map((name, n) => shot(name, n < 4 ? ' x=1' : '')), []],
  ])('%s', (_what, items, lacks) => expect(odd(items)).toEqual(lacks));

  it('on the element around it, told in the order of the items', () => {
    const html = listOf([shot('a', ' x=1'), shot('b'), shot('c', ' x=1')]);
    const page = parsePage(html.replace('<li>', '<li class="k">').replace(/<li>(?=<a href="b)/, '<li class="k">'));
    expect(oddOnes(galleryIn(page)).map(({ item, on, lacks, value }) => `${item} ${on} ${lacks} ${value}`)).toEqual([
      '1 image x 1',
      '2 item class k',
    ]);
  });
});
