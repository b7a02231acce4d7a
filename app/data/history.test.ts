import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import type { Change, FileContent } from '~core/site/index.ts';
import { diffsOf } from './diffs';
import { entryWithFiles, namePoint, readHistory } from './history';
import { newSite } from './intake';
import {
  dropSite,
  keepSite,
  listSites,
  openStore,
  readFiles,
  readSiteRecord,
  stepJournal,
  writeChange,
  type Store,
} from './store';

let db: Store;
let id: string;
const START: [string, FileContent][] = [
  ['a.html', { kind: 'text', text: 'one two' }],
  ['b.html', { kind: 'text', text: 'x' }],
];
const edit = (path: string, start: number, end: number, text: string): Change => ({
  label: `to ${text}`,
  files: [{ kind: 'edit', path, edits: [{ start, end, text }] }],
});
const site = async () => (await readSiteRecord(db, id))!;
const history = async () =>
  (await readHistory(db, await site())).map(({ number, label, name }) => [number, label, name]);

beforeEach(async () => {
  db = await openStore();
  for (const one of await listSites(db)) await dropSite(db, one.id);
  const made = newSite('Kites', new Map(START));
  id = made.id;
  await keepSite(db, made, new Map(START));
});

describe('the history', () => {
  it('lists what was done and keeps names of points', async () => {
    expect(await history()).toEqual([[0, 'The site as it came in', null]]);
    await writeChange(db, id, edit('a.html', 0, 3, 'ONE'));
    await writeChange(db, id, edit('b.html', 0, 1, 'y'));
    expect(await namePoint(db, id, 1, 'Before the feast')).toBe(true);
    expect(await namePoint(db, id, 0, 'As it came')).toBe(true);
    expect(await namePoint(db, id, 9, 'Nowhere')).toBe(false);
    expect(await history()).toEqual([
      [0, 'The site as it came in', 'As it came'],
      [1, 'to ONE', 'Before the feast'],
      [2, 'to y', null],
    ]);
    await namePoint(db, id, 1, null);
    await namePoint(db, id, 0, null);
    expect((await history()).map(([, , name]) => name)).toEqual([null, null, null]);
  });

  it('tells what an entry did, wherever the site stands', async () => {
    await writeChange(db, id, edit('a.html', 0, 3, 'first'));
    await writeChange(db, id, edit('a.html', 0, 5, 'second'));
    await writeChange(db, id, edit('a.html', 0, 6, 'third'));
    const told = async (number: number) => {
      const found = await entryWithFiles(db, await site(), number, await readFiles(db, id));
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
      if (undone < 3) await stepJournal(db, id, 'undo');
    }
    expect(await told(4)).toBeNull();
  });
});
