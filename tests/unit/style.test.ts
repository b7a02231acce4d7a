/** What is written into the author's stylesheets, to the byte, and what is refused with its place. */
import { describe, expect, it } from 'vitest';
import { planFor } from '../../core/plans/index.ts';
import { applyChange, type SiteFiles } from '../../core/site/index.ts';
import { layoutView } from '../../core/view/index.ts';
import { STYLE_SITES } from '../styleSites.fixture.ts';
import { after, read, siteOf, textAt } from './sites.ts';

const items = ['a', 'b', 'c', 'd']
  .map((n) => `  <li><a href="l/${n}.jpg"><img src="s/${n}.jpg" alt="${n}"></a><span>Kite ${n}</span></li>`)
  .join('\n');
const page = (cls: string, head = '<link rel="stylesheet" href="kites.css">', attributes = '') =>
  `<!DOCTYPE html>\n<html lang="en">\n<head>\n<title>Kites</title>\n${head}\n</head>\n<body>\n<ul class="${cls}"${attributes}>\n${items}\n</ul>\n</body>\n</html>\n`;
const site = (css: string, more: Record<string, string> = {}) =>
  siteOf({ 'index.html': page('meadow'), 'kites.css': css, ...more });
const wish = (setting: string, value: string | null, at: number | null = null) => ({
  kind: 'set-style' as const,
  page: 'index.html',
  gallery: 0,
  setting,
  value,
  at,
});
const css = (files: SiteFiles, setting: string, value: string | null, at: number | null = null) =>
  textAt(after(files, wish(setting, value, at)), 'kites.css');
const refusal = (files: SiteFiles, setting: string, value: string | null, at: number | null = null): string => {
  const planned = planFor(read(files), wish(setting, value, at));
  return planned.ok ? 'done' : planned.reason;
};
/** A picture outside of the gallery, so that a rule for all pictures is not the gallery's own. */
const withLogo = (text: string) =>
  siteOf({
    'index.html': page('meadow').replace('<body>', '<body>\n<p><img src="logo.png" alt="Circle"></p>'),
    'kites.css': text,
  });
const GRID = '.meadow { display: grid; grid-template-columns: repeat(3, 1fr); gap: 12px; }\n';

