import 'fake-indexeddb/auto';
import { beforeEach, describe, expect, it } from 'vitest';
import type { Change, FileContent } from '~core/site/index.ts';
import { newSite } from './intake';
import {
  dropSite,
  journalLabels,
  keepBlobs,
  keepSite,
  listSites,
  openStore,
  readFiles,
  readSiteRecord,
  stepJournal,
  sweepBlobs,
  writeChange,
  type Store,
} from './store';

let db: Store;
let id: string;
const START: [string, FileContent][] = [
  ['a.html', { kind: 'text', text: 'one two' }],
  ['p.jpg', { kind: 'binary', hash: 'h1', bytes: 1 }],
];
const edit = (start: number, end: number, text: string): Change => ({
  label: `to ${text}`,
  files: [{ kind: 'edit', path: 'a.html', edits: [{ start, end, text }] }],
});
const text = async () => (await readFiles(db, id)).get('a.html');

beforeEach(async () => {
  db = await openStore();
  for (const site of await listSites(db)) await dropSite(db, site.id);
  const files = new Map(START);
  const site = newSite('Kites', files);
  id = site.id;
  await keepBlobs(db, new Map([['h1', new Blob(['x'])]]));
  await keepSite(db, site, files);
});

describe('the journal', () => {
  it('goes back and forth across files and gives up what was undone when something new is done', async () => {
    await writeChange(db, id, edit(0, 3, 'ONE'));
    await writeChange(db, id, { label: 'rename', files: [{ kind: 'rename', path: 'p.jpg', to: 'q.jpg' }] });
    expect(await journalLabels(db, (await readSiteRecord(db, id))!)).toEqual({ undo: 'rename', redo: null });
    await stepJournal(db, id, 'undo');
    await stepJournal(db, id, 'undo');
    expect(new Map([...(await readFiles(db, id))])).toEqual(new Map(START));
    await stepJournal(db, id, 'redo');
    expect(await text()).toEqual({ kind: 'text', text: 'ONE two' });
    await writeChange(db, id, edit(4, 7, 'TWO'));
    expect(await journalLabels(db, (await readSiteRecord(db, id))!)).toEqual({ undo: 'to TWO', redo: null });
    await stepJournal(db, id, 'undo');
    await stepJournal(db, id, 'undo');
    expect(await text()).toEqual({ kind: 'text', text: 'one two' });
    expect(await stepJournal(db, id, 'undo')).toEqual({ ok: false, reason: 'There is nothing to undo.' });
  });

  it('writes nothing of a change of which one part fails', async () => {
    const failed = await writeChange(db, id, {
      label: 'half',
      files: [...edit(0, 3, 'ONE').files, { kind: 'rename', path: 'gone', to: 'x' }],
    });
    expect(failed).toEqual({ ok: false, reason: expect.stringContaining('gone') });
    expect(await text()).toEqual({ kind: 'text', text: 'one two' });
    expect((await readSiteRecord(db, id))?.head).toBe(0);
  });

  it('says so when the site is gone', async () => {
    await dropSite(db, id);
    expect(await writeChange(db, id, edit(0, 0, 'x'))).toEqual({
      ok: false,
      reason: expect.stringContaining('no longer'),
    });
  });
});

describe('blobs', () => {
  it('are swept when nobody names them, and kept while an undo needs them', async () => {
    await keepBlobs(
      db,
      new Map([
        ['h2', new Blob(['y'])],
        ['stray', new Blob(['z'])],
      ]),
    );
    await writeChange(db, id, {
      label: 'make',
      files: [
        {
          kind: 'put',
          path: 'p.jpg',
          before: { kind: 'binary', hash: 'h1', bytes: 1 },
          after: { kind: 'binary', hash: 'h2', bytes: 1 },
        },
      ],
    });
    await sweepBlobs(db);
    expect((await db.getAllKeys('blobs')).sort()).toEqual(['h1', 'h2']);
  });
});

describe('a record that an older version wrote', () => {
  it('is left alone and not shown', async () => {
    await db.put('sites', { id: 'old' } as never);
    expect((await listSites(db)).map((site) => site.id)).toEqual([id]);
    await db.delete('sites', 'old');
  });
});
