import { describe, expect, it } from 'vitest';
import { firstOf } from '../../site/index.ts';
import type { Kit, KitManifestInput } from '../kit/manifest.ts';
import { copiedFilesOf, kitOf, linkTo, pageOf, siteOf } from '../pages.fixture.ts';
import { containerMissing, predict, type Prediction } from './prediction.ts';

const SCRIPT = '<script src="js/kite.js" defer></script>';
const NAMES = ['a', 'b', 'c'];

function read(html: string, kits: readonly Kit[], more: Record<string, string> = {}) {
  const site = siteOf({ 'index.html': html, ...copiedFilesOf(kits), ...more }, kits);
  const page = firstOf(site.pages);
  return { page, index: site.index, items: page.galleries.flatMap(({ items }) => items) };
}

/** What a click does on each picture of a page. */
function predicted(
  html: string,
  kits: readonly Kit[],
  from: 'host' | 'disk' = 'host',
  more: Record<string, string> = {},
): Prediction[] {
  const { page, index, items } = read(html, kits, more);
  return items.map((item) => predict({ ...page, index, from }, item));
}

/** On a page on which every link has these attributes, or those of its place. */
const onPage = (kit: Kit, attributes: string | readonly string[], end = '') =>
  predicted(
    pageOf(
      NAMES.map((name, n) => linkTo(name, typeof attributes === 'string' ? attributes : attributes[n])),
      SCRIPT,
      end,
    ),
    [kit],
  );

const GROUPED: Partial<KitManifestInput> = { group: { attribute: 'data-set' }, counter: true };

describe('a click that no viewer answers', () => {
  const kit = kitOf();
  const only = (link: string) => firstOf(predicted(pageOf([link, linkTo('b'), linkTo('c')]), [kit]));
  const alone = { by: null, clash: [], counter: null, caption: '', description: '', next: null, back: null };

  it('leaves the page for what the link leads to', () => {
    expect(only(linkTo('a'))).toEqual({
      ...alone,
      opens: 'address',
      shows: 'a.jpg',
      asks: 'a.jpg',
      styled: true,
      closes: true,
    });
  });

  it.each([
    ['gone.jpg', 'address', null, 'gone.jpg'],
    ['A.jpg', 'address', null, 'A.jpg'],
    ['https://host/a.jpg', 'address', null, 'https://host/a.jpg'],
    ['#', 'nothing', null, null],
    [' ', 'nothing', null, null],
    ['mailto:x@host', 'address', null, 'mailto:x@host'],
  ])('%j', (href, opens, shows, asks) => {
    expect(only(`<a href="${href}"><img src="t/a.jpg" alt=""></a>`)).toMatchObject({ opens, shows, asks });
  });

  it('does nothing where there is no link', () => {
    const pictures = NAMES.map((name) => `<img src="t/${name}.jpg" alt="">`);
    expect(predicted(pageOf(pictures), [kit])).toEqual(
      NAMES.map(() => ({ ...alone, opens: 'nothing', shows: null, asks: null, styled: true, closes: true })),
    );
    expect(only('<a><img src="t/a.jpg" alt=""></a>')).toMatchObject({ opens: 'nothing', asks: null });
  });
});