describe('what is written', () => {
  it('changes the value that counts, in place', () => {
    expect(css(site(GRID), 'columns', '4')).toBe(
      GRID.replace('repeat(3, 1fr)', 'repeat(4, 1fr)') +
        '\n/* Gallery of index.html: columns */\n.meadow img { max-width: 100%; height: auto; }\n',
    );
  });

  it('changes one part of a shorthand and leaves the other', () => {
    const two = GRID.replace('gap: 12px', 'gap: 20px 14px');
    expect(css(site(two), 'column-gap', '8px')).toBe(two.replace('20px 14px', '20px 8px'));
    expect(css(site(two), 'row-gap', '14px')).toBe(two.replace('20px 14px', '14px 14px'));
  });

  it.each([
    ['<h2>Two</h2><div class="tile"><a href="l/a.jpg"><img src="s/a.jpg" alt="a"></a><span>Kite a</span></div>'],
    ['<div class="tile"><a href="l/a.jpg"><img src="s/a.jpg" alt="a"></a><span>Kite a</span></div>'],
  ])('changes a rule that finds an item alone on another page too: %s', (alone) => {
    const tile = (n: string) =>
      `<div class="tile"><a href="l/${n}.jpg"><img src="s/${n}.jpg" alt="${n}"></a><span>Kite ${n}</span></div>`;
    const holding = (inside: string) => page('x').replace(/<ul[^]*<\/ul>/, `<div class="grid">${inside}</div>`);
    const text = '.grid { overflow: hidden; }\n.tile { float: left; width: 33.33%; }\n';
    const files = siteOf({
      'index.html': holding(['a', 'b', 'c'].map(tile).join('\n')),
      'alone.html': holding(alone),
      'kites.css': text,
    });
    expect(css(files, 'columns', '4')).toContain('.tile { float: left; width: 25%; }');
    expect(css(files, 'gallery-ground', '#eeeeee')).toContain('.grid { overflow: hidden; background-color: #eeeeee; }');
  });

  it('adds a declaration to the gallery’s own rule, in its hand', () => {
    const lines = '.meadow {\n\tdisplay:grid;\n\tgap:12px /* air */\n}\n';
    expect(css(site(lines), 'across', 'center')).toBe(
      '.meadow {\n\tdisplay:grid;\n\tgap:12px /* air */;\n\tjustify-items:center\n}\n',
    );
  });

  it('writes what is new under a comment, before narrower conditions', () => {
    const media = `${GRID}\n@media (max-width: 600px) { .meadow { gap: 4px; } }\n`;
    expect(css(site(media), 'corners', '6px')).toBe(
      `${GRID}\n/* Gallery of index.html: corners of the thumbnails */\n.meadow img { border-radius: 6px; }\n\n@media (max-width: 600px) { .meadow { gap: 4px; } }\n`,
    );
  });

  it('writes a narrow window as a condition, and changes that one the next time', () => {
    const shrinking = 'img { max-width: 100%; height: auto; }\n';
    const once = after(site(GRID + shrinking), wish('columns', '2', 600));
    expect(textAt(once, 'kites.css')).toBe(
      `${GRID}${shrinking}\n/* Gallery of index.html: columns, up to 600 px */\n@media (max-width: 600px) {\n  .meadow { grid-template-columns: repeat(2, 1fr); }\n}\n`,
    );
    expect(css(once, 'columns', '1', 600)).toBe(textAt(once, 'kites.css').replace('repeat(2, 1fr)', 'repeat(1, 1fr)'));
    expect(css(once, 'column-gap', '4px', 600)).toBe(
      textAt(once, 'kites.css').replace('repeat(2, 1fr); }', 'repeat(2, 1fr); column-gap: 4px; }'),
    );
  });

  it('takes away what it wrote with its comment, to the byte', () => {
    const files = site(`${GRID}/* the end */\n`);
    for (const [setting, value] of [
      ['corners', '6px'],
      ['gallery-ground', '#f7f9f6'],
      ['hover-opacity', '0.8'],
    ] as const) {
      const set = after(files, wish(setting, value));
      expect(textAt(set, 'kites.css')).not.toBe(textAt(files, 'kites.css'));
      expect(css(set, setting, null)).toBe(textAt(files, 'kites.css'));
    }
  });

  it('keeps CRLF and tabs', () => {
    const hand = STYLE_SITES.find(({ name }) => name === 'CRLF and tabs')!;
    const files = siteOf({ 'index.html': hand.page, 'kites.css': hand.css });
    const next = textAt(after(files, wish('corners', '6px')), 'kites.css');
    expect(next.startsWith(hand.css)).toBe(true);
    expect(next.slice(hand.css.length)).toBe(
      '\r\n/* Gallery of index.html: corners of the thumbnails */\r\n.lines img {\r\n\tborder-radius: 6px;\r\n}\r\n',
    );
  });

  it('changes a style attribute of the gallery where it stands', () => {
    const files = siteOf({
      'index.html': page('meadow', undefined, ' style="display: grid; grid-template-columns: 1fr 1fr"'),
      'kites.css': GRID,
    });
    const planned = planFor(read(files), wish('columns', '4'));
    // The attribute is the gallery's own, so it is changed where it stands.
    expect(planned.ok && planned.change.files.map(({ path }) => path)).toContain('index.html');
    const next = planned.ok ? applyChange(files, planned.change) : null;
    expect(next?.ok && textAt(next.files, 'index.html')).toContain('grid-template-columns: repeat(4, 1fr)');
  });

  it('never writes into a viewer’s stylesheet, and links the shared one where the page has none', () => {
    const viewer = 'img { border-radius: 2px; }\n';
    const files = siteOf({
      'pages/spring.html': page('meadow', '').replaceAll('href="l/', 'href="../l/'),
      'css/kites.css': 'p { color: #333; }\n',
      'viewer/lightbox.css': viewer,
    });
    const next = after(files, {
      kind: 'set-style',
      page: 'pages/spring.html',
      gallery: 0,
      setting: 'corners',
      value: '6px',
      at: null,
    });
    expect(textAt(next, 'viewer/lightbox.css')).toBe(viewer);
    expect(textAt(next, 'pages/spring.html')).toContain(
      '<title>Kites</title>\n<link rel="stylesheet" href="../css/kites.css">\n',
    );
    expect(textAt(next, 'css/kites.css')).toContain('.meadow img { border-radius: 6px; }');
  });

  it('gives a gallery that has no name a class, where only that finds it', () => {
    const bare = (own: string) => page('', '<link rel="stylesheet" href="kites.css">').replace('<ul class="">', own);
    const files = siteOf({
      'index.html': bare('<ul>').replace('<body>', '<body>\n<ul><li>Home</li></ul>'),
      'kites.css': 'li { color: #333; }\n',
    });
    const next = after(files, wish('columns', '3'));
    expect(textAt(next, 'index.html')).toContain('<ul class="pictures">\n  <li><a');
    expect(textAt(next, 'index.html')).toContain('<ul><li>Home');
    expect(textAt(next, 'kites.css')).toContain(
      '.pictures { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 16px; }',
    );
  });

  it('writes a class and a rule into one page, each in its place', () => {
    const bare = page('', '<style>\nli { color: #333; }\n</style>').replace('<ul class="">', '<ul id=1 title="kites">');
    const next = textAt(after(siteOf({ 'index.html': bare }), wish('corners', '6px')), 'index.html');
    expect(next).toContain('<ul id=1 title="kites" class="pictures">');
    const without = next.replace(' class="pictures"', '').replace(/\n\/\*.*?\*\/\n\.pictures img \{[^}]*\}/s, '');
    expect(without.replace(/\n+/g, '\n')).toBe(bare.replace(/\n+/g, '\n'));
  });

  it('reaches what only the browser adds from what can carry a class', () => {
    const cells = ['a', 'b'].map((one) => `<td><a href="l/${one}.jpg"><img src="s/${one}.jpg" alt=""></a></td>`);
    const files = siteOf({
      'index.html': `<head><link rel="stylesheet" href="kites.css"></head><body><p>Kites</p><table>\n<tr>${cells.join('')}</tr></table></body>`,
      'kites.css': 'p { color: #333; }\n',
    });
    const next = after(files, wish('corners', '6px'));
    expect(textAt(next, 'index.html')).toContain('<table class="pictures">');
    expect(textAt(next, 'kites.css')).toContain('.pictures > tbody img { border-radius: 6px; }');
  });

  it('does not change what other pages’ galleries look like', () => {
    const files = siteOf({
      'index.html': page('meadow'),
      'other.html': page('meadow orchard'),
      'kites.css': 'ul { display: grid; gap: 10px; }\n.orchard { gap: 10px; }\n',
    });
    const next = after(files, wish('column-gap', '30px'));
    const gap = (path: string, from: SiteFiles) =>
      layoutView(read(from), path, 0, null)?.settings.find(({ id }) => id === 'column-gap')?.value;
    expect([gap('index.html', files), gap('other.html', files)]).toEqual(['10px', '10px']);
    expect([gap('index.html', next), gap('other.html', next)]).toEqual(['30px', '10px']);
  });
});

