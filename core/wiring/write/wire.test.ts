/** Wiring written to the letter: what comes onto a page, what goes, and what is refused with which words. */
import { describe, expect, it } from 'vitest';
import { applyChange, type FileContent, firstOf } from '../../site/index.ts';
import type { Kit, KitManifestInput } from '../kit/manifest.ts';
import { copiedFilesOf, kitOf, linkTo, pageOf, siteOf } from '../pages.fixture.ts';
import { rewire } from './wire.ts';

const NAMES = ['a', 'b', 'c'];
const SCRIPT = '<script src="js/kite.js" defer></script>';
const plain = NAMES.map((name) => linkTo(name));
const marked = (attributes: string) => NAMES.map((name) => linkTo(name, attributes));
const BARE = pageOf(plain);

interface Wiring {
  from?: Kit;
  to?: Kit;
  /** Texts of the site beside the page and the kits' files. */
  more?: Record<string, string>;
  /** The files of the kits are there already. */
  copied?: readonly Kit[];
  /** Further kits that the program knows. */
  others?: readonly Kit[];
}

interface Done {
  label: string;
  text: string;
  files: string[];
  after: ReadonlyMap<string, FileContent>;
}

/** The first page, and which files came (+) and went (-); or why nothing was done. */
function wired(
  html: string,
  { from, to, more = {}, copied = from ? [from] : [], others = [] }: Wiring,
): Done | { refused: string } {
  const kits = [...(from ? [from] : []), ...(to ? [to] : []), ...others];
  const site = siteOf({ 'index.html': html, ...copiedFilesOf(copied), ...more }, kits);
  const outcome = rewire(site, firstOf(site.pages), { from: from ?? null, to: to ?? null });
  if (!outcome.ok) return { refused: outcome.reason };
  const applied = applyChange(site.files, outcome.change);
  if (!applied.ok) throw new Error(applied.reason);
  const content = applied.files.get('index.html');
  const came = [...applied.files.keys()].filter((path) => !site.files.has(path)).map((path) => `+${path}`);
  const went = [...site.files.keys()].filter((path) => !applied.files.has(path)).map((path) => `-${path}`);
  return {
    label: outcome.change.label,
    text: content?.kind === 'text' ? content.text : '',
    files: [...came, ...went],
    after: applied.files,
  };
}

const textOf = (html: string, wiring: Wiring): string => {
  const outcome = wired(html, wiring);
  return 'text' in outcome ? outcome.text : outcome.refused;
};

