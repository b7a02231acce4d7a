/** Pages that show the pictures of other pages. */
export { BEGIN, END, regionOf } from './region.ts';
export { bringInStep, standings } from './inStep.ts';
