/**
 * What a camera and an author say of a picture, as a viewer shows it: `Camera: …; Taken: …`. Names of fields in the
 * languages of pages are from memory, not from a published list.
 */
import type { Capture } from '../photo/index.ts';

export const INFORMATION_FIELDS = ['taken', 'camera', 'lens', 'exposure', 'credit', 'copyright'] as const;
export type InformationField = (typeof INFORMATION_FIELDS)[number];

export interface Information extends Capture {
  /** ISO date and time without zone. */
  takenAt?: string | null;
  credit?: string;
  copyright?: string;
}

type Names = Readonly<Record<InformationField, string>>;

const names = (taken: string, camera: string, lens: string, exposure: string, credit: string): Names => ({
  taken,
  camera,
  lens,
  exposure,
  credit,
  copyright: 'Copyright',
});

const ENGLISH = names('Taken', 'Camera', 'Lens', 'Exposure', 'Credit');

const NAMES: Readonly<Record<string, Names>> = {
  cs: names('Pořízeno', 'Fotoaparát', 'Objektiv', 'Expozice', 'Autor'),
  da: names('Taget', 'Kamera', 'Objektiv', 'Eksponering', 'Foto'),
  de: names('Aufgenommen', 'Kamera', 'Objektiv', 'Belichtung', 'Foto'),
  es: names('Tomada', 'Cámara', 'Objetivo', 'Exposición', 'Autoría'),
  fi: names('Otettu', 'Kamera', 'Objektiivi', 'Valotus', 'Kuva'),
  fr: names('Prise', 'Appareil', 'Objectif', 'Exposition', 'Crédit'),
  it: names('Scattata', 'Fotocamera', 'Obiettivo', 'Esposizione', 'Crediti'),
  nb: names('Tatt', 'Kamera', 'Objektiv', 'Eksponering', 'Foto'),
  nl: names('Genomen', 'Camera', 'Objectief', 'Belichting', 'Foto'),
  pl: names('Wykonano', 'Aparat', 'Obiektyw', 'Ekspozycja', 'Autor'),
  pt: names('Tirada', 'Câmara', 'Objetiva', 'Exposição', 'Créditos'),
  sv: names('Tagen', 'Kamera', 'Objektiv', 'Exponering', 'Foto'),
};

const rounded = (value: number): number => Math.round(value * 10) / 10;

/** As photographers write it: 1/250 s, f/8, ISO 100, 35 mm (common practice, no source). */
function exposureOf({ seconds, aperture, iso, focalLength }: Capture): string {
  const time = seconds === undefined || seconds <= 0 ? null : timeOf(seconds);
  return [
    ...(time === null ? [] : [time]),
    ...(aperture === undefined ? [] : [`f/${rounded(aperture)}`]),
    ...(iso === undefined ? [] : [`ISO ${Math.round(iso)}`]),
    ...(focalLength === undefined ? [] : [`${rounded(focalLength)} mm`]),
  ].join(', ');
}

const timeOf = (seconds: number): string =>
  seconds < 0.3 ? `1/${Math.round(1 / seconds)} s` : `${rounded(seconds)} s`;

/** The day, as the page's language writes it; empty where it is none. */
function dayOf(takenAt: string | null | undefined, language: string): string {
  const at = takenAt ? Date.parse(`${takenAt.slice(0, 10)}T00:00:00Z`) : NaN;
  if (Number.isNaN(at)) return '';
  return new Intl.DateTimeFormat(language, { dateStyle: 'long', timeZone: 'UTC' }).format(at);
}

/** The viewer parts fields by semicolons. */
const inOnePiece = (text: string): string =>
  text
    .replace(/\s*;\s*/g, ', ')
    .replace(/\s+/g, ' ')
    .trim();

/** `language` is that of the page (BCP 47); one that is not known here is taken for English. */
export function informationOf(said: Information, fields: readonly InformationField[], language: string): string {
  const code = language.trim().toLowerCase().split('-')[0] ?? '';
  const known = NAMES[code === 'no' || code === 'nn' ? 'nb' : code];
  const values: Record<InformationField, string> = {
    taken: dayOf(said.takenAt, known ? code : 'en'),
    camera: said.camera ?? '',
    lens: said.lens ?? '',
    exposure: exposureOf(said),
    credit: said.credit ?? '',
    copyright: said.copyright ?? '',
  };
  return INFORMATION_FIELDS.filter((field) => fields.includes(field) && values[field].trim() !== '')
    .map((field) => `${(known ?? ENGLISH)[field]}: ${inOnePiece(values[field])}`)
    .join('; ');
}
