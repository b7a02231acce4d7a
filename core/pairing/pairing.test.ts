import { describe, expect, it } from 'vitest';
import type { Luma } from '../photo/index.ts';
import { cut, patterned } from '../photo/patterned.fixture.ts';
import { newContentMemory, searchContent, type Content } from './content.ts';
import { troubleOf } from './names.ts';
import { pairPictures } from './pairs.ts';
import { type PageEvidence, type PairingInput } from './pair.ts';
import { thumbnailPathFor } from './thumbnailPath.ts';

const byName = (paths: string[], evidence: PageEvidence[] = []) =>
  pairPictures({ paths, contentOf: () => null, evidence });
const pairsOf = (paths: string[]) =>
  byName(paths)
    .pairs.filter((pair) => pair.thumbnail)
    .map((pair) => [pair.thumbnail, pair.full]);

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
    const { rules, pairs } = byName(['s/small/a.jpg', 's/large/a.jpg', 's/small/b.jpg', 's/large/b.jpg']);
    expect(rules).toEqual([{ says: 's/small/{name}.jpg ↔ s/large/{name}.jpg', count: 2 }]);
    expect(pairs[0]?.restsOn).toEqual([{ kind: 'name', says: 's/small/{name}.jpg ↔ s/large/{name}.jpg' }]);
  });

  it('names loose thumbnails and pictures without one', () => {
    const { pairs, loose } = byName(['thumbs/x.jpg', 'y.jpg']);
    expect(loose).toEqual(['thumbs/x.jpg']);
    expect(pairs).toMatchObject([{ full: 'y.jpg', thumbnail: null, state: 'no thumbnail' }]);
  });
});

describe('evidence of pages', () => {
  it('pairs what names do not', () => {
    const { pairs } = byName(
      ['img_0231.jpg', 'reel.jpg'],
      [{ page: 'a.html', line: 7, thumbnail: 'img_0231.jpg', full: 'reel.jpg' }],
    );
    expect(pairs).toMatchObject([
      { thumbnail: 'img_0231.jpg', full: 'reel.jpg', restsOn: [{ kind: 'page', says: 'a.html, line 7' }] },
    ]);
  });
});

/** A site of pictures by path: seed of what it shows, and its width. */
type Shown = Record<
  string,
  { shows: number; width: number; luma?: Luma; mean?: [number, number, number]; hash?: string; likeness?: string }
>;

function pairing(shown: Shown, { evidence = [], ...more }: Partial<PairingInput> = {}) {
  const contentOf = (path: string): Content => {
    const {
      shows,
      width,
      luma = patterned(shows),
      mean = [9, 9, 9],
      hash = `${shows} ${width} ${path}`,
      likeness = shows
        .toString(16)
        .padStart(16, '0')
        .replace(/0/g, (_, n: number) => ((shows * (n + 3)) % 16).toString(16)),
    } = shown[path]!;
    return {
      hash,
      facts: {
        width,
        height: Math.round((width * luma.height) / luma.width),
        orientation: 1,
        likeness,
        mean,
        luma,
        words: {},
      },
    };
  };
  return pairPictures({ paths: Object.keys(shown), contentOf, evidence, ...more });
}
const small = (shows: number, more = {}) => ({ shows, width: 150, ...more });
const large = (shows: number, more = {}) => ({ shows, width: 1600, ...more });

