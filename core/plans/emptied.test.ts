/** A gallery that was emptied keeps its place, its container and the way in which its items are written. */
import { describe, expect, it } from 'vitest';
import { applyChange, type FileContent, NOTES_FILE } from '../site/index.ts';
import { readSite, type SiteReading } from '../model/index.ts';
import { listPage, PICTURES, siteOf, strandsOf } from './asked.fixture.ts';
import type { Intent } from './intent.ts';
import { planFor } from './plan.ts';

const item = (name: string) =>
  `<a href="${name}.jpg" class="k" title="${name} flies" data-x_y="${name}"><img src='t/${name}.jpg' alt="${name}"></a>`;
const PAGE = listPage(['a', 'b'].map(item), 'Kites')
  .replace('<ul>', '<p>Before</p>\n<ul class="g">')
  .replace('</ul>', '</ul>\n<p>Behind</p>');

/** The site after each intent, as it would be read again. */
function after(site: SiteReading, ...intents: ((site: SiteReading) => Intent)[]): SiteReading {
  return intents.reduce((now, intent) => {
    const planned = planFor(now, intent(now));
    if (!planned.ok) throw new Error(planned.reason);
    const { file } = now.notes;
    const all = new Map<string, FileContent>([...now.files, ...(file ? [[NOTES_FILE, file] as const] : [])]);
    const applied = applyChange(all, planned.change);
    if (!applied.ok) throw new Error(applied.reason);
    return readSite(applied.files, new Map(), []);
  }, site);
}

const textOf = (site: SiteReading, path = 'index.html') => {
  const content = site.files.get(path);
  return content?.kind === 'text' ? content.text : '';
};
const empty = (site: SiteReading): Intent => ({ kind: 'remove-items', strands: strandsOf(site, 'index.html') });
const picture = (name: string) => ({
  thumbnail: `t/${name}.jpg`,
  full: `${name}.jpg`,
  title: `${name} flies`,
  alt: name,
  caption: '',
});
const add =
  (...names: string[]) =>
  (): Intent => ({
    kind: 'add-pictures',
    page: 'index.html',
    gallery: null,
    pictures: names.map(picture),
  });

describe('a gallery that was emptied', () => {
  const site = siteOf({ ...PICTURES, 'index.html': PAGE });

  it('is filled again where it was, as it was written', () => {
    const emptied = after(site, empty);
    expect(textOf(emptied)).toMatch(/<ul class="g">\s*<\/ul>/);
    const filled = after(emptied, add('a', 'b'));
    expect(textOf(filled)).toBe(PAGE);
    expect(filled.notes.known.emptied).toEqual([]);
  });

  it('is told from another, and goes along with its page', () => {
    const renamed = after(site, empty, () => ({ kind: 'rename', from: 'index.html', to: 'kites.html' }));
    expect(renamed.notes.known.emptied.map(({ page }) => page)).toEqual(['kites.html']);
  });

  it('is forgotten where its container is gone or was written into', () => {
    const emptied = after(site, empty);
    const text = textOf(emptied);
    const files = new Map<string, FileContent>([
      ...emptied.files,
      [NOTES_FILE, emptied.notes.file ?? { kind: 'text', text: '' }],
      ['index.html', { kind: 'text', text: text.replace(/<ul class="g">\s*/, '<ul class="g"><li>Words</li>') }],
    ]);
    const filled = after(readSite(files, new Map(), []), add('a', 'b'));
    expect(textOf(filled)).toContain('<div class="pictures">');
    expect(textOf(filled)).toContain('<li>Words</li>');
  });

  const copy = (from: string, path: string) => (): Intent => ({ kind: 'new-page', path, title: 'New', from });

  it('is that of a page made from another without pictures', () => {
    const copied = after(site, copy('index.html', 'new/two.html'));
    expect(textOf(copied, 'new/two.html')).toMatch(/<ul class="g">\s*<\/ul>/);
    const filled = after(copied, () => ({ ...add('a', 'b')(), page: 'new/two.html' }) as Intent);
    expect(textOf(filled, 'new/two.html')).toContain('<ul class="g">\n');
    expect(textOf(filled, 'new/two.html')).toContain(
      `<li>${item('a')
        .replace(/"a\.jpg/, '"../a.jpg')
        .replace(/'t\//, "'../t/")}</li>`,
    );
    expect(textOf(filled)).toBe(PAGE);
  });

  it('is that of a page made from one with an emptied gallery', () => {
    const copied = after(site, empty, copy('index.html', 'two.html'));
    const filled = after(copied, () => ({ ...add('a', 'b')(), page: 'two.html' }) as Intent);
    expect(textOf(filled, 'two.html')).toBe(PAGE.replaceAll('Kites', 'New'));
    expect(filled.notes.known.emptied.map(({ page }) => page)).toEqual(['index.html']);
  });

  it('is one that loses its last item alone, too', () => {
    const one = siteOf({ ...PICTURES, 'index.html': listPage([item('a')]) });
    const emptied = after(one, (now) => ({ kind: 'remove-item', strand: strandsOf(now, 'index.html')[0] ?? '' }));
    expect(emptied.notes.known.emptied).toHaveLength(1);
    expect(textOf(after(emptied, add('a')))).toContain(`<li>${item('a')}`);
  });
});
