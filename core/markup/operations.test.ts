/** Every operation on every hand-written style: the expected result, nothing else changed, undo identical. */
import { HtmlValidate } from 'html-validate';
import { describe, expect, it } from 'vitest';
import { applyEdits, type Edit, type Edited, invertEdits } from '../site/index.ts';
import { applyPattern, troubleInPattern } from './apply.ts';
import { renumber } from './counters.ts';
import { parsePage, valueOf, type PageDocument } from './document.ts';
import { galleriesOf, type Gallery } from './galleries.ts';
import { addressIn, moveItems, orderItems, removeItems } from './items.ts';
import { oddOnes } from './odd.ts';
import { patternOf } from './pattern.ts';
import { pageOf, STYLES, THOROUGH, VARIANTS } from './styles.fixture.ts';
import { setCaption, setOnLinks, setSlot } from './slots.ts';
import { addItems } from './addItems.ts';
import { addSlide, type Slide } from './slides.ts';

const fresh = (n: number) => ({
  src: `s/new-${n}.jpg`,
  href: `l/new-${n}.jpg`,
  alt: `New "${n}"`,
  title: `New ${n}`,
  caption: `Fresh ${n} & fine`,
  width: 150,
  height: 100,
});
const read = (text: string) => galleriesOf(parsePage(text)).map((gallery) => gallery.items.map(addressIn));

interface Opened {
  text: string;
  page: PageDocument;
  galleries: Gallery[];
  gallery: Gallery;
  order: string[];
}

const open = (text: string): Opened => {
  const page = parsePage(text);
  const galleries = galleriesOf(page);
  const gallery = galleries[0]!;
  return { text, page, galleries, gallery, order: gallery.items.map(addressIn) };
};

/** Pages and what became of them, for a checker that nobody here wrote to look at in the end. */
const changed: { before: string; after: string }[] = [];

/** The new text; everything outside of the edits is as it was, and the inverse brings back every byte. */
function applied(text: string, edits: readonly Edit[]): string {
  const after = applyEdits(text, [...edits]);
  if (!after.ok) throw new Error(after.reason);
  expect(applyEdits(after.text, invertEdits(text, [...edits]))).toEqual({ ok: true, text });
  // No half of a line break is left.
  if (!/\r(?!\n)/.test(text)) expect(after.text).not.toMatch(/\r(?!\n)/);
  changed.push({ before: text, after: after.text });
  return after.text;
}

function done({ text, gallery }: Opened, edited: Edited, { inside = true } = {}): string {
  if (!edited.ok) throw new Error(edited.reason);
  if (inside) {
    const [from, to] = [gallery.items[0]!.unit.start, gallery.items.at(-1)!.unit.end];
    for (const { start, end } of edited.edits) {
      // What is added or removed takes the white space and row beside the items along, and no more.
      expect(text.slice(Math.min(start, from), from)).toMatch(/^\s*$/);
      expect(text.slice(to, Math.max(end, to))).toMatch(/^(?:\s|<\/\w+>)*$/);
    }
  }
  return applied(text, edited.edits);
}

interface Operation {
  name: string;
  /** What is read afterwards from the first gallery; null where the style has no place for it. */
  run: (opened: Opened) => void;
  /** Whether a style has what is worked on; without it all have. */
  goesFor?: (opened: Opened) => boolean;
}

const rest = ({ galleries }: Opened) => galleries.slice(1).map(({ items }) => items.map(addressIn));

/** Galleries of one item or none may no longer be told from other pictures. */
const expectOrder = (opened: Opened, text: string, order: readonly string[]) => {
  const found = read(text);
  if (order.length > 1) expect(found).toEqual([order, ...rest(opened)]);
};

const SLIDES: readonly Slide[] = [
  { is: 'words', title: 'New & <old>', text: 'One.\n\nTwo.' },
  { is: 'video', src: 'v/new.mp4', poster: 's/new.jpg', title: 'New', caption: 'Fresh', width: 150, height: 100 },
];

