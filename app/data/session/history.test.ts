import { beforeEach, describe, expect, it } from 'vitest';
import type { Change, FileContent } from '~core/site/index.ts';
import { diffsOf } from './diffs';
import { entryWithFiles, journalLabels, readHistory } from './history';
import { newSite } from '../intake/newSite';
import { memoryStore } from '../store/memoryStore';
import type { Store } from '../store/store';

let store: Store;
let id: string;
const START: [string, FileContent][] = [
  ['a.html', { kind: 'text', text: 'one two' }],
  ['b.html', { kind: 'text', text: 'x' }],
];
const edit = (path: string, start: number, end: number, text: string): Change => ({
  label: `to ${text}`,
  files: [{ kind: 'edit', path, edits: [{ start, end, text }] }],
});
const site = async () => {
  const found = await store.readSite(id);
  if (!found) throw new Error('The site is gone.');
  return found;
};
const history = async () =>
  (await readHistory(store, await site())).map(({ number, label, name }) => [number, label, name]);

beforeEach(async () => {
  store = memoryStore();
  const made = newSite('Kites', new Map(START));
  id = made.id;
  await store.addSite(made, new Map(START));
});

describe('the history', () => {
  it('lists what was done and keeps names of points', async () => {
    expect(await history()).toEqual([[0, 'The site as imported', null]]);
    await store.writeChange(id, edit('a.html', 0, 3, 'ONE'));
    await store.writeChange(id, edit('b.html', 0, 1, 'y'));
    expect(await store.nameEntry(id, 1, 'Before the feast')).toBe(true);
    expect(await store.nameEntry(id, 0, 'As it came')).toBe(true);
    expect(await store.nameEntry(id, 9, 'Nowhere')).toBe(false);
    expect(await history()).toEqual([
      [0, 'The site as imported', 'As it came'],
      [1, 'to ONE', 'Before the feast'],
      [2, 'to y', null],
    ]);
    await store.nameEntry(id, 1, null);
    await store.nameEntry(id, 0, null);
    expect((await history()).map(([, , name]) => name)).toEqual([null, null, null]);
  });

  it('says what would be undone and redone next', async () => {
    expect(await journalLabels(store, await site())).toEqual({ undo: null, redo: null });
    await store.writeChange(id, edit('a.html', 0, 3, 'ONE'));
    await store.writeChange(id, edit('b.html', 0, 1, 'y'));
    expect(await journalLabels(store, await site())).toEqual({ undo: 'to y', redo: null });
    await store.stepJournal(id, 'undo');
    expect(await journalLabels(store, await site())).toEqual({ undo: 'to ONE', redo: 'to y' });
  });

  it('tells what an entry did, wherever the site stands', async () => {
    await store.writeChange(id, edit('a.html', 0, 3, 'first'));
    await store.writeChange(id, edit('a.html', 0, 5, 'second'));
    await store.writeChange(id, edit('a.html', 0, 6, 'third'));
    const told = async (number: number) => {
      const found = await entryWithFiles(store, await site(), number, await store.readFiles(id));
      return (
        found &&
        diffsOf(found.change, found.before).map(({ hunks }) =>
          hunks.map(({ removed, added }) => [removed.join(), added.join()]),
        )
      );
    };
    const all = [[[['one two', 'first two']]], [[['first two', 'second two']]], [[['second two', 'third two']]]];
    for (let undone = 0; undone <= 3; undone++) {
      expect([await told(1), await told(2), await told(3)]).toEqual(all);
      if (undone < 3) await store.stepJournal(id, 'undo');
    }
    expect(await told(4)).toBeNull();
  });
});
