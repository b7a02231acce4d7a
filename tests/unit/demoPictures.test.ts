/** The demo's pictures as they lie on disk: what was asked of them, read by programs that did not write them. */
import exifr from 'exifr';
import { existsSync, readFileSync, statSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import sharp, { type Sharp } from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { readWords } from '../../app/workers/photoWords.ts';
import { drawing } from '../../demo/draw.ts';
import { makeDemo } from '../../demo/make.ts';
import { PICTURES, THUMBNAILS } from '../../demo/pictures.ts';

const SITE = fileURLToPath(new URL('../../demo/.made/site/', import.meta.url));
const file = (path: string) => readFileSync(SITE + path);

beforeAll(() => makeDemo(), 120_000);

describe('the demo’s pictures', () => {
  it('are 24 to 36, in many shapes, six and more of 12 to 24 megapixels', () => {
    expect(PICTURES.length).toBeGreaterThanOrEqual(24);
    expect(PICTURES.length).toBeLessThanOrEqual(36);
    const shapes = PICTURES.map(({ width, height }) => {
      if (width > height * 1.05) return 'wide';
      return height > width * 1.05 ? 'tall' : 'square';
    });
    for (const shape of ['wide', 'tall', 'square'])
      expect(shapes.filter((one) => one === shape).length).toBeGreaterThanOrEqual(3);
    expect(
      PICTURES.filter(({ width, height }) => width * height >= 12e6 && width * height <= 24.1e6).length,
    ).toBeGreaterThanOrEqual(6);
  });

  it('are stored turned where their orientation says so, and stand upright when turned back (CIPA DC-008)', async () => {
    const turned = PICTURES.filter((picture) => (picture.orientation ?? 1) !== 1);
    expect(turned).toHaveLength(2);
    for (const picture of turned) {
      const stored = await sharp(file(picture.path)).metadata();
      expect(stored.orientation).toBe(picture.orientation);
      expect([stored.width, stored.height]).toEqual([picture.height, picture.width]);
      const glance = (image: Sharp) => image.resize(64, 64, { fit: 'fill' }).removeAlpha().raw().toBuffer();
      const meant = await glance(sharp(Buffer.from(drawing(picture)), { unlimited: true }).flatten());
      const apart = (other: Buffer) =>
        other.reduce((sum, value, n) => sum + Math.abs(value - (meant[n] ?? 0)), 0) / other.length;
      const upright = await sharp(file(picture.path)).rotate().toBuffer();
      // Grain and compression leave it far nearer to what was drawn than the same picture on its head.
      expect(apart(await glance(sharp(upright))) * 2).toBeLessThan(apart(await glance(sharp(upright).rotate(180))));
    }
  });

  it('are drawn the same each time', () => expect(drawing(PICTURES[3]!)).toBe(drawing({ ...PICTURES[3]! })));

  it('have their thumbnails, but for the one that is missing on purpose', async () => {
    for (const { path } of THUMBNAILS) expect((await sharp(file(path)).metadata()).width).toBe(150);
    expect(existsSync(`${SITE}photos/small/rokkaku-dawn.jpg`)).toBe(false);
    expect(existsSync(`${SITE}photos/large/rokkaku-dawn.jpg`)).toBe(true);
  });

  it('hold one that is far too large, and no other above a megabyte on a page', () => {
    const heavy = PICTURES.filter(({ path }) => path.startsWith('photos/') && statSync(SITE + path).size > 1e6);
    expect(heavy.map((picture) => picture.path)).toEqual(['photos/large/box-kite-lark.jpg']);
  });
});

describe('words in the files (IPTC Photo Metadata Standard, EXIF)', () => {
  const worded = PICTURES.filter((picture) => picture.taken !== undefined);

  it('are in most pictures', () => expect(worded.length * 2).toBeGreaterThan(PICTURES.length));

  it.each(worded.slice(0, 6).concat(worded.filter((picture) => picture.place)))(
    '$path is read as it was written',
    async (picture) => {
      const told = await readWords(new Uint8Array(file(picture.path)));
      expect(told.words).toEqual({
        title: picture.title,
        caption: picture.caption,
        credit: 'Tarrowby Kite Circle',
        copyright: '© 2026 Tarrowby Kite Circle',
      });
      expect(told.takenAt).toBe(picture.taken?.replace(/^(\d+):(\d+):(\d+) /, '$1-$2-$3T'));
      expect(told.orientation).toBe(picture.orientation ?? 1);
      if (picture.place) {
        expect(told.place?.latitude).toBeCloseTo(picture.place[0], 3);
        expect(told.place?.longitude).toBeCloseTo(picture.place[1], 3);
      } else expect(told.place).toBeUndefined();
    },
  );

  it('are read from a WebP as from a JPEG, where the library knows no WebP', async () => {
    const picture = worded.find(({ place }) => place)!;
    const webp = await sharp(file(picture.path)).resize(300).keepMetadata().webp().toBuffer();
    const told = await readWords(new Uint8Array(webp));
    expect(told.words).toMatchObject({
      caption: picture.caption,
      credit: 'Tarrowby Kite Circle',
      copyright: expect.stringContaining('2026 Tarrowby Kite Circle'),
    });
    expect(told.place?.latitude).toBeCloseTo(picture.place![0], 3);
  });

  it('of whom to credit are read from XMP in whatever namespace they stand (IPTC Photo Metadata Standard 2023.1, Credit Line)', async () => {
    const xmp =
      '<x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#"><rdf:Description rdf:about="" xmlns:tkc="https://tarrowby.example/terms/" tkc:Credit="A. Lark, Tarrowby"/></rdf:RDF></x:xmpmeta>';
    const plain = () => sharp({ create: { width: 20, height: 20, channels: 3, background: '#3f8050' } }).withXmp(xmp);
    for (const file of [await plain().jpeg().toBuffer(), await plain().webp().toBuffer()])
      expect((await readWords(new Uint8Array(file))).words).toEqual({ credit: 'A. Lark, Tarrowby' });
  });

  it('are placed by GPS on two', async () => {
    const placed = await Promise.all(PICTURES.map(async ({ path }) => ((await exifr.gps(file(path))) ? path : null)));
    expect(placed.filter(Boolean)).toEqual(['camera/TKC_0412.jpg', 'camera/TKC_0415.jpg']);
  });

  it('that are missing or damaged are none, and stop nothing', async () => {
    for (const bytes of [Buffer.alloc(0), Buffer.from('no picture'), file(worded[0]!.path).subarray(0, 300)]) {
      expect((await readWords(new Uint8Array(bytes))).orientation).toBe(1);
    }
  });
});
