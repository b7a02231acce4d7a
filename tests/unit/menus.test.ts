/** Menus in several hands: recognised, compared, brought together, and a page made from another that keeps them. */
import { describe, expect, it } from 'vitest';
import { menusOf, parsePage } from '../../core/markup/index.ts';
import { sharedMenu } from '../../core/model/index.ts';
import { planFor } from '../../core/plans/index.ts';
import { after, read, siteOf, textAt } from './sites.ts';

interface Hand {
  name: string;
  /** The menu as the page `own` says it. */
  menu: (entries: readonly [string, string][], own: string) => string;
}

const HANDS: readonly Hand[] = [
  {
    name: 'a list with a class on the link',
    menu: (entries, own) =>
      `<ul class="lines">\n${entries.map(([href, label]) => `  <li><a${href === own ? ' class="here"' : ''} href="${href}">${label}</a></li>`).join('\n')}\n</ul>`,
  },
  {
    name: 'a list with a class on the item',
    menu: (entries, own) =>
      `<nav><ul>${entries.map(([href, label]) => `<li class="${href === own ? 'item on' : 'item'}"><a href="${href}">${label}</a></li>`).join('')}</ul></nav>`,
  },
  {
    name: 'aria-current in a nav of links with bars',
    menu: (entries, own) =>
      `<nav>\n${entries.map(([href, label]) => `<a${href === own ? ' aria-current="page"' : ''} href="${href}">${label}</a>`).join(' |\n')}\n</nav>`,
  },
  {
    name: 'the own entry is no link',
    menu: (entries, own) =>
      `<ul id="menu">${entries.map(([href, label]) => (href === own ? `<li><strong>${label}</strong></li>` : `<li><a href="${href}">${label}</a></li>`)).join('\n')}</ul>`,
  },
  {
    name: 'open list items in capitals',
    menu: (entries, own) =>
      `<UL>\n${entries.map(([href, label]) => `<LI${href === own ? ' CLASS=here' : ''}><A HREF="${href}">${label}</A>`).join('\n')}\n</UL>`,
  },
  {
    name: 'table cells',
    menu: (entries, own) =>
      `<table><tr>${entries.map(([href, label]) => `<td${href === own ? ' class="now"' : ''}><a href="${href}">${label}</a></td>`).join('')}</tr></table>`,
  },
];

const ENTRIES: [string, string][] = [
  ['index.html', 'Home'],
  ['spring.html', 'Spring'],
  ['summer.html', 'Summer'],
];
const pictures = (name: string) =>
  `<ul class="g">\n${['a', 'b', 'c'].map((n) => `  <li><a href="large/${name}-${n}.jpg" title="${n}"><img src="small/${name}-${n}.jpg" alt="Kite ${n}"></a><p>Kite ${n}</p></li>`).join('\n')}\n</ul>`;
const page = (hand: Hand, own: string, title: string, entries = ENTRIES) =>
  `<!DOCTYPE html>\n<html lang="en">\n<head>\n<title>${title} – The Circle</title>\n<link rel="stylesheet" href="css/kites.css">\n</head>\n<body>\n${hand.menu(entries, own)}\n<h1>${title}</h1>\n${own === 'index.html' ? '<p>Welcome.</p>' : pictures(own.replace('.html', ''))}\n</body>\n</html>\n`;

const withStyle = (files: Record<string, string>) => siteOf({ 'css/kites.css': 'li { float: left }', ...files });

