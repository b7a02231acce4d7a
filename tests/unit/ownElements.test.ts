/** Elements of a viewer's own around each link; and what may come along with a download's style. */
import { describe, expect, it } from 'vitest';
import { findingsOf } from '../../core/checks/index.ts';
import { readSite } from '../../core/model/index.ts';
import { planFor, styleFilesIn } from '../../core/plans/index.ts';
import { applyChange, type FileContent, NOTES_FILE } from '../../core/site/index.ts';
import { readManifest, type Kit } from '../../core/wiring/index.ts';
import { FACTS, NAMES, wiredPage } from '../wiring/faults.fixture.ts';

function frames(): Kit {
  const read = readManifest({
    name: 'frames',
    title: 'Frames',
    files: [{ name: 'frames.js', role: 'script' }],
    folder: 'frames',
    marker: { element: 'kite-frame' },
    counter: true,
  });
  if (!read.ok) throw new Error(read.reason);
  const files = { 'frames.js': "customElements.define('kite-frame', class extends HTMLElement {});" };
  return { manifest: read.manifest, files, kind: 'practice' };
}

const siteOf = (page: string, more: Record<string, string> = {}) =>
  new Map<string, FileContent>([
    ['index.html', { kind: 'text', text: page }],
    ...Object.entries(more).map(([path, text]): [string, FileContent] => [path, { kind: 'text', text }]),
    ...NAMES.flatMap((name) => [`small/${name}.jpg`, `large/${name}.jpg`]).map((path): [string, FileContent] => [
      path,
      { kind: 'binary', hash: path, bytes: 1 },
    ]),
  ]);

describe('an element around each link', () => {
  const kit = frames();
  const read = (files: ReadonlyMap<string, FileContent>) => readSite(files, FACTS, [kit]);
  const wired = () => {
    const files = siteOf(wiredPage('none'));
    const planned = planFor(read(files), { kind: 'wire', page: 'index.html', kit: 'frames' });
    const applied = planned.ok ? applyChange(files, planned.change) : null;
    if (!applied?.ok) throw new Error('it cannot be wired');
    return applied.files;
  };
  const found = (files: ReadonlyMap<string, FileContent>) =>
    findingsOf(read(files)).filter(({ station }) => station === 'wiring');

  it('is whole as it is written', () => expect(found(wired())).toEqual([]));

  it('is missed where one link has none, and comes around it', () => {
    const page = wired().get('index.html');
    const text = page?.kind === 'text' ? page.text : '';
    const faulty = text.replace(/<kite-frame>(<a href="large\/mere.*?<\/a>)<\/kite-frame>/, '$1');
    expect(faulty).not.toBe(text);
    const files = new Map(wired()).set('index.html', { kind: 'text', text: faulty });
    const [finding, ...more] = found(files);
    expect(more).toEqual([]);
    expect(finding?.says).toBe('This link has no <kite-frame> around it; 3 of its neighbours have.');
    const planned = planFor(read(files), { kind: 'fix', finding: finding?.id ?? '', fix: 0 });
    const mended = planned.ok ? applyChange(files, planned.change) : null;
    const after = mended?.ok ? mended.files.get('index.html') : undefined;
    expect(after?.kind === 'text' && after.text).toBe(text);
  });
});

describe('what comes along with a style', () => {
  const styles = {
    'kite/css/kite.css': `
      .a { background: url(../images/arrow.png) }
      .b { background: url("dot.svg?v=2") }
      .c { background: url(../heathmoor.json) }
      .d { background: url(../index.html) }
      .e { background: url(https://code.example/far.png) }
      .f { background: url(none.png) }
      @font-face { font-family: k; src: url('../fonts/k.woff2') format('woff2') }`,
  };
  const paths = ['images/arrow.png', 'css/dot.svg', 'heathmoor.json', 'index.html', 'fonts/k.woff2', 'other.png'].map(
    (path) => `kite/${path}`,
  );

  it('is what it shows and what is there, and nothing else', () => {
    expect(styleFilesIn(styles, paths)).toEqual([
      { style: 'kite.css', address: '../images/arrow.png', path: 'kite/images/arrow.png' },
      { style: 'kite.css', address: 'dot.svg?v=2', path: 'kite/css/dot.svg' },
      { style: 'kite.css', address: '../fonts/k.woff2', path: 'kite/fonts/k.woff2' },
    ]);
  });

  it('stands where the style looks for it, beside what is there already', () => {
    const manifest = readManifest({
      name: 'kite',
      title: 'Kite',
      files: [
        { name: 'kite.css', role: 'style' },
        { name: 'kite.js', role: 'script' },
      ],
      folder: 'lib/kite',
      marker: { attribute: 'data-kite' },
    });
    if (!manifest.ok) throw new Error(manifest.reason);
    const content = (n: number): FileContent => ({ kind: 'binary', hash: `h${n}`, bytes: n });
    const planned = planFor(readSite(siteOf(wiredPage('none'), { 'lib/kite/there.png': 'own' }), FACTS, []), {
      kind: 'save-kit',
      manifest: manifest.manifest,
      files: { 'kite.css': '', 'kite.js': '' },
      brought: [
        { style: 'kite.css', address: '../images/arrow.png', content: content(1) },
        { style: 'kite.css', address: 'there.png', content: content(2) },
        { style: 'kite.css', address: '../../heathmoor.json', content: { kind: 'text', text: '{}' } },
        { style: 'kite.css', address: '../../../away.png', content: content(3) },
      ],
    });
    if (!planned.ok) throw new Error(planned.reason);
    const put = planned.change.files.flatMap((file) =>
      file.kind === 'put' && file.path !== NOTES_FILE ? [[file.path, file.after]] : [],
    );
    expect(Object.fromEntries(put)).toEqual({
      'lib/kite/kite.css': { kind: 'text', text: '' },
      'lib/kite/kite.js': { kind: 'text', text: '' },
      'lib/images/arrow.png': content(1),
    });
  });
});
