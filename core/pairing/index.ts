export * from './assignment.ts';
export * from './content.ts';
export * from './names.ts';
export * from './pairs.ts';
