/**
 * What a picture's name says of its role: the practices by which people name thumbnails (common practice, no source).
 * A new practice is one more row of a table.
 */
import { folderOf, stemOf, extensionOf } from '../site/index.ts';

export interface NameReading {
  role: 'thumbnail' | 'full-size';
  /** Equal for all sizes of one picture: folder without its size word, and the bare name in lower case. */
  key: string;
  /** Only the bare name, for matches across folders. */
  bare: string;
  /** How the name is made, with `{name}` in place of the bare name: `small/{name}.jpg`. */
  form: string;
  /** The sign may be part of a name (`_s`), so it counts only where the other picture is there. */
  weak: boolean;
}

const THUMBNAIL_FOLDERS = /^(thumbs?|thumbnails?|small|smalls|mini|minis|tn|tiny|previews?|sm|klein)$/i;
const FULL_SIZE_FOLDERS = /^(large|big|full|fullsize|full-size|originals?|lg|gross|zoom)$/i;

interface Affix {
  pattern: RegExp;
  weak?: boolean;
  role?: 'full-size';
}

const AFFIXES: readonly Affix[] = [
  { pattern: /^(?<name>.+)[-_](?:thumb(?:nail)?|small|mini|tn)$/i },
  { pattern: /^(?:thumb(?:nail)?|small|tn|th)[-_](?<name>.+)$/i },
  { pattern: /^(?<name>.+)-\d{2,4}x\d{2,4}$/ },
  { pattern: /^(?<name>.+)[-_](?:large|big|full)$/i, role: 'full-size' },
  { pattern: /^(?<name>.+)[-_][ts]$/i, weak: true },
];

export function readName(path: string): NameReading {
  const folders = folderOf(path).split('/').filter(Boolean);
  const stem = stemOf(path);
  const sizeFolder = folders.findLastIndex((folder) => THUMBNAIL_FOLDERS.test(folder) || FULL_SIZE_FOLDERS.test(folder));
  const inThumbnails = sizeFolder >= 0 && THUMBNAIL_FOLDERS.test(folders[sizeFolder] ?? '');

  let bare = stem;
  let role: NameReading['role'] = inThumbnails ? 'thumbnail' : 'full-size';
  let weak = false;
  for (const affix of AFFIXES) {
    const name = affix.pattern.exec(stem)?.groups?.name;
    if (!name) continue;
    bare = name;
    weak = affix.weak === true && !inThumbnails;
    if (!affix.role) role = 'thumbnail';
    break;
  }
  const base = folders.filter((_, n) => n !== sizeFolder).join('/');
  const folded = bare.toLowerCase();
  return { role, bare: folded, key: `${base.toLowerCase()}/${folded}`, weak, form: `${folderOf(path)}${stem.replace(bare, '{name}')}.${extensionOf(path)}` };
}
