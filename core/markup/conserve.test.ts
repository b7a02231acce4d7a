/** What a change of a page does is told from the page; nothing else goes, comes or moves without a word. */
import { describe, expect, it } from 'vitest';
import { unstated, type Part } from './conserve.ts';
import { parsePage } from './document.ts';

const ALL: Part[] = ['tags', 'attributes', 'words', 'comments', 'code'];
const told = (before: string, after: string, stated: Parameters<typeof unstated>[1] = {}) => {
  const found = unstated([{ before: parsePage(before), after: parsePage(after) }], stated);
  return found && `${found.kind}: ${found.says}`;
};

describe('a page', () => {
  const PAGE = '<p class="a">One two</p><!-- x --><ul><li>three</li><li id="l">four</li></ul><script>five()</script>';

  it.each<[string, (page: string) => string, Part, string | null, string | null]>([
    ['an attribute', (page) => page.replace(' id="l"', ''), 'attributes', 'vanished: id="l" of <li>', null],
    ['a word', (page) => page.replace(' two', ''), 'words', 'vanished: two', null],
    ['a comment', (page) => page.replace('<!-- x -->', ''), 'comments', 'vanished: <!-- x -->', null],
    ['a script', (page) => page.replace('five', 'six'), 'code', 'vanished: five', 'appeared: six'],
    ['a tag', (page) => page.replace('<p class="a">One two</p>', 'One two<p class="a"></p>'), 'tags', null, null],
    [
      'a value',
      (page) => page.replace('"a"', '"b"'),
      'attributes',
      'vanished: class="a" of <p>',
      'appeared: class="b" of <p>',
    ],
  ])('tells %s', (_what, change, part, vanished, appeared) => {
    const after = change(PAGE);
    if (vanished) expect(told(PAGE, after)).toBe(vanished);
    if (appeared) expect(told(PAGE, after, { takes: [part] })).toBe(appeared);
    if (vanished) expect(told(PAGE, after, { takes: [part], gives: [part] })).toBeNull();
    expect(told(PAGE, PAGE)).toBeNull();
  });

  it('tells what has moved, but not which of several alike is gone', () => {
    expect(told('<p>one</p><p>two</p>', '<p>two</p><p>one</p>')).toMatch(/^moved/);
    expect(told('<p>one</p><p>two</p>', '<p>two</p><p>one</p>', { moves: true })).toBeNull();
    expect(told('<p>one</p><p>two</p><p>one</p>', '<p>two</p><p>one</p>', { takes: ALL })).toBeNull();
    expect(told('<p>two</p>', '<p>one</p><p>two</p><p>one</p>', { gives: ALL })).toBeNull();
  });

  it('tells what another edit than the one meant has done', () => {
    // A quote that is not written right takes in what follows.
    const before = '<p><img alt="x" src="a.jpg"> <b>Sold</b></p><p title="y">z</p>';
    expect(told(before, before.replace('alt="x"', 'alt="it"s"'), { takes: ['attributes'] })).toMatch(/^appeared/);
    expect(told(before, before.replace('a.jpg"', 'a.jpg'), { takes: ['attributes'], gives: ['attributes'] })).toBe(
      'vanished: <b>',
    );
  });

  it('does not take a word that is only parted or joined for another one', () => {
    const [parted, joined] = ['<p>表示<a href="x">パネル</a>を</p>', '<p>表示パネルを</p>'];
    expect(told(parted, joined, { takes: ['tags', 'attributes'] })).toBeNull();
    expect(told(joined, parted, { gives: ['tags', 'attributes'] })).toBeNull();
    expect(told(parted, '<p>表示パネル</p>', { takes: ['tags', 'attributes'] })).toMatch(/^vanished/);
  });

  it('lets a whole page go where that is stated, but nothing of the others', () => {
    const [page, other] = ['<p>one</p>', '<p>two</p><p>three</p>'].map((text) => parsePage(text));
    const left = parsePage('<p>two</p>');
    const gone = { before: page ?? null, after: null };
    expect(unstated([gone], { pages: true })).toBeNull();
    expect(unstated([gone], {})).toMatchObject({ kind: 'vanished' });
    const both = [gone, { before: other ?? null, after: left }];
    expect(unstated(both, { pages: true })).toMatchObject({ kind: 'vanished', page: 1 });
  });

  it('counts what goes from one page to another', () => {
    const [one, other] = ['<p>one</p><p>two</p>', '<p>three</p>'].map((text) => parsePage(text));
    const [without, behind] = ['<p>one</p>', '<p>three</p><p>two</p>'].map((text) => parsePage(text));
    const both = [
      { before: one ?? null, after: without ?? null },
      { before: other ?? null, after: behind ?? null },
    ];
    expect(unstated(both, { moves: true })).toBeNull();
    expect(unstated(both.slice(0, 1), { moves: true })).toMatchObject({ kind: 'vanished' });
  });
});
