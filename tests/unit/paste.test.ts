/** Lines out of a manual: what each is told to be, and where it comes to stand on pages of several manners. */
import { describe, expect, it } from 'vitest';
import { pastedOn, planFor } from '../../core/plans/index.ts';
import { readSite } from '../../core/model/index.ts';
import { applyChange, type FileContent, NOTES_FILE, type SiteFiles } from '../../core/site/index.ts';
import { findingsOf } from '../../core/checks/index.ts';
import { answers } from '../../core/wiring/index.ts';
import { piecesIn } from '../../core/wiring/paste/pieces.ts';
import { KITS } from '../kits.ts';
import { download, linesOf, OLD_PAGE } from '../wiring/downloads.fixture.ts';
import { wiredPage } from '../wiring/faults.fixture.ts';

const NAMES = ['meadow', 'mere', 'loft', 'reel'];

const siteWith = (page: string, more: Readonly<Record<string, string>> = {}): SiteFiles =>
  new Map<string, FileContent>([
    ['index.html', { kind: 'text', text: page }],
    ...Object.entries(more).map(([path, text]): [string, FileContent] => [path, { kind: 'text', text }]),
    ...NAMES.flatMap((name) => [`small/${name}.jpg`, `large/${name}.jpg`]).map((path): [string, FileContent] => [
      path,
      { kind: 'binary', hash: path, bytes: 1 },
    ]),
  ]);

const reading = (files: SiteFiles) => readSite(files, new Map(), KITS);

const pastes = (files: SiteFiles, text: string, brought: Record<string, string> = {}) => {
  const wish = { kind: 'paste-lines' as const, page: 'index.html', text, files: brought };
  const pasting = pastedOn(reading(files), wish);
  const planned = planFor(reading(files), wish);
  if (!planned.ok) throw new Error(planned.reason);
  const applied = applyChange(files, planned.change);
  if (!applied.ok) throw new Error(applied.reason);
  const back = applyChange(applied.files, applied.inverse);
  expect(back.ok && back.files).toEqual(files);
  return { pasting, after: applied.files };
};

const textIn = (files: SiteFiles, path: string): string => {
  const content = files.get(path);
  return content?.kind === 'text' ? content.text : '';
};

/** How many pictures of the page the viewer answers. */
const answered = (files: SiteFiles): number => {
  const [page] = reading(files).pages;
  const use = page?.wiring.main;
  return page && use ? page.galleries.flatMap(({ items }) => items).filter((item) => answers(use, item)).length : 0;
};

const PAGES = { 'a page by hand': wiredPage('none'), 'an old page in capitals': OLD_PAGE };

