/** What a parser calls a comment: processing instructions, end tags of nothing, declarations. */
import { describe, expect, it } from 'vitest';
import { parsePage } from '../markup/index.ts';
import { pageAddresses } from './html.ts';

describe('a page with', () => {
  it.each([
    '<?xml version="1.0" encoding="utf-8"?>\n<p>x</p>',
    '<?php echo "<img src=a.jpg>"; ?>',
    '<? <? <img src="a.jpg"> ?>',
    '</ <img src="a.jpg">>',
    '<!ELEMENT <img src="a.jpg">>',
    '<!-- <!-- <?x <a href="a.jpg">x</a> -->',
    '<!---><a href="a.jpg">x</a>',
    `${'<!-- <p '.repeat(400)}a.jpg`,
  ])('%s is read to its end', (text) => {
    for (const { range, value } of pageAddresses(parsePage(text)))
      expect(text.slice(range.start, range.end)).toBe(value);
  });
});

describe('a tag that stands twice', () => {
  it('gives what it says to the first, as a browser does; its addresses are found where they are written', () => {
    const text =
      '\uFEFF<html>\r\n<body>\r\n<!-- <body background="no.png"> --><body bgcolor=white background="img/a&amp;b.png">\r\n<img src="c.png">\r\n<html lang="en" background="x">';
    const found = pageAddresses(parsePage(text)).filter(({ value }) => value === 'img/a&b.png');
    expect(found.map(({ range }) => text.slice(range.start, range.end))).toEqual(['img/a&amp;b.png']);
  });
});
