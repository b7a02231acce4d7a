import { describe, expect, it } from 'vitest';
import { firstOf, known } from '../site/index.ts';
import { parsePage, type PageDocument } from './document.ts';
import { textAfter } from './edited.fixture.ts';
import { insertEntry, type Menu, menusOf, moveMark, removeEntry, writeEntry } from './menus.ts';

const read = (html: string, path = 'one.html') => {
  const page = parsePage(html);
  return { page, menus: menusOf(page, path) };
};
/** As `Home→index.html One! Two→#`: where an entry leads, `!` at the page's own, `?` at a dummy. */
const seen = (html: string, path?: string) =>
  read(html, path).menus.map(({ entries }) =>
    entries
      .map(
        ({ label, target, current, dummy, link }) =>
          `${label}${link ? '' : '*'}${target === null ? '' : `→${target}`}${current ? '!' : ''}${dummy ? '?' : ''}`,
      )
      .join(' '),
  );
const A = (href: string, label: string, more = '') => `<a href="${href}"${more}>${label}</a>`;
const TWO = `${A('index.html', 'Home')} ${A('one.html', 'One')}`;

describe('a menu', () => {
  it.each<[string, string[]]>([
    [`<p>${TWO}</p>`, ['Home→index.html One→one.html!']],
    [
      `<ul><li>${A('index.html', 'Home')}</li><li>${A('one.html', ' O\n n  e ')}</li></ul>`,
      ['Home→index.html O n e→one.html!'],
    ],
    [
      `<ul><li>${A('index.html', 'Home')}</li><li>One</li><li>${A('#', 'Two')}</li></ul>`,
      ['Home→index.html One*→one.html! Two?'],
    ],
    [
      `<ul><li>${A('index.html', 'Home')}</li><li>${A('', 'Two')}</li><li>${A('#!', 'Three')}</li></ul>`,
      ['Home→index.html Two? Three?'],
    ],
    [`<ul><li>${A('#', 'One')}</li><li>${A('#', 'Two')}</li></ul>`, []],
    [
      `<ul><li>${A('#top', 'One')}</li><li>${A('x.html', 'Two')}</li><li>${A('y.html', 'Three')}</li></ul>`,
      ['One Two→x.html Three→y.html'],
    ],
    [`<ul><li>${A('https://host/', 'One')}</li><li>${A('x.html', 'Two')}</li></ul>`, []],
    [`<ul><li>${A('a.jpg', 'One')}</li><li>${A('x.html', 'Two')}</li></ul>`, []],
    [`<p>${A('index.html', 'Home')}</p>`, []],
    [
      `<ul><li>${A('x.html', 'x'.repeat(40))}</li><li>${A('y.html', 'y')}</li></ul>`,
      [`${'x'.repeat(40)}→x.html y→y.html`],
    ],
    [`<ul><li>${A('x.html', 'x'.repeat(41))}</li><li>${A('y.html', 'y')}</li></ul>`, []],
    [`<ul><li>${A('x.html', '→')}</li><li>${A('y.html', 'y')}</li></ul>`, []],
    [`<ul><li>${A('x.html', '<img src="a.jpg">x')}</li><li>${A('y.html', 'y')}</li></ul>`, []],
    [`<ul><li>${A('x.html', '<picture></picture>x')}</li><li>${A('y.html', 'y')}</li></ul>`, []],
    [`<ul><li>${A('x.html', 'x')}${A('x2.html', 'x2')}</li><li>${A('y.html', 'y')}</li></ul>`, ['x→x.html x2→x2.html']],
    [`<ul><li title="${'x'.repeat(600)}">${A('x.html', 'x')}</li><li>${A('y.html', 'y')}</li></ul>`, []],
    [`<div>${TWO}<p>x</p><h2>y</h2></div>`, ['Home→index.html One→one.html! x*']],
    [`<div>${TWO}<h3>x</h3><h2>y</h2><h2>z</h2></div>`, []],
    ...['strong', 'b', 'em', 'span', 'td', 'div'].map((tag): [string, string[]] => [
      `<div><${tag}>${A('x.html', 'x')}</${tag}><${tag}>${A('y.html', 'y')}</${tag}></div>`,
      tag === 'td' ? [`x→x.html y→y.html`] : ['x→x.html y→y.html'],
    ]),
    [`<div><h2>${A('x.html', 'x')}</h2><h2>${A('y.html', 'y')}</h2></div>`, []],
  ])('%s', (html, menus) => expect(seen(html)).toEqual(menus));

  it('is none within a sentence; signs and a name may stand beside', () => {
    const [x, y] = [A('x.html', 'x'), A('y.html', 'y')];
    for (const menu of [
      `${x} | ${y}`,
      `${x}, ${y}`,
      `Pages: ${x} · ${y}`,
      `« ${x} – ${y} »`,
      `${x}\n${y} `,
      `Go: ${x} / ${y}`,
    ])
      expect(seen(`<p>${menu}</p>`), menu).toHaveLength(1);
    for (const prose of [`See ${x} ${y}`, `${x} and ${y}`, `${x} ${y} are good`, `word${x} ${y}`, `${x} ${y}.word`])
      expect(seen(`<p>${prose}</p>`), prose).toEqual([]);
    expect(seen(`<p>See <b>${x}</b> and <b>${y}</b></p>`)).toHaveLength(1);
  });

  it('in a nav comes before longer ones', () => {
    const long = `<ul>${['p', 'q', 'r'].map((name) => `<li>${A(`${name}.html`, name)}</li>`).join('')}</ul>`;
    expect(seen(`${long}<nav>${TWO}</nav>`)[0]).toMatch(/^Home/);
    expect(seen(`${long}<nav><p>${TWO}</p></nav>`)[0]).toMatch(/^Home/);
    expect(seen(`<p>${TWO}</p>${long}`)[0]).toMatch(/^p/);
  });

  it('is read once for a page and its path', () => {
    const page = parsePage(`<p>${TWO}</p>`);
    expect(menusOf(page, 'one.html')).toBe(menusOf(page, 'one.html'));
    const before = menusOf(page, 'one.html');
    expect(menusOf(page, 'index.html')).not.toBe(before);
    expect(menusOf(page, 'index.html')[0]?.entries[0]?.current).toBe(true);
  });
});

