/** What is known of a picture by its content; computed once for each content. */

import type { Luma } from './luma.ts';

export interface PhotoWords {
  title?: string;
  caption?: string;
  credit?: string;
  copyright?: string;
}

/** Of EXIF (CIPA DC-008 §4.6); a field that the file does not have is not there. */
export interface Capture {
  camera?: string | undefined;
  lens?: string | undefined;
  /** Time of exposure; s. */
  seconds?: number | undefined;
  /** The f-number. */
  aperture?: number | undefined;
  /** Sensitivity (ISO 12232). */
  iso?: number | undefined;
  /** Focal length; mm. */
  focalLength?: number | undefined;
}

export interface PhotoFacts {
  /** As shown, with the orientation applied; image px. */
  width: number;
  height: number;
  /** EXIF orientation 1 to 8. */
  orientation: number;
  /** 64-bit perceptual hash in hexadecimal. */
  likeness: string;
  mean: [number, number, number];
  /** Small and grey, for finding the place that a crop was taken from. */
  luma: Luma;
  words: PhotoWords;
  /** As whoever keeps the pictures has filed them (IPTC Photo Metadata Standard, “Keywords”). */
  keywords?: string[];
  /** ISO date and time without zone, as cameras write it. */
  takenAt?: string;
  /** What the camera noted of it. */
  capture?: Capture;
  /** Where it was taken, if the file says so. */
  place?: { latitude: number; longitude: number };
  /** More than one frame; what is made of it is still. */
  animated?: true;
  /** Some of its pixels are clear, wholly or in part. */
  clear?: true;
  /** Why the picture could not be read; the sizes are then 0. */
  unreadable?: string;
}
