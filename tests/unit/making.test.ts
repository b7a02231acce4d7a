/**
 * What is made of pictures and remembered of it, and what follows pictures about: words, tags, order, names, copies.
 */
import { describe, expect, it } from 'vitest';
import { dueTasks, readSite, type PictureTask, type SiteReading } from '../../core/model/index.ts';
import { DEFAULT_RECIPE, type PhotoFacts, type Recipe } from '../../core/photo/index.ts';
import { patterned } from '../../core/photo/patterned.fixture.ts';
import { byOrder, Intent, placeMade, planFor, readyTasks, renamesBy } from '../../core/plans/index.ts';
import {
  applyChange,
  emptyNotes,
  NOTES_FILE,
  writeNotes,
  type Change,
  type FileContent,
  type SiteNotes,
} from '../../core/site/index.ts';
import { viewOf } from '../../core/view/index.ts';

type Files = Map<string, FileContent>;

const facts = (width: number, seed: number, more: Partial<PhotoFacts> = {}): PhotoFacts => ({
  width,
  height: width,
  orientation: 1,
  likeness: seed.toString(16).padStart(16, '0'),
  mean: [seed * 20, 9, 9],
  luma: patterned(seed),
  words: {},
  ...more,
});
const text = (value: string): FileContent => ({ kind: 'text', text: value });
const picture = (hash: string): FileContent => ({ kind: 'binary', hash, bytes: 1000 });
const PAGE = (body: string) =>
  `<!DOCTYPE html>\n<html lang="en"><head><meta charset="utf-8"><title>t</title></head>\n<body>\n<div>\n${body}\n</div>\n</body></html>\n`;
const item = (n: string) =>
  `<figure><a href="l/${n}.jpg"><img src="s/${n}.jpg" alt="${n}"></a><figcaption>${n}</figcaption></figure>`;

/** Three pictures with thumbnails on a page, and a large one without. */
function begin(notes: Partial<SiteNotes> = {}): { files: Files; known: Map<string, PhotoFacts> } {
  const files: Files = new Map([['index.html', text(PAGE([item('a'), item('b'), item('c')].join('\n')))]]);
  const known = new Map<string, PhotoFacts>();
  for (const [n, name] of ['a', 'b', 'c'].entries()) {
    files.set(`l/${name}.jpg`, picture(`L${name}`)).set(`s/${name}.jpg`, picture(`S${name}`));
    known
      .set(`L${name}`, facts(1200, n + 1, { takenAt: `2026-0${9 - n}-01T10:00:00` }))
      .set(`S${name}`, facts(150, n + 1));
  }
  files.set('l/d.jpg', picture('Ld'));
  known.set('Ld', facts(4000, 7));
  // No usual practice: somebody wrote down how thumbnails are named here.
  files.set(
    NOTES_FILE,
    text(
      writeNotes({
        ...emptyNotes(),
        naming: { own: [{ thumbnail: 's/{name}.jpg', full: 'l/{name}.jpg' }], off: [] },
        ...notes,
      }),
    ),
  );
  return { files, known };
}

const read = ({ files, known }: { files: Files; known: Map<string, PhotoFacts> }): SiteReading =>
  readSite(files, known, []);

function done(
  site: { files: Files; known: Map<string, PhotoFacts> },
  planned: { ok: true; change: Change } | { ok: false; reason: string },
) {
  if (!planned.ok) throw new Error(planned.reason);
  const applied = applyChange(site.files, planned.change);
  if (!applied.ok) throw new Error(applied.reason);
  const back = applyChange(applied.files, applied.inverse);
  // Whatever is done can be undone to the byte.
  expect(back.ok && [...back.files].sort()).toEqual([...site.files].sort());
  return { files: applied.files, known: site.known };
}

const plan = (site: { files: Files; known: Map<string, PhotoFacts> }, intent: Intent) =>
  planFor(read(site), Intent.parse(intent));
const does = (site: { files: Files; known: Map<string, PhotoFacts> }, intent: Intent) => done(site, plan(site, intent));
const why = (site: { files: Files; known: Map<string, PhotoFacts> }, intent: Intent) => {
  const planned = plan(site, intent);
  return planned.ok ? 'it was done' : planned.reason;
};
const textAt = (site: { files: Files }, path: string) => {
  const content = site.files.get(path);
  return content?.kind === 'text' ? content.text : '';
};