describe('what is refused, with its place and why', () => {
  it('!important of a rule for all pictures', () => {
    expect(refusal(withLogo(`${GRID}img { border-radius: 1px !important; }\n`), 'corners', '6px')).toMatch(
      /^Nothing was changed: another declaration counts for more\. kites\.css, line 2: img \{ border-radius: 1px !important \}\.$/,
    );
  });

  it('values that are none', () => {
    expect(refusal(site(GRID), 'columns', 'many')).toBe(
      '“many” is neither a number of columns nor a width such as 150px.',
    );
    expect(refusal(site(GRID), 'columns', '-20px')).toMatch(/neither a number/);
    expect(refusal(site(GRID), 'page-ground', 'red; } body { display: none')).not.toBe('done');
    expect(refusal(site(GRID), 'border', '2 px solid')).not.toBe('done');
    expect(refusal(site(GRID), 'caption-lines', '40')).toBe('Give a number of lines from 1 to 9, or 0 for none.');
  });

  it('what is so already, and what is not there', () => {
    expect(refusal(site(GRID), 'column-gap', '12px')).toBe('The stylesheet has this already.');
    expect(refusal(site(GRID), 'corners', null)).toBe('There is no declaration for that.');
    expect(refusal(site(GRID), 'fit', 'cover')).toBe('Set an aspect ratio first.');
    expect(refusal(site(GRID), 'sparkle', '1')).toBe('There is no setting sparkle.');
  });

  it('a declaration for more than the gallery is not taken away', () => {
    expect(refusal(withLogo(`${GRID}img { border-radius: 3px; }\n`), 'corners', null)).toBe(
      'kites.css, line 2: this declaration counts for more than the gallery; remove it in the source.',
    );
  });

  it('columns that stand in the markup', () => {
    const table = page('x').replace(
      /<ul[\s\S]*<\/ul>/,
      `<table>${[
        ['a', 'b'],
        ['c', 'd'],
      ]
        .map(
          (row) =>
            `<tr>${row.map((n) => `<td><a href="l/${n}.jpg"><img src="s/${n}.jpg" alt="${n}"></a></td>`).join('')}</tr>`,
        )
        .join('\n')}</table>`,
    );
    expect(refusal(siteOf({ 'index.html': table, 'kites.css': '' }), 'columns', '3')).toMatch(/markup|table|rows/i);
  });
});

