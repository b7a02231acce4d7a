/** What only a whole site has, and what is one matter on many pages. */
import { describe, expect, it } from 'vitest';
import { asked, linked, listPage, outcomeOf, PICTURES, siteOf } from '../plans/asked.fixture.ts';
import type { PhotoFacts } from '../photo/index.ts';
import { findingsOf } from './index.ts';

type Site = ReturnType<typeof siteOf>;
const found = (site: Site, rule: string) => findingsOf(site).filter((finding) => finding.rule === rule);
const page = (head: string, body = '') =>
  listPage([linked('a'), linked('b')])
    .replace('<title>', `${head}<title>`)
    .replace('<body>', `<body>${body}`);
const mended = (site: Site, rule: string, label: string) => {
  const [finding] = found(site, rule);
  const fix = finding?.fixes.findIndex((one) => one.label === label) ?? -1;
  const outcome = asked(site, { kind: 'fix', finding: finding?.id ?? '', fix });
  if (typeof outcome === 'string') throw new Error(outcome);
  return outcome.files;
};

const VIEWPORT = '<meta name="viewport" content="width=device-width, initial-scale=1">';

describe('the viewport tag', () => {
  const site = siteOf({
    ...PICTURES,
    'index.html': page(''),
    'b.html': page('<meta charset="utf-8">\n'),
    'c.html': page(VIEWPORT),
  });

  it('is missed on all pages as one matter', () => {
    expect(found(site, 'viewport-missing').map(({ says }) => says)).toEqual([
      'index.html and 1 other page have no viewport tag.',
    ]);
  });

  it('is added to each, behind the encoding', () => {
    expect(mended(site, 'viewport-missing', 'Add the viewport tag')).toEqual({
      'index.html': page('').replace('<head>', `<head>${VIEWPORT}`),
      'b.html': page(`<meta charset="utf-8">${VIEWPORT}\n`),
    });
  });
});

describe('a description and an icon', () => {
  it('are missed once', () => {
    const site = siteOf({
      ...PICTURES,
      'index.html': page('<meta name="description" content="Kites">'),
      'b.html': page(''),
    });
    expect(found(site, 'description-missing').map(({ says }) => says)).toEqual(['b.html has no description.']);
    expect(found(site, 'icon-missing')).toMatchObject([{ says: 'The site has no icon.', fixes: [] }]);
  });

  it('are there: in other words, as a file at the root', () => {
    const site = siteOf({
      ...PICTURES,
      'favicon.ico': '',
      'index.html': page('<meta property="og:description" content="Kites">'),
    });
    expect([...found(site, 'description-missing'), ...found(site, 'icon-missing')]).toEqual([]);
  });

  it('are linked where a file looks like one', () => {
    const site = siteOf({ ...PICTURES, 'img/favicon.png': 'i', 'index.html': page('') });
    expect(mended(site, 'icon-missing', 'Link img/favicon.png')['index.html']).toContain(
      '<link rel="icon" href="img/favicon.png">',
    );
  });
});

describe('an icon whose name means something in markup', () =>
  it('is written so that a browser reads it', () => {
    const site = siteOf({ ...PICTURES, 'icon&copy.png': 'i', 'index.html': page('') });
    expect(mended(site, 'icon-missing', 'Link icon&copy.png')['index.html']).toContain('href="icon&amp;copy.png"');
  }));

