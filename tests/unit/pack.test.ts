/** Archives against two programs that know nothing of ours (PKWARE APPNOTE 6.3), and against hostile ones. */
import { strToU8, zipSync, type Zippable } from 'fflate';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { readZip, writeZip, type ZipSource } from '../../core/pack/index.ts';
import { emptyNotes, readNotes, writeNotes } from '../../core/site/index.ts';

const source = (path: string, text: string): ZipSource => ({
  path,
  modified: new Date('2026-06-20T12:00:00Z'),
  read: () => Promise.resolve(strToU8(text)),
});

async function zipped(sources: ZipSource[], signal?: AbortSignal): Promise<Uint8Array> {
  const pieces: Uint8Array[] = [];
  await writeZip(
    sources,
    (piece) => pieces.push(piece),
    () => undefined,
    signal,
  );
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
    const read = readZip(await zipped(SOURCES));
    expect(read.ok && read.files.map((file) => [file.path, Buffer.from(file.bytes).toString()])).toEqual([
      ['index.html', '<p>Kites</p>'.repeat(400)],
      ['photos/Drachen über dem Moor – 1.jpg', 'pixels'],
      ['leer.txt', ''],
    ]);
  });

  it('stops when told to', async () => {
    const stop = new AbortController();
    stop.abort();
    await expect(zipped(SOURCES, stop.signal)).rejects.toThrow();
  });
});

describe('reading what others made', () => {
  const refused = (files: Zippable, limits?: Parameters<typeof readZip>[2]) =>
    readZip(zipSync(files), undefined, limits);

  it.each<[string, Zippable]>([
    ['a path that leads out', { '../../etc/passwd': strToU8('x'), 'a.txt': strToU8('y') }],
    ['an absolute path', { '/etc/passwd': strToU8('x') }],
    ['a drive letter', { 'C:\\x.txt': strToU8('x') }],
  ])('refuses %s and names it', (_name, files) => {
    const read = refused(files);
    expect(read.ok).toBe(false);
    if (!read.ok) expect(read.refused[0]?.reason.length).toBeGreaterThan(10);
  });

  it('stops at what unpacks past the limits', () => {
    const limits = { files: 10, fileBytes: 1_000_000, totalBytes: 2_000_000 };
    expect(refused({ 'bomb.txt': new Uint8Array(20_000_000) }, limits)).toMatchObject({
      ok: false,
      reason: expect.stringContaining('unpacks to more than the limit'),
    });
  });

  it('tells an archive that was cut short, or is none', async () => {
    const whole = await zipped(SOURCES);
    for (const length of [whole.length - 10, Math.floor(whole.length / 2), 40])
      expect(readZip(whole.subarray(0, length)), `${length} bytes`).toMatchObject({
        ok: false,
        reason: expect.stringMatching(/cut short|damaged/),
      });
    expect(readZip(strToU8('<html>'))).toMatchObject({ ok: false, reason: expect.stringContaining('not a ZIP') });
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