/** Items that are one element each, all of a kind, in a list or a box: beside them there is always a place. */
function hasRoom({ container, items }: Gallery): boolean {
  const tags = new Set(items.map(({ elements: [first] }) => first?.tag));
  return (
    tags.size === 1 &&
    /^(?:ul|ol|div|section)$/.test(container.tag) &&
    items.every(({ elements, partner }) => elements.length === 1 && !partner && elements[0]?.parent === container)
  );
}

const OPERATIONS: readonly Operation[] = [
  {
    name: 'adds words and a video among the items, or says that they cannot stand there',
    run: (opened) => {
      for (const slide of SLIDES)
        for (const at of [0, 1, opened.order.length]) {
          const edited = addSlide(opened.page, opened.gallery, slide, at);
          if (hasRoom(opened.gallery)) expect(edited).toMatchObject({ ok: true });
          if (edited.ok) expectOrder(opened, done(opened, edited, { inside: false }), opened.order);
          else expect(edited.reason).toMatch(/in the source|The change was not made/);
        }
    },
  },
  {
    name: 'adds two at the end',
    run: (opened) =>
      expectOrder(
        opened,
        done(opened, addItems(opened.page, opened.gallery, [fresh(1), fresh(2)]), { inside: false }),
        [...opened.order, 's/new-1.jpg', 's/new-2.jpg'],
      ),
  },
  {
    name: 'adds one at the beginning',
    run: (opened) =>
      expectOrder(opened, done(opened, addItems(opened.page, opened.gallery, [fresh(1)], 0)), [
        's/new-1.jpg',
        ...opened.order,
      ]),
  },
  {
    name: 'adds one in the middle',
    run: (opened) =>
      expectOrder(opened, done(opened, addItems(opened.page, opened.gallery, [fresh(1)], 1), { inside: false }), [
        opened.order[0]!,
        's/new-1.jpg',
        ...opened.order.slice(1),
      ]),
  },
  {
    name: 'writes every slot of a new item and no word of its neighbours',
    run: (opened) => {
      const text = done(opened, addItems(opened.page, opened.gallery, [fresh(1)]), { inside: false });
      const item = galleriesOf(parsePage(text))
        .flatMap(({ items }) => items)
        .find((one) => addressIn(one) === 's/new-1.jpg');
      if (!item) return expect(opened.order).toHaveLength(1);
      const model = patternOf(opened.page, opened.gallery)!.model;
      expect(item.target?.value ?? null).toBe(model.target ? 'l/new-1.jpg' : null);
      if (item.image) expect(valueOf(item.image, 'alt')).toBe('New "1"');
      if (model.caption) expect(item.caption?.text).toBe('Fresh 1 & fine');
      expect(text.slice(item.range.start, item.range.end)).not.toMatch(/Kite|Album|Flown|Sewn/);
    },
  },
  {
    name: 'removes the first',
    run: (opened) =>
      expectOrder(opened, done(opened, removeItems(opened.page, opened.gallery, [0])), opened.order.slice(1)),
  },
  {
    name: 'removes the last',
    run: (opened) =>
      expectOrder(
        opened,
        done(opened, removeItems(opened.page, opened.gallery, [opened.order.length - 1])),
        opened.order.slice(0, -1),
      ),
  },
  {
    name: 'removes all but the middle',
    run: (opened) => {
      const text = done(
        opened,
        removeItems(
          opened.page,
          opened.gallery,
          opened.order.flatMap((_, n) => (n === 1 ? [] : [n])),
        ),
      );
      const shown = (all: string) =>
        parsePage(all)
          .elements.flatMap(({ attributes }) => attributes.map(({ value }) => value))
          .filter((value) => opened.order.some((address) => value.includes(address)));
      // Of what the items named, only the middle one's is left.
      const [, middle] = opened.order;
      expect(shown(text).every((value) => middle !== undefined && value.includes(middle))).toBe(true);
      if (middle !== undefined) expect(shown(text).length).toBeGreaterThan(0);
    },
  },
  {
    name: 'removes all',
    run: (opened) => {
      const all = opened.order.map((_, n) => n);
      const text = done(opened, removeItems(opened.page, opened.gallery, all));
      expect(
        read(text)
          .flat()
          .filter((address) => opened.order.includes(address)),
      ).toEqual(
        rest(opened)
          .flat()
          .filter((address) => opened.order.includes(address)),
      );
    },
  },
  {
    name: 'moves the first to the end',
    run: (opened) =>
      expectOrder(opened, done(opened, moveItems(opened.page, opened.gallery, [0], opened.order.length - 1)), [
        ...opened.order.slice(1),
        opened.order[0]!,
      ]),
  },
  {
    name: 'moves the last two to the front',
    goesFor: (opened) => opened.order.length > 2,
    run: (opened) => {
      const [last, one] = [opened.order.length - 1, opened.order.length - 2];
      expectOrder(opened, done(opened, moveItems(opened.page, opened.gallery, [last, one], 0)), [
        ...opened.order.slice(-2),
        ...opened.order.slice(0, -2),
      ]);
    },
  },
  {
    name: 'turns the order round',
    run: (opened) =>
      expectOrder(
        opened,
        done(
          opened,
          orderItems(
            opened.page,
            opened.gallery,
            opened.order.map((_, n) => opened.order.length - 1 - n),
          ),
        ),
        [...opened.order].reverse(),
      ),
  },
  {
    name: 'sets the address of the picture',
    goesFor: (opened) => opened.gallery.items[0]!.source !== null,
    run: (opened) => {
      expectOrder(
        opened,
        done(opened, setSlot(opened.page, opened.gallery.items[0]!, 'thumbnail', 's/other (1).jpg')),
        ['s/other (1).jpg', ...opened.order.slice(1)].map((one) =>
          opened.gallery.items[0]!.source!.attribute.name === 'style'
            ? one.replace('other (1)', 'other%20%281%29')
            : one,
        ),
      );
    },
  },
  {
    name: 'sets what a click opens',
    run: (opened) => {
      const [item] = opened.gallery.items;
      const edited = setSlot(opened.page, item!, 'full', 'big/a&b.jpg');
      if (!item!.target) return expect(edited).toMatchObject({ ok: false });
      const after = galleriesOf(parsePage(done(opened, edited)))[0]!;
      expect(after.items.map(({ target }) => target?.value)).toEqual([
        'big/a&b.jpg',
        ...opened.gallery.items.slice(1).map(({ target }) => target?.value),
      ]);
    },
  },
  {
    name: 'sets an alt text and a title',
    run: (opened) => {
      const [item] = opened.gallery.items;
      for (const slot of ['alt', 'title'] as const) {
        const holder = slot === 'alt' ? item!.image : (item!.link ?? item!.image);
        const edited = setSlot(opened.page, item!, slot, 'A "red" one & <more>');
        if (!holder) expect(edited).toMatchObject({ ok: false });
        else
          expect(valueOf(parsePage(done(opened, edited)).elements[holder.index]!, slot)).toBe('A "red" one & <more>');
      }
    },
  },
  {
    name: 'sets a caption where there is a place for it',
    run: (opened) => {
      for (const [n, item] of opened.gallery.items.entries()) {
        const edited = setCaption(opened.page, item, 'Set <so> & so');
        if (!item.caption) expect(edited).toMatchObject({ ok: false });
        else {
          const again = open(done(opened, edited));
          expect(again.gallery.items[n]!.caption?.text).toBe('Set <so> & so');
          expect(setCaption(again.page, again.gallery.items[n]!, 'Set <so> & so')).toEqual({ ok: true, edits: [] });
        }
      }
    },
  },
  {
    name: 'puts an attribute on every link and takes it away again',
    run: (opened) => {
      const edited = setOnLinks(opened.page, opened.gallery, 'data-mark', 'one & "two"');
      const links = opened.gallery.items.flatMap(({ link }) => link ?? []);
      if (links.length === 0) return expect(edited).toMatchObject({ ok: false });
      const text = done(opened, edited);
      const marked = open(text);
      expect(marked.gallery.items.flatMap(({ link }) => (link ? [valueOf(link, 'data-mark')] : []))).toEqual(
        links.map(() => 'one & "two"'),
      );
      expect(done(marked, setOnLinks(marked.page, marked.gallery, 'data-mark', null))).toBe(opened.text);
    },
  },
  {
    name: 'applies its own pattern and changes nothing',
    run: ({ page, gallery }) => {
      const pattern = patternOf(page, gallery);
      if (!pattern) return expect(gallery.items.every(({ source }) => source === null)).toBe(true);
      expect(applyPattern(page, gallery, pattern.text)).toEqual({ ok: true, edits: [], left: [] });
    },
  },
  {
    name: 'applies a pattern with one more attribute',
    goesFor: (opened) => Boolean(patternOf(opened.page, opened.gallery)?.model.image),
    run: (opened) => {
      const pattern = patternOf(opened.page, opened.gallery)!;
      const changed = pattern.text.replace(/<img/i, (tag) => `${tag} loading="lazy"`);
      const after = open(done(opened, applyPattern(opened.page, opened.gallery, changed)));
      expect(after.order).toEqual(opened.order);
      expect(after.gallery.items.map(({ image }) => image && valueOf(image, 'loading'))).toEqual(
        opened.order.map(() => 'lazy'),
      );
      expect(after.gallery.items.map(({ caption }) => caption?.text ?? null)).toEqual(
        opened.gallery.items.map(({ caption }) => caption?.text ?? null),
      );
      expect(after.gallery.items.map(({ target }) => target?.value ?? null)).toEqual(
        opened.gallery.items.map(
          ({ target }, n) =>
            target?.value ?? (pattern.model.target ? (after.gallery.items[n]!.target?.value ?? null) : null),
        ),
      );
    },
  },
  {
    name: 'finds what an item lacks',
    goesFor: (opened) => opened.gallery.items.filter(({ link }) => link).length > 2,
    run: (opened) => {
      const marked = open(done(opened, setOnLinks(opened.page, opened.gallery, 'data-mark', 'x')));
      const attribute = marked.gallery.items[1]!.link!.attributes.find(({ name }) => name === 'data-mark')!;
      const without = open(
        applied(marked.text, [{ start: attribute.range.start - 1, end: attribute.range.end, text: '' }]),
      );
      expect(oddOnes(without.gallery).filter(({ lacks }) => lacks === 'data-mark')).toMatchObject([
        { item: 1, on: 'link', value: 'x' },
      ]);
    },
  },
];

