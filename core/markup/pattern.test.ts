import { describe, expect, it } from 'vitest';
import { parsePage } from './document.ts';
import { galleryIn, listOf } from './edited.fixture.ts';
import { patternOf } from './pattern.ts';

describe('a pattern', () => {
  const learnt = (items: readonly string[]) => {
    const page = parsePage(listOf(items));
    const pattern = patternOf(page, galleryIn(page));
    return (
      pattern && {
        text: pattern.text.replace(/^<li>|<\/li>$/g, ''),
        forNew: pattern.forNew.replace(/^<li>|<\/li>$/g, ''),
        free: [...pattern.free.keys()],
      }
    );
  };
  const each = (item: string) =>
    ['a', 'b', 'c'].map((name, n) => item.replaceAll('#', name).replaceAll('%', String(n + 1)));

  it.each<[string, string, string[]]>([
    [
      '<a href="#.jpg"><img src="t/#.jpg" alt="A #"></a>',
      '<a href="{full}"><img src="{thumbnail}" alt="{alt}"></a>',
      [],
    ],
    [
      "<a href='#.jpg' TITLE='T #'><img src=t/#.jpg></a>",
      "<a href='{full}' TITLE='{title}'><img src={thumbnail}></a>",
      [],
    ],
    [
      '<a href="#.jpg" class="one" rel="x"><img src="t/#.jpg"></a>',
      '<a href="{full}" class="one" rel="x"><img src="{thumbnail}"></a>',
      [],
    ],
    [
      '<a href="#.jpg" id="pic-#"><img src="t/#.jpg"></a>',
      '<a href="{full}" id="pic-{name}"><img src="{thumbnail}"></a>',
      [],
    ],
    [
      '<a href="#.jpg" id="p%"><img src="t/#.jpg"></a>',
      '<a href="{full}" id="p{number}"><img src="{thumbnail}"></a>',
      [],
    ],
    [
      '<a href="#.jpg" id="p0%"><img src="t/#.jpg"></a>',
      '<a href="{full}" id="p{number:2}"><img src="{thumbnail}"></a>',
      [],
    ],
    [
      '<a href="#.jpg"><img src="t/#.jpg" width="6%" height="4%"></a>',
      '<a href="{full}"><img src="{thumbnail}" width="{width}" height="{height}"></a>',
      [],
    ],
    [
      '<a href="#.jpg" data-at="# moor"><img src="t/#.jpg"></a>',
      '<a href="{full}" data-at="{data-at}"><img src="{thumbnail}"></a>',
      ['data-at'],
    ],
    [
      '<a href="#.jpg" data-words="W #"><img src="t/#.jpg" alt="W #"></a>',
      '<a href="{full}" data-words="{alt}"><img src="{thumbnail}" alt="{alt}"></a>',
      [],
    ],
    [
      '<a href="#.jpg"><img src="t/#.jpg"></a><p> C # </p>',
      '<a href="{full}"><img src="{thumbnail}"></a><p> {caption} </p>',
      [],
    ],
    [
      '<a href="#.jpg" data-words="C #"><img src="t/#.jpg"></a><p>C #</p>',
      '<a href="{full}" data-words="{caption}"><img src="{thumbnail}"></a><p>{caption}</p>',
      [],
    ],
    [
      '<a href="#.jpg"><img src="t/#.jpg"></a><p>C #</p><i>By # him</i>',
      '<a href="{full}"><img src="{thumbnail}"></a><p>{caption}</p><i>{text}</i>',
      ['text'],
    ],
    [
      '<a href="#.jpg"><img src="t/#.jpg"></a><p>C #</p><i>same</i>',
      '<a href="{full}"><img src="{thumbnail}"></a><p>{caption}</p><i>same</i>',
      [],
    ],
    [
      '<a href="#.jpg"><img src="t/#.jpg"></a><p>C #</p><i>No. %</i>',
      '<a href="{full}"><img src="{thumbnail}"></a><p>{caption}</p><i>No. {number}</i>',
      [],
    ],
    [
      '<a href="#.jpg" style="background: red url(t/#.jpg)">C #</a>',
      '<a href="{full}" style="background: red url({thumbnail})">{caption}</a>',
      [],
    ],
    [
      '<a href="#.jpg" data-x="{x} {{y}"><img src="t/#.jpg"></a>',
      '<a href="{full}" data-x="{{x} {{{y}"><img src="{thumbnail}"></a>',
      [],
    ],
  ])('%s', (item, text, free) => expect(learnt(each(item))).toMatchObject({ text, free }));

  it('is that of the item most like all others, with an alt text for new ones', () => {
    const items = each('<a href="#.jpg" class="k"><img src="t/#.jpg"></a>');
    items[2] = '<a href="c.jpg" class="l"><img src="t/c.jpg"></a>';
    expect(learnt(items)).toMatchObject({
      text: '<a href="{full}" class="k"><img src="{thumbnail}"></a>',
      forNew: '<a href="{full}" class="k"><img src="{thumbnail}" alt="{alt}"></a>',
    });
  });

  it.each<[string[], string]>([
    // Numbers that rise most of the way count; others are words, or stay.
    [['p1', 'p2', 'p3', 'p3'], 'p{number}'],
    [['p1', 'p3', 'p2', 'p1'], '{data-at}'],
    [['p2', 'p3', 'p4', 'p5'], '{data-at}'],
    [['p0', 'p1', 'p2', 'p3'], 'p{index}'],
    [['p1a', 'p2b', 'p3c', 'p4d'], 'p{number}d'],
    [['p01', 'p02', 'p03', 'p10'], 'p{number}'],
    [['10', '11', '12', '13'], '{data-at}'],
    [['1', '2', '3', '4'], '{number}'],
    [['p1', 'q2', 'p3', 'p4'], '{data-at}'],
    [['p1-1', 'p2-1', 'p3-1', 'p4-1'], 'p{number}-1'],
    // What most say stays; a slip of one is not copied.
    [['x', 'x', 'y', 'x'], 'x'],
    [['x', 'x', 'y', 'z'], '{data-at}'],
  ])('has for the values %j: %s', (values, text) => {
    const items = values.map(
      (value, n) => `<a href="${'abcd'[n]}.jpg" data-at="${value}"><img src="t/${'abcd'[n]}.jpg"></a>`,
    );
    expect(learnt(items)?.text).toBe(`<a href="{full}" data-at="${text}"><img src="{thumbnail}"></a>`);
  });

  it('takes from a single item no words but those of its slots, and keeps what is short', () => {
    const one = (more: string) => {
      const page = parsePage(`<body><ul><li><a href="a.jpg"><img src="t/a.jpg" alt="A"></a>${more}</li></ul></body>`);
      return patternOf(page, galleryIn(page))?.text.replace(
        /^<li><a href="\{full\}"><img src="\{thumbnail\}" alt="\{alt\}"><\/a>|<\/li>$/g,
        '',
      );
    };
    expect(one('<p>Words</p>')).toBe('<p>{caption}</p>');
    expect(one('<p> </p>')).toBe('<p>{caption}</p>');
    expect(one('<p>Words</p><i>short</i>')).toBe('<p>{caption}</p><i>short</i>');
    expect(one(`<p>Words</p><i>${'x'.repeat(23)}</i>`)).toBe(`<p>{caption}</p><i>${'x'.repeat(23)}</i>`);
    expect(one(`<p>Words</p><i> ${'x'.repeat(24)} </i>`)).toBe('<p>{caption}</p><i> {text} </i>');
    expect(one('<p class="two words" style="b: c" rel="x y">Words</p>')).toBe(
      '<p class="two words" style="b: c" rel="x y">{caption}</p>',
    );
    expect(one('<p data-a="is prose" data-b="one" data-c="pic-a">Words</p>')).toBe(
      '<p data-a="{data-a}" data-b="one" data-c="pic-{name}">{caption}</p>',
    );
    for (const name of ['sizes', 'srcset', 'onclick', 'sandbox'])
      expect(one(`<p ${name}="two words">Words</p>`)).toBe(`<p ${name}="two words">{caption}</p>`);
    expect(one('<p>Words</p><script>var thisIsLongerThanTwentyFour = 1;</script>')).toBe(
      '<p>{caption}</p><script>var thisIsLongerThanTwentyFour = 1;</script>',
    );
    expect(one('<p>Words <b id="in">bold</b></p>')).toBe('<p>{caption}</p>');
  });

  it('has further slots of one name apart from one another', () => {
    const item = (name: string) =>
      `<figure><a href="${name}.jpg" data-at="in ${name}"><img src="t/${name}.jpg" data-at="on ${name}"></a><figcaption>C ${name}</figcaption><i>By ${name} him</i><u>For ${name} her</u></figure>`;
    const pattern = learnt(['a', 'b', 'c'].map(item));
    expect(pattern?.text).toBe(
      '<figure><a href="{full}" data-at="{data-at}"><img src="{thumbnail}" data-at="{data-at-3}"></a><figcaption>{caption}</figcaption><i>{text}</i><u>{text-6}</u></figure>',
    );
    expect(pattern?.free).toEqual(['data-at', 'data-at-3', 'text', 'text-6']);
  });

  it('is told in parts: text and slots, of which some are the author’s to fill', () => {
    const page = parsePage(
      listOf(['a', 'b'].map((name) => `<img src="${name}.jpg" alt="A ${name}" data-x="{y} ${name} z" data-n="{{q}">`)),
    );
    expect(patternOf(page, galleryIn(page))?.parts).toEqual([
      { kind: 'text', text: '<li><img src="' },
      { kind: 'slot', name: 'thumbnail', free: false },
      { kind: 'text', text: '" alt="' },
      { kind: 'slot', name: 'alt', free: true },
      { kind: 'text', text: '" data-x="' },
      { kind: 'slot', name: 'data-x', free: true },
      { kind: 'text', text: '" data-n="{{{q}"></li>' },
    ]);
  });

  it('is that of the last of those that are most like all others', () => {
    const items = ['a', 'b', 'c', 'd'].map((name) => `<img src="${name}.jpg" alt="">`);
    const from = (changed: string[]) => {
      const page = parsePage(listOf(changed));
      return patternOf(page, galleryIn(page))?.model.source?.value;
    };
    expect(from(items)).toBe('d.jpg');
    expect(from(items.with(3, '<img src="d.jpg" alt="" class="x">'))).toBe('c.jpg');
    for (const attribute of ['rel="x"', 'loading="lazy"', 'target="x"', 'data-z="1"', 'id="x"'])
      expect(from(items.with(3, `<img src="d.jpg" alt="" ${attribute}>`)), attribute).toBe('c.jpg');
    expect(from(items.with(0, '<img src="a.jpg" alt="" class="x">'))).toBe('d.jpg');
  });

  it('is none where no item has a picture', () => {
    expect(learnt(each('<a href="#.jpg">#</a>'))).toBeNull();
  });
});
