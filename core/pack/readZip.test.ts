/** Archives that others made: Python's zipfile, odd ones by PKWARE APPNOTE 6.3, and hostile ones. */
import { zipSync, type Zippable } from 'fflate';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { INTAKE_LIMITS } from '../site/index.ts';
import { openZip } from './readZip.ts';

const text = (words: string) => new TextEncoder().encode(words);
const blobOf = (bytes: Uint8Array) => new Blob([new Uint8Array(bytes)]);
const open = (bytes: Uint8Array, limits?: Parameters<typeof openZip>[1]) => openZip(blobOf(bytes), limits);

async function opened(bytes: Uint8Array) {
  const read = await open(bytes);
  if (!read.ok) throw new Error(`${read.reason} ${JSON.stringify(read.refused)}`);
  return read;
}

/** What each entry gives: its content, or what is said of it. */
async function contents(bytes: Uint8Array): Promise<Record<string, string>> {
  const { files } = await opened(bytes);
  const pairs = await Promise.all(
    files.map(async ({ path, read }) => {
      const content = await read();
      return [path, content.ok ? Buffer.from(content.bytes).toString('latin1') : content.reason] as const;
    }),
  );
  return Object.fromEntries(pairs);
}

/** An archive that Python's zipfile writes; `script` calls methods of `z`. */
function byPython(script: string): Uint8Array {
  const file = join(mkdtempSync(join(tmpdir(), 'heathmoor-')), 'made.zip');
  const whole = `import sys, zipfile\nwith zipfile.ZipFile(sys.argv[1], 'w') as z:\n${script.replace(/^/gm, '  ')}\n`;
  execFileSync('python3', ['-c', whole, file]);
  return readFileSync(file);
}

const CENTRAL = 0x02014b50;
/** Where a signature stands in an archive for the first time. */
function placeOf(bytes: Uint8Array, signature: number): number {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let at = 0; at + 4 <= bytes.length; at++) if (view.getUint32(at, true) === signature) return at;
  throw new Error('not found');
}

function changed(bytes: Uint8Array, change: (view: DataView) => void): Uint8Array {
  const copy = new Uint8Array(bytes);
  change(new DataView(copy.buffer));
  return copy;
}

describe('archives of other programs', () => {
  it('are read with all methods that are usual, and a stored content is a part of the archive', async () => {
    const bytes = byPython(`
z.writestr('moor/index.html', '<p>Kites</p>' * 500, compress_type=zipfile.ZIP_DEFLATED)
z.writestr('moor/a.jpg', b'\\xff\\xd8pixels', compress_type=zipfile.ZIP_STORED)
z.mkdir('moor/empty')`);
    const { files, folder, aside, notes } = await opened(bytes);
    expect([folder, aside, notes]).toEqual(['moor', [], []]);
    expect(files.map(({ path, bytes }) => [path, bytes])).toEqual([
      ['index.html', 6000],
      ['a.jpg', 8],
    ]);
    const picture = await files[1]?.read();
    expect(picture?.ok && Buffer.from(await picture.blob.arrayBuffer()).toString('latin1')).toBe('ÿØpixels');
    expect(picture?.ok && picture.blob.type).toBe('image/jpeg');
  });

  it('have names in CP437 where nothing says otherwise, and in UTF-8 where the bytes are that', async () => {
    const plain = zipSync({ 'caf?.jpg': text('x') }, { level: 0 });
    const inCp437 = changed(plain, (view) => {
      for (const at of [30, placeOf(plain, CENTRAL) + 46]) view.setUint8(at + 3, 0x82);
    });
    expect((await opened(inCp437)).files.map(({ path }) => path)).toEqual(['café.jpg']);
    const inUtf8 = changed(zipSync({ 'caf??.jpg': text('x') }, { level: 0 }), (view) => {
      const bytes = new Uint8Array(view.buffer);
      for (const at of [30, placeOf(bytes, CENTRAL) + 46]) view.setUint16(at + 3, 0xc3a9);
    });
    expect((await opened(inUtf8)).files.map(({ path }) => path)).toEqual(['café.jpg']);
  });

  it('may have names that another system would not take', async () => {
    const bytes = zipSync({ 'a: kites?.jpg': text('x'), 'b.html': text('y') });
    expect(Object.keys(await contents(bytes)).sort()).toEqual(['a: kites?.jpg', 'b.html']);
  });

  it('come in without what is encrypted, a link, or packed by another method, and that is named', async () => {
    const made = byPython(`
z.writestr('a.html', 'good')
z.writestr('b.html', 'squeezed', compress_type=zipfile.ZIP_BZIP2)
z.writestr('c.html', 'squeezed', compress_type=zipfile.ZIP_LZMA)
link = zipfile.ZipInfo('d.html')
link.create_system = 3
link.external_attr = 0o120777 << 16
z.writestr(link, 'a.html')
secret = zipfile.ZipInfo('e.html')
z.writestr(secret, 'secret')`);
    const marked = changed(made, (view) => {
      const name = Buffer.from(made).lastIndexOf('e.html');
      view.setUint16(name - 46 + 8, 1, true);
    });
    const { files, aside } = await opened(marked);
    expect(files.map(({ path }) => path)).toEqual(['a.html']);
    expect(aside.map(({ path, reason }) => `${path} ${reason}`)).toEqual([
      expect.stringMatching(/^b\.html is packed by a method that cannot be read here \(bzip2\)/),
      expect.stringMatching(/^c\.html is packed by a method that cannot be read here \(LZMA\)/),
      expect.stringMatching(/^d\.html is a link to another file/),
      expect.stringMatching(/^e\.html is encrypted/),
    ]);
  });

  it('are refused where nothing in them can be read', async () => {
    const made = byPython(`z.writestr('b.html', 'squeezed', compress_type=zipfile.ZIP_BZIP2)`);
    expect(await open(made)).toMatchObject({ ok: false, refused: [{ path: 'b.html' }] });
  });

  it('are found behind other bytes and in front of them, and both are told', async () => {
    const plain = zipSync({ 'a.html': text('x') });
    const between = Buffer.concat([Buffer.from('PK a program that unpacks itself'), plain, Buffer.alloc(300, 7)]);
    const { files, notes } = await opened(between);
    expect(files).toHaveLength(1);
    expect(notes).toEqual([expect.stringContaining('After the end'), expect.stringContaining('Before the archive')]);
  });
});

