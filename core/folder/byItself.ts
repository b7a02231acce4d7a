/** What is done between a site and its folder without being asked for, where that was asked for once. */
import type { FolderFile, Side } from './compare.ts';

/** The largest share of the files that is deleted without being asked for (our own value, no source). */
const MOST_GONE = 0.3;
/** So few may go in a small site, too, but never the last file. */
const FEW_GONE = 2;

interface Standing {
  /** What changed on each side alone. */
  changed: Readonly<Record<Side, readonly FolderFile[]>>;
  /** From which sides it goes to the other by itself. */
  wished: Readonly<Record<Side, boolean>>;
  /** Files that both sides had when they were last in step. */
  agreed: number;
}

interface ByItself {
  /** From which side to the other; null where nothing goes. What was changed there comes first. */
  from: Side | null;
  /** So much would be deleted that somebody has to ask for it. */
  heldBack: boolean;
}

/** What is emptied on one side (a disk that was changed, a folder that was moved) empties the other only when asked. */
export function goesByItself({ changed, wished, agreed }: Standing): ByItself {
  const sides = (['there', 'here'] as const).filter((side) => wished[side] && changed[side].length > 0);
  const free = sides.filter((side) => !empties(changed[side], agreed));
  return { from: free[0] ?? null, heldBack: free.length < sides.length };
}

function empties(files: readonly FolderFile[], agreed: number): boolean {
  const gone = files.filter(({ doneHere, doneThere }) => (doneHere ?? doneThere) === 'deleted');
  const most = Math.min(Math.max(FEW_GONE, agreed * MOST_GONE), agreed - 1);
  return gone.length > Math.max(0, most);
}
