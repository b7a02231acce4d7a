/** Written archives against two programs that know nothing of ours (PKWARE APPNOTE 6.3). */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { openZip, writeZip, type ZipSource } from '../../core/pack/index.ts';
import { emptyNotes, readNotes, writeNotes } from '../../core/site/index.ts';

const source = (path: string, text: string): ZipSource => ({
  path,
  modified: new Date('2026-06-20T12:00:00Z'),
  read: () => Promise.resolve(Buffer.from(text)),
});

async function zipped(sources: ZipSource[], signal?: AbortSignal): Promise<Buffer> {
  const pieces: Uint8Array[] = [];
  const into = new WritableStream<Uint8Array>({ write: (piece) => void pieces.push(piece) });
  await writeZip(sources, into, () => undefined, signal);
  return Buffer.concat(pieces);
}

const SOURCES = [
  source('index.html', '<p>Kites</p>'.repeat(400)),
  source('photos/Drachen über dem Moor – 1.jpg', 'pixels'),
  source('leer.txt', ''),
];

describe('writing', () => {
  it('is read by unzip and by Python, names as UTF-8', async () => {
    const file = join(mkdtempSync(join(tmpdir(), 'heathmoor-')), 'site.zip');
    writeFileSync(file, await zipped(SOURCES));
    expect(execFileSync('unzip', ['-t', file], { encoding: 'utf8' })).toContain('No errors detected');
    const script =
      'import sys,zipfile,json\nz=zipfile.ZipFile(sys.argv[1])\nassert z.testzip() is None\nprint(json.dumps([[i.filename,i.file_size,bool(i.flag_bits & 0x800),i.compress_type] for i in z.infolist()]))';
    const listed = JSON.parse(execFileSync('python3', ['-c', script, file], { encoding: 'utf8' })) as [
      string,
      number,
      boolean,
      number,
    ][];
    expect(listed.map(([name, size]) => [name, size])).toEqual([
      ['index.html', 4800],
      ['photos/Drachen über dem Moor – 1.jpg', 6],
      ['leer.txt', 0],
    ]);
    // APPNOTE §4.4.4: bit 11 where the name is not plain ASCII; pictures are stored (0), text deflated (8).
    expect(listed[1]?.[2]).toBe(true);
    expect([listed[0]?.[3], listed[1]?.[3]]).toEqual([8, 0]);
  });

  it('is read back to the byte by our own reader', async () => {
    const opened = await openZip(new Blob([new Uint8Array(await zipped(SOURCES))]));
    if (!opened.ok) throw new Error(opened.reason);
    const contents = await Promise.all(opened.files.map(({ read }) => read()));
    expect(opened.files.map(({ path }) => path)).toEqual(SOURCES.map(({ path }) => path));
    expect(contents.map((one) => one.ok && Buffer.from(one.bytes).toString())).toEqual([
      '<p>Kites</p>'.repeat(400),
      'pixels',
      '',
    ]);
  });

  it('goes on without what is missing, and names it', async () => {
    const gone: ZipSource = { ...source('gone.jpg', ''), read: () => Promise.resolve(null) };
    const into = new WritableStream<Uint8Array>();
    expect(await writeZip([SOURCES[0]!, gone], into, () => undefined)).toEqual(['gone.jpg']);
  });

  it('stops when told to', async () => {
    const stop = new AbortController();
    stop.abort();
    await expect(zipped(SOURCES, stop.signal)).rejects.toThrow();
  });
});

describe('notes', () => {
  it('come back as they were, and wrong ones are told with their place', () => {
    const notes = { format: 1 as const, name: 'Kites', created: '2026-06-20T12:00:00.000Z' };
    expect(readNotes(writeNotes(notes))).toEqual({ ok: true, notes: { ...emptyNotes(), ...notes } });
    expect(readNotes('{"format":2}')).toEqual({
      ok: false,
      reason: expect.stringMatching(/^heathmoor\.json, format:/),
    });
    expect(readNotes('{')).toEqual({ ok: false, reason: 'heathmoor.json is not JSON' });
  });
});
