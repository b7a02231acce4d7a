import fc from 'fast-check';
import { parseFragment, parse } from 'parse5';
import { describe, expect, it } from 'vitest';
import { applyEdits, type Edited, invertEdits } from '../site/index.ts';
import { attributeOf, parsePage, pathTo, valueOf } from './document.ts';
import { encodeAttribute, encodeMarkup } from './encode.ts';
import { galleriesOf } from './galleries.ts';
import { hazardsOf } from './hazards.ts';
import { addressIn, moveItem, removeItem } from './items.ts';
import { firstGallery, insertScript, insertStylesheet, skeletonPage } from './pages.ts';
import { patternOf } from './pattern.ts';
import { pageOf, STYLES, VARIANTS } from './styles.fixture.ts';
import { editAttribute, editAttributes } from './attributes.ts';
import { setAlt, setCaption } from './slots.ts';
import { addItems } from './addItems.ts';

const CASES = STYLES.flatMap((style) =>
  VARIANTS.map((variant) => ({
    ...style,
    name: `${style.name} ${JSON.stringify(variant)}`,
    text: pageOf(style.body, variant),
  })),
);

const sourcesOf = (text: string) => galleriesOf(parsePage(text)).map((gallery) => gallery.items.map(addressIn));

/** Applies, and proves that the edits stay in their ranges and come back exactly. */
function after(text: string, edited: Edited): string {
  if (!edited.ok) throw new Error(edited.reason);
  const applied = applyEdits(text, edited.edits);
  if (!applied.ok) throw new Error(applied.reason);
  const back = applyEdits(applied.text, invertEdits(text, edited.edits));
  expect(back).toEqual({ ok: true, text });
  return applied.text;
}

