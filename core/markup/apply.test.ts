import { describe, expect, it } from 'vitest';
import { applyPattern } from './apply.ts';
import { listOf, onGallery, shot } from './edited.fixture.ts';

const NAMES = ['a', 'b', 'c'];
const PLACES: Record<string, string> = { a: 'Moor', b: 'Mere', c: 'Loft' };
const applied = (items: readonly string[], pattern: string, supply?: (n: number, slot: string) => string | undefined) =>
  onGallery(listOf(items), (page, gallery) => applyPattern(page, gallery, `<li>${pattern}</li>`, supply));
/** The items afterwards, or why there are none. */
const items = (text: string) =>
  text
    .match(/<li.*<\/li>/gs)?.[0]
    .split(/\n\s*(?=<li)/)
    .map((one) => one.replace(/^<li>|<\/li>$/g, '')) ?? text;

describe('a pattern', () => {
  const PLAIN = '<a href="{full}"><img src="{thumbnail}" alt="{alt}"></a>';

  it.each<[string, string, string[]]>([
    [
      'what a slot holds',
      '<img src="{thumbnail}" alt="{alt}">',
      ['<img src="t/a.jpg" alt="a">', '<img src="t/b.jpg" alt="b">', '<img src="t/c.jpg" alt="c">'],
    ],
    [
      'names and numbers',
      '<img src="{thumbnail}" id="{name}-{number}-{index}">',
      ['<img src="t/a.jpg" id="a-1-0">', '<img src="t/b.jpg" id="b-2-1">', '<img src="t/c.jpg" id="c-3-2">'],
    ],
    ['braces that are text', `${PLAIN}<p>{{full}</p>`, NAMES.map((name) => `${shot(name)}<p>{full}</p>`)],
  ])('writes %s', (_what, pattern, expected) => {
    expect(
      items(
        applied(
          NAMES.map((name) => shot(name)),
          pattern,
        ),
      ),
    ).toEqual(expected);
  });

  it('keeps titles, captions and sizes of the items', () => {
    const before = NAMES.map(
      (name) =>
        `<a href="${name}.jpg" title="T${name}"><img src="t/${name}.jpg" alt="${name}" width="6${name.length}" height="4"></a><p>C <b>${name}</b></p>`,
    );
    const pattern =
      '<figure><a href="{full}"><img src="{thumbnail}" alt="{alt}" width="{width}" height="{height}" title="{title}"></a><figcaption>{caption}</figcaption></figure>';
    expect(items(applied(before, pattern))).toEqual(
      NAMES.map(
        (name) =>
          `<figure><a href="${name}.jpg"><img src="t/${name}.jpg" alt="${name}" width="61" height="4" title="T${name}"></a><figcaption>C <b>${name}</b></figcaption></figure>`,
      ),
    );
  });

  it('takes the title of the image where the link has none', () => {
    const before = NAMES.map((name) => `<a href="${name}.jpg"><img src="t/${name}.jpg" alt="" title="T${name}"></a>`);
    expect(items(applied(before, '<a href="{full}" title="{title}"><img src="{thumbnail}" alt=""></a>'))).toEqual(
      NAMES.map((name) => `<a href="${name}.jpg" title="T${name}"><img src="t/${name}.jpg" alt=""></a>`),
    );
  });

  it('fills what an item has nothing for from elsewhere, and only that', () => {
    const asked: string[] = [];
    const supply = (n: number, slot: string) => {
      asked.push(`${n} ${slot}`);
      return n === 1 ? undefined : `${slot} ${n}`;
    };
    expect(
      items(
        applied(
          NAMES.map((name) => shot(name)),
          `${PLAIN}<p>{caption}</p>`,
          supply,
        ),
      ),
    ).toEqual([`${shot('a')}<p>caption 0</p>`, `${shot('b')}<p></p>`, `${shot('c')}<p>caption 2</p>`]);
    expect(asked).toEqual(['0 caption', '1 caption', '2 caption']);
  });

  it('leaves to an item what it alone has: attributes and comments', () => {
    const own = '<a href="b.jpg" rel="x" id=own><!-- mine --><img src="t/b.jpg" alt="b" class="big"></a>';
    const text = applied([shot('a'), own, shot('c')], `<b>${PLAIN}</b>`);
    const kept = '<a href="b.jpg" rel="x" id=own><img src="t/b.jpg" alt="b" class="big"></a>';
    expect(text).toBe(
      listOf([`<b>${shot('a')}</b>`, `<b>${kept}</b>`, `<b>${shot('c')}</b>`]).replace(
        `<li><b>${kept}`,
        `<!-- mine --><li><b>${kept}`,
      ),
    );
  });

  it('leaves to an item what its outermost element alone has', () => {
    const html = listOf(NAMES.map((name) => shot(name))).replace('<li><a href="b', '<li id="own"><a href="b');
    const text = onGallery(html, (page, gallery) => applyPattern(page, gallery, `<li class="new">${PLAIN}</li>`));
    expect(text.match(/<li[^>]*>/g)).toEqual(['<li class="new">', '<li class="new" id="own">', '<li class="new">']);
    const bare = onGallery(html, (page, gallery) =>
      applyPattern(page, gallery, `<li>${PLAIN.replace('<a', '<a rel="y"')}</li>`),
    );
    expect(bare.match(/<li[^>]*>/g)).toEqual(['<li>', '<li id="own">', '<li>']);
  });

  it('is written in the line breaks of the page', () => {
    const html = listOf(
      NAMES.map((name) => shot(name)),
      '\r\n',
    );
    const text = onGallery(html, (page, gallery) => applyPattern(page, gallery, `<li>\n${PLAIN}\r\n</li>`));
    expect(text).toBe(
      listOf(
        NAMES.map((name) => `\r\n${shot(name)}\r\n`),
        '\r\n',
      ),
    );
  });

  it('has slots of the author’s own: attributes, and words beside the caption', () => {
    const before = NAMES.map(
      (name) =>
        `<figure><a href="${name}.jpg" data-place="${PLACES[name]}"><img src="t/${name}.jpg" alt=""></a><figcaption>C</figcaption><i> &amp; ${PLACES[name]} </i></figure>`,
    );
    expect(items(applied(before, '<img src="{thumbnail}" alt=""><u>{data-place}</u><s>{text}</s>'))).toEqual(
      NAMES.map((name) => `<img src="t/${name}.jpg" alt=""><u>${PLACES[name]}</u><s>&amp; ${PLACES[name]}</s>`),
    );
  });

  it.each([
    ['<p>{alt}</p>', 'Without {thumbnail} or {full} an item would hold no picture.'],
    ['<a href="{full}"', 'The tag “<a href="{full}"” is not closed.'],
    [`<a href="{full}" ${'x'.repeat(40)}`, `The tag “<a href="{full}" ${'x'.repeat(13)}” is not closed.`],
  ])('%s is refused', (pattern, reason) => {
    const html = listOf(NAMES.map((name) => shot(name)));
    expect(onGallery(html, (page, gallery) => applyPattern(page, gallery, pattern))).toBe(reason);
  });

  it('with a slot that nobody knows is refused with those that are', () => {
    expect(
      applied(
        NAMES.map((name) => shot(name)),
        '<a href="{full}">{colour}</a>',
      ),
    ).toMatch(
      /^“\{colour\}” is not known\. The slots are \{thumbnail\}, \{full\}, .*; write \{\{colour\} for the text itself\.$/,
    );
  });

  it('that leaves no gallery is refused', () => {
    const html = listOf(NAMES.map((name) => shot(name)));
    expect(onGallery(html, (page, gallery) => applyPattern(page, gallery, '<!-- {full} -->'))).toBe(
      'The change was not made: the page would be read otherwise than meant.',
    );
    const broken = html.replace('</a></li>', '</li>');
    expect(onGallery(broken, (page, gallery) => applyPattern(page, gallery, '<li>{full}</li>'))).toMatch(/^Line \d+: /);
  });
});