describe('names and content together', () => {
  it('are sure where both agree', () => {
    const { pairs } = pairing({
      'small/a.jpg': small(1),
      'large/a.jpg': large(1),
      'small/b.jpg': small(2),
      'large/b.jpg': large(2),
    });
    expect(pairs).toMatchObject([
      { state: 'sure', thumbnail: 'small/a.jpg' },
      { state: 'sure', thumbnail: 'small/b.jpg' },
    ]);
    expect(pairs[0]!.restsOn.map(({ kind }) => kind)).toEqual(['name', 'content']);
    expect(pairs[0]!.crop).toMatchObject({ left: 0, top: 0, width: 1, height: 1 });
  });

  it('find the place of a crop, and outline it', () => {
    const whole = patterned(5, 64, 48);
    const { pairs } = pairing({
      'small/a.jpg': small(0, { luma: cut(whole, 20, 6, 34, 34) }),
      'large/a.jpg': large(0, { luma: whole }),
    });
    expect(pairs).toMatchObject([{ state: 'sure' }]);
    const { left, top, width, height, agreement } = pairs[0]!.crop!;
    expect(agreement).toBeGreaterThan(0.95);
    [left - 20 / 64, top - 6 / 48, width - 34 / 64, height - 34 / 48].forEach((apart) =>
      expect(Math.abs(apart)).toBeLessThan(0.04),
    );
  });

  it('tell a thumbnail of another picture, and which one it is', () => {
    const { pairs } = pairing({
      'small/a.jpg': small(2),
      'large/a.jpg': large(1),
      'small/b.jpg': small(2),
      'large/b.jpg': large(2),
    });
    expect(pairs).toMatchObject([
      { full: 'large/a.jpg', state: 'another picture', shows: 'large/b.jpg' },
      { full: 'large/b.jpg', state: 'sure' },
    ]);
  });

  it('bring together what names do not, and say that it rests on content only', () => {
    const { pairs } = pairing({
      'img_0231.jpg': small(3),
      'reel.jpg': large(3),
      'small/sled.jpg': small(4),
      'large/sled.jpg': large(4),
    });
    expect(pairs.find(({ full }) => full === 'reel.jpg')).toMatchObject({
      thumbnail: 'img_0231.jpg',
      state: 'content only',
      restsOn: [{ kind: 'content' }],
    });
  });

  it('follow the pictures where two thumbnails have changed names', () => {
    const { pairs } = pairing({
      'small/a.jpg': small(2),
      'large/a.jpg': large(1),
      'small/b.jpg': small(1),
      'large/b.jpg': large(2),
    });
    expect(pairs).toMatchObject([
      { full: 'large/a.jpg', thumbnail: 'small/b.jpg', state: 'content only' },
      { full: 'large/b.jpg', thumbnail: 'small/a.jpg', state: 'content only' },
    ]);
  });

  it('leave open what several pictures show', () => {
    const turned = (n: number) => ({
      luma: { ...patterned(6), data: patterned(6).data.map((shade, at) => (at % 97 === n ? shade ^ 3 : shade)) },
    });
    const { pairs } = pairing({
      'img_1.jpg': small(6),
      'x.jpg': large(6, { likeness: '0000000000000000', ...turned(1) }),
      'y.jpg': large(6, { likeness: 'ffffffffffffffff', ...turned(2) }),
    });
    expect(pairs.find(({ thumbnail }) => thumbnail === 'img_1.jpg')).toMatchObject({
      state: 'several',
      others: [expect.stringMatching(/^[xy]\.jpg$/)],
    });
  });

  it('are decided by colour where the shapes agree only half', () => {
    const half = patterned(1).data.map((shade, at) => Math.round(0.62 * shade + 0.38 * patterned(2).data[at]!));
    const of = (mean: [number, number, number]) =>
      pairing({ 'small/a.jpg': small(1, { luma: { ...patterned(1), data: half }, mean }), 'large/a.jpg': large(1) })
        .pairs[0]?.state;
    expect(of([9, 9, 9])).toBe('name only');
    expect(of([200, 30, 9])).toBe('another picture');
  });

  it('tell what is swapped', () => {
    expect(pairing({ 'small/c.jpg': large(7), 'large/c.jpg': small(7) }).pairs).toMatchObject([
      { full: 'large/c.jpg', state: 'swapped' },
    ]);
  });

  it('name a picture that is there twice, by its bytes or by its looks', () => {
    const { pairs } = pairing({
      'small/a.jpg': small(1),
      'large/a.jpg': large(1, { hash: 'same' }),
      'copy/a.jpg': large(1, { hash: 'same' }),
      'again.jpg': { shows: 1, width: 900 },
      'other.jpg': large(8),
    });
    expect(pairs.map(({ full, state }) => [full, state])).toEqual([
      ['again.jpg', 'twice'],
      ['other.jpg', 'no thumbnail'],
      ['copy/a.jpg', 'twice'],
      ['large/a.jpg', 'twice'],
    ]);
    expect(pairs.find(({ full }) => full === 'again.jpg')!.others.sort()).toEqual(['copy/a.jpg', 'large/a.jpg']);
  });

  it('do not speak where a picture has not been looked at', () => {
    const { pairs } = pairPictures({ paths: ['small/a.jpg', 'large/a.jpg'], contentOf: () => null, evidence: [] });
    expect(pairs).toMatchObject([{ state: 'sure', crop: null, restsOn: [{ kind: 'name' }] }]);
  });

  it('name what cannot be read', () => {
    const contentOf = (path: string): Content => ({
      hash: path,
      facts: {
        width: 0,
        height: 0,
        orientation: 1,
        likeness: '0'.repeat(16),
        mean: [0, 0, 0],
        luma: { width: 0, height: 0, data: new Uint8Array() },
        words: {},
        ...(path.startsWith('large') ? { unreadable: 'damaged' } : {}),
      },
    });
    expect(pairPictures({ paths: ['small/a.jpg', 'large/a.jpg'], contentOf, evidence: [] }).pairs).toMatchObject([
      { state: 'unreadable' },
    ]);
  });
});

