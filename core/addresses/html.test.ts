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
