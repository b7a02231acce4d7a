/** Small sites with one fault each, for students: from easy to hard. A new one is one more file in the list. */
import type { Exercise } from './exercise.ts';
import { callTooEarly } from './list/callTooEarly.ts';
import { capitals } from './list/capitals.ts';
import { curlyQuotes } from './list/curlyQuotes.ts';
import { dummyLink } from './list/dummyLink.ts';
import { forgottenLink } from './list/forgottenLink.ts';
import { linkToPage } from './list/linkToPage.ts';
import { markerLeftOff } from './list/markerLeftOff.ts';
import { noArrows } from './list/noArrows.ts';
import { rootAddress } from './list/rootAddress.ts';
import { selectorDot } from './list/selectorDot.ts';
import { splitGroup } from './list/splitGroup.ts';
import { wrongFolder } from './list/wrongFolder.ts';
import { EXERCISE_PAGE } from './exercise.ts';
import { linkTags } from './plant.ts';
import { SOUND_PICTURES, SOUND_TEXTS, soundPage } from './soundSite.ts';

export { EXERCISE_PAGE, type Exercise } from './exercise.ts';
export { SOUND_PICTURES, VIEWER_FOLDERS } from './soundSite.ts';

export const EXERCISES: readonly Exercise[] = [
  dummyLink,
  linkToPage,
  noArrows,
  markerLeftOff,
  forgottenLink,
  capitals,
  splitGroup,
  wrongFolder,
  selectorDot,
  callTooEarly,
  curlyQuotes,
  rootAddress,
];

/** Null where this version has none of that name. */
export const exerciseNamed = (id: string | undefined): Exercise | null =>
  EXERCISES.find((one) => one.id === id) ?? null;

/** The exercise's own texts with the fault in them, by their paths; the viewer's files and the pictures come beside. */
export function exerciseTexts({ viewer, plant }: Exercise): Readonly<Record<string, string>> {
  return { ...SOUND_TEXTS, [EXERCISE_PAGE]: plant(soundPage(viewer)) };
}

const isUntouched = ({ plant, viewer }: Exercise, page: string): boolean => page === plant(soundPage(viewer));

/** What is to be said of a page that does not work yet; null where it is as it was, or is no try that is known. */
export function saidOfTry(exercise: Exercise, page: string): string | null {
  if (isUntouched(exercise, page)) return null;
  const known = exercise.tries.find(({ isIn }) => isIn(page));
  if (known) return known.says;
  return (page.match(/<img\b/g)?.length ?? 0) < SOUND_PICTURES.length
    ? 'A picture is gone from the page. It has to work, not to go.'
    : null;
}

/**
 * Whether nothing speaks against the page's text: it is another, all pictures are links still, and it is no try that
 * is known to be wrong. Whether it works is for the rehearsal to say.
 */
export const isAnswered = (exercise: Exercise, page: string): boolean =>
  !isUntouched(exercise, page) && linkTags(page).length >= SOUND_PICTURES.length && saidOfTry(exercise, page) === null;
