import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { differencesOf, type ShownItem, type TakenRow, takenRow, wantedOrder } from './differences.ts';
import type { Listed, ListedPicture } from './mapping.ts';

const row = (full: string, said: ListedPicture['said'] = {}, tags: string[] = []): ListedPicture => ({
  row: 1,
  full,
  thumbnail: `t/${full}`,
  title: '',
  caption: '',
  alt: '',
  tags,
  outside: false,
  said,
});

const item = (full: string, more: Partial<ShownItem> = {}): ShownItem => ({
  strand: `#${full}`,
  full,
  title: null,
  caption: null,
  alt: '',
  tags: [],
  ...more,
});

const ids = (
  pictures: readonly ListedPicture[],
  items: readonly ShownItem[],
  taken: readonly TakenRow[],
  troubles: Listed['troubles'] = [],
) =>
  differencesOf({ pictures: [...pictures], troubles }, items, taken).map(({ id, byHand }) =>
    byHand ? `${id}, by hand` : id,
  );

describe('a gallery beside its list', () => {
  it('lacks what only the list has; what only the page has is its author’s', () => {
    expect(ids([row('a'), row('b')], [item('b'), item('x')], [])).toEqual(['added a']);
  });

  it('loses what the list had and has no more, and keeps out what its author took off', () => {
    const before = ['a', 'b', 'c'].map((full) => takenRow(row(full)));
    expect(ids([row('a'), row('c')], [item('b'), item('c')], before)).toEqual(['added a, by hand', 'removed b']);
  });

  it('loses nothing for a row that cannot be written yet', () => {
    const before = ['a', 'b'].map((full) => takenRow(row(full)));
    const items = [item('a'), item('b')];
    expect(ids([row('a')], items, before, [{ row: 2, says: '', full: 'b' }])).toEqual([]);
    expect(ids([row('a')], items, before, [{ row: 2, says: '', full: null }])).toEqual(['removed b, by hand']);
  });

  it('takes texts that the list says anew, and leaves those that were changed on the page', () => {
    const before = [takenRow(row('a', { alt: 'old', caption: 'old', title: 'old' }))];
    const now = row('a', { alt: 'new', caption: 'new', title: 'old' });
    expect(ids([now], [item('a', { alt: 'old', caption: 'mine', title: 'mine' })], before)).toEqual([
      'caption a, by hand',
      'alt a',
    ]);
  });

  it('asks for no text where the list says none, or where the item has no place for it', () => {
    expect(ids([row('a', { caption: 'c' })], [item('a', { alt: 'x' })], [])).toEqual([]);
  });

  it('is put in another order where the list is, not where its author has done it', () => {
    const [a, b, c] = [row('a'), row('b'), row('c')];
    const items = [item('b'), item('a'), item('c')];
    expect(ids([a, b, c], items, [])).toEqual(['order']);
    expect(ids([a, b, c], items, [a, b, c].map(takenRow))).toEqual([]);
    expect(ids([c, b, a], items, [b, a, c].map(takenRow))).toEqual(['order']);
    expect(ids([c, b, a], items, [a, b, c].map(takenRow))).toEqual(['order, by hand']);
  });

  it('gets the tags that it lacks', () => {
    expect(
      differencesOf({ pictures: [row('a', {}, ['red', 'tall'])], troubles: [] }, [item('a', { tags: ['red'] })], []),
    ).toMatchObject([{ id: 'tags a', tags: ['tall'] }]);
  });
});

describe('its new order', () => {
  const order = (listed: string, items: string, fresh: string, asListed: boolean) =>
    wantedOrder(
      [...listed].map((full) => ({ full })),
      [...items],
      { fresh: new Set(fresh), asListed },
    )
      .map((n) => items[n])
      .join('');

  it('has new ones behind the one that they stand behind in the list', () => {
    expect(order('abcd', 'acdb', 'b', false)).toBe('abcd');
    expect(order('nacd', 'dcan', 'n', false)).toBe('ndca');
    expect(order('abmn', 'bamn', 'mn', false)).toBe('bmna');
  });

  it('is the list’s, with the author’s own behind what they stood behind', () => {
    expect(order('abc', 'cxbya', '', true)).toBe('abycx');
    expect(order('abc', 'xcba', '', true)).toBe('xabc');
  });

  it('has every item once, whatever the list says', () => {
    const letters = fc.array(fc.constantFrom(...'abcdefg'), { maxLength: 9 });
    fc.assert(
      fc.property(letters, letters, letters, fc.boolean(), (listed, items, fresh, asListed) => {
        const places = wantedOrder(
          listed.map((full) => ({ full })),
          items,
          { fresh: new Set(fresh), asListed },
        );
        expect([...places].sort((a, b) => a - b)).toEqual(items.map((_, n) => n));
      }),
    );
  });
});
