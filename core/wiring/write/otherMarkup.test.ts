/** Viewers that are elements, handlers or modules, or want the markup otherwise: written to the letter and taken off. */
import { describe, expect, it } from 'vitest';
import { applyChange, firstOf } from '../../site/index.ts';
import type { Kit } from '../kit/manifest.ts';
import { copiedFilesOf, kitOf, linkTo, pageOf, siteOf } from '../pages.fixture.ts';
import type { LinkMemory } from './site.ts';
import { rewire } from './wire.ts';

const NAMES = ['a', 'b', 'c'];
const plain = NAMES.map((name) => linkTo(name));
const BARE = pageOf(plain);

interface Step {
  from?: Kit;
  to?: Kit;
  remembered?: readonly LinkMemory[];
}

function step(html: string, { from, to, remembered = [] }: Step) {
  const kits = [...(from ? [from] : []), ...(to ? [to] : [])];
  const texts = { 'index.html': html, ...copiedFilesOf(from ? [from] : []) };
  const site = { ...siteOf(texts, kits), remembered: () => remembered, sizeOf: () => ({ width: 9, height: 6 }) };
  const outcome = rewire(site, firstOf(site.pages), { from: from ?? null, to: to ?? null });
  if (!outcome.ok) return { text: outcome.reason, remembers: [] };
  const applied = applyChange(site.files, outcome.change);
  const content = applied.ok ? applied.files.get('index.html') : undefined;
  return { text: content?.kind === 'text' ? content.text : '', remembers: outcome.remembers };
}

/** There and back: the page as it is with the kit, and what is left when it goes. */
function thereAndBack(html: string, kit: Kit): string {
  const there = step(html, { to: kit });
  const back = step(there.text, { from: kit, remembered: there.remembers });
  expect(back.text).toBe(html);
  return there.text;
}

const script = "customElements.define('kite-set', class extends HTMLElement {})";
const around = kitOf({ marker: { on: 'gallery', element: 'kite-set' } }, { 'kite.js': script });
const frame = kitOf({ marker: { element: 'kite-set' } }, { 'kite.js': script });

describe('an element of a viewer’s own', () => {
  it('comes around what holds the pictures, on lines of its own', () => {
    expect(thereAndBack(BARE, around)).toContain('<kite-set>\n<ul>\n');
    expect(thereAndBack(BARE.replaceAll('\n', '\r\n'), around)).toContain('</ul>\r\n</kite-set>\r\n');
  });

  it('comes around each link, in its line', () => {
    expect(thereAndBack(BARE, frame)).toContain(`<li><kite-set>${linkTo('b')}</kite-set></li>`);
  });

  it('comes around a whole table, whatever part of it holds the pictures', () => {
    const table = pageOf([]).replace(
      '<ul>\n</ul>',
      `<table><tr>${plain.map((one) => `<td>${one}</td>`).join('')}</tr></table>`,
    );
    expect(thereAndBack(table, around)).toContain('<kite-set>\n<table><tr>');
  });

  it('needs something to stand around', () => {
    const loose = pageOf([]).replace('<ul>\n</ul>', plain.join('\n'));
    expect(step(loose, { to: around }).text).toMatch(/^The pictures stand directly in the page/);
  });

  it('comes around those that stand without it', () => {
    const half = BARE.replace(linkTo('a'), `<kite-set>${linkTo('a')}</kite-set>`);
    expect(step(half, { to: frame }).text.split('<kite-set>')).toHaveLength(4);
  });

  it('leaves a plain element where its author has said something of it', () => {
    const said = step(BARE, { to: around }).text.replace('<kite-set>', '<kite-set id="moor" class="wide">');
    expect(step(said, { from: around }).text).toContain('<div id="moor" class="wide">\n<ul>');
  });
});

describe('a handler in the link', () => {
  const kit = kitOf({ marker: { attribute: 'onclick', value: 'return kite(this)' } });
  it('is written and taken off', () =>
    expect(thereAndBack(BARE, kit)).toContain('<a href="a.jpg" onclick="return kite(this)">'));

  it('comes after what its author does on a click', () => {
    const counted = pageOf(NAMES.map((name) => linkTo(name, 'onclick="count()"')));
    expect(thereAndBack(counted, kit)).toContain('onclick="count(); return kite(this)"');
  });

  it('is refused where the click ends already', () => {
    const ended = pageOf(NAMES.map((name) => linkTo(name, 'onclick="return false"')));
    expect(step(ended, { to: kit }).text).toMatch(/^The link on line 8 has an onclick already, “return false”/);
  });
});

describe('a module', () => {
  const file = { name: 'kite.js', role: 'script' as const, module: true };
  const start = { call: 'kite', imported: 'default' as const, required: true };
  const texts = { 'kite.js': 'export default function kite() {}' };

  it('is imported where it is called', () => {
    const kit = kitOf({ files: [file], start }, texts);
    expect(thereAndBack(BARE, kit)).toContain(
      "<script type=\"module\">\nimport kite from './js/kite.js';\nkite('[data-kite]');\n</script>",
    );
  });

  it('is imported by its name, and called as a method', () => {
    const kit = kitOf(
      { files: [file], start: { ...start, imported: 'named', way: 'method', of: 'Kites', call: 'bind' } },
      { 'kite.js': 'export const Kites = { bind() {} }' },
    );
    expect(thereAndBack(BARE, kit)).toContain("import { Kites } from './js/kite.js';\nKites.bind('[data-kite]');");
  });

  it('that starts by itself gets a tag', () => {
    const kit = kitOf({ files: [file] }, { 'kite.js': 'export {}' });
    expect(thereAndBack(BARE, kit)).toContain('<script src="js/kite.js" type="module"></script>');
  });

  it('leaves what else the script imports, and is not taken out of what uses it otherwise', () => {
    const kit = kitOf({ files: [file], start }, texts);
    const wired = step(BARE, { to: kit }).text;
    const more = wired.replace("kite('[data", "import './other.js';\nkite('[data");
    expect(step(more, { from: kit }).text).toContain('<script type="module">\nimport \'./other.js\';\n</script>');
    const used = wired.replace("kite('[data-kite]');", "kite('[data-kite]');\nwindow.again = kite;");
    expect(step(used, { from: kit }).text).toMatch(/cannot be taken out by itself/);
  });
});

