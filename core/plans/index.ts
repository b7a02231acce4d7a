export * from './intent.ts';
export * from './making.ts';
export * from './order.ts';
export * from './pictureWords.ts';
export * from './plan.ts';
export * from './renaming.ts';
export * from './rules.ts';
export * from './sources.ts';
export { spreadOf } from './split.ts';
