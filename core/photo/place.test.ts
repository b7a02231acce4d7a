import { describe, expect, it } from 'vitest';
import { cut, patterned } from './patterned.fixture.ts';
import { cellMeans, lumaAt, lumaOf, summedArea } from './luma.ts';
import { agreementOfWhole, findPlace, soughtOf } from './place.ts';

describe('luma', () => {
  it('has the weights of ITU-R BT.601', () => {
    const pixel = (r: number, g: number, b: number) => lumaAt(new Uint8ClampedArray([r, g, b, 255]), 0);
    expect([pixel(255, 0, 0), pixel(0, 255, 0), pixel(0, 0, 255)].map((one) => one / 255)).toEqual(
      [0.299, 0.587, 0.114].map((weight) => expect.closeTo(weight, 6) as number),
    );
    expect(
      lumaOf({ width: 2, height: 1, data: new Uint8ClampedArray([255, 255, 255, 255, 255, 255, 255, 255]) }).data,
    ).toEqual(new Uint8Array([255, 255]));
  });

  it('is averaged over cells as by adding up, also where a cell ends within a pixel', () => {
    const luma = patterned(3, 20, 14);
    const into = new Float32Array(6);
    cellMeans(summedArea(luma), { left: 2, top: 3, width: 12, height: 8 }, 3, 2, into);
    const mean = (left: number, top: number) =>
      Array.from({ length: 16 }, (_, n) => luma.data[(top + Math.floor(n / 4)) * 20 + left + (n % 4)]!).reduce(
        (a, b) => a + b,
      ) / 16;
    expect([...into]).toEqual(
      [mean(2, 3), mean(6, 3), mean(10, 3), mean(2, 7), mean(6, 7), mean(10, 7)].map(
        (one) => expect.closeTo(one, 3) as number,
      ),
    );
    const half = new Float32Array(1);
    cellMeans(
      summedArea({ width: 2, height: 1, data: new Uint8Array([0, 100]) }),
      { left: 0.5, top: 0, width: 1, height: 1 },
      1,
      1,
      half,
    );
    expect(half[0]).toBeCloseTo(50, 4);
  });
});

describe('the place of a crop', () => {
  it.each([
    [0, 0, 40, 40],
    [10, 4, 30, 30],
    [24, 8, 40, 40],
    [5, 10, 44, 30],
    [0, 0, 64, 48],
  ])('from %d, %d, %d × %d px is found to two px', (left, top, width, height) => {
    for (let seed = 1; seed <= 8; seed++) {
      const whole = patterned(seed, 64, 48);
      const place = findPlace(soughtOf(cut(whole, left, top, width, height)), whole);
      expect(place.agreement).toBeGreaterThan(0.97);
      for (const [found, meant] of [
        [place.left * 64, left],
        [place.top * 48, top],
        [place.width * 64, width],
        [place.height * 48, height],
      ] as const)
        expect(Math.abs(found - meant)).toBeLessThan(2);
    }
  });

  it('does not see brightness and contrast', () => {
    const whole = patterned(4, 64, 48);
    const { data, ...size } = cut(whole, 8, 4, 36, 36);
    expect(
      findPlace(soughtOf({ ...size, data: data.map((shade) => shade * 0.7 + 30) }), whole).agreement,
    ).toBeGreaterThan(0.97);
  });

  it('is nowhere in another picture', () => {
    for (let seed = 1; seed <= 12; seed++)
      expect(findPlace(soughtOf(patterned(seed, 40, 40)), patterned(seed + 50, 64, 48)).agreement).toBeLessThan(0.85);
  });

  it('agrees with nothing where there is nothing to see', () => {
    const flat = { width: 20, height: 20, data: new Uint8Array(400).fill(128) };
    expect(findPlace(soughtOf(flat), patterned(1)).agreement).toBe(0);
    // Two plain areas of one shade are the same; of another shade they are not.
    expect(findPlace(soughtOf(flat), { ...flat, width: 10, height: 40 }).agreement).toBe(1);
    expect(findPlace(soughtOf(flat), { ...flat, data: new Uint8Array(400).fill(20) }).agreement).toBe(0);
  });

  it('is the whole where the shapes are the same', () => {
    expect(agreementOfWhole(soughtOf(patterned(2)), patterned(2))).toBeCloseTo(1, 5);
    expect(agreementOfWhole(soughtOf(patterned(2)), patterned(2, 64, 48))).toBeNull();
  });
});
