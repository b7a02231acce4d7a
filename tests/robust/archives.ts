/** Archives with one damage each: none may give bytes that are not those that were packed. */
import { zipSync } from 'fflate';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openZip, writeZip } from '../../core/pack/index.ts';
import { Count, damaged, randomFrom, type Part } from './part.ts';

const FILES: Record<string, Uint8Array> = {
  'index.html': Buffer.from('<p>Kites over the moor</p>\n'.repeat(80)),
  'css/site.css': Buffer.from('a { color: teal }\n'.repeat(30)),
  'photos/large/moor.jpg': Uint8Array.from({ length: 3000 }, (_, n) => (n * 7919) % 256),
  'photos/small/moor.jpg': Uint8Array.from({ length: 700 }, (_, n) => (n * 104729) % 256),
  'Drachen über dem Moor.txt': Buffer.from('short'),
};

async function byUs(): Promise<Uint8Array> {
  const pieces: Uint8Array[] = [];
  const into = new WritableStream<Uint8Array>({ write: (piece) => void pieces.push(piece) });
  const sources = Object.entries(FILES).map(([path, bytes]) => ({
    path,
    modified: new Date('2026-06-20T12:00:00Z'),
    read: () => Promise.resolve(bytes),
  }));
  await writeZip(sources, into, () => undefined);
  return Buffer.concat(pieces);
}

function byPython(): Uint8Array {
  const folder = mkdtempSync(join(tmpdir(), 'heathmoor-'));
  const script = `import sys, json, base64, zipfile
with zipfile.ZipFile(sys.argv[1], 'w', zipfile.ZIP_DEFLATED) as z:
  for name, data in json.loads(sys.stdin.read()).items(): z.writestr(name, base64.b64decode(data))`;
  const input = JSON.stringify(
    Object.fromEntries(Object.entries(FILES).map(([path, bytes]) => [path, Buffer.from(bytes).toString('base64')])),
  );
  execFileSync('python3', ['-c', script, join(folder, 'made.zip')], { input });
  return readFileSync(join(folder, 'made.zip'));
}

/** What came in otherwise than it was packed; null where nothing did. */
async function wrongIn(archive: Uint8Array): Promise<string | null> {
  const opened = await openZip(new Blob([new Uint8Array(archive)]));
  if (!opened.ok) return null;
  for (const { path, read } of opened.files) {
    const content = await read();
    if (!content.ok) continue;
    const packed = Object.entries(FILES).find(([name]) => name === path || name.endsWith(`/${path}`))?.[1];
    if (!packed) return `“${path}” was never packed`;
    const blob = Buffer.from(await content.blob.arrayBuffer());
    if (!Buffer.from(content.bytes).equals(packed) || !blob.equals(packed)) return `“${path}” has other bytes`;
  }
  return null;
}

const COUNT = 10_000;

export const archives: Part = {
  name: 'archives',
  async run(from) {
    const made = [await byUs(), byPython(), zipSync(FILES), zipSync(FILES, { level: 0 })];
    const count = new Count();
    const whole = new Count();
    for (const archive of made) {
      const opened = await openZip(new Blob([new Uint8Array(archive)]));
      const all = opened.ok && opened.files.length === Object.keys(FILES).length;
      whole.one((await wrongIn(archive)) ?? (all ? null : 'not all of it came in'));
    }
    for (let n = from; n < from + COUNT; n++) {
      const random = randomFrom(n);
      const archive = damaged(made[n % made.length] ?? new Uint8Array(), random);
      count.one(
        await wrongIn(archive).then(
          (wrong) => (wrong === null ? null : `${n}: ${wrong}`),
          (error: unknown) => `${n}: ${String(error)}`,
        ),
      );
    }
    return [
      count.row('damaged archives: wrong bytes accepted, or an exception'),
      whole.row('whole archives that did not come in'),
    ];
  },
};
