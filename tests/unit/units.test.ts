/** What an item is, as the author says it: remembered, kept through work, and taken back. */
import { describe, expect, it } from 'vitest';
import { addressIn } from '../../core/markup/index.ts';
import { planFor, unitChoices } from '../../core/plans/index.ts';
import { NOTES_FILE, type SiteFiles } from '../../core/site/index.ts';
import { after, read, siteOf, textAt } from './sites.ts';

const item = (n: string) => `<a href="l/${n}.jpg"><img src="s/${n}.jpg" alt="${n}"></a>`;
const page = (body: string) =>
  `<!DOCTYPE html>\n<html lang="en">\n<head><title>Kites</title></head>\n<body>\n${body}\n</body>\n</html>\n`;
/** Two pictures in each box: read as a gallery of four, meant as one of two. */
const BOXES = page(
  `<div class="wall">\n${[
    ['a', 'b'],
    ['c', 'd'],
  ]
    .map(([one, two]) => `<div class="box">${item(one!)}${item(two!)}</div>`)
    .join('\n')}\n</div>`,
);
const PROSE = page(
  ['a', 'b', 'c']
    .map(
      (n) =>
        `<p class="tale">${'Long ago on the moor a kite was flown. '.repeat(8)}<img src="s/${n}.jpg" alt="${n}"></p>`,
    )
    .join('\n'),
);
const shown = (files: SiteFiles, path = 'kites.html') =>
  read(files)
    .pages.find((one) => one.path === path)!
    .galleries.map(({ items }) => items.map(addressIn));
const say = (selector: string, gallery: boolean | null) => ({
  kind: 'set-units' as const,
  page: 'kites.html',
  selector,
  gallery,
});

describe('the choices at a picture', () => {
  it('go from the picture outwards, with how many items each would make', () => {
    const kites = read(siteOf({ 'kites.html': BOXES })).pages[0]!;
    expect(unitChoices(kites, BOXES.indexOf('s/a.jpg')).map(({ says, items, now }) => [says, items, now])).toEqual([
      ['<img>', 4, false],
      ['<a>', 4, true],
      ['<div class="box">', 2, false],
      ['<div class="wall">', 1, false],
    ]);
    expect(unitChoices(kites, BOXES.indexOf('<title>'))).toEqual([]);
  });
});

describe('what is said', () => {
  it('makes items of other elements, and the page is not changed', () => {
    const files = siteOf({ 'kites.html': BOXES });
    expect(shown(files)).toEqual([['s/a.jpg', 's/b.jpg', 's/c.jpg', 's/d.jpg']]);
    const next = after(files, say('div.box', true));
    expect(shown(next)).toEqual([['s/a.jpg', 's/c.jpg']]);
    expect(textAt(next, 'kites.html')).toBe(BOXES);
    expect(JSON.parse(textAt(next, NOTES_FILE))).toMatchObject({
      units: [{ page: 'kites.html', selector: 'div.box', gallery: true }],
    });
  });

  it('makes a gallery of pictures in prose, or none of what looked like one', () => {
    const tales = after(siteOf({ 'kites.html': PROSE }), say('p.tale', true));
    expect(shown(siteOf({ 'kites.html': PROSE }))).toEqual([]);
    expect(shown(tales)).toEqual([['s/a.jpg', 's/b.jpg', 's/c.jpg']]);
    expect(shown(after(siteOf({ 'kites.html': BOXES }), say('div.wall', false)))).toEqual([]);
  });

  it('is kept when items come, go and move', () => {
    const told = after(siteOf({ 'kites.html': BOXES }), say('div.box', true));
    const moved = after(told, { kind: 'move-item', strand: 'kites.html#0.0', to: 1 });
    expect(shown(moved)).toEqual([['s/c.jpg', 's/a.jpg']]);
    expect(textAt(moved, 'kites.html')).toContain(
      `<div class="box">${item('c')}${item('d')}</div>\n<div class="box">${item('a')}${item('b')}</div>`,
    );
  });

  it('is kept when the page is renamed or copied from', () => {
    const told = after(siteOf({ 'kites.html': BOXES }), say('div.box', true));
    const renamed = after(told, { kind: 'rename', from: 'kites.html', to: 'wall.html' });
    expect(shown(renamed, 'wall.html')).toEqual([['s/a.jpg', 's/c.jpg']]);
  });

  it('takes the place of what was said of the same pictures, and can be taken back', () => {
    const once = after(siteOf({ 'kites.html': BOXES }), say('div.box', true));
    const twice = after(once, say('div.wall', false));
    expect(shown(twice)).toEqual([]);
    const back = after(twice, say('div.wall', null));
    expect(shown(back)).toEqual([['s/a.jpg', 's/b.jpg', 's/c.jpg', 's/d.jpg']]);
  });
});

it.each([
  ['what is not there', say('li.gone', true), /No element of kites\.html is “li\.gone”/],
  ['what holds no picture', say('title', true), /no item with a picture/],
  ['to take back what was not said', say('div.box', null), /Nothing was said/],
  ['no selector at all', say('div..box', true), /.+/],
] as const)('refuses %s', (_says, intent, reason) => {
  const planned = planFor(read(siteOf({ 'kites.html': BOXES })), intent);
  expect(planned).toMatchObject({ ok: false, reason: expect.stringMatching(reason) as string });
});