describe('a viewer over the page', () => {
  it('goes through the links of its group, in the order of the page', () => {
    const all = onPage(kitOf(GROUPED), 'data-kite data-set="s" title="T"');
    expect(all.map(({ opens, by, clash, shows, asks }) => [opens, by, clash, shows, asks])).toEqual(
      NAMES.map((name) => ['viewer', 'kite', [], `${name}.jpg`, `${name}.jpg`]),
    );
    expect(all.map(({ counter }) => counter)).toEqual([1, 2, 3].map((at) => ({ at, of: 3 })));
    expect(all.map(({ back, next }) => [back, next])).toEqual([
      [null, 'b.jpg'],
      ['a.jpg', 'c.jpg'],
      ['b.jpg', null],
    ]);
    expect(all.map(({ styled, closes, caption }) => [styled, closes, caption])).toEqual(
      NAMES.map(() => [true, true, '']),
    );
  });

  it('has its own way in each group, and none alone', () => {
    const all = onPage(kitOf(GROUPED), ['data-kite data-set="s"', 'data-kite', 'data-kite data-set="s"']);
    expect(all.map(({ counter, back, next }) => [counter, back, next])).toEqual([
      [{ at: 1, of: 2 }, null, 'c.jpg'],
      [null, null, null],
      [{ at: 2, of: 2 }, 'a.jpg', null],
    ]);
    const inMarker = onPage(kitOf({ group: { in: 'marker' } }), ['data-kite="s"', 'data-kite="s"', 'data-kite="u"']);
    expect(inMarker.map(({ next }) => next)).toEqual(['b.jpg', null, null]);
    expect(onPage(kitOf(), 'data-kite').map(({ next, back }) => [next, back])).toEqual(NAMES.map(() => [null, null]));
  });

  it('goes round where it loops', () => {
    const round = onPage(kitOf({ ...GROUPED, loops: true, options: LOOP }), 'data-kite data-set="s"');
    expect(round.map(({ back, next }) => [back, next])).toEqual([
      ['c.jpg', 'b.jpg'],
      ['a.jpg', 'c.jpg'],
      ['b.jpg', 'a.jpg'],
    ]);
    const alone = onPage(kitOf({ ...GROUPED, loops: true }), ['data-kite data-set="s"', '', '']);
    expect([alone[0]?.back, alone[0]?.next]).toEqual([null, null]);
  });

  const LOOP = [{ name: 'loop', type: 'switch' as const, without: true, says: '' }];
  const OPTIONS: Partial<KitManifestInput> = {
    ...GROUPED,
    prefix: 'data-kite-',
    caption: { from: ['title', 'alt'], option: 'words-from', description: 'data-more' },
    start: { call: 'kite', selector: false },
    options: [
      { name: 'loop', type: 'switch', without: false, says: '' },
      { name: 'counter', type: 'switch', without: true, says: '' },
      { name: 'caption', type: 'switch', without: true, says: '' },
      { name: 'words-from', type: 'choice', without: 'title', says: '' },
    ],
  };

  it.each<[string, string, string, object]>([
    ['not set', '', '', { next: null, back: 'b.jpg', counter: { at: 3, of: 3 }, caption: 'T' }],
    ['in the markup', 'data-kite-loop', '', { next: 'a.jpg' }],
    ['in the markup, off', 'data-kite-loop="off"', 'kite({ loop: true });', { next: null }],
    ['in a call', '', 'kite({ loop: true });', { next: 'a.jpg' }],
    ['in the last of two calls', '', 'kite({ loop: true }); kite({ loop: false });', { next: null }],
    ['in a call before another that does not say it', '', 'kite({ loop: true }); kite({});', { next: 'a.jpg' }],
    ['no counter', 'data-kite-counter="off"', '', { counter: null }],
    ['no counter, in a call', '', 'kite({ counter: false });', { counter: null }],
    ['no caption', 'data-kite-caption="off"', '', { caption: '' }],
    ['words of the picture', 'data-kite-words-from="alt"', '', { caption: 'c' }],
    ['words of the picture, in a call', '', "kite({ wordsFrom: 'alt' });", { caption: 'c' }],
    ['a second line', 'data-more="More"', '', { description: 'More' }],
    ['an option that the kit does not know', 'data-kite-other', 'kite({ other: true });', { next: null }],
  ])('does as its options say: %s', (_what, attributes, call, expected) => {
    const end = call && `<script>document.addEventListener('x', function () { ${call} });</script>`;
    const all = onPage(kitOf(OPTIONS), `data-kite data-set="s" title="T" ${attributes}`, end);
    expect(all[2]).toMatchObject(expected);
  });

  it('does not count where its manifest says so, and has no options without a prefix', () => {
    const all = onPage(kitOf({ ...OPTIONS, counter: false, prefix: '' }), 'data-kite data-set="s" loop');
    expect(all[2]).toMatchObject({ counter: null, next: null });
  });

  it('shows words that a text names, also where they are none', () => {
    const kit = kitOf({ ...OPTIONS, options: [{ name: 'caption', type: 'text', without: 'on', says: '' }] });
    expect(onPage(kit, 'data-kite title="T"')[0]?.caption).toBe('T');
    expect(onPage(kit, 'data-kite title="T" data-kite-caption="off"')[0]?.caption).toBe('');
  });

  it('shows nothing of what is no picture, or is not there', () => {
    const links = ['a.html', 'gone.jpg', 'b.jpg'].map(
      (href, n) => `<a href="${href}" data-kite><img src="t/${NAMES[n]}.jpg" alt=""></a>`,
    );
    const all = predicted(pageOf(links, SCRIPT), [kitOf()]);
    expect(all.map(({ opens, shows, asks }) => [opens, shows, asks])).toEqual([
      ['viewer', null, 'a.html'],
      ['viewer', null, 'gone.jpg'],
      ['viewer', 'b.jpg', 'b.jpg'],
    ]);
  });

  it('shows a video only where its manifest says that it plays one', () => {
    const links = ['a.webm', 'b.jpg'].map(
      (href, n) => `<a href="${href}" data-kite><img src="t/${NAMES[n]}.jpg" alt=""></a>`,
    );
    const files = { 'a.webm': '' };
    const shown = (more: Partial<KitManifestInput>) =>
      predicted(pageOf(links, SCRIPT), [kitOf(more)], undefined, files).map(({ shows }) => shows);
    expect(shown({ videos: true })).toEqual(['a.webm', 'b.jpg']);
    expect(shown({})).toEqual([null, 'b.jpg']);
  });

  it('is not shown without its script, nor from disk where that is a module', () => {
    expect(predicted(pageOf(NAMES.map((name) => linkTo(name, 'data-kite'))), [kitOf()])[0]?.opens).toBe('address');
    const page = pageOf(
      NAMES.map((name) => linkTo(name, 'data-kite')),
      '<script type="module" src="js/kite.js"></script>',
    );
    expect(predicted(page, [kitOf()])[0]?.opens).toBe('viewer');
    expect(predicted(page, [kitOf()], 'disk')[0]?.opens).toBe('address');
    expect(predicted(page.replace(' type="module"', ''), [kitOf()], 'disk')[0]?.opens).toBe('viewer');
  });

  it('is without its style where that is not there', () => {
    const files: KitManifestInput['files'] = [
      { name: 'kite.css', role: 'style' },
      { name: 'kite.js', role: 'script' },
    ];
    expect(onPage(kitOf({ files }), 'data-kite')[0]?.styled).toBe(false);
    const style = '<link rel="stylesheet" href="js/kite.css">';
    const all = predicted(pageOf([linkTo('a', 'data-kite'), linkTo('b'), linkTo('c')], style + SCRIPT), [
      kitOf({ files }),
    ]);
    expect(all[0]?.styled).toBe(true);
  });

  it('does not show what another script takes away', () => {
    const taking = '<script>x.removeAttribute("title"); x.setAttribute("alt", 1);</script>';
    const kit = kitOf({ caption: { from: ['title', 'alt'] } });
    expect(onPage(kit, 'data-kite title="T"')[0]?.caption).toBe('T');
    expect(onPage(kit, 'data-kite title="T"', taking)[0]?.caption).toBe('a');
    const reading = '<script>x.getAttribute("title")</script>';
    expect(onPage(kit, 'data-kite title="T"', reading)[0]?.caption).toBe('T');
  });

  it('breaks where the element that it asks for is not there', () => {
    const kit = kitOf({ container: { attribute: 'data-in', id: 'bay' } });
    expect(onPage(kit, 'data-kite data-in="#bay"')[0]).toMatchObject({
      opens: 'broken',
      by: 'kite',
      shows: null,
      asks: 'a.jpg',
    });
    expect(onPage(kit, 'data-kite data-in="#bay"', '<div id="bay"></div>')[0]).toMatchObject({
      opens: 'viewer',
      shows: 'a.jpg',
    });
    for (const selector of ['', ' ', 'a[', '#other']) {
      const { page, items } = read(pageOf([linkTo('a', `data-in="${selector}"`), linkTo('b'), linkTo('c')]), [kit]);
      const link = items[0]?.link;
      expect(link && containerMissing(page.document, kit, link)).toEqual({ attribute: 'data-in', selector });
      expect(link && containerMissing(page.document, kitOf(), link)).toBeNull();
    }
  });

  it('is counted once for each kit that answers', () => {
    const other = kitOf({
      name: 'other',
      folder: 'other',
      marker: { attribute: 'data-other' },
      files: [{ name: 'other.js', role: 'script' }],
    });
    const head = `${SCRIPT}<script src="other/other.js"></script>`;
    const all = predicted(
      pageOf([linkTo('a', 'data-kite data-other'), linkTo('b', 'data-other'), linkTo('c', 'data-kite')], head),
      [kitOf(), other],
    );
    expect(all.map(({ by, clash }) => [by, clash])).toEqual([
      ['kite', ['kite', 'other']],
      ['other', []],
      ['kite', []],
    ]);
  });
});

