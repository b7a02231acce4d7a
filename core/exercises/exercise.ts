/** What an exercise is: a small site with one fault in it, what a visitor says of it, and what helps to find it. */
import type { SoundViewer } from './soundSite.ts';

/** The page that every exercise is about. */
export const EXERCISE_PAGE = 'index.html';

/** A try that did not work, and what it is to be told. */
interface WrongTry {
  /** Whether the page's text, as it stands now, is that try. */
  isIn: (page: string) => boolean;
  says: string;
}

export interface Exercise {
  /** Kept in the site's notes: never another for the same exercise. */
  id: string;
  title: string;
  /** In a visitor's words, who knows nothing of markup. */
  complaint: string;
  viewer: SoundViewer;
  /** The rule that would find it. */
  rule: string;
  /** Makes the fault in a page that is whole without it. */
  plant: (page: string) => string;
  /** From where to look to what to write. */
  hints: readonly string[];
  /** The first that is in the page speaks. */
  tries: readonly WrongTry[];
}