describe('a kit comes onto a page', () => {
  it.each<[string, Partial<KitManifestInput>, string]>([
    ['an attribute', {}, 'data-kite'],
    ['with a value', { marker: { attribute: 'rel', value: 'kite' } }, 'rel="kite"'],
    ['a class', { marker: { class: 'kite' } }, 'class="kite"'],
    ['the group as its value', { group: { in: 'marker' } }, 'data-kite="index"'],
    ['a group of its own', { group: { attribute: 'data-set' } }, 'data-kite data-set="index"'],
    ['a group by the call', { group: { in: 'call' } }, 'data-kite'],
    ['what it opens', { kind: { attribute: 'data-kind', picture: 'photo' } }, 'data-kind="photo" data-kite'],
    [
      'what it opens as its marker',
      { marker: { attribute: 'data-kind' }, kind: { attribute: 'data-kind', picture: 'photo' } },
      'data-kind="photo"',
    ],
  ])('%s', (_what, change, attributes) => {
    const outcome = wired(BARE, { to: kitOf(change) });
    expect(outcome).toMatchObject({
      label: 'Add the kite to index.html',
      text: pageOf(marked(attributes), SCRIPT),
      files: ['+js/kite.js'],
    });
  });

  it('in the order of its files: styles behind styles, scripts behind scripts', () => {
    const kit = kitOf({
      files: [
        { name: 'kite.css', role: 'style' },
        { name: 'more.css', role: 'style' },
        { name: 'base.js', role: 'script' },
        { name: 'dot.gif', role: 'other' },
        { name: 'kite.js', role: 'script' },
      ],
    });
    const links = (names: string[]) => names.map((name) => `<link rel="stylesheet" href="js/${name}.css">`);
    const scripts = (names: string[], wait = ' defer') =>
      names.map((name) => `<script src="js/${name}.js"${wait}></script>`);
    const whole = [...links(['kite', 'more']), ...scripts(['base', 'kite'])].join('\n');
    const outcome = wired(BARE, { to: kit });
    expect(outcome).toMatchObject({
      text: pageOf(marked('data-kite'), whole),
      files: ['+js/kite.css', '+js/more.css', '+js/base.js', '+js/dot.gif', '+js/kite.js'],
    });
    // What is there already stays; what is missing comes to its place beside it, and waits as it does.
    for (const there of [links(['more']), links(['kite']), scripts(['kite']), scripts(['base'])])
      expect(textOf(pageOf(marked('data-kite'), there.join('\n')), { to: kit, copied: [kit] })).toSatisfy(
        (text: string) =>
          JSON.stringify([...text.matchAll(/js\/(\w+\.\w+)/g)].map(([, name]) => name).sort()) ===
          JSON.stringify(['base.js', 'kite.css', 'kite.js', 'more.css']),
      );
    const async = scripts(['kite'], ' async').join('\n');
    expect(textOf(pageOf(marked('data-kite'), async), { to: kit, copied: [kit] })).toContain(
      `${scripts(['base'], ' async').join('')}\n${async}`,
    );
    const blocking = scripts(['base'], '').join('\n');
    expect(textOf(pageOf(marked('data-kite'), blocking), { to: kit, copied: [kit] })).toContain(
      `\n${scripts(['kite'], '').join('')}\n</head>`,
    );
  });

  it('with the capitals that its files have', () => {
    const kit = kitOf();
    const outcome = wired(BARE, { to: kit, more: { 'JS/Kite.js': 'function kite() {}' } });
    expect(outcome).toMatchObject({ text: expect.stringContaining('<script src="JS/Kite.js" defer></script>') });
  });

  it('before a script of one’s own that starts it', () => {
    const kit = kitOf({ start: { call: 'kite' } });
    const own = '<script src="own.js"></script>';
    const text = textOf(pageOf(plain, own), { to: kit, more: { 'own.js': 'kite("a");' } });
    expect(text.indexOf('js/kite.js')).toBeLessThan(text.indexOf('own.js'));
    expect(text.indexOf('js/kite.js')).toBeGreaterThan(0);
  });

  const STARTED: Partial<KitManifestInput> = {
    marker: { class: 'peep' },
    place: 'end',
    start: { call: 'kite', required: true, binds: true },
  };

  it('with its call at the end, once', () => {
    const calls = '<script src="js/kite.js"></script>\n<script>kite(\'.peep\');</script>';
    expect(textOf(BARE, { to: kitOf(STARTED) })).toBe(pageOf(marked('class="peep"'), '', calls));
    expect(wired(pageOf(marked('class="peep"'), '', calls), { to: kitOf(STARTED), copied: [kitOf(STARTED)] })).toEqual({
      refused: 'Every link that can be wired is wired already; there is nothing to change.',
    });
    const byAttribute = kitOf({ ...STARTED, marker: { attribute: 'data-kite' } });
    expect(textOf(BARE, { to: byAttribute })).toContain("<script>kite('[data-kite]');</script>");
    const without = kitOf({ ...STARTED, start: { call: 'kite', required: true, selector: false } });
    expect(textOf(BARE, { to: without })).toContain('<script>kite();</script>');
  });

  it('with a call that waits where its script does', () => {
    const waiting = "<script>document.addEventListener('DOMContentLoaded', function () { kite('.peep'); });</script>";
    expect(textOf(BARE, { to: kitOf({ ...STARTED, place: 'head' }) })).toBe(
      pageOf(marked('class="peep"'), SCRIPT, waiting),
    );
    const there = kitOf(STARTED);
    expect(textOf(pageOf(plain, SCRIPT), { to: there, copied: [there] })).toBe(
      pageOf(marked('class="peep"'), SCRIPT, waiting),
    );
    const inBody = '<script src="js/kite.js"></script>\n<p>Below</p>';
    expect(textOf(pageOf(plain, '', inBody), { to: there, copied: [there] })).toBe(
      pageOf(marked('class="peep"'), '', inBody.replace('\n', "\n<script>kite('.peep');</script>\n")),
    );
  });

  it('with the element in which it shows, before the first gallery', () => {
    const kit = kitOf({ container: { attribute: 'data-in', id: 'bay' } });
    expect(textOf(BARE, { to: kit })).toBe(
      pageOf(marked('data-kite data-in="#bay"'), SCRIPT).replace('<ul>', '<div id="bay"></div>\n<ul>'),
    );
    const own = pageOf(plain, '', '<div id="bay"></div>');
    expect(textOf(own, { to: kit })).toBe(pageOf(marked('data-kite data-in="#bay"'), SCRIPT, '<div id="bay"></div>'));
  });

  it('on the element that holds the pictures, or the parts', () => {
    const gallery = kitOf({ does: 'show', marker: { on: 'gallery', class: 'show' } });
    expect(textOf(BARE, { to: gallery })).toBe(pageOf(plain, SCRIPT).replace('<ul>', '<ul class="show">'));
    const byAttribute = kitOf({ does: 'show', marker: { on: 'gallery', attribute: 'data-show', value: 'on' } });
    expect(textOf(BARE, { to: byAttribute })).toBe(pageOf(plain, SCRIPT).replace('<ul>', '<ul data-show="on">'));
    const own = BARE.replace('<ul>', '<ul data-show="mine">');
    const anyValue = kitOf({ does: 'show', marker: { on: 'gallery', attribute: 'data-show' } });
    expect(textOf(own, { to: anyValue })).toBe(pageOf(plain, SCRIPT).replace('<ul>', '<ul data-show="mine">'));
    // Another value than the kit looks for is not written over, and that nothing would answer is said.
    expect(textOf(own, { to: byAttribute })).toBe('The change was not made: the kite would answer none of the links.');

    const sections = kitOf({ does: 'page', marker: { on: 'sections', attribute: 'data-parts', value: 'x' } });
    expect(wired(BARE, { to: sections })).toEqual({
      refused:
        'Kite needs an element with two parts or more, each with its heading and its pictures. Write another section in Markup first',
    });
    const part = (title: string) =>
      `<section><h2>${title}</h2>${NAMES.map((name) => linkTo(name)).join('\n')}</section>`;
    const parts = `<html><head></head><body><main>\n${part('One')}\n${part('Two')}\n<section>Three</section></main></body></html>`;
    expect(textOf(parts, { to: sections })).toContain('<main data-parts="x">');
    const anyParts = kitOf({ does: 'page', marker: { on: 'sections', attribute: 'data-parts' } });
    expect(textOf(parts.replace('<main>', '<main data-parts="own">'), { to: anyParts })).toContain(
      '<main data-parts="own">',
    );
    expect(textOf(parts.replace('<h2>One</h2>', ''), { to: sections })).toMatch(/^Kite needs an element/);
  });

  it('with tags on the items, for a kit that chooses by them', () => {
    const kit = kitOf({
      does: 'page',
      marker: { on: 'gallery', attribute: 'data-pick' },
      tags: { attribute: 'data-tags' },
    });
    const own = pageOf(plain).replace('<li>', '<li data-tags="mine">');
    const site = { ...siteOf({ 'index.html': own }, [kit]), tagsOf: () => ['red', 'long one'] };
    const outcome = rewire(site, firstOf(site.pages), { from: null, to: kit });
    const applied = outcome.ok && applyChange(site.files, outcome.change);
    const content = applied && applied.ok ? applied.files.get('index.html') : undefined;
    const text = content?.kind === 'text' ? content.text : '';
    expect(text.match(/data-tags="[^"]*"/g)).toEqual([
      'data-tags="mine"',
      ...Array<string>(2).fill('data-tags="red, long one"'),
    ]);
    expect(textOf(own, { to: kit }).match(/data-tags/g)).toHaveLength(1);
  });

  it('only onto links that lead to a picture, and over nothing that is written already', () => {
    const items = [
      '<a href="b.html"><img src="t/a.jpg" alt=""></a>',
      linkTo('b', 'data-kite data-set="own"'),
      linkTo('c'),
    ];
    expect(textOf(pageOf(items), { to: kitOf({ group: { attribute: 'data-set' } }) })).toBe(
      pageOf([items[0] ?? '', items[1] ?? '', linkTo('c', 'data-kite data-set="own"')], SCRIPT),
    );
  });

  it('not onto a link with a slip in its marker, which is another finding', () => {
    const items = [linkTo('a', 'data-kit'), linkTo('b'), linkTo('c')];
    expect(textOf(pageOf(items), { to: kitOf() })).toBe(
      pageOf([items[0] ?? '', linkTo('b', 'data-kite'), linkTo('c', 'data-kite')], SCRIPT),
    );
  });

  it('with a group for each gallery, named after the page', () => {
    const html = BARE.replace('</ul>', `</ul>\n<ol>\n${plain.map((item) => `  <li>${item}</li>`).join('\n')}\n</ol>`);
    const text = textOf(html, { to: kitOf({ group: { attribute: 'data-set' } }) });
    expect(text.match(/data-set="[^"]*"/g)).toEqual([
      ...Array<string>(3).fill('data-set="index"'),
      ...Array<string>(3).fill('data-set="index-2"'),
    ]);
  });

  it.each<[string, string, Wiring, string]>([
    [
      'a page without a gallery',
      '<html><head></head><body><p>Hello</p></body></html>',
      { to: kitOf() },
      'There is no gallery on this page to wire. Add pictures in Markup first.',
    ],
    [
      'a page without a head',
      `<body>${plain.map((item) => `<p>${item}</p>`).join('')}</body>`,
      { to: kitOf() },
      'The page has no <head> in its source to write the includes into. Write one first.',
    ],
    [
      'pictures that stand directly in the page',
      `<html><head></head><body>${plain.join('\n')}</body></html>`,
      { to: kitOf({ marker: { on: 'gallery', attribute: 'data-x' } }) },
      'The pictures stand directly in the page. Put an element around them, for Kite has to be told which pictures are meant',
    ],
    [
      'a page that is wired',
      pageOf(marked('data-kite'), SCRIPT),
      { to: kitOf(), copied: [kitOf()] },
      'Every link that can be wired is wired already; there is nothing to change.',
    ],
    ['a kit that is not there', BARE, { from: kitOf(), copied: [] }, 'Nothing of this viewer is on the page.'],
    [
      'a remark that is not closed',
      BARE.replace('</ul>', '</ul><!--'),
      { to: kitOf({ place: 'end' }) },
      'The change was not made: the page would be read otherwise than meant.',
    ],
  ])('%s is refused', (_what, html, wiring, reason) => expect(wired(html, wiring)).toEqual({ refused: reason }));

  it('not beside another that answers the same click, or that cannot stand with it', () => {
    const other = kitOf({
      name: 'other',
      title: 'Other',
      folder: 'other',
      marker: { attribute: 'data-other' },
      files: [{ name: 'other.js', role: 'script' }],
    });
    const html = pageOf(marked('data-other'), '<script src="other/other.js"></script>');
    const beside = (change: Partial<KitManifestInput>) =>
      textOf(html, { to: kitOf(change), others: [other], copied: [other] });
    const twice =
      'Other opens the pictures of this page already; a click would be answered twice. Change from it to Kite instead.';
    expect(beside({})).toBe(twice);
    expect(beside({ does: 'stage' })).toBe(twice);
    expect(beside({ does: 'show', apart: ['other'] })).toBe(twice);
    expect(beside({ does: 'show', marker: { on: 'gallery', attribute: 'data-show' } })).toContain('<ul data-show>');
  });
});

