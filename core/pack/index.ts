export { type ParcelEntry, parcelOf } from './parcel.ts';
export { openZip, type OpenedZip, type ZipFile } from './readZip.ts';
export { writeZip, type ZipSource } from './writeZip.ts';
