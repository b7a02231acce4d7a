/** Packets as ISO 16684-1 and the IPTC Photo Metadata Standard 2023.1 have them. */
import { describe, expect, it } from 'vitest';
import { packetOf, strikePlaceInPacket } from './xmp.ts';

const textOf = (packet: Uint8Array | null) => packet && new TextDecoder().decode(packet);
const inside = (packet: Uint8Array | null) =>
  /<rdf:Description rdf:about=""[^>]*>(.*)<\/rdf:Description>/s.exec(textOf(packet) ?? '')?.[1];

describe('words', () => {
  it.each([
    [{ title: 'a < b' }, '<dc:title><rdf:Alt><rdf:li xml:lang="x-default">a &lt; b</rdf:li></rdf:Alt></dc:title>'],
    [
      { caption: 'a & b' },
      '<dc:description><rdf:Alt><rdf:li xml:lang="x-default">a &amp; b</rdf:li></rdf:Alt></dc:description>',
    ],
    [
      { copyright: 'c > d' },
      '<dc:rights><rdf:Alt><rdf:li xml:lang="x-default">c &gt; d</rdf:li></rdf:Alt></dc:rights>',
    ],
    [{ credit: 'me & <you>' }, '<dc:creator><rdf:Seq><rdf:li>me &amp; &lt;you&gt;</rdf:li></rdf:Seq></dc:creator>'],
    [{ takenAt: '2026-06-14T10:12:13' }, '<xmp:CreateDate>2026-06-14T10:12:13</xmp:CreateDate>'],
  ])('%j', (words, expected) => expect(inside(packetOf(words))).toBe(expected));

  it('stand in a packet with the namespaces that they use', () => {
    expect(textOf(packetOf({ takenAt: 'x' }))).toBe(
      '<?xpacket begin="\ufeff" id="W5M0MpCehiHzreSzNTczkc9d"?>' +
        '<x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">' +
        '<rdf:Description rdf:about="" xmlns:dc="http://purl.org/dc/elements/1.1/" ' +
        'xmlns:xmp="http://ns.adobe.com/xap/1.0/"><xmp:CreateDate>x</xmp:CreateDate></rdf:Description></rdf:RDF>' +
        '</x:xmpmeta><?xpacket end="r"?>',
    );
  });

  it('make no packet where there are none', () => {
    expect([packetOf({}), packetOf({ title: '', credit: '', takenAt: '' })]).toEqual([null, null]);
  });
});

describe('the place', () => {
  it.each([
    ['<a exif:GPSLatitude="54,12N" b="c">', 1],
    ["<a\n exif:GPSLatitude = '54,12N'\texif:GPSAltitude='3'/>", 2],
    ['<a/><exif:GPSLongitude>1,3W</exif:GPSLongitude><b/>', 1],
    ['<exif:GPSLongitude rdf:parseType="Resource">\n<x>1</x></exif:GPSLongitude ><b/>', 1],
    ['<exif:GPSVersionID/><b/>', 1],
    ['<exif:GPSVersionID a="b"/><b/>', 1],
  ])('is struck out of %j', (text, places) => {
    const packet = new TextEncoder().encode(text);
    expect(strikePlaceInPacket(packet)).toBe(true);
    const after = new TextDecoder().decode(packet);
    expect(after).toHaveLength(text.length);
    expect(after).not.toContain('GPS');
    expect(after).not.toMatch(/\d/);
    expect(after.split(/ {12,}/)).toHaveLength(places === 2 ? 2 : places + 1);
    expect(strikePlaceInPacket(packet)).toBe(false);
  });

  it('is struck out to the byte behind letters of several bytes, and nothing else is', () => {
    const text = '<dc:title>Mère, GPS, 3</dc:title><exif:GPSLongitude>1</exif:GPSLongitude><exif:GPSLatitude>';
    const packet = new TextEncoder().encode(text);
    expect(strikePlaceInPacket(packet)).toBe(true);
    expect(new TextDecoder().decode(packet)).toBe(
      text.replace(/<exif:GPSLongitude>.*/, (all) => ' '.repeat(all.length)),
    );
  });
});
