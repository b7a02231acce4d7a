/**
 * Files built here byte by byte from the standards that each format's file names: what is found in them, and what is
 * put into them. That other programs read it is tested elsewhere.
 */
import { describe, expect, it } from 'vitest';
import { joined } from '../../site/index.ts';
import { ascii, type Block, type Container } from './container.ts';
import { metadataIn, withoutPlace, withWords } from './index.ts';
import { isoMedia } from './isoMedia.ts';
import { jpeg } from './jpeg.ts';
import { png } from './png.ts';
import { webp } from './webp.ts';

const of = (...parts: (string | number[] | Uint8Array)[]): Uint8Array =>
  joined([new Uint8Array(), ...parts.map((part) => (typeof part === 'string' ? ascii(part) : Uint8Array.from(part)))]);
const big32 = (n: number) => [n >>> 24, (n >>> 16) & 0xff, (n >>> 8) & 0xff, n & 0xff];
const little32 = (n: number) => big32(n).reverse();
const textOf = (bytes: Uint8Array) => String.fromCharCode(...bytes);
/** What is found, as text: `exif:one`. */
const found = (container: Container, bytes: Uint8Array) =>
  container.blocks(bytes).map(({ kind, start, end }: Block) => `${kind}:${textOf(bytes.subarray(start, end))}`);
/** Every shorter beginning of a file shows some of what the whole shows, and none of it cut off. */
const everyBeginning = (container: Container, bytes: Uint8Array) =>
  Array.from({ length: bytes.length }, (_, length) => found(container, bytes.subarray(0, length)));

const EXIF = of('TIFF?');
const PACKET = of('<packet>');
const BOTH = { exif: EXIF, xmp: PACKET };
const NEITHER = { exif: null, xmp: null };

describe('JPEG', () => {
  const SOI = [0xff, 0xd8];
  const segment = (marker: number, content: string) =>
    of([0xff, marker, (content.length + 2) >> 8, (content.length + 2) & 0xff], content);
  const exif = segment(0xe1, 'Exif\0\0one');
  const xmp = segment(0xe1, 'http://ns.adobe.com/xap/1.0/\0two');
  const scan = of([0xff, 0xda, 0, 2], 'scan');

  it('is told by its first two bytes', () => {
    expect([jpeg.is(of(SOI)), jpeg.is(of([0xff, 0xd9])), jpeg.is(of([0xfe, 0xd8])), jpeg.is(of([]))]).toEqual([
      true,
      false,
      false,
      false,
    ]);
  });

  it('keeps both in segments APP1, behind their headers', () => {
    const file = of(SOI, segment(0xe0, 'JFIF\0'), exif, segment(0xe1, 'something else'), xmp, scan);
    expect(found(jpeg, file)).toEqual(['exif:one', 'xmp:two']);
  });

  it('keeps neither in other segments, nor behind the end of the picture', () => {
    expect(found(jpeg, of(SOI, segment(0xe2, 'Exif\0\0one'), segment(0xed, 'http://ns.adobe.com/xap/1.0/\0')))).toEqual(
      [],
    );
    expect(found(jpeg, of(SOI, [0xff, 0xd9], exif))).toEqual([]);
    expect(found(jpeg, of(SOI, 'x', exif))).toEqual([]);
  });

  it('shows of a file that breaks off what is whole before', () => {
    const file = of(SOI, exif, xmp);
    expect(found(jpeg, file)).toEqual(['exif:one', 'xmp:two']);
    const all = everyBeginning(jpeg, file);
    expect(new Set(all.map((one) => one.join()))).toEqual(new Set(['', 'exif:one']));
    expect(all[2 + exif.length]).toEqual(['exif:one']);
    expect(all[1 + exif.length]).toEqual([]);
    // A segment without content may be the last of what is there.
    expect(found(jpeg, of(SOI, exif, [0xff, 0xe0, 0, 2]))).toEqual(['exif:one']);
  });

  it('takes new segments right behind its first marker', () => {
    const file = of(SOI, segment(0xe0, 'JFIF\0'), scan);
    expect(jpeg.insert(file, BOTH)).toEqual(
      of(
        SOI,
        segment(0xe1, 'Exif\0\0TIFF?'),
        segment(0xe1, 'http://ns.adobe.com/xap/1.0/\0<packet>'),
        file.subarray(2),
      ),
    );
    expect(jpeg.insert(file, NEITHER)).toEqual(file);
  });

  it('leaves out what is longer than a segment can be', () => {
    const file = of(SOI, scan);
    const most = 65_533 - 'Exif\0\0'.length;
    const whole = jpeg.insert(file, { exif: new Uint8Array(most), xmp: null });
    expect([...whole.subarray(2, 6)]).toEqual([0xff, 0xe1, 0xff, 0xff]);
    expect(whole.length).toBe(file.length + 65_537);
    expect(jpeg.insert(file, { exif: new Uint8Array(most + 1), xmp: PACKET })).toEqual(
      of(SOI, segment(0xe1, 'http://ns.adobe.com/xap/1.0/\0<packet>'), scan),
    );
  });
});

