/** Words and places in picture files, against sharp (libvips, libexif) and ExifReader, a second library. */
import ExifReader from 'exifreader';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { readWords } from '../../app/workers/photoWords.ts';
import { kept, withoutPlace, withWords } from '../../core/photo/index.ts';

const WORDS = {
  title: 'Kite & <line>',
  caption: 'A kite over the mère',
  credit: 'Tarrowby Kite Circle',
  copyright: '© 2026 Tarrowby Kite Circle',
};
const TAKEN = '2026-06-14T10:12:13';
const plain = () => sharp({ create: { width: 61, height: 37, channels: 3, background: '#b3402a' } });

const FILES = {
  jpeg: () => plain().jpeg().toBuffer(),
  png: () => plain().png().toBuffer(),
  'webp, lossy': () => plain().webp({ quality: 70 }).toBuffer(),
  'webp, lossless': () => plain().webp({ lossless: true }).toBuffer(),
  'webp, with clear parts': () =>
    sharp({ create: { width: 61, height: 37, channels: 4, background: '#b3402a80' } })
      .webp()
      .toBuffer(),
};

const pixels = (file: Uint8Array) => sharp(file).raw().toBuffer();

describe('words', () => {
  it.each(Object.entries(FILES))(
    'written into a %s are read back by a second library; no pixel changes',
    async (_name, make) => {
      const before = await make();
      const after = Buffer.from(withWords(before, { words: WORDS, takenAt: TAKEN }));
      expect((await pixels(after)).equals(await pixels(before))).toBe(true);
      const { width, height, exif, xmp } = await sharp(after).metadata();
      expect([width, height, exif !== undefined, xmp !== undefined]).toEqual([61, 37, true, true]);
      const tags = ExifReader.load(after, { expanded: true });
      expect((tags.exif?.ImageDescription?.value as string[])[0]).toBe(WORDS.caption);
      expect((tags.exif?.Artist?.value as string[])[0]).toBe(WORDS.credit);
      expect((tags.exif?.DateTimeOriginal?.value as string[])[0]).toBe('2026:06:14 10:12:13');
      expect(tags.xmp?.title?.description).toBe(WORDS.title);
      expect(tags.xmp?.description?.description).toBe(WORDS.caption);
      expect(tags.xmp?.rights?.description).toBe(WORDS.copyright);
      expect(tags.xmp?.creator?.description).toBe(WORDS.credit);
      expect(tags.xmp?.CreateDate?.value).toBe(TAKEN);
    },
  );

  it.each([
    // The standard's own prefix for it is a program's name; a reader goes by no prefix.
    ['p:DateCreated="2024-05-11"', '2024-05-11'],
    ['exif:DateTimeOriginal="2024-05-11T10:33:44.120+02:00"', '2024-05-11T10:33:44'],
    ['xmp:CreateDate="2024-05-11T10:33"', '2024-05-11T10:33:00'],
    ['xmp:CreateDate="0000-00-00T00:00:00"', undefined],
    ['xmp:CreateDate="yesterday"', undefined],
  ])('tell when it was taken where only a packet says so: %s', async (property, expected) => {
    const packet = `<x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">
      <rdf:Description xmlns:p="http://host.invalid/p/" xmlns:exif="http://ns.adobe.com/exif/1.0/"
      xmlns:xmp="http://ns.adobe.com/xap/1.0/" ${property}/></rdf:RDF></x:xmpmeta>`;
    const file = await plain().withXmp(packet).jpeg().toBuffer();
    expect((await readWords(file)).takenAt).toBe(expected);
  });

  it('carry a day without its time', async () => {
    const file = withWords(await FILES.jpeg(), { words: { title: 'T' }, takenAt: '2024-05-11' });
    expect(await readWords(file)).toMatchObject({ words: { title: 'T' }, takenAt: '2024-05-11' });
  });

  it('are kept as the recipe says', () => {
    const all = { words: WORDS, takenAt: TAKEN };
    expect(kept(all, 'none')).toEqual({ words: {} });
    expect(kept(all, 'rights')).toEqual({ words: { credit: WORDS.credit, copyright: WORDS.copyright } });
    expect(kept(all, 'all')).toEqual(all);
  });

  it('leave a file as it is where there are none', async () => {
    const file = await FILES.jpeg();
    expect(withWords(file, { words: {} })).toBe(file);
  });
});

