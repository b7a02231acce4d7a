export * from './mapping.ts';
export * from './table.ts';
export * from './words.ts';
