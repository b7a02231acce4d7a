/**
 * Two measures of how alike two pictures are, for tests. Written from the papers, not from the code that they judge.
 */
import type { Pixels } from '../core/photo/index.ts';

/** 10·log10(255² / mean squared error) over red, green and blue; dB. */
export function peakSignalToNoise(a: Pixels, b: Pixels): number {
  let sum = 0;
  for (let at = 0; at < a.data.length; at += 4)
    for (let c = 0; c < 3; c++) sum += (a.data[at + c]! - b.data[at + c]!) ** 2;
  return 10 * Math.log10(255 ** 2 / (sum / (a.data.length * 0.75) || 1e-12));
}

/**
 * Wang, Bovik, Sheikh, Simoncelli, "Image Quality Assessment", IEEE TIP 2004: K1 = 0.01, K2 = 0.03, 11×11 Gaussian, σ
 * = 1.5, on luma (BT.601).
 */
export function structuralSimilarity(a: Pixels, b: Pixels): number {
  const luma = ({ data }: Pixels) =>
    Float64Array.from(
      { length: data.length / 4 },
      (_, n) => 0.299 * data[n * 4]! + 0.587 * data[n * 4 + 1]! + 0.114 * data[n * 4 + 2]!,
    );
  const [x, y] = [luma(a), luma(b)];
  const weights = Array.from({ length: 121 }, (_, n) =>
    Math.exp(-(((n % 11) - 5) ** 2 + (Math.floor(n / 11) - 5) ** 2) / 4.5),
  );
  const total = weights.reduce((sum, weight) => sum + weight, 0);
  const c1 = (0.01 * 255) ** 2;
  const c2 = (0.03 * 255) ** 2;
  let sum = 0;
  let count = 0;
  for (let top = 0; top + 11 <= a.height; top++) {
    for (let left = 0; left + 11 <= a.width; left++) {
      let mx = 0,
        my = 0,
        xx = 0,
        yy = 0,
        xy = 0;
      for (let n = 0; n < 121; n++) {
        const at = (top + Math.floor(n / 11)) * a.width + left + (n % 11);
        const weight = weights[n]! / total;
        mx += weight * x[at]!;
        my += weight * y[at]!;
        xx += weight * x[at]! ** 2;
        yy += weight * y[at]! ** 2;
        xy += weight * x[at]! * y[at]!;
      }
      sum +=
        ((2 * mx * my + c1) * (2 * (xy - mx * my) + c2)) /
        ((mx ** 2 + my ** 2 + c1) * (xx - mx ** 2 + yy - my ** 2 + c2));
      count++;
    }
  }
  return sum / count;
}
