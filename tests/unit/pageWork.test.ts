/** Whole pages: deleted with what led to them, moved with their references, and stylesheets put on and taken off. */
import { describe, expect, it } from 'vitest';
import { planFor } from '../../core/plans/index.ts';
import { NOTES_FILE, readNotes, type SiteFiles } from '../../core/site/index.ts';
import { after, read, siteOf, textAt } from './sites.ts';

const menu = (own: string) =>
  `<ul class="lines">\n${[
    ['index.html', 'Home'],
    ['spring.html', 'Spring'],
    ['summer.html', 'Summer'],
  ]
    .map(([href, label]) => `  <li><a${href === own ? ' class="here"' : ''} href="${href}">${label}</a></li>`)
    .join('\n')}\n</ul>`;
const page = (own: string, body: string, head = '<link rel="stylesheet" href="css/kites.css">') =>
  `<!DOCTYPE html>\n<html lang="en">\n<head>\n<title>Kites</title>\n${head}\n</head>\n<body>\n${menu(own)}\n${body}\n</body>\n</html>\n`;
const gallery =
  '<ul class="g">\n  <li><a href="l/a.jpg"><img src="s/a.jpg" alt="A"></a></li>\n  <li><a href="l/b.jpg"><img src="s/b.jpg" alt="B"></a></li>\n</ul>';
const covers =
  '<ul class="covers">\n  <li><a href="spring.html"><img src="s/a.jpg" alt="Spring"></a></li>\n  <li><a href="summer.html"><img src="s/b.jpg" alt="Summer"></a></li>\n</ul>';
const FILES = (): SiteFiles =>
  siteOf({
    'index.html': page(
      'index.html',
      `<p>All of <a href="summer.html#late">last <em>summer</em></a> and <a href="spring.html">spring</a>.</p>\n${covers}`,
    ),
    'spring.html': page('spring.html', gallery),
    'summer.html': page('summer.html', gallery),
    'css/kites.css': 'p { color: #333; }\n',
    'css/print.css': '@media print { ul { display: none } }\n',
  });

describe('a page is deleted', () => {
  const next = after(FILES(), { kind: 'delete-page', path: 'summer.html' });

  it('with its entries in the menus, in the author’s hand', () => {
    expect(next.has('summer.html')).toBe(false);
    for (const path of ['index.html', 'spring.html'])
      expect(textAt(next, path)).toContain(menu(path).replace('  <li><a href="summer.html">Summer</a></li>\n', ''));
  });

  it('and of other links the words stay', () => {
    expect(textAt(next, 'index.html')).toContain(
      '<p>All of last <em>summer</em> and <a href="spring.html">spring</a>.</p>',
    );
    expect(textAt(next, 'spring.html')).toBe(
      textAt(FILES(), 'spring.html').replace('  <li><a href="summer.html">Summer</a></li>\n', ''),
    );
  });

  it('while an item of a gallery that leads to it is left and told', () => {
    expect(textAt(next, 'index.html')).toContain(covers);
    const planned = planFor(read(FILES()), { kind: 'delete-page', path: 'summer.html' });
    expect(planned.ok && planned.change.label).toBe('Delete summer.html; 1 item of a gallery still leads to it');
  });

  it('and what was noted of it goes along', () => {
    const told = after(FILES(), { kind: 'set-units', page: 'summer.html', selector: '.g > li', gallery: true });
    const gone = after(told, { kind: 'delete-page', path: 'summer.html' });
    const notes = readNotes(textAt(gone, NOTES_FILE));
    expect(notes.ok && notes.notes.units).toEqual([]);
  });

  it('refuses what is not there', () => {
    expect(planFor(read(FILES()), { kind: 'delete-page', path: 'autumn.html' })).toEqual({
      ok: false,
      reason: 'There is no page autumn.html any more.',
    });
  });
});

describe('a page is moved to another folder', () => {
  it('and every reference to it and in it leads where it did', () => {
    const next = after(FILES(), { kind: 'rename', from: 'spring.html', to: 'days/spring.html' });
    expect(textAt(next, 'days/spring.html')).toContain('<link rel="stylesheet" href="../css/kites.css">');
    expect(textAt(next, 'days/spring.html')).toContain('<a href="../l/a.jpg"><img src="../s/a.jpg" alt="A"></a>');
    expect(textAt(next, 'days/spring.html')).toContain('<li><a href="../index.html">Home</a></li>');
    expect(textAt(next, 'index.html')).toContain('<a href="days/spring.html">spring</a>');
    expect(textAt(next, 'summer.html')).toContain('<li><a href="days/spring.html">Spring</a></li>');
  });
});

describe('a stylesheet', () => {
  it('is linked from pages in any folder by the path that is right from there', () => {
    const files = after(FILES(), { kind: 'rename', from: 'spring.html', to: 'days/2026/spring.html' });
    const next = after(files, {
      kind: 'set-stylesheet',
      pages: ['index.html', 'days/2026/spring.html', 'summer.html'],
      stylesheet: 'css/print.css',
      on: true,
    });
    expect(textAt(next, 'index.html')).toBe(
      textAt(files, 'index.html').replace(
        '<link rel="stylesheet" href="css/kites.css">',
        '<link rel="stylesheet" href="css/kites.css">\n<link rel="stylesheet" href="css/print.css">',
      ),
    );
    expect(textAt(next, 'days/2026/spring.html')).toContain(
      '<link rel="stylesheet" href="../../css/kites.css">\n<link rel="stylesheet" href="../../css/print.css">\n',
    );
    const back = after(next, {
      kind: 'set-stylesheet',
      pages: ['index.html', 'days/2026/spring.html', 'summer.html'],
      stylesheet: 'css/print.css',
      on: false,
    });
    for (const path of ['index.html', 'days/2026/spring.html', 'summer.html'])
      expect(textAt(back, path)).toBe(textAt(files, path));
  });

  it('is put only where it is not yet', () => {
    const files = after(FILES(), {
      kind: 'set-stylesheet',
      pages: ['index.html'],
      stylesheet: 'css/print.css',
      on: true,
    });
    const planned = planFor(read(files), {
      kind: 'set-stylesheet',
      pages: ['index.html', 'spring.html'],
      stylesheet: 'css/print.css',
      on: true,
    });
    expect(planned.ok && planned.change.files.map(({ path }) => path)).toEqual(['spring.html']);
    expect(
      planFor(read(files), { kind: 'set-stylesheet', pages: ['index.html'], stylesheet: 'css/print.css', on: true }),
    ).toEqual({ ok: false, reason: 'Every one of these pages has print.css already.' });
    expect(
      planFor(read(files), { kind: 'set-stylesheet', pages: ['spring.html'], stylesheet: 'css/print.css', on: false }),
    ).toEqual({ ok: false, reason: 'None of these pages has print.css.' });
    expect(
      planFor(read(files), { kind: 'set-stylesheet', pages: ['spring.html'], stylesheet: 'css/none.css', on: true }),
    ).toEqual({ ok: false, reason: 'There is no stylesheet css/none.css any more.' });
  });
});
