/** What the readers of a download say to each other. */
import type { Call } from './calls.ts';

export type DraftField =
  'files' | 'marker' | 'group' | 'caption' | 'description' | 'container' | 'kind' | 'start' | 'options' | 'counter';

/** Notes on which line a guess rests. */
export type Note = (field: DraftField, says: string, file: string, at: number) => void;
/** A name that a script mentions, and where. */
export interface FoundName {
  name: string;
  at: number;
  file: string;
}

/** How a viewer is started, as found in an example. */
export interface FoundStart {
  way: Call['way'];
  call: string;
  of: string | null;
  selector: string | null;
  /** The option that holds the selector, where it does not stand for itself. */
  key: string | null;
  /** The option that says which links are meant in what the selector finds. */
  items: { option: string; without: string } | null;
  then: string | null;
  /** Where an example of it stands. */
  place: { file: string; at: number } | null;
}