describe('what disagrees with itself', () => {
  const GOOD: Zippable = { 'a.html': text('<p>kites</p>'.repeat(50)), 'b.jpg': [text('pixels'), { level: 0 }] };
  const plain = zipSync(GOOD);

  it.each<[string, (view: DataView) => void, RegExp]>([
    ['a byte of a content', (view) => view.setUint8(40, view.getUint8(40) ^ 1), /^is damaged/],
    ['the checksum', (view) => view.setUint8(placeOf(plain, CENTRAL) + 16, 1), /table of contents says otherwise/],
    ['the name', (view) => view.setUint8(30, 'x'.charCodeAt(0)), /table of contents says otherwise/],
    ['the method', (view) => view.setUint16(8, 0, true), /table of contents says otherwise/],
    [
      'where it begins',
      (view) => view.setUint32(placeOf(plain, CENTRAL) + 42, 7, true),
      /table of contents says otherwise/,
    ],
  ])('%s: one entry is named, the other is read', async (_what, change, says) => {
    expect(await contents(changed(plain, change))).toEqual({
      'a.html': expect.stringMatching(says),
      'b.jpg': 'pixels',
    });
  });

  it('a size that is a lie ends at what was promised', async () => {
    const bomb = zipSync({ 'bomb.txt': new Uint8Array(50_000_000) });
    const lying = changed(bomb, (view) => {
      view.setUint32(22, 100, true);
      view.setUint32(placeOf(bomb, CENTRAL) + 24, 100, true);
    });
    expect(await contents(lying)).toEqual({ 'bomb.txt': expect.stringMatching(/^is damaged/) });
  });

  it('an entry that stands twice, or fewer entries than there are, refuses the whole', async () => {
    const twice = byPython(`import warnings
warnings.simplefilter('ignore')
z.writestr('a.html', 'one')
z.writestr('a.html', 'two')`);
    expect(await open(twice)).toMatchObject({ ok: false, reason: expect.stringContaining('stands in it twice') });
    const fewer = changed(plain, (view) => {
      for (const at of [8, 10]) view.setUint16(plain.length - 22 + at, 1, true);
    });
    expect(await open(fewer)).toMatchObject({ ok: false, reason: expect.stringContaining('table of contents') });
  });

  it('is told where it was cut short, or is no archive', async () => {
    for (const length of [plain.length - 10, Math.floor(plain.length / 2), 40])
      expect(await open(plain.subarray(0, length)), `${length} bytes`).toMatchObject({
        ok: false,
        reason: expect.stringMatching(/damaged or cut short/),
      });
    expect(await open(text('<html>'))).toMatchObject({ ok: false, reason: expect.stringContaining('not a ZIP') });
    expect(await open(new Uint8Array(0))).toMatchObject({ ok: false });
  });
});

describe('what is hostile', () => {
  it.each<[string, Zippable]>([
    ['a path that leads out', { '../../etc/passwd': text('x'), 'a.txt': text('y') }],
    ['an absolute path', { '/etc/passwd': text('x') }],
    ['a drive letter', { 'C:\\x.txt': text('x') }],
  ])('refuses %s and names it', async (_name, files) => {
    const read = await open(zipSync(files));
    expect(read).toMatchObject({ ok: false, refused: [{ reason: expect.stringMatching(/.{10}/) }] });
  });

  it('does not begin with what unpacks past the limits', async () => {
    const limits = { files: 10, fileBytes: 1_000_000, totalBytes: 2_000_000 };
    expect(await open(zipSync({ 'bomb.txt': new Uint8Array(20_000_000) }), limits)).toMatchObject({
      ok: false,
      refused: [{ path: 'bomb.txt', reason: expect.stringContaining('one file may have') }],
    });
  });

  it('says how many files a site may have', async () => {
    const many = Object.fromEntries(
      Array.from({ length: INTAKE_LIMITS.files + 1 }, (_, n): [string, Zippable[string]] => [
        `${n}.txt`,
        [text('x'), { level: 0 }],
      ]),
    );
    expect(await open(zipSync(many))).toMatchObject({
      ok: false,
      reason: expect.stringContaining(`more than the ${INTAKE_LIMITS.files} files`),
    });
  });
});
