/**
 * Pictures with a mark planted wherever a place can stand, and words beside it that have to stay. Built byte by byte
 * from the standards that each format's file names.
 */
import { zlibSync } from 'fflate';
import { joined } from '../../site/index.ts';

/** Stands for the place; nothing else holds it. */
export const PLACE = '54.2082N-PLACE';
/** Stands for other words. */
export const WORDS = 'words that stay';

export const of = (...parts: (string | number[] | Uint8Array)[]): Uint8Array =>
  joined(
    parts.map((part) =>
      typeof part === 'string' ? Uint8Array.from(part, (one) => one.charCodeAt(0)) : Uint8Array.from(part),
    ),
  );
const big16 = (n: number) => [n >>> 8, n & 0xff];
const big32 = (n: number) => [...big16(n >>> 16), ...big16(n & 0xffff)];
const little32 = (n: number) => big32(n).reverse();

const WRAP = (inside: string, attributes = '') =>
  `<x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#"><rdf:Description rdf:about=""${attributes} xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:title>${WORDS}</dc:title>${inside}</rdf:Description></rdf:RDF></x:xmpmeta>`;

/** Packets, by what is odd about them. */
export const PACKETS: Record<string, string> = {
  'another prefix, as an attribute': WRAP('', ` xmlns:e="http://ns.adobe.com/exif/1.0/" e:GPSLatitude="${PLACE}"`),
  'another prefix, as an element': WRAP(
    `<q:GPSLatitude xmlns:q="http://ns.adobe.com/exif/1.0/">${PLACE}</q:GPSLatitude>`,
  ),
  'no prefix': WRAP(`<GPSLatitude xmlns="http://ns.adobe.com/exif/1.0/">${PLACE}</GPSLatitude>`),
  'single quotes and line breaks': WRAP('', `\n  exif:GPSLatitude\n=\n'${PLACE}'`),
  'a city': WRAP(`<press:City>${PLACE}</press:City>`),
  'a country, as an attribute': WRAP('', ` press:Country="${PLACE}"`),
  'a location of the core': WRAP(`<Iptc4xmpCore:Location>${PLACE}</Iptc4xmpCore:Location>`),
  'a structure with others in it': WRAP(
    `<Iptc4xmpExt:LocationCreated><rdf:Bag><rdf:li rdf:parseType="Resource"><Iptc4xmpExt:Sublocation>${PLACE}</Iptc4xmpExt:Sublocation><other:Hill>${PLACE}</other:Hill></rdf:li></rdf:Bag></Iptc4xmpExt:LocationCreated>`,
  ),
  'a reference and a value that begin alike': WRAP(
    `<exif:GPSLatitude>${PLACE}</exif:GPSLatitude><exif:GPSLatitudeRef>${PLACE}</exif:GPSLatitudeRef>`,
  ),
  'a maker of cameras': WRAP('', ` drone:GpsLatitude="${PLACE}" drone:GpsLongtitude="${PLACE}"`),
  'plain geography': WRAP(`<geo:lat>${PLACE}</geo:lat><geo:long>${PLACE}</geo:long>`),
  'a value with a sign in it': WRAP('', ` exif:GPSMapDatum="a > ${PLACE}"`),
};
const PACKET = PACKETS['another prefix, as an attribute']!;

/** A structure with the place as the text of a directory; with words in the first. */
export function tiff(
  more: readonly { tag: number; content: Uint8Array }[] = [],
  second: Uint8Array | null = null,
): Uint8Array {
  const entry = (tag: number, type: number, count: number, value: number) =>
    of([...big16(tag), ...big16(type), ...big32(count), ...big32(value)]);
  const entries = 2 + more.length;
  const behind = 8 + 2 + entries * 12 + 4;
  const words = of(WORDS, [0]);
  const place = of(PLACE, [0]);
  const gps = behind + words.length;
  const placeAt = gps + 2 + 12 + 4;
  let free = placeAt + place.length;
  const nested = more.map(({ tag, content }) => {
    const written = entry(tag, 7, content.length, free);
    free += content.length;
    return written;
  });
  const thumbnail = second
    ? of(big16(2), entry(0x0201, 4, 1, free + 2 + 24 + 4), entry(0x0202, 4, 1, second.length), big32(0), second)
    : of([]);
  return of(
    'MM',
    big16(42),
    big32(8),
    big16(entries),
    entry(0x010e, 2, words.length, behind),
    entry(0x8825, 4, 1, gps),
    ...nested,
    big32(second ? free : 0),
    words,
    big16(1),
    entry(0x001b, 7, place.length, placeAt),
    big32(0),
    place,
    ...more.map(({ content }) => content),
    thumbnail,
  );
}