describe('a search in steps', () => {
  it('takes a few at a time and comes to the same end', () => {
    const shown: Shown = Object.fromEntries(
      Array.from(
        { length: 10 },
        (_, n) =>
          [
            [`dsc_${n}.jpg`, small(n + 1, { luma: cut(patterned(n + 1, 64, 48), 8, 4, 40, 40) })],
            [`large/k${n}.jpg`, large(n + 1, { luma: patterned(n + 1, 64, 48) })],
          ] as const,
      ).flat(),
    );
    const whole = pairing(shown);
    const memory = newContentMemory();
    const steps = [1, 2].map(() => pairing(shown, { memory, pace: 'a few' }));
    expect(steps.map(({ unsearched }) => unsearched)).toEqual([2, 0]);
    expect(steps[1]!.pairs).toEqual(whole.pairs);
    expect(whole.pairs.filter(({ state }) => state === 'content only')).toHaveLength(10);
  });
});

describe('what is decided by hand', () => {
  const shown = { 'small/a.jpg': small(2), 'large/a.jpg': large(1), 'img.jpg': small(1) };

  it('joins what nothing else joins', () => {
    const { pairs } = pairing(
      { 'img_9.jpg': small(5), 'reel.jpg': large(6) },
      { decisions: [{ thumbnail: 'img_9.jpg', full: 'reel.jpg', belong: true }] },
    );
    expect(pairs).toMatchObject([
      { full: 'reel.jpg', thumbnail: 'img_9.jpg', state: 'sure', restsOn: [{ kind: 'hand' }] },
    ]);
  });

  it('holds against what the pictures show', () => {
    expect(
      pairing(shown, { decisions: [{ thumbnail: 'small/a.jpg', full: 'large/a.jpg', belong: true }] }).pairs.find(
        ({ full }) => full === 'large/a.jpg',
      ),
    ).toMatchObject({ thumbnail: 'small/a.jpg', state: 'sure' });
  });

  it('parts what the names join, and leaves both to others', () => {
    const { pairs, loose } = pairing(shown, {
      decisions: [{ thumbnail: 'small/a.jpg', full: 'large/a.jpg', belong: false }],
    });
    expect(pairs).toMatchObject([{ full: 'large/a.jpg', thumbnail: 'img.jpg', state: 'content only' }]);
    expect(loose).toEqual(['small/a.jpg']);
  });
});

