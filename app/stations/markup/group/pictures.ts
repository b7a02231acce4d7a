/** Pictures as a group writes them. */
import type { NewPicture } from '~core/plans/index.ts';
import type { PairView, SiteView } from '~core/view/index.ts';
import { asSaid } from '../tray/asSaid';

/** Those that are there of these full-size files, in their order. */
export const picturesOf = (
  fulls: readonly string[],
  { pairs, strands }: Pick<SiteView, 'pairs' | 'strands'>,
): NewPicture[] =>
  asSaid(
    fulls.flatMap((full) => withoutNameAsCaption(pairs.find((pair) => pair.full === full)) ?? []),
    strands,
  );

/** A file's name in words is nobody's caption. */
const withoutNameAsCaption = (pair: PairView | undefined): PairView | undefined =>
  pair?.words.isFromName ? { ...pair, words: { ...pair.words, caption: '' } } : pair;