describe('PNG', () => {
  const SIGNATURE = [0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10];
  /** The last chunk of every PNG, with the checksum that every PNG has there. */
  const END = of(big32(0), 'IEND', [0xae, 0x42, 0x60, 0x82]);
  const chunk = (name: string, content: string) => of(big32(content.length), name, content, 'crc?');
  const KEYWORD = 'XML:com.adobe.xmp\0\0\0\0\0';

  it('is told by its signature', () => {
    expect(png.is(of(SIGNATURE))).toBe(true);
    for (let n = 0; n < 8; n++) expect(png.is(of(SIGNATURE.with(n, 1)))).toBe(false);
  });

  it('keeps both in chunks of their own', () => {
    const file = of(
      SIGNATURE,
      chunk('IHDR', 'size'),
      chunk('eXIf', 'one'),
      chunk('iTXt', 'Comment\0eXIf'),
      chunk('tEXt', `${KEYWORD}no`),
      chunk('iTXt', `${KEYWORD}two`),
      END,
    );
    expect(found(png, file)).toEqual(['exif:one', 'xmp:two']);
    const all = everyBeginning(png, file);
    expect(new Set(all.map((one) => one.join()))).toEqual(new Set(['', 'exif:one', 'exif:one,xmp:two']));
    expect(all.findIndex((one) => one.length === 1)).toBe(8 + 16 + 15);
    expect(all.findIndex((one) => one.length === 2)).toBe(file.length - END.length);
  });

  it('takes new chunks behind the first, with checksums', () => {
    const file = of(SIGNATURE, chunk('IHDR', 'size'), END);
    const whole = png.insert(file, BOTH);
    expect(found(png, whole)).toEqual(['exif:TIFF?', 'xmp:<packet>']);
    expect(whole.length).toBe(file.length + 12 + EXIF.length + 12 + KEYWORD.length + PACKET.length);
    expect(whole.subarray(0, 24)).toEqual(file.subarray(0, 24));
    expect(whole.subarray(-12)).toEqual(END);
    // Sealed again it is the same but for the header, whose checksum was none.
    const sealed = Uint8Array.from(whole);
    png.sealed?.(sealed);
    expect(sealed.subarray(24)).toEqual(whole.subarray(24));
    expect(sealed.subarray(0, 20)).toEqual(whole.subarray(0, 20));
    expect(textOf(sealed.subarray(20, 24))).not.toBe('crc?');
    expect(png.insert(file, NEITHER)).toEqual(file);
    expect(textOf(png.insert(file, { exif: null, xmp: PACKET }))).not.toContain('eXIf');
  });

  it('gets the checksum of the standard, over name and content', () => {
    const file = of(SIGNATURE, big32(0), 'IEND', [1, 2, 3, 4]);
    png.sealed?.(file);
    expect(file.subarray(8)).toEqual(END);
  });

  it('comes back as it is where it has no chunk', () => {
    const file = of(SIGNATURE, [0, 0]);
    expect(png.insert(file, BOTH)).toBe(file);
  });
});

