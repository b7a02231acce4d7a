import { describe, expect, it } from 'vitest';
import { asked, linked, siteOf } from './asked.fixture.ts';
import type { NewSlide } from './intent.ts';

const html = `<html><body><ul>${['a', 'b'].map((name) => `<li>${linked(name)}</li>`).join('')}</ul></body></html>`;
const site = siteOf(
  { 'p/k.html': html, 'v/loop.mp4': 'film', 't/loop.jpg': 'poster' },
  { facts: { 't/loop.jpg': {} } },
);
const add = (slide: NewSlide, at?: number) =>
  asked(site, { kind: 'add-slide', page: 'p/k.html', gallery: 0, slide, ...(at === undefined ? {} : { at }) });
const film = (more: Partial<Extract<NewSlide, { is: 'video' }>> = {}): NewSlide => ({
  is: 'video',
  path: 'v/loop.mp4',
  plays: 'in place',
  poster: null,
  title: 'Loop',
  caption: '',
  ...more,
});
const made = { path: 't/frame.jpg', made: { kind: 'binary', hash: 'h', bytes: 9 }, width: 60, height: 34 } as const;

describe('a slide that is no picture', () => {
  it('is words', () => {
    expect(JSON.stringify(add({ is: 'words', title: 'T', text: 'W' }))).toContain('<li><h2>T</h2><p>W</p></li>');
    expect(add({ is: 'words', title: ' ', text: '\n' })).toBe('Enter a heading or some text.');
  });

  it('is a video in its place, with its poster made in the same change', () => {
    const text = JSON.stringify(add(film({ poster: made }), 1));
    expect(text).toContain('../v/loop.mp4');
    expect(text).toContain('../t/frame.jpg');
    expect(text).toContain('t/frame.jpg');
    expect(text).toMatch(/a\.jpg.*<video.*b\.jpg/);
  });

  it('is a video that its poster leads to, written as the pictures are', () => {
    const text = JSON.stringify(add(film({ plays: 'by link', poster: { path: 't/loop.jpg' } })));
    expect(text).toContain(JSON.stringify(linkedTo('../v/loop.mp4', '../t/loop.jpg')).slice(1, -1));
  });

  it.each<[NewSlide, RegExp]>([
    [film({ path: 'v/gone.mp4' }), /no v\/gone\.mp4/],
    [film({ plays: 'by link' }), /needs a poster/],
    [film({ poster: { path: 't/gone.jpg' } }), /no t\/gone\.jpg/],
    [film({ poster: { ...made, path: 't/loop.jpg' } }), /t\/loop\.jpg already/],
  ])('is refused: %j', (slide, reason) => expect(add(slide)).toMatch(reason));
});

const linkedTo = (href: string, src: string) => `<a href="${href}"><img src="${src}" alt="Loop"`;
