/**
 * An IPTC record in a JPEG's APP13 segment (IPTC Photo Metadata Standard, IIM 4.2 record 2), which the picture
 * library does not write.
 */

const DATASETS = { title: 5, keywords: 25, credit: 110, copyright: 116, caption: 120 } as const;
/** A dataset is repeated for each of several values. */
export type IptcWords = Partial<Record<keyof typeof DATASETS, string | readonly string[]>>;

/** What an APP13 segment with IPTC records in it begins with, by convention. */
const IDENTIFIER = Buffer.from('50686f746f73686f7020332e3000', 'hex');

/** IIM 1:90 says that the text is UTF-8. */
const UTF8 = Buffer.from([0x1c, 1, 90, 0, 3, 0x1b, 0x25, 0x47]);

export function withIptc(jpeg: Buffer, words: IptcWords): Buffer {
  const sets = (Object.keys(DATASETS) as (keyof typeof DATASETS)[]).flatMap((name) =>
    [words[name] ?? []].flat().flatMap((value) => {
      const text = Buffer.from(value, 'utf8');
      const head = Buffer.from([0x1c, 2, DATASETS[name], text.length >> 8, text.length & 255]);
      return text.length === 0 ? [] : [head, text];
    }),
  );
  const record = Buffer.concat([UTF8, ...sets]);
  const padded = record.length % 2 === 0 ? record : Buffer.concat([record, Buffer.alloc(1)]);
  const length = Buffer.alloc(4);
  length.writeUInt32BE(record.length);
  const resource = Buffer.concat([Buffer.from('8BIM'), Buffer.from([0x04, 0x04, 0, 0]), length, padded]);
  const body = Buffer.concat([IDENTIFIER, resource]);
  const head = Buffer.from([0xff, 0xed, (body.length + 2) >> 8, (body.length + 2) & 255]);
  return Buffer.concat([jpeg.subarray(0, 2), head, body, jpeg.subarray(2)]);
}
