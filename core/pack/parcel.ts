/** The parcel: what is uploaded. Only the site's own files, at their own paths. */
import type { SiteReading } from '../model/index.ts';
import { byNaturalName, bytesOf, isPicturePath, mediaTypeOf } from '../site/index.ts';

export interface ParcelEntry {
  path: string;
  bytes: number;
  type: string;
  /** A picture that no page and no stylesheet refers to. */
  unused: boolean;
}

export function parcelOf(site: SiteReading): ParcelEntry[] {
  return [...site.files]
    .map(([path, content]) => ({ path, bytes: bytesOf(content), type: mediaTypeOf(path), unused: isPicturePath(path) && !site.used.has(path) }))
    .sort((a, b) => byNaturalName(a.path, b.path));
}
