import { describe, expect, it } from 'vitest';
import { parsePage } from './document.ts';
import { galleryIn, listOf } from './edited.fixture.ts';

/** The first item of a list of three that are written alike, with `#` for a letter of its own. */
function first(item: string) {
  const html = listOf(['a', 'b', 'c'].map((name) => item.replaceAll('#', name)));
  const [one] = galleryIn(parsePage(html)).items;
  return { html, item: one };
}

describe('the files of an item', () => {
  it.each([
    ['<a href="#.jpg"><img src="t/#.jpg"></a>', 't/a.jpg', 'a.jpg'],
    ['<img src="t/#.jpg">', 't/a.jpg', null],
    ['<img src="t/#.jpg" data-large="#.jpg">', 't/a.jpg', 'a.jpg'],
    ['<img src="blank.gif" data-src="t/#.jpg">', 't/a.jpg', null],
    ['<img data-src="t/#.jpg">', 't/a.jpg', null],
    ['<img src="data:x" data-src="t/#.jpg" data-full="#.jpg">', 't/a.jpg', 'a.jpg'],
    ['<img src="t/#.jpg" data-src="#.jpg">', 't/a.jpg', 'a.jpg'],
    ['<a href="#.jpg" style="background: url(t/#.jpg)">x#</a>', 't/a.jpg', 'a.jpg'],
    ['<a href="#.jpg" style="background-image:url( \'t/#.jpg\' ); color: red">x#</a>', 't/a.jpg', 'a.jpg'],
    ['<a href="#.jpg" style="background: red url(&quot;t/#.jpg&quot;)">x#</a>', 't/a.jpg', 'a.jpg'],
    ['<a href="#.jpg" style="color: red">x#</a>', null, 'a.jpg'],
    ['<a href="#.jpg" style="background: url(t/#.txt)">x#</a>', null, 'a.jpg'],
    ['<a href="#.html"><img src="t/#.jpg"></a>', 't/a.jpg', 'a.html'],
    ['<p><a href="one#.html">x</a></p><a href="#.jpg"><img src="t/#.jpg"></a>', 't/a.jpg', 'a.jpg'],
    ['<noscript><img src="n#.jpg"></noscript><a href="#.jpg"><img src="t/#.jpg"></a>', 't/a.jpg', 'a.jpg'],
    ['<picture><source srcset="t/#.webp"><img src="t/#.jpg"></picture>', 't/a.jpg', null],
  ])('%s', (html, source, target) => {
    const { html: text, item } = first(html);
    expect([item?.source?.value ?? null, item?.target?.value ?? null]).toEqual([source, target]);
    for (const place of [item?.source, item?.target])
      if (place) expect(text.slice(place.range.start, place.range.end)).toBe(place.value);
  });
});

describe('the caption of an item', () => {
  const LINK = '<a href="#.jpg"><img src="t/#.jpg"></a>';

  it.each<[string, string | null, string?]>([
    [LINK, null],
    [`${LINK}<p>Words #</p>`, 'Words a', 'p'],
    [`${LINK}<p></p>`, '', 'p'],
    [`${LINK}<b></b>`, null],
    [`<figure>${LINK}<p>No #</p><figcaption>Words #</figcaption></figure>`, 'Words a', 'figcaption'],
    [`<figure>${LINK}<figcaption><span>Words #</span></figcaption></figure>`, 'Words a', 'span'],
    [`<figure>${LINK}<figcaption></figcaption></figure>`, '', 'figcaption'],
    [`<figcaption>${LINK}</figcaption>`, null],
    [`${LINK}<p>Words <b>bold #</b> more</p>`, 'Words bold a more', 'p'],
    [`${LINK}<p><b>bold #</b></p>`, 'bold a', 'b'],
    [`${LINK} Loose # words`, 'Loose a words'],
    [`${LINK} Loose <b>bold #</b>, more`, 'Loose bold a more'],
    [`${LINK}<br>Loose #`, 'Loose a'],
    [`Before # ${LINK}`, 'Before a'],
    ['<a href="#.jpg"><img src="t/#.jpg"> Inside #</a>', 'Inside a'],
    ['<a href="#.jpg"><img src="t/#.jpg"><span>Inside #</span></a>', 'Inside a', 'span'],
    ['<a href="#.jpg"><img src="t/#.jpg"><span>Inside</span></a><p>Outside #</p>', 'Outside a', 'p'],
    [`${LINK}<p>3 of 12</p><p>Words #</p>`, 'Words a', 'p'],
    [`${LINK}<p>Picture 3</p>`, 'Picture 3', 'p'],
    [`${LINK}<script>words#()</script>`, null],
    [`${LINK}<svg><text>words #</text></svg>`, null],
    [`${LINK}<p>One #</p><p>Two #</p>`, 'One a', 'p'],
    [`<h3>Head #</h3>${LINK}`, 'Head a', 'h3'],
    [`${LINK}<p>Words\n  over &amp; lines #</p>`, 'Words over & lines a', 'p'],
  ])('%s', (html, text, tag) => {
    const { item } = first(html);
    expect(item?.caption?.text ?? null).toBe(text);
    expect(item?.caption?.element?.tag).toBe(tag);
  });

  it('is told where it stands, without the white space of an element that is not closed', () => {
    const html =
      '<body><dl>\n' +
      ['a', 'b'].map((name) => `<dt><img src="${name}.jpg">\n<dd>Words ${name}\n`).join('') +
      '</dl></body>';
    const [item] = galleryIn(parsePage(html)).items;
    const range = item?.caption?.range;
    expect(range && html.slice(range.start, range.end)).toBe('Words a');
    expect(item?.caption?.plain).toBe(true);
    expect(first(`${LINK}<p>Words <b>#</b></p>`).item?.caption?.plain).toBe(false);
    expect(first(`${LINK} Loose <b>#</b>`).item?.caption?.plain).toBe(false);
    expect(first(`${LINK} Loose #`).item?.caption?.plain).toBe(true);
  });
});