describe('a viewer that is started', () => {
  const kit = kitOf({
    marker: { class: 'peep' },
    group: { in: 'call' },
    counter: true,
    start: { call: 'kite', required: true, binds: true },
  });
  const end = (calls: string) => `<script src="js/kite.js"></script><script>${calls}</script>`;
  const page = (calls: string) =>
    pageOf([linkTo('a', 'class="peep"'), linkTo('b', 'class="x peep"'), linkTo('c', 'class="x"')], '', end(calls));

  it('makes one group of what each call finds', () => {
    expect(predicted(page("kite('.peep');"), [kit]).map(({ opens, next }) => [opens, next])).toEqual([
      ['viewer', 'b.jpg'],
      ['viewer', null],
      ['address', null],
    ]);
    const two = predicted(page("kite('.x'); kite('.peep');"), [kit]);
    expect(two.map(({ opens, counter }) => [opens, counter])).toEqual([
      ['viewer', { at: 1, of: 2 }],
      ['viewer', { at: 1, of: 2 }],
      ['viewer', { at: 2, of: 2 }],
    ]);
  });

  it('does not hear a call that comes too early', () => {
    const html = pageOf(
      [linkTo('a', 'class="peep"'), linkTo('b', 'class="peep"'), linkTo('c')],
      SCRIPT,
      "<script>kite('.peep');</script>",
    );
    expect(predicted(html, [kit]).map(({ opens }) => opens)).toEqual(['address', 'address', 'address']);
  });

  it('opens nothing where it listens to what is no link', () => {
    const all = predicted(page("kite('li');"), [kit]);
    expect(all[0]).toMatchObject({ opens: 'viewer', by: 'kite', clash: [], shows: null, asks: null, closes: true });
    expect(predicted(page("kite('a img');"), [kit])[0]).toMatchObject({ opens: 'viewer', shows: null });
  });
});

