/** A picture that the lightbox shows as it is expected to, in a desktop window. */
import type { Prediction } from './prediction.ts';
import type { Seen } from './rehearsal.ts';

export const PREDICTED: Prediction = {
  opens: 'viewer',
  by: 'lightbox',
  clash: [],
  shows: 'large/a.jpg',
  asks: 'large/a.jpg',
  counter: { at: 1, of: 3 },
  caption: 'A kite',
  description: 'Over the moor',
  next: 'large/b.jpg',
  back: null,
  styled: true,
  closes: true,
};

export const SEEN: Seen = {
  reached: 'at once',
  window: { width: 1280, height: 800 },
  onPage: null,
  hidden: [],
  opened: 'viewer',
  shows: 'large/a.jpg',
  loaded: true,
  natural: { width: 900, height: 600 },
  size: { width: 450, height: 300 },
  whole: true,
  sharpness: 2,
  cropped: 0,
  covered: null,
  layers: 1,
  counter: { at: 1, of: 3 },
  words: ['1 of 3', 'A kite', 'Over the moor'],
  clipped: [],
  controls: { next: true, back: false, close: true },
  swipe: 'steps',
  panned: false,
  next: 'large/b.jpg',
  back: null,
  closed: 'key',
  focus: 'link',
  history: 'untouched',
  errors: [],
  missing: [],
  time: 12,
};
