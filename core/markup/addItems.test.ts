import { describe, expect, it } from 'vitest';
import { addItems, freshItems, separatorOf } from './addItems.ts';
import { parsePage } from './document.ts';
import { galleryIn, listOf, onGallery, shot } from './edited.fixture.ts';
import type { NewItem } from './write.ts';

const item = (name: string, more: Partial<NewItem> = {}): NewItem => ({
  src: `t/${name}.jpg`,
  href: `${name}.jpg`,
  alt: name,
  title: '',
  caption: '',
  ...more,
});
const NAMES = ['a', 'b', 'c'];
const shots = (...names: string[]) => names.map((name) => shot(name));
const added = (html: string, items: readonly NewItem[], at?: number) =>
  onGallery(html, (page, gallery) => addItems(page, gallery, items, at));

describe('new items', () => {
  it.each([
    [undefined, ['a', 'b', 'c', 'x', 'y']],
    [3, ['a', 'b', 'c', 'x', 'y']],
    [9, ['a', 'b', 'c', 'x', 'y']],
    [2, ['a', 'b', 'x', 'y', 'c']],
    [1, ['a', 'x', 'y', 'b', 'c']],
    [0, ['x', 'y', 'a', 'b', 'c']],
  ])('come to place %s', (at, names) => {
    expect(added(listOf(shots(...NAMES)), [item('x'), item('y')], at)).toBe(listOf(shots(...names)));
  });

  it('count on where their neighbours count', () => {
    const counted = (n: number, name: string) => shot(name).replace('<a ', `<a data-at="p${n}" `);
    expect(added(listOf([counted(1, 'a'), counted(2, 'b')]), [item('x'), item('y')])).toBe(
      listOf([counted(1, 'a'), counted(2, 'b'), counted(3, 'x'), counted(4, 'y')]),
    );
    expect(added(listOf([counted(1, 'a'), counted(2, 'b')]), [item('x')], 1)).toContain(
      `  <li>${counted(2, 'x')}</li>`,
    );
  });

  it('have sizes where they are known, and none of their neighbour’s', () => {
    const sized = NAMES.map((name, n) => shot(name, ` width="${6 + n}" height="${4 + n}"`));
    const html = listOf(sized);
    expect(added(html, [item('x', { width: 60, height: 40 }), item('y')])).toBe(
      listOf([...sized, shot('x', ' width="60" height="40"'), shot('y')]),
    );
  });

  it('have the words of their slots, and nothing where there is nothing to say', () => {
    const worded = (name: string, title: string, caption: string) =>
      `<a href="${name}.jpg" title="${title}"><img src="t/${name}.jpg" alt="${name}"></a><p>${caption}</p>`;
    const html = listOf([worded('a', 'Ta', 'Ca'), worded('b', 'Tb', 'Cb')]);
    expect(added(html, [item('x', { title: 'T "x"', caption: 'C & x' }), item('y')])).toBe(
      listOf([
        worded('a', 'Ta', 'Ca'),
        worded('b', 'Tb', 'Cb'),
        worded('x', 'T &quot;x&quot;', 'C &amp; x'),
        worded('y', '', ''),
      ]),
    );
  });

  it('stand as most of their neighbours do, in the line breaks of the page', () => {
    for (const eol of ['\n', '\r\n']) {
      expect(added(listOf(shots('a'), eol).replace('<li>', '<li class="shot">'), [item('x')])).toContain(
        `${eol}  <li class="shot">${shot('x')}</li>${eol}`,
      );
    }
    const figures = (names: string[], between: string) =>
      `<body><div>${names.map((name) => `<figure>${shot(name)}</figure>`).join(between)}</div></body>`;
    expect(added(figures(NAMES, ''), [item('x')])).toBe(figures([...NAMES, 'x'], ''));
    expect(added(figures(NAMES, '\n\n'), [item('x')], 1)).toBe(figures(['a', 'x', 'b', 'c'], '\n\n'));
  });

  it('are refused where the source is not sound, or there is no picture to write by', () => {
    const broken = listOf(shots(...NAMES)).replace('</a></li>', '</li>');
    expect(added(broken, [item('x')])).toMatch(/^Line \d+: .* Fix this first; until then items cannot be added/);
  });
});

describe('rows', () => {
  const cell = (name: string) => `<td>${shot(name)}</td>`;
  const table = (rows: string[][], between = '\n') =>
    `<body>\n<table>\n${rows.map((row) => `<tr>\n  ${row.map(cell).join('\n  ')}\n</tr>`).join(between)}\n</table>\n</body>\n`;

  it.each([
    [
      [['a', 'b'], ['c']],
      ['x'],
      [
        ['a', 'b'],
        ['c', 'x'],
      ],
    ],
    [
      [['a', 'b'], ['c']],
      ['x', 'y', 'z'],
      [
        ['a', 'b'],
        ['c', 'x'],
        ['y', 'z'],
      ],
    ],
    [
      [
        ['a', 'b'],
        ['c', 'd'],
      ],
      ['x'],
      [['a', 'b'], ['c', 'd'], ['x']],
    ],
    [
      [
        ['a', 'b'],
        ['c', 'd'],
      ],
      ['x', 'y', 'z'],
      [['a', 'b'], ['c', 'd'], ['x', 'y'], ['z']],
    ],
  ])('%j with %j are %j', (before, more, after) => {
    expect(
      added(
        table(before),
        more.map((name) => item(name)),
      ),
    ).toBe(table(after));
    expect(
      added(
        table(before, '\n\n'),
        more.map((name) => item(name)),
      ),
    ).toBe(table(after, '\n\n'));
  });

  it('of unequal length are not filled up, and one row is none', () => {
    const uneven = [['a'], ['b', 'c'], ['d', 'e']];
    expect(added(table(uneven), [item('x')])).toBe(table([['a'], ['b', 'c'], ['d', 'e', 'x']]));
    expect(added(table([['a', 'b', 'c']]), [item('x')])).toBe(table([['a', 'b', 'c', 'x']]));
  });
});

describe('what stands between items', () => {
  const separator = (html: string) => {
    const page = parsePage(html);
    return separatorOf(page, galleryIn(page));
  };

  it('is what stands there most often', () => {
    const lines = shots('a', 'b', 'c', 'd').map((one) => `<p>${one}</p>`);
    const between = (...all: string[]) => `<body>${lines.map((line, n) => line + (all[n] ?? '')).join('')}</body>`;
    expect(separator(between('\n', '\n\n', '\n\n'))).toBe('\n\n');
    expect(separator(between('\n', '\n', '\n\n'))).toBe('\n');
    expect(separator(between('\n\t', '\n\t', ''))).toBe('\n\t');
  });

  it('is a new line as far in as the item, where there is only one', () => {
    expect(separator(`<body>\n    <p>${shot('a')}</p></body>`)).toBe('\n    ');
    expect(separator(`<body>\r\n\t<p>${shot('a')}</p></body>`)).toBe('\r\n\t');
    expect(separator(`<body><p>${shot('a')}</p></body>`)).toBe('\n');
  });
});

describe('items written anew', () => {
  it('have the separators of the others, and none around', () => {
    const page = parsePage(listOf(shots(...NAMES)));
    expect(freshItems(page, galleryIn(page), [item('x'), item('y')])).toEqual({
      ok: true,
      text: `<li>${shot('x')}</li>\n  <li>${shot('y')}</li>`,
    });
    expect(freshItems(page, galleryIn(page), [item('x')])).toEqual({ ok: true, text: `<li>${shot('x')}</li>` });
  });
});
