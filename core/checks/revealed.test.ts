/** Pictures that are on the page already and appear when another one is pressed: nothing is wrong with those. */
import { describe, expect, it } from 'vitest';
import { listPage, PICTURES, siteOf } from '../plans/asked.fixture.ts';
import { findingsOf } from './index.ts';

const names = ['a', 'b'];
const links = names.map((name) => `<a href="#p-${name}"><img src="t/${name}.jpg" alt="Kite"></a>`);
const panels = names.map((name) => `<div id="p-${name}"><img src="${name}.jpg" alt="Kite"><a href="#">close</a></div>`);
const page = listPage(links).replace('</body>', `${panels.join('\n')}</body>`);

describe('a picture that a link to its id lets appear', () => {
  const site = siteOf({ ...PICTURES, 'index.html': page });

  it('is joined to its thumbnail, in one gallery', () => {
    const strands = site.pages.flatMap((one) => one.strands.flat());
    expect(strands.map(({ thumbnail, full }) => [thumbnail, full])).toEqual(
      names.map((name) => [`t/${name}.jpg`, `${name}.jpg`]),
    );
    expect(strands.flatMap(({ joints }) => joints.find(({ name }) => name === 'link') ?? [])).toMatchObject(
      names.map(() => ({ state: 'whole' })),
    );
  });

  it('may be closed by a link to #, which is a dummy anywhere else', () => {
    expect(findingsOf(site).filter(({ rule }) => rule === 'dummy-link')).toEqual([]);
    const other = siteOf({ ...PICTURES, 'index.html': page.replace('</body>', '<a href="#">More</a></body>') });
    expect(findingsOf(other).filter(({ rule }) => rule === 'dummy-link')).toHaveLength(1);
  });
});
