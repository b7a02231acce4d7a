/** Letters beyond ASCII on pages that declare another encoding than UTF-8. */
import { describe, expect, it } from 'vitest';
import { findingsOf } from '../checks/index.ts';
import type { SiteReading } from '../model/index.ts';
import { asked, listPage, PICTURES, siteOf } from './asked.fixture.ts';
import type { Intent } from './intent.ts';

const item = (name: string) => `<a href="${name}.jpg"><img src="t/${name}.jpg" alt="Kite"></a>`;
const page = (head: string) =>
  listPage([item('a'), item('b')])
    .replace(/<meta[^>]*>/g, '')
    .replace('<head>', `<head>${head}`);
const LATIN = '<META HTTP-EQUIV="Content-Type" CONTENT="text/html; charset=ISO-8859-1">';
const siteWith = (head: string) => siteOf({ ...PICTURES, 'index.html': page(head) });
/** What changed, by its path. */
function filesAfter(site: SiteReading, intent: Intent): Record<string, string | null> {
  const outcome = asked(site, intent);
  if (typeof outcome === 'string') throw new Error(outcome);
  return outcome.files;
}

const alt = (value: string) => ({ kind: 'set-alt' as const, strand: 'index.html#0.0', value });

describe('a page of ASCII', () => {
  it.each([
    ['that declares Latin 1 gets references', LATIN, 'caf&#233; &#128065; &amp;'],
    ['that declares it in short gets references', '<meta charset=iso-8859-1>', 'caf&#233; &#128065; &amp;'],
    ['that declares UTF-8 gets the letters', '<meta charset="utf-8">', 'café 👁 &amp;'],
    ['that declares UTF-16, which it cannot be, gets the letters', '<meta charset="utf-16">', 'café 👁 &amp;'],
    ['that declares nothing gets the letters', '', 'café 👁 &amp;'],
  ])('%s', (_name, head, written) => {
    const files = filesAfter(siteWith(head), alt('café 👁 &'));
    expect(files).toEqual({ 'index.html': page(head).replace('alt="Kite"', `alt="${written}"`) });
  });

  it('keeps its declaration on a page that is made of it', () => {
    const files = filesAfter(siteWith(LATIN), {
      kind: 'new-page',
      path: 'été.html',
      title: 'Été',
      from: 'index.html',
      pictures: [],
    });
    expect(files['été.html']).toContain('<title>&#201;t&#233;</title>');
  });

  it('whose letters are there already is left in the hands of its author', () => {
    const text = page(LATIN).replace('<body>', '<body>é');
    const files = filesAfter(siteOf({ ...PICTURES, 'index.html': text }), alt('café'));
    expect(files['index.html']).toContain('alt="café"');
  });
});

describe('the check', () => {
  const found = (text: string) =>
    findingsOf(siteOf({ ...PICTURES, 'index.html': text })).filter(({ rule }) => rule === 'charset-unlike');
  const accented = (head: string) => page(head).replace('<body>', '<body>é');

  it.each([
    [page(LATIN), 0],
    [accented('<meta charset="UTF-8">'), 0],
    [`\uFEFF${accented('')}`, 0],
    [accented(LATIN), 1],
    [accented(''), 1],
  ])('is about letters that come out as others', (text, count) => expect(found(text)).toHaveLength(count));

  it('names the declaration, and puts it right', () => {
    const [finding] = found(accented(LATIN));
    expect(finding?.says).toBe('The page is written in UTF-8 and declares ISO-8859-1.');
    const site = siteOf({ ...PICTURES, 'index.html': accented(LATIN) });
    const files = filesAfter(site, { kind: 'fix', finding: finding?.id ?? '', fix: 0 });
    expect(files['index.html']).toBe(accented(LATIN.replace('ISO-8859-1', 'utf-8')));
  });

  it('adds one where there is none', () => {
    const site = siteOf({ ...PICTURES, 'index.html': accented('') });
    const [finding] = found(accented(''));
    const files = filesAfter(site, { kind: 'fix', finding: finding?.id ?? '', fix: 0 });
    expect(files['index.html']).toMatch(/<head>\s*<meta charset="utf-8">/);
  });
});
