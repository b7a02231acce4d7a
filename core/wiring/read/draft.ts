/** What the readers of a download say to each other. */
import type { Call } from './calls.ts';
import type { Handed } from './chosen.ts';
import type { ScriptFacts } from './scriptFacts.ts';

/** A script of a download. */
export interface DraftScript {
  name: string;
  text: string;
  facts: ScriptFacts;
  /** It imports or exports, and a page has to load it as a module. */
  isModule: boolean;
}

export type DraftField =
  | 'files'
  | 'marker'
  | 'group'
  | 'caption'
  | 'description'
  | 'container'
  | 'kind'
  | 'start'
  | 'options'
  | 'counter'
  | 'full'
  | 'size';

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
  /** How a script of the page imports it; null for a global. */
  imported: 'default' | 'named' | null;
  selector: string | null;
  /** The option that holds the selector, where it does not stand for itself. */
  key: string | null;
  /** The option that says which links are meant in what the selector finds. */
  items: { option: string; without: string } | null;
  then: string | null;
  /** As what the links may be handed over. */
  takes: readonly Handed[];
  /** Where an example of it stands. */
  place: { file: string; at: number } | null;
}
