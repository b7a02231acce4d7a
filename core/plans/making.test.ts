/** Pictures that come in, that are made, and that are offered at twice the size. */
import { describe, expect, it } from 'vitest';
import { DEFAULT_RECIPE, type SizeRecipe, UNROTATED } from '../photo/index.ts';
import { firstOf, type SiteNotes } from '../site/index.ts';
import { asked, linked, listPage, outcomeOf, PICTURES, siteOf } from './asked.fixture.ts';
import { importPictures } from './importPictures.ts';
import { type MadeFile, placeMade, readyTasks } from './putMade.ts';

const { thumbnail: THUMBNAIL, fullSize: FULL } = DEFAULT_RECIPE;
const OWN: SizeRecipe = { ...THUMBNAIL, width: 99 };
const PAIRS = ['a', 'b', 'c'].map((name) => ({ small: `t${name}`, large: name.toUpperCase(), belong: true }));
const PAGE = listPage(['a', 'b', 'c'].map((name) => linked(name)));
const site = (notes: Partial<SiteNotes> = {}, more: Record<string, string> = {}, facts = {}) =>
  siteOf({ 'index.html': PAGE, ...PICTURES, ...more }, { notes: { decisions: PAIRS, ...notes }, facts });

describe('pictures that come in', () => {
  const come = (
    of: ReturnType<typeof site>,
    names: [string, string][],
    beside: Parameters<typeof importPictures>[2] = null,
  ) => {
    const { planned, paths } = importPictures(
      of,
      names.map(([name, hash]) => ({ name, hash, bytes: 1 })),
      beside,
    );
    return [outcomeOf(of, planned), paths];
  };
  const folders = siteOf({
    'one.html': listPage([linked('a', '', 'x/'), linked('b', '', 'x/'), linked('c', '', 'y/')]),
    'two.html': listPage([linked('a', '', 'y/'), '<img src="z/q.jpg" alt="">', '<img src="z/r.jpg" alt="">']),
    ...Object.fromEntries(['x/a', 'x/b', 'y/a', 'y/c', 'z/q', 'z/r'].map((path) => [`${path}.jpg`, path])),
  });

  it('go where most of the gallery’s are, or of the site’s, under names of their own', () => {
    expect(come(folders, [['n.jpg', 'N']], { page: 'one.html', gallery: 0 })).toEqual([
      { label: 'Import n.jpg', files: { 'x/n.jpg': 'N' }, notes: {} },
      ['x/n.jpg'],
    ]);
    expect(come(folders, [['n.jpg', 'N']], { page: 'two.html', gallery: 0 })[1]).toEqual(['z/n.jpg']);
    for (const beside of [
      null,
      { page: 'one.html', gallery: null },
      { page: 'one.html', gallery: 4 },
      { page: 'gone', gallery: 0 },
    ])
      expect(come(folders, [['n.jpg', 'N']], beside)[1]).toEqual(['x/n.jpg']);
    expect(come(siteOf({ 'one.html': '' }), [['n.jpg', 'N']])[1]).toEqual(['pictures/n.jpg']);
    expect(
      come(folders, [
        ['d/A.jpg', 'N'],
        ['a.JPG', 'M'],
        ['new.jpg', 'O'],
      ]),
    ).toEqual([
      { label: 'Import 3 pictures', files: { 'x/A-2.jpg': 'N', 'x/a-3.JPG': 'M', 'x/new.jpg': 'O' }, notes: {} },
      ['x/A-2.jpg', 'x/a-3.JPG', 'x/new.jpg'],
    ]);
  });

  it('that are there already stay where they are, and one that comes twice comes once', () => {
    expect(come(folders, [['n.jpg', 'y/c']])).toEqual([
      { label: 'These pictures are in the site already', files: {}, notes: {} },
      ['y/c.jpg'],
    ]);
    expect(
      come(folders, [
        ['n.jpg', 'N'],
        ['m.jpg', 'N'],
      ]),
    ).toMatchObject([{ label: 'Import n.jpg' }, ['x/n.jpg', 'x/n.jpg']]);
  });

  it('are refused whole', () => {
    expect(
      come(folders, [
        ['n.jpg', 'N'],
        ['n.txt', 'M'],
      ]),
    ).toEqual(['n.txt cannot be imported: it is no picture that a page can show. Nothing was imported.', []]);
    expect(come(folders, [['../n.jpg', 'N']])).toEqual([
      '../n.jpg cannot be imported: the path leads out of the folder (“..”). Nothing was imported.',
      [],
    ]);
  });
});

