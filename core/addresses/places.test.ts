/** Every place where an address can stand: written anew, or told; never missed, never spoilt. */
import { describe, expect, it } from 'vitest';
import { ledBy } from '../model/index.ts';
import { planFor } from '../plans/index.ts';
import { siteOf } from '../plans/asked.fixture.ts';
import { applyChange, extensionOf } from '../site/index.ts';
import { type Place, PLACES } from './places.fixture.ts';

const FROM = 'l/a b.jpg';
const TO = 'm/c&d.jpg';

/** What may stand before a place in a file of each kind, with line breaks and letters that are written longer. */
const BEFORE: Readonly<Record<string, string>> = {
  html: '<!DOCTYPE html>\n<p>caf&eacute; &amp;\nmore</p>\n',
  css: '/* café */\n@media screen {}\n',
  js: '// café\nvar before = "caf\\u00e9 \\\n more";\n',
  md: '# Café\n\nwords &amp; words\n\n',
  xml: '<?xml version="1.0"?>\n<!-- café &amp; -->\n',
  svg: '<?xml version="1.0"?>\n<!-- café &amp; -->\n',
};

const VARIANTS: [name: string, text: (place: Place, own: string) => string][] = [
  ['alone', (_place, own) => own],
  ['behind other lines', ({ path }, own) => `${BEFORE[extensionOf(path)] ?? '\n'}${own}\n`],
  ['on lines of Windows', ({ path }, own) => `${BEFORE[extensionOf(path)] ?? '\n'}${own}\n`.replaceAll('\n', '\r\n')],
  ['behind a byte order mark', (_place, own) => `\uFEFF${own}`],
];

function renamed(place: Place, text: string) {
  const files = { ...place.more, [place.path]: text, [FROM]: 'a', 'l/other.jpg': 'o' };
  const site = siteOf(files);
  const planned = planFor(site, { kind: 'rename', from: FROM, to: TO });
  if (!planned.ok) throw new Error(planned.reason);
  const applied = applyChange(site.files, planned.change);
  if (!applied.ok) throw new Error(applied.reason);
  const now = applied.files.get(place.path);
  return { text: now?.kind === 'text' ? now.text : null, named: planned.named ?? [] };
}

describe.each(VARIANTS)('a name %s', (_variant, textOf) => {
  it.each(PLACES.filter(({ after }) => after !== undefined).map((place) => [place.path, place.name, place] as const))(
    'in %s as %s is written anew',
    (_path, _name, place) => {
      expect(renamed(place, textOf(place, place.before))).toEqual({
        text: textOf(place, place.after ?? ''),
        named: [],
      });
    },
  );

  it.each(PLACES.filter(({ after }) => after === undefined).map((place) => [place.path, place.name, place] as const))(
    'in %s as %s is told and left',
    (_path, _name, place) => {
      const text = textOf(place, place.before);
      const outcome = renamed(place, text);
      expect(outcome.text).toBe(text);
      expect(outcome.named).toMatchObject([{ path: place.path }]);
      const [{ start, name, line } = { start: 0, name: '', line: 0 }] = outcome.named;
      expect(text.slice(start, start + name.length)).toBe(name);
      expect(text.split('\n')[line - 1]).toContain(name);
    },
  );
});

it('are many', () => expect(PLACES.length).toBeGreaterThan(100));

/** The files to which the addresses of a page lead, in their order. */
function ledFrom(site: ReturnType<typeof siteOf>, path: string): string[] {
  return (site.addresses.get(path) ?? []).flatMap((address) => ledBy(address, path, site)?.real ?? []);
}

describe('a page that is moved to another folder', () => {
  const pages = PLACES.filter(({ path, after, before }) => path === 'index.html' && after && !before.includes('"/l'));
  const others = { [FROM]: 'a', 'l/other.jpg': 'o', 'js/own.js': '' };

  it.each(pages.map(({ name, before }) => [name, before] as const))('leads by %s to the same file', (_name, before) => {
    const site = siteOf({ 'index.html': `${before}<a href="index.html#x">x</a>`, ...others });
    const planned = planFor(site, { kind: 'rename', from: 'index.html', to: 'sub/deep/index.html' });
    if (!planned.ok) throw new Error(planned.reason);
    const applied = applyChange(site.files, planned.change);
    if (!applied.ok) throw new Error(applied.reason);
    const text = (path: string) => {
      const file = applied.files.get(path);
      return file?.kind === 'text' ? file.text : '';
    };
    const now = siteOf({ 'sub/deep/index.html': text('sub/deep/index.html'), ...others });
    expect(ledFrom(site, 'index.html')).toContain(FROM);
    expect(ledFrom(now, 'sub/deep/index.html')).toEqual(
      ledFrom(site, 'index.html').map((path) => path.replace('index.html', 'sub/deep/index.html')),
    );
  });

  it('keeps its base', () => {
    const site = siteOf({ 'a/index.html': '<base href="../"><a href="l/a%20b.jpg">x</a>', ...others });
    expect(ledFrom(site, 'a/index.html')).toEqual([FROM]);
    const planned = planFor(site, { kind: 'rename', from: 'a/index.html', to: 'a/b/c/index.html' });
    const applied = planned.ok && applyChange(site.files, planned.change);
    expect(applied && applied.ok && applied.files.get('a/b/c/index.html')).toEqual({
      kind: 'text',
      text: '<base href="../../../"><a href="l/a%20b.jpg">x</a>',
    });
  });
});
