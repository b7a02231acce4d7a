/**
 * What a picture's name says of its role: the practices by which people name thumbnails (common practice, no source).
 * A new practice is one more row of a table.
 */
import { folderOf, isPicturePath, stemOf, extensionOf, type NamingRule } from '../site/index.ts';

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
  const sizeFolder = folders.findLastIndex(
    (folder) => THUMBNAIL_FOLDERS.test(folder) || FULL_SIZE_FOLDERS.test(folder),
  );
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
  return {
    role,
    bare: folded,
    key: `${base.toLowerCase()}/${folded}`,
    weak,
    form: `${folderOf(path)}${stem.replace(bare, '{name}')}.${extensionOf(path)}`,
  };
}

/**
 * What a form with `{name}` in it makes of a path: the bare name, or null where the path is not of that form. Any
 * picture format will do.
 */
function nameBy(form: string, path: string): string | null {
  const [before = '', after = ''] = form.split('{name}');
  const tail = isPicturePath(`x${after}`) ? stemOf(`x${after}`).slice(1) : after;
  const bare = path.slice(0, path.length - extensionOf(path).length - 1);
  if (
    !form.includes('{name}') ||
    !bare.startsWith(before) ||
    !bare.endsWith(tail) ||
    bare.length <= before.length + tail.length
  )
    return null;
  const name = bare.slice(before.length, bare.length - tail.length);
  return name.includes('/') ? null : name;
}

/** The same by a rule that somebody wrote, which goes before all practices. */
function readByRule(path: string, rules: readonly NamingRule[]): NameReading | null {
  for (const [n, rule] of rules.entries()) {
    for (const role of ['thumbnail', 'full-size'] as const) {
      const form = role === 'thumbnail' ? rule.thumbnail : rule.full;
      const name = nameBy(form, path);
      // `{name}.jpg` for the full-size picture also fits its thumbnail; the longer form says more.
      if (name !== null)
        return { role, key: `rule ${n}/${name.toLowerCase()}`, bare: name.toLowerCase(), form, weak: false };
    }
  }
  return null;
}

export const readNameBy = (path: string, rules: readonly NamingRule[]): NameReading =>
  readByRule(path, rules) ?? readName(path);

/** Why a rule cannot be used; null where it can. */
export function troubleOf({ thumbnail, full }: NamingRule): string | null {
  for (const [what, form] of [
    ['thumbnail', thumbnail],
    ['full-size picture', full],
  ] as const) {
    if (form.split('{name}').length !== 2) return `The form of the ${what} needs “{name}” in it, once.`;
    if (form.startsWith('/') || form.includes('..'))
      return `The form of the ${what} begins at the site’s folder, without a slash and without “..”.`;
  }
  return thumbnail === full ? 'Both forms are the same; nothing would tell the two apart.' : null;
}
