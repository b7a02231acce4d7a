export * from './document.ts';
export * from './encode.ts';
export * from './galleries.ts';
export * from './hazards.ts';
export * from './items.ts';
export * from './pages.ts';
export * from './pattern.ts';
