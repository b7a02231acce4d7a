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

  it('is none where no item has a picture', () => {
    expect(learnt(each('<a href="#.jpg">#</a>'))).toBeNull();
  });
});
