export { type Aim, type Encoded, GOOD_ENOUGH, QUALITIES, searchQuality, suggestedPoint } from './aim.ts';
export type { Capture, PhotoFacts, PhotoWords } from './facts.ts';
export { isHeavy } from './heavy.ts';
export { dateInName } from './nameDate.ts';
export { isFileName, saysNothing, toldByName, wordsFromName } from './nameWords.ts';
export { type Focus, MIDDLE, partAround, suggestedFocus } from './focus.ts';
export { EXTENSION, type Format, FORMAT_NAMES, formatOf, inFormat, typeOfFormat } from './format.ts';
export { hasClearParts, onGround } from './ground.ts';
export { MOST_PIXELS, sniffedType, storedSize } from './header.ts';
export { colourDistance, hashDistance, meanColour, perceptualHash } from './likeness.ts';
export { type Frame, isPlain, type Luma, lumaOf, summedArea } from './luma.ts';
export { kept, metadataIn, withoutPlace, withWords, type WordsToKeep } from './metadata/index.ts';
export { shownSize, upright } from './orientation.ts';
export { cutOut, type Pixels } from './pixels.ts';
export {
  agreementOfWhole,
  closerLook,
  findPlace,
  type FirstLook,
  firstLook,
  type Place,
  placeFrom,
  type Sought,
  soughtOf,
  windowsOf,
} from './place.ts';
export {
  aimOf,
  allPixels,
  CLEAR,
  DEFAULT_RECIPE,
  exactSize,
  fallsShort,
  fingerprint,
  FurtherSize,
  keepsPixels,
  LIGHTENINGS,
  madeSize,
  Recipe,
  recipeFor,
  roomIn,
  sayRecipe,
  SizeRecipe,
  STARTING_POINTS,
  usedPart,
  WINDOWS,
} from './recipe.ts';
export { type Resample, resample } from './resample.ts';
export {
  isRotated,
  MOST_DEGREES,
  rotated,
  rotatedPoint,
  rotatedSize,
  Rotation,
  rotationBetween,
  shareLeft,
  UNROTATED,
} from './rotation.ts';
export { sharpened, SHARPENINGS } from './sharpen.ts';
export { simdResampler } from './simd/resampler.ts';
export { gaussianSimilarity, similarity } from './similarity.ts';
export { decodeSize, fitInside, scaledBy, type Size } from './size.ts';
