/** One bad record spoils only itself: the rest of a site is read and written, and what is bad is named and kept. */
import 'fake-indexeddb/auto';
import { deleteDB, openDB } from 'idb';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Change, FileContent } from '~core/site/index.ts';
import { newSite } from '../intake/newSite';
import type { SiteRecord } from './records';
import { textsIn } from './setAside';
import type { Store } from './store';

const START: [string, FileContent][] = [
  ['a.html', { kind: 'text', text: 'one two' }],
  ['b.html', { kind: 'text', text: 'three' }],
  ['p.jpg', { kind: 'binary', hash: 'h1', bytes: 1 }],
];
const edit = (path: string, text: string): Change => ({
  label: `begin ${path} with ${text}`,
  files: [{ kind: 'edit', path, edits: [{ start: 0, end: 0, text }] }],
});

let store: Store;
let site: SiteRecord;

/** The module keeps one store; each test begins with its own. */
async function freshStore(): Promise<Store> {
  vi.resetModules();
  const { openStore } = await import('./idbStore');
  return openStore('damaged');
}

beforeEach(async () => {
  await deleteDB('damaged');
  store = await freshStore();
  site = newSite('Kites', new Map(START));
  await store.saveBlobs(new Map([['h1', new Blob(['x'])]]));
  await store.addSite(site, new Map(START));
  await store.writeChange(site.id, edit('a.html', '1'));
  await store.writeChange(site.id, edit('a.html', '2'));
});

async function spoil(
  name: 'sites' | 'files' | 'journal' | 'queues' | 'blobs' | 'typing',
  value: unknown,
  key?: string,
) {
  const database = await openDB('damaged');
  await (key === undefined ? database.put(name, value) : database.put(name, value, key));
  database.close();
}

const says = async () => (await store.readAside(site.id)).map((one) => `${one.kind} ${one.name}`);

describe('a site opens without', () => {
  it('nothing, where nothing is bad', async () => {
    expect(await store.readAside(site.id)).toEqual([]);
  });

  it('a junk file, which is named, makes room, and is kept', async () => {
    const junk = { siteId: site.id, path: 'b.html', modified: 'never', content: 7, words: 'h1' };
    await spoil('files', junk);
    expect([...(await store.readFiles(site.id)).keys()].sort()).toEqual(['a.html', 'p.jpg']);
    expect(await store.readFile(site.id, 'b.html')).toBeNull();
    expect(await store.readAside(site.id)).toEqual([
      { kind: 'file', name: 'b.html', says: expect.stringContaining('b.html cannot be read'), record: junk },
    ]);
    const put: Change = {
      label: 'new',
      files: [{ kind: 'put', path: 'b.html', before: null, after: { kind: 'text', text: 'new' } }],
    };
    expect(await store.writeChange(site.id, put)).toMatchObject({ ok: true });
    expect(await store.readAside(site.id)).toMatchObject([{ kind: 'file', name: 'b.html', record: junk }]);
    expect(await store.readFile(site.id, 'b.html')).toEqual({ kind: 'text', text: 'new' });
  });

  it('a junk step: what came after it is undone, it itself is not, and new steps go on', async () => {
    const junk = { siteId: site.id, number: 1, change: null };
    await spoil('journal', junk);
    expect(await says()).toEqual(['step 1']);
    expect((await store.readJournal(site.id)).map(({ number }) => number)).toEqual([2]);
    expect(await store.stepJournal(site.id, 'undo')).toMatchObject({ ok: true, site: { head: 1 } });
    expect(await store.stepJournal(site.id, 'undo')).toEqual({
      ok: false,
      reason: expect.stringContaining('Step 1 of the history cannot be read'),
    });
    expect(await store.writeChange(site.id, edit('a.html', '3'))).toMatchObject({ ok: true, site: { head: 2 } });
    expect(await says()).toEqual(['step 1']);
  });

  it('a junk step that was undone: something new takes its place, and it is kept', async () => {
    await store.stepJournal(site.id, 'undo');
    const junk = { siteId: site.id, number: 2, change: 'h1' };
    await spoil('journal', junk);
    await store.writeChange(site.id, edit('a.html', '3'));
    expect(await store.readAside(site.id)).toMatchObject([{ kind: 'step', name: '2', record: junk }]);
    expect((await store.readJournal(site.id)).map(({ change }) => change.label)).toEqual([
      'begin a.html with 1',
      'begin a.html with 3',
    ]);
  });

  it('a junk queue, which another one replaces', async () => {
    const junk = { siteId: site.id, done: 'h9' };
    await spoil('queues', junk);
    expect(await store.readQueue(site.id)).toBeNull();
    await store.saveQueue({ siteId: site.id, tasks: [], done: [] });
    expect(await store.readQueue(site.id)).toEqual({ siteId: site.id, tasks: [], done: [] });
    expect(await store.readAside(site.id)).toMatchObject([{ kind: 'queue', record: junk }]);
  });

  it('what was typed and is junk, or has no file to go to', async () => {
    const junk = { siteId: site.id, path: 'a.html', steps: 'x' };
    await spoil('typing', junk);
    const steps = [[{ start: 0, end: 0, text: 'x' }]];
    await store.saveTyping({ siteId: site.id, path: 'b.html', before: 'three', steps });
    await store.saveTyping({ siteId: site.id, path: 'gone.html', before: '', steps });
    expect((await store.readTyping(site.id)).map(({ path }) => path)).toEqual(['b.html', 'gone.html']);
    expect(await says()).toEqual(['typing a.html', 'typing gone.html']);
    expect((await store.readAside(site.id))[0]).toMatchObject({ record: junk });
  });

  it('what the shelf knows of it: it is listed with what can be read, and goes on', async () => {
    const junk = { id: site.id, name: 'Kites', changed: 'yesterday', token: 4 };
    await spoil('sites', junk);
    const [listed] = await store.listSites();
    expect(listed).toMatchObject({ id: site.id, name: 'Kites', head: 2, last: 2 });
    expect((await store.readSite(site.id))?.token).toBe((await store.readSite(site.id))?.token);
    expect(await says()).toEqual([`site ${site.id}`]);
    expect(await store.stepJournal(site.id, 'undo')).toMatchObject({ ok: true, site: { head: 1, last: 2 } });
    expect(await store.readAside(site.id)).toMatchObject([{ kind: 'site', record: junk }]);
  });

  it('a content that is missing, or is none', async () => {
    await spoil('blobs', 'not a blob', 'h1');
    expect(await store.readBlobs(['h1'])).toEqual([undefined]);
    const database = await openDB('damaged');
    await database.delete('blobs', 'h1');
    database.close();
    expect(await says()).toEqual(['content p.jpg']);
  });

  it('goes with all of its records when it is removed', async () => {
    await spoil('queues', { siteId: site.id, done: 'h9' });
    await store.saveQueue({ siteId: site.id, tasks: [], done: [] });
    await store.removeSite(site.id);
    const database = await openDB('damaged');
    expect(await database.count('aside')).toBe(0);
    database.close();
  });
});