// What differs by line breaks or mark differs by both.
const PLAIN_AND_HARD = [...new Set([...VARIANTS.slice(0, 1), ...VARIANTS.slice(-1)])];
const CASES = STYLES.filter(({ galleries }) => galleries.length > 0).flatMap((style) =>
  PLAIN_AND_HARD.map((variant) => ({
    name: `${style.name}${Object.keys(variant).length > 0 ? ', CRLF and BOM' : ''}`,
    text: pageOf(style.body, variant),
  })),
);

it('covers forty styles and more', () => expect(STYLES.length).toBeGreaterThanOrEqual(40));

it.each(OPERATIONS)('there are styles in which one $name', ({ goesFor }) => {
  const some = CASES.filter(({ text }) => goesFor?.(open(text)) ?? true);
  expect(some.length).toBeGreaterThan(CASES.length / 2);
});

describe.each(CASES)('$name', ({ text }) => {
  const opened = open(text);
  const works = opened.gallery.items.some(({ source }) => source !== null);
  it.each(OPERATIONS.filter(({ goesFor }) => goesFor?.(opened) ?? true))('$name', ({ name, run }) => {
    // Links without pictures have no pattern to write by; that is said.
    if (!works && /^(?:adds|writes)/.test(name))
      expect(addItems(opened.page, opened.gallery, [fresh(1)])).toMatchObject({
        ok: false,
        reason: expect.stringContaining('no pattern'),
      });
    else run(opened);
  });
});

