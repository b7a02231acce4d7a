import { describe, expect, it } from 'vitest';
import { applyChange } from '../site/index.ts';
import { PRESENTATIONS, type Shown } from '../story/index.ts';
import { grid, OPENER, picture, SLIDER, STORY, Story, STYLE, WORDS } from './story.fixture.ts';

const small = (name: string) =>
  `<a href="l/${name}.jpg"><img src="s/${name}.jpg" width="150" height="100" alt="Kite ${name}"></a>`;
const large = (name: string) => `<img src="l/${name}.jpg" width="1200" height="800" alt="Kite ${name}">`;
const block = (classes: string, items: readonly string[]) =>
  `<div class="pictures ${classes}">\n${items.map((item) => `  ${item}\n`).join('')}</div>`;
const story = (group: string) => STORY.replace(`<p>${WORDS}</p>\n`, `<p>${WORDS}</p>\n${group}\n`);

describe('a group of pictures that is put among words', () => {
  it('stands behind the paragraph of the cursor, and its style is written once', () => {
    const made = new Story().put('abcd', grid(4));
    expect(made.text).toBe(story(block('of-4', [...'abcd'].map(small))));
    expect(made.textOf('style.css')).toBe(
      `${STYLE}
/* Groups of pictures among words: class "pictures" with the name of how they are shown */
.pictures { display: grid; gap: 0.75rem; margin: 1.5rem 0; padding: 0; list-style: none; }
.pictures img { display: block; max-width: 100%; height: auto; }
.pictures figure { margin: 0; }
.pictures.of-4 { grid-template-columns: repeat(4, minmax(0, 1fr)); }
`,
    );
    const style = made.textOf('style.css');
    made.put('ef', grid(2), 'By ten');
    expect(made.textOf('style.css')).toBe(
      `${style}.pictures.of-2 { grid-template-columns: repeat(2, minmax(0, 1fr)); }\n`,
    );
    expect([made.names(0), made.names(1)]).toEqual(['abcd', 'ef']);
  });

  it.each<[Shown['as'], string, string[]]>([
    ['large', 'large', [...'ab'].map((name) => `<a href="l/${name}.jpg">${large(name)}</a>`)],
    ['still', 'still', [...'ab'].map(large)],
    ['left', 'left', [...'ab'].map(small)],
    ['right', 'right', [...'ab'].map(small)],
    ['wide', 'wide', [...'ab'].map((name) => `<a href="l/${name}.jpg">${large(name)}</a>`)],
  ])('may be shown %s', (as, classes, items) => {
    expect(new Story().put('ab', { as, columns: 1 }).text).toBe(story(block(classes, items)));
  });

  it('has captions where there are words for them', () => {
    expect(new Story().put('a', grid(1), WORDS, 'Kites & more').text).toContain(
      `<figure>${small('a')}<figcaption>Kites &amp; more</figcaption></figure>`,
    );
  });

  it('is opened by the viewer of the page, and a slideshow gets its own', () => {
    const wired = STORY.replace('</head>', '<script src="js/opener.js" defer></script></head>').replace(
      '<p>By ten',
      `<ul><li><a href="l/e.jpg" data-open data-set="day"><img src="s/e.jpg" alt="e"></a></li>\n<li><a href="l/f.jpg" data-open data-set="day"><img src="s/f.jpg" alt="f"></a></li></ul>\n<p>By ten`,
    );
    const scripts = { 'js/opener.js': '', 'js/slider.js': '' };
    const made = new Story(wired, [OPENER, SLIDER], scripts).put('ab', grid(2));
    expect(made.text).toMatch(
      /<ul class="pictures of-2">\n {2}<li><a href="l\/a\.jpg" data-open data-set="(?!day")[^"]+">/,
    );
    made.put('cd', { as: 'slideshow', columns: 1 }, 'By ten');
    expect(made.text).toContain('<ul class="pictures slides" data-slider>');
    expect(made.text).toContain('js/slider.js');
    made.set('cd', grid(2), 2);
    expect(made.text).not.toContain('slider');
  });

  it('never stands within words, lists or tables, nor in the head', () => {
    const odd = STORY.replace(
      '<p>By ten',
      '<ul><li>One <b>two</b></li></ul><table><tr><td>x</td></tr></table><p>By ten',
    );
    expect(new Story(odd).put('a', grid(1), 'One').text).toContain('</ul>\n<div class="pictures of-1">');
    expect(new Story(odd).put('a', grid(1), 'x</td>').text).toContain('</table>\n<div');
    const head = new Story().plan({
      kind: 'put-group',
      page: 'story.html',
      offset: STORY.indexOf('The day'),
      pictures: [picture('a')],
      shown: grid(1),
    });
    expect(head.ok ? '' : head.reason).toMatch(/^Nothing can be shown/);
  });
});

