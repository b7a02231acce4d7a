export { type ParcelEntry, parcelOf } from './parcel.ts';
export { partOf, type PartFile } from './part.ts';
export { openZip } from './readZip.ts';
export { writeZip, type ZipSource } from './writeZip.ts';
