/**
 * What names a place where a picture was taken, as data: properties of XMP (Exif 2.32 for XMP, CIPA DC-010; IPTC Photo
 * Metadata Standard 2023.1; W3C Basic Geo), whatever prefix stands before them, and datasets of IPTC-IIM 4.2.
 */

/** Local names of XMP properties. `Longtitude` is how one maker of cameras writes it (from files seen). */
const PROPERTIES = [
  'GPS[^\\s=>/"\']*',
  'Latitude',
  'Longitude',
  'Longtitude',
  'Altitude',
  'AbsoluteAltitude',
  'RelativeAltitude',
  'lat',
  'long',
  'lat_long',
  'City',
  'State',
  'Country',
  'CountryCode',
  'CountryName',
  'ProvinceState',
  'Sublocation',
  'WorldRegion',
  'Location',
  'LocationId',
  'LocationName',
  'LocationCreated',
  'LocationShown',
];

/** A name with any prefix, or none. */
export const PROPERTY = `(?:[^\\s<>/="':]+:)?(?:${PROPERTIES.join('|')})`;

/** Whether a keyword of a text in a picture names a place: `exif:GPSLatitude`, `Location`. Readers pass over controls. */
export const namesPlace = (keyword: string): boolean =>
  new RegExp(`^${PROPERTY}$`, 'i').test(keyword.replace(/[^ -~]/g, '').trim());

/** Record 2 of IIM: codes and names of locations, city, sub-location, state, country. */
export const DATASETS: ReadonlySet<number> = new Set([26, 27, 90, 92, 95, 100, 101]);