describe.each(HANDS)('$name', (hand) => {
  const files = withStyle({
    'index.html': page(hand, 'index.html', 'Home'),
    'spring.html': page(hand, 'spring.html', 'Spring'),
    'summer.html': page(hand, 'summer.html', 'Summer'),
  });

  it('is recognised, with the page’s own entry', () => {
    for (const [path] of ENTRIES) {
      const [menu] = menusOf(parsePage(textAt(files, path)), path);
      expect(menu?.entries.map(({ label, target, current }) => [label, target, current])).toEqual(
        ENTRIES.map(([target, label]) => [label, target, target === path]),
      );
      expect(menu?.mark).not.toBeNull();
    }
    const shared = sharedMenu(read(files).pages)!;
    expect(shared.entries).toEqual(ENTRIES.map(([target, label]) => ({ target, label })));
    expect(shared.pages.flatMap(({ drift }) => drift)).toEqual([]);
  });

  it('takes a page in everywhere, as its entries are written', () => {
    const next = after(after(files, { kind: 'new-page', path: 'autumn.html', title: 'Autumn' }), {
      kind: 'add-menu-entry',
      target: 'autumn.html',
      label: 'Autumn & after',
    });
    for (const [path] of ENTRIES)
      expect(textAt(next, path)).toContain(hand.menu([...ENTRIES, ['autumn.html', 'Autumn &amp; after']], path));
  });

  it('goes into a page made from another, and the mark with it', () => {
    const picture = {
      thumbnail: 'small/new-1.jpg',
      full: 'large/new-1.jpg',
      title: 'One',
      alt: 'A new kite',
      caption: 'One',
    };
    const next = after(files, {
      kind: 'new-page',
      path: 'autumn.html',
      title: 'Autumn',
      from: 'spring.html',
      entry: 'Autumn',
      pictures: [
        picture,
        { ...picture, thumbnail: 'small/new-2.jpg', full: 'large/new-2.jpg', title: 'Two', caption: 'Two' },
      ],
    });
    const all: [string, string][] = [...ENTRIES, ['autumn.html', 'Autumn']];
    const made = textAt(next, 'autumn.html');
    const [menu] = menusOf(parsePage(made), 'autumn.html');
    expect(menu?.entries.map(({ target, current }) => [target, current])).toEqual(
      all.map(([target]) => [target, target === 'autumn.html']),
    );
    expect(menu?.mark).toEqual(menusOf(parsePage(textAt(files, 'spring.html')), 'spring.html')[0]?.mark);
    expect(made).toContain('<title>Autumn – The Circle</title>');
    expect(made).toContain('<h1>Autumn</h1>');
    expect(made).toContain(
      '<ul class="g">\n  <li><a href="large/new-1.jpg" title="One"><img src="small/new-1.jpg" alt="A new kite"></a><p>One</p></li>\n  <li><a href="large/new-2.jpg" title="Two"><img src="small/new-2.jpg" alt="A new kite"></a><p>Two</p></li>\n</ul>',
    );
    expect(made).not.toMatch(/spring-a|Kite a/);
    for (const [path] of ENTRIES)
      expect(menusOf(parsePage(textAt(next, path)), path)[0]?.entries.map(({ target }) => target)).toEqual(
        all.map(([target]) => target),
      );
  });

  it('is brought together where pages drifted apart', () => {
    const drifted = withStyle({
      'index.html': page(hand, 'index.html', 'Home'),
      'spring.html': page(hand, 'spring.html', 'Spring', [
        ['index.html', 'Home'],
        ['spring.html', 'Spring'],
        ['#', 'Summer'],
      ]),
      'summer.html': page(hand, 'summer.html', 'Summer', [
        ['index.html', 'Start'],
        ['summer.html', 'Summer'],
      ]),
    });
    const shared = sharedMenu(read(drifted).pages)!;
    expect(shared.pages.map(({ page: { path }, drift }) => [path, drift.map(({ kind }) => kind).sort()])).toEqual([
      ['index.html', []],
      ['spring.html', ['dummy']],
      ['summer.html', ['label', 'missing']],
    ]);
    const next = after(drifted, { kind: 'align-menus' });
    expect(sharedMenu(read(next).pages)!.pages.flatMap(({ drift }) => drift)).toEqual([]);
    for (const [path, title] of ENTRIES) expect(textAt(next, path)).toBe(page(hand, path, title));
  });
});

