/** What is read out of somebody's own script, with the lines it rests on, and what the program makes of it. */
import { readFileSync } from 'node:fs';
import { transformSync } from 'esbuild';
import { describe, expect, it } from 'vitest';
import { planFor } from '../../core/plans/index.ts';
import { readSite } from '../../core/model/index.ts';
import { applyChange, type FileContent } from '../../core/site/index.ts';
import { draftManifest, readManifest, readScript } from '../../core/wiring/index.ts';
import { KITS, PRACTICE } from '../kits.ts';
import { wiredPage } from '../wiring/faults.fixture.ts';
import { OWN_SCRIPT } from '../wiring/ownScript.fixture.ts';

describe('an own script', () => {
  const draft = draftManifest('Roam', OWN_SCRIPT);

  it('gives a manifest that reads, with its files in the order in which they need each other', () => {
    const read = readManifest(draft.manifest);
    expect(read.ok && read.manifest).toMatchObject({
      name: 'roam',
      folder: 'roam',
      place: 'end',
      files: [
        { name: 'roam.css' },
        { name: 'roam-parts.js', gives: ['roamParts'] },
        { name: 'roam.js', needs: ['roamParts'] },
      ],
      marker: { attribute: 'data-roam' },
      group: { attribute: 'data-roam-set' },
      caption: { attribute: 'data-roam-words', from: ['attribute', 'title'] },
      start: { call: 'roam', required: true, selector: true },
    });
  });

  it('says on which line each guess rests', () => {
    expect(draft.evidence).toContainEqual({
      field: 'marker',
      says: 'a[data-roam]',
      file: 'roam.js',
      line: 10,
      text: "var all = document.querySelectorAll('a[data-roam]');",
    });
    expect(draft.evidence).toContainEqual({
      field: 'start',
      says: "roam('a[data-roam]')",
      file: 'how-to.html',
      line: 8,
      text: "roam('a[data-roam]');",
    });
    expect(draft.evidence).toContainEqual({
      field: 'files',
      says: 'needs roamParts',
      file: 'roam.js',
      line: 2,
      text: 'var roamAdd = roamParts.add;',
    });
    expect(draft.evidence.map(({ field }) => field)).toEqual(expect.arrayContaining(['group', 'caption']));
  });

  it('that cannot be read is told with its line', () => {
    expect(draftManifest('x', { 'x.js': 'var a = 1;\nvar b = “two”;' }).unread).toEqual([
      { file: 'x.js', line: 2, reason: expect.any(String) },
    ]);
  });

  it('becomes a kit of the site, wires a page, and is forgotten only when no page uses it', () => {
    const pictures = ['meadow', 'mere', 'loft', 'reel'].flatMap((name) => [`small/${name}.jpg`, `large/${name}.jpg`]);
    let files: ReadonlyMap<string, FileContent> = new Map<string, FileContent>([
      ['index.html', { kind: 'text', text: wiredPage('none') }],
      ...pictures.map((path): [string, FileContent] => [path, { kind: 'binary', hash: path, bytes: 1 }]),
    ]);
    const does = (intent: Parameters<typeof planFor>[1]) => {
      const planned = planFor(readSite(files, new Map(), KITS), intent);
      if (!planned.ok) return planned.reason;
      const applied = applyChange(files, planned.change);
      if (!applied.ok) throw new Error(applied.reason);
      files = applied.files;
      return planned.change.label;
    };
    const manifest = readManifest(draft.manifest);
    if (!manifest.ok) throw new Error(manifest.reason);
    const { 'how-to.html': _, ...texts } = OWN_SCRIPT;
    expect(does({ kind: 'save-kit', manifest: manifest.manifest, files: texts })).toBe('Save Roam as a viewer');
    expect(files.has('roam/roam.js')).toBe(true);
    expect(does({ kind: 'wire', page: 'index.html', kit: 'roam' })).toBe('Add the roam to index.html');
    const [page] = readSite(files, new Map(), KITS).pages;
    expect(page?.wiring.main?.claimed.size).toBe(4);
    expect(does({ kind: 'forget-kit', name: 'roam' })).toMatch(/Remove it from that page first/);
    expect(does({ kind: 'unwire', page: 'index.html', kit: 'roam' })).toBe('Remove the roam from index.html');
    expect(files.has('roam/roam.js'), 'the script is the author’s and stays').toBe(true);
    expect(does({ kind: 'forget-kit', name: 'roam' })).toBe('Remove the viewer roam');
    expect(does({ kind: 'save-kit', manifest: { ...manifest.manifest, name: 'lightbox' }, files: texts })).toMatch(
      /name of a built-in viewer/,
    );
    expect(does({ kind: 'save-kit', manifest: { ...manifest.manifest, folder: 'elsewhere' }, files: {} })).toMatch(
      /not imported with it/,
    );
  });
});

