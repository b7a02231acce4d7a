import { describe, expect, it } from 'vitest';
import { findingsOf } from '../checks/index.ts';
import { asked, siteOf } from '../plans/asked.fixture.ts';
import { requestsOf } from './pageRequests.ts';
import { savingsOf } from './savings.ts';
import { stretchedOn } from './stretched.ts';

const WINDOW = { width: 1000, height: 800, density: 1 };

const item = (n: number, src: string) => `<li><a href="large/${n}.jpg"><img src="${src}" alt=""></a></li>\n`;
const page = (body: string) =>
  `<!DOCTYPE html><html lang="en"><head><title>x</title></head><body><ul>\n${body}</ul></body></html>`;

const NUMBERS = [1, 2, 3, 4];
const each = <T>(value: (n: number) => [string, T]): Record<string, T> => Object.fromEntries(NUMBERS.map(value));

function weighed(body: string, tops: readonly number[], widths: readonly number[] = []) {
  const files = {
    'p.html': page(body),
    ...each((n) => [`large/${n}.jpg`, `large${n}`]),
    ...each((n) => [`small/${n}.jpg`, `small${n}`]),
  };
  const site = siteOf(files, {
    facts: { ...each((n) => [`large${n}`, { width: 2000 }]), ...each((n) => [`small${n}`, { width: 200 }]) },
    bytes: { ...each((n) => [`large${n}`, 100_000]), ...each((n) => [`small${n}`, 5000]) },
  });
  const [read] = site.pages;
  if (!read) throw new Error('no page');
  const srcs = [...body.matchAll(/src="([^"]+)"/g)].map(([, src = '']) => src);
  const placed = srcs.map((src, n) => ({ src, top: tops[n] ?? 0, bottom: (tops[n] ?? 0) + 100, width: 0 }));
  const shown = srcs.map((src, n) => ({ src, width: widths[n] ?? 200 }));
  const requests = requestsOf(site, 'p.html', { window: WINDOW, placed }) ?? [];
  const all = savingsOf(site, read, requests, { window: WINDOW, placed, shown });
  const webp = all.find(({ kind }) => kind === 'webp');
  return { site, requests, shown, webp, savings: all.filter((one) => one !== webp) };
}

const GALLERY = [1, 2, 3, 4].map((n) => item(n, `small/${n}.jpg`)).join('');

