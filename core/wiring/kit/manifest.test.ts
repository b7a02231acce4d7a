/** What a manifest may say, and what is read off it. Attribute and class names: HTML Living Standard §13.1.2.3. */
import { describe, expect, it } from 'vitest';
import type { FileContent } from '../../site/index.ts';
import {
  argumentName,
  groupAttribute,
  type KitManifest,
  type KitManifestInput,
  markerName,
  markerSelector,
  opensOnClick,
  readManifest,
  scriptsOf,
} from './manifest.ts';
import { ownKits } from './ownKits.ts';

const LEAST = {
  name: 'kite',
  title: 'Kite',
  files: [{ name: 'kite.js', role: 'script' as const }],
  folder: 'js',
  marker: { attribute: 'data-kite' },
};

const FULL = {
  name: 'kite-2',
  title: 't'.repeat(100),
  says: 's'.repeat(300),
  does: 'stage' as const,
  files: [
    { name: 'kite.min.css', role: 'style' as const, base: false, module: false, gives: [], needs: [] },
    { name: 'dot-1.gif', role: 'other' as const, base: false, module: false, gives: [], needs: [] },
    { name: 'kite.js', role: 'script' as const, base: true, module: true, gives: ['kite', '$k_1'], needs: ['wind'] },
  ],
  folder: 'assets/js_2/a-b',
  place: 'end' as const,
  marker: { on: 'gallery' as const, class: '-kite_2', links: 'li > a', value: 'v'.repeat(100) },
  group: { attribute: 'data-set' },
  caption: {
    attribute: 'data-words',
    from: ['attribute' as const, 'alt' as const],
    class: 'words',
    option: 'words',
    description: 'data-more',
  },
  full: { attribute: 'data-src' },
  size: { attribute: 'data-size' },
  classes: { holder: 'kites', item: 'kite', image: '-kite_3' },
  children: true,
  middle: { attribute: 'data-middle' },
  tags: { attribute: 'data-tags' },
  kind: { attribute: 'data-kind', picture: 'picture' },
  container: { attribute: 'data-in', id: 'Place_1-a' },
  start: {
    way: 'method' as const,
    call: '$kite',
    of: 'Kites',
    imported: 'default' as const,
    required: true,
    selector: false,
    takes: ['element' as const, 'list' as const],
    key: 'links',
    items: { option: 'items', without: 'a' },
    then: 'init',
    binds: true,
  },
  counter: true,
  loops: true,
  videos: true,
  prefix: 'data-kite-',
  options: [
    { name: 'show-2', type: 'choice' as const, values: ['a', 'b'], without: 'a', says: 's'.repeat(300) },
    {
      name: 'time',
      title: 'Time',
      type: 'number' as const,
      min: 1,
      max: 9,
      step: 0.5,
      unit: 's',
      without: 5,
      each: true,
      says: '',
    },
  ],
  inherits: true,
  look: [{ property: '--kite-height', title: 'Height', type: 'length' as const, without: '10rem', says: '' }],
  looksAlone: true,
  presets: [{ name: 'b', title: 'B', says: '', options: { 'show-2': 'b' }, look: { '--kite-height': '2rem' } }],
  idle: [{ when: { 'show-2': 'b' }, options: ['time'], says: 'nothing plays' }],
  words: { close: 'Close' },
  apart: ['other'],
};

const read = (change: object): KitManifest => {
  const result = readManifest({ ...LEAST, ...change });
  if (!result.ok) throw new Error(result.reason);
  return result.manifest;
};

