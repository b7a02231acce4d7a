/** What a picture says of its place, in EXIF or in a packet, whatever prefix that uses (CIPA DC-010 §B.3). */
import sharp, { type Sharp } from 'sharp';
import { describe, expect, it } from 'vitest';
import { readWords } from './photoWords';

const plain = () => sharp({ create: { width: 8, height: 6, channels: 3, background: '#376' } });
const packet = (attributes: string) =>
  `<x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#"><rdf:Description rdf:about="" ${attributes}/></rdf:RDF></x:xmpmeta>`;
const placeOf = async (picture: Sharp) => (await readWords(await picture.jpeg().toBuffer())).place;

describe('a place', () => {
  it.each([
    ['exif', '54,12.5N', '1,30W', 54.2083, -1.5],
    ['e', '54,12,30N', '1,30,36E', 54.2083, 1.51],
    ['photo', '33,0.0S', '0,0.0E', -33, 0],
  ])('is read out of a packet that says %s:', async (prefix, north, east, latitude, longitude) => {
    const xmp = packet(
      `xmlns:${prefix}="http://ns.adobe.com/exif/1.0/" ${prefix}:GPSLatitude="${north}" ${prefix}:GPSLongitude="${east}"`,
    );
    const place = await placeOf(plain().withXmp(xmp));
    expect(place?.latitude).toBeCloseTo(latitude, 3);
    expect(place?.longitude).toBeCloseTo(longitude, 3);
  });

  it('is none where half of it is missing or is no place', async () => {
    const half = packet('xmlns:e="http://ns.adobe.com/exif/1.0/" e:GPSLatitude="54,12.5N"');
    const odd = packet('xmlns:e="http://ns.adobe.com/exif/1.0/" e:GPSLatitude="north" e:GPSLongitude="1,30W"');
    expect([await placeOf(plain().withXmp(half)), await placeOf(plain().withXmp(odd)), await placeOf(plain())]).toEqual(
      [undefined, undefined, undefined],
    );
  });
});