describe('pictures that were made', () => {
  const made = (from: string, to: string, as: string, more: Partial<MadeFile & MadeFile['task']> = {}): MadeFile => ({
    task: { from, to, as, size: more.size ?? (as === 'full-size' ? FULL : THUMBNAIL), times: more.times ?? 1 },
    source: more.source ?? from.replace('.jpg', '').toUpperCase(),
    hash: more.hash ?? 'new',
    bytes: 1,
  });
  const placed = (of: ReturnType<typeof site>, ...files: MadeFile[]) => outcomeOf(of, placeMade(of, files));
  const record = (path: string, as: string, from: string, of: string, is: string) => ({
    path,
    as,
    from,
    of,
    by: expect.any(String),
    is,
    rights: { copyright: '', credit: '' },
  });

  it('are put in place and noted', () => {
    expect(placed(site(), made('a.jpg', 't/a.jpg', 'thumbnail'))).toEqual({
      label: 'Create a.jpg',
      files: { 't/a.jpg': 'new' },
      notes: {
        decisions: [...PAIRS, { small: 'new', large: 'A', belong: true }],
        made: [record('t/a.jpg', 'thumbnail', 'a.jpg', 'A', 'new')],
      },
    });
    expect(placed(site(), made('a.jpg', 't/a.jpg', 'thumbnail', { hash: 'ta' }))).toMatchObject({
      files: {},
      notes: { made: [record('t/a.jpg', 'thumbnail', 'a.jpg', 'A', 'ta')] },
    });
    const two = [made('a.jpg', 't/a.jpg', 'thumbnail'), made('b.jpg', 't/b.jpg', 'thumbnail', { hash: 'x' })];
    expect(placed(site(), ...two)).toMatchObject({ label: 'Create 2 thumbnails' });
    expect(placed(site(), firstOf(two), made('b.jpg', 'm/b.jpg', 'middle'))).toMatchObject({
      label: 'Create 2 pictures',
    });
    expect(placed(site())).toBe('No picture was made.');
  });

  it('take the place of a thumbnail of another name, and its references', () => {
    expect(placed(site(), made('a.jpg', 'thumbs/a.jpg', 'thumbnail'))).toMatchObject({
      files: { 't/a.jpg': null, 'thumbs/a.jpg': 'new', 'index.html': PAGE.replace('t/a.jpg', 'thumbs/a.jpg') },
      notes: { made: [record('thumbs/a.jpg', 'thumbnail', 'a.jpg', 'A', 'new')] },
    });
    expect(placed(site(), made('a.jpg', 't/a-2x.jpg', 'thumbnail', { times: 2 }))).toMatchObject({
      files: { 't/a-2x.jpg': 'new' },
    });
  });

  it('of full size leave their original, to which nothing leads any more', () => {
    expect(placed(site(), made('a.jpg', 'full/a.jpg', 'full-size'))).toMatchObject({
      files: { 'full/a.jpg': 'new', 'index.html': PAGE.replace('"a.jpg"', '"full/a.jpg"') },
      notes: { made: [record('full/a.jpg', 'full-size', 'a.jpg', 'A', 'new')] },
    });
    const before = [{ path: 'a.jpg', as: 'full-size', from: 'o/a.jpg', of: 'O', by: '1', is: 'A' }];
    const again = site({ made: before }, { 'o/a.jpg': 'O' });
    expect(placed(again, made('o/a.jpg', 'a.webp.jpg', 'full-size', { source: 'O' }))).toMatchObject({
      files: { 'a.jpg': null, 'a.webp.jpg': 'new', 'index.html': PAGE.replace('"a.jpg"', '"a.webp.jpg"') },
      notes: { made: [record('a.webp.jpg', 'full-size', 'o/a.jpg', 'O', 'new')] },
    });
  });

  it('of a size of their own are noted so, and take it back by the recipe’s', () => {
    expect(placed(site(), made('a.jpg', 't/a.jpg', 'thumbnail', { size: OWN }))).toMatchObject({
      notes: { sizes: { A: { thumbnail: OWN } } },
    });
    const own = site({ sizes: { A: { thumbnail: OWN, middle: OWN }, B: { thumbnail: OWN } } });
    expect(placed(own, made('a.jpg', 't/a.jpg', 'thumbnail'))).toMatchObject({
      notes: { sizes: { A: { middle: OWN }, B: { thumbnail: OWN } } },
    });
    expect(placed(own, made('b.jpg', 't/b.jpg', 'thumbnail'))).toMatchObject({
      notes: { sizes: { A: { thumbnail: OWN, middle: OWN } } },
    });
    const dense = placed(site(), made('a.jpg', 't/a-2x.jpg', 'thumbnail', { size: OWN, times: 2 }));
    expect(typeof dense !== 'string' && dense.notes.sizes).toBeUndefined();
    const unknown = placed(site(), made('a.jpg', 'm/a.jpg', 'gone', { size: OWN }));
    expect(typeof unknown !== 'string' && unknown.notes.sizes).toBeUndefined();
  });

  it('inherit what is noted of what they take the place of', () => {
    const notes: Partial<SiteNotes> = {
      words: { A: { title: 'T' }, ta: { alt: 'x' }, new: { caption: 'kept' } },
      tags: { A: ['red'], B: ['blue'] },
      focus: { A: { x: 0, y: 1 } },
      placeKept: ['A', 'B'],
      order: { by: 'hand', hand: ['B', 'A'] },
    };
    const facts = { A: { words: { title: 'Of the file', credit: 'me' }, takenAt: '2026-06-14T10:00:00' } };
    expect(placed(site(notes, {}, facts), made('a.jpg', 'full/a.jpg', 'full-size'))).toMatchObject({
      notes: {
        words: {
          ...notes.words,
          new: { title: 'T', credit: 'me', takenAt: '2026-06-14T10:00:00', caption: 'kept' },
        },
        tags: { A: ['red'], B: ['blue'], new: ['red'] },
        focus: { A: { x: 0, y: 1 }, new: { x: 0, y: 1 } },
        placeKept: ['A', 'new', 'B'],
        order: { by: 'hand', hand: ['B', 'A', 'new'] },
        decisions: [...PAIRS, { small: 'ta', large: 'new', belong: true }],
      },
    });
    expect(placed(site(notes), made('a.jpg', 't/a.jpg', 'thumbnail'))).toMatchObject({
      notes: { words: { ...notes.words, new: { alt: 'x', caption: 'kept' } } },
    });
    const kept = placed(
      site({ ...notes, tags: { A: ['red'], new: ['own'] } }),
      made('a.jpg', 'full/a.jpg', 'full-size'),
    );
    expect(typeof kept !== 'string' && kept.notes.tags).toBeUndefined();
    const stale = made('a.jpg', 'full/a.jpg', 'full-size', { source: 'OTHER' });
    const none = placed(site({}, {}, facts), stale);
    expect(typeof none !== 'string' && none.notes.words).toBeUndefined();
  });

  it('are made with what is said of them', () => {
    const notes: Partial<SiteNotes> = {
      words: { A: { title: 'T', copyright: '' }, B: { caption: 'C' } },
      rights: { copyright: 'all of us', credit: 'us' },
      focus: { A: { x: 0.2, y: 0.3 } },
    };
    const of = site(notes, {}, { B: { words: { credit: 'me', title: 'F' } } });
    const task = (from: string) => made(from, `t/${from}`, 'thumbnail').task;
    const unrotated = { rotation: UNROTATED, already: UNROTATED };
    expect(readyTasks(of, [task('a.jpg'), task('b.jpg')])).toEqual([
      { ...task('a.jpg'), source: 'A', focus: { x: 0.2, y: 0.3 }, said: { credit: 'us', title: 'T' }, ...unrotated },
      {
        ...task('b.jpg'),
        source: 'B',
        focus: expect.any(Object),
        said: { copyright: 'all of us', credit: 'me', caption: 'C' },
        ...unrotated,
      },
    ]);
    const original = site(
      { ...notes, made: [{ path: 'a.jpg', as: 'full-size', from: 'o/a.jpg', of: 'O', by: '1', is: 'A' }] },
      { 'o/a.jpg': 'O' },
    );
    expect(readyTasks(original, [task('o/a.jpg')])[0]?.said).toEqual({ credit: 'us', title: 'T' });
  });
});

