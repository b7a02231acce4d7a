/** The parcel: what is uploaded. Only the site's own files, at their own paths. */
import type { SiteReading } from '../model/index.ts';
import { byNaturalName, bytesOf, isPicturePath, mediaTypeOf } from '../site/index.ts';

export interface ParcelEntry {
  path: string;
  bytes: number;
  type: string;
  /** A picture that no page and no stylesheet refers to. */
  unused: boolean;
  /** Whether it says where it was taken, and whether it still does in the parcel. */
  place: 'none' | 'removed' | 'kept';
}

export function parcelOf(site: SiteReading): ParcelEntry[] {
  return [...site.files]
    .map(([path, content]) => ({
      path,
      bytes: bytesOf(content),
      type: mediaTypeOf(path),
      unused: isPicturePath(path) && !site.used.has(path),
      place: placeOf(site, path),
    }))
    .sort((a, b) => byNaturalName(a.path, b.path));
}

function placeOf(site: SiteReading, path: string): ParcelEntry['place'] {
  const content = site.files.get(path);
  if (content?.kind !== 'binary' || site.factsOf(path)?.place === undefined) return 'none';
  return site.notes.known.placeKept.includes(content.hash) ? 'kept' : 'removed';
}
