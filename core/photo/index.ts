export * from './facts.ts';
export * from './ground.ts';
export * from './likeness.ts';
export * from './orientation.ts';
export * from './pixels.ts';
export * from './resample.ts';
export * from './size.ts';
