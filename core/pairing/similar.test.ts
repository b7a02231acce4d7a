import { describe, expect, it } from 'vitest';
import { type Luma, perceptualHash, type PhotoFacts } from '../photo/index.ts';
import { cut, patterned } from '../photo/patterned.fixture.ts';
import { pairPictures } from './pairs.ts';
import type { Pairing } from './pair.ts';
import { newContentMemory } from './content.ts';
import { similarTo } from './similar.ts';

function factsOf(luma: Luma, width = 1200): PhotoFacts {
  const data = new Uint8ClampedArray(luma.data.length * 4);
  luma.data.forEach((grey, n) => data.set([grey, grey, grey, 255], n * 4));
  const mean = luma.data.reduce((sum, grey) => sum + grey, 0) / luma.data.length;
  const height = Math.round((width * luma.height) / luma.width);
  const likeness = perceptualHash({ width: luma.width, height: luma.height, data });
  return { width, height, orientation: 1, likeness, mean: [mean, mean, mean], luma, words: {} };
}

const changed = ({ width, height, data }: Luma, by: (grey: number) => number): Luma => ({
  width,
  height,
  data: data.map((grey) => Math.max(0, Math.min(255, Math.round(by(grey))))),
});

/** With room above, so that a brighter copy is not burnt out. */
const KITE = changed(patterned(3, 60, 48), (grey) => grey * 0.7);

function found(pictures: Record<string, PhotoFacts>): Pairing {
  const paths = Object.keys(pictures);
  const contentOf = (path: string) => {
    const facts = pictures[path];
    return facts ? { hash: path, facts } : null;
  };
  return pairPictures({ paths, contentOf, evidence: [] });
}

describe('an edited copy', () => {
  it.each<[string, Luma]>([
    ['brighter', changed(KITE, (grey) => grey * 1.25)],
    ['darker', changed(KITE, (grey) => grey * 0.7)],
    ['of more contrast', changed(KITE, (grey) => (grey - 120) * 1.3 + 120)],
    ['cut a little closer', cut(KITE, 2, 2, 55, 44)],
  ])('%s is similar, and no copy', (_how, luma) => {
    const { similar, alike, pairs } = found({
      'kite.jpg': factsOf(KITE),
      'kite-2.jpg': factsOf(luma, 1100),
      'other.jpg': factsOf(patterned(8, 60, 48)),
    });
    expect([similar, alike]).toEqual([[['kite.jpg', 'kite-2.jpg']], []]);
    expect(pairs.map(({ state }) => state)).not.toContain('twice');
  });

  it('is told once, as a copy, where it is only smaller', () => {
    const { similar, alike } = found({ 'kite.jpg': factsOf(KITE), 'kite-2.jpg': factsOf(KITE, 800) });
    expect([similar, alike]).toEqual([[], [['kite.jpg', 'kite-2.jpg']]]);
  });

  it('is none where two pictures only have their shape in common', () => {
    const many = Array.from({ length: 12 }, (_, n) => [`p${n}.jpg`, factsOf(patterned(n + 20, 60, 48))] as const);
    expect(found(Object.fromEntries(many)).similar).toEqual([]);
  });

  it('is looked for a few at a time, and found in the end', () => {
    const memory = newContentMemory();
    const contents = Array.from({ length: 9 }, (_, n) => ({
      path: `k${n}.jpg`,
      hash: `k${n}`,
      facts: factsOf(
        changed(KITE, (grey) => grey * (1 - n * 0.03)),
        1200 - n,
      ),
    }));
    const once = () => similarTo(memory, contents, () => false, 'a few');
    // Nine pictures are 36 pairs.
    expect(once()).toMatchObject({ left: 12 });
    const { similar, left } = once();
    expect([similar.length, left]).toEqual([36, 0]);
  });
});
