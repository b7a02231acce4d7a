import { describe, expect, it } from 'vitest';
import { applyPattern } from './apply.ts';
import { listOf, onGallery, shot } from './edited.fixture.ts';
import { patternOf } from './pattern.ts';

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
    expect(text).toBe(listOf([shot('a'), own, shot('c')].map((one) => `<b>${one}</b>`)));
  });

  it('leaves to an item what its outermost element alone has', () => {
    const html = listOf(NAMES.map((name) => shot(name))).replace('<li><a href="b', '<li id="own"><a href="b');
    const text = onGallery(html, (page, gallery) => applyPattern(page, gallery, `<li class="new">${PLAIN}</li>`));
    expect(text.match(/<li[^>]*>/g)).toEqual(['<li class="new">', '<li id="own" class="new">', '<li class="new">']);
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

describe('what one item alone has', () => {
  /** The pattern of the items as it was learnt, with a change. */
  const changed = (before: readonly string[], change: (pattern: string) => string) =>
    onGallery(listOf(before), (page, gallery) => {
      const learnt = patternOf(page, gallery);
      return applyPattern(page, gallery, change(learnt?.text ?? ''));
    });
  const lazy = (pattern: string) => pattern.replace('<img', '<img loading="lazy"');
  const lazyItems = (before: readonly string[]) =>
    listOf(before.map((item) => item.replace('<img', '<img loading="lazy"')));

  it.each<[string, (name: string) => string, string]>([
    ['a mark beside the picture', shot, `${shot('b')}<span class="sold">Sold</span>`],
    ['a second link', shot, `${shot('b')} <a href="print/b.pdf">To print</a>`],
    ['loose words', shot, `${shot('b')} taken at dusk`],
    ['a comment', shot, `<!-- ask Wren -->${shot('b')}`],
    ['another order', (name) => `${shot(name)}<p>${name}</p>`, `<p>b</p>${shot('b')}`],
    ['words where the others’ alt has no value', (name) => shot(name).replace(`alt="${name}"`, 'alt'), shot('b')],
    ['candidates of its own', shot, shot('b', ' srcset="t/b.jpg 1x, t/b-2x.jpg 2x"')],
  ])('stays where the pattern gets one more attribute: %s', (_what, usual, own) => {
    const before = [usual('a'), own, usual('c'), usual('d')];
    expect(changed(before, lazy)).toBe(lazyItems(before));
  });

  it.each<[string, (name: string) => string]>([
    [
      'candidates',
      (n) => `<a href="l/${n}.jpg"><img src="t/${n}.jpg" srcset="t/${n}.jpg 1x, t/${n}-2x.jpg 2x" alt="${n}"></a>`,
    ],
    [
      'thumbnails that are named otherwise',
      (n) => `<a href="l/${n}.jpg"><img src="t/${n}_t.jpg" data-face="t/${n}_t.jpg" alt=""></a>`,
    ],
    [
      'attributes with odd names',
      (n) => `<a href="l/${n}.jpg" data-photo_id="x${n}${n}" x:y="${n}${n}"><img src="t/${n}.jpg" alt=""></a>`,
    ],
    ['handlers', (n) => `<a href="l/${n}.jpg" onclick="show('l/${n}.jpg')"><img src="t/${n}.jpg" alt=""></a>`],
  ])('is as right as before where the pattern gets one more attribute: %s', (_what, item) => {
    const before = ['a', 'b', 'c', 'd'].map(item);
    expect(changed(before, lazy)).toBe(lazyItems(before));
  });

  it('is left as it is, and told, where it speaks of the very place that the pattern changes', () => {
    const before = ['a', 'b', 'c'].map((name) =>
      shot(name).replace('<a ', `<a class="${name === 'b' ? 'big' : 'small'}" `),
    );
    let left: unknown;
    const text = onGallery(listOf(before), (page, gallery) => {
      const learnt = patternOf(page, gallery);
      const edited = applyPattern(page, gallery, (learnt?.text ?? '').replace('small', 'tiny'));
      left = edited.ok && edited.left.map(({ item, own }) => [item, own]);
      return edited;
    });
    expect(text).toBe(listOf(before.map((item) => item.replace('small', 'tiny'))));
    expect(left).toEqual([[1, 'class="big"']]);
  });
});
