export * from './intent.ts';
export * from './plan.ts';