describe('what a page need not load', () => {
  it('lets pictures below the window wait, and counts those that a browser would wait with', () => {
    const { savings } = weighed(GALLERY, [0, 900, 2100, 2200]);
    // The second is below the window, but near it: it may wait, and saves nothing.
    expect(savings).toMatchObject([{ kind: 'lazy', bytes: 10_000, line: 3 }]);
    expect(savings[0]?.kind === 'lazy' && savings[0].elements).toHaveLength(3);
  });

  it('says nothing where all stand in the window, or nobody has looked', () => {
    expect(weighed(GALLERY, [0, 100, 200, 300]).savings).toEqual([]);
    expect(weighed('', []).savings).toEqual([]);
  });

  it('guesses at what WebP would save, each file once, until there are such files', () => {
    expect(weighed(GALLERY + item(1, 'small/1.jpg'), []).webp).toMatchObject({ bytes: 6000, count: 4, made: false });
    expect(weighed('<p>no picture</p>', []).webp).toBeUndefined();
  });

  it('has one made that is shown smaller than anybody would type as a size', () => {
    const { savings } = weighed('<p><img src="small/1.jpg" alt=""></p>', [], [6]);
    expect(savings).toMatchObject([
      { kind: 'smaller', make: { to: 'small/1-12.jpg', size: { width: 12, height: null } } },
    ]);
  });

  it('finds a picture that is shown small, and the smaller file that the site has of it', () => {
    const body = item(1, 'large/1.jpg') + [2, 3, 4].map((n) => item(n, `small/${n}.jpg`)).join('');
    const { savings } = weighed(body, [], [150]);
    expect(savings).toMatchObject([
      { kind: 'smaller', path: 'large/1.jpg', instead: 'small/1.jpg', bytes: 95_000, width: 2000, shown: 150 },
    ]);
  });

  it('says about how much a smaller file would save where there is none that is wide enough', () => {
    const body = item(1, 'large/1.jpg') + [2, 3, 4].map((n) => item(n, `small/${n}.jpg`)).join('');
    const make = { from: 'large/1.jpg', to: 'large/1-500.jpg', size: { width: 500, format: 'jpeg' } };
    // Twice 250 of 2000 px each way: a sixteenth of the bytes is left.
    expect(weighed(body, [], [250]).savings).toMatchObject([{ instead: null, bytes: 93_750, make }]);
    // Less than twice as wide as it is shown is no waste.
    expect(weighed(body, [], [1100]).savings).toEqual([]);
  });

  it('is written as one change that sets these attributes and no others', () => {
    const body = item(1, 'large/1.jpg') + [2, 3, 4].map((n) => item(n, `small/${n}.jpg`)).join('');
    const { site, savings } = weighed(body, [0, 0, 2100, 2200], [150]);
    const wish = {
      kind: 'save-bytes' as const,
      page: 'p.html',
      lazy: savings.flatMap((one) => (one.kind === 'lazy' ? one.elements : [])),
      instead: savings.flatMap((one) =>
        one.kind === 'smaller' && one.instead !== null ? [{ element: one.element, path: one.instead }] : [],
      ),
    };
    const lazy = [3, 4].map((n) => item(n, `small/${n}.jpg`).replace(' alt=""', ' alt="" loading="lazy"'));
    expect(asked(site, wish)).toEqual({
      label: 'Load less on p.html',
      files: { 'p.html': page(item(1, 'small/1.jpg') + item(2, 'small/2.jpg') + lazy.join('')) },
      notes: {},
    });
  });

  it('refuses what is no longer there, and what is so already', () => {
    const { site } = weighed(GALLERY, []);
    const refused = (wish: object) =>
      asked(site, { kind: 'save-bytes', page: 'p.html', lazy: [], instead: [], ...wish });
    expect(refused({ page: 'q.html' })).toContain('There is no page q.html');
    expect(refused({ lazy: [[1, 0]] })).toContain('There is no picture any more');
    expect(refused({ instead: [{ element: [1, 0, 0, 0, 0], path: 'gone.jpg' }] })).toContain(
      'There is no file gone.jpg',
    );
    expect(refused({})).toBe('The page is so already.');
  });
});

describe('pictures that are drawn larger than their pixels', () => {
  it('are told with their sizes, the softest first and each file once', () => {
    const { site, requests, shown } = weighed(GALLERY + item(1, 'small/1.jpg'), [], [209, 400, 300, 211, 215]);
    const [read] = site.pages;
    if (!read) throw new Error('no page');
    expect(stretchedOn(site, read, requests, shown)).toMatchObject([
      { path: 'small/2.jpg', line: 3, width: 200, shown: 400 },
      { path: 'small/3.jpg', line: 4, width: 200, shown: 300 },
      { path: 'small/4.jpg', line: 5, width: 200, shown: 211 },
    ]);
  });
});

describe('a limit', () => {
  const over = (limit: number | null) => {
    const site = siteOf(
      { 'p.html': page(GALLERY), 'small/1.jpg': 'small1' },
      { notes: { limit }, bytes: { small1: 5000 } },
    );
    return findingsOf(site).filter(({ rule }) => rule === 'over-limit');
  };

  it('is kept with the site, and taken back', () => {
    const site = siteOf({ 'p.html': page(GALLERY) });
    expect(asked(site, { kind: 'set-limit', limit: 20_000 })).toMatchObject({ notes: { limit: 20_000 }, files: {} });
    const limited = siteOf({ 'p.html': page(GALLERY) }, { notes: { limit: 20_000 } });
    expect(asked(limited, { kind: 'set-limit', limit: null })).toMatchObject({ notes: { limit: null } });
  });

  it('makes pages that load more findings of Proof', () => {
    expect(over(5000)).toMatchObject([{ station: 'proof', severity: 'warning', place: { path: 'p.html' } }]);
    expect(over(5000)[0]?.says).toMatch(/^p\.html loads 5\.\d kB in 2 files; your limit is 5\.0 kB\.$/);
    expect(over(9000)).toEqual([]);
    expect(over(null)).toEqual([]);
  });
});