describe('every setting on every hand', () => {
  /** For settings that stand for several states. */
  const BY_KIND: Readonly<Record<string, string>> = { outline: '2px solid #111111', opacity: '0.7' };
  const VALUES: Record<string, string> = {
    columns: '2',
    'column-gap': '9px',
    'row-gap': '9px',
    across: 'center',
    down: 'center',
    shape: '4 / 3',
    border: '1px solid #333',
    corners: '3px',
    'caption-lines': '2',
    'content-width': '640px',
    'page-ground': '#eeeeee',
    'gallery-ground': '#eeeeee',
  };
  it.each(STYLE_SITES.map((hand) => [hand.name, hand] as const))(
    '%s: is read again as it was set, is one change, and is undone to the byte',
    (_name, hand) => {
      const files = siteOf({ 'index.html': hand.page, 'kites.css': hand.css });
      let done = 0;
      for (const at of [null, 500]) {
        for (const one of layoutView(read(files), 'index.html', 0, at)!.settings) {
          const byKind = Object.entries(BY_KIND).find(([kind]) => one.id.endsWith(kind));
          const value = VALUES[one.id] ?? byKind?.[1] ?? null;
          if (value === null || one.idle !== null || one.value === value) continue;
          const next = after(files, wish(one.id, value, at));
          const said = layoutView(read(next), 'index.html', 0, at)!.settings.find(({ id }) => id === one.id)?.value;
          expect(said, `${one.id} at ${at}`).toBe(value);
          done++;
        }
      }
      expect(done).toBeGreaterThan(20);
    },
  );
});

describe('a grid in place of floats', () => {
  const floats = '.meadow { overflow: hidden; }\n.meadow li { float: left; width: 23%; margin: 0 2% 20px 0; }\n';

  it('has the same columns and the room that the margins were', () => {
    expect(css(site(floats), 'grid', 'grid')).toBe(
      '.meadow { overflow: hidden; display: grid; grid-template-columns: repeat(4, minmax(0, 1fr)); column-gap: 2%; row-gap: 20px; }\n.meadow li { float: none; width: auto; margin: 0; }\n',
    );
  });

  it('is one change, and is undone to the byte', () => {
    const files = site(floats);
    const planned = planFor(read(files), wish('grid', 'grid'));
    const done = planned.ok ? applyChange(files, planned.change) : planned;
    if (!done.ok) throw new Error(done.reason);
    const undone = applyChange(done.files, done.inverse);
    expect(undone.ok && textAt(undone.files, 'kites.css')).toBe(floats);
  });

  it.each([
    [GRID, 'Only for floats and inline blocks.'],
    [`${floats}@media (max-width: 600px) { .meadow li { width: 48%; } }\n`, 'Windows up to 600 px have other columns'],
    ['.meadow li { float: left; }\n', 'Set columns first; these pictures are as wide as they come.'],
  ])('is refused where it would not look the same', (text, reason) =>
    expect(refusal(site(text), 'grid', 'grid')).toContain(reason),
  );
});
