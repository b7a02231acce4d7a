/**
 * What ships in a kit's folder: its manifest, its README with every option, its weight, and what can be read out of
 * its scripts.
 */
import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import {
  argumentName,
  markerSelector,
  readManifest,
  readScript,
  scriptsOf,
  withManual,
} from '../../core/wiring/index.ts';
import { KITS, VIEWERS } from '../kits.ts';

const KB = 1024;
/** Bytes of script and style together, without their comments, compressed. */
const MOST: Record<string, number> = { lightbox: 11 * KB, slideshow: 9 * KB, opening: 5 * KB };
const withoutComments = (text: string): string => text.replace(/\/\*[^]*?\*\//g, '').replace(/(^|\s)\/\/ .*$/gm, '');

describe.each(KITS.map((kit) => [kit.manifest.name, kit] as const))('the %s', (name, { manifest, files, kind }) => {
  const home = new URL(`../../${kind === 'viewer' ? 'viewers' : 'kits'}/${name}/`, import.meta.url);
  const readme = readFileSync(new URL('README.md', home), 'utf8');
  const readings = () =>
    scriptsOf(manifest).map((file) => ({
      file,
      reading: readScript(files[file.name] ?? '', file.module ? 'module' : 'script'),
    }));

  it('says in its README how it is marked, grouped and started, and each option with what holds without it', () => {
    const { attribute, element } = manifest.marker;
    const tag = element === undefined ? null : `<${element}>`;
    expect(readme).toContain(attribute ?? tag ?? `class="${manifest.marker.class}"`);
    if (manifest.start) expect(readme).toContain(`${manifest.start.call}(`);
    for (const option of manifest.options) {
      const row = readme
        .split('\n')
        .find(
          (line) =>
            line.startsWith('|') &&
            (line.includes(`\`${manifest.prefix}${option.name}=`) || line.includes(`{ ${argumentName(option.name)}:`)),
        );
      expect(row, option.name).toBeDefined();
    }
    for (const file of manifest.files) expect(readme).toContain(file.name);
  });

  it('gives and needs what its manifest says, read by acorn', () => {
    for (const { file, reading } of readings()) {
      if (!reading.ok) throw new Error(`${file.name}: ${reading.reason}`);
      const gives = file.module ? reading.exports.names : reading.gives;
      const needs = [
        ...reading.needs.map((one) => one.name),
        ...reading.imports.flatMap(({ exported }) => exported ?? []),
      ];
      expect(gives.map((one) => one.name).sort(), file.name).toEqual([...file.gives].sort());
      expect([...new Set(needs)].sort(), file.name).toEqual([...file.needs].sort());
    }
  });

  it('speaks of its marker in its own script', () => {
    const text = readings()
      .map(({ file }) => files[file.name])
      .join('\n');
    const { attribute, element } = manifest.marker;
    expect(text).toContain(attribute ?? element ?? manifest.start?.call ?? `.${manifest.marker.class}`);
    expect(markerSelector(manifest)).not.toBeNull();
  });

  it('needs no file of anybody else and no network', () => {
    const bases = new Set(manifest.files.filter(({ base }) => base).map((file) => file.name));
    const own = Object.entries(files).filter(([file]) => !bases.has(file));
    for (const [, text] of own)
      expect(text).not.toMatch(
        /https?:\/\/(?!kites\.example|www\.w3\.org\/2000\/svg)|@import|\bimport\s*\(|XMLHttpRequest|eval\(/,
      );
  });
});

describe.each(VIEWERS.map((kit) => [kit.manifest.name, kit] as const))('the viewer %s', (name, { manifest, files }) => {
  it('is no heavier than promised', () => {
    const most = MOST[name] ?? 4.5 * KB;
    const bytes = gzipSync(withoutComments(Object.values(files).join('')), { level: 9 }).length;
    expect(bytes, `${bytes} of ${most} bytes`).toBeLessThanOrEqual(most);
  });

  it('reads every option that its manifest names, in the markup and in a call', () => {
    const script = files[`${name}.js`] ?? '';
    for (const option of manifest.options)
      if (!['description', 'text', 'caption'].includes(option.name))
        expect(script, option.name).toMatch(new RegExp(`\\b${option.name}\\b`));
  });

  it('has a README that says of its options what the manifest says', () => {
    const readme = readFileSync(new URL(`../../viewers/${name}/README.md`, import.meta.url), 'utf8');
    expect(withManual(readme, manifest)).toBe(readme);
  });

  it('has a page that shows it, with every attribute that it knows', () => {
    const page = readFileSync(new URL(`../../viewers/${name}/example.html`, import.meta.url), 'utf8');
    expect(page).toContain(`src="${name}.js" defer`);
    expect(page).toContain(manifest.marker.attribute);
  });
});

describe('a manifest', () => {
  const good = {
    name: 'kite',
    title: 'Kite',
    files: [{ name: 'kite.js', role: 'script' }],
    folder: 'js',
    marker: { attribute: 'data-kite' },
  };

  it('is read with what it leaves out filled in', () => {
    const read = readManifest(good);
    expect(read.ok && read.manifest).toMatchObject({
      does: 'overlay',
      place: 'head',
      marker: { on: 'link', value: '' },
      counter: false,
      options: [],
    });
  });

  it.each<[string, object, RegExp]>([
    ['a folder above the site', { folder: '../js' }, /^kit\.json, folder: /],
    ['a file with a path', { files: [{ name: '../../x.js', role: 'script' }] }, /files\.0\.name/],
    ['no script', { files: [{ name: 'x.css', role: 'style' }] }, /at least one script/],
    ['attribute and class at once', { marker: { attribute: 'data-x', class: 'x' } }, /not two of them/],
    ['nothing that marks a link', { marker: {} }, /would find nothing/],
    ['a group in a class', { marker: { class: 'x' }, group: { in: 'marker' } }, /only an attribute/],
    ['a global that is none', { start: { call: 'a b' } }, /start\.call/],
    ['a word that is unknown', { colour: 'red' }, /colour/],
  ])('%s is told with its place', (_, change, reason) =>
    expect(readManifest({ ...good, ...change })).toEqual({ ok: false, reason: expect.stringMatching(reason) }),
  );
});