describe('a group is changed', () => {
  it.each([
    ['one comes', 'abc', 'abcd'],
    ['one goes', 'abc', 'ac'],
    ['the order is another', 'abc', 'cab'],
    ['all at once', 'abc', 'dca'],
    ['one is left', 'abc', 'b'],
    ['one becomes several', 'a', 'abc'],
    ['others come in their place', 'ab', 'cd'],
  ])('where %s', (_what, before, after) => {
    for (const as of PRESENTATIONS) {
      const shown = { as, columns: as === 'grid' ? 3 : 1 };
      const made = new Story().put(before, shown);
      const group = made.text;
      made.set(after);
      expect(made.names(), as).toBe(after);
      // Just what a new group of these pictures would be, and nothing else is another.
      expect(made.text, as).toBe(new Story().put(after, shown).text);
      made.set(before);
      expect(made.text, as).toBe(group);
    }
  });

  it('is shown in every other way, and back', () => {
    for (const from of PRESENTATIONS)
      for (const to of PRESENTATIONS) {
        if (from === to) continue;
        const [one, other] = [
          { as: from, columns: from === 'grid' ? 2 : 1 },
          { as: to, columns: to === 'grid' ? 3 : 1 },
        ];
        const made = new Story().put('abc', one).set('abc', other);
        expect(made.text, `${from} to ${to}`).toBe(new Story().put('abc', other).text);
        expect(made.set('abc', one).text, `${to} to ${from}`).toBe(new Story().put('abc', one).text);
      }
  });

  it('goes with its last picture', () => {
    const made = new Story().put('ab', grid(2)).set('');
    expect(made.text).toBe(STORY);
  });

  it('keeps what its author has written into it', () => {
    const made = new Story().put('abc', grid(3));
    const mine = made.text.replace('alt="Kite b">', 'alt="Mine" class="dear">').replace('of-3"', 'of-3" id="day"');
    made.files.set('story.html', { kind: 'text', text: mine });
    made.set('bca', { as: 'large', columns: 1 });
    expect(made.text).toContain('<div class="pictures large" id="day">');
    expect(made.text).toContain(
      '<a href="l/b.jpg"><img src="l/b.jpg" width="1200" height="800" alt="Mine" class="dear"></a>',
    );
  });

  it('also one that somebody typed by hand, in their own manner', () => {
    const typed = STORY.replace(
      '<p>By ten',
      `<P ALIGN=center>\n${[...'abc'].map((name) => `<A HREF=l/${name}.jpg><IMG SRC=s/${name}.jpg ALT="${name}" BORDER=0></A>`).join('\n')}\n</P>\n<p>By ten`,
    );
    const made = new Story(typed);
    expect(made.groups.map(({ shown }) => shown)).toEqual([null]);
    made.set('cad');
    expect(made.text).toBe(
      typed.replace(
        /<P ALIGN[^]*?<\/P>/,
        `<P ALIGN=center>\n${[...'cad'].map((name) => `<A HREF=l/${name}.jpg><IMG SRC=s/${name}.jpg ALT="${name === 'd' ? 'Kite d' : name}" BORDER=0></A>`).join('\n')}\n</P>`,
      ),
    );
  });

  it('keeps what it cannot name: links to pages and elsewhere stay where they stand', () => {
    const others =
      '<a href="map.html"><img src="https://kites.example/map.png" alt="Map"></a>\n  <a href="https://kites.example/x.jpg"><img src="https://kites.example/x.png" alt="X"></a>';
    const typed = STORY.replace(
      '<p>By ten',
      `<div class="g">\n  ${small('a')}\n  ${others}\n  ${small('b')}\n  ${small('c')}\n</div>\n<p>By ten`,
    );
    const made = new Story(typed, [], { 'map.html': '<p>Map</p>' });
    made.set('ba');
    expect(made.text).toBe(
      typed.replace(
        /<div class="g">[^]*<\/div>/,
        `<div class="g">\n  ${small('b')}\n  ${others}\n  ${small('a')}\n</div>`,
      ),
    );
    const first = 'l/b.jpg';
    const gone = made.plan({ kind: 'set-group', page: 'story.html', group: 0, first, pictures: [], shown: null });
    expect(gone.ok ? '' : gone.reason).toMatch(/^2 items of this group are no pictures of the site/);
  });

  it('links a stylesheet where the page has none, and all of it is undone to the letter', () => {
    const bare = STORY.replace('<link rel="stylesheet" href="style.css">', '').replaceAll('\n', '\r\n');
    const made = new Story(bare);
    const before = made.files;
    const planned = made.plan({
      kind: 'put-group',
      page: 'story.html',
      offset: bare.indexOf(WORDS) + 3,
      pictures: [picture('a'), picture('b')],
      shown: grid(2),
    });
    if (!planned.ok) throw new Error(planned.reason);
    // What stands on the page is edited, and not written as a whole.
    expect(planned.change.files.map(({ kind, path }) => `${kind} ${path}`).sort()).toEqual([
      'edit story.html',
      'edit style.css',
    ]);
    const applied = applyChange(before, planned.change);
    if (!applied.ok) throw new Error(applied.reason);
    const back = applyChange(applied.files, applied.inverse);
    expect(back.ok && back.files).toEqual(before);
    made.files = applied.files;
    expect(made.text).toContain('<link rel="stylesheet" href="style.css">');
    expect(made.text.replaceAll('\r\n', '')).not.toContain('\n');
    expect(made.names()).toBe('ab');
  });
});