describe('a script', () => {
  it.each<[string, string, object]>([
    ['what a function runs at once', '(function () { kite(1); })();', { needs: [{ name: 'kite', immediate: true }] }],
    [
      'what waits for an event',
      "document.addEventListener('click', function () { kite(1); });",
      { needs: [{ name: 'kite', immediate: false }] },
    ],
    [
      'what a named function does that is called',
      'function go() { kite(1); } go();',
      { needs: [{ name: 'kite', immediate: true }] },
    ],
    [
      'what a named function does that is only handed over',
      'function go() { kite(1); } window.onload = go;',
      { needs: [{ name: 'kite', immediate: false }] },
    ],
    [
      'what is done for each',
      '[1].forEach(function (n) { kite(n); });',
      { needs: [{ name: 'kite', immediate: true }] },
    ],
    [
      'what is asked for first',
      'if (window.kite) kite(1);',
      { needs: [{ name: 'kite', immediate: false }], calls: [{ guarded: true, statement: { start: 0, end: 25 } }] },
    ],
    ['globals of the browser', 'document.title = location.href; new Map(); undefined;', { needs: [] }],
    [
      'what it gives on window',
      'window.kite = 1; var line = 2; function fly() {} class Reel {}',
      { gives: [{ name: 'line' }, { name: 'fly' }, { name: 'Reel' }, { name: 'kite' }] },
    ],
    [
      'attributes by dataset',
      'a.dataset.roomGroup; a.getAttribute("Data-X"); a.title; b.title = "x";',
      { attributes: [{ name: 'data-room-group' }, { name: 'data-x' }, { name: 'title' }] },
    ],
    [
      'selectors that are put together',
      "document.querySelectorAll('a[data-room=\"' + name + '\"]'); x.closest(`li.${y}`); document.getElementById('bay');",
      { selectors: [{ name: 'a[data-room="' }, { name: 'li.' }, { name: '#bay' }] },
    ],
  ])('tells %s', (_, text, expected) => expect(readScript(text)).toMatchObject({ ok: true, ...expected }));
});

describe.each(PRACTICE.map((kit) => [kit.manifest.name, kit] as const))('the download of %s', (name, kit) => {
  const home = new URL(`../../kits/${name}/`, import.meta.url);
  const withManual = { ...kit.files, 'README.md': readFileSync(new URL('README.md', home), 'utf8') };
  const { manifest } = kit;
  const wanted = {
    files: manifest.files.map((file) => file.name),
    place: manifest.place,
    marker: manifest.marker,
    group: manifest.group,
    start: manifest.start,
  };

  it.each([
    ['as it is written', (text: string) => text],
    ['made small', (text: string) => transformSync(text, { minify: true }).code],
  ])('is read from script and manual, %s', (_how, written) => {
    const files = Object.fromEntries(
      Object.entries(withManual).map(([file, text]) => [file, /(?<!\.min)\.js$/.test(file) ? written(text) : text]),
    );
    const draft = draftManifest(manifest.title, files);
    const read = readManifest(draft.manifest);
    if (!read.ok) throw new Error(read.reason);
    const { place, marker, group, start } = read.manifest;
    const given = { files: read.manifest.files.map((file) => file.name), place, marker, group, start };
    expect(given).toEqual(wanted);
    expect(read.manifest.container?.attribute).toBe(manifest.container?.attribute);
    // Each guess shows the line on which it rests.
    for (const field of ['marker', 'start', 'group'] as const)
      if (field !== 'group' || (manifest.group && !('in' in manifest.group && manifest.group.in === 'call')))
        if (manifest[field])
          expect(
            draft.evidence.filter((one) => one.field === field && one.text !== ''),
            field,
          ).not.toEqual([]);
  });
});

describe('a script of another make', () => {
  const MANUAL = (head: string, link: string, call: string) =>
    `# Use\n\n\`\`\`html\n${head}\n${link}\n<script>${call}</script>\n\`\`\`\n`;
  const JQUERY = readFileSync(new URL('../../kits/glow/jquery.min.js', import.meta.url), 'utf8');

  it('as a universal module, with an object that holds the selectors', () => {
    const text = `(function (root, factory) {
      if (typeof define === 'function' && define.amd) define([], factory);
      else if (typeof module === 'object' && module.exports) module.exports = factory();
      else root.Ember = factory();
    })(typeof self !== 'undefined' ? self : this, function () {
      function Ember(options) {
        this.set = Object.assign({ gallery: '', speed: 300 }, options);
      }
      return Ember;
    });`;
    const call = "new Ember({ gallery: '.embers' });";
    const draft = draftManifest('Ember', {
      'ember.js': text,
      'manual.md': MANUAL('', '<a class="embers" href="a.jpg"><img src="b.jpg" alt=""></a>', call),
    });
    expect(draft.manifest).toMatchObject({
      files: [{ name: 'ember.js', gives: ['Ember'] }],
      marker: { class: 'embers' },
      start: { way: 'constructor', call: 'Ember', key: 'gallery' },
      options: [{ name: 'speed', type: 'number', without: 300 }],
    });
  });

  it('as a plug-in made small, its base in the download, its manual a page with examples', () => {
    const plugIn = transformSync(
      `(function ($) { $.fn.dim = function (o) { var s = $.extend({ dark: true }, o); return this.each(function () { $(this).data('dimGroup'); }); }; })(jQuery);`,
      { minify: true },
    ).code;
    const example =
      '&lt;a class="dim" href="a.jpg"&gt;x&lt;/a&gt;\n&lt;script&gt;jQuery(function ($) { $(".dim").dim(); });&lt;/script&gt;';
    const draft = draftManifest('Dim', {
      'dim.min.js': plugIn,
      'jquery.js': JQUERY,
      'docs.html': `<h1>Dim</h1><pre><code>${example}</code></pre>`,
    });
    expect(draft.manifest.files.map((file) => [file.name, file.base ?? false])).toEqual([
      ['jquery.js', true],
      ['dim.min.js', false],
    ]);
    expect(draft.manifest).toMatchObject({
      marker: { class: 'dim' },
      group: { attribute: 'data-dim-group' },
      start: { way: 'collection', call: 'dim' },
      options: [{ name: 'dark', type: 'switch', without: true }],
    });
    expect(draft.evidence.find(({ field }) => field === 'start')).toMatchObject({ file: 'docs.html' });
  });
});
