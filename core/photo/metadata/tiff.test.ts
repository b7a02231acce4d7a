/** Structures built here field by field, in both orders of bytes (TIFF 6.0 §2; CIPA DC-008 §4.6). */
import { describe, expect, it } from 'vitest';
import { strikePlace, tiffOf } from './tiff.ts';

/** Numbers written one behind another: `[bytes, value]`. */
function written(little: boolean, fields: readonly (readonly [number, number])[]): Uint8Array {
  const bytes = new Uint8Array(fields.reduce((sum, [size]) => sum + size, 0));
  const view = new DataView(bytes.buffer);
  let at = 0;
  for (const [size, value] of fields) {
    if (size === 4) view.setUint32(at, value, little);
    else if (size === 2) view.setUint16(at, value, little);
    else bytes[at] = value;
    at += size;
  }
  return bytes;
}

type Fields = readonly (readonly [number, number])[];
const header = (little: boolean, first = 8): Fields => [
  ...(little
    ? ([
        [1, 0x49],
        [1, 0x49],
      ] as const)
    : ([
        [1, 0x4d],
        [1, 0x4d],
      ] as const)),
  [2, 42],
  [4, first],
];
const entry = (tag: number, type: number, count: number, value: number): Fields => [
  [2, tag],
  [2, type],
  [4, count],
  [4, value],
];
const letters = (text: string): Fields => [...text].map((letter) => [1, letter.charCodeAt(0)] as const);
const GPS = 0x8825;
const orders = [
  ['little end first', true],
  ['big end first', false],
] as const;

describe('texts', () => {
  it('stand in a directory in the order of their tags, those of up to four bytes within it, the rest behind', () => {
    expect(tiffOf({ copyright: 'abc', description: 'a kite', artist: 'abcde' }, undefined)).toEqual(
      written(true, [
        ...header(true),
        [2, 3],
        ...entry(0x010e, 2, 7, 50),
        ...entry(0x013b, 2, 6, 58),
        ...[[2, 0x8298] as const, [2, 2] as const, [4, 4] as const, ...letters('abc\0')],
        [4, 0],
        // An odd length is evened out.
        ...letters('a kite\0\0'),
        ...letters('abcde\0'),
      ]),
    );
  });

  it('are written as UTF-8', () => {
    expect([...(tiffOf({ artist: 'é' }, undefined) ?? []).slice(10)]).toEqual([
      ...written(true, [
        [2, 0x013b],
        [2, 2],
        [4, 3],
        [1, 0xc3],
        [1, 0xa9],
        [2, 0],
        [4, 0],
      ]),
    ]);
  });

  it('are followed by the date in a directory of its own', () => {
    const date = '2026:06:14 10:12:13';
    const second = (at: number): Fields => [[2, 1], ...entry(0x9003, 2, 20, at + 18), [4, 0], ...letters(`${date}\0`)];
    expect(tiffOf({}, '2026-06-14T10:12:13.250')).toEqual(
      written(true, [...header(true), [2, 1], ...entry(0x8769, 4, 1, 26), [4, 0], ...second(26)]),
    );
    expect(tiffOf({ copyright: 'c', artist: 'abcd' }, '2026-06-14T10:12:13')).toEqual(
      written(true, [
        ...header(true),
        [2, 3],
        ...entry(0x013b, 2, 5, 50),
        ...entry(0x8298, 2, 2, 'c'.charCodeAt(0)),
        ...entry(0x8769, 4, 1, 56),
        [4, 0],
        ...letters('abcd\0\0'),
        ...second(56),
      ]),
    );
  });

  it('make no structure where there is nothing to say', () => {
    expect(tiffOf({}, undefined)).toBeNull();
    expect(tiffOf({ artist: '' }, undefined)).toBeNull();
  });
});

