/** Names that work here and fail on another computer or host. */
import { describe, expect, it } from 'vitest';
import { asked, siteOf } from '../plans/asked.fixture.ts';
import { findingsOf } from './index.ts';

const PAGE = (href: string) => `<!doctype html><title>T</title><p><a href="${href}"><img src="t.jpg" alt="a"></a>`;

const site = (name: string, href = encodeURIComponent(name)) =>
  siteOf({ 'index.html': PAGE(href), 't.jpg': 't', [name]: 'X' });

const found = (one: ReturnType<typeof siteOf>) => findingsOf(one).filter(({ rule }) => rule === 'name-fails-elsewhere');

describe('a name', () => {
  it.each([
    ['kite.jpg', null],
    ['kite 2.jpg', null],
    ['Löwe & Drachen (3).jpg', null],
    ['what?.jpg', 'what.jpg'],
    ['12:30.jpg', '1230.jpg'],
    ['a "b".jpg', 'a-b.jpg'],
    ['100%.jpg', '100.jpg'],
    ['no #1.jpg', 'no-1.jpg'],
    ['?.jpg', null],
  ])('%s is offered another: %s', (name, to) => {
    const findings = found(site(name));
    const labels = findings.flatMap(({ fixes }) => fixes.map(({ label }) => label));
    expect(labels).toEqual(to === null ? [] : [`Rename it to ${to}`]);
  });

  it('in a folder whose name fails is told by its path, and what was well stays', () => {
    const [finding] = found(siteOf({ 'index.html': PAGE('a'), 'day 1. /Kite A.jpg': 'X' }));
    expect(finding).toMatchObject({
      severity: 'warning',
      says: 'The name day 1. /Kite A.jpg does not work everywhere.',
      fixes: [{ from: 'day 1. /Kite A.jpg', to: 'day-1/Kite A.jpg' }],
    });
  });

  it('that is too long is told, by bytes', () => {
    const long = `${'ä'.repeat(127)}.jpg`;
    expect(found(site(`${'ä'.repeat(125)}.jpg`))).toEqual([]);
    expect(found(site(long)).map(({ why }) => why)).toEqual(['Most hosts take names of at most 255 bytes.']);
    const deep = `${'folder/'.repeat(30)}a.jpg`;
    expect(found(site(deep)).map(({ says }) => says)).toEqual(['The path of a.jpg has 215 characters.']);
  });

  it('that differs from another by capitals alone is an error, told once', () => {
    const both = siteOf({ 'index.html': PAGE('Kite.jpg'), 'kite.jpg': 'X', 'Kite.jpg': 'Y', 't.jpg': 't' });
    const [finding, ...more] = found(both);
    expect(more).toEqual([]);
    expect(finding).toMatchObject({
      severity: 'error',
      says: 'Kite.jpg and kite.jpg differ by capitals alone.',
      fixes: [{ label: 'Rename it to Kite-2.jpg' }],
    });
    const outcome = asked(both, { kind: 'fix', finding: finding?.id ?? '', fix: 0 });
    expect(typeof outcome === 'string' ? outcome : outcome.files['index.html']).toContain('href="Kite-2.jpg"');
  });

  it('is renamed with every reference to it', () => {
    const before = site('no #1.jpg', 'no%20%231.jpg');
    const outcome = asked(before, { kind: 'fix', finding: found(before)[0]?.id ?? '', fix: 0 });
    expect(typeof outcome === 'string' ? outcome : outcome.files['index.html']).toBe(PAGE('no-1.jpg'));
  });
});
