/** Draws a kite against a sky as SVG, from the table alone: the same table gives the same picture. */
import { SKIES, type DemoPicture, type KiteKind } from './pictures.ts';

/** A small generator of numbers between 0 and 1, always the same for the same seed (mulberry32). */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

export const seedOf = (text: string): number =>
  [...text].reduce((hash, letter) => Math.imul(hash ^ letter.charCodeAt(0), 16777619) >>> 0, 2166136261);

type Shape = (a: string, b: string, c: string) => string;

/** Kites in a box of -50 to 50. */
const SHAPES: Record<KiteKind, Shape> = {
  delta: (a, b, c) =>
    `<path d="M0-38 62 30 0 16-62 30Z" fill="${a}"/><path d="M0-38 20 20 0 16-20 20Z" fill="${b}"/><circle cy="2" r="6" fill="${c}"/>`,
  diamond: (a, b, c) =>
    `<path d="M0-50 34-8 0 54-34-8Z" fill="${a}"/><path d="M0-50 34-8 0-8Z" fill="${b}"/><path d="M0-8 0 54-34-8Z" fill="${c}"/><path d="M0-50V54M-34-8H34" stroke="#2a2320" stroke-width="1.5"/>`,
  box: (a, b, c) =>
    `<path d="M-30-44 6-52 36-40V-12L6-22-30-14Z" fill="${a}"/><path d="M-30 16 6 8 36 20V48L6 38-30 46Z" fill="${c}"/><path d="M6-52V-22M6 8V38" stroke="${b}" stroke-width="3"/><path d="M-30-44V46M36-40V48M6-52V38" stroke="#2a2320" stroke-width="1.6" fill="none"/>`,
  parafoil: (a, b, c) =>
    `${[-2, -1, 0, 1, 2].map((n) => `<path d="M${n * 24 - 12} ${-20 + n * n * 5}q12-14 24 0v40q-12 8-24 0z" fill="${[a, b, c][(n + 3) % 3]}"/>`).join('')}<path d="M-58 20 0 70 58 20M-20 18 0 70 20 18" stroke="#2a2320" fill="none"/>`,
  rokkaku: (a, b, c) =>
    `<path d="M0-52 36-28V28L0 52-36 28V-28Z" fill="${b}"/><path d="M0-52 36-28-36-28ZM0 52 36 28-36 28Z" fill="${a}"/><circle r="17" fill="${c}"/><path d="M0-52V52M-36-28H36M-36 28H36" stroke="#2a2320" stroke-width="1.4"/>`,
  eye: (a, b, c) =>
    `<ellipse rx="54" ry="38" fill="${a}"/><circle r="22" fill="${b}"/><circle r="9" fill="${c}"/><path d="M-54 0A54 38 0 0 1 54 0" fill="none" stroke="${b}" stroke-width="4"/>`,
  star: (a, b, c) =>
    `${[0, 72, 144, 216, 288].map((turn, n) => `<path transform="rotate(${turn})" d="M0-56 15-14 0 0-15-14Z" fill="${[a, b, a, b, c][n]}"/>`).join('')}<circle r="10" fill="${c}"/>`,
  sled: (a, b, c) =>
    `<path d="M-28-46H28L52-6 28 46H-28L-52-6Z" fill="${a}"/><path d="M-28-46V46M28-46V46" stroke="#2a2320" stroke-width="2"/><circle cy="10" r="13" fill="${b}"/><path d="M-28-46H28V-34H-28Z" fill="${c}"/>`,
  reel: (a, b, c) =>
    `<rect x="-44" y="-44" width="88" height="12" rx="4" fill="${c}"/><rect x="-44" y="32" width="88" height="12" rx="4" fill="${c}"/><rect x="-28" y="-32" width="56" height="64" fill="${a}"/>${Array.from({ length: 9 }, (_, n) => `<path d="M-28 ${-28 + n * 7}q28 6 56 0" stroke="${b}" stroke-width="2.4" fill="none"/>`).join('')}`,
};

export function drawing(picture: DemoPicture): string {
  const { width, height, at, turn, colours, kind } = picture;
  const next = seeded(seedOf(picture.path));
  const [top, middle, foot, hill] = SKIES[picture.sky] ?? SKIES[0]!;
  const side = Math.min(width, height);
  const x = at[0] * width;
  const y = at[1] * height;
  const scale = (at[2] * side) / 110;
  const clouds = Array.from(
    { length: 5 },
    () =>
      `<ellipse cx="${next() * width}" cy="${next() * height * 0.6}" rx="${side * (0.12 + next() * 0.3)}" ry="${side * (0.015 + next() * 0.05)}" fill="#fff" opacity="${0.1 + next() * 0.22}"/>`,
  ).join('');
  const ridge = (base: number, swing: number) => {
    const points = Array.from(
      { length: 7 },
      (_, n) => `${(n / 6) * width} ${height * (base + (next() - 0.5) * swing)}`,
    );
    return `M0 ${height}L${points.join('L')}L${width} ${height}Z`;
  };
  const tail = `M${x} ${y + scale * 48}c${side * 0.1} ${side * 0.14} ${-side * 0.12} ${side * 0.2} ${side * (next() * 0.2 - 0.1)} ${side * 0.36}`;
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}">
<defs><linearGradient id="sky" x2="${(next() - 0.5) * 0.5}" y2="1"><stop stop-color="${top}"/><stop offset=".55" stop-color="${middle}"/><stop offset="1" stop-color="${foot}"/></linearGradient></defs>
<rect width="${width}" height="${height}" fill="url(#sky)"/>
<circle cx="${next() * width}" cy="${next() * height * 0.4}" r="${side * 0.05}" fill="#fff8e4" opacity=".75"/>${clouds}
<path d="${ridge(0.78, 0.12)}" fill="${hill}" opacity=".55"/><path d="${ridge(0.88, 0.1)}" fill="${hill}"/>
<path d="${tail}" fill="none" stroke="#2a2320" stroke-opacity=".75" stroke-width="${side * 0.004}"/>
<g transform="translate(${x} ${y}) rotate(${turn}) scale(${scale})">${SHAPES[kind](...colours)}</g>
</svg>`;
}
