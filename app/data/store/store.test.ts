/** What a store promises, of each that there is. */
import 'fake-indexeddb/auto';
import { openDB } from 'idb';
import { beforeEach, describe, expect, it } from 'vitest';
import type { Change, FileContent } from '~core/site/index.ts';
import { newSite } from '../intake/newSite';
import { openStore } from './idbStore';
import { memoryStore } from './memoryStore';
import type { SiteRecord } from './records';
import { MOST_HAND_OVERS, type Store } from './store';

const START: [string, FileContent][] = [
  ['a.html', { kind: 'text', text: 'one two' }],
  ['p.jpg', { kind: 'binary', hash: 'h1', bytes: 1 }],
];
const FACTS = {
  width: 3,
  height: 2,
  orientation: 1,
  likeness: '0',
  mean: [1, 2, 3] as [number, number, number],
  luma: { width: 0, height: 0, data: new Uint8Array() },
  words: {},
};
const edit = (start: number, end: number, text: string): Change => ({
  label: `to ${text}`,
  files: [{ kind: 'edit', path: 'a.html', edits: [{ start, end, text }] }],
});
const putPicture = (hash: string, before: string): Change => ({
  label: `make ${hash}`,
  files: [
    {
      kind: 'put',
      path: 'p.jpg',
      before: { kind: 'binary', hash: before, bytes: 1 },
      after: { kind: 'binary', hash, bytes: 1 },
    },
  ],
});

const STORES: [string, () => Promise<Store>][] = [
  ['in the browser’s database', () => openStore()],
  ['in memory', () => Promise.resolve(memoryStore())],
];