const dataset = (record: number, number: number, text: string) => of([0x1c, record, number], big16(text.length), text);
/** IPTC-IIM with a title and every dataset of a place, one of them with a length that has a length. */
export const IIM = of(
  dataset(2, 5, WORDS),
  ...[26, 27, 90, 92, 95, 100].map((number) => dataset(2, number, PLACE)),
  of([0x1c, 2, 101, 0x80, 4], big32(PLACE.length), PLACE),
  dataset(2, 120, WORDS),
);

const resource = (id: number, content: Uint8Array) =>
  of('8BIM', big16(id), [0, 0], big32(content.length), content, content.length % 2 ? [0] : []);

const SOI = [0xff, 0xd8];
const EOI = [0xff, 0xd9];
const segment = (marker: number, content: Uint8Array) => of([0xff, marker], big16(content.length + 2), content);
const scan = of([0xff, 0xda], big16(2), 'scan', [0xff, 0, 0xff, 0xd0], 'on');
const xmpSegment = segment(0xe1, of('http://ns.adobe.com/xap/1.0/\0', PACKET));
export const exifSegment = (structure: Uint8Array) => segment(0xe1, of('Exif\0\0', structure));
export const jpegOf = (...segments: Uint8Array[]) => of(SOI, ...segments, scan, EOI);
/** As small as a picture within another one is. */
const SMALL = jpegOf(xmpSegment);

const half = Math.floor((PACKET.indexOf(PLACE) * 2 + PLACE.length) / 2);
const extension = (from: number, to: number) =>
  segment(
    0xe1,
    of(
      'http://ns.adobe.com/xmp/extension/\0',
      'D'.repeat(32),
      big32(PACKET.length),
      big32(from),
      PACKET.slice(from, to),
    ),
  );
const resources = (bytes: Uint8Array) => segment(0xed, of('Some program 3.0\0', bytes));
const iptc = resource(0x0404, IIM);

const TABLE = Array.from({ length: 256 }, (_, n) => {
  let c = n;
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
  return c >>> 0;
});
const crc = (bytes: Uint8Array) => ~bytes.reduce((c, byte) => TABLE[(c ^ byte) & 0xff]! ^ (c >>> 8), -1) >>> 0;
const chunk = (name: string, content: Uint8Array) =>
  of(big32(content.length), name, content, big32(crc(of(name, content))));
const pngOf = (...chunks: Uint8Array[]) =>
  of(
    [0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10],
    chunk('IHDR', of(big32(1), big32(1), [8, 0, 0, 0, 0])),
    ...chunks,
    chunk('IDAT', zlibSync(of([0, 255]))),
    chunk('IEND', of([])),
  );
const digits = (name: string, bytes: Uint8Array) =>
  of(
    `\n${name}\n${String(bytes.length).padStart(8)}\n`,
    Buffer.from(bytes).toString('hex').replace(/.{72}/g, '$&\n'),
    '\n',
  );

const riff = (...chunks: Uint8Array[]) => {
  const body = of('WEBP', ...chunks);
  return of('RIFF', little32(body.length), body);
};
const webpChunk = (name: string, content: Uint8Array) =>
  of(name, little32(content.length), content, content.length % 2 ? [0] : []);

const gif = of(
  'GIF89a',
  [1, 0, 1, 0, 0x80, 0, 0, 0, 0, 0, 255, 255, 255],
  [0x21, 0xf9, 4, 0, 0, 0, 0, 0],
  [0x21, 0xff, 11],
  'XMP DataXMP',
  PACKET,
  [1, ...Array.from({ length: 255 }, (_, n) => 255 - n), 0, 0],
  [0x2c, 0, 0, 0, 0, 1, 0, 1, 0, 0, 2, 2, 0x4c, 1, 0, 0x3b],
);