/** Makes tasks as the queue would: each outcome has a hash of its own and the facts of its size. */
function made(site: { files: Files; known: Map<string, PhotoFacts> }, tasks: readonly PictureTask[], tag = '') {
  const reading = read(site);
  const known = new Map(site.known);
  const files = readyTasks(reading, tasks).map(({ source, focus: _focus, said: _said, ...task }) => {
    const hash = `${source}>${task.as}${task.size.quality}${tag}`;
    const from = site.known.get(source)!;
    const width = Math.min(from.width, (task.size.width ?? from.width) * task.times);
    // What a made file carries of words and dates is a setting; here it carries none.
    const { takenAt: _taken, ...bare } = from;
    known.set(hash, { ...bare, words: {}, width, height: width });
    return { task, source, hash, bytes: 500 };
  });
  return done({ files: site.files, known }, placeMade(reading, files));
}

const due = (site: { files: Files; known: Map<string, PhotoFacts> }) =>
  dueTasks(read(site)).map(({ as, from, to }) => `${as}: ${from} → ${to}`);
const withRecipe = (part: Partial<Recipe>) => begin({ recipe: { ...DEFAULT_RECIPE, ...part } });

describe('what a recipe asks for', () => {
  it('is what is missing and what is too large; thumbnails made by hand are left', () =>
    expect(due(begin())).toEqual(['thumbnail: l/d.jpg → s/d.jpg', 'full-size: l/d.jpg → l/d.jpg']));

  it('is nothing once it was made, and again what a change of the recipe concerns', () => {
    const site = made(begin(), dueTasks(read(begin())));
    expect(due(site)).toEqual([]);
    const finer = does(site, {
      kind: 'set-recipe',
      recipe: { ...DEFAULT_RECIPE, thumbnail: { ...DEFAULT_RECIPE.thumbnail, quality: 90 } },
    });
    expect(due(finer)).toEqual(['thumbnail: l/d.jpg → s/d.jpg']);
    // From the picture as it was before it was made smaller in its own place.
    expect(readyTasks(read(finer), dueTasks(read(finer)))[0]?.source).toBe('Ld');
    expect(due(made(finer, dueTasks(read(finer))))).toEqual([]);
  });

  it('is a file inside its box that is far too heavy, and not one that is as light as its pixels', () => {
    const heavy = (bytes: number) => {
      const site = begin();
      site.files.set('l/a.jpg', { kind: 'binary', hash: 'La', bytes });
      return due(site).filter((task) => task.includes('l/a.jpg'));
    };
    expect(heavy(900_000)).toEqual(['full-size: l/a.jpg → l/a.jpg']);
    expect(heavy(290_000)).toEqual([]);
  });

  it('is a thumbnail alone that keeps clear parts, until somebody has said what they become', () => {
    const site = begin();
    site.files.set('l/d.png', picture('Ld'));
    site.files.delete('l/d.jpg');
    site.known.set('Ld', { ...site.known.get('Ld')!, clear: true });
    const [decided, view] = [
      (clear: Recipe['clear']) => due(does(site, { kind: 'set-recipe', recipe: { ...DEFAULT_RECIPE, clear } })),
      viewOf(read(site)),
    ];
    expect([due(site), view.clear]).toEqual([['thumbnail: l/d.png → s/d.png'], ['l/d.png']]);
    expect(view.missing.map(({ to, size }) => [to, size.format])).toEqual([['s/d.png', 'png']]);
    expect(decided('white')).toEqual(['thumbnail: l/d.png → s/d.jpg', 'full-size: l/d.png → l/d.jpg']);
    expect(decided('webp')).toEqual(['thumbnail: l/d.png → s/d.webp', 'full-size: l/d.png → l/d.webp']);
    expect(decided('png')).toEqual(['thumbnail: l/d.png → s/d.png', 'full-size: l/d.png → l/d.png']);
  });

  it('replaces a file by that of another format with every address, or keeps it where that was decided', () => {
    const webp = { ...DEFAULT_RECIPE, fullSize: { ...DEFAULT_RECIPE.fullSize, format: 'webp' as const } };
    const site = begin({ recipe: webp });
    expect(viewOf(read(site)).reformatted).toEqual(['l/a.jpg', 'l/b.jpg', 'l/c.jpg', 'l/d.jpg']);
    const after = made(site, dueTasks(read(site)));
    expect([...after.files.keys()].filter((path) => path.startsWith('l/'))).toEqual([
      'l/a.webp',
      'l/b.webp',
      'l/c.webp',
      'l/d.webp',
    ]);
    expect(textAt(after, 'index.html')).toContain('href="l/a.webp"');
    expect(due(after)).toEqual([]);
    const kept = does(site, { kind: 'set-recipe', recipe: { ...webp, originals: 'keep' } });
    expect(viewOf(read(kept)).reformatted).toEqual([]);
    expect(made(kept, dueTasks(read(kept))).files.has('l/a.jpg')).toBe(true);
  });

  it('is on request the thumbnails that somebody made by hand', () => {
    const { byHand } = viewOf(read(begin()));
    expect(byHand.map(({ thumbnail, full }) => `${thumbnail} ${full}`)).toEqual([
      's/a.jpg l/a.jpg',
      's/b.jpg l/b.jpg',
      's/c.jpg l/c.jpg',
    ]);
    const after = made(begin(), byHand.flatMap(({ tasks }) => tasks).slice(0, 2));
    expect(viewOf(read(after)).byHand.map(({ thumbnail }) => thumbnail)).toEqual(['s/c.jpg']);
    expect(due(after)).toEqual(due(begin()));
  });

  it('is what lacks a copyright that was said after it was made', () => {
    const site = made(begin(), dueTasks(read(begin())));
    const said = does(site, { kind: 'set-rights', rights: { copyright: '© all of us', credit: '' } });
    expect(due(said)).toEqual(['thumbnail: l/d.jpg → s/d.jpg', 'full-size: l/d.jpg → l/d.jpg']);
    expect(readyTasks(read(said), dueTasks(read(said)))[0]?.said).toMatchObject({ copyright: '© all of us' });
    const again = made(said, dueTasks(read(said)), 'again');
    expect(due(again)).toEqual([]);
    const other = does(again, { kind: 'set-rights', rights: { copyright: '© us', credit: 'us' } });
    expect(due(other)).toHaveLength(2);
    // Of a picture that somebody says is another's, only its own counts.
    const theirs = does(again, {
      kind: 'set-words',
      items: [],
      pictures: [{ path: 'l/d.jpg', words: { copyright: '© D' } }],
    });
    expect(due(theirs)).toHaveLength(2);
  });

  it('is nothing for the sake of a copyright that the recipe keeps out of files', () => {
    const silent = withRecipe({ words: 'none' });
    const site = made(silent, dueTasks(read(silent)));
    expect(due(does(site, { kind: 'set-rights', rights: { copyright: '© us', credit: 'us' } }))).toEqual([]);
  });

  it('is another picture where the source was exchanged', () => {
    const site = made(
      begin(),
      dueTasks(read(begin())).filter(({ as }) => as === 'thumbnail'),
    );
    site.files.set('l/d.jpg', picture('Le'));
    site.known.set('Le', facts(1500, 8));
    expect(due(site)).toEqual(['thumbnail: l/d.jpg → s/d.jpg']);
  });

  it('goes to the folders and names that it says; originals stay, pages follow', () => {
    const site = withRecipe({
      fullSize: { ...DEFAULT_RECIPE.fullSize, folder: 'web', name: '{name}-large' },
      further: [{ title: 'medium', size: { ...DEFAULT_RECIPE.fullSize, width: 600, height: 600, folder: 'medium' } }],
    });
    expect(due(site).slice(0, 3)).toEqual([
      'full-size: l/a.jpg → web/a-large.jpg',
      'medium: l/a.jpg → medium/a.jpg',
      'full-size: l/b.jpg → web/b-large.jpg',
    ]);
    const after = made(site, dueTasks(read(site)));
    expect(textAt(after, 'index.html')).toContain('<a href="web/a-large.jpg"><img src="s/a.jpg" alt="a"></a>');
    expect(after.files.has('l/a.jpg')).toBe(true);
    const { pairing } = read(after);
    expect(pairing.pairs.map(({ full, state }) => [full, state])).toEqual([
      ['web/a-large.jpg', 'sure'],
      ['web/b-large.jpg', 'sure'],
      ['web/c-large.jpg', 'sure'],
      ['web/d-large.jpg', 'sure'],
    ]);
    expect(due(after)).toEqual([]);
  });

  it('is twice the size as well for dense screens, where the picture has the pixels; pages can offer it', () => {
    const site = withRecipe({ thumbnail: { ...DEFAULT_RECIPE.thumbnail, dense: true } });
    site.known.set('Ld', facts(200, 7));
    expect(due(site)).toEqual(['thumbnail: l/d.jpg → s/d.jpg']);
    site.known.set('Ld', facts(1200, 7));
    const tasks = dueTasks(read(site));
    expect(tasks.map(({ to, times }) => [to, times])).toEqual([
      ['s/d.jpg', 1],
      ['s/d-2x.jpg', 2],
    ]);
    const after = made(site, tasks);
    expect(read(after).pairing.pairs).toHaveLength(4);
    after.files.set('s/a-2x.jpg', picture('Sa2'));
    expect(viewOf(read(after)).dense).toEqual([{ page: 'index.html', count: 1 }]);
    expect(textAt(does(after, { kind: 'set-sources', page: 'index.html' }), 'index.html')).toContain(
      '<img src="s/a.jpg" alt="a" srcset="s/a.jpg 1x, s/a-2x.jpg 2x">',
    );
  });

  describe('loses nothing of what the original says', () => {
    const says = {
      title: 'By the window',
      caption: 'A glass of red wine by the window',
      credit: 'M. Ashgrove',
      copyright: '© Tarrowby Kite Circle',
    };
    /** The large picture with these words in its file, and another that was taken later. */
    const withWords = (notes: Partial<SiteNotes> = {}) => {
      const site = begin({ order: { by: 'taken', hand: [] }, ...notes });
      site.known.set('Ld', facts(4000, 7, { words: says, takenAt: '2024-05-11T10:33:44' }));
      return site;
    };
    const pairOf = (site: { files: Files; known: Map<string, PhotoFacts> }, name = 'd') => {
      const pair = viewOf(read(site)).pairs.find((one) => one.full.endsWith(`/${name}.jpg`));
      if (!pair) throw new Error(`There is no pair ${name}.`);
      return pair;
    };

    it.each([
      ['in its place', {}],
      [
        'in a folder of its own',
        { recipe: { ...DEFAULT_RECIPE, fullSize: { ...DEFAULT_RECIPE.fullSize, folder: 'web' } } },
      ],
    ])('made %s', (_where, notes) => {
      const site = withWords(notes);
      const before = pairOf(site);
      expect(before).toMatchObject({ words: { ...says, alt: says.caption }, takenAt: '2024-05-11T10:33:44' });
      const after = made(site, dueTasks(read(site)));
      expect(pairOf(after)).toMatchObject({ words: before.words, takenAt: before.takenAt });
      const order = [...read(after).pairing.pairs].map(({ full }) => full).sort(byOrder(read(after)));
      expect(order[0]).toBe(pairOf(after).full);
      // Made again, from the content as it was at first.
      const finer = does(after, {
        kind: 'set-recipe',
        recipe: { ...read(after).recipe, fullSize: { ...read(after).recipe.fullSize, quality: 91 } },
      });
      const again = made(finer, dueTasks(read(finer)), 'again');
      expect(pairOf(again)).toMatchObject({ words: before.words, takenAt: before.takenAt });
    });

    it('nor of what was written after it was made for the first time', () => {
      const first = made(withWords(), dueTasks(read(withWords())));
      const worded = does(first, {
        kind: 'set-words',
        items: [],
        pictures: [{ path: 'l/d.jpg', words: { caption: 'The first of May' } }],
      });
      const finer = does(worded, {
        kind: 'set-recipe',
        recipe: { ...DEFAULT_RECIPE, fullSize: { ...DEFAULT_RECIPE.fullSize, quality: 91 } },
      });
      const again = made(finer, dueTasks(read(finer)), 'again');
      expect(pairOf(again)).toMatchObject({
        words: { title: says.title, caption: 'The first of May' },
        takenAt: '2024-05-11T10:33:44',
      });
    });

    it('where something is said by hand, that holds', () => {
      const site = does(withWords(), {
        kind: 'set-words',
        items: [],
        pictures: [{ path: 'l/d.jpg', words: { title: 'Wine' } }],
      });
      expect(pairOf(made(site, dueTasks(read(site)))).words).toMatchObject({ title: 'Wine', caption: says.caption });
    });
  });

  it('may be one picture’s own, and is kept when all are made anew', () => {
    const site = made(begin(), dueTasks(read(begin())));
    const own: PictureTask = {
      from: 'l/d.jpg',
      to: 's/d.jpg',
      as: 'thumbnail',
      times: 1,
      size: { ...DEFAULT_RECIPE.thumbnail, quality: 55 },
    };
    const after = made(site, [own]);
    expect(due(after)).toEqual([]);
    const finer = does(after, {
      kind: 'set-recipe',
      recipe: { ...DEFAULT_RECIPE, thumbnail: { ...DEFAULT_RECIPE.thumbnail, quality: 90 } },
    });
    expect(due(finer)).toEqual([]);
    expect(due(made(finer, [{ ...own, size: { ...own.size, quality: 90 } }]))).toEqual([]);
  });

  it('takes the place of a thumbnail in another format, on pages too', () => {
    const site = withRecipe({ thumbnail: { ...DEFAULT_RECIPE.thumbnail, format: 'webp' } });
    const after = made(site, [
      { from: 'l/a.jpg', to: 's/a.webp', as: 'thumbnail', times: 1, size: read(site).recipe.thumbnail },
    ]);
    expect([after.files.has('s/a.jpg'), after.files.has('s/a.webp')]).toEqual([false, true]);
    expect(textAt(after, 'index.html')).toContain('<img src="s/a.webp" alt="a">');
    expect(read(after).pairing.loose).toEqual([]);
  });

  it('leaves words, tags, order and decisions with the picture when its file is made anew', () => {
    const site = begin({
      words: { Ld: { title: 'Dusk' } },
      tags: { Ld: ['evening'] },
      order: { by: 'hand', hand: ['Ld', 'La'] },
      decisions: [{ small: 'Sa', large: 'Ld', belong: false }],
      focus: { Ld: { x: 0.2, y: 0.3 } },
      placeKept: ['Ld'],
    });
    const after = made(site, dueTasks(read(site)));
    const view = viewOf(read(after));
    const pair = view.pairs.find(({ full }) => full === 'l/d.jpg')!;
    expect(pair).toMatchObject({
      tags: ['evening'],
      words: { title: 'Dusk' },
      focus: { x: 0.2, y: 0.3, chosen: true },
    });
    expect(view.pairs[0]?.full).toBe('l/d.jpg');
    expect(read(after).notes.known.decisions).toHaveLength(2);
  });

  it('cuts about the point that was chosen, of the original too', () => {
    const site = made(begin(), dueTasks(read(begin())));
    const after = does(site, { kind: 'set-focus', picture: 'l/d.jpg', focus: { x: 0.1, y: 0.9 } });
    const [task] = readyTasks(read(after), [
      { from: 'l/d.jpg', to: 's/d.jpg', as: 'thumbnail', times: 1, size: DEFAULT_RECIPE.thumbnail },
    ]);
    expect(task).toMatchObject({ source: 'Ld', focus: { x: 0.1, y: 0.9 } });
    expect(
      viewOf(read(does(after, { kind: 'set-focus', picture: 'l/d.jpg', focus: null }))).pairs.find(
        ({ full }) => full === 'l/d.jpg',
      )?.focus.chosen,
    ).toBe(false);
  });
});

