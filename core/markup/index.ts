export { applyPattern } from './apply.ts';
export { elementAt, elementBy, type Tie, tieOf } from './at.ts';
export { type Changed, type Stated, unstated } from './conserve.ts';
export { STATES } from './states.ts';
export { asReferences, charsetOf, firstBeyondAscii, isAscii, isUtf8, lacksLetters, rawPlaces } from './charset.ts';
export { countersToMend, renumber } from './counters.ts';
export {
  ancestors,
  type Attribute,
  attributeOf,
  closest,
  nearestWritten,
  descendants,
  isWithin,
  type PageDocument,
  type PageElement,
  parsePage,
  pathTo,
  placeOf,
  type Range,
  someInside,
  textOf,
  type UnitHint,
  valueOf,
} from './document.ts';
export { type EmptiedPlace, isEmptied, itemBy, placeOfItems, refill } from './emptied.ts';
export { encodeAttribute, encodeMarkup, removeAttribute, replaceValue, setAttribute } from './encode.ts';
export { withAttribute } from './firstTag.ts';
export { galleriesOf, type Gallery, type GalleryItem, galleryOf } from './galleries.ts';
export { fragmentTree, rangeOf, SourceElement, type SourceNode, SourceText } from './sourceTree.ts';
export { type Hazard, hazardIn, hazardsOf } from './hazards.ts';
export { addressIn, cutLine, moveItem, moveItems, orderItems, removeItem, removeItems, standsBehind } from './items.ts';
export { setLink, unlinked } from './links.ts';
export {
  type CurrentMark,
  insertEntry,
  markEdits,
  type Menu,
  type MenuEntry,
  menusOf,
  moveMark,
  removeEntry,
  writeEntry,
} from './menus.ts';
export { type Odd, oddOnes } from './odd.ts';
export {
  firstGallery,
  indentOf,
  insertAtEnd,
  insertBeside,
  insertScript,
  insertInHead,
  insertStylesheet,
  isDeferred,
  languageOf,
  newlineOf,
  scriptTag,
  SKELETON_STYLE,
  skeletonPage,
  stylesheetTag,
  titleOf,
} from './pages.ts';
export { pagersOf } from './pager.ts';
export { endOf } from './partners.ts';
export { type FilePlace, shownAddress, showsPicture } from './shown.ts';
export { type Pattern, patternOf, type PatternPart, SLOTS } from './pattern.ts';
export { classValue, rewriteTag } from './rewrite.ts';
export { matcherFor, matches } from './selectors.ts';
export { inSource, type Piece, type PieceAt, PIECES, placesBy, sourcePlaces } from './sourcePlaces.ts';
export { type NewItem } from './write.ts';
export { quirksOf } from './quirks.ts';
export { differenceOf } from './same.ts';
export { verified, verifiedSameShape } from './verify.ts';
export { editAttribute, editAttributes } from './attributes.ts';
export { holderOf, setAlt, setCaption, setOnLinks, setSlot, type SettableSlot } from './slots.ts';
export { addItems, freshItems, separatorOf } from './addItems.ts';
export { addSlide, type Slide } from './slides.ts';
export { hasViewport, LAID_OUT, metaIn } from './viewport.ts';
