import { describe, expect, it } from 'vitest';
import { parsePage, textOf, valueOf } from '../markup/index.ts';
import { siteOf } from '../plans/asked.fixture.ts';
import { type Reported, reportOf } from './report.ts';
import { viewOf } from './siteView.ts';

const PAGE = '<!DOCTYPE html><html lang="en"><title>x</title><body><a href="#gone">x</a><a href="www.a.example">y</a>';
const WHOLE = { bytes: 5400, files: 2 };

function reported(notes = {}, checked: Partial<Reported> = {}) {
  const view = viewOf(siteOf({ 'a & b.html': PAGE, 'other.html': PAGE }, { notes }));
  const alone = '<p title="x">"Reels" & more</p><script>alert(1)</script>';
  const said = { site: 'Kites <b>', page: 'a & b.html', date: '30 Nov 2026', alone, whole: WHOLE };
  const text = reportOf(view, { ...said, validity: [], accessibility: null, ...checked });
  const page = parsePage(text);
  const all = (tag: string) => page.elements.filter((element) => element.tag === tag);
  return { text, view, alone, all };
}

describe('a report of a page', () => {
  it('says what was found on the page, where, and how much elsewhere', () => {
    const { view, all } = reported();
    const own = view.findings.filter(({ place }) => place.path === 'a & b.html');
    expect(own.length).toBeGreaterThan(1);
    const found = all('li').filter((one) => one.parent?.tag === 'ol');
    expect(found.map(textOf)).toHaveLength(own.length);
    for (const [n, { says }] of own.entries()) expect(textOf(found[n]!)).toContain(says);
    expect(all('p').map(textOf).join('\n')).toContain(
      `${view.findings.length - own.length} more findings on other pages`,
    );
    expect(all('header').map(textOf).join('')).toMatch(
      /Kites <b>[\s\S]*a & b\.html[\s\S]*It loads 5\.4 kB in 2 files\./,
    );
  });

  it('says what checkers of HTML and of accessibility say, or that one could not look', () => {
    expect(reported().text).toContain('<p>The page lets no checker in.</p>');
    const validity = [{ line: 4, says: 'End tag for <br> must be omitted' }];
    const accessibility = [{ says: 'Images must have alternative text', places: 2 }];
    const { text } = reported({}, { validity, accessibility });
    expect(text).toContain('<li>End tag for &lt;br&gt; must be omitted <code>line 4</code></li>');
    expect(text).toContain('<li>Images must have alternative text <code>2 places</code></li>');
    expect(reported({}, { accessibility: [] }).text).toContain('<p>Nothing was found.</p>');
  });

  it('lists every check, and what was left with its reason', () => {
    const id = reported().view.findings.find(({ place }) => place.path === 'a & b.html')?.id ?? '';
    const { view, all, text } = reported({ setAside: [{ finding: id, reason: 'The <club> wants it so' }] });
    const listed = all('ul').find((one) => valueOf(one, 'class') === 'checked');
    expect(listed?.children).toHaveLength(view.checked.length);
    expect(text).toContain('The &lt;club&gt; wants it so');
  });

  it('shows the page at three widths in frames in which nothing runs', () => {
    const { all, alone } = reported();
    const frames = all('iframe');
    expect(frames.map((frame) => valueOf(frame, 'title'))).toEqual([
      'a & b.html at 390 px',
      'a & b.html at 768 px',
      'a & b.html at 1280 px',
    ]);
    for (const frame of frames) {
      expect(valueOf(frame, 'sandbox')).toBe('');
      expect(valueOf(frame, 'srcdoc')).toBe(alone);
    }
    expect(all('script')).toEqual([]);
  });
});