describe('a kit leaves a page', () => {
  const FULL: Partial<KitManifestInput> = {
    files: [
      { name: 'kite.css', role: 'style' },
      { name: 'kite.js', role: 'script', gives: ['kite'] },
    ],
    group: { attribute: 'data-set' },
    caption: { attribute: 'data-words', from: ['attribute'], description: 'data-more' },
    kind: { attribute: 'data-kind', picture: 'photo' },
    container: { attribute: 'data-in', id: 'bay' },
    tags: { attribute: 'data-tags' },
    middle: { attribute: 'data-middle' },
    prefix: 'data-kite-',
    options: [{ name: 'loop', type: 'switch', without: false, says: '' }],
  };
  const HEAD = `<link rel="stylesheet" href="js/kite.css">\n${SCRIPT}`;
  const ALL =
    'data-kite data-set="s" data-words="w" data-more="m" data-kind="photo" data-in="#bay" data-tags="t" data-middle="b.jpg" data-kite-loop';

  it('with all that it may have on a link, its includes, its element and its files', () => {
    const html = pageOf(marked(ALL), HEAD).replace('<ul>', '<div id="bay">\n</div>\n<ul>');
    expect(wired(html, { from: kitOf(FULL) })).toMatchObject({
      label: 'Remove the kite from index.html',
      text: BARE,
      files: ['-js/kite.css', '-js/kite.js'],
    });
  });

  it('but not an element that says more, nor attributes of others', () => {
    const kept = '<div id="bay">Words</div>\n<div id="bay" class="x"></div>\n<div id="bay"><p></p></div>\n';
    const html = pageOf(marked(`data-kite data-in="#bay" rel="x"`), HEAD).replace('<ul>', `${kept}<ul>`);
    expect(textOf(html, { from: kitOf(FULL) })).toBe(pageOf(marked('rel="x"')).replace('<ul>', `${kept}<ul>`));
  });

  it('with its class and no other', () => {
    const kit = kitOf({ marker: { class: 'peep' } });
    const html = pageOf(
      [linkTo('a', 'class="x peep y"'), linkTo('b', 'class="peep"'), linkTo('c', 'class="peepy"')],
      SCRIPT,
    );
    expect(textOf(html, { from: kit })).toBe(
      pageOf([linkTo('a', 'class="x y"'), linkTo('b'), linkTo('c', 'class="peepy"')]),
    );
  });

  it('but not with files that are needed, changed, or the author’s', () => {
    const kit = kitOf();
    const html = pageOf(marked('data-kite'), SCRIPT);
    expect(wired(html, { from: kit, more: { 'more.html': html } })).toMatchObject({ files: [] });
    expect(wired(html, { from: kit, more: { 'more.html': BARE } })).toMatchObject({ files: ['-js/kite.js'] });
    expect(wired(html, { from: kit, more: { 'js/kite.js': 'function kite() { mine(); }' } })).toMatchObject({
      files: [],
    });
    expect(wired(html, { from: { ...kit, kind: 'own' } })).toMatchObject({ text: BARE, files: [] });
  });

  const STARTED = kitOf({
    marker: { class: 'peep' },
    place: 'end',
    start: { call: 'kite', required: true, binds: true },
  });
  const started = (end: string) => pageOf(marked('class="peep"'), '', `<script src="js/kite.js"></script>\n${end}`);
  const left = (end: string) => pageOf(plain, '', end);

  it.each([
    ['the call alone', "<script>kite('.peep');</script>", ''],
    ['two calls', "<script>kite('.peep'); kite('.x')</script>", ''],
    ['with a remark', "<script>\n// Start\nkite('.peep'); /* now */\n</script>", ''],
    [
      'waiting for the page',
      "<script>document.addEventListener('DOMContentLoaded', function () { kite('.peep'); });</script>",
      '',
    ],
    ['waiting for the window', '<script>window.addEventListener("load", () => { kite(".peep"); });</script>', ''],
    ['by hand', '<script>window.onload = function go(e) { kite(".peep"); };</script>', ''],
    ['asked for first', '<script>if (window.kite) kite(".peep");</script>', ''],
    ['before something else', "<script>\n  kite('.peep');\n  other();\n</script>", '<script>\n  other();\n</script>'],
    ['between others on its line', "<script>one(); kite('.peep'); two();</script>", '<script>one();  two();</script>'],
    [
      'with something else that waits',
      "<script>window.addEventListener('load', function () { kite('.peep'); other(); });</script>",
      "<script>window.addEventListener('load', function () {  other(); });</script>",
    ],
  ])('with what starts it: %s', (_what, before, after) => {
    expect(textOf(started(before), { from: STARTED })).toBe(left(after));
  });

  it('not where what it gives back is used', () => {
    const reason = (script: string) =>
      `${script} uses what kite() gives back, so the call cannot be taken out by itself. Remove it in Markup first.`;
    expect(wired(started("<script>var a = kite('.peep');</script>"), { from: STARTED })).toEqual({
      refused: reason('The script on line 13 of index.html'),
    });
    expect(
      wired(started('<script src="own.js"></script>'), { from: STARTED, more: { 'own.js': "var a = kite('.peep');" } }),
    ).toEqual({ refused: reason('own.js') });
  });

  it('in a script of its own: the statement goes, or asks first where another page needs it', () => {
    const own = 'one();\n  kite(".peep");\nif (window.kite) kite();\n';
    const html = started('<script src="own.js"></script>');
    const ownAfter = (more: Record<string, string>) => {
      const outcome = wired(html, { from: STARTED, more: { 'own.js': own, ...more } });
      const content = 'after' in outcome ? outcome.after.get('own.js') : undefined;
      return content?.kind === 'text' ? content.text : '';
    };
    expect(ownAfter({})).toBe('one();\n');
    expect(ownAfter({ 'more.html': html })).toBe(
      'one();\n  if (window.kite) kite(".peep");\nif (window.kite) kite();\n',
    );
    expect(ownAfter({ 'more.html': BARE })).toBe('one();\n');
  });
});