const box = (name: string, ...content: Uint8Array[]) => {
  const whole = of(...content);
  return of(big32(whole.length + 8), name, whole);
};
/** An EXIF item in the file, and an XMP item in the box of data, cut in two. */
function avif(): Uint8Array {
  const exif = of(big32(6), 'Exif\0\0', tiff());
  const infe = (id: number, rest: string) => box('infe', of([2, 0, 0, 0], big16(id), big16(0), rest));
  const info = box('iinf', of([0, 0, 0, 0], big16(2)), infe(1, 'Exif\0'), infe(2, 'mime\0application/rdf+xml\0'));
  const item = (id: number, where: number, extents: number[][]) =>
    of(
      big16(id),
      big16(where),
      big16(0),
      big16(extents.length),
      ...extents.map(([at, length]) => of(big32(at!), big32(length!))),
    );
  const build = (exifAt: number) =>
    of(
      box('ftyp', of('avif', big32(0))),
      box(
        'meta',
        of([0, 0, 0, 0]),
        info,
        box(
          'iloc',
          of(
            [1, 0, 0, 0, 0x44, 0],
            big16(2),
            item(1, 0, [[exifAt, exif.length]]),
            item(2, 1, [
              [0, half],
              [half, PACKET.length - half],
            ]),
          ),
        ),
        box('idat', of(PACKET)),
      ),
      box('mdat', exif),
    );
  return build(build(0).length - exif.length);
}

/** Whole files, by where the mark is planted. */
export const PLANTED: Record<string, Uint8Array> = {
  'JPEG, XMP': jpegOf(xmpSegment),
  'JPEG, XMP cut in two within the mark': jpegOf(extension(0, half), extension(half, PACKET.length)),
  'JPEG, EXIF': jpegOf(exifSegment(tiff())),
  'JPEG, EXIF behind the scan': of(SOI, scan, exifSegment(tiff()), EOI),
  'JPEG, a small picture in EXIF': jpegOf(exifSegment(tiff([], SMALL))),
  'JPEG, packets and datasets in EXIF': jpegOf(
    exifSegment(
      tiff([
        { tag: 0x02bc, content: of(PACKET) },
        { tag: 0x83bb, content: IIM },
        { tag: 0x8649, content: iptc },
      ]),
    ),
  ),
  'JPEG, IPTC': jpegOf(resources(iptc)),
  'JPEG, IPTC cut in two': jpegOf(resources(iptc.slice(0, 60)), resources(iptc.slice(60))),
  'JPEG, other resources': jpegOf(
    resources(of(resource(0x0425, of('sum')), resource(0x0422, tiff()), resource(0x0424, of(PACKET)))),
  ),
  'JPEG, a small picture in the resources': jpegOf(resources(resource(0x040c, of(new Uint8Array(28), SMALL)))),
  'JPEG, a second picture behind the first': of(
    jpegOf(xmpSegment),
    'between',
    jpegOf(exifSegment(tiff())),
    jpegOf(xmpSegment),
  ),
  'PNG, eXIf': pngOf(chunk('eXIf', tiff())),
  'PNG, XMP': pngOf(chunk('iTXt', of('XML:com.adobe.xmp\0\0\0\0\0', PACKET))),
  'PNG, XMP with a language': pngOf(chunk('iTXt', of('XML:com.adobe.xmp\0\0\0en\0words\0', PACKET))),
  'PNG, XMP packed': pngOf(chunk('iTXt', of('XML:com.adobe.xmp\0\x01\0\0\0', zlibSync(of(PACKET))))),
  'PNG, a profile of EXIF': pngOf(
    chunk('zTXt', of('Raw profile type exif\0\0', zlibSync(digits('exif', of('Exif\0\0', tiff()))))),
  ),
  'PNG, a profile of IPTC': pngOf(chunk('tEXt', of('Raw profile type iptc\0', digits('iptc', iptc)))),
  'PNG, a profile of XMP': pngOf(chunk('zTXt', of('Raw profile type xmp\0\0', zlibSync(digits('xmp', of(PACKET)))))),
  'PNG, a text of its own': pngOf(chunk('tEXt', of('exif:GPSLatitude\0', PLACE)), chunk('tEXt', of('Title\0', WORDS))),
  'PNG, a packed text of its own': pngOf(
    chunk('zTXt', of('Location\0\0', zlibSync(of(PLACE)))),
    chunk('tEXt', of('Title\0', WORDS)),
  ),
  'WebP, EXIF and XMP': riff(
    webpChunk('VP8X', new Uint8Array(10)),
    webpChunk('EXIF', of('Exif\0\0', tiff())),
    webpChunk('XMP ', of(PACKET)),
  ),
  'GIF, XMP': gif,
  'AVIF, EXIF and XMP': avif(),
};
