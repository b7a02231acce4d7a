/** Every place where an address can stand: written anew, or told; never missed, never spoilt. */
import { describe, expect, it } from 'vitest';
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