describe('the mark of the page itself', () => {
  const mark = (html: string, path?: string) => read(html, path).menus[0]?.mark;
  const list = (own: string) =>
    `<ul><li>${A('index.html', 'Home', ' class="x"')}</li>${own}<li>${A('two.html', 'Two', ' class="x"')}</li></ul>`;

  it.each([
    [list(`<li>${A('one.html', 'One', ' class="x here"')}</li>`), { kind: 'class', on: 'link', name: 'here' }],
    [
      list(`<li class=" here ">${A('one.html', 'One', ' class="x"')}</li>`),
      { kind: 'class', on: 'unit', name: 'here' },
    ],
    [list(`<li>${A('one.html', 'One', ' class="x" aria-current="page"')}</li>`), { kind: 'aria', on: 'link' }],
    [list(`<li aria-current="page">${A('one.html', 'One', ' class="x"')}</li>`), { kind: 'aria', on: 'unit' }],
    [list('<li>One</li>'), { kind: 'unlinked', tag: null }],
    [list('<li><b>One</b></li>'), { kind: 'unlinked', tag: 'b' }],
    [list(`<li>${A('one.html', 'One', ' class="x"')}</li>`), null],
    [
      `<p>${A('index.html', 'Home')} <strong>One</strong> ${A('two.html', 'Two')}</p>`,
      { kind: 'unlinked', tag: 'strong' },
    ],
    [
      `<table><tr><td>${A('index.html', 'Home')}</td><td>One</td><td>${A('two.html', 'Two')}</td></tr></table>`,
      { kind: 'unlinked', tag: null },
    ],
    [list('').replace('class="x"', 'class="here"'), null],
    [
      list(`<li>${A('one.html', 'One', ' aria-current="page"')}</li>`).replace('>Two', ' aria-current="page">Two'),
      null,
    ],
  ])('%s', (html, expected) => expect(mark(html)).toEqual(expected));

  it('is none where every entry is the page’s own', () => {
    expect(mark(`<p>${A('one.html', 'One')} ${A('one.html', 'One')}</p>`)).toBeNull();
  });
});

/** Does something with the first menu of a page. */
const onMenu = (
  html: string,
  work: (page: PageDocument, menu: Menu) => { start: number; end: number; text: string }[] | null,
) => {
  const { page, menus } = read(html);
  const edits = work(page, firstOf(menus));
  return edits && textAfter(page, { ok: true, edits });
};
const wish = (current = false) => ({ href: 'new.html', label: 'New & nice', current });

