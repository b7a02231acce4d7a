import { tests as examples } from 'commonmark-spec';
import { describe, expect, it } from 'vitest';
import { applyEdits } from '../site/index.ts';
import { carried, htmlOf, pageLines, type Piece, piecesOf, sameLines, toHtml, toMarkdown } from './index.ts';

/** CommonMark 0.31.2, its 652 examples as they are published: https://spec.commonmark.org/0.31.2/ */
describe('CommonMark’s own examples', () => {
  /** In them an arrow stands for a tab. */
  const tabbed = (text: string) => text.replaceAll('→', '\t');
  const published = examples.map(({ markdown, html, number }) => ({
    markdown: tabbed(markdown),
    html: tabbed(html),
    number,
  }));

  it('are all there', () => expect(published).toHaveLength(652));

  it('come out as they are published', () => {
    const others = published.filter(({ markdown, html }) => htmlOf(markdown) !== html);
    expect(others.map(({ number }) => number)).toEqual([]);
  });

  it('come out the same in pieces, letter by letter', () => {
    for (const { markdown, number } of published) {
      const html = pageLines(markdown);
      const pieces = piecesOf(markdown);
      expect(pieces.map(({ from, to }) => html.slice(from, to)).join(''), `example ${number}`).toBe(html);
      for (const { isHtml, start, end, from, to } of pieces)
        if (isHtml) expect(html.slice(from, to)).toBe(`${markdown.slice(start, end)}\n`);
    }
  });

  it('take what comes behind them in the HTML', () => {
    const GROUP = '<div class="pictures of-2">\n  <img src="a.jpg" alt="A">\n</div>\n';
    let done = 0;
    for (const { markdown } of published) {
      const result = carried(markdown, pageLines(markdown) + GROUP);
      if (!result.ok) continue;
      done += 1;
      const now = applyEdits(markdown, result.edits);
      expect(now.ok && sameLines(pageLines(now.text), pageLines(markdown) + GROUP)).toBe(true);
    }
    // Behind HTML or a code block that never ends nothing can come.
    expect(done).toBeGreaterThan(620);
  });
});

const STORY = [
  '# A day',
  '',
  'The *wind* was in the west, as [the chart][1] said.',
  '',
  '<div class="pictures of-2">',
  '  <a href="large/a.jpg"><img src="small/a.jpg" alt="A"></a>',
  '  <a href="large/b.jpg"><img src="small/b.jpg" alt="B"></a>',
  '</div>',
  '',
  '- Lines',
  '- Reels',
  '',
  '[1]: chart.html',
  '',
].join('\n');

function after(markdown: string, html: string): string {
  const result = carried(markdown, html);
  if (!result.ok) throw new Error(result.reason);
  const now = applyEdits(markdown, result.edits);
  if (!now.ok) throw new Error(now.reason);
  return now.text;
}