describe('words', () => {
  it('of many items and pictures are set as one change, each in its place', () => {
    const site = does(begin(), {
      kind: 'set-words',
      items: [
        { strand: 'index.html#0.0', alt: 'A "kite"' },
        { strand: 'index.html#0.2', alt: 'c2', caption: 'Third' },
      ],
      pictures: [{ path: 'l/d.jpg', words: { title: 'Dusk' } }],
    });
    expect(textAt(site, 'index.html')).toBe(
      PAGE(
        [
          item('a').replace('alt="a"', 'alt="A &quot;kite&quot;"'),
          item('b'),
          item('c').replace('alt="c"', 'alt="c2"').replace('>c<', '>Third<'),
        ].join('\n'),
      ),
    );
    expect(viewOf(read(site)).pairs.find(({ full }) => full === 'l/d.jpg')?.words.title).toBe('Dusk');
    expect(
      viewOf(
        read(does(site, { kind: 'set-words', items: [], pictures: [{ path: 'l/d.jpg', words: { title: '' } }] })),
      ).pairs.find(({ full }) => full === 'l/d.jpg')?.words.title,
    ).toBe('D');
  });

  it('come from the site where a picture says nothing of its rights', () => {
    const site = does(begin(), { kind: 'set-rights', rights: { copyright: '© Tarrowby', credit: 'Circle' } });
    site.known.set('Lb', facts(1200, 2, { words: { copyright: '© Somebody' } }));
    const { pairs } = viewOf(read(site));
    expect(pairs.map(({ words }) => words.copyright)).toEqual(['© Tarrowby', '© Somebody', '© Tarrowby', '© Tarrowby']);
    expect(
      readyTasks(read(site), [
        { from: 'l/d.jpg', to: 's/d.jpg', as: 'thumbnail', times: 1, size: DEFAULT_RECIPE.thumbnail },
      ])[0]?.said,
    ).toEqual({ copyright: '© Tarrowby', credit: 'Circle' });
  });

  it('of a place are removed when the site leaves, but where that was asked for', () => {
    const site = begin();
    site.known.set('La', facts(1200, 1, { place: { latitude: 1, longitude: 2 } }));
    const placeOf = (one: typeof site) => viewOf(read(one)).parcel.find(({ path }) => path === 'l/a.jpg')?.place;
    expect(placeOf(site)).toBe('removed');
    const kept = does(site, { kind: 'keep-place', paths: ['l/a.jpg'], keep: true });
    expect(placeOf(kept)).toBe('kept');
    expect(placeOf(does(kept, { kind: 'keep-place', paths: ['l/a.jpg'], keep: false }))).toBe('removed');
  });

  it('refuse what is gone', () => {
    expect(
      why(begin(), { kind: 'set-words', items: [{ strand: 'index.html#9.9', alt: 'x' }], pictures: [] }),
    ).toContain('no longer at this place');
    expect(why(begin(), { kind: 'set-words', items: [], pictures: [{ path: 'l/x.jpg', words: {} }] })).toContain(
      'There is no l/x.jpg',
    );
    expect(why(begin(), { kind: 'set-tags', paths: ['l/x.jpg'], add: ['t'], remove: [] })).toContain(
      'There is no l/x.jpg',
    );
  });
});

