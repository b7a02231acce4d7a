/** Pictures of another site, with all that belongs to them: their sizes, texts, tags, and how they are made. */
import { notesChange, type SiteReading } from '../model/index.ts';
import {
  countOf,
  type FileChange,
  folderOf,
  type MadeRecord,
  nameOf,
  type PairDecision,
  type PictureWords,
  type Planned,
  refuse,
  type SiteNotes,
} from '../site/index.ts';
import { freePath } from './importPictures.ts';

interface BroughtFile {
  /** In the other site. */
  path: string;
  hash: string;
  bytes: number;
}

export interface BroughtPicture {
  full: BroughtFile;
  thumbnail: BroughtFile | null;
  /** Originals and further sizes. */
  others: BroughtFile[];
  words: PictureWords;
  tags: string[];
  focus: { x: number; y: number } | null;
  keepsPlace: boolean;
  /** Of its files. */
  made: MadeRecord[];
}

/** What the pictures of a site take along. Texts that only a page says go with the picture from now on. */
export function broughtFrom(site: SiteReading, fulls: readonly string[]): BroughtPicture[] {
  const { known } = site.notes;
  const strands = site.pages.flatMap((page) => page.strands.flat());
  const fileAt = (path: string): BroughtFile | null => {
    const content = site.files.get(path);
    return content?.kind === 'binary' ? { path, hash: content.hash, bytes: content.bytes } : null;
  };
  return fulls.flatMap((path): BroughtPicture[] => {
    const full = fileAt(path);
    const pair = site.pairing.pairs.find((one) => one.full === path);
    if (!full || !pair) return [];
    const made = [...site.made.values()].filter((one) => one.path === path || one.from === path);
    const originals = made.filter((one) => one.path === path).map(({ from }) => from);
    const siblings = [...site.made.values()].filter((one) => originals.includes(one.from));
    const records = [...new Set([...made, ...siblings])];
    const others = records
      .flatMap((one) => [one.path, one.from])
      .filter((one) => one !== path && one !== pair.thumbnail);
    const said = strands.find((one) => one.full === path && one.altStanding === 'said');
    const onPage = { ...(said?.alt ? { alt: said.alt } : {}), ...(said?.caption ? { caption: said.caption } : {}) };
    return [
      {
        full,
        thumbnail: pair.thumbnail === null ? null : fileAt(pair.thumbnail),
        others: [...new Set(others)].flatMap((one) => fileAt(one) ?? []),
        words: { ...onPage, ...known.words[full.hash] },
        tags: known.tags[full.hash] ?? [],
        focus: known.focus[full.hash] ?? null,
        keepsPlace: known.placeKept.includes(full.hash),
        made: records,
      },
    ];
  });
}

interface BringWish {
  /** The other site's name. */
  from: string;
  pictures: readonly BroughtPicture[];
}

export function bringPictures(site: SiteReading, { from, pictures }: BringWish): Planned {
  const byHash = new Map(
    [...site.files].flatMap(([path, content]) => (content.kind === 'binary' ? [[content.hash, path] as const] : [])),
  );
  const taken = new Set([...site.files.keys()].map((path) => path.toLowerCase()));
  const files: FileChange[] = [];
  /** Where each file stands here, by where it stood there. */
  const places = new Map<string, string>();
  for (const { path, hash, bytes } of pictures.flatMap(filesOf)) {
    if (places.has(path)) continue;
    const there = byHash.get(hash);
    const place = there ?? freePath(folderOf(path), nameOf(path), taken);
    places.set(path, place);
    if (there !== undefined) continue;
    taken.add(place.toLowerCase());
    byHash.set(hash, place);
    files.push({ kind: 'put', path: place, before: null, after: { kind: 'binary', hash, bytes } });
  }
  const fresh = new Set(files.map(({ path }) => path));
  const brought = pictures.filter((one) => filesOf(one).some(({ path }) => fresh.has(places.get(path) ?? '')));
  if (brought.length === 0) return refuse('These pictures are in this site already, with all their sizes.');
  const [only] = brought;
  const what = brought.length === 1 && only ? nameOf(only.full.path) : countOf(brought.length, 'picture');
  return {
    ok: true,
    change: {
      label: `Bring ${what} from ${from}`,
      files: [...files, ...notesChange(site, notesWith(site.notes.known, brought, places))],
    },
  };
}

const filesOf = ({ full, thumbnail, others }: BroughtPicture): BroughtFile[] => [
  full,
  ...(thumbnail ? [thumbnail] : []),
  ...others,
];

/** What is noted here already holds. */
function notesWith(
  known: SiteNotes,
  brought: readonly BroughtPicture[],
  places: ReadonlyMap<string, string>,
): Partial<SiteNotes> {
  const words = { ...known.words };
  const tags = { ...known.tags };
  const focus = { ...known.focus };
  const placeKept = new Set(known.placeKept);
  const decisions = [...known.decisions];
  const made = [...known.made];
  for (const picture of brought) {
    const { hash } = picture.full;
    const said = { ...picture.words, ...words[hash] };
    if (Object.keys(said).length > 0) words[hash] = said;
    const all = [...new Set([...(tags[hash] ?? []), ...picture.tags])];
    if (all.length > 0) tags[hash] = all;
    if (picture.focus) focus[hash] ??= picture.focus;
    if (picture.keepsPlace) placeKept.add(hash);
    // They belong together, however they are called here.
    const pair: PairDecision | null = picture.thumbnail && {
      small: picture.thumbnail.hash,
      large: hash,
      belong: true,
    };
    if (pair && !decisions.some(({ small, large }) => small === pair.small && large === pair.large))
      decisions.push(pair);
    for (const record of picture.made) {
      const [path, from] = [places.get(record.path), places.get(record.from)];
      if (path !== undefined && from !== undefined && !made.some((one) => one.path === path))
        made.push({ ...record, path, from });
    }
  }
  return { words, tags, focus, placeKept: [...placeKept], decisions, made };
}
