/** The pictures of a gallery, written out as a list among the files of the site. */
import { LIST_FORMATS } from '../lists/index.ts';
import { galleryList, type SiteReading } from '../model/index.ts';
import { cleanPath, extensionOf, nameOf, type Planned, refuse } from '../site/index.ts';
import { GALLERY_GONE, galleryAt } from './items.ts';

export function saveList(
  site: SiteReading,
  { page, gallery, path: raw }: { page: string; gallery: number; path: string },
): Planned {
  const found = galleryAt(site, { page, gallery });
  if (!found) return refuse(GALLERY_GONE);
  const clean = cleanPath(raw.trim());
  if (!clean.ok) return refuse(`“${raw}” cannot be a file’s name: ${clean.reason}.`);
  const { path } = clean;
  const format = LIST_FORMATS.find((one) => one === extensionOf(path));
  if (!format) return refuse(`“${path}” ends in none of ${LIST_FORMATS.map((one) => `.${one}`).join(', ')}.`);
  const there = site.index.lookup(path);
  if (there.found !== 'nothing') return refuse(`There is a file ${there.path} already.`);
  const text = galleryList(site, { page: found.page, gallery }, { format, path });
  return {
    ok: true,
    change: {
      label: `Save the gallery of ${page} as ${nameOf(path)}`,
      files: [{ kind: 'put', path, before: null, after: { kind: 'text', text } }],
    },
  };
}