describe('order', () => {
  const order = (site: { files: Files; known: Map<string, PhotoFacts> }) =>
    viewOf(read(site))
      .pairs.map(({ name }) => name)
      .join('');

  it('is by name, by day, or by hand', () => {
    expect(order(begin())).toBe('abcd');
    expect(order(does(begin(), { kind: 'set-order', by: 'taken', hand: null }))).toBe('cbad');
    const byHand = does(begin(), { kind: 'set-order', by: 'hand', hand: ['l/c.jpg', 'l/a.jpg'] });
    expect(order(byHand)).toBe('cabd');
    expect(['l/a.jpg', 'l/b.jpg', 'l/c.jpg'].sort(byOrder(read(byHand)))).toEqual(['l/c.jpg', 'l/a.jpg', 'l/b.jpg']);
  });

  it('is given to a gallery as the smallest change; separators stay', () => {
    const site = does(does(begin(), { kind: 'set-order', by: 'taken', hand: null }), {
      kind: 'order-gallery',
      page: 'index.html',
      gallery: 0,
    });
    expect(textAt(site, 'index.html')).toBe(PAGE([item('c'), item('b'), item('a')].join('\n')));
    expect(why(site, { kind: 'order-gallery', page: 'index.html', gallery: 0 })).toContain('in this order already');
    expect(why(site, { kind: 'order-gallery', page: 'index.html', gallery: 4 })).toContain('no longer at this place');
  });

  it('is told by tags, which are added and taken away for many', () => {
    const tagged = does(begin(), {
      kind: 'set-tags',
      paths: ['l/a.jpg', 'l/b.jpg'],
      add: ['festival', 'red'],
      remove: [],
    });
    expect(viewOf(read(tagged)).pairs.map(({ tags }) => tags.join())).toEqual(['festival,red', 'festival,red', '', '']);
    expect(
      viewOf(read(does(tagged, { kind: 'set-tags', paths: ['l/a.jpg'], add: [], remove: ['festival', 'red'] })))
        .pairs[0]?.tags,
    ).toEqual([]);
  });
});

