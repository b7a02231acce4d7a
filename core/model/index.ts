export * from './joints.ts';
export * from './making.ts';
export * from './menus.ts';
export * from './reading.ts';
export * from './references.ts';
export * from './renames.ts';
export * from './scripts.ts';
export * from './strands.ts';