describe('a pattern changed by hand', () => {
  const bare = pageOf(
    `<div class="g">\n  ${['a', 'b', 'c'].map((n) => `<a href="l/${n}.jpg" title="Kite ${n}"><img src="s/${n}.jpg" alt="A kite, ${n}"></a>`).join('\n  ')}\n</div>`,
  );

  it('turns bare links into figures with captions, as one change', () => {
    const opened = open(bare);
    const text = done(
      opened,
      applyPattern(
        opened.page,
        opened.gallery,
        '<figure>\n    <a href="{full}"><img src="{thumbnail}" alt="{alt}"></a>\n    <figcaption>{caption}</figcaption>\n  </figure>',
        (n, slot) => (slot === 'caption' ? `Kite ${'abc'[n]}` : undefined),
      ),
    );
    expect(text).toBe(
      pageOf(
        `<div class="g">\n  ${['a', 'b', 'c'].map((n) => `<figure>\n    <a href="l/${n}.jpg"><img src="s/${n}.jpg" alt="A kite, ${n}"></a>\n    <figcaption>Kite ${n}</figcaption>\n  </figure>`).join('\n  ')}\n</div>`,
      ),
    );
  });

  it('keeps what one item alone has, and the markup in captions', () => {
    const opened = open(
      pageOf(
        `<ul>${['a', 'b', 'c'].map((n) => `<li${n === 'b' ? ' class="wide"' : ''}><a href="l/${n}.jpg"${n === 'c' ? ' data-note="Ask"' : ''}><img src="s/${n}.jpg" alt="${n}"></a><p>Kite <em>${n}</em></p></li>`).join('\n')}</ul>`,
      ),
    );
    const text = done(
      opened,
      applyPattern(
        opened.page,
        opened.gallery,
        '<li><a href="{full}" class="open"><img src="{thumbnail}" alt="{alt}"></a><span>{caption}</span></li>',
      ),
    );
    expect(text).toContain(
      '<li class="wide"><a href="l/b.jpg" class="open"><img src="s/b.jpg" alt="b"></a><span>Kite <em>b</em></span></li>',
    );
    expect(text).toContain('<a href="l/c.jpg" data-note="Ask" class="open">');
  });

  it('leaves out attributes of which nothing is known; a missing alt text stays missing, and is found', () => {
    const opened = open(
      pageOf('<div><a href="l/a.jpg"><img src="s/a.jpg"></a>\n<a href="l/b.jpg"><img src="s/b.jpg"></a></div>'),
    );
    expect(
      done(
        opened,
        applyPattern(
          opened.page,
          opened.gallery,
          '<a href="{full}" title="{title}"><img src="{thumbnail}" width="{width}" height="{height}" alt="{alt}"></a>',
        ),
      ),
    ).toContain('<a href="l/a.jpg"><img src="s/a.jpg"></a>');
  });

  it.each([
    ['<a href="{full}"><img src="{thumbnail}" alt="{words}"></a>', '“{words}” is not known'],
    ['<p>{caption}</p>', 'would hold no picture'],
    ['<a href="{full}"><img src="{thumbnail}" alt="{alt}"', 'is not closed'],
  ])('is refused where it cannot be used: %s', (text, reason) => {
    const { page, gallery } = open(bare);
    expect(troubleInPattern(text, patternOf(page, gallery)!)).toContain(reason);
    expect(applyPattern(page, gallery, text)).toMatchObject({ ok: false, reason: expect.stringContaining(reason) });
  });

  it('writes no further picture of which nothing is known', () => {
    const pair = (n: string) =>
      `<li><a href="l/${n}.jpg"><img src="s/${n}.jpg" alt="${n}"></a> <a href="l/later-${n}${n}.jpg"><img src="s/later-${n}${n}.jpg" alt="${n}, later"></a></li>`;
    const page = (more: string) => pageOf(`<ul>\n${['a', 'b', 'c'].map(pair).join('\n')}${more}\n</ul>`);
    const opened = open(page(''));
    const text = done(
      opened,
      addItems(opened.page, opened.gallery, [{ ...fresh(1), src: 's/d.jpg', href: 'l/d.jpg', alt: 'd' }]),
    );
    expect(text).toBe(page('\n<li><a href="l/d.jpg"><img src="s/d.jpg" alt="d"></a> </li>'));
  });

  it('writes braces of the author’s own as they are', () => {
    const opened = open(
      pageOf(
        `<ul>${['a', 'b'].map((n) => `<li data-set='{alt}'><a href="l/${n}.jpg"><img src="s/${n}.jpg" alt="${n}"></a></li>`).join('')}</ul>`,
      ),
    );
    expect(patternOf(opened.page, opened.gallery)!.text).toContain("data-set='{{alt}'");
    expect(done(opened, addItems(opened.page, opened.gallery, [fresh(1)]))).toContain(
      '<li data-set=\'{alt}\'><a href="l/new-1.jpg">',
    );
  });
});

