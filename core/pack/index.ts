export { type ParcelEntry, parcelOf } from './parcel.ts';
export { openZip } from './readZip.ts';
export { writeZip, type ZipSource } from './writeZip.ts';
