/** An element that is never closed is made again in the paragraphs that follow (WHATWG HTML §13.2.4.3). */
import { describe, expect, it } from 'vitest';
import { siteOf } from '../plans/asked.fixture.ts';
import { applyChange } from '../site/index.ts';
import { renameFile } from './renamedFiles.ts';

describe('an address', () => {
  it.each([
    '<p><a href="l/a.jpg"><img src="s/a.jpg" alt=""></p><p>words</p><p>more</p>',
    '<b style="background: url(l/a.jpg)"><p>one</b> two',
    '<p><a href="l/a.jpg" style="background: url(l/a.jpg)">one<a href="l/a.jpg">two</p>',
  ])('is written anew where it stands, and once: %s', (html) => {
    const site = siteOf({ 'index.html': html, 'l/a.jpg': 'a', 's/a.jpg': 'b' });
    const applied = applyChange(site.files, renameFile(site, 'l/a.jpg', 'l/b.jpg'));
    expect(applied.ok && applied.files.get('index.html')).toEqual({
      kind: 'text',
      text: html.replaceAll('l/a.jpg', 'l/b.jpg'),
    });
  });
});