describe('the mark of the current page', () => {
  const marks = (name: string) => HANDS.find((one) => one.name === name)!;
  const kinds = (files: ReturnType<typeof withStyle>) =>
    sharedMenu(read(files).pages)!.pages.map(({ drift }) => drift.map(({ kind }) => kind));

  it.each([
    marks('a list with a class on the link'),
    marks('a list with a class on the item'),
    marks('aria-current in a nav of links with bars'),
    marks('open list items in capitals'),
    marks('table cells'),
  ])('is put right where a copied page still has that of its model: $name', (hand) => {
    const right = withStyle({
      'index.html': page(hand, 'index.html', 'Home'),
      'spring.html': page(hand, 'spring.html', 'Spring'),
      'summer.html': page(hand, 'summer.html', 'Summer'),
    });
    const copied = page(hand, 'spring.html', 'Spring').replaceAll('<h1>Spring</h1>', '<h1>Summer</h1>');
    const wrong = new Map([...right, ['summer.html', { kind: 'text' as const, text: copied }]]);
    expect([kinds(right), kinds(wrong)]).toEqual([
      [[], [], []],
      [[], [], ['mark']],
    ]);
    const next = after(wrong, { kind: 'align-menus' });
    expect(kinds(next)).toEqual([[], [], []]);
    expect(sharedMenu(read(next).pages)!.pages[2]!.menu.mark).toEqual(sharedMenu(read(right).pages)!.mark);
  });

  it('may stand on the page above, where a page is in no menu', () => {
    const hand = marks('a list with a class on the link');
    const files = withStyle({
      'index.html': page(hand, 'index.html', 'Home'),
      'spring.html': page(hand, 'spring.html', 'Spring'),
      'summer.html': page(hand, 'summer.html', 'Summer'),
      'march.html': page(hand, 'spring.html', 'March'),
    });
    expect(kinds(files)).toEqual([[], [], [], []]);
  });
});

describe('a page in another folder', () => {
  const [hand] = HANDS;
  const files = withStyle({
    'index.html': page(hand!, 'index.html', 'Home'),
    'spring.html': page(hand!, 'spring.html', 'Spring'),
    'summer.html': page(hand!, 'summer.html', 'Summer'),
  });

  it('keeps every reference, written from its own place', () => {
    const made = textAt(
      after(files, {
        kind: 'new-page',
        path: 'years/2026.html',
        title: '2026',
        from: 'spring.html',
        entry: '2026',
        pictures: [{ thumbnail: 'small/new-1.jpg', full: 'large/new-1.jpg', title: 'One', alt: 'A', caption: 'One' }],
      }),
      'years/2026.html',
    );
    expect(made).toContain('href="../css/kites.css"');
    expect(made).toContain('<a href="../index.html">Home</a>');
    expect(made).toContain('<a href="../large/new-1.jpg" title="One"><img src="../small/new-1.jpg"');
    expect(made).toMatch(/<a class="here" href="2026\.html">2026<\/a>/);
  });

  it.each([
    [{ path: 'spring.html' }, 'There is a file spring.html already.'],
    [{ path: '../out.html' }, 'cannot be a page’s name'],
    [{ path: 'x.txt' }, 'does not end in .html'],
    [{ path: 'x.html', from: 'gone.html' }, 'There is no page gone.html any more.'],
  ])('is refused with the reason: %j', (wish, reason) => {
    expect(planFor(read(files), { kind: 'new-page', title: 'X', ...wish })).toMatchObject({
      ok: false,
      reason: expect.stringContaining(reason),
    });
  });

  it('needs a menu that pages share before it is entered in one', () => {
    const alone = withStyle({ 'index.html': '<!DOCTYPE html><title>A</title><h1>A</h1>' });
    expect(planFor(read(alone), { kind: 'new-page', title: 'X', path: 'x.html', entry: 'X' })).toMatchObject({
      ok: false,
      reason: expect.stringContaining('No two pages here share a menu'),
    });
    expect(planFor(read(alone), { kind: 'align-menus' })).toMatchObject({ ok: false });
  });
});
