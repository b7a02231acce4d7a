export * from './notes.ts';
export * from './parcel.ts';
export * from './zip.ts';
