/**
 * The editor counts every line break as one character and writes `\n`; a file may have `\r\n`, or both.
 * Places and new text are carried over, so that the file's own line breaks stay as they are.
 */
import type { Edit } from '~core/site/index.ts';

export interface LineBreaks {
  toFile: (editorOffset: number) => number;
  toEditor: (fileOffset: number) => number;
  newText: (text: string) => string;
}

export function lineBreaksOf(text: string): LineBreaks {
  /** Editor offsets right behind each `\r\n`, ascending. */
  const pairs: number[] = [];
  for (let at = text.indexOf('\r\n'); at >= 0; at = text.indexOf('\r\n', at + 2)) pairs.push(at - pairs.length + 1);
  const before = (offset: number) => {
    let low = 0;
    let high = pairs.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((pairs[middle] ?? 0) <= offset) low = middle + 1;
      else high = middle;
    }
    return low;
  };
  const lines = text.split('\n').length - 1;
  const crlf = pairs.length * 2 > lines;
  return {
    toFile: (offset) => offset + before(offset),
    toEditor: (offset) => {
      let low = 0;
      let high = pairs.length;
      while (low < high) {
        const middle = (low + high) >> 1;
        if ((pairs[middle] ?? 0) + middle < offset) low = middle + 1;
        else high = middle;
      }
      return offset - low;
    },
    newText: (written) => (crlf ? written.replace(/\n/g, '\r\n') : written),
  };
}

/** Changes as the editor tells them (offsets of the text before), as edits of the file. */
export function toFileEdits(
  changes: readonly { from: number; to: number; text: string }[],
  breaks: LineBreaks,
): Edit[] {
  return changes.map(({ from, to, text }) => ({
    start: breaks.toFile(from),
    end: breaks.toFile(to),
    text: breaks.newText(text),
  }));
}
