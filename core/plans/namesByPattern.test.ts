import { describe, expect, it } from 'vitest';
import type { MadeRecord } from '../site/index.ts';
import { companionsOf, renamesBy } from './namesByPattern.ts';

const picture = (full: string, thumbnail: string | null = null, takenAt: string | null = null) => ({
  full,
  thumbnail,
  takenAt,
});
const named = (
  pattern: string,
  pictures: ReturnType<typeof picture>[],
  tidy = false,
  companions?: Map<string, string[]>,
) => {
  const plan = renamesBy({ pattern, tidy }, pictures, companions);
  return plan.ok ? plan.renames.map(({ from, to }) => `${from} → ${to}`) : `${plan.full}: ${plan.reason}`;
};

describe('names by a pattern', () => {
  it('go to a picture and all that was made of it', () => {
    const companions = new Map([['l/Reel.JPG', ['d/Reel@2x.JPG', 'o/other.png']]]);
    expect(
      named('kite-{number:2}', [picture('l/Reel.JPG', 's/thumb_reel.JPG'), picture('l/x.jpg')], false, companions),
    ).toEqual([
      'l/Reel.JPG → l/kite-01.JPG',
      's/thumb_reel.JPG → s/thumb_kite-01.JPG',
      'd/Reel@2x.JPG → d/kite-01@2x.JPG',
      'o/other.png → o/kite-01.png',
      'l/x.jpg → l/kite-02.jpg',
    ]);
  });

  it('are tidied where that is asked for, their endings too', () => {
    expect(named('{name}', [picture('l/Été 1.JPG', 's/Été 1_k.JPG')], true)).toEqual([
      'l/Été 1.JPG → l/ete-1.jpg',
      's/Été 1_k.JPG → s/ete-1_k.jpg',
    ]);
    expect(named('{name}', [picture('l/a.jpg')], true)).toEqual([]);
    expect(named('{name}', [picture('l/a.JPG')], false)).toEqual([]);
  });

  it('are refused for the picture that they do not fit', () => {
    expect(named('{date}', [picture('a.jpg', null, '2026-06-14T10:00:00'), picture('b.jpg')])).toBe(
      'b.jpg: b does not say when it was taken.',
    );
    expect(named('!!', [picture('a.jpg')], true)).toBe(
      'a.jpg: Nothing of “!!” is left when it is put into lower case without accents and spaces.',
    );
  });
});

describe('what else was made of a picture', () => {
  it('is further sizes, dense copies, and its original', () => {
    const record = (path: string, as: string, from: string): [string, MadeRecord] => [
      path,
      { path, as, from, of: 'h', by: '1', is: 'i' },
    ];
    const made = new Map([
      record('l/a.jpg', 'full-size', 'o/a.png'),
      record('s/a.jpg', 'thumbnail', 'o/a.png'),
      record('s/a@2x.jpg', 'dense', 'o/a.png'),
      record('m/a.jpg', 'middle', 'o/a.png'),
      record('m/b.jpg', 'middle', 'l/b.jpg'),
      record('l/c.jpg', 'full-size', 'l/c.jpg'),
    ]);
    expect([...companionsOf({ made, files: new Map() })]).toEqual([
      ['l/a.jpg', ['s/a@2x.jpg', 'm/a.jpg', 'o/a.png']],
      ['l/b.jpg', ['m/b.jpg']],
    ]);
  });
});
