/** Whole pages: made new, made from another, deleted, styled, and parted into sections. */
import { describe, expect, it } from 'vitest';
import type { SiteNotes } from '../site/index.ts';
import { kitOf } from '../wiring/pages.fixture.ts';
import { asked, linked, listPage, PICTURES, siteOf } from './asked.fixture.ts';
import type { Intent } from './intent.ts';

const MENU = (here: string, entries: readonly (readonly [string, string])[]) =>
  `<nav>\n${entries
    .map(([href, label]) => `  <a href="${href}"${href === here ? ' class="here"' : ''}>${label}</a>\n`)
    .join('')}</nav>\n`;
const ENTRIES = [
  ['index.html', 'Home'],
  ['one.html', 'One'],
] as const;
const page = (
  here: string,
  title: string,
  items: readonly string[],
  entries: readonly (readonly [string, string])[] = ENTRIES,
) => listPage(items, title, MENU(here, entries));
const ITEMS = ['a', 'b'].map((name) => linked(name));
const TWO = {
  'index.html': page('index.html', 'Home – Kites', []),
  'one.html': page('one.html', 'One – Kites', ITEMS).replace('<h1>One – Kites</h1>', '<h1>One</h1>'),
};
const picture = (name: string) => ({
  thumbnail: `t/${name}.jpg`,
  full: `${name}.jpg`,
  title: '',
  alt: name,
  caption: '',
});
const textIn = (outcome: ReturnType<typeof asked>, path: string) =>
  typeof outcome === 'string' ? outcome : (outcome.files[path] ?? '');

