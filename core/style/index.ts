export * from './cascade.ts';
export * from './declare.ts';
export * from './layout.ts';
export * from './media.ts';
export * from './roles.ts';
export * from './settings/index.ts';
export * from './sheets.ts';
export * from './values.ts';
