export * from './parcel.ts';
export * from './zip.ts';
