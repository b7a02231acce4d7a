/**
 * One text that was changed on both sides, piece by piece: what only one side changed needs no choice. Three-way
 * comparison by lines; Khanna, Kunal, Pierce, "A Formal Investigation of Diff3", FSTTCS 2007.
 */
import { diffComm, diffIndices } from 'node-diff3';
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

export interface Hunk {
  side: 'here' | 'there';
  /** Lines of the text that both had, and what this side has for them: first line and number of lines. */
  agreed: [at: number, count: number];
  own: [at: number, count: number];
}

/**
 * Changes of both sides that touch one another are one piece. (The library's own regions say nothing of lines that one
 * side only took away.)
 */
function threeWay(here: string[], agreed: string[], there: string[]): Piece[] {
  const hunksOf = (side: Hunk['side'], own: string[]): Hunk[] =>
    diffIndices(agreed, own).map(({ buffer1, buffer2 }) => ({ side, agreed: buffer1, own: buffer2 }));
  const pieces: Piece[] = [];
  let stood = 0;
  const upTo = (line: number) => {
    if (line > stood) pieces.push(unchanged(agreed.slice(stood, line)));
  };
  for (const group of touching([...hunksOf('here', here), ...hunksOf('there', there)])) {
    const start = Math.min(...group.map((one) => one.agreed[0]));
    const end = Math.max(...group.map((one) => one.agreed[0] + one.agreed[1]));
    upTo(start);
    stood = end;
    const [first, other] = (['here', 'there'] as const).map((side) => group.filter((one) => one.side === side));
    const ours = linesIn(here, agreed, first ?? [], start, end);
    const theirs = linesIn(there, agreed, other ?? [], start, end);
    if (first?.length === 0) pieces.push({ by: 'there', here: ours, there: theirs });
    else if (other?.length === 0) pieces.push({ by: 'here', here: ours, there: theirs });
    else if (ours.join('') === theirs.join('')) pieces.push(unchanged(ours));
    else pieces.push({ by: 'both', here: ours, there: theirs });
  }
  upTo(agreed.length);
  return pieces;
}

function touching(hunks: readonly Hunk[]): Hunk[][] {
  const groups: Hunk[][] = [];
  let end = -1;
  for (const hunk of [...hunks].sort((a, b) => a.agreed[0] - b.agreed[0])) {
    const last = groups.at(-1);
    if (last && hunk.agreed[0] <= end) last.push(hunk);
    else groups.push([hunk]);
    end = Math.max(last && hunk.agreed[0] <= end ? end : -1, hunk.agreed[0] + hunk.agreed[1]);
  }
  return groups;
}

/** What a side has for lines `start` to `end` of the text that both had. */
export function linesIn(
  own: readonly string[],
  agreed: readonly string[],
  hunks: readonly Hunk[],
  start: number,
  end: number,
): string[] {
  const [first, last] = [hunks[0], hunks.at(-1)];
  if (!first || !last) return agreed.slice(start, end);
  const from = first.own[0] - (first.agreed[0] - start);
  const to = last.own[0] + last.own[1] + (end - (last.agreed[0] + last.agreed[1]));
  return own.slice(from, to);
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