describe('a new page', () => {
  const made = (
    wish: Partial<Extract<Intent, { kind: 'new-page' }>>,
    files: Record<string, string> = TWO,
    notes: Partial<SiteNotes> = {},
    kits = [] as ReturnType<typeof kitOf>[],
  ) =>
    asked(siteOf({ ...files, ...PICTURES }, { notes, kits }), {
      kind: 'new-page',
      path: 'new.html',
      title: 'New & nice',
      ...wish,
    });

  it('begins with a skeleton and the site’s stylesheet, or one of its own', () => {
    const bare = made({});
    expect(bare).toMatchObject({ label: 'New page new.html' });
    expect(textIn(bare, 'new.html')).toContain(
      '<title>New &amp; nice</title>\n  <link rel="stylesheet" href="style.css">',
    );
    expect(textIn(bare, 'style.css')).toMatch(/^\/\* The page \*\/\nbody \{/);
    const inFolder = made({ path: 'days/new.html' });
    expect(typeof inFolder !== 'string' && Object.keys(inFolder.files)).toEqual(['days/new.html', 'days/style.css']);
    const styled = { ...TWO, 'js/kite.css': '', 'look/site.css': '' };
    const withStyle = made({ path: 'days/new.html' }, styled, {}, [kitOf()]);
    expect(typeof withStyle !== 'string' && Object.keys(withStyle.files)).toEqual(['days/new.html']);
    expect(textIn(withStyle, 'days/new.html')).toContain('href="../look/site.css"');
  });

  it('is made from another: its title, heading and gallery are its own, the rest is the other’s', () => {
    expect(made({ from: 'one.html', pictures: [picture('c')] })).toEqual({
      label: 'New page new.html from one.html',
      files: {
        'new.html': listPage([linked('c')], 'New &amp; nice – Kites', MENU('', ENTRIES)).replace(
          '<h1>New &amp; nice – Kites</h1>',
          '<h1>New &amp; nice</h1>',
        ),
      },
      notes: {},
    });
    expect(textIn(made({ from: 'one.html' }), 'new.html')).not.toContain('<img');
  });

  it.each([
    ['One – Kites', 'Home – Kites', 'New &amp; nice – Kites'],
    ['Kites: One', 'Kites: Home', 'Kites: New &amp; nice'],
    ['Kites | One', 'Kites | Home', 'Kites | New &amp; nice'],
    ['One - Kites', 'Home', 'New &amp; nice'],
    ['One', 'Home', 'New &amp; nice'],
    ['One–Kites', 'Home–Kites', 'New &amp; nice'],
  ])('has the title of its kind: %s beside %s is %s', (own, other, title) => {
    const files = { 'index.html': listPage(ITEMS, other), 'one.html': listPage(ITEMS, own) };
    expect(textIn(made({ from: 'one.html' }, files), 'new.html')).toContain(`<title>${title}</title>`);
  });

  it('keeps a heading that is a picture, and nothing of further galleries', () => {
    const own = listPage(ITEMS)
      .replace('<h1>Kites</h1>', '<h1><img src="logo.png" alt="Kites"></h1>')
      .replace('</body>', `<ol>\n  <li>${linked('b')}</li>\n  <li>${linked('c')}</li>\n</ol>\n</body>`);
    const text = textIn(
      made({ from: 'one.html', pictures: [picture('c'), picture('a')] }, { 'one.html': own }),
      'new.html',
    );
    expect(text).toContain('<h1><img src="logo.png" alt="Kites"></h1>');
    expect(text).toContain(`<ul>\n  <li>${linked('c')}</li>\n  <li>${linked('a')}</li>\n</ul>`);
    expect(text).not.toContain('<ol>');
  });

  it('is entered in the menus, its own entry marked', () => {
    const entries = [...ENTRIES, ['new.html', 'New'] as const];
    const outcome = made({ from: 'one.html', entry: 'New' });
    expect(textIn(outcome, 'index.html')).toBe(page('index.html', 'Home – Kites', [], entries));
    expect(textIn(outcome, 'new.html')).toContain(MENU('new.html', entries));
    expect(textIn(made({ from: 'index.html' }), 'new.html')).toContain(MENU('', ENTRIES));
    const skeleton = made({ entry: 'New' });
    expect(textIn(skeleton, 'one.html')).toContain(MENU('one.html', entries));
  });

  it('takes the entry that has waited for it', () => {
    const waiting = [...ENTRIES, ['#', 'new'] as const];
    const files = {
      'index.html': page('index.html', 'Home', [], waiting),
      'one.html': page('one.html', 'One', ITEMS, waiting),
    };
    const outcome = made({ from: 'one.html', entry: 'New' }, files);
    const entries = [...ENTRIES, ['new.html', 'new'] as const];
    for (const path of ['index.html', 'one.html']) expect(textIn(outcome, path)).toContain(MENU(path, entries));
    expect(textIn(outcome, 'new.html')).toContain(MENU('new.html', entries));
  });

  it('in another folder leads to the same files', () => {
    const own = listPage(ITEMS, 'One')
      .replace('</head>', '<link rel="stylesheet" href="look.css?v=1"></head>')
      .replace(
        '</body>',
        '<p><a href="https://host/">x</a> <a href="#top">y</a> <a href=\'b &amp; c.html#z\'>z</a></p></body>',
      );
    const text = textIn(
      made(
        { path: 'days/new.html', from: 'one.html', pictures: [picture('a'), picture('b')] },
        { 'one.html': own, 'look.css': '' },
      ),
      'days/new.html',
    );
    expect(text.match(/(?:href|src)=(?:"[^"]*"|'[^']*')/g)).toEqual([
      'href="../look.css?v=1"',
      'href="../a.jpg"',
      'src="../t/a.jpg"',
      'href="../b.jpg"',
      'src="../t/b.jpg"',
      'href="https://host/"',
      'href="#top"',
      "href='../b%20&amp;%20c.html#z'",
    ]);
  });

  it('is read by what was said of the items of the other', () => {
    const units = [
      { page: 'one.html', selector: 'li', gallery: true },
      { page: 'index.html', selector: 'p', gallery: false },
    ];
    expect(made({ from: 'one.html' }, TWO, { units })).toMatchObject({
      notes: { units: [...units, { ...units[0], page: 'new.html' }] },
    });
    expect(made({}, TWO, { units })).toMatchObject({ notes: {} });
  });

  it.each<[Partial<Extract<Intent, { kind: 'new-page' }>>, string]>([
    [{ path: '../x.html' }, '“../x.html” cannot be a page’s name: the path leads out of the folder (“..”).'],
    [{ path: 'x.txt' }, '“x.txt” does not end in .html.'],
    [{ path: 'ONE.html' }, 'There is a file ONE.html already.'],
    [{ from: 'gone.html' }, 'There is no page gone.html any more.'],
  ])('%j is refused', (wish, reason) => expect(made(wish)).toBe(reason));

  it('is not entered where no two pages share a menu', () => {
    expect(made({ entry: 'New' }, { 'one.html': listPage(ITEMS) })).toBe(
      'No two pages here share a menu, so there is none to add the page to.',
    );
  });
});

describe('menus', () => {
  it('take in a page, and are refused where there is nothing to do', () => {
    const entries = [...ENTRIES, ['two.html', 'Two'] as const];
    const outcome = asked(siteOf({ ...TWO, 'two.html': listPage([]) }), {
      kind: 'add-menu-entry',
      target: 'two.html',
      label: 'Two',
    });
    expect(outcome).toMatchObject({ label: 'Add two.html to 2 menus' });
    expect(textIn(outcome, 'index.html')).toContain(MENU('index.html', entries));
    const half = siteOf({
      'index.html': page('index.html', 'x', [], entries),
      'one.html': TWO['one.html'],
      'two.html': '',
    });
    expect(asked(half, { kind: 'add-menu-entry', target: 'two.html', label: 'Two' })).toMatchObject({
      label: 'Add two.html to one menu',
    });
    expect(asked(siteOf(TWO), { kind: 'add-menu-entry', target: 'one.html', label: 'x' })).toBe(
      'Every menu has one.html already.',
    );
    for (const intent of [{ kind: 'add-menu-entry', target: 'x.html', label: 'x' }, { kind: 'align-menus' }] as const)
      expect(asked(siteOf({ 'one.html': listPage([]) }), intent)).toBe('No two pages here share a menu.');
    expect(asked(siteOf(TWO), { kind: 'align-menus' })).toBe('All menus match already.');
  });

  const three = [...ENTRIES, ['two.html', 'Two & more'] as const];
  const whole = (path: string) => page(path, 'x', [], three).replaceAll('Two & more', 'Two &amp; more');

  it.each([
    ['a missing entry', (text: string) => text.replace(/ {2}<a href="two.html".*\n/, '')],
    ['a missing first entry', (text: string) => text.replace(/ {2}<a href="index.html".*\n/, '')],
    ['a dummy', (text: string) => text.replace('href="two.html"', 'href="#"')],
    ['another label', (text: string) => text.replace('Two &amp; more', 'Zwei')],
    ['white space round another label', (text: string) => text.replace('>Two &amp; more<', '> Zwei <')],
  ])('are brought together: %s', (what, drift) => {
    const files = Object.fromEntries(
      ['index.html', 'one.html', 'two.html', 'four.html'].map((path) => [path, whole(path)]),
    );
    const outcome = asked(siteOf({ ...files, 'one.html': drift(whole('one.html')) }), { kind: 'align-menus' });
    expect(outcome).toMatchObject({ label: 'Make the menus of one page match' });
    const expected = what.startsWith('white')
      ? whole('one.html').replace('>Two &amp; more<', '> Two &amp; more <')
      : whole('one.html');
    expect(textIn(outcome, 'one.html')).toBe(expected);
    const both = { ...files, 'one.html': drift(whole('one.html')), 'four.html': drift(whole('four.html')) };
    if (what === 'a dummy')
      expect(asked(siteOf(both), { kind: 'align-menus' })).toMatchObject({
        label: 'Make the menus of 2 pages match',
      });
  });
});

describe('a page that goes', () => {
  const linking = listPage([linked('a'), '<a href="one.html"><img src="t/b.jpg" alt=""></a>', linked('c')]).replace(
    '</body>',
    '<p>See <a href="one.html#x">one <b>x</b></a>.</p>\n<link rel="next" href="one.html">\n</body>',
  );

  it('leaves words behind, and items of galleries, which are told', () => {
    const site = siteOf({ ...PICTURES, 'index.html': linking, 'one.html': listPage([]) });
    expect(asked(site, { kind: 'delete-page', path: 'one.html' })).toEqual({
      label: 'Delete one.html; 1 item of a gallery still leads to it',
      files: {
        'one.html': null,
        'index.html': linking
          .replace('<a href="one.html#x">one <b>x</b></a>', 'one <b>x</b>')
          .replace('\n<link rel="next" href="one.html">', ''),
      },
      notes: {},
    });
    const twice = siteOf({ ...PICTURES, 'index.html': linking, 'two.html': linking, 'one.html': listPage([]) });
    expect(asked(twice, { kind: 'delete-page', path: 'one.html' })).toMatchObject({
      label: 'Delete one.html; 2 items of galleries still lead to it',
    });
    expect(asked(siteOf({ 'one.html': listPage([]) }), { kind: 'delete-page', path: 'one.html' })).toMatchObject({
      label: 'Delete one.html',
    });
    expect(asked(site, { kind: 'delete-page', path: 'gone.html' })).toBe('There is no page gone.html any more.');
  });

  it('goes from the menus', () => {
    const outcome = asked(siteOf({ ...TWO, 'two.html': page('two.html', 'x', []) }), {
      kind: 'delete-page',
      path: 'one.html',
    });
    expect(textIn(outcome, 'index.html')).toBe(page('index.html', 'Home – Kites', [], [['index.html', 'Home']]));
  });

  it('goes from what is noted', () => {
    const notes: Partial<SiteNotes> = {
      spreads: [
        { pages: ['one.html', 'two.html'], size: 12 },
        { pages: ['one.html'], size: 3 },
        { pages: ['three.html'], size: 4 },
      ],
      units: [
        { page: 'one.html', selector: 'li', gallery: true },
        { page: 'two.html', selector: 'p', gallery: true },
      ],
    };
    const site = siteOf({ 'one.html': listPage([]), 'two.html': listPage([]) }, { notes });
    expect(asked(site, { kind: 'delete-page', path: 'one.html' })).toMatchObject({
      notes: {
        spreads: [
          { pages: ['two.html'], size: 12 },
          { pages: ['three.html'], size: 4 },
        ],
        units: [notes.units?.[1]],
      },
    });
    expect(asked(site, { kind: 'delete-page', path: 'two.html' })).toMatchObject({
      notes: {
        spreads: [
          { pages: ['one.html'], size: 12 },
          { pages: ['one.html'], size: 3 },
          { pages: ['three.html'], size: 4 },
        ],
      },
    });
    const other = siteOf({ 'one.html': listPage([]), 'three.html': '', 'four.html': listPage([]) }, { notes });
    expect(asked(other, { kind: 'delete-page', path: 'four.html' })).toMatchObject({ notes: {} });
  });
});

describe('a stylesheet', () => {
  const link = (href: string) => `<link rel="stylesheet" href="${href}">`;
  const plain = '<html>\n<head>\n<title>x</title>\n</head>\n<body></body>\n</html>\n';
  const styled = (href: string) => plain.replace('</title>\n', `</title>\n${link(href)}\n`);
  const site = () =>
    siteOf({
      'look.css': '',
      'one.html': plain,
      'days/two.html': plain,
      'three.html': styled('look.css?v=2').replace('</title>\n', `</title>\n${link('./look.css')}\n`),
      'headless.html': '<p>x</p>',
    });
  const set = (pages: string[], on: boolean, stylesheet = 'look.css') =>
    asked(site(), { kind: 'set-stylesheet', pages, stylesheet, on });

  it('is linked by the path that is right from each page', () => {
    expect(set(['one.html', 'days/two.html', 'three.html'], true)).toEqual({
      label: 'Attach look.css to 2 pages',
      files: { 'one.html': styled('look.css'), 'days/two.html': styled('../look.css') },
      notes: {},
    });
    expect(set(['one.html'], true)).toMatchObject({ label: 'Attach look.css to one.html' });
  });

  it('is taken off, however often it is linked', () => {
    expect(set(['one.html', 'three.html'], false)).toEqual({
      label: 'Remove look.css from three.html',
      files: { 'three.html': plain },
      notes: {},
    });
  });

  it.each<[string[], boolean, string, string]>([
    [['one.html'], true, 'gone.css', 'There is no stylesheet gone.css any more.'],
    [['one.html'], true, 'one.html', 'There is no stylesheet one.html any more.'],
    [['gone.html'], true, 'look.css', 'There is no page gone.html any more.'],
    [['three.html'], true, 'look.css', 'Every one of these pages has look.css already.'],
    [['one.html'], false, 'look.css', 'None of these pages has look.css.'],
    [
      ['headless.html'],
      true,
      'look.css',
      'headless.html has no head to link a stylesheet from; write one in the source first.',
    ],
  ])('%j, %s, %s is refused', (pages, on, stylesheet, reason) => expect(set(pages, on, stylesheet)).toBe(reason));
});

describe('a section', () => {
  const add = (html: string, title = 'Été & more', kits: ReturnType<typeof kitOf>[] = [], more = {}) =>
    asked(siteOf({ 'index.html': html, ...PICTURES, ...more }, { kits }), {
      kind: 'add-section',
      page: 'index.html',
      gallery: 0,
      title,
      pictures: [picture('c')],
    });
  const list = (items: readonly string[], indent = '') =>
    `<ul>\n${items.map((item) => `${indent}  <li>${item}</li>\n`).join('')}${indent}</ul>`;
  const html = (body: string) => `<html>\n<body>\n${body}\n</body>\n</html>\n`;

  it('is written behind the gallery, with its heading where that stands beside it', () => {
    const first = `<h2 class="x" id="spring">Spring</h2>\n${list(ITEMS)}`;
    const second = `<h2 class="x" id="ete-more">Été &amp; more</h2>\n${list([linked('c')])}`;
    expect(add(html(first))).toEqual({
      label: 'Write a section “Été & more” on index.html',
      files: { 'index.html': html(`${first}\n\n${second}`) },
      notes: {},
    });
    const wrapped = (title: string, id: string, items: readonly string[]) =>
      `  <section>\n    <h2${id}>${title}</h2>\n    ${list(items, '    ')}\n  </section>`;
    expect(add(html(wrapped('Spring', '', ITEMS)))).toMatchObject({
      files: {
        'index.html': html(
          `${wrapped('Spring', '', ITEMS)}\n\n${wrapped('Été &amp; more', ' id="ete-more"', [linked('c')])}`,
        ),
      },
    });
  });

  it('gets a heading where the gallery has none of its own', () => {
    const second = `<h2 id="summer">Summer</h2>\n${list([linked('c')])}`;
    for (const lead of ['', '<h1>Kites</h1>\n'])
      expect(add(html(`${lead}${list(ITEMS)}`), 'Summer')).toMatchObject({
        files: { 'index.html': html(`${lead}${list(ITEMS)}\n\n${second}`) },
      });
  });

  it.each([
    ['the whole content', '<div id="wrap">', '<p>Made by hand.</p>\n</div>'],
    ['a main part', '<section class="content">', '<footer>Made by hand.</footer>\n</section>'],
    ['nothing else', '<div class="narrow">', '</div>'],
  ])('is written inside of what holds %s of the page', (_what, open, close) => {
    const first = `<h2>Spring</h2>\n${list(ITEMS)}`;
    const second = `<h2 id="summer">Summer</h2>\n${list([linked('c')])}`;
    expect(add(html(`${open}\n${first}\n${close}`), 'Summer')).toMatchObject({
      files: { 'index.html': html(`${open}\n${first}\n\n${second}\n${close}`) },
    });
  });

  it('is a block of its own where its neighbours are', () => {
    const block = (title: string, id: string, items: readonly string[]) =>
      `<div class="k">\n<h2${id}>${title}</h2>\n${list(items)}\n</div>`;
    const two = `${block('Spring', '', ITEMS)}\n${block('Autumn', '', ITEMS)}`;
    expect(textIn(add(html(two), 'Summer'), 'index.html')).toContain(
      `${block('Spring', '', ITEMS)}\n\n${block('Summer', ' id="summer"', [linked('c')])}\n${block('Autumn', '', ITEMS)}`,
    );
  });

  it('takes pictures that stand on the page, as they are written', () => {
    const own = linked('b', 'class="mine"');
    const body = `<h2>Spring</h2>\n${list([linked('a'), own, linked('c')])}`;
    const moved = (places: readonly number[], pictures = [] as ReturnType<typeof picture>[]) =>
      asked(siteOf({ 'index.html': html(body), ...PICTURES }), {
        kind: 'add-section',
        page: 'index.html',
        gallery: 0,
        title: 'Summer',
        pictures,
        moved: [...places],
      });
    const rest = `<h2>Spring</h2>\n${list([linked('a'), linked('c')])}`;
    expect(moved([1])).toMatchObject({
      files: { 'index.html': html(`${rest}\n\n<h2 id="summer">Summer</h2>\n${list([own])}`) },
    });
    expect(textIn(moved([1], [picture('d')]), 'index.html')).toContain(
      `<h2 id="summer">Summer</h2>\n${list([own, linked('d')])}`,
    );
    expect(moved([0, 1, 2])).toBe('All pictures of the gallery would move; write the heading above them instead.');
    expect(moved([])).toBe('A section needs pictures.');
  });

  it('has names of its own: a free id, and no id of the other', () => {
    const gallery = list(ITEMS).replace('<ul>', '<ul id="g" class="k">');
    const outcome = add(html(`<p id="summer"></p><p id="summer-2"></p>\n<h2>Spring</h2>\n${gallery}`), '--Summer--');
    expect(textIn(outcome, 'index.html')).toContain(
      `<h2 id="summer-3">--Summer--</h2>\n${list([linked('c')]).replace('<ul>', '<ul class="k">')}`,
    );
    expect(textIn(add(html(list(ITEMS)), '???'), 'index.html')).toContain('<h2 id="section">???</h2>');
  });

  it('is a group of its own for the viewer', () => {
    const kit = kitOf({ group: { attribute: 'data-set' } });
    const grouped = ['a', 'b'].map((name) => linked(name, 'data-kite data-set="spring"'));
    const page = html(`<h2>Spring</h2>\n${list(grouped)}`).replace(
      '<body>',
      '<head><script src="js/kite.js"></script></head><body>',
    );
    const outcome = add(page, 'Summer', [kit], { 'js/kite.js': 'x' });
    expect(textIn(outcome, 'index.html')).toContain(linked('c', 'data-kite data-set="summer"'));
    expect(textIn(add(page, 'Summer'), 'index.html')).toContain(linked('c', 'data-kite data-set="spring"'));
  });

  it('is written in the line breaks of the page', () => {
    const page = html(`<h2>Spring</h2>\n${list(ITEMS)}`).replaceAll('\n', '\r\n');
    expect(textIn(add(page, 'Summer'), 'index.html').replaceAll('\r\n', '')).not.toMatch(/[\r\n]/);
  });

  it('is refused where it could not be told', () => {
    const rows = `<table>\n${['a', 'b'].map((name) => `<tr><td>${linked(name)}</td><td>${linked('c')}</td></tr>`).join('\n')}\n</table>`;
    expect(add(html(rows))).toBe(
      'The items of this gallery stand in rows of their own; write the section in the source.',
    );
    expect(add(html(list(ITEMS).replace('</ul>', '')))).toBe(
      'What holds the items is not closed in the source, so nothing can be added after it.',
    );
    expect(add(html('<p>None</p>'))).toBe('This gallery is no longer at this place; the page has changed meanwhile.');
  });

  const listed = (body: string) =>
    asked(siteOf({ 'index.html': html(body), ...PICTURES }), { kind: 'list-sections', page: 'index.html' });
  const contents = (entries: [string, string][], indent = '') =>
    `<ul class="sections">\n${entries.map(([id, label]) => `${indent}  <li><a href="#${id}">${label}</a></li>\n`).join('')}${indent}</ul>`;

  it('is listed with all others before the first, and anew where the list stands', () => {
    const body = (ids: string[]) =>
      `<h2${ids[0]}>One  &amp; all</h2>\n${list(ITEMS)}\n<h3${ids[1]}>Two</h3>\n${list([linked('b'), linked('c')])}`;
    const entries: [string, string][] = [
      ['one-all', 'One &amp; all'],
      ['my%20id', 'Two'],
    ];
    const whole = `${contents(entries)}\n\n${body([' id="one-all"', ' id="my id"'])}`;
    expect(listed(body(['', ' id="my id"']))).toEqual({
      label: 'List the 2 sections of index.html',
      files: { 'index.html': html(whole) },
      notes: {},
    });
    expect(listed(whole)).toBe('The list names every section already.');
    const stale = `<p>x</p>\n  ${contents([['old', 'Old']], '  ').replace('class="sections"', 'class="k sections"')}\n${body(['', ''])}`;
    expect(textIn(listed(stale), 'index.html')).toContain(
      `<p>x</p>\n  ${contents(
        [
          ['one-all', 'One &amp; all'],
          ['two', 'Two'],
        ],
        '  ',
      )}\n`,
    );
  });

  it('is not listed alone, nor under the heading of the page', () => {
    const reason = 'There are no two galleries here with a heading each. Write another section first.';
    expect(listed(`<h2>One</h2>\n${list(ITEMS)}`)).toBe(reason);
    expect(listed(`<h1>One</h1>\n${list(ITEMS)}\n<h2>Two</h2>\n${list(ITEMS)}`)).toBe(reason);
    expect(
      listed(
        `<h2>One</h2>\n${list(ITEMS)}\n<p>x</p>\n<ol>\n${ITEMS.map((item) => `<li>${item}</li>`).join('\n')}\n</ol>`,
      ),
    ).toBe(reason);
    expect(asked(siteOf({}), { kind: 'list-sections', page: 'x.html' })).toBe('There is no page x.html any more.');
  });
});
