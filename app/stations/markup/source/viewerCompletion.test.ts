import { describe, expect, it } from 'vitest';
import type { SiteView } from '~core/view/index.ts';
import { viewerCompletions } from './viewerCompletion';

const picker = {
  attribute: 'data-slides-picker',
  argument: 'picker',
  says: 'What chooses a picture',
  without: 'dots',
  values: ['dots', 'none'],
};
const interval = {
  attribute: 'data-slides-interval',
  argument: 'interval',
  says: 'Seconds',
  without: '5',
  values: [],
};
const kits = [
  { name: 'slideshow', title: 'Slideshow', call: 'startSlides', options: [picker, interval] },
  { name: 'other', title: 'Other', call: 'startOther', options: [{ ...picker, attribute: 'data-other' }] },
];
const pages = [{ path: 'index.html', uses: [{ name: 'slideshow' }] }];
// Only what is read of a view.
const view = { kits, pages } as unknown as Pick<SiteView, 'kits' | 'pages'>;

const offered = (before: string, path = 'index.html') => {
  const result = viewerCompletions(before, before.length, { path, view });
  return result && { from: result.from, labels: result.options.map(({ label }) => label) };
};

describe('attributes and values of the viewers on a page', () => {
  it.each<[string, string[], number]>([
    ['<ul data-slides ', ['data-slides-picker', 'data-slides-interval'], 0],
    ['<ul class="a > b" data-sl', ['data-slides-picker', 'data-slides-interval'], 7],
    ['<p>x</p>\n<ul\n  data-slides\n  dat', ['data-slides-picker', 'data-slides-interval'], 3],
    ['<ul data-slides-picker="', ['dots', 'none'], 0],
    ["<ul data-slides-picker='do", ['dots', 'none'], 2],
  ])('%j', (before, labels, typed) => expect(offered(before)).toEqual({ from: before.length - typed, labels }));

  it.each(['', '<p>words ', '<ul class="', '<ul', '<ul data-slides>', '</ul ', 'a < b '])('nothing in %j', (before) =>
    expect(offered(before)).toBeNull(),
  );

  it('nothing on a page without a viewer', () => {
    const bare = { kits, pages: [{ path: 'a.html', uses: [] }] } as unknown as Pick<SiteView, 'kits' | 'pages'>;
    expect(viewerCompletions('<ul ', 4, { path: 'a.html', view: bare })).toBeNull();
  });
});

describe('arguments of a start call', () => {
  it.each<[string, string[], number]>([
    ["startSlides('.a', { ", ['picker', 'interval'], 0],
    ["startSlides('.a', { picker: 'none', int", ['picker', 'interval'], 3],
    ["startSlides('.a', {\n  picker: 'n", ['dots', 'none'], 1],
  ])('%j', (before, labels, typed) =>
    expect(offered(before, 'js/start.js')).toEqual({ from: before.length - typed, labels }),
  );

  it.each(["startSlides('.a'", "startSlides('.a', { picker: 'dots' }); other({ ", 'startOther({ '])(
    'nothing in %j',
    (before) => expect(offered(before, 'js/start.js')).toBeNull(),
  );

  it('says what each means, and what holds without it', () =>
    expect(viewerCompletions('startSlides({ ', 14, { path: 'a.js', view })?.options[0]).toMatchObject({
      detail: 'Slideshow',
      info: 'What chooses a picture. Without it: dots.',
      apply: 'picker: ',
    }));
});