describe('one kit after another', () => {
  const FROM = kitOf({ group: { attribute: 'data-set' }, caption: { from: ['title'] } });
  const TO = kitOf({
    name: 'other',
    title: 'Other',
    folder: 'other',
    files: [{ name: 'other.js', role: 'script' }],
    marker: { class: 'other' },
    group: { attribute: 'data-group' },
    caption: { attribute: 'data-words', from: ['attribute'], description: 'data-second' },
  });
  const HEAD = '<script src="other/other.js" defer></script>';

  it('has the same groups and the same words', () => {
    const html = pageOf(
      [
        linkTo('a', 'data-kite data-set="s" title="A"'),
        linkTo('b', 'data-kite data-set="u"'),
        linkTo('c', 'data-kite'),
      ],
      SCRIPT,
    );
    expect(wired(html, { from: FROM, to: TO })).toMatchObject({
      label: 'Change index.html from kite to other',
      text: pageOf(
        [
          linkTo('a', 'class="other" data-group="s" title="A" data-words="A"'),
          linkTo('b', 'class="other" data-group="u"'),
          linkTo('c', 'class="other" data-group="s"'),
        ],
        HEAD,
      ),
      files: ['+other/other.js', '-js/kite.js'],
    });
  });

  it('writes words as a title where it looks there, and a second line where it has a place for one', () => {
    const from = kitOf({ caption: { attribute: 'data-old', from: ['attribute'], description: 'data-more' } });
    const html = pageOf(
      [
        linkTo('a', 'data-kite data-old="A" data-more="M"'),
        linkTo('b', 'data-kite data-old="B" title="T"'),
        linkTo('c', 'data-kite'),
      ],
      SCRIPT,
    );
    const to = kitOf({ ...TO.manifest, caption: { from: ['title'], description: 'data-second' } });
    expect(textOf(html, { from, to })).toContain(
      linkTo('a', 'class="other" data-group="index" title="A" data-second="M"'),
    );
    expect(textOf(html, { from, to })).toContain(linkTo('b', 'class="other" data-group="index" title="T"'));
    const silent = kitOf({ ...TO.manifest, caption: { from: [] } });
    expect(textOf(html, { from, to: silent })).toContain(linkTo('a', 'class="other" data-group="index"'));
  });

  it('keeps files, includes and an element that both have', () => {
    const shared = { container: { attribute: 'data-in', id: 'bay' } };
    const from = kitOf({
      ...shared,
      files: [
        { name: 'base.js', role: 'script' },
        { name: 'kite.js', role: 'script', gives: ['kite'] },
      ],
    });
    const to = kitOf({
      ...shared,
      name: 'other',
      marker: { attribute: 'data-other' },
      files: [
        { name: 'base.js', role: 'script' },
        { name: 'other.js', role: 'script' },
      ],
    });
    const base = '<script src="js/base.js" defer></script>\n';
    const page = (attributes: string, script: string) =>
      pageOf(marked(attributes), `${base}<script src="js/${script}.js" defer></script>`).replace(
        '<ul>',
        '<div id="bay"></div>\n<ul>',
      );
    expect(wired(page('data-kite data-in="#bay"', 'kite'), { from, to })).toMatchObject({
      text: page('data-other data-in="#bay"', 'other'),
      files: ['+js/other.js', '-js/kite.js'],
    });
  });

  it('is refused where both are the same script, for the first would still be found', () => {
    const to = kitOf({ name: 'other', title: 'Other', marker: { attribute: 'data-other' } });
    expect(wired(pageOf(marked('data-kite'), SCRIPT), { from: kitOf(), to })).toEqual({
      refused: 'The change was not made: something of the kite would be left.',
    });
  });

  it('replaces a class by a class', () => {
    const from = kitOf({ marker: { class: 'peep' } });
    const html = pageOf(marked('class="x peep"'), SCRIPT);
    expect(textOf(html, { from, to: TO })).toContain(linkTo('a', 'class="x other" data-group="index"'));
  });
});
