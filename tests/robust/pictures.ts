/**
 * Pictures with a place in every container, each with one damage: what leaves tells exiftool no place, and nothing
 * breaks.
 */
import { spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { PLACE, PLANTED } from '../../core/photo/metadata/planted.fixture.ts';
import { withoutPlace } from '../../core/photo/index.ts';
import { Count, damaged, randomFrom, type Part } from './part.ts';

const COUNT = 5000;
/** Files that exiftool reads in one go. */
const TOGETHER = 500;

/** Pictures of real size, with a place as cameras write it. */
async function photographs(): Promise<Uint8Array[]> {
  const picture = () =>
    sharp({ create: { width: 320, height: 200, channels: 3, background: '#376' } }).withExif({
      IFD0: { Copyright: 'kept' },
      IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '54/1 12/1 30/1', GPSLongitudeRef: 'W', GPSLongitude: '1/1 30/1 0/1' },
    });
  return Promise.all([
    picture().jpeg().toBuffer(),
    picture().jpeg({ progressive: true }).toBuffer(),
    picture().png().toBuffer(),
    picture().webp().toBuffer(),
    picture().avif({ effort: 0 }).toBuffer(),
  ]);
}

/** What exiftool reads of a place in each of the files; null where it reads none. */
function toldBy(folder: string, paths: readonly string[]): (string | null)[] {
  const args = [
    '-j',
    '-a',
    '-ee',
    '-G1',
    '-GPS*',
    '-City',
    '-State',
    '-Country*',
    '-Location',
    '-LocationCreated*',
    '-LocationShown*',
    '-Sub-location',
    '-r',
  ];
  // It ends with 1 where one of the files is none it can read; what it read is there all the same.
  const { stdout, error } = spawnSync('exiftool', [...args, folder], { encoding: 'utf8', maxBuffer: 2 ** 28 });
  if (error) throw new Error('exiftool is not here: it comes with Debian’s libimage-exiftool-perl.', { cause: error });
  const told = new Map<string, string>();
  for (const { SourceFile, ...tags } of JSON.parse(stdout || '[]') as Record<string, unknown>[]) {
    const places = Object.entries(tags).filter(
      ([name, value]) => !/Version|Ref$/.test(name) && String(value).trim() !== '',
    );
    const says = places.map(([name, value]) => `${name} ${String(value)}`).join(', ');
    if (says !== '') told.set(String(SourceFile), says);
  }
  return paths.map((path) => told.get(path) ?? null);
}

/** exiftool reads only files whose names end as their format does. */
const extensionOf = (file: Uint8Array): string => {
  const head = Buffer.from(file.subarray(0, 12)).toString('latin1');
  if (head.includes('PNG')) return 'png';
  if (head.includes('WEBP')) return 'webp';
  if (head.includes('GIF')) return 'gif';
  return head.includes('ftyp') ? 'avif' : 'jpg';
};

/** Paths of the files as they are written, in their order. */
function written(folder: string, files: readonly Uint8Array[]): string[] {
  return files.map((file, n) => {
    const path = join(folder, `${n}.${extensionOf(file)}`);
    writeFileSync(path, file);
    return path;
  });
}

function struck(file: Uint8Array): Uint8Array | string {
  try {
    return withoutPlace(file) ?? file;
  } catch (error) {
    return String(error);
  }
}

export const pictures: Part = {
  name: 'pictures',
  async run(from) {
    const made = [...Object.values(PLANTED), ...(await photographs())];
    const broken = new Count();
    const read = new Count();
    const marks = new Count();
    const judge = new Count();
    for (let first = from; first < from + COUNT; first += TOGETHER) {
      const numbers = Array.from({ length: TOGETHER }, (_, n) => first + n);
      const before = numbers.map((n) => damaged(made[n % made.length] ?? new Uint8Array(), randomFrom(n)));
      const after = before.map((file, n) => {
        const outcome = struck(file);
        broken.one(typeof outcome === 'string' ? `${first + n}: ${outcome}` : null);
        return typeof outcome === 'string' ? file : outcome;
      });
      const folder = mkdtempSync(join(tmpdir(), 'heathmoor-'));
      for (const kind of ['before', 'after']) mkdirSync(join(folder, kind));
      const places = toldBy(folder, [
        ...written(join(folder, 'before'), before),
        ...written(join(folder, 'after'), after),
      ]);
      numbers.forEach((n, at) => {
        // Of some files only; this says that the judge sees anything at all.
        if (places[at] !== null) judge.one(null);
        const place = places[TOGETHER + at] ?? null;
        read.one(place === null ? null : `${n}: ${place}`);
        marks.one(Buffer.from(after[at] ?? []).includes(PLACE) ? `${n}` : null);
      });
      rmSync(folder, { recursive: true });
    }
    if (judge.tried < COUNT / 4) judge.one('exiftool saw hardly a place in what was damaged');
    return [
      broken.row('damaged pictures: exceptions'),
      read.row('damaged pictures: a place that exiftool reads'),
      judge.row('damaged pictures in which exiftool had read one before'),
      { what: 'damaged pictures: the mark left where nothing leads to it', tried: marks.wrong, wrong: 0 },
    ];
  },
};
