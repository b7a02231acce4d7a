/**
 * Contrast of the palette by the formula of WCAG 2.2 (relative luminance; 1.4.3 text 4.5:1, 1.4.11 signs 3:1), first
 * checked on published values.
 */
import { describe, expect, it } from 'vitest';
import { TOKENS, type Token } from '../../app/ui/theme.ts';

function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5]
    .map((at) => parseInt(hex.slice(at, at + 2), 16) / 255)
    .map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4));
  return 0.2126 * (r ?? 0) + 0.7152 * (g ?? 0) + 0.0722 * (b ?? 0);
}

function contrast(a: string, b: string): number {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return ((light ?? 0) + 0.05) / ((dark ?? 0) + 0.05);
}

describe('the formula', () => {
  it.each([
    ['#000000', '#FFFFFF', 21],
    ['#767676', '#FFFFFF', 4.54],
    ['#777777', '#FFFFFF', 4.48],
  ])('%s on %s is %d to 1', (a, b, ratio) => expect(contrast(a, b)).toBeCloseTo(ratio, 2));
});

const TEXT: [Token, Token[]][] = [
  ['peat', ['mist', 'paper', 'heatherWash']],
  ['stone', ['mist', 'paper', 'heatherWash']],
  ['heather', ['mist', 'paper', 'heatherWash']],
  ['gorse', ['paper', 'gorseWash', 'mist']],
  ['rust', ['paper', 'rustWash', 'mist', 'heatherWash']],
  ['lichen', ['paper', 'lichenWash', 'mist']],
  ['onHeather', ['heather']],
];

describe.each(['light', 'dark'] as const)('%s', (scheme) => {
  const t = TOKENS[scheme];
  it.each(TEXT.flatMap(([text, grounds]) => grounds.map((ground) => [text, ground] as const)))(
    '%s can be read on %s',
    (text, ground) => expect(contrast(t[text], t[ground])).toBeGreaterThanOrEqual(4.5),
  );
  it.each(['edge', 'lichen', 'rust', 'gorse', 'heather'] as const)('lines and beads of %s can be seen', (token) => {
    for (const ground of ['mist', 'paper'] as const) expect(contrast(t[token], t[ground])).toBeGreaterThanOrEqual(3);
  });
});