describe('what is known beside names and content', () => {
  it('joins what was made of one picture here, whatever the names', () => {
    const { pairs, loose } = pairPictures({
      paths: ['web/q1.jpg', 'out/reel.jpg'],
      contentOf: () => null,
      evidence: [],
      made: [
        { thumbnail: 'web/q1.jpg', full: 'out/reel.jpg' },
        { thumbnail: 'gone.jpg', full: 'out/reel.jpg' },
      ],
    });
    expect(pairs).toMatchObject([
      { full: 'out/reel.jpg', thumbnail: 'web/q1.jpg', state: 'sure', restsOn: [{ kind: 'made' }] },
    ]);
    expect(loose).toEqual([]);
  });

  it('has no use for a full-size picture of a thumbnail whose own is at an outside address', () => {
    const { pairs, loose } = pairPictures({
      paths: ['thumbs/x.jpg', 'thumbs/y.jpg'],
      contentOf: () => null,
      evidence: [],
      elsewhere: new Set(['thumbs/x.jpg']),
    });
    expect([pairs, loose]).toEqual([[], ['thumbs/y.jpg']]);
  });

  it('searches for nothing where a picture is of one plain colour', () => {
    const plain = (shade: number) => ({
      luma: { width: 48, height: 48, data: new Uint8Array(48 * 48).map((_, n) => shade + (n % 3)) },
    });
    const { pairs, unsearched } = pairing(
      {
        'img_1.jpg': small(1, plain(120)),
        'reel.jpg': large(2, plain(120)),
        'large/a.jpg': large(3),
        'small/a.jpg': small(3),
      },
      { memory: newContentMemory(), pace: 'a few' },
    );
    expect(pairs.find(({ full }) => full === 'reel.jpg')).toMatchObject({ thumbnail: null, state: 'no thumbnail' });
    expect(unsearched).toBe(0);
  });

  it('lets colour choose what is looked at closely, where more pictures look alike than can be', () => {
    const like = patterned(9, 64, 48);
    const content = (hash: string, luma: Luma, mean: [number, number, number]): Content => ({
      hash,
      facts: {
        width: luma.width,
        height: luma.height,
        orientation: 1,
        likeness: hash.padStart(16, '0').slice(-16),
        mean,
        luma,
        words: {},
      },
    });
    const crop = content('c', cut(like, 10, 5, 38, 38), [180, 60, 50]);
    const green = Array.from({ length: 90 }, (_, n) => content(`9${n}`, like, [50, 160, 70]));
    const { found } = searchContent(newContentMemory(), [crop], [...green, content('fff', like, [178, 61, 52])], 'all');
    expect(found.get('c')!.map(({ hash }) => hash)).toContain('fff');
  });
});

describe('naming rules', () => {
  const paths = ['web/k_a.jpg', 'web/k_b.jpg', 'shots/a-final.png', 'shots/b-final.png', 'thumbs/c.jpg', 'c.jpg'];
  const rule = { thumbnail: 'web/k_{name}.jpg', full: 'shots/{name}-final.jpg' };
  const named = (naming: PairingInput['naming']) =>
    pairPictures({ paths, contentOf: () => null, evidence: [], ...(naming ? { naming } : {}) });

  it('that somebody wrote go before all practices, in any picture format', () => {
    const { pairs, rules } = named({ own: [rule], off: [] });
    expect(pairs.filter(({ thumbnail }) => thumbnail).map(({ thumbnail, full }) => [thumbnail, full])).toEqual([
      ['thumbs/c.jpg', 'c.jpg'],
      ['web/k_a.jpg', 'shots/a-final.png'],
      ['web/k_b.jpg', 'shots/b-final.png'],
    ]);
    expect(rules).toEqual([
      { says: 'web/k_{name}.jpg ↔ shots/{name}-final.jpg', count: 2 },
      { says: 'thumbs/{name}.jpg ↔ {name}.jpg', count: 1 },
    ]);
    expect(named(undefined).pairs.filter(({ thumbnail }) => thumbnail)).toHaveLength(1);
  });

  it('that are turned off join nothing', () => {
    const { pairs, loose } = named({ own: [], off: ['thumbs/{name}.jpg ↔ {name}.jpg'] });
    expect(pairs.every(({ thumbnail }) => thumbnail === null)).toBe(true);
    expect(loose).toEqual(['thumbs/c.jpg']);
  });

  it.each([
    [{ thumbnail: 'thumbs/x.jpg', full: '{name}.jpg' }, 'thumbnail needs “{name}”'],
    [{ thumbnail: '{name}/{name}.jpg', full: '{name}.jpg' }, 'thumbnail needs “{name}”'],
    [{ thumbnail: 't_{name}.jpg', full: '../{name}.jpg' }, 'without “..”'],
    [{ thumbnail: '/t_{name}.jpg', full: '{name}.jpg' }, 'without a slash'],
    [{ thumbnail: '{name}.jpg', full: '{name}.jpg' }, 'nothing would tell the two apart'],
  ])('that cannot be used are refused with the reason: %j', (one, reason) => expect(troubleOf(one)).toContain(reason));
  it('that can be used are not', () => expect(troubleOf(rule)).toBeNull());
});

describe('thumbnailPathFor', () => {
  it('follows the neighbours, or begins a folder', () => {
    const { pairs } = byName(['p/small/a.jpg', 'p/large/a.jpg', 'p/large/b.png', 'loose.jpg']);
    expect(thumbnailPathFor('p/large/b.png', pairs)).toBe('p/small/b.jpg');
    expect(thumbnailPathFor('loose.jpg', pairs)).toBe('thumbs/loose.jpg');
  });
});
