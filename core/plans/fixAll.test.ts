/** Many fixes as one change: the same comes of it as of each of them by itself. */
import { describe, expect, it } from 'vitest';
import { findingsOf, isCertain } from '../checks/index.ts';
import { readSite, type SiteReading } from '../model/index.ts';
import { applyChange, type FileContent, NOTES_FILE } from '../site/index.ts';
import { asked, siteOf } from './asked.fixture.ts';
import { planFor } from './plan.ts';

const PAGE = [
  '<!DOCTYPE html>',
  '<html lang="en"><head><meta charset="utf-8"><title>Reels</title></head>',
  '<body><p><a href="www.mere.example">Mere</a>',
  '<ul><li><a href="large/Reel.jpg"><img src="small/reel.jpg" srcset="" alt="A reel"></a>',
  '<li><a href="large/line.jpg"><img src="small/line.jpg" srcset="" alt="A line"></a>',
  '<li><a href="large/knot.jpg"><img src="small/Knot.jpg" alt="A knot"></a></ul></body></html>',
  '',
].join('\r\n');

const FILES = {
  'index.html': PAGE,
  'more.html': PAGE.replaceAll('Reels', 'More reels').replace('Knot', 'knot'),
  'small/reel.jpg': 'a',
  'small/line.jpg': 'b',
  'small/knot.jpg': 'c',
  'large/reel.jpg': 'd',
  'large/line.jpg': 'e',
  'large/knot.jpg': 'f',
};

const certainIn = (site: SiteReading) => findingsOf(site).filter(isCertain);

const contents = (site: SiteReading): Map<string, FileContent> =>
  new Map([...site.files, ...(site.notes.file ? [[NOTES_FILE, site.notes.file] as const] : [])]);

/** One fix after the other, as somebody would press them. */
function oneByOne(site: SiteReading): SiteReading {
  let now = site;
  for (const { id } of certainIn(site).reverse()) {
    if (!findingsOf(now).some((finding) => finding.id === id)) continue;
    const planned = planFor(now, { kind: 'fix', finding: id, fix: 0 });
    const applied = planned.ok ? applyChange(contents(now), planned.change) : planned;
    if (applied.ok) now = readSite(applied.files, new Map(), []);
  }
  return now;
}

describe('all certain fixes', () => {
  it('come to what they come to one by one, in one change', () => {
    const site = siteOf(FILES);
    const findings = certainIn(site);
    expect(new Set(findings.map(({ rule }) => rule))).toEqual(
      new Set(['case-differs', 'scheme-missing', 'srcset-empty', 'viewport-missing']),
    );
    const planned = planFor(site, { kind: 'fix-all', findings: findings.map(({ id }) => id) });
    if (!planned.ok) throw new Error(planned.reason);
    const applied = applyChange(contents(site), planned.change);
    if (!applied.ok) throw new Error(applied.reason);
    const wanted = oneByOne(site);
    expect(Object.fromEntries(applied.files)).toEqual(Object.fromEntries(contents(wanted)));
    expect(certainIn(readSite(applied.files, new Map(), []))).toEqual([]);
    // Undone at one stroke.
    const undone = applyChange(applied.files, applied.inverse);
    expect(undone.ok && Object.fromEntries(undone.files)).toEqual(Object.fromEntries(contents(site)));
  });

  it('are small edits, and say how many they are', () => {
    const site = siteOf(FILES);
    const findings = certainIn(site).filter(({ rule }) => rule === 'srcset-empty');
    const outcome = asked(site, { kind: 'fix-all', findings: findings.map(({ id }) => id) });
    expect(outcome).toMatchObject({
      label: `Fix ${findings.length} findings`,
      files: { 'index.html': PAGE.replaceAll(' srcset=""', '') },
    });
  });

  it('pass over what another has mended, and refuse where nothing is left', () => {
    const site = siteOf(FILES);
    const [first] = certainIn(site);
    const ids = [first?.id ?? '', first?.id ?? '', 'gone'];
    expect(asked(site, { kind: 'fix-all', findings: ids })).toMatchObject({ label: 'Fix 1 finding' });
    expect(asked(site, { kind: 'fix-all', findings: ['gone'] })).toBe(
      'These findings are fixed already, or the pages have changed meanwhile.',
    );
  });

  it('follow a file that they rename', () => {
    const site = siteOf({
      ...FILES,
      'index.html': PAGE,
      'more.html': PAGE.replace('<title>', '<link rel="stylesheet" href="CSS/a.css"><title>'),
      'css/a.css': 'a { color: red }',
    });
    const planned = planFor(site, { kind: 'fix-all', findings: certainIn(site).map(({ id }) => id) });
    const applied = planned.ok ? applyChange(contents(site), planned.change) : planned;
    if (!applied.ok) throw new Error(applied.reason);
    expect(Object.fromEntries(applied.files)).toEqual(Object.fromEntries(contents(oneByOne(site))));
  });
});

describe('a finding that is to stay', () => {
  it('is set aside with its reason, and brought back', () => {
    const site = siteOf(FILES);
    expect(asked(site, { kind: 'set-aside', finding: 'a', reason: ' meant so ' })).toMatchObject({
      notes: { setAside: [{ finding: 'a', reason: 'meant so' }] },
    });
    const aside = siteOf(FILES, {
      notes: {
        setAside: [
          { finding: 'a', reason: 'x' },
          { finding: 'b', reason: 'y' },
        ],
      },
    });
    expect(asked(aside, { kind: 'set-aside', finding: 'a', reason: null })).toMatchObject({
      notes: { setAside: [{ finding: 'b', reason: 'y' }] },
    });
    expect(asked(aside, { kind: 'set-aside', finding: 'b', reason: 'z' })).toMatchObject({
      notes: {
        setAside: [
          { finding: 'a', reason: 'x' },
          { finding: 'b', reason: 'z' },
        ],
      },
    });
    expect(asked(site, { kind: 'set-aside', finding: 'a', reason: '  ' })).toBe(
      'Say why the finding is to stay as it is.',
    );
  });
});
