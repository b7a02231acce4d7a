/** Pages whose text is kept as Markdown beside them. */
export { leadText, partText, textsInStep } from './inStep.ts';
export { placeInText, placeOnPage } from './places.ts';
export { rebased } from './rebased.ts';
export { type PageText, textsOf } from './texts.ts';
export { sourceWritten, textWritten } from './written.ts';