describe('an entry', () => {
  const written = (html: string, current: boolean) => {
    const { page, menus } = read(html);
    return writeEntry(page, firstOf(menus), wish(current));
  };
  const list = (own: string) => `<ul>\n  <li>${A('index.html', 'Home', ' title="Home"')}</li>\n  ${own}\n</ul>`;

  it.each([
    [
      list(`<li>${A('one.html', 'One', ' class="here"')}</li>`),
      '<li><a href="new.html" title="New &amp; nice" class="here">New &amp; nice</a></li>',
    ],
    [
      list(`<li>${A('one.html', 'One').replace('<a ', '<a class="here" ')}</li>`),
      '<li><a class="here" href="new.html" title="New &amp; nice">New &amp; nice</a></li>',
    ],
    [
      list(`<li class="here">${A('one.html', 'One')}</li>`),
      '<li class="here"><a href="new.html" title="New &amp; nice">New &amp; nice</a></li>',
    ],
    [
      list(`<li>${A('one.html', 'One', ' aria-current="page"')}</li>`),
      '<li><a href="new.html" title="New &amp; nice" aria-current="page">New &amp; nice</a></li>',
    ],
    [list('<li><b>One</b></li>'), '<li><b>New &amp; nice</b></li>'],
    [list('<li>One</li>'), '<li>New &amp; nice</li>'],
    [list(`<li>${A('one.html', 'One')}</li>`), '<li><a href="new.html" title="New &amp; nice">New &amp; nice</a></li>'],
  ])('is written as its neighbours are, with the mark: %s', (html, expected) => {
    expect(written(html, true)).toBe(expected);
    expect(written(html, false)).toBe('<li><a href="new.html" title="New &amp; nice">New &amp; nice</a></li>');
  });

  it('joins its mark to a class that the neighbours have', () => {
    const html = `<p>${A('index.html', 'Home', ' class="x"')} ${A('one.html', 'One', ' class="x here"')}</p>`;
    expect(written(html, true)).toBe('<a href="new.html" class="x here">New &amp; nice</a>');
  });

  it('keeps markup around its words, and is none where there is no plain link', () => {
    expect(written(`<p>${A('index.html', '<span>Home</span>')} ${A('one.html', 'One')}</p>`, false)).toBe(
      '<a href="new.html"><span>New &amp; nice</span></a>',
    );
  });

  it('comes behind another, or first', () => {
    const items = (...labels: string[]) => `<ul>\n${labels.map((one) => `  <li>${one}</li>\n`).join('')}</ul>`;
    const [home, one, fresh] = [A('index.html', 'Home'), A('one.html', 'One'), A('new.html', 'New &amp; nice')];
    const inserted = (html: string, at: number) => onMenu(html, (page, menu) => insertEntry(page, menu, wish(), at));
    expect(inserted(items(home, one), 1)).toBe(items(home, one, fresh));
    expect(inserted(items(home, one), 0)).toBe(items(home, fresh, one));
    expect(inserted(items(home, one), -1)).toBe(items(fresh, home, one));
    const line = (...links: string[]) => `<p>${links.join(' | ')}</p>`;
    expect(inserted(line(home, one), 1)).toBe(line(home, one, fresh));
    expect(inserted(line(home, one), 0)).toBe(line(home, fresh, one));
    expect(inserted(line(home, one), -1)).toBe(line(fresh, home, one));
  });

  it('goes with the sign beside it', () => {
    const line = (...links: string[]) => `<p>${links.join(' | ')}</p>`;
    const all = [A('index.html', 'Home'), A('one.html', 'One'), A('two.html', 'Two')];
    for (const at of [0, 1, 2]) {
      const left = all.filter((_, n) => n !== at);
      expect(
        onMenu(line(...all), (page, menu) => {
          const edit = removeEntry(page, menu, at);
          return edit ? [edit] : null;
        }),
      ).toBe(line(...left));
      const list = (links: string[]) => `<ul>\n${links.map((one) => `  <li>${one}</li>\n`).join('')}</ul>`;
      expect(
        onMenu(list(all), (page, menu) => {
          const edit = removeEntry(page, menu, at);
          return edit ? [edit] : null;
        }),
      ).toBe(list(left));
    }
    const { page, menus } = read(line(...all));
    expect(removeEntry(page, firstOf(menus), 7)).toBeNull();
  });
});

describe('the mark moves', () => {
  const moved = (html: string, to: number | null) => {
    const { page, menus } = read(html);
    const menu = firstOf(menus);
    const own = menu.entries.find(({ current }) => current);
    return textAfter(page, {
      ok: true,
      edits: moveMark(page, menu, own, to === null ? undefined : known(menu.entries[to], 'entry'), 'one.html').sort(
        (a, b) => a.start - b.start,
      ),
    });
  };
  const line = (home: string, one: string) =>
    `<p><a href="index.html"${home}>Home</a> <a href="one.html"${one}>One</a></p>`;

  it.each([
    [line('', ' class="here"'), line(' class="here"', ''), line('', '')],
    [line(' class="x"', ' class="x here"'), line(' class="x here"', ' class="x"'), line(' class="x"', ' class="x"')],
    [line('', ' aria-current="page"'), line(' aria-current="page"', ''), line('', '')],
    [line('', ''), line('', ''), line('', '')],
    ['<p><a href="index.html">Home</a> <b>One</b></p>', line('', ''), line('', '')],
  ])('%s', (html, onHome, nowhere) => {
    expect(moved(html, 0)).toBe(onHome);
    expect(moved(html, null)).toBe(nowhere);
  });
});
