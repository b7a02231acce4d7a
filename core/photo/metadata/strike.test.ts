/** No byte of a place leaves, wherever it stands; other words do. */
import { unzlibSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { exifSegment, IIM, jpegOf, of, PACKETS, PLACE, PLANTED, tiff, WORDS } from './planted.fixture.ts';
import { strikePlaceInIptc } from './iptc.ts';
import { withoutPlace } from './strike.ts';
import { strikePlaceInPacket } from './xmp.ts';

/** All that a file says: its bytes, what unpacks in it, and what is written in digits. */
function everythingIn(bytes: Uint8Array): string {
  const said = [Buffer.from(bytes).toString('latin1')];
  for (let at = bytes.indexOf(0x78); at >= 0; at = bytes.indexOf(0x78, at + 1)) {
    try {
      said.push(Buffer.from(unzlibSync(bytes.subarray(at))).toString('latin1'));
    } catch {
      // Nothing packed begins here.
    }
  }
  const digits = said.map((one) => one.match(/(?:\n[\da-f]{2,72})+/g) ?? []).flat();
  const written = digits.map((one) => Buffer.from(one.replaceAll('\n', ''), 'hex').toString('latin1'));
  return [...said, ...written].join('\n');
}

describe('a place', () => {
  it.each(Object.entries(PLANTED))('is struck out of: %s', (_where, file) => {
    expect(everythingIn(file)).toMatch(/54\.2[\s\S]*-PLACE/);
    const before = Uint8Array.from(file);
    const after = withoutPlace(file);
    expect(file).toEqual(before);
    expect(after).not.toBeNull();
    const said = everythingIn(after ?? file);
    expect(said).not.toContain(PLACE);
    expect(said).not.toMatch(/54\.2|-PLACE/);
    expect(said).toContain(WORDS);
    expect(withoutPlace(after ?? file)).toBeNull();
  });

  it.each(Object.entries(PACKETS))('is struck out of a packet: %s', (_what, text) => {
    const packet = of(text);
    expect(strikePlaceInPacket(packet)).toBe(true);
    const after = Buffer.from(packet).toString('latin1');
    expect(after).toHaveLength(text.length);
    expect(after).not.toContain(PLACE);
    expect(after).toContain(`<dc:title>${WORDS}</dc:title>`);
    expect(after).toContain('</rdf:Description></rdf:RDF></x:xmpmeta>');
    expect(strikePlaceInPacket(packet)).toBe(false);
  });

  const WIDE: [string, (text: string) => Uint8Array][] = [
    ['UTF-16, little end first', (text) => of(...[...text].map((one) => [one.charCodeAt(0), 0]))],
    ['UTF-16, big end first', (text) => of(...[...text].map((one) => [0, one.charCodeAt(0)]))],
    ['UTF-32, little end first', (text) => of(...[...text].map((one) => [one.charCodeAt(0), 0, 0, 0]))],
    ['UTF-32, big end first', (text) => of(...[...text].map((one) => [0, 0, 0, one.charCodeAt(0)]))],
  ];
  it.each(WIDE)('is struck out of a packet in %s', (_name, encoded) => {
    const text = PACKETS['another prefix, as an attribute'] ?? '';
    const packet = encoded(text);
    expect(strikePlaceInPacket(packet)).toBe(true);
    expect(packet).toEqual(encoded(text.replace(/\s+e:GPSLatitude="[^"]*"/, (all) => ' '.repeat(all.length))));
  });

  it('is struck out of datasets, and what is cut short breaks nothing', () => {
    const datasets = Uint8Array.from(IIM);
    expect(strikePlaceInIptc(datasets)).toBe(true);
    expect(Buffer.from(datasets).toString('latin1').split(WORDS)).toHaveLength(3);
    expect(strikePlaceInIptc(datasets)).toBe(false);
    for (let length = 0; length < IIM.length; length++) strikePlaceInIptc(IIM.slice(0, length));
    expect(strikePlaceInIptc(of([0x1c, 2, 90, 0x80, 9, 0, 0, 0, 0, 0, 0, 0, 0, 1, 65]))).toBe(true);
  });
});

describe('a file', () => {
  it('keeps every byte of its picture, also those that look like a dataset', () => {
    const place = PLANTED['JPEG, IPTC'] ?? of();
    const looksLike = of([0x1c, 2, 90, 0, 20], 'x'.repeat(40));
    const at = Buffer.from(place).lastIndexOf('scan');
    const file = of(place.subarray(0, at), looksLike, place.subarray(at));
    const after = withoutPlace(file) ?? file;
    expect(everythingIn(after)).not.toContain(PLACE);
    expect(Buffer.from(after.subarray(at))).toEqual(Buffer.from(file.subarray(at)));
  });

  it('that says nothing of a place is left alone', () => {
    expect(withoutPlace(jpegOf())).toBeNull();
    expect(withoutPlace(of('<svg/>'))).toBeNull();
  });

  it.each(Object.entries(PLANTED))('that is damaged anywhere breaks nothing: %s', (_where, file) => {
    for (let at = 0; at < file.length; at += 7) {
      withoutPlace(file.slice(0, at));
      withoutPlace(file.map((byte, n) => (n === at ? 255 : byte)));
    }
    expect(withoutPlace(file)).not.toBeNull();
  });

  it('in which pictures lie in one another, or behind one another, is gone through to the last', () => {
    const placed = jpegOf(exifSegment(tiff()));
    let nested = placed;
    for (let n = 0; n < 20; n++) nested = jpegOf(exifSegment(tiff([], nested)));
    expect(everythingIn(withoutPlace(nested) ?? nested)).not.toContain(PLACE);
    const row = of(...Array.from({ length: 3000 }, () => placed));
    expect(everythingIn(withoutPlace(row) ?? row)).not.toContain(PLACE);
  });
});