describe('a manifest', () => {
  it('is filled up with what it leaves out', () => {
    expect(read({ start: { call: 'kite' } })).toEqual({
      ...LEAST,
      says: '',
      does: 'overlay',
      files: [{ name: 'kite.js', role: 'script', base: false, module: false, gives: [], needs: [] }],
      place: 'head',
      marker: { on: 'link', attribute: 'data-kite', links: 'a', value: '' },
      classes: {},
      caption: { from: [] },
      start: { way: 'function', call: 'kite', required: false, selector: true, takes: ['selector'], binds: false },
      counter: false,
      loops: false,
      videos: false,
      prefix: '',
      options: [],
      inherits: false,
      look: [],
      looksAlone: false,
      presets: [],
      idle: [],
      words: {},
      apart: [],
    });
  });

  it('is kept to the letter where it says everything', () => {
    expect(readManifest(FULL)).toEqual({ ok: true, manifest: FULL });
    for (const does of ['overlay', 'show', 'stage', 'page']) expect(read({ does }).does).toBe(does);
    for (const on of ['link', 'gallery', 'sections']) expect(read({ marker: { on, class: 'a' } }).marker.on).toBe(on);
    for (const type of ['switch', 'number', 'text', 'choice'])
      expect(read({ options: [{ name: 'a', type, without: false, says: '' }] }).options[0]?.type).toBe(type);
    for (const place of ['attribute', 'figure', 'title', 'alt'])
      expect(read({ caption: { from: [place] } }).caption.from).toEqual([place]);
    for (const way of ['function', 'collection', 'constructor'])
      expect(read({ start: { way, call: 'kite' } }).start?.way).toBe(way);
    for (const where of ['marker', 'call', 'gallery'])
      expect(read({ group: { in: where } }).group).toEqual({ in: where });
    expect(read({ options: [{ name: 'a', type: 'number', without: 3, says: '' }] }).options[0]?.without).toBe(3);
  });

  const script = LEAST.files[0];
  const option = { name: 'a', type: 'text', without: '', says: '' };

  it.each<[object, string]>([
    [{ start: { way: 'method', call: 'kite' } }, 'start: the object is needed whose method it is'],
    [{ group: { in: 'brackets' } }, 'marker: a value is needed, before the brackets'],
    [{ marker: { class: 'a' }, group: { in: 'brackets' } }, 'group: only an attribute can carry the group'],
    [{ name: '2kite' }, 'name: small letters, digits and hyphens are needed'],
    [{ name: 'Kite' }, 'name: small letters, digits and hyphens are needed'],
    [{ name: 'kite!' }, 'name: small letters, digits and hyphens are needed'],
    [{ name: 'k'.repeat(61) }, 'name: '],
    [{ title: '' }, 'title: '],
    [{ title: 't'.repeat(101) }, 'title: '],
    [{ says: 's'.repeat(301) }, 'says: '],
    [{ does: 'nothing' }, 'does: '],
    [{ files: [] }, 'files: '],
    [{ files: Array(51).fill(script) }, 'files: '],
    [{ files: [{ ...script, name: '.htaccess' }] }, 'files.0.name: a file’s name without a folder is needed'],
    [{ files: [{ ...script, name: 'a/b.js' }] }, 'files.0.name: a file’s name without a folder is needed'],
    [{ files: [{ ...script, name: 'b.js?' }] }, 'files.0.name: a file’s name without a folder is needed'],
    [{ files: [{ ...script, gives: ['2a'] }] }, 'files.0.gives.0: the name of a global is needed'],
    [{ files: [{ ...script, gives: ['a.b'] }] }, 'files.0.gives.0: the name of a global is needed'],
    [{ files: [{ ...script, needs: [' a'] }] }, 'files.0.needs.0: the name of a global is needed'],
    [{ files: [{ ...script, load: true }] }, 'files.0: '],
    [{ files: [{ name: 'a.css', role: 'style' }] }, 'files: a viewer has at least one script'],
    [{ folder: '/js' }, 'folder: a folder below the site’s root is needed'],
    [{ folder: 'js/' }, 'folder: a folder below the site’s root is needed'],
    [{ folder: '../js' }, 'folder: a folder below the site’s root is needed'],
    [{ folder: 'a//b' }, 'folder: a folder below the site’s root is needed'],
    [{ folder: 'a b' }, 'folder: a folder below the site’s root is needed'],
    [{ place: 'foot' }, 'place: '],
    [
      { marker: {} },
      'marker: an attribute, a class, an element or a start call is needed, or the script would find nothing',
    ],
    [
      { marker: { attribute: 'data-x', class: 'x' } },
      'marker: an attribute, a class or an element marks a link, not two of them',
    ],
    [
      { marker: { class: 'x', element: 'kite-set' } },
      'marker: an attribute, a class or an element marks a link, not two of them',
    ],
    [{ marker: { element: 'kites' } }, 'marker.element: an element’s name with a hyphen is needed'],
    [{ marker: { element: 'kite-set', on: 'sections' } }, 'marker: an element stands around a gallery or a link'],
    [{ start: { call: 'kite', imported: 'named' } }, 'start: only from a module can something be imported'],
    [{ marker: { attribute: 'Data-x' } }, 'marker.attribute: an attribute’s name in small letters is needed'],
    [{ marker: { attribute: 'data x' } }, 'marker.attribute: an attribute’s name in small letters is needed'],
    [{ marker: { class: '2x' } }, 'marker.class: a class name is needed'],
    [{ marker: { class: 'x y' } }, 'marker.class: a class name is needed'],
    [{ marker: { class: '--x' } }, 'marker.class: a class name is needed'],
    [{ marker: { class: 'x', value: 'v'.repeat(101) } }, 'marker.value: '],
    [{ marker: { class: 'x', id: 'x' } }, 'marker: '],
    [{ marker: { class: 'x' }, group: { in: 'marker' } }, 'group: only an attribute can carry the group'],
    [{ group: { attribute: 'data-x', in: 'call' } }, 'group: '],
    [{ caption: { from: ['heading'] } }, 'caption.from.0: '],
    [{ caption: { words: 'x' } }, 'caption: '],
    [{ middle: { attribute: '' } }, 'middle.attribute: an attribute’s name in small letters is needed'],
    [{ middle: { attribute: 'a', size: 1 } }, 'middle: '],
    [{ tags: { attribute: 'a', of: 1 } }, 'tags: '],
    [{ kind: { attribute: 'a' } }, 'kind.picture: '],
    [{ kind: { attribute: 'a', picture: 'p', film: 'f' } }, 'kind: '],
    [{ container: { attribute: 'a', id: '2x' } }, 'container.id: '],
    [{ container: { attribute: 'a', id: 'x y' } }, 'container.id: '],
    [{ container: { attribute: 'a', id: 'x', tag: 'p' } }, 'container: '],
    [{ start: { call: 'a b' } }, 'start.call: the name of a global is needed'],
    [{ start: { call: 'a', when: 'now' } }, 'start: '],
    [{ prefix: 'X-' }, 'prefix: '],
    [{ options: [{ ...option, name: 'Big' }] }, 'options.0.name: '],
    [{ options: [{ ...option, name: 'a b' }] }, 'options.0.name: '],
    [{ options: [{ ...option, says: 's'.repeat(301) }] }, 'options.0.says: '],
    [{ options: [{ ...option, type: 'colour' }] }, 'options.0.type: '],
    [{ options: [{ ...option, without: null }] }, 'options.0.without: '],
    [{ options: [{ ...option, colour: 'px' }] }, 'options.0: '],
    [{ colour: 'red' }, 'top level: '],
  ])('%j is told with its place', (change, reason) => {
    const result = readManifest({ ...LEAST, ...change });
    const said = result.ok ? 'taken' : result.reason;
    if (reason.endsWith(': ')) {
      expect(said.startsWith(`kit.json, ${reason}`), said).toBe(true);
      expect(said.length).toBeGreaterThan(`kit.json, ${reason}`.length + 5);
    } else expect(said).toBe(`kit.json, ${reason}`);
  });

  it('needs no mark where a call chooses', () => {
    expect(read({ marker: {}, start: { call: 'kite' } }).marker).toEqual({ on: 'link', links: 'a', value: '' });
    expect(read({ group: { in: 'marker' } }).group).toEqual({ in: 'marker' });
  });
});