describe('what is changed in the HTML', () => {
  for (const [name, story] of [
    ['with LF', STORY],
    ['with CRLF', STORY.replaceAll('\n', '\r\n')],
    ['behind a byte order mark', `\uFEFF${STORY}`],
  ] as const)
    describe(name, () => {
      const html = pageLines(story);
      const breaks = (text: string) => (story.includes('\r') ? text.replaceAll('\n', '\r\n') : text);

      it('is changed in place where the Markdown is HTML', () => {
        const marked = html.replace('<a href="large/b', '<a data-enlarge href="large/b');
        expect(after(story, marked)).toBe(story.replace('<a href="large/b', '<a data-enlarge href="large/b'));
      });

      it('is changed in place where it is words, or an address', () => {
        expect(after(story, html.replace('west', 'east'))).toBe(story.replace('west', 'east'));
        expect(after(story, html.replace('A day', 'Two days'))).toBe(story.replace('A day', 'Two days'));
        expect(after(story, html.replace('chart.html', 'charts/west.html'))).toBe(
          story.replace('chart.html', 'charts/west.html'),
        );
      });

      it('becomes HTML where a paragraph gets what Markdown has no signs for', () => {
        const said = '<p>The <em class="w">wind</em> was in the west, as <a href="chart.html">the chart</a> said.</p>';
        expect(after(story, html.replace('<em>', '<em class="w">'))).toBe(
          story.replace('The *wind* was in the west, as [the chart][1] said.', said),
        );
      });

      it('comes between two blocks, before the first and behind the last', () => {
        const group = '<div class="pictures left">\n  <img src="c.jpg" alt="C">\n</div>\n';
        const between = html.replace('<div', `${group}<div`);
        expect(after(story, between)).toBe(story.replace('<div', breaks(`${group}\n<div`)));
        expect(after(story, group + html)).toBe(story.replace('# A', breaks(`${group}\n# A`)));
        expect(after(story, html + group)).toBe(story + breaks(`\n${group}`));
      });

      it('goes with the blank line behind it', () => {
        const without = html.replace(/<div[^]*<\/div>\n/, '');
        expect(after(story, without)).toBe(story.replace(/<div[^]*<\/div>\r?\n\r?\n/, ''));
      });

      it('has its places there and back', () => {
        const pieces = piecesOf(story);
        for (const word of ['<div', 'large/b', 'small/b.jpg" alt', '</div']) {
          expect(toHtml(pieces, story, story.indexOf(word))).toBe(html.indexOf(word));
          expect(toMarkdown(pieces, story, html.indexOf(word))).toBe(story.indexOf(word));
        }
        const behind = toHtml(pieces, story, story.indexOf('wind'));
        expect(html.slice(0, behind)).toMatch(/said\.<\/p>$/);
        expect(toHtml(pieces, story, story.length)).toBe(html.length);
      });
    });

  describe.each([
    [
      'a text for a picture',
      '![A kite](l/a.jpg) at ten.',
      'alt="A kite"',
      'alt="A box kite"',
      '![A box kite](l/a.jpg) at ten.',
    ],
    ['one for a picture that had none', 'At ten: ![](l/a.jpg)', 'alt=""', 'alt="A kite"', 'At ten: ![A kite](l/a.jpg)'],
    ['none any more', '![A kite](l/a.jpg)', 'alt="A kite"', 'alt=""', '![](l/a.jpg)'],
    ['signs of Markdown among words', 'At ten.', 'ten', 'ten *sharp*', 'At ten \\*sharp\\*.'],
    ['a sign of HTML', 'Wind & rain', 'rain', 'rain &lt; sun', 'Wind & rain < sun'],
    ['a letter that is written as a reference', 'Kites &amp; lines', 'lines', 'reels', 'Kites &amp; reels'],
    ['an address with a space', '![A](<l/my kite.jpg>)', 'l/my%20kite.jpg', 'l/a%20kite.jpg', '![A](<l/a kite.jpg>)'],
    ['the second of two that say the same', 'Ten\n\nTen', '<p>Ten</p>\n<p>Ten', '<p>Ten</p>\n<p>Six', 'Ten\n\nSix'],
    ['one line of a paragraph', 'One\ntwo\nthree', 'two', '2 of them', 'One\n2 of them\nthree'],
    [
      'HTML among the words',
      'At <b class="x">ten</b>, *all*',
      'class="x"',
      'class="y"',
      'At <b class="y">ten</b>, *all*',
    ],
  ])('%s', (_, markdown, old, now, wanted) => {
    it('is written as Markdown', () => {
      const html = pageLines(markdown);
      expect(html).toContain(old);
      expect(after(markdown, html.replace(old, now))).toBe(wanted);
    });
  });

  it('changes a definition where all that use it change, and no other time', () => {
    const text = '![A][k] and ![B][k]\n\n[k]: l/a.jpg\n';
    const html = pageLines(text);
    expect(after(text, html.replaceAll('l/a.jpg', 'l/b.jpg'))).toBe(text.replace('l/a.jpg', 'l/b.jpg'));
    expect(after(text, html.replace('l/a.jpg', 'l/b.jpg'))).toMatch(
      /^<p><img src="l\/b\.jpg" .*\n\n\[k\]: l\/a\.jpg\n$/,
    );
  });

  it('of several blocks at once is the smallest edit in each', () => {
    const text = 'One *kite*.\n\nAll the same.\n\nTwo reels.\n';
    const html = pageLines(text).replace('One', 'First').replace('reels', 'lines');
    const result = carried(text, html);
    expect(result.ok && result.edits.map((edit) => [text.slice(edit.start, edit.end), edit.text])).toEqual([
      ['One', 'First'],
      ['reel', 'line'],
    ]);
  });

  it('is refused where Markdown would make something else of it', () => {
    const bare = carried('One\n\nTwo\n', '<p>One</p>\nwords & *stars*\n<p>Two</p>\n');
    expect(bare).toEqual({ ok: false, reason: 'Markdown would make something else of it' });
    // White space that HTML does not show, and Markdown does.
    expect(carried('One\n\nTwo\n', '<p>One</p>\n    <b>deep</b>\n<p>Two</p>\n').ok).toBe(false);
  });

  it('keeps the lines of HTML behind a definition', () => {
    expect(pageLines('[a]: a.html\n\n<div>\n<b>x</b>\n</div>\n')).toBe('<div>\n<b>x</b>\n</div>\n');
  });

  it('leaves a text without words as it is', () => {
    expect(pageLines('')).toBe('');
    expect(piecesOf('\n\n')).toEqual<Piece[]>([]);
    expect(after('', '<p>One</p>\n')).toBe('<p>One</p>');
  });
});