describe.each(STORES)('the store %s', (_where, open) => {
  let store: Store;
  let site: SiteRecord;
  const textNow = () => store.readFile(site.id, 'a.html');
  const headNow = async () => (await store.readSite(site.id))?.head;

  beforeEach(async () => {
    store = await open();
    for (const one of await store.listSites()) await store.removeSite(one.id);
    await store.sweepBlobs();
    site = newSite('Kites', new Map(START));
    await store.saveBlobs(new Map([['h1', new Blob(['x'])]]));
    await store.addSite(site, new Map(START));
  });

  it('keeps what was typed of each file until it is taken away, or the site goes', async () => {
    const typed = (path: string, text: string) => ({
      siteId: site.id,
      path,
      before: 'one two',
      steps: [[{ start: 0, end: 0, text }]],
    });
    await store.saveTyping(typed('a.html', 'x'));
    await store.saveTyping(typed('b.html', 'y'));
    await store.saveTyping(typed('a.html', 'xx'));
    const kept = async () => (await store.readTyping(site.id)).map(({ path, steps }) => [path, steps[0]?.[0]?.text]);
    expect((await kept()).sort()).toEqual([
      ['a.html', 'xx'],
      ['b.html', 'y'],
    ]);
    await store.removeTyping(site.id, 'a.html');
    expect(await kept()).toEqual([['b.html', 'y']]);
    await store.removeSite(site.id);
    expect(await kept()).toEqual([]);
  });

  it('goes back and forth across files and gives up what was undone when something new is done', async () => {
    await store.writeChange(site.id, edit(0, 3, 'ONE'));
    await store.writeChange(site.id, { label: 'rename', files: [{ kind: 'rename', path: 'p.jpg', to: 'q.jpg' }] });
    expect([...(await store.readFiles(site.id)).keys()].sort()).toEqual(['a.html', 'q.jpg']);
    await store.stepJournal(site.id, 'undo');
    await store.stepJournal(site.id, 'undo');
    expect(await store.readFiles(site.id)).toEqual(new Map(START));
    await store.stepJournal(site.id, 'redo');
    expect(await textNow()).toEqual({ kind: 'text', text: 'ONE two' });
    await store.writeChange(site.id, edit(4, 7, 'TWO'));
    expect((await store.readJournal(site.id)).map(({ number, change }) => [number, change.label])).toEqual([
      [1, 'to ONE'],
      [2, 'to TWO'],
    ]);
    await store.stepJournal(site.id, 'undo');
    await store.stepJournal(site.id, 'undo');
    expect(await textNow()).toEqual({ kind: 'text', text: 'one two' });
    expect(await store.stepJournal(site.id, 'undo')).toEqual({ ok: false, reason: 'There is nothing to undo.' });
    await store.stepJournal(site.id, 'redo');
    await store.stepJournal(site.id, 'redo');
    expect(await store.stepJournal(site.id, 'redo')).toEqual({ ok: false, reason: 'There is nothing to redo.' });
  });

  it('tells what it wrote', async () => {
    const written = await store.writeChange(site.id, {
      label: 'take away',
      files: [{ kind: 'put', path: 'p.jpg', before: { kind: 'binary', hash: 'h1', bytes: 1 }, after: null }],
    });
    expect(written).toMatchObject({ ok: true, site: { head: 1, last: 1 }, files: new Map([['p.jpg', null]]) });
    expect(await store.readFile(site.id, 'p.jpg')).toBeNull();
  });

  it('writes nothing of a change of which one part fails', async () => {
    const failed = await store.writeChange(site.id, {
      label: 'half',
      files: [...edit(0, 3, 'ONE').files, { kind: 'rename', path: 'gone', to: 'x' }],
    });
    expect(failed).toEqual({ ok: false, reason: expect.stringContaining('gone') });
    expect(await textNow()).toEqual({ kind: 'text', text: 'one two' });
    expect([await headNow(), await store.readJournal(site.id)]).toEqual([0, []]);
  });

  it('says so when the site is gone', async () => {
    await store.removeSite(site.id);
    const gone = { ok: false, reason: expect.stringContaining('no longer') };
    expect(await store.writeChange(site.id, edit(0, 0, 'x'))).toEqual(gone);
    expect(await store.stepJournal(site.id, 'undo')).toEqual(gone);
    expect([await store.readSite(site.id), await store.nameEntry(site.id, 0, 'x')]).toEqual([null, false]);
    expect((await store.readFiles(site.id)).size).toBe(0);
  });

  it('keeps sites apart, and lists the latest changed first', async () => {
    const other = { ...newSite('Other', new Map(START)), changed: site.changed - 1000 };
    await store.addSite(other, new Map(START));
    expect((await store.listSites()).map(({ name }) => name)).toEqual(['Kites', 'Other']);
    await new Promise((resolve) => setTimeout(resolve, 2));
    await store.writeChange(other.id, edit(0, 3, 'ONE'));
    expect((await store.listSites()).map(({ name }) => name)).toEqual(['Other', 'Kites']);
    expect(await textNow()).toEqual({ kind: 'text', text: 'one two' });
    await store.removeSite(other.id);
    expect((await store.readFiles(site.id)).size).toBe(2);
  });

  it('names points of the journal and takes the names away', async () => {
    await store.writeChange(site.id, edit(0, 3, 'ONE'));
    expect(await store.nameEntry(site.id, 1, 'Before the feast')).toBe(true);
    expect(await store.nameEntry(site.id, 0, 'At first')).toBe(true);
    expect(await store.nameEntry(site.id, 9, 'Nowhere')).toBe(false);
    expect((await store.readJournal(site.id, { from: 1, to: 1 })).map(({ name }) => name)).toEqual([
      'Before the feast',
    ]);
    expect((await store.readSite(site.id))?.beginning).toBe('At first');
    await store.nameEntry(site.id, 0, null);
    await store.nameEntry(site.id, 1, null);
    expect(await store.readSite(site.id)).not.toHaveProperty('beginning');
    expect((await store.readJournal(site.id))[0]).not.toHaveProperty('name');
  });

  it('sweeps contents when nobody names them, and keeps them while an undo or a queue needs them', async () => {
    const blobs = ['h2', 'queued', 'stray'].map((hash) => [hash, new Blob([hash])] as const);
    await store.saveBlobs(new Map(blobs));
    await store.saveAnalyses(new Map([['stray', { facts: FACTS, glance: new Blob(['small']) }]]));
    await store.writeChange(site.id, putPicture('h2', 'h1'));
    const task = { from: 'p.jpg', to: 'q.jpg', as: 'thumbnail', times: 1 } as never;
    await store.saveQueue({
      siteId: site.id,
      tasks: [],
      done: [{ task, source: 'h1', hash: 'queued', bytes: 1 }],
    });
    expect(await store.sweepBlobs()).toBe(1);
    const left = await store.readBlobs(['h1', 'h2', 'queued', 'stray']);
    expect(left.map((blob) => blob !== undefined)).toEqual([true, true, true, false]);
    expect([(await store.readFacts(['stray'])).size, await store.readGlance('stray')]).toEqual([0, undefined]);
    await store.removeQueue(site.id);
    expect([await store.readQueue(site.id), await store.sweepBlobs()]).toEqual([null, 1]);
  });

  it('keeps what was learnt of pictures', async () => {
    await store.saveAnalyses(new Map([['h1', { facts: FACTS, glance: null }]]));
    expect(await store.readFacts(['h1', 'h1', 'unknown'])).toEqual(new Map([['h1', FACTS]]));
    await store.saveGlance(site.id, { pages: 7, pictures: 1, broken: 2, faces: ['h1'] });
    expect((await store.readSite(site.id))?.glance.pages).toBe(7);
  });

  it('gives a site another name, which outlasts its changes', async () => {
    await store.renameSite(site.id, 'Other kites');
    await store.writeChange(site.id, edit(0, 3, 'ONE'));
    await store.stepJournal(site.id, 'undo');
    expect((await store.readSite(site.id))?.name).toBe('Other kites');
    await store.renameSite('gone', 'x');
    expect(await store.readSite('gone')).toBeNull();
  });

  it('keeps what left, the latest first and no more than can be of use', async () => {
    const files = [{ path: 'a.html', content: { kind: 'text' as const, text: 'one' }, withPlace: false }];
    for (let at = 1; at <= MOST_HAND_OVERS + 2; at++) await store.saveHandOver({ siteId: site.id, at, files });
    await store.saveHandOver({ siteId: 'another', at: 1, files: [] });
    const kept = await store.readHandOvers(site.id);
    expect([kept.length, kept[0]?.at, kept.at(-1)?.at]).toEqual([MOST_HAND_OVERS, MOST_HAND_OVERS + 2, 3]);
    expect(kept[0]?.files).toEqual(files);
    await store.removeSite(site.id);
    expect(await store.readHandOvers(site.id)).toEqual([]);
    expect(await store.readHandOvers('another')).toHaveLength(1);
  });

  it('keeps the folder that a site is kept in step with, and what both held', async () => {
    const handle = { kind: 'directory', name: 'kites' } as FileSystemDirectoryHandle;
    const folder = { siteId: site.id, handle, inStep: null, takesIn: false, saves: true, withNotes: false };
    expect(await store.readFolder(site.id)).toBeNull();
    await store.saveFolder(folder);
    expect(await store.readFolder(site.id)).toEqual(folder);
    const content = { kind: 'text' as const, text: 'one two' };
    const one = { content, modified: 5, size: 7 };
    await store.saveAgreed(
      site.id,
      new Map([
        ['a.html', one],
        ['b.html', one],
      ]),
    );
    await store.saveAgreed(site.id, new Map([['a.html', null]]));
    expect(await store.readAgreed(site.id)).toEqual(new Map([['b.html', { siteId: site.id, path: 'b.html', ...one }]]));
    await store.removeFolder(site.id);
    expect([await store.readFolder(site.id), (await store.readAgreed(site.id)).size]).toEqual([null, 0]);
  });

  it('keeps a saving that was begun until it ends, and forgets both with the site', async () => {
    const saving = { began: 3, files: [{ path: 'a.html', before: null, after: { kind: 'text' as const, text: 'x' } }] };
    await store.saveSaving(site.id, saving);
    expect(await store.readSaving(site.id)).toEqual({ siteId: site.id, ...saving });
    await store.saveSaving(site.id, null);
    expect(await store.readSaving(site.id)).toBeNull();
    await store.saveSaving(site.id, saving);
    await store.saveAgreed(
      site.id,
      new Map([['a.html', { content: saving.files[0]!.after, modified: null, size: 1 }]]),
    );
    await store.removeSite(site.id);
    expect([await store.readSaving(site.id), (await store.readAgreed(site.id)).size]).toEqual([null, 0]);
  });

  it('keeps whether pages may ask outside, and takes it back', async () => {
    await store.allowOutside(site.id, true);
    expect((await store.readSite(site.id))?.outside).toBe(true);
    await store.writeChange(site.id, edit(0, 3, 'ONE'));
    expect((await store.readSite(site.id))?.outside).toBe(true);
    await store.allowOutside(site.id, false);
    expect(await store.readSite(site.id)).not.toHaveProperty('outside');
    await store.allowOutside('gone', true);
    expect(await store.readSite('gone')).toBeNull();
  });
});

describe('a record in the browser’s database that an older version wrote', () => {
  it('keeps the date of a photograph, which stood under another name', async () => {
    const store = await openStore();
    const database = await openDB('heathmoor');
    await database.put('facts', { ...FACTS, taken: '2024-05-11T10:33:44' }, 'of old');
    expect((await store.readFacts(['of old'])).get('of old')).toEqual({ ...FACTS, takenAt: '2024-05-11T10:33:44' });
    await database.delete('facts', 'of old');
    database.close();
  });
});
