/** What the editor shows of the text, told to whoever draws beside it; only those redraw. */
import { Emitter } from '../../../data/emitter';

export interface LineSight {
  /** The first and the last line that are in sight. */
  lines: { first: number; last: number };
  /** Middle of a line in the editor's visible box; CSS px. */
  middleOf: (line: number) => number;
  /** CSS px. */
  height: number;
}

export interface LineSights {
  get: () => LineSight | null;
  set: (sight: LineSight) => void;
  watch: (watcher: () => void) => () => void;
}

export function newLineSights(): LineSights {
  let now: LineSight | null = null;
  const changed = new Emitter();
  return {
    get: () => now,
    set: (sight) => {
      now = sight;
      changed.tell();
    },
    watch: (watcher) => changed.on(watcher),
  };
}
