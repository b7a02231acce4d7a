/** A gallery on several pages: written as real ones, kept in step, and put on one again. */
import { describe, expect, it } from 'vitest';
import { addressIn, galleriesOf, parsePage } from '../../core/markup/index.ts';
import { planFor, spreadOf, type Intent } from '../../core/plans/index.ts';
import { NOTES_FILE, type SiteFiles } from '../../core/site/index.ts';
import { after, read, siteOf, textAt } from './sites.ts';

const item = (n: number) =>
  `  <li><a href="l/${n}x.jpg"><img src="s/${n}x.jpg" alt="Kite ${n}"></a><p>Kite <em>${n}</em></p></li>`;
const page = (numbers: readonly number[], { before = '', after = '' } = {}) =>
  `<!DOCTYPE html>\n<html lang="en">\n<head><title>Kites – The Circle</title></head>\n<body>\n${before}<ul class="g">\n${numbers.map(item).join('\n')}\n</ul>${after}\n<p>Foot</p>\n</body>\n</html>\n`;
const upTo = (count: number) => Array.from({ length: count }, (_, n) => n + 1);
const shown = (files: SiteFiles, path: string) => galleriesOf(parsePage(textAt(files, path)))[0]?.items.map(addressIn);
const plan = (files: SiteFiles, intent: Intent) => planFor(read(files), intent);
const split = (path: string, size: number): Intent => ({ kind: 'split-gallery', page: path, gallery: 0, size });

describe('a gallery of 29 on pages of twelve', () => {
  const files = siteOf({ 'kites.html': page(upTo(29)) });
  const spread = after(files, split('kites.html', 12));

  it('is three pages, each like the first, with the way between them', () => {
    expect([...spread.keys()].filter((path) => path !== NOTES_FILE)).toEqual([
      'kites.html',
      'kites-2.html',
      'kites-3.html',
    ]);
    expect(textAt(spread, 'kites.html')).toBe(
      page(upTo(12), {
        after:
          '\n<nav class="gallery-pages" aria-label="Pages of this gallery">\n  <span aria-current="page">1</span>\n  <a href="kites-2.html">2</a>\n  <a href="kites-3.html">3</a>\n  <a href="kites-2.html" rel="next">Next</a>\n</nav>',
      }),
    );
    expect(textAt(spread, 'kites-2.html')).toBe(
      page(upTo(24).slice(12), {
        after:
          '\n<nav class="gallery-pages" aria-label="Pages of this gallery">\n  <a href="kites.html" rel="prev">Previous</a>\n  <a href="kites.html">1</a>\n  <span aria-current="page">2</span>\n  <a href="kites-3.html">3</a>\n  <a href="kites-3.html" rel="next">Next</a>\n</nav>',
      }).replace('Kites –', 'Kites, page 2 –'),
    );
    expect(shown(spread, 'kites-3.html')).toEqual(
      upTo(29)
        .slice(24)
        .map((n) => `s/${n}x.jpg`),
    );
    expect(spreadOf(read(spread), 'kites-2.html')).toEqual({
      pages: ['kites.html', 'kites-2.html', 'kites-3.html'],
      size: 12,
    });
  });

  it('is put in step after pictures came and went, on whichever page', () => {
    const more = after(spread, { kind: 'remove-items', strands: ['kites.html#0.3', 'kites.html#0.4'] });
    expect(plan(more, split('kites-2.html', 12))).toMatchObject({ ok: true });
    const next = after(more, split('kites-2.html', 12));
    const left = upTo(29)
      .filter((n) => n !== 4 && n !== 5)
      .map((n) => `s/${n}x.jpg`);
    expect(['kites.html', 'kites-2.html', 'kites-3.html'].map((path) => shown(next, path))).toEqual([
      left.slice(0, 12),
      left.slice(12, 24),
      left.slice(24),
    ]);
    expect(plan(next, split('kites.html', 12))).toEqual({
      ok: false,
      reason: 'Every page holds what it should already.',
    });
  });

  it('keeps the words and classes that its author gave the way, on further pages too', () => {
    const changed = siteOf(
      Object.fromEntries(
        [...spread].map(([path]) => [
          path,
          textAt(spread, path)
            .replaceAll('>Next</a>', '>On <em>to</em> the next</a>')
            .replaceAll('>Previous</a>', '>Zurück</a>')
            .replaceAll(
              '<nav class="gallery-pages" aria-label="Pages of this gallery">',
              '<nav class="gallery-pages pegs" aria-label="Seiten">',
            ),
        ]),
      ),
    );
    const next = after(changed, split('kites.html', 8));
    for (const [path, prev, on] of [
      ['kites.html', 0, 1],
      ['kites-2.html', 1, 1],
      ['kites-4.html', 1, 0],
    ] as const) {
      const text = textAt(next, path);
      expect(text).toContain('<nav class="gallery-pages pegs" aria-label="Seiten">');
      expect([
        text.match(/>Zurück<\/a>/g)?.length ?? 0,
        text.match(/>On <em>to<\/em> the next<\/a>/g)?.length ?? 0,
        /Previous|>Next/.test(text),
      ]).toEqual([prev, on, false]);
    }
  });

  it('loses pages that are no longer needed, and is one page again to the byte', () => {
    const two = after(spread, split('kites.html', 20));
    expect([...two.keys()].filter((path) => path !== NOTES_FILE)).toEqual(['kites.html', 'kites-2.html']);
    const one = after(two, split('kites-2.html', 50));
    expect(textAt(one, 'kites.html')).toBe(page(upTo(29)));
    expect([...one.keys()].filter((path) => path !== NOTES_FILE)).toEqual(['kites.html']);
    expect(spreadOf(read(one), 'kites.html')).toBeNull();
  });

  it('keeps CRLF and a name that is taken', () => {
    const crlf = siteOf({
      'kites.html': page(upTo(5)).replaceAll('\n', '\r\n'),
      'kites-2.html': '<title>Other</title>',
    });
    const next = after(crlf, split('kites.html', 3));
    expect(textAt(next, 'kites-2.html')).toBe('<title>Other</title>');
    expect(shown(next, 'kites--2.html')).toEqual(['s/4x.jpg', 's/5x.jpg']);
    expect(textAt(next, 'kites.html').replaceAll('\r\n', '')).not.toContain('\n');
  });
});