describe('what is set before a call goes with it', () => {
  const kit = kitOf({ start: { way: 'method', of: 'kite', call: 'bind', required: true } });
  it('and nothing else', () => {
    const wired = step(BARE, { to: kit }).text;
    const set = wired
      .replace('<script>document', '<script>kite.speed = 3;\ndocument')
      .replace('<script>kite.bind', '<script>kite.speed = 3;\nkite.bind');
    expect(set).not.toBe(wired);
    expect(step(set, { from: kit }).text).toBe(BARE);
  });
});

describe('markup that a viewer wants otherwise', () => {
  const kit = kitOf({
    marker: { on: 'gallery', class: 'kites', links: '.kite a' },
    full: { attribute: 'data-src' },
    size: { width: 'data-w', height: 'data-h' },
    classes: { holder: 'wide', item: 'kite', image: 'small' },
    caption: { from: ['inside', 'alt'], class: 'words' },
    container: { id: 'place' },
  });

  it('is written, and goes again', () => {
    const text = thereAndBack(BARE, kit);
    expect(text).toContain('<div id="place"></div>\n<ul class="wide kites">');
    expect(text).toContain(
      '<li class="kite"><a href="a.jpg" data-src="a.jpg" data-w="9" data-h="6"><img src="t/a.jpg" alt="a" class="small"></a></li>',
    );
  });

  it('has the page’s own words in the link, and keeps what their author changed', () => {
    const figures = pageOf(
      NAMES.map((name) => `<figure>${linkTo(name)}<figcaption>The &amp; ${name}</figcaption></figure>`),
    );
    const there = step(figures, { to: kit });
    expect(there.text).toContain('<span class="words" hidden>The &amp; a</span></a>');
    expect(step(there.text, { from: kit, remembered: there.remembers }).text).toBe(figures);
    const changed = there.text.replace('hidden>The &amp; b', 'hidden>My own words');
    const left = step(changed, { from: kit, remembered: there.remembers }).text;
    expect(left.match(/class="words"/g)).toHaveLength(1);
    expect(left).toContain('My own words');
  });

  it('leaves classes that the author’s own styles speak of, and what other links say', () => {
    const styled = pageOf(
      plain,
      '<style>.kite { float: left }</style>',
      '<p><a href="x.html" data-src="own">x</a></p>',
    ).replaceAll('<li>', '<li class="kite">');
    expect(thereAndBack(styled, kit)).toContain('data-src="own"');
  });

  it('leaves attributes of the same name on what is no link', () => {
    const lazy = BARE.replace('src="t/a.jpg"', 'src="t/a.jpg" data-src="t/a-2.jpg"');
    expect(thereAndBack(lazy, kit)).toContain('data-src="t/a-2.jpg"');
  });
});

it('options without a prefix are names in a call; attributes of the page stay', () => {
  const kit = kitOf({ options: [{ name: 'title', type: 'text', without: '', says: '' }] });
  thereAndBack(pageOf(NAMES.map((name) => linkTo(name, `title="${name}"`))), kit);
});

describe('what is kept in mind', () => {
  const named = kitOf({ name: 'named', group: { in: 'marker' }, caption: { from: ['title'] } });
  const unnamed = kitOf({
    name: 'unnamed',
    folder: 'css',
    files: [{ name: 'other.js', role: 'script', gives: ['other'] }],
    marker: { class: 'other' },
    caption: { from: ['figure'] },
  });

  it('a group comes back, and lent words go', () => {
    const grouped = pageOf(NAMES.map((name) => linkTo(name, 'class="other"')));
    const first = step(grouped, { to: named, from: unnamed });
    const own = first.text.replaceAll('data-kite="index"', 'data-kite="summer"');
    const away = step(own, { from: named, to: unnamed });
    expect(away.remembers.map(({ group }) => group)).toEqual(['summer', 'summer', 'summer']);
    expect(step(away.text, { from: unnamed, to: named, remembered: away.remembers }).text).toContain(
      'data-kite="summer"',
    );
  });

  it('words that somebody changed since are the author’s', () => {
    const figures = pageOf(NAMES.map((name) => `<figure>${linkTo(name)}<figcaption>${name}!</figcaption></figure>`));
    const there = step(figures, { to: named });
    expect(there.remembers.map(({ lent }) => lent)).toEqual(['a!', 'b!', 'c!']);
    const changed = there.text.replace('title="b!"', 'title="Mine"');
    const left = step(changed, { from: named, remembered: there.remembers }).text;
    expect(left.match(/title="[^"]*"/g)).toEqual(['title="Mine"']);
  });
});