describe.each(CASES)('$name', ({ text, galleries, captions, targets }) => {
  const page = parsePage(text);
  const found = galleriesOf(page);

  it('is read as its author means it', () => {
    expect(sourcesOf(text)).toEqual(galleries);
    const named = galleries[0]?.map((source) => source.replace(/^s\//, 'l/'));
    expect(found[0]?.items.map((item) => item.target?.value ?? null)).toEqual(targets ?? named);
    if (captions) expect(found[0]?.items.map((item) => item.caption?.text ?? null)).toEqual(captions);
  });

  it('gives every attribute the range and value that parse5 decodes', () => {
    for (const element of page.elements) {
      for (const attribute of element.attributes) {
        const written = text.slice(attribute.range.start, attribute.range.end);
        const again = parseFragment(`<x ${written}>`).childNodes[0];
        expect(again && 'attrs' in again && again.attrs).toEqual([{ name: attribute.name, value: attribute.value }]);
        const value = text.slice(attribute.valueRange.start, attribute.valueRange.end);
        const decoded = parseFragment(`<x y="${value.replaceAll('"', '&quot;')}">`).childNodes[0];
        expect(decoded && 'attrs' in decoded && decoded.attrs[0]?.value).toBe(attribute.value);
      }
    }
  });
});

const NEW = {
  src: 's/new-1.jpg',
  href: 'l/new-1.jpg',
  alt: 'New "one"',
  title: 'New',
  caption: 'New & fine',
  width: 150,
  height: 100,
};

describe.each(CASES.filter(({ galleries }) => galleries.length > 0))(
  '$name, as one works on it',
  ({ text, galleries }) => {
    const page = parsePage(text);
    const found = galleriesOf(page);

    for (const item of found[0]?.items.filter((one) => one.image).slice(0, 1) ?? [])
      it('takes an alt text, quotes and all, and changes nothing else', () => {
        const words = 'A "red" kite & its <tail>';
        const next = after(text, setAlt(page, item, words));
        expect(valueOf(parsePage(next).elements[item.image?.index ?? 0]!, 'alt')).toBe(words);
      });

    it('moves and removes items', () => {
      const gallery = found[0]!;
      const order = galleries[0]!;
      const last = order.length - 1;
      expect(sourcesOf(after(text, moveItem(page, gallery, 0, last)))[0]).toEqual([...order.slice(1), order[0]]);
      const removed = sourcesOf(after(text, removeItem(page, gallery, 0)));
      // Of two, one is left, which may be no gallery any more.
      if (order.length > 2) expect(removed[0]).toEqual(order.slice(1));
      else expect(removed.flat()).not.toContain(order[0]);
    });

    it('adds items, or says why it cannot', () => {
      const gallery = found[0]!;
      const order = galleries[0]!;
      if (!patternOf(page, gallery)) {
        expect(addItems(page, gallery, [NEW])).toMatchObject({ ok: false, reason: expect.stringContaining('pattern') });
        return;
      }
      const added = after(text, addItems(page, gallery, [NEW]));
      expect(sourcesOf(added)[0]).toEqual([...order, 's/new-1.jpg']);
      const fresh = galleriesOf(parsePage(added))[0]?.items.at(-1);
      if (fresh?.image) expect(valueOf(fresh.image, 'alt')).toBe('New "one"');
      const linked = gallery.items.at(-1)?.target !== null;
      expect(fresh?.target?.value).toBe(linked ? 'l/new-1.jpg' : undefined);
      if (fresh?.caption) expect(fresh.caption.text).toBe('New & fine');
      // No line break of another kind comes in.
      if (text.includes('\r\n')) expect(added.replaceAll('\r\n', '')).not.toContain('\n');
    });
  },
);

describe('hand-written styles of any kind', () => {
  const quote = fc.constantFrom<['"' | "'" | '', string]>(['"', '"'], ["'", "'"], ['', '']);
  const wrapper = fc.constantFrom('', 'p', 'li', 'figure', 'div');
  const style = fc.record({
    quote,
    wrapper,
    caption: fc.constantFrom('', 'span', 'figcaption', 'em'),
    upper: fc.boolean(),
    crlf: fc.boolean(),
    bom: fc.boolean(),
    comment: fc.boolean(),
    indent: fc.constantFrom('', '  ', '\t', '        '),
    gap: fc.constantFrom('\n', '\n\n', ' ', ''),
    altFirst: fc.boolean(),
    classes: fc.constantFrom('', 'pic', 'pic big'),
    names: fc.uniqueArray(fc.string({ minLength: 1, maxLength: 6, unit: fc.constantFrom(...'abcdefgh0123456789-') }), {
      minLength: 2,
      maxLength: 6,
    }),
    words: fc.array(fc.string({ maxLength: 12, unit: fc.constantFrom(...'ab &"\'<>é—') }), {
      minLength: 6,
      maxLength: 6,
    }),
  });
  type Style = typeof style extends fc.Arbitrary<infer T> ? T : never;

  function write(one: Style): string {
    const [q] = one.quote;
    const tag = (name: string) => (one.upper ? name.toUpperCase() : name);
    const attribute = (name: string, value: string) => {
      const safe = q === '' ? value.replace(/[\s"'=<>`&]/g, '') || 'x' : encodeAttribute(value, q);
      return ` ${tag(name)}=${q}${safe}${q}`;
    };
    const items = one.names.map((name, n) => {
      const src = attribute('src', `s/${name}.jpg`);
      const alt = attribute('alt', one.words[n] ?? '');
      const image = `<${tag('img')}${one.altFirst ? alt + src : src + alt}>`;
      const link = `<${tag('a')}${attribute('href', `l/${name}.jpg`)}${one.classes === '' ? '' : attribute('class', one.classes)}>${image}</${tag('a')}>`;
      const caption =
        one.caption === '' || one.wrapper === '' || (one.caption === 'figcaption' && one.wrapper !== 'figure')
          ? ''
          : `<${one.caption}>${encodeMarkup(one.words[n] ?? '') || 'c'}</${one.caption}>`;
      const inner = link + caption;
      const whole = one.wrapper === '' ? inner : `<${tag(one.wrapper)}>${inner}</${tag(one.wrapper)}>`;
      return `${one.indent}${one.comment && n === 1 ? `<!-- note -->\n${one.indent}` : ''}${whole}`;
    });
    const body = items.join(one.gap);
    return pageOf(one.wrapper === 'li' ? `<ul>\n${body}\n</ul>` : `<div>\n${body}\n</div>`, one);
  }

  it('opening and saving is identical, and each edit changes nothing outside its range', () => {
    fc.assert(
      fc.property(style, fc.nat(), fc.nat(), (one, pick, other) => {
        const text = write(one);
        const page = parsePage(text);
        expect(page.text).toBe(text);
        expect(applyEdits(text, [])).toEqual({ ok: true, text });
        const wanted = one.names.map((name) => `s/${name}.jpg`);
        expect(sourcesOf(text)).toEqual([wanted]);
        const gallery = galleriesOf(page)[0]!;
        const n = pick % gallery.items.length;
        const to = other % gallery.items.length;
        const item = gallery.items[n]!;
        after(text, setAlt(page, item, 'x "y" & <z>'));
        after(text, setAlt(page, item, ''));
        after(text, editAttribute(page, item.link!, 'title', "it's"));
        if (one.classes !== '')
          after(text, editAttributes(page, [{ element: item.link!, name: 'class', value: null }]));
        const order = [...wanted];
        order.splice(to, 0, ...order.splice(n, 1));
        expect(sourcesOf(after(text, moveItem(page, gallery, n, to)))).toEqual([order]);
        const added = after(
          text,
          addItems(page, gallery, [{ src: 's/zz.jpg', href: 'l/zz.jpg', alt: '', title: '', caption: 'q' }]),
        );
        expect(sourcesOf(added)).toEqual([[...wanted, 's/zz.jpg']]);
        if (wanted.length > 2)
          expect(sourcesOf(after(text, removeItem(page, gallery, n)))).toEqual([wanted.filter((_, m) => m !== n)]);
      }),
      { numRuns: 300 },
    );
  });

  it('arbitrary text is kept to the letter and never crashes a reader', () => {
    const pieces = fc.array(
      fc.constantFrom(
        '<p>',
        '</p>',
        '<a href=x>',
        '</a>',
        '<img src="a.jpg">',
        '<table>',
        '<td>',
        '<li>',
        '<!--',
        '-->',
        '<a',
        '"',
        '=',
        '&amp;',
        '{{x}}',
        '\r\n',
        '\uFEFF',
        'text',
        '<script>',
        '</script>',
        '<svg>',
        '<template>',
        '</body>',
        '<br/>',
        '\u0000',
      ),
      { maxLength: 30 },
    );
    fc.assert(
      fc.property(pieces, (parts) => {
        const text = parts.join('');
        const page = parsePage(text);
        expect(page.text).toBe(text);
        for (const gallery of galleriesOf(page))
          for (const item of gallery.items) expect(item.range.end).toBeLessThanOrEqual(text.length);
        hazardsOf(page);
      }),
      { numRuns: 500 },
    );
  });
});

describe('structure where source and tree part company', () => {
  it.each([
    [
      'mis-nested links',
      '<div><a href="l/a.jpg"><img src="s/a.jpg" alt=""><a href="l/b.jpg"><img src="s/b.jpg" alt=""></a></a></div>',
      null,
    ],
    [
      'content that a table may not hold',
      '<table><tr><td><img src="s/a.jpg" alt=""></td><td><img src="s/b.jpg" alt=""></td></tr><p>lost</p></table>',
      'table',
    ],
    [
      'an attribute written twice',
      '<p><a href="l/a.jpg" class="x" class="y"><img src="s/a.jpg" alt=""></a><a href="l/b.jpg"><img src="s/b.jpg" alt=""></a></p>',
      'twice',
    ],
    [
      'a template’s placeholder in a tag',
      '<p><a href="{{url}}"><img src="s/a.jpg" alt=""></a><a href="l/b.jpg"><img src="s/b.jpg" alt=""></a></p>',
      'template',
    ],
  ])('%s', (_name, body, says) => {
    const page = parsePage(pageOf(body));
    const hazards = hazardsOf(page);
    if (says === null) expect(hazards).toEqual([]);
    else expect(hazards.map((hazard) => hazard.says).join()).toContain(says);
  });

  it('refuses to move items there and says where and why', () => {
    const page = parsePage(
      pageOf(
        '<p><a href="l/a.jpg" class="x" class="y"><img src="s/a.jpg" alt=""></a><a href="l/b.jpg"><img src="s/b.jpg" alt=""></a></p>',
      ),
    );
    const moved = moveItem(page, galleriesOf(page)[0]!, 0, 1);
    expect(moved).toEqual({ ok: false, reason: expect.stringMatching(/^Line 6: .*class stands twice/) });
  });

  it('sees a tag that is not finished', () =>
    expect(hazardsOf(parsePage('<p><a href="x')).map((hazard) => hazard.says)).toEqual([
      'the last tag is not finished',
    ]));
});

describe('new items', () => {
  const fresh = { src: 's/n.jpg', href: 'l/n.jpg', alt: 'N', title: 'New', caption: 'New words' };
  const added = (body: string) => {
    const page = parsePage(pageOf(body));
    const next = after(page.text, addItems(page, galleriesOf(page)[0]!, [fresh]));
    return next.slice(next.indexOf('s/n.jpg') - 120);
  };

  it('never carry a neighbour’s free text along', () => {
    const one = (n: string) =>
      `<li><a href="l/${n}.jpg" data-words="About ${n} and more" data-kind="kite" aria-label="See ${n} large"><img src="s/${n}.jpg" alt="${n}" id="pic-${n}"></a><p>Kite <a href="about-${n}.html" class="${n}">${n}</a></p></li>`;
    const text = added(`<ul>${one('alpha')}${one('beta')}${one('gamma')}</ul>`);
    expect(text).toContain(
      '<li><a href="l/n.jpg" data-words="" data-kind="kite" aria-label="New words"><img src="s/n.jpg" alt="N" id="pic-n"></a><p>New words</p></li>',
    );
  });

  it('continue counters, with their zeros', () => {
    const one = (n: number) =>
      `<li id="k0${n}"><a href="l/${'abc'[n - 1]}.jpg" data-at="${n}"><img src="s/${'abc'[n - 1]}.jpg" alt=""></a></li>`;
    expect(added(`<ul>${one(1)}${one(2)}${one(3)}</ul>`)).toContain('<li id="k04"><a href="l/n.jpg" data-at="4">');
  });

  it('after a single item keep what marks it and leave its prose behind', () => {
    const text = added(
      '<figure class="pic tall"><a href="l/a.jpg" data-enlarge data-note="A long note of a"><img src="s/a.jpg" alt="A" loading="lazy"></a></figure>',
    );
    expect(text).toContain(
      '<figure class="pic tall"><a href="l/n.jpg" data-enlarge data-note=""><img src="s/n.jpg" alt="N" loading="lazy"></a></figure>',
    );
  });

  it('are not modelled on the one item with a slip', () => {
    const one = (n: string, marker: string) =>
      `<li><a href="l/${n}.jpg" ${marker} class="open"><img src="s/${n}.jpg" alt="${n}"></a></li>`;
    expect(
      added(`<ul>${one('a', 'data-enlarge')}${one('b', 'data-enlarge')}${one('c', 'data-enlagre')}</ul>`),
    ).toContain('<li><a href="l/n.jpg" data-enlarge class="open">');
  });
});

describe('pages', () => {
  const item = { src: 's/a.jpg', href: 'l/a.jpg', alt: 'A', title: 'A', caption: 'A & b', width: 150, height: 100 };

  it('a skeleton takes a first gallery, a stylesheet and a script', () => {
    const page = parsePage(skeletonPage('Kites & co', 'style.css'));
    const text = after(page.text, firstGallery(page, [item, { ...item, src: 's/b.jpg' }]));
    expect(sourcesOf(text)).toEqual([['s/a.jpg', 's/b.jpg']]);
    expect(text).toContain(
      '    <div class="pictures">\n      <figure>\n        <a href="l/a.jpg"><img src="s/a.jpg" width="150" height="100" alt="A" loading="lazy"></a>\n        <figcaption>A &amp; b</figcaption>\n      </figure>',
    );
    const wired = applyEdits(page.text, [
      insertStylesheet(page, 'v/x.css')!,
      { ...insertScript(page, 'v/x.js', null)! },
    ]);
    expect(wired.ok && wired.text).toContain(
      '  <link rel="stylesheet" href="style.css">\n  <link rel="stylesheet" href="v/x.css">',
    );
  });

  it('a page without a place for a gallery is refused with the reason', () => {
    expect(firstGallery(parsePage('<p>text'), [item])).toEqual({
      ok: false,
      reason: expect.stringContaining('</body>'),
    });
  });

  it('numbers elements as the browser’s own children do', () => {
    const page = parsePage(pageOf('<p>a</p><p><b>b</b></p>'));
    const bold = page.elements.find((element) => element.tag === 'b')!;
    expect(pathTo(bold)).toEqual([1, 2, 0]);
    expect(parse(page.text).nodeName).toBe('#document');
  });

  it('sets a caption and leaves the markup around it', () => {
    const text = pageOf(
      '<figure><a href="l/a.jpg"><img src="s/a.jpg" alt=""></a>\n<figcaption>\n  old <b>words</b>\n</figcaption></figure>',
    );
    const page = parsePage(text);
    expect(after(text, setCaption(page, galleriesOf(page)[0]!.items[0]!, 'new'))).toContain(
      '<figcaption>\n  new\n</figcaption>',
    );
    expect(attributeOf(page.elements[0]!, 'lang')?.value).toBe('en');
  });
});