describe('a viewer above its neighbours', () => {
  const kit = kitOf({
    does: 'stage',
    marker: { on: 'gallery', attribute: 'data-stage' },
    middle: { attribute: 'data-middle' },
  });

  it('shows the middle picture of a link where it has one', () => {
    const items = [linkTo('a', 'data-middle="t/a.jpg"'), linkTo('b'), linkTo('c')];
    const html = pageOf(items, SCRIPT).replace('<ul>', '<ul data-stage>');
    expect(predicted(html, [kit])).toEqual(
      ['t/a.jpg', 'b.jpg', 'c.jpg'].map((shows) => ({
        opens: 'viewer',
        by: 'kite',
        clash: [],
        shows,
        asks: shows,
        counter: null,
        caption: '',
        description: '',
        next: null,
        back: null,
        styled: true,
        closes: false,
      })),
    );
    expect(predicted(pageOf(items, SCRIPT), [kit])[0]?.opens).toBe('address');
  });

  it('gives way to one over the page, and one that only shows leaves the link alone', () => {
    const over = kitOf({ name: 'over', folder: 'over', files: [{ name: 'over.js', role: 'script' }] });
    const html = pageOf(
      [linkTo('a', 'data-kite'), linkTo('b'), linkTo('c')],
      `${SCRIPT}<script src="over/over.js"></script>`,
    );
    const staged = html.replace('<ul>', '<ul data-stage>');
    expect(predicted(staged, [kit, over]).map(({ by }) => by)).toEqual(['over', 'kite', 'kite']);
    const show = kitOf({ does: 'show', marker: { on: 'gallery', attribute: 'data-stage' } });
    expect(predicted(staged, [show]).map(({ opens }) => opens)).toEqual(['address', 'address', 'address']);
  });
});
