import { describe, expect, it } from 'vitest';
import type { PageRequest } from './request.ts';
import { timelineOf } from './timeline.ts';

/** 8 kbit/s: one byte a ms. */
const LINE = { speed: 8, latency: 100 };
/** What the browser takes for each request; ms. */
const HANDLING = 20;

const page = (bytes: number): PageRequest => ({
  path: 'p.html',
  bytes,
  missing: false,
  kind: 'page',
  priority: 'highest',
  when: 'start',
  by: null,
  from: 0,
  head: 0,
  holdsLayout: false,
  holdsParser: false,
  holdsClicks: false,
  element: null,
  place: { path: 'p.html', offset: 0 },
  inSight: false,
});

const file = (by: PageRequest, path: string, bytes: number, more: Partial<PageRequest> = {}): PageRequest => ({
  ...page(bytes),
  path,
  kind: 'picture',
  priority: 'low',
  when: 'scan',
  by,
  ...more,
});

const doneOf = (requests: readonly PageRequest[], again = false): Record<string, number> =>
  Object.fromEntries(
    timelineOf(requests, LINE, again).timed.map(({ request, done }) => [request.path, Math.round(done)]),
  );

const sentFirst = (requests: readonly PageRequest[]): string[] =>
  timelineOf(requests, LINE).timed.map(({ request }) => request.path);

describe('when files are there', () => {
  it('waits for the line before the first byte, then for the bytes', () => {
    const p = page(500);
    // 20 for handling, 100 for the line, 500 for the bytes; then the same for the picture.
    expect(doneOf([p, file(p, 'a.jpg', 300)])).toEqual({ 'p.html': 620, 'a.jpg': 620 + HANDLING + 100 + 300 });
  });

  it('asks for a file as soon as the text that names it has come', () => {
    const p = page(10_000);
    const [, picture] = timelineOf([p, file(p, 'a.jpg', 10, { from: 4000 })], LINE).timed;
    expect(Math.round(picture?.known ?? 0)).toBe(HANDLING + 100 + 4000);
  });

  it('shares the line evenly among what comes at once', () => {
    const p = page(100);
    const done = doneOf([p, file(p, 'a.jpg', 300), file(p, 'b.jpg', 600)]);
    const begins = 220 + HANDLING + 100;
    // Until the small one is there both have half of the line.
    expect(done).toEqual({ 'p.html': 220, 'a.jpg': begins + 600, 'b.jpg': begins + 900 });
  });

  it('has six connections, and asks for what is urgent first', () => {
    const p = page(100);
    const pictures = Array.from({ length: 8 }, (_, n) => file(p, `${n}.jpg`, 100));
    const style = file(p, 'a.css', 50, { kind: 'stylesheet', priority: 'highest' });
    expect(sentFirst([p, ...pictures, style]).slice(0, 7)).toEqual([
      'p.html',
      'a.css',
      '0.jpg',
      '1.jpg',
      '2.jpg',
      '3.jpg',
      '4.jpg',
    ]);
  });

  it('raises what is in sight once the page is laid out', () => {
    const p = { ...page(100), head: 10 };
    const pictures = Array.from({ length: 12 }, (_, n) => file(p, `${n}.jpg`, 100, { inSight: n === 11 }));
    expect(sentFirst([p, ...pictures]).indexOf('11.jpg')).toBe(7);
  });

  it('knows an import only when the file that names it is there', () => {
    const p = page(100);
    const style = file(p, 'a.css', 200, { kind: 'stylesheet', priority: 'highest', holdsLayout: true });
    const more = file(style, 'b.css', 200, { kind: 'stylesheet', when: 'loaded', holdsLayout: true });
    const behind = file(p, 'bg.jpg', 10, { when: 'layout' });
    const done = doneOf([p, style, more, behind]);
    expect(done['b.css']).toBe((done['a.css'] ?? 0) + HANDLING + 100 + 200);
    // What stylesheets draw is known when all of them are there.
    expect(done['bg.jpg']).toBe((done['b.css'] ?? 0) + HANDLING + 100 + 10);
  });

  it('builds no frame before the scripts in front of it have run, and they wait for styles', () => {
    const p = { ...page(100), head: 20 };
    const style = file(p, 'a.css', 1000, { kind: 'stylesheet', priority: 'highest', holdsLayout: true, from: 10 });
    const script = file(p, 'a.js', 10, { kind: 'script', priority: 'high', holdsParser: true, from: 40 });
    const frame = file(p, 'f.html', 10, { kind: 'frame', when: 'parse', from: 60 });
    const done = doneOf([p, style, script, frame]);
    expect(done['f.html']).toBe((done['a.css'] ?? 0) + HANDLING + 100 + 10);
  });

  it('lets only two pictures come while a script holds up the head', () => {
    const p = { ...page(100), head: 50 };
    const script = file(p, 'a.js', 5000, { kind: 'script', priority: 'high', holdsParser: true, from: 40 });
    const pictures = Array.from({ length: 4 }, (_, n) => file(p, `${n}.jpg`, 100, { from: 60 }));
    const { timed } = timelineOf([p, script, ...pictures], LINE);
    const third = timed.find(({ request }) => request.path === '2.jpg');
    const first = timed.find(({ request }) => request.path === '0.jpg');
    expect(third?.sent).toBeGreaterThanOrEqual(first?.done ?? Infinity);
  });

  it('counts what waits for a click, and leaves out what waits for a scroll', () => {
    const p = page(100);
    const script = file(p, 'a.js', 3000, { kind: 'script', holdsClicks: true });
    const later = file(p, 'z.jpg', 10, { when: 'scrolled' });
    const { timed, clickable } = timelineOf([p, script, later], LINE);
    expect(timed.map(({ request }) => request.path)).toEqual(['p.html', 'a.js']);
    expect(Math.round(clickable)).toBe(220 + HANDLING + 100 + 3000);
  });

  it('sends no bytes again to who has them', () => {
    const p = page(500);
    expect(doneOf([p, file(p, 'a.jpg', 300)], true)).toEqual({ 'p.html': 120, 'a.jpg': 240 });
  });

  it('comes to an end with a line that has no limit, and with empty and missing files', () => {
    const p = page(0);
    const { timed } = timelineOf([p, file(p, 'gone.jpg', 0, { missing: true })], { speed: null, latency: 0 });
    expect(timed).toHaveLength(2);
  });
});
