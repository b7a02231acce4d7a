/** A site and a folder on disk: what differs between them, and how both come together again. */
export { goesByItself } from './byItself.ts';
export { compareFolder, differs, type Doing, type FolderFile, inStep, type Side } from './compare.ts';
export { lineEdits, linesOf } from './lineEdits.ts';
export { mergedLines } from './mergedLines.ts';
export { mergedText, type MergePiece, mergePieces, ownChoice, type PieceChoice } from './merge.ts';
export { inSavingOrder } from './savingOrder.ts';
export { takeOver, type Taken } from './takeOver.ts';
