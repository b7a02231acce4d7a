/** A file in which things lie very deep in one another spoils only itself, and that is told. */
import { describe, expect, it } from 'vitest';
import { asked, siteOf } from '../plans/asked.fixture.ts';
import { viewOf } from '../view/index.ts';
import { findingsOf } from './rules.ts';

const DEEP = 100_000;
const GOOD =
  '<link rel="stylesheet" href="a.css"><script src="a.js"></script><ul>\n<li><a href="l/a.jpg"><img src="s/a.jpg" alt="a"></a></li>\n<li><a href="l/b.jpg"><img src="s/b.jpg" alt="b"></a></li>\n</ul>';
const PICTURES = Object.fromEntries(['l/a.jpg', 's/a.jpg', 'l/b.jpg', 's/b.jpg'].map((path) => [path, path]));

const CASES: [string, string, boolean][] = [
  ['index.html', `<body>${'<div>'.repeat(DEEP)}`, true],
  ['index.html', `<body>${'<b>'.repeat(DEEP)}x`, true],
  ['index.html', `<body>${'<table><tr><td>'.repeat(DEEP / 3)}x`, true],
  ['index.html', `<body>${'<svg><g>'.repeat(DEEP / 2)}x`, true],
  ['index.html', `<style>${'a{'.repeat(DEEP)}</style><p>x`, false],
  ['index.html', `<script>${'['.repeat(DEEP)}</script><p>x`, false],
  ['a.css', 'a{'.repeat(DEEP), true],
  ['a.css', `a{b:${'('.repeat(DEEP)}`, true],
  ['a.css', '@media print{'.repeat(DEEP), true],
  ['a.js', '('.repeat(DEEP), false],
  ['a.js', '{'.repeat(DEEP), false],
  ['heathmoor.json', '['.repeat(DEEP), false],
  ['a.svg', '<g>'.repeat(DEEP), false],
];

describe('what lies deep in one another', () => {
  it.each(CASES)('in %s: %.20s… is told where it is not read, and all else is read', (path, text, told) => {
    const site = siteOf({ ...PICTURES, 'good.html': GOOD, [path]: text });
    const view = viewOf(site);
    expect(view.strands.filter(({ page }) => page === 'good.html')).toHaveLength(2);
    const findings = findingsOf(site).filter(({ rule }) => rule === 'too-deep');
    expect(findings.map(({ place }) => place.path)).toEqual(told ? [path] : []);
  });

  it('is read as far as it goes: what stands before it is worked on as ever', () => {
    const html = `${GOOD}${'<i>'.repeat(DEEP)}`;
    const site = siteOf({ ...PICTURES, 'index.html': html });
    const [strand] = viewOf(site).strands;
    const outcome = asked(site, { kind: 'set-alt', strand: strand?.id ?? '', value: 'kites' });
    expect(outcome).toMatchObject({ files: { 'index.html': html.replace('alt="a"', 'alt="kites"') } });
  });
});
