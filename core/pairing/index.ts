export { type Content, type ContentMemory, newContentMemory, OTHER_CONTENT, type Pace } from './content.ts';
export { readName, troubleOf } from './names.ts';
export { pairPictures } from './pairs.ts';
export { type Decision, type PageEvidence, type Pair, type Pairing, type PairState } from './pair.ts';
export { shownInstead } from './judge.ts';
export { thumbnailPathFor } from './thumbnailPath.ts';
