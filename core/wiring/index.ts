export * from './kit.ts';
export * from './scripts.ts';
export * from './startCalls.ts';
export * from './viewer.ts';
export * from './wire.ts';
