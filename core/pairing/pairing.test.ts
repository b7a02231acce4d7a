import { describe, expect, it } from 'vitest';
import type { PhotoFacts } from '../photo/index.ts';
import { pairPictures, thumbnailPathFor } from './pairs.ts';

const none = () => undefined;
const pairsOf = (paths: string[]) => pairPictures(paths, none, []).pairs.filter((pair) => pair.thumbnail).map((pair) => [pair.thumbnail, pair.full]);

describe('names (common practice, no source)', () => {
  it.each([
    ['a suffix -thumb', ['kite-thumb.jpg', 'kite.jpg'], [['kite-thumb.jpg', 'kite.jpg']]],
    ['a suffix _t', ['kite_t.jpg', 'kite.jpg'], [['kite_t.jpg', 'kite.jpg']]],
    ['a prefix tn_', ['tn_kite.jpg', 'kite.jpg'], [['tn_kite.jpg', 'kite.jpg']]],
    ['a suffix -small', ['kite-small.jpg', 'kite.jpg'], [['kite-small.jpg', 'kite.jpg']]],
    ['-small beside -large', ['kite-small.jpg', 'kite-large.jpg'], [['kite-small.jpg', 'kite-large.jpg']]],
    ['a folder thumbs', ['thumbs/kite.jpg', 'kite.jpg'], [['thumbs/kite.jpg', 'kite.jpg']]],
    ['small beside large', ['p/small/kite.jpg', 'p/large/kite.jpg'], [['p/small/kite.jpg', 'p/large/kite.jpg']]],
    ['a size at the end', ['kite-150x134.jpg', 'kite.jpg'], [['kite-150x134.jpg', 'kite.jpg']]],
    ['another format', ['thumbs/kite.jpg', 'kite.webp'], [['thumbs/kite.jpg', 'kite.webp']]],
    ['other capitals', ['small/kite.jpg', 'large/Kite.JPG'], [['small/kite.jpg', 'large/Kite.JPG']]],
    ['folders apart', ['img/thumbs/kite.jpg', 'photos/kite.jpg'], [['img/thumbs/kite.jpg', 'photos/kite.jpg']]],
    ['a name that ends in _s by itself', ['anna_s.jpg', 'bert.jpg'], []],
    ['the same name in two places is no match', ['thumbs/kite.jpg', 'a/kite.jpg', 'b/kite.jpg'], []],
  ])('%s', (_name, paths, pairs) => expect(pairsOf(paths)).toEqual(pairs));

  it('says the rule by which each pair was found and counts them', () => {
    const { rules, pairs } = pairPictures(['s/small/a.jpg', 's/large/a.jpg', 's/small/b.jpg', 's/large/b.jpg'], none, []);
    expect(rules).toEqual([{ says: 's/small/{name}.jpg ↔ s/large/{name}.jpg', count: 2 }]);
    expect(pairs[0]?.restsOn).toEqual([{ kind: 'name', says: 's/small/{name}.jpg ↔ s/large/{name}.jpg' }]);
  });

  it('names loose thumbnails and pictures without one', () => {
    const { pairs, loose } = pairPictures(['thumbs/x.jpg', 'y.jpg'], none, []);
    expect(loose).toEqual(['thumbs/x.jpg']);
    expect(pairs).toMatchObject([{ full: 'y.jpg', thumbnail: null, state: 'no thumbnail' }]);
  });
});

describe('evidence of pages', () => {
  it('pairs what names do not', () => {
    const { pairs } = pairPictures(['img_0231.jpg', 'reel.jpg'], none, [{ page: 'a.html', line: 7, thumbnail: 'img_0231.jpg', full: 'reel.jpg' }]);
    expect(pairs).toMatchObject([{ thumbnail: 'img_0231.jpg', full: 'reel.jpg', restsOn: [{ kind: 'page', says: 'a.html, line 7' }] }]);
  });
});

describe('content', () => {
  const facts = (likeness: string, width: number): PhotoFacts => ({ width, height: width, orientation: 1, likeness, mean: [0, 0, 0], words: {} });
  const all: Record<string, PhotoFacts> = { 'small/a.jpg': facts('ffffffff00000000', 150), 'large/a.jpg': facts('00000000ffffffff', 1600), 'large/b.jpg': facts('ffffffff00000001', 1600), 'small/c.jpg': facts('f0f0f0f0f0f0f0f0', 1600), 'large/c.jpg': facts('f0f0f0f0f0f0f0f0', 150) };

  it('tells another picture, and which one it is, and what is swapped', () => {
    const { pairs } = pairPictures(Object.keys(all), (path) => all[path], []);
    expect(pairs).toMatchObject([{ full: 'large/a.jpg', state: 'another picture', shows: 'large/b.jpg', distance: 64 }, { full: 'large/b.jpg', state: 'no thumbnail' }, { full: 'large/c.jpg', state: 'swapped', distance: 0 }]);
  });
});

describe('thumbnailPathFor', () => {
  it('follows the neighbours, or begins a folder', () => {
    const { pairs } = pairPictures(['p/small/a.jpg', 'p/large/a.jpg', 'p/large/b.png', 'loose.jpg'], none, []);
    expect(thumbnailPathFor('p/large/b.png', pairs)).toBe('p/small/b.jpg');
    expect(thumbnailPathFor('loose.jpg', pairs)).toBe('thumbs/loose.jpg');
  });
});
