export { type ParcelEntry, parcelOf } from './parcel.ts';
export { readZip, writeZip, type ZipReading, type ZipSource } from './zip.ts';
