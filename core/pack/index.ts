export { changedSince, type Leaving, type LeavingFile, type SinceFile } from './leaving.ts';
export { type ParcelEntry, parcelOf } from './parcel.ts';
export { partOf, type PartFile } from './part.ts';
export { openZip } from './readZip.ts';
export { writeZip, type ZipSource } from './writeZip.ts';
export { LINES } from './lines.ts';
export { hostEntries } from './multistatus.ts';
export { type HostListing, type UploadStep, uploadSteps } from './uploading.ts';
export { addressed, CHECKSUMS, checksumLine, publicAddress, uploadOf, type UploadView } from './written.ts';
