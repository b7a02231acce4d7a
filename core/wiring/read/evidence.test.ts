import { describe, expect, it } from 'vitest';
import { draftManifest, kitName } from './evidence.ts';

const draftOf = (files: Record<string, string>, title = 'My Kite') => draftManifest(title, files);
const manifestOf = (script: string, more: Record<string, string> = {}) =>
  draftOf({ 'kite.js': script, ...more }).manifest;
/** As lines: `marker a[data-kite] kite.js:2`. */
const evidenceOf = (files: Record<string, string>) =>
  draftOf(files).evidence.map(({ field, says, file, line }) => `${field} ${says} ${file}:${line}`);

describe('a kit’s name', () => {
  it.each([
    ['My  Kite!', 'my-kite'],
    ['--Kite 2--', 'kite-2'],
    ['2 kites 3', 'kit-2-kites-3'],
    ['Дом', 'own'],
    ['', 'own'],
  ])('%s → %s', (title, name) => expect(kitName(title)).toBe(name));
});

describe('a draft', () => {
  it('of a script that says nothing has its files alone', () => {
    const { manifest, evidence, unread } = draftOf({ 'kite.js': 'var a = 1;', 'notes.txt': 'x', 'b.js.bak': '(' });
    expect(manifest).toEqual({
      name: 'my-kite',
      title: 'My Kite',
      files: [{ name: 'kite.js', role: 'script', gives: ['a'], needs: [] }],
      folder: 'my-kite',
      marker: {},
      group: { in: 'call' },
      caption: { from: [] },
      place: 'end',
      start: { call: 'a', required: true, selector: true, binds: true },
    });
    expect(evidence).toEqual([{ field: 'start', says: 'gives a()', file: 'kite.js', line: 1, text: 'var a = 1;' }]);
    expect(unread).toEqual([]);
  });

  it('has styles first, then scripts behind what they need, by name where nothing is needed', () => {
    const files = {
      'c.js': 'var c = b;',
      'z.css': '',
      'a.js': 'var a = c; outside();',
      'b.js': 'var b = 1;',
      'Y.CSS': '',
      'a.css.txt': '',
    };
    expect(draftOf(files).manifest.files).toEqual([
      { name: 'Y.CSS', role: 'style' },
      { name: 'z.css', role: 'style' },
      { name: 'b.js', role: 'script', gives: ['b'], needs: [] },
      { name: 'c.js', role: 'script', gives: ['c'], needs: ['b'] },
      { name: 'a.js', role: 'script', gives: ['a'], needs: ['c'] },
    ]);
    expect(evidenceOf(files).slice(0, 2)).toEqual(['files needs b c.js:1', 'files needs c a.js:1']);
  });

  it('leaves scripts that need each other as they come, and knows one that gives what it asks for itself', () => {
    const round = draftOf({ 'b.js': 'var b = a;', 'a.js': 'var a = b;' }).manifest.files;
    expect(round.map(({ name }) => name)).toEqual(['a.js', 'b.js']);
    const both = draftOf({ 'a.js': 'var x = y;', 'b.js': 'var x; var y;' }).manifest.files;
    expect(both.map(({ name }) => name)).toEqual(['b.js', 'a.js']);
  });

  it('cuts long lines off, and shows none where a page has no script of its own', () => {
    const [start] = draftOf({ 'kite.js': `  var kite = '${'x'.repeat(300)}';` }).evidence;
    expect(start?.text).toMatch(/^var kite = 'x+…$/);
    expect(start?.text.length).toBeLessThan(160);
  });
});

describe('what marks a link', () => {
  it.each([
    ["document.querySelectorAll('a[data-kite]')", { attribute: 'data-kite' }],
    ["document.querySelectorAll('[Data-Kite]')", { attribute: 'data-kite' }],
    ['document.querySelectorAll(\'a[rel="kite"]\')', { attribute: 'rel', value: 'kite' }],
    ["document.querySelectorAll('a[rel=kite_2-b]')", { attribute: 'rel', value: 'kite_2-b' }],
    ["document.querySelectorAll('a[rel^=kite]')", { attribute: 'rel', value: 'kite' }],
    ["document.querySelectorAll('div a[data-x]'); document.querySelectorAll('a.peep')", { class: 'peep' }],
    ["document.querySelectorAll('a[href]'); document.querySelectorAll('a.peep_2-b img')", { class: 'peep_2-b' }],
    ["document.querySelectorAll('a[class]'); document.querySelectorAll('a[hrefs]')", { attribute: 'hrefs' }],
    ["document.querySelectorAll('a[src=x]'); x.getAttribute('data-own')", { attribute: 'data-own' }],
    ["document.querySelectorAll('a[id]'); x.getAttribute('my-data-own')", {}],
    ["document.querySelectorAll('.peep')", {}],
    ["document.querySelectorAll('ul a.peep')", {}],
    ["document.querySelectorAll('a.2x')", {}],
  ])('%s', (script, marker) => expect(manifestOf(script).marker).toEqual(marker));

  it('is the class that a page calls it with', () => {
    const page = (call: string) => ({ 'how.html': `<script src="kite.js"></script><script>${call}</script>` });
    const script = 'function kite(s) { x.querySelectorAll(s); }';
    expect(manifestOf(script, page("kite('.peep')")).marker).toEqual({ class: 'peep' });
    expect(manifestOf(script, page("kite('a.peep_2 > img')")).marker).toEqual({ class: 'peep_2' });
    expect(manifestOf(script, page("kite('ul .peep')")).marker).toEqual({});
    expect(manifestOf(script, page('kite()')).marker).toEqual({});
  });

  it('says on which line it rests', () => {
    expect(evidenceOf({ 'k.js': "\nx.querySelectorAll('a[data-kite]')" })).toContain('marker a[data-kite] k.js:2');
    expect(evidenceOf({ 'k.js': "\nx.querySelectorAll('a.kite')" })).toContain('marker class “kite” k.js:2');
    expect(evidenceOf({ 'k.js': "\n\nx.getAttribute('data-kite')" })).toContain('marker data-kite k.js:3');
  });
});

describe('what is read from a link', () => {
  const script = (...names: string[]) =>
    `x.querySelectorAll('a[data-kite]');\n${names.map((name) => `x.getAttribute('${name}');`).join('\n')}`;

  it.each([
    [['data-kite-set'], { group: { attribute: 'data-kite-set' } }],
    [['data-gallery'], { group: { attribute: 'data-gallery' } }],
    [['data-settle'], {}],
    [['gallery'], {}],
    [['data-kind'], { kind: { attribute: 'data-kind', picture: 'picture' } }],
    [['data-type'], { kind: { attribute: 'data-type', picture: 'picture' } }],
    [['data-kite-in'], { container: { attribute: 'data-kite-in', id: 'my-kite-place' } }],
    [['data-stage'], { container: { attribute: 'data-stage', id: 'my-kite-place' } }],
    [['data-main'], {}],
  ])('%j', (names, expected) => {
    const { group, kind, container } = manifestOf(script(...names));
    expect({ ...(group && { group }), ...(kind && { kind }), ...(container && { container }) }).toEqual(expected);
  });

  it.each([
    [['data-caption'], { attribute: 'data-caption', from: ['attribute'] }],
    [['data-words', 'title'], { attribute: 'data-words', from: ['attribute', 'title'] }],
    [['alt', 'title'], { from: ['title', 'alt'] }],
    [['alt'], { from: ['alt'] }],
    [['rel'], { from: [] }],
    [['data-more'], { from: [], description: 'data-more' }],
    [
      ['data-label', 'data-description'],
      { attribute: 'data-label', from: ['attribute'], description: 'data-description' },
    ],
  ])('words: %j', (names, caption) => expect(manifestOf(script(...names)).caption).toEqual(caption));

  it('is not its marker', () => {
    expect(manifestOf("x.querySelectorAll('a[data-set]'); x.getAttribute('data-set');").group).toBeUndefined();
  });

  it('says on which line it rests; of many mirrors two are enough', () => {
    expect(evidenceOf({ 'k.js': script('data-kite-set', 'data-words', 'title', 'alt', 'title', 'rel') })).toEqual([
      'marker a[data-kite] k.js:1',
      'group data-kite-set k.js:2',
      'caption data-words k.js:3',
      'caption reads title k.js:4',
      'caption reads alt k.js:5',
    ]);
  });
});

describe('how a script is started', () => {
  const gives = 'function kite() {}\nfunction other() {}';

  it('is what a page beside it calls', () => {
    const files = {
      'kite.js': gives,
      'how.htm':
        '<p>\n<script src="kite.js">other()</script><script>var x = “;</script><script>none()</script>\n<script>\nkite("a.x", {})</script>',
    };
    expect(draftOf(files).manifest).toMatchObject({
      place: 'end',
      group: { in: 'call' },
      start: { call: 'kite', required: true, selector: true, binds: true },
    });
    expect(draftOf(files).evidence[0]).toEqual({
      field: 'start',
      says: "kite('a.x')",
      file: 'how.htm',
      line: 4,
      text: 'kite("a.x", {})</script>',
    });
  });

  it('takes no selector where the page gives none', () => {
    const page = { 'kite.js': gives, 'HOW.HTML': '<script>kite(1)</script>' };
    expect(draftOf(page).manifest.start).toMatchObject({ call: 'kite', selector: false });
    expect(evidenceOf(page)).toEqual(['start kite() HOW.HTML:1']);
  });

  it('is else the last of what it gives and does not need itself', () => {
    expect(manifestOf(gives).start?.call).toBe('other');
    expect(draftOf({ 'a.js': 'var a = 1;', 'b.js': 'var b = a;' }).manifest.start?.call).toBe('b');
    expect(draftOf({ 'a.js': 'a2(); var a = 1;', 'b.js': 'function a2() {}' }).manifest.start?.call).toBe('a');
    expect(draftOf({ 'kite.js': gives, 'how.html.txt': '<script>kite("x")</script>' }).manifest.start?.call).toBe(
      'other',
    );
  });

  it('is not asked of a script that looks for its links by itself', () => {
    for (const selector of ['[data-kite]', 'a.kite']) {
      const manifest = manifestOf(`${gives}\nx.querySelectorAll('${selector}'); x.querySelector('body');`);
      expect([manifest.start, manifest.place, manifest.group]).toEqual([undefined, 'head', undefined]);
    }
    expect(manifestOf(`${gives}\nx.querySelector('body');`).start?.call).toBe('other');
    const beside = { 'a.js': gives, 'b.js': "x.querySelectorAll('[data-kite]');" };
    expect(draftOf(beside).manifest.start).toBeUndefined();
    expect(manifestOf('document.title = 1;').start).toBeUndefined();
  });
});

describe('a counter', () => {
  it.each([
    ["x.text(n + 1 + ' of ' + count)", true],
    ['x.text(`${n + 1} of ${all.length}`)', true],
    ['x.text(n+1+"/"+a.length)', true],
    ["x.text('a of ' + b)", false],
    ['n = (n + 1) % all.length', false],
  ])('%s', (code, counts) => expect(manifestOf(`function kite(s) { ${code} }`).counter ?? false).toBe(counts));
});