const WAYS = [
  {
    kit: 'glow',
    name: 'sheen',
    shows: [/class="?sheen/i, "<script>$(function () { $('.sheen').sheen(); });</script>"],
  },
  { kit: 'peephole', name: 'squint', shows: [/class="?peep/, "<script>squint('.peep');</script>"] },
  { kit: 'beam', name: 'torch', shows: [/data-torch="?[\w-]+/, "<script>Torch.bind('[data-torch]');</script>"] },
  {
    kit: 'gleam',
    name: 'ember',
    shows: [/class="?[^"]*ember-here/, "<script>new Ember('.ember-here', { items: 'a' }).init();</script>"],
  },
  { kit: 'flare', name: 'spark', shows: [/rel="spark\[[\w-]+\]"/] },
  {
    kit: 'dazzle',
    name: 'spangle',
    shows: [/data-spangle="?[\w-]+/, '<script type="module">', "spangle('[data-spangle]');"],
    script: 'spangle.esm.js',
  },
  { kit: 'gloam', name: 'murk', shows: [/<murk-pictures>\s*<(?:ul|table)/i, '</murk-pictures>'] },
  {
    kit: 'parade',
    name: 'march',
    shows: ['<div id="march-place"></div>', /class="?[^"]*march-item/, /data-src="?large\/meadow\.jpg/],
  },
  { kit: 'gloss', name: 'varnish', shows: ['onclick="return varnish(this)"', /data-varnish="[\w-]+"/] },
] as const;

describe.each(Object.entries(PAGES))('on %s', (_, text) => {
  describe.each(WAYS)('the lines of a manual like that of the $kit', ({ kit, name, shows, ...way }) => {
    const script = 'script' in way ? way.script : `${name}.js`;
    const files = download(kit, name);
    const { 'README.md': __, ...own } = files;

    it('are put where they belong, with files that stand in folders of the site', () => {
      const placed = Object.fromEntries(
        Object.entries(own).map(([file, content]) => [`${file.endsWith('.css') ? 'css' : 'lib/js'}/${file}`, content]),
      );
      const { pasting, after } = pastes(siteWith(text, placed), linesOf(files));
      const page = textIn(after, 'index.html');
      expect(answered(after)).toBe(4);
      for (const one of shows)
        expect(page).toMatch(typeof one === 'string' ? new RegExp(one.replace(/[$(){}[\].*+?^|\\]/g, '\\$&')) : one);
      expect(page).toContain(`css/${name}.css`);
      expect(page).toContain(`lib/js/${script}`);
      expect(pasting?.pieces.filter(({ placed: isPlaced }) => !isPlaced).map(({ text: left }) => left)).toEqual([]);
      expect(pasting?.added).toEqual([]);
    });

    it('and once more, when they are there, change nothing', () => {
      const { after } = pastes(siteWith(text), linesOf(files), own);
      const again = planFor(reading(after), {
        kind: 'paste-lines',
        page: 'index.html',
        text: linesOf(files),
        files: own,
      });
      expect(again.ok ? again.change : again.reason).toMatch(/wired already/);
    });

    it('bring their files along, and the script is known from then on', () => {
      const { after } = pastes(siteWith(text), linesOf(files), own);
      expect(after.has(`${name}/${script}`)).toBe(true);
      expect(answered(after)).toBe(4);
      expect(reading(after).kits.map(({ manifest }) => manifest.name)).toContain(name);
    });
  });
});

describe('lines out of a manual', () => {
  it('are told piece by piece, with their lines', () => {
    const pasted = `First load the files:

<link rel="stylesheet" href="path/to/sheen.css" />
<script src="path/to/jquery.min.js"></script>
<script src="path/to/sheen.min.js"></script>

Then give your links a class:

<a href="big.jpg" class="sheen" data-room="holiday"><img src="small.jpg"></a>

and start it:

$(document).ready(function () {
  $('.sheen').sheen({ speed: 300 });
});

.sheen img { border: 0; }

data-room="holiday"`;
    expect(piecesIn(pasted).pieces.map(({ kind, line }) => [kind, line])).toEqual([
      ['words', 1],
      ['style', 3],
      ['script', 4],
      ['script', 5],
      ['words', 7],
      ['example', 9],
      ['words', 11],
      ['start', 13],
      ['rules', 17],
      ['attribute', 19],
    ]);
  });
});

const SHEEN = download('glow', 'sheen');
const TORCH = download('beam', 'torch');
const page = wiredPage('none');
const pageAfter = (text: string, pasted: string, brought: Record<string, string>): string => {
  const { after } = pastes(siteWith(text), pasted, brought);
  expect(answered(after)).toBe(4);
  return textIn(after, 'index.html');
};

describe('what was copied along is left out', () => {
  const lines = linesOf(SHEEN);
  const numbered = lines
    .split('\n')
    .map((line, n) => `${n + 1}  ${line}`)
    .join('\n');

  it.each([
    ['line numbers', numbered, 'line numbers that were copied along'],
    ['the marks of an example', '```html\n' + lines + '```\n', null],
    ['quotes of a word processor', lines.replaceAll('"', '”').replaceAll("'", '’'), 'quotes of a word processor'],
    ['an invisible character', lines.replace('class=', '\u200Bclass='), 'invisible characters'],
  ])('%s', (_, pasted, says) => {
    const made = pageAfter(page, pasted, SHEEN);
    expect(made).toContain("$('.sheen').sheen();");
    expect(made).not.toMatch(/[\u200B“”‘’]/);
    expect(piecesIn(pasted).mended).toEqual(says === null ? [] : [says]);
  });
});

describe('the page decides', () => {
  const plugIn = (selector: string) =>
    `<script src="jquery.min.js"></script><script src="sheen.js"></script>
<script>
jQuery(function ($) {
  // As slow as the wind.
  $('${selector}').sheen({ counter: false });
});
</script>`;

  it('an id that its gallery has is what the call looks for', () => {
    const made = pageAfter(page.replace('<ul class="kites">', '<ul id="all-kites">'), plugIn('#gallery a'), SHEEN);
    expect(made).toContain("$('#all-kites a').sheen({ counter: false });");
    expect(made).toContain('// As slow as the wind.');
  });

  it('without one it is given the manual’s', () => {
    const made = pageAfter(page, plugIn('#gallery a'), SHEEN);
    expect(made).toContain('<ul class="kites" id="gallery">');
    expect(made).toContain("$('#gallery a').sheen({ counter: false });");
  });

  it('a class of what holds the links is added to those that are there', () => {
    expect(pageAfter(page, plugIn('.thumbs a'), SHEEN)).toContain('<ul class="kites thumbs">');
  });

  it('what finds links here already stays', () => {
    const made = pageAfter(page, plugIn('.kites a'), SHEEN);
    expect(made).toContain("$('.kites a').sheen({ counter: false });");
    expect(made).toContain('<ul class="kites">');
  });

  it('its words become captions, where the script looks for them', () => {
    expect(pageAfter(OLD_PAGE, linesOf(SHEEN), SHEEN)).toMatch(/<A HREF=large\/meadow\.jpg[^>]* title="The meadow"/);
    expect(pageAfter(page, linesOf(SHEEN), SHEEN)).toContain('title="Meadow kite"');
  });

  it('and what is started already is not started again', () => {
    const { after } = pastes(siteWith(page), linesOf(TORCH), TORCH);
    const half = new Map(after).set('index.html', {
      kind: 'text',
      text: textIn(after, 'index.html').replace(/ data-torch="[^"]*"/, ''),
    });
    const again = pastes(half, linesOf(TORCH));
    expect(textIn(again.after, 'index.html').split('Torch.bind').length).toBe(2);
    expect(again.pasting?.pieces.find(({ kind }) => kind === 'start')?.says).toBe('the page starts it already');
  });

  it('its line ends are kept', () => {
    const pasted = `${plugIn('.sheen')}\n<a class="sheen" href="b.jpg"><img src="s.jpg"></a>\n<style>\n.x { color: red; }\n.y { color: red; }\n</style>`;
    const made = pageAfter(page.replaceAll('\n', '\r\n'), pasted, SHEEN);
    expect(made).toContain('.x { color: red; }\r\n.y');
    expect(made.replaceAll('\r\n', '')).not.toContain('\n');
  });
});

describe('single lines', () => {
  const wired = () => pastes(siteWith(page), linesOf(TORCH), TORCH).after;
  const without = (files: SiteFiles, gone: RegExp): SiteFiles =>
    new Map(files).set('index.html', { kind: 'text', text: textIn(files, 'index.html').replace(gone, '') });

  it.each([
    ['an attribute', / data-torch="[^"]*"/g, 'data-torch="summer"'],
    ['the start call', /<script>Torch[^\n]*\n/, "Torch.bind('[data-torch]');"],
    ['an include', /<script src="torch\/torch.js"><\/script>\n/, '<script src="js/torch.min.js"></script>'],
    ['an example', / data-torch="[^"]*"/g, '<a href="b.jpg" data-torch="summer"><img src="s.jpg"></a>'],
  ])('%s is put where it is missing', (_, gone, line) => {
    const half = without(wired(), gone);
    expect(textIn(half, 'index.html')).not.toBe(textIn(wired(), 'index.html'));
    const { after, pasting } = pastes(half, line);
    expect(answered(after)).toBe(4);
    expect(pasting?.pieces.every(({ placed }) => placed)).toBe(true);
  });

  it('links that the manual calls otherwise are found by the mark of a viewer that is known', () => {
    const known = linesOf(download('glow', 'glow')).replace("$('.glow')", "$('.pictures')");
    const { after } = pastes(siteWith(page), known, download('glow', 'glow'));
    expect(answered(after)).toBe(4);
    expect(textIn(after, 'index.html')).toContain("$('.glow').glow()");
  });

  it.each([
    ['comments', `${'/* a */ '.repeat(200)}and words`],
    ['a long query', `a=${'bcd=efg'.repeat(200)}"`],
    ['braces', `${'a{b'.repeat(200)}}`],
  ])('are told in no time where they are long: %s', (_, long) => {
    const start = performance.now();
    piecesIn(long);
    // What tries every way of cutting them takes longer than the sun will shine.
    expect(performance.now() - start).toBeLessThan(5_000);
  });

  it('what an example has besides is said', () => {
    const { pasting } = pastes(
      siteWith(page),
      linesOf(TORCH).replace('<a ', '<a target="_blank" data-size="9x6" '),
      TORCH,
    );
    expect(pasting?.pieces.find(({ kind }) => kind === 'example')?.says).toBe(
      'data-torch on 4 links; not written, for the script does not ask for it: target, data-size',
    );
  });

  const SPANGLE = download('dazzle', 'spangle');
  const asModule = (from: string, before = '') =>
    linesOf(SPANGLE)
      .replace('<script type="module">', `${before}<script type="module">`)
      .replace(/'\.\/.*'/, `'${from}'`);

  it.each([
    ['by the name that builders have for it', asModule('spangle')],
    ['by an address on a host', asModule('https://code.example/npm/spangle/spangle.esm.js')],
    [
      'by an import map',
      asModule('box', '<script type="importmap">{ "imports": { "box": "/assets/spangle.esm.js" } }</script>\n'),
    ],
  ])('a module that is imported %s is imported from where it stands', (_, pasted) => {
    const { after, pasting } = pastes(siteWith(page), pasted, SPANGLE);
    expect(answered(after)).toBe(4);
    expect(textIn(after, 'index.html')).toContain("import spangle from './spangle/spangle.esm.js';");
    expect(pasting?.pieces.every(({ placed }) => placed)).toBe(true);
  });

  it('an include that says it is a module stays one', () => {
    const murk = download('gloam', 'murk');
    const pasted = linesOf(murk).replace(' defer', '').replace('<script ', '<script type="module" ');
    const made = pageAfter(page, pasted, murk);
    expect(made).toContain('<script src="murk/murk.js" type="module"></script>');
    expect(made).not.toContain('defer');
  });

  it('rules go to the end of the page’s own stylesheet', () => {
    const styled = page.replace('</head>', '<link rel="stylesheet" href="style.css">\n</head>');
    const { after } = pastes(
      siteWith(styled, { 'style.css': 'body { margin: 0 }\n' }),
      `${linesOf(TORCH)}\n.torch-box { color: red; }`,
      TORCH,
    );
    expect(textIn(after, 'style.css')).toBe('body { margin: 0 }\n.torch-box { color: red; }\n');
  });

  it('a base from elsewhere gets its scheme and comes first', () => {
    const pasted = linesOf(SHEEN).replace('sheen/jquery.min.js', '//code.example/jquery-3.7.1.min.js');
    const { 'jquery.min.js': _, ...own } = SHEEN;
    const { after, pasting } = pastes(siteWith(page), pasted, own);
    expect(textIn(after, 'index.html')).toMatch(
      /https:\/\/code\.example\/jquery-3\.7\.1\.min\.js"><\/script>\s*<script src="sheen\/sheen\.js/,
    );
    expect(pasting?.pieces.find(({ text }) => text.includes('code.example'))?.says).toMatch(/works only online/);
  });
});

describe('what cannot be done is said, and nothing is written', () => {
  const refusal = (text: string, pasted: string, brought: Record<string, string> = {}) => {
    const planned = planFor(reading(siteWith(text)), {
      kind: 'paste-lines',
      page: 'index.html',
      text: pasted,
      files: brought,
    });
    return planned.ok ? '' : planned.reason;
  };

  it.each([
    [
      'a script that is nowhere',
      linesOf(SHEEN),
      {},
      /^There is no sheen\.css and no jquery\.min\.js and no sheen\.js in the site/,
    ],
    ['words alone', 'Thank you for choosing this script.', {}, /^None of these lines names a script/],
    [
      'a script with an error in it',
      '<script src="torch.js"></script>',
      { 'torch.js': 'var a = “b”;' },
      /^torch\.js, line 1/,
    ],
    ['nothing', '', {}, /^None of these lines/],
  ])('%s', (_, pasted, brought, says) => {
    expect(refusal(page, pasted, brought)).toMatch(says);
  });

  it('a page without pictures', () => {
    expect(refusal('<!DOCTYPE html><title>x</title><p>Words', linesOf(TORCH), TORCH)).toMatch(
      /no gallery on this page/,
    );
  });
});

describe('lines that were pasted into the source by hand', () => {
  const found = (files: SiteFiles) => findingsOf(reading(files)).find(({ rule }) => rule === 'viewer-unknown');

  it.each(WAYS.map(({ kit, name }) => [kit, name] as const))('are recognised, as those of the %s', (kit, name) => {
    const { 'README.md': _, ...own } = download(kit, name);
    const { after } = pastes(siteWith(page), linesOf(download(kit, name)), own);
    // Nobody has told the program of the script.
    const byHand = new Map([...after].filter(([path]) => path !== NOTES_FILE));
    const finding = found(byHand);
    const script = kit === 'dazzle' ? `${name}.esm.js` : `${name}.js`;
    expect(finding?.says).toBe(`${script} opens 4 pictures of this page, and it is not one of your viewers yet.`);
    const [fix] = finding?.fixes ?? [];
    const planned = fix?.kind === 'change' ? fix.plan() : null;
    const known = planned?.ok ? applyChange(byHand, planned.change) : null;
    if (!known?.ok) throw new Error('it cannot be added');
    expect(answered(known.files)).toBe(4);
    expect(found(known.files)).toBeUndefined();
  });

  it('and scripts that open no picture are left alone', () => {
    const menu =
      "document.querySelectorAll('nav a').forEach(function (a) { a.onclick = function () { a.title = 'x'; }; });";
    const files = siteWith(
      page.replace('</body>', '<nav><a href="a.html">A</a></nav><script src="menu.js"></script></body>'),
      {
        'menu.js': menu,
      },
    );
    expect(found(files)).toBeUndefined();
  });
});