describe('names for many', () => {
  const pictures = (site: { files: Files; known: Map<string, PhotoFacts> }) => viewOf(read(site)).pairs;

  it('keep thumbnails in step, and every reference follows: pages, srcset, styles, scripts', () => {
    const site = begin();
    site.files.set(
      'index.html',
      text(
        textAt(site, 'index.html')
          .replace('<img src="s/a.jpg"', '<img srcset="s/a.jpg 1x, l/a.jpg 2x" src="s/a.jpg"')
          .replace(
            '</body>',
            '<script>show("l/b.jpg"); show("l/unknown.jpg", l + "/b.jpg")</script><script src="js/x.js"></script></body>',
          ),
      ),
    );
    site.files.set('css/x.css', text('body{background:url(../l/c.jpg)}'));
    site.files.set('js/x.js', text('const first = \'l/a.jpg\', twice = "s/a.jpg?v=2";'));
    const plan = renamesBy({ pattern: 'kite {number:2} {name}', tidy: true }, pictures(site).slice(0, 3));
    expect(plan).toMatchObject({
      ok: true,
      renames: [
        { from: 'l/a.jpg', to: 'l/kite-01-a.jpg' },
        { from: 's/a.jpg', to: 's/kite-01-a.jpg' },
        { from: 'l/b.jpg' },
        { from: 's/b.jpg' },
        { from: 'l/c.jpg' },
        { from: 's/c.jpg', to: 's/kite-03-c.jpg' },
      ],
    });
    const after = does(site, { kind: 'rename-many', renames: plan.ok ? plan.renames : [] });
    expect(textAt(after, 'index.html')).toContain(
      '<img srcset="s/kite-01-a.jpg 1x, l/kite-01-a.jpg 2x" src="s/kite-01-a.jpg" alt="a">',
    );
    expect(textAt(after, 'index.html')).toContain('show("l/kite-02-b.jpg"); show("l/unknown.jpg", l + "/b.jpg")');
    expect(textAt(after, 'css/x.css')).toBe('body{background:url(../l/kite-03-c.jpg)}');
    expect(textAt(after, 'js/x.js')).toBe('const first = \'l/kite-01-a.jpg\', twice = "s/kite-01-a.jpg?v=2";');
  });

  it('may change places among one another', () => {
    const site = does(begin(), {
      kind: 'rename-many',
      renames: [
        { from: 'l/a.jpg', to: 'l/b.jpg' },
        { from: 'l/b.jpg', to: 'l/a.jpg' },
      ],
    });
    expect([site.files.get('l/a.jpg'), site.files.get('l/b.jpg')]).toEqual([picture('Lb'), picture('La')]);
    expect(textAt(site, 'index.html')).toContain('<a href="l/b.jpg"><img src="s/a.jpg"');
  });

  it('go with what was made of them', () => {
    const site = made(begin(), dueTasks(read(begin())));
    const plan = renamesBy(
      { pattern: 'dusk', tidy: false },
      pictures(site).filter(({ name }) => name === 'd'),
    );
    expect(due(does(site, { kind: 'rename-many', renames: plan.ok ? plan.renames : [] }))).toEqual([]);
  });

  it.each<[string, Intent, string]>([
    [
      'two of one name',
      {
        kind: 'rename-many',
        renames: [
          { from: 'l/a.jpg', to: 'l/x.jpg' },
          { from: 'l/b.jpg', to: 'l/X.jpg' },
        ],
      },
      'would both be called',
    ],
    [
      'a name that is taken',
      { kind: 'rename-many', renames: [{ from: 'l/a.jpg', to: 'l/c.jpg' }] },
      'There is a file l/c.jpg already',
    ],
    ['another format by name', { kind: 'rename-many', renames: [{ from: 'l/a.jpg', to: 'l/a.png' }] }, 'by name alone'],
    [
      'a way out of the site',
      { kind: 'rename-many', renames: [{ from: 'l/a.jpg', to: '../a.jpg' }] },
      'cannot be a file’s name',
    ],
    ['nothing new', { kind: 'rename-many', renames: [{ from: 'l/a.jpg', to: 'l/a.jpg' }] }, 'have these names already'],
    [
      'a copy kept and given up at once',
      {
        kind: 'merge-many',
        merges: [
          { from: 'l/a.jpg', into: 'l/b.jpg' },
          { from: 'l/b.jpg', into: 'l/c.jpg' },
        ],
      },
      'deleted and kept at once',
    ],
    [
      'a rule without a name in it',
      { kind: 'set-naming', own: [{ thumbnail: 'small.jpg', full: '{name}.jpg' }], off: [] },
      'needs “{name}”',
    ],
  ])('refuse %s', (_what, intent, reason) => expect(why(begin(), intent)).toContain(reason));

  it('say which picture a pattern does not fit', () => {
    expect(renamesBy({ pattern: '{date}', tidy: true }, pictures(begin()))).toMatchObject({
      ok: false,
      full: 'l/d.jpg',
      reason: expect.stringContaining('does not say when'),
    });
    expect(renamesBy({ pattern: '{place}', tidy: true }, pictures(begin()))).toMatchObject({
      ok: false,
      reason: expect.stringContaining('“{place}” is not known'),
    });
  });
});

