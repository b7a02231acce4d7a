export * from './names.ts';
export * from './pairs.ts';