describe('what is read off a manifest', () => {
  const call = { marker: {}, start: { call: 'kite' } };

  it.each<[object, string | null, string]>([
    [{}, 'a[data-kite]', 'data-kite'],
    [{ marker: { attribute: 'rel', value: 'kite' } }, 'a[rel="kite"]', 'rel'],
    [{ marker: { class: 'kite' } }, 'a.kite', 'class “kite”'],
    [{ marker: { on: 'gallery', class: 'kite' } }, '.kite', 'class “kite”'],
    [{ marker: { on: 'sections', attribute: 'data-parts' } }, '[data-parts]', 'data-parts'],
    [call, null, 'kite()'],
  ])('%j is found by %s', (change, selector, name) => {
    expect(markerSelector(read(change))).toBe(selector);
    expect(markerName(read(change))).toBe(name);
  });

  it.each<[object, string | null]>([
    [{}, null],
    [{ group: { attribute: 'data-set' } }, 'data-set'],
    [{ group: { in: 'marker' } }, 'data-kite'],
    [{ group: { in: 'call' } }, null],
    [{ group: { in: 'gallery' } }, null],
  ])('%j names groups in %s', (change, attribute) => expect(groupAttribute(read(change))).toBe(attribute));

  it('who answers a click', () => {
    expect((['overlay', 'stage', 'show', 'page'] as const).map((does) => opensOnClick({ does }))).toEqual([
      true,
      true,
      false,
      false,
    ]);
  });

  it('its scripts, and options as a call names them', () => {
    expect(scriptsOf(read(FULL)).map(({ name }) => name)).toEqual(['kite.js']);
    expect(['show-counter', 'a-2b-c', 'plain'].map(argumentName)).toEqual(['showCounter', 'a2bC', 'plain']);
  });
});

describe('own kits', () => {
  const manifests: KitManifestInput[] = [LEAST, { ...LEAST, name: 'other', folder: 'more/js' }];
  const files = (script: string): Map<string, FileContent> =>
    new Map<string, FileContent>([
      ['js/kite.js', { kind: 'text', text: script }],
      ['more/js/kite.js', { kind: 'binary', hash: 'h', bytes: 1 }],
      ['kite.js', { kind: 'text', text: 'another' }],
    ]);

  it('have their texts from the folder that the manifest names; a manifest that cannot be read is left out', () => {
    const kits = ownKits([...manifests, { name: 'broken' }], files('1'));
    expect(kits.map(({ manifest, files: texts, kind }) => [manifest.name, texts, kind])).toEqual([
      ['kite', { 'kite.js': '1' }, 'own'],
      ['other', {}, 'own'],
    ]);
  });

  it('are the same while manifests and texts are', () => {
    const kits = ownKits(manifests, files('1'));
    expect(ownKits(manifests, files('1'))).toBe(kits);
    const changed = ownKits(manifests, files('2'));
    expect(changed).not.toBe(kits);
    expect(changed[0]?.files).toEqual({ 'kite.js': '2' });
    expect(ownKits(manifests, files('2'))).toBe(changed);
    expect(ownKits([...manifests], files('2'))).not.toBe(changed);
    expect(ownKits(manifests, new Map())[0]?.files).toEqual({});
  });
});
