import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { asked, linked, listPage, PICTURES, siteOf } from './asked.fixture.ts';
import type { Intent } from './intent.ts';
import { planFor } from './plan.ts';
import { parsePage } from '../markup/index.ts';
import type { PutPlace } from './putPictures.ts';

const LINK = '<a href="c.jpg"><img src="t/c.jpg" alt="A kite &amp; more"></a>';

const wish = (at: PutPlace): Intent => ({
  kind: 'put-pictures',
  page: 'p.html',
  at: at.by === 'element' ? { ...at, element: [...at.element] } : at,
  pictures: [{ thumbnail: 't/c.jpg', full: 'c.jpg', title: '', alt: 'A kite & more', caption: '' }],
});

const offset = (text: string, of: string, plus = 0): PutPlace => ({ by: 'offset', offset: text.indexOf(of) + plus });

const put = (text: string, at: PutPlace) => {
  const outcome = asked(siteOf({ ...PICTURES, 'p.html': text }), wish(at));
  return typeof outcome === 'string' ? outcome : (outcome.files['p.html'] ?? '');
};

const page = (body: string) => `<html><head><title>T</title></head><body>\n${body}\n</body></html>`;

describe('pictures put where somebody points', () => {
  const LIST = listPage([linked('a'), linked('b')]);
  const ITEM = `  <li>${LINK}</li>\n`;

  it.each<[string, PutPlace, string]>([
    [
      'in the first half of an item',
      offset(LIST, '<a href="a.jpg"'),
      LIST.replace('  <li><a href="a', `${ITEM}  <li><a href="a`),
    ],
    [
      'in the second half of it',
      offset(LIST, 'alt="a"', 3),
      LIST.replace('  <li><a href="b', `${ITEM}  <li><a href="b`),
    ],
    ['behind the last one', offset(LIST, '</ul>'), LIST.replace('</ul>', `${ITEM}</ul>`)],
  ])('%s they are items of its gallery', (_where, at, wanted) => expect(put(LIST, at)).toBe(wanted));

  it('may be told by an element of the live page: a part of an item stands for it', () => {
    const element = (last: number[], side: 'before' | 'after'): PutPlace => ({
      by: 'element',
      element: [1, 1, ...last],
      side,
    });
    const between = LIST.replace('  <li><a href="b', `${ITEM}  <li><a href="b`);
    expect(put(LIST, element([0, 0, 0], 'after'))).toBe(between);
    expect(put(LIST, element([1], 'before'))).toBe(between);
    expect(put(LIST, { by: 'element', element: [1, 0], side: 'after' })).toContain(`<h1>Kites</h1>\n${LINK}\n<ul>`);
    expect(put(LIST, { by: 'element', element: [], side: 'after' })).toContain('has changed meanwhile');
  });

  const TEXT = page(
    '  <p>One two</p>\n  <!-- note -->\n  <p>Three <a href="x.html">four</a></p>\n  <p>q&eacute;x r</p>',
  );

  it.each<[string, string, number, string]>([
    ['between words', 'two', 0, `One \n  ${LINK}two`],
    ['behind a word that it would part', 'two', 1, `One two\n  ${LINK}</p>`],
    ['behind a reference to a letter', 'q&eacute;', 3, `q&eacute;x\n  ${LINK} r`],
    ['in a start tag', '<p>One', 1, `<p>\n  ${LINK}One two`],
    ['in an end tag', '</p>', 2, `two</p>\n  ${LINK}\n`],
    ['in a comment', 'note', 1, `<!-- note -->\n  ${LINK}\n`],
    ['in a link', 'four', 1, `four</a>\n  ${LINK}</p>`],
    ['at the beginning of a line', '  <p>Three', 2, `  ${LINK}\n  <p>Three`],
  ])('elsewhere they are links, %s', (_where, of, plus, wanted) =>
    expect(put(TEXT, offset(TEXT, of, plus))).toContain(wanted),
  );

  it('stand in no head', () => {
    expect(put(TEXT, offset(TEXT, 'T</title>'))).toBe(
      'Nothing can be shown in the head of a page. Choose a place in its body.',
    );
  });

  it.each([
    ['with all its tags', '<!DOCTYPE html>\n<html>\n<head><title>T</title></head>\n', '<body><p>One</p></body></html>'],
    ['without that of its body', '<!DOCTYPE html>\n<html>\n<head><title>T</title></head>\n', '<p>One</p></html>'],
    ['without any', '<!doctype html>\n', '<p>One</p>'],
  ])('stand nowhere before the body of a page, %s, and that is said', (_how, before, body) => {
    for (let at = 0; at < before.length - 1; at++)
      expect(put(before + body, { by: 'offset', offset: at }), `at ${at}`).toMatch(
        /^Nothing can be shown (?:before the body|in the head) of a page\. Choose a place in its body\.$/,
      );
    expect(put(before + body, { by: 'offset', offset: (before + body).indexOf('One') })).toContain(LINK);
  });

  it('stand in nothing that never ends', () => {
    const text = page('<p>One</p>\n<iframe src="map.html"/>\n<p>Two</p>');
    expect(put(text, offset(text, 'Two'))).toMatch(
      /^A browser takes all that follows line \d+ as a part of its <iframe>, which is never closed\. Close it first\.$/,
    );
  });

  it('are written wherever it is, or refused, and nothing else is another', () => {
    const odd = page(
      '<table><tr><td>x<td>y</table><script>if (a < b) c("<p>")</script><select><option>1</select><p>a<p>b<svg><g/></svg><!-- x --><textarea>t</textarea><ul><li>q</ul>',
    );
    const site = siteOf({ ...PICTURES, 'p.html': odd });
    const before = parsePage(odd);
    fc.assert(
      fc.property(fc.nat(odd.length), (at) => {
        const planned = planFor(site, wish({ by: 'offset', offset: at }));
        if (!planned.ok) return;
        const [file] = planned.change.files;
        const edit = file?.kind === 'edit' ? file.edits[0] : undefined;
        expect(edit?.start).toBe(edit?.end);
        const text = odd.slice(0, edit?.start) + edit?.text + odd.slice(edit?.start);
        expect(
          parsePage(text)
            .elements.map(({ tag }) => tag)
            .filter((tag) => tag !== 'a' && tag !== 'img'),
        ).toEqual(before.elements.map(({ tag }) => tag));
      }),
      { numRuns: odd.length * 2 },
    );
  });
});
