/**
 * What a picture's file says in words: EXIF (CIPA DC-008), IPTC and XMP (IPTC Photo Metadata Standard), read by
 * exifr.
 */
import { parse, sidecar } from 'exifr';
import { metadataIn, sniffedType, type PhotoFacts } from '~core/photo/index.ts';

type Told = Pick<PhotoFacts, 'words' | 'keywords' | 'takenAt' | 'capture' | 'place' | 'orientation'>;

const text = (value: unknown): string | undefined => {
  const first: unknown = Array.isArray(value) ? value[0] : value;
  const found = typeof first === 'object' && first !== null && 'value' in first ? first.value : first;
  return typeof found === 'string' && found.trim() !== '' ? found.trim() : undefined;
};

const BEYOND_ASCII = /[\u0080-\u00ff]/;
// eslint-disable-next-line no-control-regex -- bytes are meant
const ALL_BYTES = /^[\u0000-\u00ff]*$/;

/** IPTC text comes as bytes read one by one; where they are UTF-8 they are put together again. */
function utf8(value: string | undefined): string | undefined {
  if (value === undefined || !BEYOND_ASCII.test(value) || !ALL_BYTES.test(value)) return value;
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(Uint8Array.from(value, (letter) => letter.charCodeAt(0)));
  } catch {
    return value;
  }
}

/** Of XMP, in whatever namespace it stands: the standard names one that is called after a program. */
const creditIn = (sections: Partial<Sections>): string | undefined =>
  Object.values(sections)
    .map((section) => text(section?.Credit))
    .find((found) => found !== undefined);

type Sections = Record<string, Record<string, unknown>>;
const OPTIONS = {
  tiff: true,
  exif: true,
  gps: true,
  iptc: true,
  xmp: true,
  translateValues: false,
  reviveValues: false,
  mergeOutput: false,
};

/** Without merging, the library answers with its sections by their names; its types do not say so. */
const sectionsIn = async (bytes: Uint8Array): Promise<Sections> =>
  ((await parse(bytes, OPTIONS)) as Sections | undefined) ?? {}; // see above
const sectionsOfPacket = async (xmp: Uint8Array): Promise<Sections> =>
  ((await sidecar(xmp, OPTIONS, 'xmp')) as Sections | undefined) ?? {}; // see above

/** The library does not know WebP; it is handed what stands in it. */
async function blocksOf(bytes: Uint8Array): Promise<Sections> {
  const { exif, xmp } = metadataIn(bytes);
  return { ...(exif ? await sectionsIn(exif) : {}), ...(xmp ? await sectionsOfPacket(xmp) : {}) };
}

async function sectionsOf(bytes: Uint8Array): Promise<Sections> {
  if (sniffedType(bytes) === 'image/webp') return blocksOf(bytes);
  return sectionsIn(bytes);
}

/** IPTC leads, then XMP, then EXIF (common practice, no source). */
function wordsIn({ ifd0 = {}, iptc = {}, dc = {}, ...others }: Sections): Told['words'] {
  const found = {
    title: [utf8(text(iptc.ObjectName)), text(dc.title)],
    caption: [utf8(text(iptc.Caption)), text(dc.description), utf8(text(ifd0.ImageDescription))],
    credit: [utf8(text(iptc.Credit)), creditIn(others), text(dc.creator), utf8(text(ifd0.Artist))],
    copyright: [utf8(text(iptc.CopyrightNotice)), text(dc.rights), utf8(text(ifd0.Copyright))],
  };
  const first = Object.entries(found).map(([name, all]) => [name, all.find((one) => one !== undefined)] as const);
  return Object.fromEntries(first.filter(([, value]) => value !== undefined));
}

/** More than are kept of a picture. */
const MOST_KEYWORDS = 40;

/** IPTC leads, then XMP; each once, as they are written. */
function keywordsIn({ iptc = {}, dc = {} }: Sections): string[] {
  const listed = (value: unknown): string[] =>
    (Array.isArray(value) ? value : [value]).flatMap((one: unknown) => utf8(text(one))?.slice(0, 60) ?? []);
  const keywords = listed(iptc.Keywords);
  return [...new Set(keywords.length > 0 ? keywords : listed(dc.subject))].slice(0, MOST_KEYWORDS);
}

type Place = NonNullable<Told['place']>;

const placeIn = ({ latitude, longitude }: Record<string, unknown>): Place | null =>
  typeof latitude === 'number' && typeof longitude === 'number' ? { latitude, longitude } : null;

