export { type Joint, type JointName, JOINTS, type JointState } from './joints.ts';
export {
  bareName,
  changesFormat,
  clearToDecide,
  densePath,
  dueTasks,
  focusFor,
  focusOf,
  FULL_SIZE,
  madeFullSize,
  notedAs,
  type PictureTask,
  recipeSize,
  rightsOf,
  rotatedAlready,
  rotationOf,
  rotationTasks,
  sourceHash,
  THUMBNAIL,
  thumbnailPath,
  thumbnailTasks,
} from './madeSizes.ts';
export { type Drift, type SharedMenu, sharedMenu } from './sharedMenu.ts';
export { type Elsewhere, newReadingMemory, type PageReading, readSite, type SiteReading } from './reading.ts';
export { changeNotes, notesChange } from './notesChange.ts';
export { baseOf, leadOf, writtenAs } from './leads.ts';
export { addressesOfPage, ledBy } from './siteAddresses.ts';
export { mergeFiles, redirect, renameFile, renames } from './renamedFiles.ts';
export { stillNamed } from './stillNamed.ts';
export type { AltStanding } from './altStanding.ts';
export { takenAtOf, wordsFor, wordsOf, type WordsView } from './pictureWords.ts';
export { isTooLarge, resolved, type Strand } from './strands.ts';
export {
  type Compared,
  compareWithList,
  type Following,
  followings,
  galleryList,
  shownBy,
  tableOf,
} from './followed/index.ts';
export {
  leadText,
  type PageText,
  partText,
  placeInText,
  placeOnPage,
  rebased,
  sourceWritten,
  textsInStep,
  textsOf,
  textWritten,
} from './texts/index.ts';
export { feedsOf, isInStep, writtenFeed } from './feeds/index.ts';
export { BEGIN, bringInStep, collectedGroups, END, regionOf, standings, standsIn } from './collection/index.ts';
export { tagAttributeOf, type TaggedItem, taggedItems, tagsOnPages, writeTags } from './pictureTags.ts';
export { type ShownJpeg, shownJpegs, webpTasks } from './webp.ts';
export { type ExternalFile, externalFiles, type ExternalReference, externalReferences } from './external.ts';
