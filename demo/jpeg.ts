/** A JPEG as a camera and its owner leave it: its orientation, when and where it was taken, and its words. */
import type { Sharp } from 'sharp';
import { withIptc } from './iptc.ts';

/** What a picture's file says of it. */
export interface Told {
  title: string;
  caption: string;
  credit: string;
  copyright: string;
  keywords?: readonly string[];
  /** `YYYY:MM:DD hh:mm:ss`; without it the file says nothing at all. */
  taken?: string;
  /** 1 to 8 (CIPA DC-008); the pixels are stored turned the other way. */
  orientation?: number;
  /** Latitude and longitude, degrees. */
  place?: [number, number];
}

/** Degrees by which upright pixels are turned so that the orientation value turns them back (CIPA DC-008). */
const STORED_TURN: Record<number, number> = { 3: 180, 6: 270, 8: 90 };

const rational = (degrees: number) => {
  const whole = Math.abs(degrees);
  const minutes = (whole % 1) * 60;
  return `${Math.floor(whole)}/1 ${Math.floor(minutes)}/1 ${Math.round((minutes % 1) * 6000)}/100`;
};

function exifOf(told: Told): Record<string, Record<string, string>> {
  const exif: Record<string, Record<string, string>> = {
    IFD0: { ImageDescription: told.caption, Artist: told.credit, Copyright: told.copyright },
  };
  if (told.taken) exif.IFD2 = { DateTimeOriginal: told.taken };
  if (told.place) {
    const [latitude, longitude] = told.place;
    exif.IFD3 = {
      GPSLatitudeRef: latitude < 0 ? 'S' : 'N',
      GPSLatitude: rational(latitude),
      GPSLongitudeRef: longitude < 0 ? 'W' : 'E',
      GPSLongitude: rational(longitude),
    };
  }
  return exif;
}

/** A picture of upright pixels as a file, at a quality of 1 to 100. */
export async function jpegOf(upright: Sharp, quality: number, told: Told): Promise<Buffer> {
  const orientation = told.orientation ?? 1;
  const image = upright.rotate(STORED_TURN[orientation] ?? 0).jpeg({ quality });
  // Some pictures say nothing of themselves, as happens.
  if (!told.taken) return image.toBuffer();
  const exif = exifOf(told);
  const jpeg = await image.withExif(exif).withMetadata({ orientation }).withExifMerge(exif).toBuffer();
  return withIptc(jpeg, told);
}
