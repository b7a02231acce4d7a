export { containerEdits } from './write/containerEdits.ts';
export { type DraftField } from './read/draft.ts';
export { type Draft, draftManifest, type Evidence, kitName } from './read/evidence.ts';
export { neededOf } from './read/download.ts';
export { includeEdits } from './write/includeEdits.ts';
export {
  answersLinks,
  argumentName,
  CAPTION_PLACES,
  besideMarker,
  bracketed,
  bracketsWhole,
  exportedName,
  groupAttribute,
  groupWritten,
  isHandler,
  isMarker,
  isOfKit,
  type Kit,
  type KitFile,
  KitManifest,
  kitPath,
  type KitManifestInput,
  type KitLook,
  type KitOption,
  type KitPreset,
  markerName,
  markerSelector,
  opensOnClick,
  type OptionValue,
  readManifest,
  scriptsOf,
  startWritten,
} from './kit/manifest.ts';
export { copiedFiles } from './write/kitFiles.ts';
export { unknownViewer } from './paste/unknownViewer.ts';
export { withoutInvisible, withoutNumbers } from './paste/clean.ts';
export { linesInManual } from './read/manual.ts';
export { paste, type Pasting, type PastedPiece } from './paste/place.ts';
export { isSlipOf, lettersApart } from './read/letters.ts';
export { asArgument, withManual } from './kit/manual.ts';
export { inLanguage } from './words/languages.ts';
export { ownKits } from './kit/ownKits.ts';
export { asValue, isSaidAs, optionSaid, type OptionSaid } from './options/said.ts';
export { setOptions, targetsOf, troubleWithValue } from './options/setOptions.ts';
export { containerMissing, membersOf, predict, type Prediction } from './read/prediction.ts';
export { type Disagreement, disagreements, leftAsItWas, type PictureSeen, Seen } from './read/rehearsal.ts';
export { NO_ANSWER, percent, REHEARSAL_WINDOWS, type Sight, type WindowName } from './sights/sight.ts';
export { sightsOf } from './sights/rules.ts';
export {
  type ListedEntry,
  type ListedValue,
  namesPicture,
  type PictureList,
  pictureListsIn,
} from './read/pictureLists.ts';
export { readScript } from './read/scriptFacts.ts';
export { type Include, includedName, includesOf } from './read/includes.ts';
export { callText, importText, startEdits, waitingEdits } from './write/startEdits.ts';
export {
  answers,
  commonGroup,
  groupOf,
  type KitUse,
  misspeltMarker,
  type PageWiring,
  strayOf,
  wiringOf,
} from './read/uses.ts';
export { type ScriptRun } from './read/scripts.ts';
export { type StartingScript } from './read/starts.ts';
export { type LinkMemory, type WiringSite } from './write/site.ts';
export { type ImportTrouble, type ModuleImport, specifierTo } from './read/moduleGraph.ts';
export { type Wanted, wantedOf } from './write/wanted.ts';
export { openable } from './write/marks.ts';
export { NOTHING_TO_WIRE, rewire } from './write/wire.ts';
