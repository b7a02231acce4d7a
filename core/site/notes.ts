/**
 * `heathmoor.json`: what the program remembers of a site beyond its files. It stands among the site's files, so that
 * what was decided is undone and kept like any other change; it goes into archives and never into a parcel.
 */
import { z } from 'zod';
import type { FileContent, SiteFiles } from './files.ts';
import { refuse, type Result } from './result.ts';

export const NOTES_FILE = 'heathmoor.json';

/**
 * Whether two pictures are thumbnail and full-size picture of one another, decided by hand; by the hashes of their
 * contents, so that it outlasts their names.
 */
const PairDecision = z.object({ small: z.string().max(128), large: z.string().max(128), belong: z.boolean() });
export type PairDecision = z.infer<typeof PairDecision>;

const hash = z.string().max(128);
const path = z.string().max(1000);
const text = z.string().max(5000);
/** In shares of width and height. */
const point = z.object({ x: z.number().min(0).max(1), y: z.number().min(0).max(1) });

/** Words about a picture that its file does not say, or says otherwise. */
export const PictureWords = z
  .object({
    title: text,
    caption: text,
    alt: text,
    credit: text,
    copyright: text,
    /** ISO date and time without zone. */ takenAt: z.string().max(40),
  })
  .partial();
export type PictureWords = z.infer<typeof PictureWords>;

/**
 * A file that was made of a picture: from which content, by which recipe, and what came out. It is made again only
 * where one of these is another.
 */
export const MadeRecord = z.object({
  path,
  /** Which size of the recipe it is: `thumbnail`, `full-size`, or the title of a further one. */
  as: z.string().max(60),
  /** The file it was made from, and the hash of what that held. */
  from: path,
  of: hash,
  /** Fingerprint of the size. */
  by: z.string().max(16),
  /** Hash of the outcome. */
  is: hash,
  /** The point that was suggested when it was cut; a suggestion that changes is no reason to cut it again. */
  about: point.optional(),
  /** Copyright and credit that were written into it, beyond what its source says itself. */
  rights: z.object({ copyright: text, credit: text }).optional(),
});
export type MadeRecord = z.infer<typeof MadeRecord>;

/** How thumbnails and full-size pictures are named, as somebody wrote it: `thumbs/{name}_k.jpg`. */
const NamingRule = z.object({ thumbnail: path, full: path });
export type NamingRule = z.infer<typeof NamingRule>;

const day = z.string().max(10);

/** How items are written, where none stands any more that it could be learnt from. */
const ItemsHand = z.object({
  pattern: z.string().max(20_000),
  free: z.array(z.tuple([z.string().max(200), z.string().max(200).nullable()])).max(500),
  lead: z.string().max(500),
  separator: z.string().max(500),
  tail: z.string().max(500),
  size: z.object({ width: z.number().nullable(), height: z.number().nullable() }).optional(),
});

export const COLLECTION_ORDERS = ['page', 'taken', 'newest', 'name'] as const;
export const COLLECTION_GROUPS = ['none', 'page', 'month'] as const;

/** Which pictures of other pages a page shows. */
export const Collected = z.object({
  /** Pages whose pictures it shows; null for all. */
  pages: z.array(path).max(5000).nullable(),
  tag: z.string().max(60).nullable(),
  /** ISO days, both included; empty for any. */
  since: day,
  until: day,
  order: z.enum(COLLECTION_ORDERS),
  group: z.enum(COLLECTION_GROUPS),
  /** Links to the pages of all tags stand above the pictures. */
  tagLinks: z.boolean().default(false),
});
export type Collected = z.infer<typeof Collected>;

/** A page that shows pictures of other pages, and is kept in step with them. */
export const Collection = Collected.extend({
  page: path,
  /** The tags around the items of each group. */
  open: z.string().max(5000),
  close: z.string().max(200),
  hand: ItemsHand,
  /** A fingerprint of each line that was written last: what differs from it since is the author's. */
  lines: z.array(z.string().max(16)).max(500_000),
});
export type Collection = z.infer<typeof Collection>;

/** Which column of a list file holds what; kept by the names of its columns. */
export const ListMapping = z.object({
  columns: z.array(z.string().max(300)).max(200),
  full: z.string(),
  thumbnail: z.string().nullable(),
  title: z.string().nullable(),
  caption: z.string().nullable(),
  alt: z.string().nullable(),
  tags: z.string().nullable(),
});
export type ListMapping = z.infer<typeof ListMapping>;

export const FOLDER_ORDERS = ['name', 'taken', 'newest'] as const;

/** Where the pictures of a gallery come from: a list among the site's files, or one of its folders. */
/** Rows of a list, counted from 1: those behind `from`, up to `to`. */
const ListPart = z.strictObject({ from: z.number().int().min(0), to: z.number().int().min(1).nullable() });
export type ListPart = z.infer<typeof ListPart>;

export const ListSource = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('list'), path, mapping: ListMapping, part: ListPart.optional() }),
  /** With the slash behind it; empty for the folder of the site. */
  z.strictObject({ kind: z.literal('folder'), path, order: z.enum(FOLDER_ORDERS), part: ListPart.optional() }),
]);
export type ListSource = z.infer<typeof ListSource>;

const print = z.string().max(16);

/** A gallery that follows a list, and what that said when both were brought together last. */
const FollowedList = z.object({
  page: path,
  /** Its number on the page; another that shows more of these pictures is taken for it. */
  gallery: z.number().int().min(0),
  source: ListSource,
  /** Pictures with a print of each of their texts; empty where the list says none. */
  rows: z.array(z.object({ full: z.string().max(2000), title: print, caption: print, alt: print })).max(20_000),
});
export type FollowedList = z.infer<typeof FollowedList>;

