export * from './finding.ts';
export * from './rules.ts';