describe('sweeping', () => {
  it('leaves every content that a record names which nobody can read', async () => {
    const names = ['in a file', 'in a step', 'in a queue', 'nowhere'];
    await store.saveBlobs(new Map(names.map((name) => [name, new Blob([name])])));
    await spoil('files', { siteId: site.id, path: 'b.html', deep: [{ deeper: ['in a file'] }] });
    await spoil('journal', { siteId: site.id, number: 1, change: { hash: 'in a step' } });
    await spoil('queues', { siteId: site.id, done: ['in a queue'] });
    expect(await store.sweepBlobs()).toBe(1);
    const left = await store.readBlobs(names);
    expect(left.map((blob) => blob !== undefined)).toEqual([true, true, true, false]);
  });

  it('finds texts however deep they lie, and in what holds itself', () => {
    const deep: unknown[] = ['bottom'];
    let top: unknown = deep;
    for (let n = 0; n < 100_000; n++) top = [top];
    deep.push(deep);
    expect(textsIn(top)).toEqual(['bottom']);
    expect([textsIn('x'), textsIn(null), textsIn(3)]).toEqual([['x'], [], []]);
  });
});

describe('a store of a newer version', () => {
  it('is read and not written', async () => {
    const newer = await openDB('damaged', 99);
    newer.close();
    store = await freshStore();
    expect(store.newer).toBe(true);
    expect((await store.listSites()).map(({ name }) => name)).toEqual(['Kites']);
    expect((await store.readFiles(site.id)).size).toBe(3);
    expect(await store.readAside(site.id)).toEqual([]);
    await expect(store.writeChange(site.id, edit('a.html', 'x'))).rejects.toThrow('newer version');
    expect(await store.sweepBlobs()).toBe(0);
  });

  it('takes over from one that is open, which tells so', async () => {
    const told = vi.fn();
    store.onGone(told);
    const newer = await openDB('damaged', 99);
    expect(told.mock.calls).toEqual([['taken over']]);
    const late = vi.fn();
    store.onGone(late);
    expect(late.mock.calls).toEqual([['taken over']]);
    newer.close();
  });
});
