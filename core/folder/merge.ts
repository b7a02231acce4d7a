/**
 * One text that was changed on both sides, piece by piece: what only one side changed needs no choice. Three-way
 * comparison by lines; Khanna, Kunal, Pierce, "A Formal Investigation of Diff3", FSTTCS 2007.
 */
import { diff3MergeRegions, diffComm } from 'node-diff3';
import { linesOf } from './lineEdits.ts';

export interface MergePiece {
  /** Who changed it; `same` is what neither did, or both alike. */
  by: 'same' | 'here' | 'there' | 'both';
  /** Number of its first line in the site's text, from 1. */
  line: number;
  here: string[];
  there: string[];
}

/** Whose lines of a piece are taken; `both` are the site's and behind them the folder's. */
export type PieceChoice = 'here' | 'there' | 'both';

type Piece = Omit<MergePiece, 'line'>;

/** Of texts that were never in step (`agreed` is null) all that differs was changed by both. */
export function mergePieces(here: string, there: string, agreed: string | null): MergePiece[] {
  const [ours, theirs] = [linesOf(here), linesOf(there)];
  const pieces = agreed === null ? twoWay(ours, theirs) : threeWay(ours, linesOf(agreed), theirs);
  let line = 1;
  return pieces.map((piece) => {
    const at = line;
    line += piece.here.length;
    return { ...piece, line: at };
  });
}

const twoWay = (here: string[], there: string[]): Piece[] =>
  diffComm(here, there).map(({ common, buffer1 = [], buffer2 = [] }): Piece =>
    common ? unchanged(common) : { by: 'both', here: buffer1, there: buffer2 },
  );

function threeWay(here: string[], agreed: string[], there: string[]): Piece[] {
  const regions = diff3MergeRegions(here, agreed, there);
  /** Where a region begins in the text that both had; a change of one side is told by its own lines alone. */
  const beginsAt = (n: number): number => {
    const region = regions[n];
    if (!region) return agreed.length;
    if (!region.stable) return region.oStart;
    return region.buffer === 'o' ? region.bufferStart : 0;
  };
  let stood = 0;
  return regions.map((region, n): Piece => {
    if (!region.stable) {
      stood = region.oStart + region.oLength;
      const { aContent, bContent } = region;
      const isAlike = aContent.join('') === bContent.join('');
      return isAlike ? unchanged(aContent) : { by: 'both', here: aContent, there: bContent };
    }
    const { buffer, bufferStart, bufferLength, bufferContent } = region;
    if (buffer === 'o') {
      stood = bufferStart + bufferLength;
      return unchanged(bufferContent);
    }
    const before = agreed.slice(stood, beginsAt(n + 1));
    return buffer === 'a'
      ? { by: 'here', here: bufferContent, there: before }
      : { by: 'there', here: before, there: bufferContent };
  });
}

const unchanged = (lines: string[]): Piece => ({ by: 'same', here: lines, there: lines });

/** What is taken where nobody chooses; null where somebody has to. */
export function ownChoice({ by }: Pick<MergePiece, 'by'>): PieceChoice | null {
  if (by === 'both') return null;
  return by === 'there' ? 'there' : 'here';
}

/** The text as chosen, by the numbers of the pieces; null where a choice is missing. */
export function mergedText(pieces: readonly MergePiece[], choices: ReadonlyMap<number, PieceChoice>): string | null {
  let text = '';
  for (const [n, piece] of pieces.entries()) {
    const choice = choices.get(n) ?? ownChoice(piece);
    if (choice === null) return null;
    text += linesTaken(piece, choice);
  }
  return text;
}

function linesTaken({ here, there }: MergePiece, choice: PieceChoice): string {
  if (choice !== 'both') return (choice === 'here' ? here : there).join('');
  const first = here.join('');
  // The last line of a file may be without an end; what comes behind it begins a line of its own.
  const end = there.find((line) => line.endsWith('\r\n')) ? '\r\n' : '\n';
  const gap = first === '' || first.endsWith('\n') || there.length === 0 ? '' : end;
  return first + gap + there.join('');
}