describe('a group in the hand of the site’s galleries', () => {
  const page = (list: string) =>
    `<!DOCTYPE html>\n<html lang="en">\n<head><title>Kites</title></head>\n<body>\n${list}\n</body>\n</html>\n`;
  const gallery = (item: (name: string) => string, open: string, close: string) =>
    page(`${open}\n${[...'cdef'].map((name) => `      ${item(name)}\n`).join('')}    ${close}`);
  const put = (list: string, shown: Shown, caption = '', more: { clean?: boolean } = {}) =>
    new Story(STORY, [OPENER], { 'kites.html': list }).do({
      kind: 'put-group',
      page: 'story.html',
      offset: STORY.indexOf(WORDS) + 3,
      pictures: [picture('a', caption), picture('b', caption)],
      shown,
      ...more,
    });
  const groupOf = ({ text }: { text: string }) =>
    /<(div|ul) class="pictures[^]*?<\/\1>|<DIV CLASS="pictures[^]*?<\/DIV>/.exec(text)?.[0];

  const figures = gallery(
    (name) =>
      `<figure class="kite" id="k">\n        <a href="l/${name}.jpg" data-set="kites"><img class="t" src="s/${name}.jpg" alt="${name}"></a>\n        <figcaption>Kite ${name}</figcaption>\n      </figure>`,
    '    <div class="gallery">',
    '</div>',
  );

  it('has its elements, classes and captions, and no group or id of another gallery', () => {
    expect(groupOf(put(figures, grid(2), 'Over the mere'))).toBe(
      `<div class="pictures of-2">\n${['a', 'b']
        .map(
          (name) =>
            `  <figure class="kite">\n    <a href="l/${name}.jpg"><img class="t" src="s/${name}.jpg" alt="Kite ${name}"></a>\n    <figcaption>Over the mere</figcaption>\n  </figure>\n`,
        )
        .join('')}</div>`,
    );
  });

  it('says the title where a picture has no caption and all others have one', () => {
    expect(groupOf(put(figures, grid(2)))).toContain('<figcaption>a</figcaption>');
  });

  it('has the files that it shows, and no link where nothing opens', () => {
    expect(groupOf(put(figures, { as: 'still', columns: 1 }, 'Calm'))).toContain(
      '<figure class="kite">\n    <img class="t" src="l/a.jpg" alt="Kite a">\n    <figcaption>Calm</figcaption>\n  </figure>',
    );
  });

  it('leaves no empty line where a link has one of its own', () => {
    const list = gallery(
      (name) =>
        `<li>\n        <a href="l/${name}.jpg">\n          <img src="s/${name}.jpg" alt=""></a>\n        <span>${name}</span>\n      </li>`,
      '    <ul>',
      '</ul>',
    );
    const still = put(list, { as: 'still', columns: 1 });
    expect(groupOf(still)).toContain('<li>\n    <img src="l/a.jpg" alt="Kite a">\n    <span>a</span>');
    const large = put(list, { as: 'large', columns: 1 }).set('ab', { as: 'still', columns: 1 });
    expect(groupOf(large)).not.toMatch(/\n\s*\n/);
  });

  it('stands in a list where items are those of a list', () => {
    const list = gallery(
      (name) => `<li><a href="l/${name}.jpg"><img src="s/${name}.jpg" alt=""></a></li>`,
      '    <ul>',
      '</ul>',
    );
    const made = put(list, grid(3));
    expect(groupOf(made)).toMatch(/^<ul class="pictures of-3">\n {2}<li><a href="l\/a\.jpg"/);
    expect(made.names(0)).toBe('ab');
    made.set('ba', grid(1));
    expect(made.names(0)).toBe('ba');
  });

  it('is in capitals where its author writes those', () => {
    const capitals = gallery(
      (name) => `<A HREF="l/${name}.jpg"><IMG SRC="s/${name}.jpg" ALT="${name}"></A>`,
      '    <DIV>',
      '</DIV>',
    );
    expect(groupOf(put(capitals, grid(2)))).toMatch(/^<DIV CLASS="pictures of-2">\n {2}<A HREF="l\/a\.jpg"/);
  });

  it.each([
    [
      'items are parts of a table',
      (name: string) => `<td><a href="l/${name}.jpg"><img src="s/${name}.jpg" alt=""></a></td>`,
      '<table><tr>',
      '</tr></table>',
    ],
    [
      'an item holds two pictures',
      (name: string) =>
        `<div><a href="l/${name}.jpg"><img src="s/${name}.jpg" alt=""></a><img src="dot.png" alt=""></div>`,
      '<div>',
      '</div>',
    ],
    ['nothing can be learnt', () => '', '<p>', '</p>'],
  ])('is clean markup where %s', (_, item, open, close) => {
    expect(groupOf(put(gallery(item, open, close), grid(2)))).toMatch(/^<div class="pictures of-2">\n {2}<a href/);
  });

  it('is opened by the viewer also where it is one picture', () => {
    const made = new Story(STORY, [OPENER], { 'kites.html': figures });
    made.do({ kind: 'wire', page: 'kites.html', kit: 'opener' });
    made.put('a', { as: 'wide', columns: 1 }).put('b', grid(1), 'By ten');
    expect(made.text.match(/data-open/g)).toHaveLength(2);
  });

  it('is not written like a group that opens nothing', () => {
    const made = new Story().put('ab', { as: 'still', columns: 1 }).put('cd', grid(2), 'By ten');
    expect(made.text).toContain('<div class="pictures of-2">\n  <a href="l/c.jpg">');
  });

  it('is clean markup where somebody wants it so', () => {
    expect(groupOf(put(figures, grid(2), '', { clean: true }))).not.toContain('figure');
  });
});