describe('an entry of the menu that leads nowhere', () => {
  const menu = (folder = '') =>
    `<ul class="menu">\n<li><a href="${folder}index.html">Home</a></li>\n<li><a href="${folder}prints.html">Prints</a></li>\n<li><a href="${folder}b.html">B</a></li>\n</ul>\n`;
  const site = siteOf({
    ...PICTURES,
    'index.html': page('', menu()),
    'b.html': page('', menu()),
    'deep/c.html': page('', menu('../')),
    'prints-2020.html': page(''),
  });

  it('is one matter, and no further one of each page', () => {
    expect(found(site, 'menu-dead-end')).toMatchObject([
      { says: '“Prints” in the menu of 3 pages leads to prints.html, which is not there.' },
    ]);
    expect(found(site, 'file-missing').filter(({ says }) => says.includes('prints'))).toEqual([]);
  });

  it('goes out of every menu', () => {
    const files = mended(site, 'menu-dead-end', 'Remove the entry from 3 menus');
    expect(Object.keys(files)).toEqual(['b.html', 'deep/c.html', 'index.html']);
    for (const text of Object.values(files)) expect(text).not.toContain('Prints');
  });

  it('leads elsewhere, from each page by its own way', () => {
    const files = mended(site, 'menu-dead-end', 'Lead it to prints-2020.html');
    expect(files['index.html']).toContain('<a href="prints-2020.html">Prints</a>');
    expect(files['deep/c.html']).toContain('<a href="../prints-2020.html">Prints</a>');
  });

  it('gets its page, made from one that has the menu', () => {
    const files = mended(site, 'menu-dead-end', 'Create prints.html');
    expect(files['prints.html']).toContain('<title>Prints</title>');
  });
});

describe('a thumbnail of another picture', () => {
  const site = siteOf({ ...PICTURES, 't/a-small.jpg': 'as', 'index.html': page('') });
  const pair = { reviewed: false, restsOn: [], others: [] };
  const pairs = [
    { ...pair, full: 'a.jpg', thumbnail: 't/a.jpg', state: 'another picture', shows: 'b.jpg' },
    { ...pair, full: 'a.jpg', thumbnail: 't/a-small.jpg', state: 'pair' },
  ] as unknown as Site['pairing']['pairs']; // as much of them as the rule looks at
  const other: Site = { ...site, pairing: { ...site.pairing, pairs } };

  it('may be put right at either end, before a file is written over', () => {
    const [finding] = found(other, 'another-picture');
    expect(finding?.fixes.map(({ label }) => label)).toEqual([
      'Show a-small.jpg here',
      'Open b.jpg instead',
      'Create the thumbnail again from a.jpg',
    ]);
    const texts = finding?.fixes.slice(0, 2).map((fix) => {
      const planned = fix.kind === 'change' ? fix.plan() : null;
      const outcome = planned && outcomeOf(other, planned);
      return outcome && typeof outcome !== 'string' ? outcome.files['index.html'] : null;
    });
    expect(texts).toEqual([
      page('').replace('src="t/a.jpg"', 'src="t/a-small.jpg"'),
      page('').replace('href="a.jpg"', 'href="b.jpg"'),
    ]);
  });
});

describe('weight', () => {
  const facts = (width: number, height: number): Partial<PhotoFacts> => ({ width, height });
  const heavy = (bytes: number, width: number, height: number, path = 'a.jpg') => {
    const site = siteOf({ ...PICTURES, 'index.html': page('') }, { facts: { A: facts(width, height) } });
    return { ...site, files: new Map([...site.files, [path, { kind: 'binary' as const, hash: 'A', bytes }]]) };
  };

  it.each([
    [1_200_000, 1365, 1074, 1],
    [1_200_000, 4000, 3000, 0],
    [250_000, 500, 400, 0],
    [400_000, 1365, 1074, 0],
  ])('%i bytes of %i × %i px: %i', (bytes, width, height, count) =>
    expect(found(heavy(bytes, width, height), 'too-heavy')).toHaveLength(count),
  );

  it('is pressed out of the same pixels', () => {
    const [finding] = found(heavy(1_200_000, 1365, 1074), 'too-heavy');
    expect(finding?.fixes).toMatchObject([
      {
        kind: 'picture',
        label: 'Compress the picture',
        tasks: [{ from: 'a.jpg', to: 'a.jpg', size: { width: 1365, height: 1074, format: 'jpeg' } }],
      },
    ]);
  });
});