export const ORDERS = ['name', 'taken', 'hand'] as const;

export const SiteNotes = z.object({
  format: z.literal(1),
  name: z.string().min(1).max(200).optional(),
  created: z.iso.datetime().optional(),
  /** Which exercise the site is. */
  exercise: z.string().max(60).optional(),
  /** Sizes that are made of pictures; checked where it is read, for its rules are those of pictures. */
  recipe: z.unknown().optional(),
  decisions: z.array(PairDecision).max(100_000).default([]),
  /** About which point crops are cut, in shares of width and height; by the hash of the picture. */
  focus: z.record(hash, point).default({}),
  /** How a picture is rotated in all that is made of it; checked where it is read. By its hash. */
  rotations: z.record(hash, z.unknown()).default({}),
  /** Sizes that one picture has of its own instead of the recipe's: by its hash, then by which size it is. */
  sizes: z.record(hash, z.record(z.string().max(60), z.unknown())).default({}),
  made: z.array(MadeRecord).max(100_000).default([]),
  words: z.record(hash, PictureWords).default({}),
  tags: z.record(hash, z.array(z.string().min(1).max(60)).max(40)).default({}),
  /** Whose pictures these are, where a picture does not say. */
  rights: z.object({ copyright: text.default(''), credit: text.default('') }).default({ copyright: '', credit: '' }),
  /** Pictures that may say where they were taken when they leave. */
  placeKept: z.array(hash).max(100_000).default([]),
  order: z.object({ by: z.enum(ORDERS), hand: z.array(hash).max(100_000) }).default({ by: 'name', hand: [] }),
  naming: z.object({ own: z.array(NamingRule).max(50), off: z.array(path).max(200) }).default({ own: [], off: [] }),
  /** What items of galleries are, where their author has said it: elements of a selector, or that these are none. */
  units: z
    .array(z.object({ page: path, selector: z.string().min(1).max(500), gallery: z.boolean() }))
    .max(5000)
    .default([]),
  lists: z.array(ListMapping).max(50).default([]),
  /**
   * Manifests of the author's own viewer scripts, whose files are files of the site; checked where they are read, for
   * their rules are those of kits.
   */
  kits: z.array(z.unknown()).max(100).default([]),
  /**
   * Of links whose viewer was changed what the page does not say any more: the group, and words that the program has
   * lent to the link's title. Links are told by the picture that they lead to.
   */
  links: z
    .array(z.object({ page: path, picture: path, group: text.nullable(), lent: text.nullable() }))
    .max(100_000)
    .default([]),
  /** Galleries whose items have all been removed: where they stood, and how their items were written. */
  emptied: z
    .array(
      ItemsHand.extend({
        page: path,
        at: z.array(z.number().int().min(0)).max(200),
        tag: z.string().max(60),
        className: text,
      }),
    )
    .max(1000)
    .default([]),
  collections: z.array(Collection).max(100).default([]),
  /** Pages whose text is made from a Markdown file: a fingerprint of what was written there last. */
  texts: z
    .array(z.object({ page: path, print }))
    .max(5000)
    .default([]),
  follows: z.array(FollowedList).max(200).default([]),
  /** What is written beside the pages when the site leaves. */
  upload: z
    .object({
      /** The address of the site's folder on its host; empty where nobody has said it. */
      address: z.string().max(2000).default(''),
      sitemap: z.boolean().default(false),
      checksums: z.boolean().default(false),
    })
    .default({ address: '', sitemap: false, checksums: false }),
  /** Findings that somebody has looked at and set aside. */
  setAside: z
    .array(z.object({ finding: text, reason: text }))
    .max(5000)
    .default([]),
  /** Bytes that a page may load; null where nobody has said a limit. */
  limit: z.number().int().min(1000).max(1e10).nullable().default(null),
  /** Galleries that stand on several pages, in their order, of so many items each. */
  spreads: z
    .array(z.object({ pages: z.array(path).min(1).max(1000), size: z.number().int().min(1).max(10_000) }))
    .max(1000)
    .default([]),
});
export type SiteNotes = z.infer<typeof SiteNotes>;

export const emptyNotes = (): SiteNotes => SiteNotes.parse({ format: 1 });

export const writeNotes = (notes: z.input<typeof SiteNotes>): string => `${JSON.stringify(notes, null, 2)}\n`;

/** Reads the notes of an archive; wrong ones are told and the site comes in without them. */
export function readNotes(text: string): Result<{ notes: SiteNotes }> {
  try {
    const result = SiteNotes.safeParse(JSON.parse(text));
    if (result.success) return { ok: true, notes: result.data };
    const issue = result.error.issues[0];
    return refuse(`${NOTES_FILE}, ${issue?.path.join('.') || 'top level'}: ${issue?.message}`);
  } catch {
    return refuse(`${NOTES_FILE} is not JSON`);
  }
}

/** The notes among a site's files; empty ones where there are none or they cannot be read. */
export function notesIn(files: SiteFiles): SiteNotes {
  const content = files.get(NOTES_FILE);
  if (content?.kind !== 'text') return emptyNotes();
  const known = notesRead.get(content) ?? readNotes(content.text);
  notesRead.set(content, known);
  return known.ok ? known.notes : emptyNotes();
}

/** Every reading of a site asks for the notes; those of thousands of pictures are long. */
const notesRead = new WeakMap<FileContent, ReturnType<typeof readNotes>>();