describe('what a group holds', () => {
  const TWICE = STORY.replace(
    '<p>By ten',
    `<div class="pictures of-3">\n  ${['a', 'b', 'a'].map(small).join('\n  ')}\n</div>\n<p>By ten`,
  );

  it('may be one picture twice, of which either goes alone', () => {
    const made = new Story(TWICE).set('abac');
    expect(made.names(0)).toBe('abac');
    expect(made.set('abc').names(0)).toBe('abc');
    expect(new Story(TWICE).set('baa').names(0)).toBe('baa');
  });

  it('has words for this page alone', () => {
    const made = new Story().put('ab', grid(2), WORDS, 'Calm');
    const words = { kind: 'set-group-words' as const, page: 'story.html', group: 0, first: 'l/a.jpg', item: 1 };
    const before = made.text;
    made.do({ ...words, alt: 'Here alone' });
    expect(made.text).toBe(before.replace('alt="Kite b"', 'alt="Here alone"'));
    made.do({ ...words, caption: 'Before the rain' });
    expect(made.text).toContain('<figcaption>Before the rain</figcaption>');
    expect(made.plan({ ...words, item: 2, alt: 'x' })).toMatchObject({ ok: false });
    expect(made.site.notes.known.words).toEqual({});
  });
});

it('groups of one picture side by side are no gallery of their own', () => {
  const made = new Story().put('a', { as: 'large', columns: 1 }).put('b', { as: 'large', columns: 1 }, 'By ten');
  const beside = new Story(made.text.replace('<p>By ten the field was full.</p>\n', ''));
  expect(beside.groups.map(({ shown }) => shown?.as)).toEqual(['large', 'large']);
});

