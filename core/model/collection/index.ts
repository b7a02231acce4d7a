/** Pages that show the pictures of other pages. */
export { collectedGroups } from './collected.ts';
export { BEGIN, END, regionOf, standsIn } from './region.ts';
export { bringInStep, standings } from './inStep.ts';
