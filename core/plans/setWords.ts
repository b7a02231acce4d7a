/** Words of pictures set, in pages and in the notes; many at once are one change. */
import { setAlt, setCaption, setSlot } from '../markup/index.ts';
import { notesChange, type SiteReading } from '../model/index.ts';
import {
  type Edit,
  type Edited,
  type FileChange,
  nameOf,
  type PictureWords,
  type Planned,
  refuse,
  type Result,
} from '../site/index.ts';
import { itemOf, markupIn } from './items.ts';

interface ItemWords {
  strand: string;
  alt?: string | undefined;
  caption?: string | undefined;
  title?: string | undefined;
}

interface FileWords {
  path: string;
  /** An empty text takes the word back; the file's own is shown again. */
  words: PictureWords;
}

export function setWords(
  site: SiteReading,
  {
    items,
    pictures,
    label,
  }: { items: readonly ItemWords[]; pictures: readonly FileWords[]; label?: string | undefined },
): Planned {
  const written = itemEdits(site, items);
  if (!written.ok) return written;
  const files: FileChange[] = [...written.edits].map(([path, edits]) => ({ kind: 'edit', path, edits }));
  if (pictures.length > 0) {
    const words = wordsWith(site, pictures);
    if (!words.ok) return words;
    files.push(...notesChange(site, { words: words.words }));
  }
  return { ok: true, change: { label: label ?? labelFor(site, items, pictures), files } };
}

function itemEdits(site: SiteReading, items: readonly ItemWords[]): Result<{ edits: Map<string, Edit[]> }> {
  const edits = new Map<string, Edit[]>();
  for (const { strand, alt, caption, title } of items) {
    const found = itemOf(site, strand);
    if (!found) return refuse('An item is no longer at this place; the page has changed meanwhile.');
    const { page, item } = found;
    const markup = caption === undefined ? null : markupIn(page.document, item);
    if (markup !== null) return refuse(`${found.strand.name} on ${page.path}: ${markup}`);
    const results: Edited[] = [
      ...(alt === undefined ? [] : [setAlt(page.document, item, alt)]),
      ...(caption === undefined ? [] : [setCaption(page.document, item, caption)]),
      ...(title === undefined ? [] : [setSlot(page.document, item, 'title', title)]),
    ];
    for (const edited of results) {
      if (!edited.ok) return refuse(`${found.strand.name} on ${page.path}: ${edited.reason}`);
      edits.set(page.path, [...(edits.get(page.path) ?? []), ...edited.edits]);
    }
  }
  return { ok: true, edits };
}

type NotedWords = SiteReading['notes']['known']['words'];

/** The words of all pictures, by content, with those that change. */
function wordsWith(site: SiteReading, pictures: readonly FileWords[]): Result<{ words: NotedWords }> {
  const words = { ...site.notes.known.words };
  for (const { path, words: changed } of pictures) {
    const content = site.files.get(path);
    if (content?.kind !== 'binary') return refuse(`There is no ${path} any more.`);
    const merged = Object.fromEntries(
      Object.entries({ ...words[content.hash], ...changed }).filter(([, text]) => text !== undefined && text !== ''),
    );
    if (Object.keys(merged).length > 0) words[content.hash] = merged;
    else delete words[content.hash];
  }
  return { ok: true, words };
}

function labelFor(site: SiteReading, items: readonly ItemWords[], pictures: readonly FileWords[]): string {
  const count = items.length + pictures.length;
  if (count !== 1) return `Set the words of ${count} pictures`;
  const [picture] = pictures;
  const name = picture ? nameOf(picture.path) : itemOf(site, items[0]?.strand ?? '')?.strand.name;
  return `Set the words of ${name ?? 'an item'}`;
}

/** Whether pictures may say where they were taken when they leave. */
export function keepPlace(site: SiteReading, { paths, keep }: { paths: readonly string[]; keep: boolean }): Planned {
  const hashes = paths.flatMap((path) => {
    const content = site.files.get(path);
    return content?.kind === 'binary' ? [content.hash] : [];
  });
  const kept = new Set(site.notes.known.placeKept);
  for (const hash of hashes) {
    if (keep) kept.add(hash);
    else kept.delete(hash);
  }
  return {
    ok: true,
    change: {
      label: `${keep ? 'Keep' : 'Remove'} the location in ${paths.length === 1 ? nameOf(paths[0] ?? '') : `${paths.length} pictures`}`,
      files: notesChange(site, { placeKept: [...kept] }),
    },
  };
}
