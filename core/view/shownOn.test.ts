import { expect, it } from 'vitest';
import { siteOf } from '../plans/asked.fixture.ts';
import { pagesShowing } from './shownOn.ts';

it('pictures stand on a page in a gallery, beside its words, behind it, and as one of several sizes', () => {
  const site = siteOf({
    'a.jpg': 'A',
    'b.jpg': 'B',
    'c.jpg': 'C',
    'd.jpg': 'D',
    'e.png': 'E',
    'f g.jpg': 'F',
    'unused.jpg': 'U',
    'icon.png': 'I',
    'one.html':
      '<link rel="icon" href="icon.png"><body background=e.png><p>Words <img src="a.jpg" alt=""> <a href="f%20g.jpg?x#y">f</a></p>',
    'sub/two.html':
      '<picture><source srcset="../b.jpg 1x, ../c.jpg 2x"><img src="../a.jpg" alt=""></picture><video poster="../d.jpg"></video><p>unused.jpg</p>',
  });
  expect(Object.fromEntries(pagesShowing(site))).toEqual({
    'a.jpg': ['one.html', 'sub/two.html'],
    'b.jpg': ['sub/two.html'],
    'c.jpg': ['sub/two.html'],
    'd.jpg': ['sub/two.html'],
    'e.png': ['one.html'],
    'f g.jpg': ['one.html'],
  });
});
