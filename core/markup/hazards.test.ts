import { describe, expect, it } from 'vitest';
import { parsePage } from './document.ts';
import { hazardIn, hazardsOf } from './hazards.ts';
import { matcherFor, matches } from './selectors.ts';

const hazards = (html: string) =>
  hazardsOf(parsePage(html)).map(({ range, says }) => `${html.slice(range.start, range.end)}: ${says}`);

describe('hazards', () => {
  it.each<[string, string[]]>([
    ['<p a="1" b=2 c>x</p><br/><img src=x />', []],
    [
      '<p><b>x<i>y</b>z</i></p>',
      ['<i>y</b>z</i>: a <i> is closed in the wrong order here, so a browser makes two of it'],
    ],
    ['<p a="1" A=2>x</p>', ['<p a="1" A=2>: the attribute a stands twice in this tag; a browser ignores the second']],
    [
      "<p a='x' b=y a>x</p>",
      ["<p a='x' b=y a>: the attribute a stands twice in this tag; a browser ignores the second"],
    ],
    ['<p {{x}}>y</p>', ['<p {{x}}>: a template’s placeholder stands inside this tag']],
    ['<p a="<% x %>">y</p>', ['<p a="<% x %>">: a template’s placeholder stands inside this tag']],
    ['<p>{{ x }}</p>', []],
    ['<p>x</p><a href="x', ['<a href="x: the last tag is not finished']],
    ['<p>x</p><', []],
    ['<p>a < b</p>', []],
    [
      '<table><p>x</p><tr><td>y</td></tr></table>',
      ['<table><p>x</p>: <p> stands where a table may not hold it; a browser moves it in front of the table'],
    ],
    ['<html><body><p>x</p></body><b>y</b></html>', ['<b>y</b>: <b> stands after </body>']],
  ])('%s', (html, expected) => expect(hazards(html)).toEqual(expected));

  it('are in the way where they overlap', () => {
    const hazard = { range: { start: 3, end: 6 }, says: 'x' };
    const way = (start: number, end: number) => hazardIn([hazard], { start, end }) === hazard;
    expect([way(0, 3), way(0, 4), way(4, 5), way(5, 9), way(6, 9)]).toEqual([false, true, true, true, false]);
  });
});

describe('a selector', () => {
  const page = parsePage(
    '<ul CLASS="a" id=x><li data-N="1"><a href="b.jpg" rel="kite"></a></li><li><img></li></ul><p class="a b">t</p>',
  );
  const found = (selector: string) => {
    const result = matches(page, selector);
    return result.ok ? result.elements.map(({ tag }) => tag).join(' ') : result.reason;
  };

  // Selectors Level 4; what is open at the end is closed there (CSS Syntax Level 3, §5.4.8).
  it.each([
    ['li', 'li li'],
    ['.a', 'ul p'],
    ['.a.b', 'p'],
    ['#x > li', 'li li'],
    ['[data-n]', 'li'],
    ['[data-n="1"]', 'li'],
    ['[data-n="1"', 'li'],
    ['[data-n="1', 'li'],
    [':is(p, ul', 'ul p'],
    ['li:has(> img)', 'li'],
    ['li:has(img), p', 'li p'],
    ['li + li img', 'img'],
    ['p, ul', 'ul p'],
    ['a[rel~="kite"]', 'a'],
    ['p:not([class*="]"])', 'p'],
    ['[data-n="\\"]', ''],
    ['html', 'html'],
    ['li:first-child', 'li'],
    ['none', ''],
  ])('%s finds %s', (selector, tags) => expect(found(selector)).toBe(tags));

  it.each([
    ['', 'The selector is empty'],
    ['p,', 'There is nothing after the last comma'],
    ['p, ul , ', 'There is nothing after the last comma'],
    [':is()', 'The selector is empty'],
    ['p::before', 'It asks for what no element of the page is, as ::before does'],
    ['*|p', 'It asks for what no element of the page is, as ::before does'],
    ['p >', 'There is nothing after the last combinator'],
    ['> p', 'There is nothing before the first combinator'],
  ])('%j is refused: %s', (selector, reason) => expect(found(selector)).toBe(reason));

  it.each(['..a', 'p[', 'a{', ':unknown(x)', '#'])('%j is refused with a reason', (selector) => {
    const result = matches(page, selector);
    expect(result.ok ? '' : result.reason.length).toBeGreaterThan(5);
    expect(matcherFor(selector)).toBeNull();
  });

  it('is a test of single elements, made once', () => {
    const test = matcherFor('li');
    expect(page.elements.filter((element) => test?.(element)).map(({ tag }) => tag)).toEqual(['li', 'li']);
    expect(matcherFor('li')).toBe(test);
    expect(matches(parsePage(''), 'html')).toMatchObject({ ok: true });
  });
});
