/** Links to places in pages. */
import { describe, expect, it } from 'vitest';
import { asked, siteOf } from '../plans/asked.fixture.ts';
import { findingsOf } from './index.ts';

const page = (body: string) => `<!DOCTYPE html><html lang="en"><title>x</title><body>${body}`;
const OTHER = page('<h2 id="reels">Reels</h2><a name="old">Old</a><h2 id="grün">Green</h2>');

const found = (body: string, files: Record<string, string> = {}) => {
  const site = siteOf({ 'index.html': page(body), 'sub/other.html': OTHER, ...files });
  return { site, findings: findingsOf(site).filter(({ rule }) => rule === 'anchor-missing') };
};

describe('a link to a place in a page', () => {
  it.each([
    '<a href="#here">x</a><p id="here">y</p>',
    '<a href="#top">x</a><a href="#Top">x</a><a href="#">x</a>',
    '<a href="sub/other.html#reels">x</a><a href="sub/other.html#old">x</a>',
    '<a href="sub/other.html#gr%C3%BCn">x</a><a href="sub/other.html#grün">x</a>',
    '<a href="#!/route">x</a><a href="#/route">x</a><a href="#:~:text=words">x</a>',
    '<a href="gone.html#reels">x</a><a href="https://other.example/#reels">x</a>',
    '<base href="sub/other.html"><a href="#reels">x</a>',
    '<?php echo $reels ?><a href="#made-there">x</a>',
  ])('is found: %s', (body) => {
    expect(found(body).findings).toEqual([]);
  });

  it('is told where no element has that id, on the page or on another', () => {
    const { findings } = found('<a href="#ther">x</a>\n<map><area href="sub/other.html#nowhere"></map>');
    expect(findings.map(({ says, severity, place }) => [says, severity, place.line])).toEqual([
      ['The link to #ther finds no element of that id in this page.', 'warning', 1],
      ['The link to #nowhere finds no element of that id in sub/other.html.', 'warning', 2],
    ]);
  });

  it('is corrected where the id differs in capitals alone, and the file before it stays', () => {
    const { site, findings } = found('<a href="./sub/other.html?a=1#Reels">x</a>');
    expect(findings[0]?.fixes.map(({ label }) => label)).toEqual(['Write #reels']);
    expect(asked(site, { kind: 'fix', finding: findings[0]?.id ?? '', fix: 0 })).toMatchObject({
      files: { 'index.html': page('<a href="./sub/other.html?a=1#reels">x</a>') },
    });
    expect(found('<a href="#A">x</a><p id="a">y</p><p id="Á">y</p>').findings[0]?.fixes).toHaveLength(1);
  });
});
