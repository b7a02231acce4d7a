export { composed } from './composed.ts';
export { countOf, inBytes, inKilobytes } from './amounts.ts';
export { joined } from './bytes.ts';
export { applyChange, type Change, type FileChange, sameContent } from './change.ts';
export { DEEPEST, tooDeepAt } from './depth.ts';
export { decodeText, encodeText, encodingName, readText } from './decode.ts';
export { bytesOf, type FileContent, type Lookup, PathIndex, type SiteFiles } from './files.ts';
export { grouped } from './grouped.ts';
export { type Intake, INTAKE_LIMITS, type IntakeLimits, judgeIntake, type Refusal } from './intake.ts';
export { firstOf, keysOf, known, lastOf, oneOf } from './known.ts';
export {
  isMarkdownPath,
  isPagePath,
  isVideoPath,
  isPicturePath,
  isStylePath,
  isTextPath,
  mediaTypeOf,
  unshownFormat,
} from './media.ts';
export { NAME_TOKENS, nameByPattern, tidyName } from './naming.ts';
export {
  COLLECTION_GROUPS,
  COLLECTION_ORDERS,
  Collected,
  Collection,
  emptyNotes,
  FOLDER_ORDERS,
  ListMapping,
  type ListPart,
  ListSource,
  MadeRecord,
  type NamingRule,
  NOTES_FILE,
  notesIn,
  type FollowedList,
  ORDERS,
  type PairDecision,
  PictureWords,
  readNotes,
  SiteNotes,
  writeNotes,
} from './notes.ts';
export { lineprint } from './lineprint.ts';
export { slugOf } from './slug.ts';
export {
  byNaturalName,
  cleanPath,
  isSystemLitter,
  extensionOf,
  folderOf,
  nameOf,
  relativeReference,
  stemOf,
} from './path.ts';
export { type Edited, type Named, type NotDone, planEdits, type Planned } from './plan.ts';
export { decodedPath, resolveInSite, type Target } from './resolve.ts';
export { editFiles } from './editFiles.ts';
export { refuse, type Result } from './result.ts';
export { firstNot } from './search.ts';
export { applyEdits, type Edit, editsOverlap, invertEdits, smallestEdit } from './edit.ts';
export { type Hunk, hunksOf } from './hunks.ts';
export { changedWords, type Piece } from './changedWords.ts';
export { LineIndex } from './lines.ts';