describe('copies of twice the size', () => {
  const dense = { 't/a-2x.jpg': 'ta2', 't/b-2x.jpg': 'tb2' };
  const offer = (of: ReturnType<typeof site>, page = 'index.html') => asked(of, { kind: 'set-sources', page });

  it('are offered where they are and are not yet', () => {
    const set = (name: string) =>
      linked(name).replace(`alt="${name}"`, `alt="${name}" srcset="t/${name}.jpg 1x, t/${name}-2x.jpg 2x"`);
    expect(offer(site({}, dense))).toEqual({
      label: 'Offer 2 thumbnails of index.html at twice the size',
      files: { 'index.html': listPage([set('a'), set('b'), linked('c')]) },
      notes: {},
    });
    const half = siteOf(
      { ...PICTURES, ...dense, 'index.html': listPage([set('a'), linked('b'), linked('c')]) },
      { notes: { decisions: PAIRS } },
    );
    expect(offer(half)).toMatchObject({
      label: 'Offer 1 thumbnail of index.html at twice the size',
      files: { 'index.html': listPage([set('a'), set('b'), linked('c')]) },
    });
  });

  it('are refused where there is none to offer', () => {
    expect(offer(site())).toBe('Every thumbnail of index.html that has a copy of twice the size offers it already.');
    expect(offer(site(), 'gone.html')).toBe('There is no gone.html any more.');
  });
});