describe('what is refused', () => {
  const rows = `<title>T</title><table>${[0, 1].map((row) => `<tr>${[1, 2].map((n) => `<td><a href="l/${row}${n}x.jpg"><img src="s/${row}${n}x.jpg" alt=""></a></td>`).join('')}</tr>`).join('')}</table>`;
  it.each([
    [
      'a gallery that fits on one page',
      { 'kites.html': page(upTo(5)) },
      split('kites.html', 12),
      'they fit on one page of 12',
    ],
    ['items in rows', { 'kites.html': rows }, split('kites.html', 2), 'stand in rows'],
    ['a page that is gone', {}, split('kites.html', 2), 'no longer at this place'],
  ])('%s', (_name, files, intent, reason) =>
    expect(plan(siteOf(files), intent)).toMatchObject({ ok: false, reason: expect.stringContaining(reason) }),
  );

  it('a page that another one leads to does not go', () => {
    const spread = after(
      siteOf({ 'kites.html': page(upTo(6)), 'index.html': '<title>I</title><p>x</p>' }),
      split('kites.html', 3),
    );
    const led = new Map(spread).set('index.html', {
      kind: 'text',
      text: '<title>I</title><a href="kites-2.html">More</a>',
    });
    expect(plan(led, split('kites.html', 20))).toMatchObject({
      ok: false,
      reason: 'index.html leads to kites-2.html, which would go. Remove that link first.',
    });
  });

  it('pages keep being known under another name', () => {
    const spread = after(siteOf({ 'kites.html': page(upTo(6)) }), split('kites.html', 3));
    const renamed = after(spread, { kind: 'rename', from: 'kites-2.html', to: 'more-kites.html' });
    expect(spreadOf(read(renamed), 'kites.html')?.pages).toEqual(['kites.html', 'more-kites.html']);
    expect(textAt(renamed, 'kites.html')).toContain('<a href="more-kites.html" rel="next">Next</a>');
  });
});