const GPS = {
  GPSLatitudeRef: 'N',
  GPSLatitude: '54/1 12/1 3000/100',
  GPSLongitudeRef: 'W',
  GPSLongitude: '1/1 30/1 0/1',
};
/** Fractions as EXIF writes them, in both orders of bytes (CIPA DC-008, RATIONAL). */
const asWritten = (fractions: readonly (readonly [number, number])[]): Buffer[] =>
  [true, false].map((little) => {
    const written = Buffer.alloc(8 * fractions.length);
    fractions
      .flat()
      .forEach((number, n) => (little ? written.writeUInt32LE(number, 4 * n) : written.writeUInt32BE(number, 4 * n)));
    return written;
  });
const XMP =
  '<x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#"><rdf:Description rdf:about="" xmlns:exif="http://ns.adobe.com/exif/1.0/" xmlns:dc="http://purl.org/dc/elements/1.1/" exif:GPSLatitude="54,12.5N"><exif:GPSLongitude>1,30W</exif:GPSLongitude><dc:source>kept</dc:source></rdf:Description></rdf:RDF></x:xmpmeta>';
const placed = () =>
  plain()
    .withExif({ IFD0: { Copyright: 'kept too' }, IFD3: GPS })
    .withXmp(XMP);

describe('the place', () => {
  it.each([
    ['jpeg', () => placed().jpeg().toBuffer()],
    ['png', () => placed().png().toBuffer()],
    ['webp', () => placed().webp().toBuffer()],
    ['avif', () => placed().avif().toBuffer()],
  ])('is struck out of a %s and nothing else', async (name, make) => {
    const before = await make();
    expect(ExifReader.load(before, { expanded: true }).gps?.Latitude).toBeCloseTo(54.208, 2);
    const after = Buffer.from(withoutPlace(before)!);
    // The packet of a PNG is packed by sharp, and packed again.
    if (name !== 'png') expect(after.length).toBe(before.length);
    const tags = ExifReader.load(after, { expanded: true });
    expect(tags.gps).toBeUndefined();
    expect(JSON.stringify(tags.xmp ?? {})).not.toContain('GPS');
    // What else the packet says stays.
    const packet = (await sharp(after).metadata()).xmpAsString ?? '';
    expect(packet).toContain('<dc:source>kept</dc:source>');
    expect(packet).not.toMatch(/GPS|54,12/);
    expect((tags.exif?.Copyright?.value as string[])[0]).toBe('kept too');
    expect((await pixels(after)).equals(await pixels(before))).toBe(true);
    expect(after.includes('54,12.5N')).toBe(false);
    // The numbers are gone from the bytes as well, not only the way to them.
    const latitude = ExifReader.load(before, { expanded: true }).exif?.GPSLatitude?.value as [number, number][];
    expect(asWritten(latitude).some((written) => before.includes(written))).toBe(true);
    expect(asWritten(latitude).some((written) => after.includes(written))).toBe(false);
    expect(withoutPlace(after)).toBeNull();
  });

  it('is not sought in a file that is damaged or no picture, and nothing breaks', async () => {
    const file = await placed().jpeg().toBuffer();
    for (let length = 0; length < 1200; length += 7) expect(() => withoutPlace(file.subarray(0, length))).not.toThrow();
    expect(withoutPlace(Buffer.from('no picture'))).toBeNull();
    for (let at = 0; at < 400; at++) {
      const damaged = Buffer.from(file);
      damaged[at] = 255 - damaged[at]!;
      expect(() => withoutPlace(damaged)).not.toThrow();
    }
  });
});