describe('copies', () => {
  it('are given up together, every reference leads to the one that is kept', () => {
    const site = begin();
    site.files.set('copy/a.jpg', picture('La'));
    site.files.set('index.html', text(textAt(site, 'index.html').replace('l/b.jpg', 'copy/a.jpg')));
    expect(viewOf(read(site)).alike).toEqual([['copy/a.jpg', 'l/a.jpg']]);
    const after = does(site, { kind: 'merge-many', merges: [{ from: 'copy/a.jpg', into: 'l/a.jpg' }] });
    expect(after.files.has('copy/a.jpg')).toBe(false);
    expect(textAt(after, 'index.html')).toContain('<a href="l/a.jpg"><img src="s/b.jpg"');
  });
});

describe('outside addresses', () => {
  it('are kept and marked; their thumbnails are not loose', () => {
    const site = begin();
    site.files.set(
      'index.html',
      text(PAGE([item('a'), item('b').replace('l/b.jpg', 'https://pictures.example/b.jpg'), item('c')].join('\n'))),
    );
    site.files.delete('l/b.jpg');
    const view = viewOf(read(site));
    expect(view.elsewhere).toEqual([
      { thumbnail: 's/b.jpg', address: 'https://pictures.example/b.jpg', page: 'index.html', line: 6 },
    ]);
    expect(view.loose).toEqual([]);
    expect(view.strands[1]?.joints[4]).toMatchObject({
      name: 'full-size',
      state: 'none',
      shows: 'https://pictures.example/b.jpg',
      says: expect.stringContaining('never fetched'),
    });
    const added = does(site, {
      kind: 'add-pictures',
      page: 'index.html',
      gallery: 0,
      pictures: [
        {
          thumbnail: 's/b.jpg',
          full: 'https://pictures.example/e.jpg',
          title: 'E',
          alt: 'e',
          caption: 'E',
          tags: ['x'],
        },
      ],
    });
    expect(textAt(added, 'index.html')).toContain(
      '<a href="https://pictures.example/e.jpg"><img src="s/b.jpg" alt="e"></a><figcaption>E</figcaption>',
    );
  });
});