describe('a group that somebody typed', () => {
  const shownAs = (group: string, to: Shown, find = 'l/a.jpg') => {
    const made = new Story(STORY.replace('<p>By ten', `${group}\n<p>By ten`));
    const n = made.groups.findIndex(({ gallery }) => gallery.items.some(({ image }) => image !== null));
    const fulls = made.groups[n]!.gallery.items.map((_, at) => 'abcdef'[at]).join('');
    const planned = made.plan({
      kind: 'set-group',
      page: 'story.html',
      group: n,
      first: find,
      pictures: [...fulls].map((name) => picture(name)),
      shown: to,
    });
    if (!planned.ok) return planned.reason;
    made.change(planned.change.files);
    const [, rest = ''] = made.text.split(`<p>${WORDS}</p>\n`);
    return rest.slice(0, rest.indexOf('<p>By ten')).trim();
  };
  const GRID = grid(2);

  it('gets the class where it holds nothing else', () => {
    expect(shownAs(`<div class="row">\n${small('a')}\n${small('b')}\n</div>`, GRID)).toBe(
      `<div class="row pictures of-2">\n${small('a')}\n${small('b')}\n</div>`,
    );
  });

  it('is put into an element of its own where the page around it would be laid out as well', () => {
    expect(shownAs(`${small('a')}\n${small('b')}`, GRID)).toBe(
      `<div class="pictures of-2">\n${small('a')}\n${small('b')}\n</div>`,
    );
    const figure = `<figure>${large('a')}<figcaption>Calm</figcaption></figure>`;
    expect(shownAs(figure, { as: 'still', columns: 1 })).toBe(`<div class="pictures still">\n${figure}\n</div>`);
  });

  it('may be one picture in a paragraph of its own', () => {
    expect(shownAs(`<p align="center">${large('a')}</p>`, { as: 'wide', columns: 1 })).toContain(
      '<p align="center" class="pictures wide"><a href="l/a.jpg"',
    );
  });

  it('is left as it stands where it is a table, and says so', () => {
    const cells = `<table><tr><td>${small('a')}</td><td>${small('b')}</td></tr></table>`;
    expect(shownAs(cells, GRID)).toBe(
      'This group cannot be shown in another way: its pictures stand in the cells of a table.',
    );
  });

  it('takes another picture, also where it is one', () => {
    const made = new Story(STORY.replace('<p>By ten', `<blockquote>${small('a')}</blockquote>\n<p>By ten`));
    expect(made.set('ab').text).toContain(`<blockquote>${small('a')}\n${small('b')}</blockquote>`);
  });
});