describe('the place', () => {
  it.each(orders)('is struck out with what stands behind its directory, %s', (_name, little) => {
    // A directory with another text and the place; then the place: one value within the entry, one behind, then a text.
    const before: Fields = [
      ...header(little),
      [2, 2],
      ...entry(0x010e, 2, 4, 0x41424344),
      ...entry(GPS, 4, 1, 38),
      [4, 0],
    ];
    const after: Fields = letters('kept');
    const place: Fields = [[2, 2], ...entry(1, 2, 2, 0x4e000000), ...entry(2, 5, 2, 68), [4, 0]];
    const values: Fields = [
      [4, 54],
      [4, 1],
      [4, 12],
      [4, 7],
    ];
    const file = written(little, [...before, ...place, ...values, ...after]);
    expect(strikePlace(file)).toBe(true);
    const nothing = (fields: Fields): Fields => fields.map(([size]) => [size, 0] as const);
    expect(file).toEqual(written(little, [...before, ...nothing(place), ...nothing(values), ...after]));
    expect(strikePlace(file)).toBe(false);
  });

  it.each([
    [1, 5],
    [2, 5],
    [3, 3],
    [4, 2],
    [5, 1],
    [6, 5],
    [7, 5],
    [8, 3],
    [9, 2],
    [10, 1],
    [11, 2],
    [12, 1],
  ])('takes %d for a type of values that need %d to stand behind', (type, count) => {
    const size = { 1: 1, 2: 1, 3: 2, 4: 4, 5: 8, 6: 1, 7: 1, 8: 2, 9: 4, 10: 8, 11: 4, 12: 8 }[type] ?? 0;
    const bytes = size * count;
    const file = written(true, [
      ...header(true),
      [2, 1],
      ...entry(GPS, 4, 1, 26),
      [4, 0],
      [2, 1],
      ...entry(2, type, count, 44),
      [4, 0],
      ...letters('x'.repeat(bytes + 1)),
    ]);
    expect(strikePlace(file)).toBe(true);
    expect([...file.subarray(44)]).toEqual([...new Uint8Array(bytes), 'x'.charCodeAt(0)]);
  });

  it('leaves alone what an entry holds itself, and what is of no known type', () => {
    for (const [type, count] of [
      [1, 4],
      [4, 1],
      [0, 5],
      [99, 5],
    ] as const) {
      const file = written(true, [
        ...header(true),
        [2, 1],
        ...entry(GPS, 4, 1, 26),
        [4, 0],
        [2, 1],
        ...entry(2, type, count, 44),
        [4, 0],
        ...letters('untouched'),
      ]);
      expect(strikePlace(file)).toBe(true);
      expect(file.subarray(44)).toEqual(written(true, letters('untouched')));
    }
  });

  it('is looked for in each directory, however many there are', () => {
    for (const directories of [2, 8, 300]) {
      const fields: (readonly [number, number])[] = [...header(true)];
      const place = 8 + directories * 18;
      for (let n = 1; n < directories; n++) fields.push([2, 1], ...entry(0x010e, 2, 1, 0x41), [4, 8 + n * 18]);
      fields.push([2, 1], ...entry(GPS, 4, 1, place), [4, 0], [2, 1], ...entry(1, 2, 2, 78), [4, 0]);
      expect(strikePlace(written(true, fields))).toBe(true);
    }
  });

  it('is struck out of every directory that has one, also where the last has none to strike', () => {
    const file = written(true, [
      ...header(true),
      ...[[2, 1] as const, ...entry(GPS, 4, 1, 44), [4, 26] as const],
      ...[[2, 1] as const, ...entry(GPS, 4, 1, 44), [4, 0] as const],
      ...[[2, 1] as const, ...entry(1, 2, 2, 78), [4, 0] as const],
    ]);
    expect(strikePlace(file)).toBe(true);
    expect([...file.subarray(44, 58)]).toEqual(Array<number>(14).fill(0));
  });

  it('ends where directories lead in a circle, or out of the structure', () => {
    const circle = written(true, [...header(true), [2, 1], ...entry(0x010e, 2, 1, 0x41), [4, 8]]);
    expect(strikePlace(circle)).toBe(false);
    for (const first of [0, 7, 25, 26, 1000])
      expect(strikePlace(written(true, [...header(true, first), [2, 1], ...entry(GPS, 4, 1, 8), [4, 0]]))).toBe(false);
    expect(
      strikePlace(
        written(true, [
          [1, 0x49],
          [1, 0x49],
          [2, 42],
        ]),
      ),
    ).toBe(false);
    // A directory whose entries, or whose way on, would stand behind the end.
    for (const missing of [1, 4, 5, 16]) {
      const cut = written(true, [...header(true), [2, 1], ...entry(GPS, 4, 1, 26), [4, 0]]);
      expect(strikePlace(cut.slice(0, -missing))).toBe(false);
    }
  });

  it('is not struck out of anything that is not there', () => {
    const leadingTo = (at: number, ...behind: Fields) =>
      written(true, [...header(true), [2, 1], ...entry(GPS, 4, 1, at), [4, 0], ...behind]);
    for (const at of [0, 7, 25, 26, 500]) {
      const file = leadingTo(at);
      const same = Uint8Array.from(file);
      expect([strikePlace(file), file]).toEqual([false, same]);
    }
    // The very end: a count, and nothing behind it.
    const last = leadingTo(26, [2, 1]);
    expect(strikePlace(last)).toBe(true);
    expect([...last.subarray(26)]).toEqual([0, 0]);
    // A directory that says more entries than there is room for ends with the structure; a value behind the end is none.
    const cut = leadingTo(26, [2, 9], ...entry(2, 5, 3, 40), [4, 7]);
    expect(strikePlace(cut)).toBe(true);
    expect([...cut.subarray(26)]).toEqual(Array<number>(18).fill(0));
    const beside = leadingTo(26, [2, 1], ...entry(2, 5, 1, 44), [4, 0], [4, 1], [4, 1]);
    expect(strikePlace(beside)).toBe(true);
    expect([...beside.subarray(44)]).toEqual(Array<number>(8).fill(0));
    const outside = leadingTo(26, [2, 1], ...entry(2, 5, 1, 45), [4, 0], [4, 1], [4, 1]);
    expect(strikePlace(outside)).toBe(true);
    expect([...outside.subarray(44)]).toEqual([1, 0, 0, 0, 1, 0, 0, 0]);
  });
});
