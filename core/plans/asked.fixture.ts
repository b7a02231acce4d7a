/** Small sites, and what comes of asking for something: the label and what changed, or the reason why not. */
import { readSite, type SiteReading } from '../model/index.ts';
import type { PhotoFacts } from '../photo/index.ts';
import { applyChange, type FileContent, NOTES_FILE, type Planned, readNotes, type SiteNotes } from '../site/index.ts';
import { type Kit, KitManifest } from '../wiring/index.ts';
import type { Intent } from './intent.ts';
import { planFor } from './plan.ts';

type Notes = Partial<SiteNotes>;

interface SiteWish {
  notes?: Notes;
  facts?: Record<string, Partial<PhotoFacts>>;
  kits?: readonly Kit[];
  /** By hash; 1 where nothing is said. */
  bytes?: Record<string, number>;
}

export const FACTS: PhotoFacts = {
  width: 60,
  height: 40,
  orientation: 1,
  likeness: '0'.repeat(16),
  mean: [0, 0, 0],
  luma: { width: 1, height: 1, data: new Uint8Array(1) },
  words: {},
};

const binary = (hash: string, bytes = 1): FileContent => ({ kind: 'binary', hash, bytes });

/** Texts by their paths; what ends like a picture holds its text as the hash of its content. */
export function siteOf(
  files: Readonly<Record<string, string>>,
  { notes, facts = {}, kits = [], bytes = {} }: SiteWish = {},
): SiteReading {
  const all = new Map<string, FileContent>(
    Object.entries(files).map(([path, text]) => [
      path,
      /\.(jpg|png)$/.test(path) ? binary(text, bytes[text]) : { kind: 'text', text },
    ]),
  );
  if (notes) all.set(NOTES_FILE, { kind: 'text', text: JSON.stringify({ format: 1, ...notes }) });
  const known = Object.entries(facts).map(([hash, some]): [string, PhotoFacts] => [hash, { ...FACTS, ...some }]);
  return readSite(all, new Map(known), kits);
}

/** The files of a site with its notes, as a change expects them. */
function filesOf(site: SiteReading): Map<string, FileContent> {
  const { file } = site.notes;
  return new Map<string, FileContent>([...site.files, ...(file ? [[NOTES_FILE, file] as const] : [])]);
}

interface Asked {
  label: string;
  /** Files that are new or other: texts, or hashes; null where one went. */
  files: Record<string, string | null>;
  /** Those parts of the notes that are other. */
  notes: Notes;
}

const said = (content: FileContent | undefined): string | null => {
  if (!content) return null;
  return content.kind === 'text' ? content.text : content.hash;
};

function notesOf(content: FileContent | undefined): SiteNotes {
  const read = readNotes(content?.kind === 'text' ? content.text : '{"format":1}');
  if (!read.ok) throw new Error(read.reason);
  return read.notes;
}

/** What a plan comes to. */
export function outcomeOf(site: SiteReading, planned: Planned): Asked | string {
  if (!planned.ok) return planned.reason;
  const before = filesOf(site);
  const applied = applyChange(before, planned.change);
  if (!applied.ok) throw new Error(applied.reason);
  const { files: after } = applied;
  const paths = [...new Set([...before.keys(), ...after.keys()])].filter((path) => path !== NOTES_FILE).sort();
  const changed = paths.filter((path) => said(before.get(path)) !== said(after.get(path)));
  const [old, now] = [notesOf(before.get(NOTES_FILE)), notesOf(after.get(NOTES_FILE))];
  const parts = Object.entries(now).filter(
    ([part, value]) => JSON.stringify(value) !== JSON.stringify(old[part as keyof SiteNotes]), // keys of the notes
  );
  return {
    label: planned.change.label,
    files: Object.fromEntries(changed.map((path) => [path, said(after.get(path))])),
    notes: Object.fromEntries(parts),
  };
}

/** What comes of an intent. */
export const asked = (site: SiteReading, intent: Intent): Asked | string => outcomeOf(site, planFor(site, intent));

/** An item: a link around a thumbnail. */
export const linked = (name: string, more = '', folder = ''): string =>
  `<a href="${folder}${name}.jpg"${more && ` ${more}`}><img src="${folder}t/${name}.jpg" alt="${name}"></a>`;

/** A page with a list of items, one a line. */
export const listPage = (items: readonly string[], title = 'Kites', before = ''): string =>
  `<!DOCTYPE html>\n<html>\n<head><title>${title}</title></head>\n<body>\n${before}<h1>${title}</h1>\n<ul>\n${items
    .map((item) => `  <li>${item}</li>\n`)
    .join('')}</ul>\n</body>\n</html>\n`;

const NAMES = ['a', 'b', 'c'];
/** Three pictures with their thumbnails: `a.jpg` holds `A`, `t/a.jpg` holds `ta`. */
export const PICTURES: Record<string, string> = Object.fromEntries(
  NAMES.flatMap((name) => [
    [`${name}.jpg`, name.toUpperCase()],
    [`t/${name}.jpg`, `t${name}`],
  ]),
);

/** The names of the strands of a page's galleries, in their order. */
export const strandsOf = (site: SiteReading, path: string): string[] =>
  site.pages
    .find((page) => page.path === path)
    ?.strands.flat()
    .map(({ id }) => id) ?? [];

/** A viewer whose visitors choose by tags. */
export const SIEVE: Kit = {
  kind: 'viewer',
  files: {},
  manifest: KitManifest.parse({
    name: 'sieve',
    title: 'Sieve',
    says: 'Pictures are chosen by their tags.',
    does: 'page',
    folder: 'viewer',
    files: [{ name: 'sieve.js', role: 'script', gives: ['sieve'] }],
    marker: { on: 'gallery', attribute: 'data-sift' },
    tags: { attribute: 'data-is' },
    caption: { from: [] },
    start: { call: 'sieve' },
  }),
};