it('is refused within a link that is never closed, and it is said where that is', () => {
  const open = STORY.replace('<p>By ten', '<a id="ten"/>\n<div><p>By ten').replace('</body>', '</div></body>');
  const wish = { kind: 'put-group' as const, page: 'story.html', pictures: [picture('a')], shown: grid(1) };
  expect(new Story(open).plan({ ...wish, offset: open.indexOf('By ten') })).toEqual({
    ok: false,
    reason: 'A browser takes all that follows line 7 as a part of its <a>, which is never closed. Close it first.',
  });
});

it('stands between paragraphs also where letters of another kind hold them all', () => {
  const text = STORY.replace(`<p>${WORDS}`, `<font size="2"><b>\n<p>${WORDS}`).replace('</body>', '</b></font></body>');
  expect(new Story(text).put('a', { as: 'still', columns: 1 }).text).toMatch(
    /in the loft\.<\/p>\n<div class="pictures still">\n.*\n<\/div>\n<p>By ten/,
  );
});

describe('a group with others of its kind on the page', () => {
  const described = (name: string) =>
    `<dt><b>${name}</b>:\n<dd>Words of ${name} that say what can be seen there, and more.\n<p>\n<blockquote>\n  <img src="l/${name}.jpg" alt="${name}">\n</blockquote>\n<p>`;
  const body = `<dl>\n${[...'abc'].map(described).join('\n')}\n</dl>`;

  it.each([0, 1, 2])('number %i is changed, and no other', (group) => {
    const made = new Story(story(body));
    const name = made.names(group);
    made.set(name, grid(3), group);
    expect(made.text).toBe(
      story(body).replace(
        `<blockquote>\n  <img src="l/${name}.jpg" alt="${name}">`,
        `<blockquote class="pictures of-3">\n  <a href="l/${name}.jpg"><img src="s/${name}.jpg" alt="${name}"></a>`,
      ),
    );
    expect(made.groups.filter(({ shown }) => shown !== null)).toHaveLength(1);
    expect(made.groups.map((_, n) => made.names(n)).join('')).toBe('abc');
  });

  it('is one with those of its kind beside it', () => {
    const photo = (name: string) =>
      `<div class="photo">\n  <img src="s/${name}.jpg" alt="">\n  <p class="cap">The ${name}.</p>\n</div>`;
    const made = new Story(
      story(
        `${photo('a')}\n${photo('b')}\n<p>Then rain came, and everybody went into the loft for tea.</p>\n${photo('c')}`,
      ),
    );
    expect(made.groups.map(({ gallery }) => gallery.items.length)).toEqual([2, 1]);
    made.do({
      kind: 'set-group',
      page: 'story.html',
      group: 1,
      first: 's/c.jpg',
      pictures: ['c', 'd'].map((name) => ({ ...picture(name, 'The d.'), full: `s/${name}.jpg` })),
      shown: null,
    });
    expect(made.text).toBe(
      story(
        `${photo('a')}\n${photo('b')}\n<p>Then rain came, and everybody went into the loft for tea.</p>\n${photo('c')}\n${photo('d').replace('alt=""', 'alt="Kite d"')}`,
      ),
    );
  });

  it('may be a picture with a sign beside it, or in a paragraph that nobody closed', () => {
    const beside = (markup: string) =>
      new Story(story(markup)).do({
        kind: 'set-group',
        page: 'story.html',
        group: 0,
        first: 's/a.jpg',
        pictures: [{ ...picture('a'), full: 's/a.jpg' }],
        shown: { as: 'left', columns: 1 },
      }).text;
    // Its link leads to a page, and goes on doing so.
    const sign = '<p><img src="s/a.jpg" alt=""><a href="a.html">[*]</a></p>';
    expect(beside(sign)).toBe(story(`<div class="pictures left">\n${sign}\n</div>`));
    expect(beside('<p>\n<img src="s/a.jpg" alt="">\n<h2>Then</h2>')).toBe(
      story('<p class="pictures left">\n<a href="s/a.jpg"><img src="s/a.jpg" alt=""></a>\n<h2>Then</h2>'),
    );
  });
});
