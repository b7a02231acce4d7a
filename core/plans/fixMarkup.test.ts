import { describe, expect, it } from 'vitest';
import { asked, siteOf } from './asked.fixture.ts';

const page = (body: string, head = '<!DOCTYPE html>\n<html lang="en">') =>
  `${head}<head><title>x</title></head><body>\n${body}\n</body></html>\n`;

/** What becomes of a page once a message is mended that stands where `⟨` does; a refusal as it is said. */
function mended(rule: string, marked: string, others: Record<string, string> = {}): string {
  const at = marked.indexOf('⟨');
  const site = siteOf({ 'p.html': marked.replace('⟨', ''), ...others });
  const done = asked(site, { kind: 'fix-markup', messages: [{ page: 'p.html', rule, at }] });
  return typeof done === 'string' ? done : (done.files['p.html'] ?? '');
}

const NOT = 'This is fixed already, or the page has changed meanwhile. Wait for the next check.';

describe('what a checker of HTML says, mended', () => {
  it.each([
    ['void-content', 'a<img src="a.jpg" alt=""><⟨/img>b', 'a<img src="a.jpg" alt="">b'],
    ['close-order', '<p>a</p><⟨/div>', '<p>a</p>'],
    ['close-order', '<⟨P>a\n<ul><li>b</li></ul>', '<P>a</P>\n<ul><li>b</li></ul>'],
    ['close-order', '<ul><⟨li>a <b>b</b>\n<li>c</li></ul>', '<ul><li>a <b>b</b></li>\n<li>c</li></ul>'],
    ['element-permitted-content', '<P>a\n<⟨P>b</P>', '<P>a</P>\n<P>b</P>'],
    ['no-raw-characters', '<p>a ⟨< b</p>', '<p>a &lt; b</p>'],
    ['unrecognized-char-ref', '<p>⟨&copy 2020</p>', '<p>&copy; 2020</p>'],
    ['no-dup-attr', '<p class="a" id="x" ⟨class="b">a</p>', '<p class="a" id="x">a</p>'],
    ['no-dup-attr', '<p ID=x ⟨id=y title=z>a</p>', '<p ID=x title=z>a</p>'],
    ['close-attr', '<p>a</p ⟨class="z">', '<p>a</p>'],
  ])('%s: %s', (rule, before, after) => expect(mended(rule, page(before))).toBe(page(after)));

  it.each([
    // A browser makes something of these end tags.
    ['void-content', 'a<br><⟨/br>b'],
    ['close-order', '<p>a</p><⟨/p>'],
    // The second of two attributes is not what counts: what counts stays.
    ['no-dup-attr', '<p ⟨class="a" class="b">a</p>'],
  ])('leaves %s in %s alone, for a browser would build another page', (rule, before) =>
    expect(mended(rule, page(before))).toMatch(/^The change was not made: /),
  );

  it.each([
    ['no-dup-id', '<p id="⟨x"></p><p id="x"></p>'],
    ['unrecognized-char-ref', '<p>⟨&nosuch;</p>'],
    ['close-order', '<⟨div>a'],
    ['doctype-html', '⟨'],
    ['element-permitted-content', '<span><⟨div>a</div></span>'],
  ])('does nothing about %s in %s', (rule, before) => expect(mended(rule, page(before))).toBe(NOT));

  it('shortens a doctype only where browsers go by the standard already', () => {
    const body = '<p>a</p>';
    const strict = '<!DOCTYPE HTML PUBLIC "-//W3C//DTD HTML 4.01//EN" "http://www.w3.org/TR/html4/strict.dtd"><html>';
    const loose = '<!DOCTYPE HTML PUBLIC "-//W3C//DTD HTML 4.01 Transitional//EN"><html>';
    expect(mended('doctype-html', page(body, strict.replace('HTML ', '⟨HTML ')))).toBe(
      page(body, '<!DOCTYPE html><html>'),
    );
    expect(mended('doctype-html', page(body, loose.replace('HTML ', '⟨HTML ')))).toBe(NOT);
  });

  it('takes the language from the other pages, if they agree', () => {
    const without = page('<p>a</p>', '<!DOCTYPE html>\n<⟨html>');
    const [en, sv] = [page(''), page('').replace('"en"', '"sv"')];
    const after = page('<p>a</p>');
    expect(mended('element-required-attributes', without, { 'q.html': en })).toBe(after);
    expect(mended('html-has-lang', without.replace('<⟨', '⟨<'), { 'q.html': en })).toBe(after);
    expect(mended('element-required-attributes', without, { 'q.html': en, 'r.html': sv })).toBe(NOT);
    expect(mended('element-required-attributes', without)).toBe(NOT);
  });

  it('lets visitors make the page larger', () => {
    const meta = (content: string) => page(`⟨<meta name="viewport" content="${content}">`);
    expect(mended('meta-viewport', meta('width=device-width, user-scalable=no, maximum-scale=1.0'))).toBe(
      meta('width=device-width').replace('⟨', ''),
    );
    expect(mended('meta-viewport', meta('width=device-width'))).toBe(NOT);
  });

  it('mends many at once, and leaves out those that would do harm', () => {
    const text = page('<p>a < b</p></br>\n<img src="a.jpg" alt=""></img>\n<p>c < d</p>');
    const at = (part: string, n = 0) => text.indexOf(part) + n;
    const messages = [
      { page: 'p.html', rule: 'no-raw-characters', at: at('< b') },
      { page: 'p.html', rule: 'void-content', at: at('</br', 1) },
      { page: 'p.html', rule: 'void-content', at: at('</img', 1) },
      { page: 'p.html', rule: 'no-raw-characters', at: at('< d') },
      { page: 'p.html', rule: 'no-raw-characters', at: at('< d') },
    ];
    expect(asked(siteOf({ 'p.html': text }), { kind: 'fix-markup', messages })).toMatchObject({
      label: 'Fix 3 messages of the checkers',
      files: { 'p.html': page('<p>a &lt; b</p></br>\n<img src="a.jpg" alt="">\n<p>c &lt; d</p>') },
    });
  });
});
