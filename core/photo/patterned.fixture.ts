/** Small grey pictures for tests, different for each seed: a few soft spots on a slope. */
import type { Luma } from './luma.ts';

export function patterned(seed: number, width = 48, height = 48): Luma {
  // Numbers between 0 and 1 that are the same for the same seed (a Lehmer generator; Park and Miller 1988).
  let state = (seed * 7919 + 1) % 2147483647;
  const next = () => (state = (state * 48271) % 2147483647) / 2147483647;
  const spots = Array.from({ length: 6 }, () => ({
    x: next() * width,
    y: next() * height,
    size: (0.06 + next() * 0.16) * width,
    shade: next() * 200 - 100,
  }));
  const data = new Uint8Array(width * height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const shade = spots.reduce(
        (sum, spot) => sum + spot.shade * Math.exp(-((x - spot.x) ** 2 + (y - spot.y) ** 2) / (2 * spot.size ** 2)),
        110 + (y / height) * 40,
      );
      data[y * width + x] = Math.max(0, Math.min(255, Math.round(shade)));
    }
  }
  return { width, height, data };
}

/** A part of a picture, in px. */
export function cut({ width, data }: Luma, left: number, top: number, across: number, down: number): Luma {
  return {
    width: across,
    height: down,
    data: Uint8Array.from(
      { length: across * down },
      (_, n) => data[(top + Math.floor(n / across)) * width + left + (n % across)]!,
    ),
  };
}