describe('WebP', () => {
  const chunk = (name: string, content: string | Uint8Array) =>
    of(name, little32(content.length), content, content.length % 2 ? [0] : []);
  const riff = (...chunks: Uint8Array[]) => {
    const body = of('WEBP', ...chunks);
    return of('RIFF', little32(body.length), body);
  };
  /** A key frame of 300 × 2 px; RFC 6386 §9.1, two bits of each side are a scale. */
  const vp8 = chunk('VP8 ', of([0, 0, 0, 0x9d, 0x01, 0x2a, 0x2c, 0x41, 0x02, 0x80]));
  const extended = (flags: number, width: number, height: number) =>
    chunk(
      'VP8X',
      of([flags, 0, 0, 0, (width - 1) & 0xff, (width - 1) >> 8, 0, (height - 1) & 0xff, (height - 1) >> 8, 0]),
    );

  it('is told by the head of its file', () => {
    expect([riff(vp8), of('RIFF', [0, 0, 0, 0], 'WAVE'), of('RIFX', [0, 0, 0, 0], 'WEBP')].map(webp.is)).toEqual([
      true,
      false,
      false,
    ]);
  });

  it('keeps both in chunks, also behind one of odd length, and with the header of another format', () => {
    const file = riff(extended(0x0c, 300, 2), vp8, chunk('EXIF', 'odd'), chunk('XMP ', 'two!'));
    expect(found(webp, file)).toEqual(['exif:odd', 'xmp:two!']);
    expect(found(webp, riff(vp8, chunk('EXIF', 'Exif\0\0one'), chunk('EXTR', 'three')))).toEqual(['exif:one']);
    const all = everyBeginning(webp, file);
    expect(new Set(all.map((one) => one.join()))).toEqual(new Set(['', 'exif:odd']));
    expect(all.findIndex((one) => one.length === 1)).toBe(file.length - 13);
  });

  it('takes both at its end and says so in its flags', () => {
    const ends = of(chunk('EXIF', EXIF), chunk('XMP ', PACKET));
    expect(webp.insert(riff(vp8), BOTH)).toEqual(riff(extended(0x0c, 300, 2), vp8, ends));
    expect(webp.insert(riff(vp8), { exif: EXIF, xmp: null })).toEqual(
      riff(extended(0x08, 300, 2), vp8, chunk('EXIF', EXIF)),
    );
    expect(webp.insert(riff(vp8), { exif: null, xmp: PACKET })).toEqual(
      riff(extended(0x04, 300, 2), vp8, chunk('XMP ', PACKET)),
    );
    expect(webp.insert(riff(extended(0x10, 300, 2), vp8), BOTH)).toEqual(riff(extended(0x1c, 300, 2), vp8, ends));
  });

  it('has its size and its clear parts from the head of a lossless picture', () => {
    // WebP Lossless §3.4: 14 bits each of width and height less one, then whether alpha is used.
    const lossless = (width: number, height: number, alpha: number) =>
      chunk('VP8L', of([0x2f], little32(((width - 1) | ((height - 1) << 14) | (alpha << 28)) >>> 0)));
    for (const [width, height, alpha] of [
      [16_384, 1, 0],
      [1, 16_384, 1],
      [301, 513, 1],
    ] as const) {
      const file = lossless(width, height, alpha);
      expect(webp.insert(riff(file), BOTH).subarray(12, 30)).toEqual(
        extended(0x0c | (alpha ? 0x10 : 0), width, height),
      );
    }
  });

  it('is evened out where its last chunk is not, and left alone where there is nothing to do', () => {
    const cut = of('RIFF', little32(13), 'WEBP', 'VP8X', little32(1), [0]);
    expect(webp.insert(cut, { exif: EXIF, xmp: null })).toEqual(
      of('RIFF', little32(14 + 14), 'WEBP', 'VP8X', little32(1), [0x08, 0], chunk('EXIF', EXIF)),
    );
    const file = riff(vp8);
    expect(webp.insert(file, NEITHER)).toBe(file);
    const empty = riff();
    expect(webp.insert(empty, BOTH)).toBe(empty);
  });
});

describe('AVIF', () => {
  const FTYP = of([0, 0, 0, 8], 'ftyp');

  it('is told by its first box', () => {
    expect([isoMedia.is(FTYP), isoMedia.is(of('ftyp'))]).toEqual([true, false]);
  });

  it('takes no words', () => {
    expect(isoMedia.insert(FTYP, BOTH)).toBe(FTYP);
  });
});

describe('a file', () => {
  const SOI = of([0xff, 0xd8]);

  it('gives both blocks as copies, the first of each', () => {
    const file = jpeg.insert(jpeg.insert(SOI, { exif: of('later'), xmp: null }), BOTH);
    const { exif, xmp } = metadataIn(file);
    expect([exif, xmp]).toEqual([EXIF, PACKET]);
    exif?.fill(0);
    expect(found(jpeg, file)[0]).toBe('exif:TIFF?');
    expect(metadataIn(SOI)).toEqual(NEITHER);
    expect(metadataIn(of('no picture'))).toEqual(NEITHER);
  });

  it('of no known format comes back as it is', () => {
    const file = of('no picture');
    expect(withWords(file, { words: { caption: 'words' } })).toBe(file);
    expect(withoutPlace(file)).toBeNull();
  });
});