/** Degrees, minutes and seconds, or minutes with their parts (Exif 2.32 for XMP, CIPA DC-010 §B.3). */
const COORDINATE = /^(\d+),(\d+(?:\.\d+)?)(?:,(\d+(?:\.\d+)?))?([NESW])$/;

function coordinate(value: unknown): number | null {
  const found = typeof value === 'string' ? COORDINATE.exec(value.trim()) : null;
  if (!found) return null;
  const [, degrees, minutes, seconds = '0', side = ''] = found;
  const all = Number(degrees) + Number(minutes) / 60 + Number(seconds) / 3600;
  return 'SW'.includes(side) ? -all : all;
}

/** Whatever prefix the packet gives the namespace. */
function placeInPacket(sections: Sections): Place | null {
  const read = (name: string) =>
    Object.values(sections)
      .map((section) => coordinate(section[name]))
      .find((found) => found !== null);
  const [latitude, longitude] = [read('GPSLatitude'), read('GPSLongitude')];
  return latitude === undefined || longitude === undefined ? null : { latitude, longitude };
}

const amount = (value: unknown): number | undefined =>
  typeof value === 'number' && Number.isFinite(value) && value > 0 ? value : undefined;

/** Makers write their name into the model as well; it is said once. */
function cameraIn({ Make, Model }: Record<string, unknown>): string | undefined {
  const [make, model] = [text(Make), text(Model)];
  if (model === undefined || make === undefined) return model ?? make;
  return model.toLowerCase().startsWith(make.toLowerCase().split(' ')[0] ?? '') ? model : `${make} ${model}`;
}

function captureIn({ ifd0 = {}, exif = {} }: Sections): Told['capture'] | null {
  const all = Object.entries({
    camera: cameraIn(ifd0),
    lens: text(exif.LensModel),
    seconds: amount(exif.ExposureTime),
    aperture: amount(exif.FNumber),
    iso: amount(exif.ISO),
    focalLength: amount(exif.FocalLength),
  }).filter(([, value]) => value !== undefined);
  return all.length > 0 ? Object.fromEntries(all) : null;
}

const DAY = /^(\d{4})[:-]?(\d\d)[:-]?(\d\d)(?:[ T]?(\d\d):?(\d\d)(?::?(\d\d))?)?/;

/** As EXIF, IPTC and XMP write it, each in its own way; zones are left out, as cameras do. */
function isoTime(value: string | undefined): string | undefined {
  const [, year, month, day, hours, minutes, seconds = '00'] = DAY.exec(value ?? '') ?? [];
  if (year === undefined || year === '0000' || month === '00' || day === '00') return undefined;
  const date = `${year}-${month}-${day}`;
  return hours === undefined ? date : `${date}T${hours}:${minutes}:${seconds}`;
}

/** When it was taken; EXIF leads, for a camera wrote it, then what was digitised, then XMP and IPTC. */
function takenIn({ exif = {}, iptc = {}, ...others }: Sections): string | undefined {
  const inPacket = (name: string) => Object.values(others).map((section) => text(section[name]));
  const day = text(iptc.DateCreated);
  const all = [
    text(exif.DateTimeOriginal),
    text(exif.CreateDate) ?? text(exif.DateTimeDigitized),
    ...inPacket('DateTimeOriginal'),
    ...inPacket('DateCreated'),
    ...inPacket('CreateDate'),
    day === undefined ? undefined : day + (text(iptc.TimeCreated) ?? ''),
  ];
  return all.map(isoTime).find((one) => one !== undefined);
}

/** Never fails: metadata that cannot be read is as good as none. */
export async function readWords(bytes: Uint8Array): Promise<Told> {
  const none: Told = { words: {}, orientation: 1 };
  try {
    const sections = await sectionsOf(bytes);
    const { ifd0 = {}, gps = {} } = sections;
    const taken = takenIn(sections);
    const place = placeIn(gps) ?? placeInPacket(sections);
    const capture = captureIn(sections);
    const keywords = keywordsIn(sections);
    return {
      words: wordsIn(sections),
      orientation: typeof ifd0.Orientation === 'number' ? ifd0.Orientation : 1,
      ...(taken === undefined ? {} : { takenAt: taken }),
      ...(keywords.length > 0 ? { keywords } : {}),
      ...(capture ? { capture } : {}),
      ...(place ? { place } : {}),
    };
  } catch {
    return none;
  }
}