describe('counters', () => {
  const list = (numbers: readonly string[], total: number) =>
    pageOf(
      `<ul>${numbers.map((n, at) => `<li id="k${n}"><a href="l/${at}x.jpg" data-at="${n}"><img src="s/${at}x.jpg" alt=""></a><small>${n} of ${total}</small></li>`).join('\n')}</ul>`,
    );

  it('count as the items stand after one has gone', () => {
    const opened = open(list(['01', '02', '04', '05'], 5));
    expect(done(opened, renumber(opened.page, opened.gallery))).toBe(
      list(['01', '02', '03', '04'], 4).replace(/\n/g, '\n'),
    );
  });

  it('that are right are left, and so are numbers that count nothing', () => {
    const right = open(list(['1', '2', '3'], 3));
    expect(renumber(right.page, right.gallery)).toMatchObject({ ok: false });
    const years = open(
      pageOf(
        `<ul>${[1988, 1988, 1991].map((year, n) => `<li><a href="l/${n}x.jpg"><img src="s/${n}x.jpg" alt=""></a><p>${year}</p></li>`).join('')}</ul>`,
      ),
    );
    expect(renumber(years.page, years.gallery)).toMatchObject({ ok: false });
  });
});

describe('rows of one length', () => {
  const cell = (n: string) => `<td><a href="l/${n}.jpg"><img src="s/${n}.jpg" alt="${n}"></a></td>`;
  const table = (rows: string[][]) =>
    pageOf(
      `<table>\n${rows.map((row) => `  <tr>\n    ${row.map(cell).join('\n    ')}\n  </tr>`).join('\n')}\n</table>`,
    );

  it('are filled up, then a new row begins', () => {
    const opened = open(table([['a', 'b'], ['c']]));
    const added = ['d', 'e', 'f', 'g'].map((n) => ({ ...fresh(1), src: `s/${n}.jpg`, href: `l/${n}.jpg`, alt: n }));
    expect(done(opened, addItems(opened.page, opened.gallery, added), { inside: false })).toBe(
      table([['a', 'b'], ['c', 'd'], ['e', 'f'], ['g']]),
    );
  });
});

describe('html-validate on every page that was changed above', () => {
  const validator = new HtmlValidate({ extends: ['html-validate:standard'] });
  const known = new Map<string, Set<string>>();
  const errorsIn = (written: string): Set<string> => {
    // Line breaks and marks change nothing of what it looks at, and so each page is looked at once.
    const text = written.replace(/^\uFEFF/, '').replaceAll('\r\n', '\n');
    const found =
      known.get(text) ??
      new Set(
        validator
          .validateStringSync(text)
          .results.flatMap(({ messages }) =>
            messages.filter(({ severity }) => severity === 2).map(({ ruleId }) => ruleId),
          ),
      );
    known.set(text, found);
    return found;
  };

  it('finds no kind of error that the author’s page did not have', () => {
    expect(changed.length).toBeGreaterThan(10 * CASES.length);
    // The checker takes longer than all the rest; a third of the pages has every style and every operation.
    const judged = changed.filter((_, n) => n % (THOROUGH ? 3 : 90) === 0);
    const fresh = judged.flatMap(({ before, after }) =>
      [...errorsIn(after)].filter((rule) => !errorsIn(before).has(rule)).map((rule) => ({ rule, after })),
    );
    expect(fresh.slice(0, 5)).toEqual([]);
  }, 120_000);
});
