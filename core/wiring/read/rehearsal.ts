/** What a rehearsal saw of one picture, and how it stands beside what was predicted. */
import { z } from 'zod';
import type { Prediction } from './prediction.ts';

const px = z.number().min(0).max(1_000_000);
const address = z.string().max(4000).nullable();
const size = z.strictObject({ width: px, height: px });
const share = z.number().min(0).max(1);

/** How a picture is seen. */
const sight = {
  /** Image px; null where it is not there. */
  natural: size.nullable(),
  /** CSS px. */
  size: size.nullable(),
  /** Whether all of its box is inside of the window. */
  whole: z.boolean(),
  /** Image px for each CSS px, on the side that has fewer; null for what has no pixels. */
  sharpness: z.number().min(0).max(100_000).nullable(),
  /** Share of the picture that its box, or a box around it, cuts off. */
  cropped: share,
  /** What lies over it and paints something: its name and its share of the picture. */
  covered: z.strictObject({ by: z.string().max(200), share }).nullable(),
};

const PictureSeen = z.strictObject({ file: address, ...sight });
export type PictureSeen = z.infer<typeof PictureSeen>;

/** Whether a button is in sight, inside of the window and with a name that says what it does. */
const controls = z.strictObject({ next: z.boolean(), back: z.boolean(), close: z.boolean() });

/**
 * As the live page tells it; the page could forge it, so it is checked and only shown. Paths of the site where an
 * address leads into it.
 */
export const Seen = z.strictObject({
  /** How the picture came into sight: at once, by a tab, by stepping, by loading more; null where it did not. */
  reached: z.enum(['at once', 'tab', 'step', 'more']).nullable(),
  /** The window; CSS px. */
  window: size,
  /** The picture in the page, before the click. */
  onPage: PictureSeen.nullable(),
  /** Parts of the page that something else lies over as it opens: the menu, the heading. */
  hidden: z.array(z.string().max(200)).max(20),
  opened: z.enum(['viewer', 'address', 'nothing']),
  /** Address of what is shown, or of what the page would have been left for. */
  shows: address,
  /** Whether it has arrived; a picture that is missing has not. */
  loaded: z.boolean(),
  ...sight,
  /** How many pictures opened at once. */
  layers: z.number().int().min(0).max(1000),
  counter: z.strictObject({ at: z.number(), of: z.number() }).nullable(),
  words: z.array(z.string().max(4000)).max(500),
  /** New words of which a part is cut off. */
  clipped: z.array(z.string().max(4000)).max(50),
  controls: controls.nullable(),
  /** What a finger to the side does, as far as a script can make one; null where it was not tried. */
  swipe: z.enum(['steps', 'nothing']).nullable(),
  /** Whether the browser keeps a finger to the side for itself (CSS `touch-action`). */
  panned: z.boolean(),
  next: address,
  back: address,
  closed: z.enum(['key', 'button', 'outside', 'no']).nullable(),
  /** Where the focus is once it has closed. */
  focus: z.enum(['link', 'elsewhere', 'lost']).nullable(),
  /** What opening and closing did to the steps that the Back button takes. */
  history: z.enum(['untouched', 'returned', 'left behind']).nullable(),
  errors: z.array(z.string().max(4000)).max(100),
  missing: z.array(address).max(100),
  /** From the click to the picture; ms. */
  time: z.number().min(0),
});
export type Seen = z.infer<typeof Seen>;

/** What closed again without a mistake leaves the page as it was. */
export const leftAsItWas = ({ opened, closed, errors, history }: Seen): boolean =>
  opened === 'viewer' && (closed === 'key' || closed === 'button') && errors.length === 0 && history !== 'left behind';

export interface Disagreement {
  about:
    | 'what opens'
    | 'the file'
    | 'the counter'
    | 'the caption'
    | 'the description'
    | 'the next picture'
    | 'the previous picture'
    | 'closing'
    | 'how many open';
  predicted: string;
  seen: string;
}

const OPENS: Record<Prediction['opens'], string> = {
  viewer: 'the viewer',
  address: 'another address',
  nothing: 'nothing',
  broken: 'nothing, with an error',
};

/** Empty where the browser did what the page's text says. */
export function disagreements(prediction: Prediction, seen: Seen): Disagreement[] {
  if (seen.reached === null)
    return [
      { about: 'what opens', predicted: OPENS[prediction.opens], seen: 'the picture could not be brought into sight' },
    ];
  if (prediction.opens === 'broken') {
    if (!seen.loaded && seen.errors.length > 0) return [];
    return differing([['what opens', OPENS.broken, seen.loaded ? seen.shows : 'no error']]);
  }
  const opening = differing([['what opens', OPENS[prediction.opens], OPENS[seen.opened]]]);
  if (opening.length > 0 || prediction.opens === 'nothing') return opening;
  if (prediction.opens === 'address') return differing([['the file', prediction.asks, seen.shows]]);
  const { clash } = prediction;
  if (clash.length > 0)
    return seen.layers < 2 ? differing([['how many open', `${clash.length}`, `${seen.layers}`]]) : [];
  return differing([
    ['how many open', '1', `${Math.max(1, seen.layers)}`],
    ['the file', prediction.shows, fileShown(prediction, seen)],
    // Of what is not styled, or shows nothing, nobody can say what else is to be seen.
    ...(prediction.shows !== null && prediction.styled ? details(prediction, seen) : []),
  ]);
}

/** Where the file is not there, the small picture that stays in its place is none that was asked for. */
function fileShown({ shows }: Prediction, seen: Seen): string | null {
  const isPlaceholder = shows === null && seen.shows === seen.onPage?.file;
  return seen.loaded && !isPlaceholder ? seen.shows : null;
}

/** What it is about, what was predicted and what was seen; null where there is none. */
type Compared = [about: Disagreement['about'], predicted: string | null, seen: string | null];

const differing = (compared: readonly Compared[]): Disagreement[] =>
  compared
    .filter(([, predicted, seen]) => predicted !== seen)
    .map(([about, predicted, seen]) => ({ about, predicted: predicted ?? 'none', seen: seen ?? 'none' }));

const STAYS_OPEN: Compared = ['closing', 'it closes', 'it stays open'];

function details(prediction: Prediction, seen: Seen): Compared[] {
  const words = (about: Disagreement['about'], text: string): Compared[] =>
    text === '' || says(seen, text) ? [] : [[about, text, seen.words.join(' · ')]];
  return [
    ['the counter', counted(prediction.counter), counted(seen.counter)],
    ...words('the caption', prediction.caption),
    ...words('the description', prediction.description),
    ['the next picture', prediction.next, seen.next],
    ['the previous picture', prediction.back, seen.back],
    ...(prediction.closes && seen.closed === 'no' ? [STAYS_OPEN] : []),
  ];
}

const counted = (counter: Prediction['counter']): string | null => counter && `${counter.at} of ${counter.of}`;
const says = ({ words }: Seen, text: string): boolean =>
  words.some((one) => one.includes(text)) || words.join(' ').includes(text);
