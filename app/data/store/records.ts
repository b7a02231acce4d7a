/**
 * What the browser's store holds, checked with Zod on the way out: an older version or another tab may have written
 * it.
 */
import { z } from 'zod';
import { Rotation, SizeRecipe } from '~core/photo/index.ts';
import type { FileContent } from '~core/site/index.ts';

export const SiteRecord = z.object({
  id: z.string(),
  name: z.string(),
  created: z.number(),
  changed: z.number(),
  /** The capability that stands in the site's preview addresses. */
  token: z.string().min(22),
  /** Number of the last change that is in force; 0 before any. */
  head: z.number().int(),
  /** Number of the last change in the journal; above `head` after an undo. */
  last: z.number().int(),
  /** The name of the state before any change. */
  beginning: z.string().optional(),
  /** Its pages may ask for outside addresses while they are previewed. */
  outside: z.literal(true).optional(),
  /** Which exercise it is; exercises have a list of their own. */
  exercise: z.string().optional(),
  /** What the shelf shows without opening the site. */
  glance: z.object({
    pages: z.number(),
    pictures: z.number(),
    broken: z.number().nullable(),
    faces: z.array(z.string()),
  }),
});
export type SiteRecord = z.infer<typeof SiteRecord>;

const Content = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('text'), text: z.string() }),
  z.object({ kind: z.literal('binary'), hash: z.string(), bytes: z.number() }),
]);

export const FileRecord = z.object({ siteId: z.string(), path: z.string(), modified: z.number(), content: Content });
export type FileRecord = z.infer<typeof FileRecord> & { content: FileContent };

/** Facts of earlier versions have the date under another name. */
const withDate = (record: unknown): unknown =>
  typeof record === 'object' && record !== null && 'taken' in record ? { takenAt: record.taken, ...record } : record;

export const FactsRecord = z.preprocess(
  withDate,
  z.object({
    width: z.number(),
    height: z.number(),
    orientation: z.number(),
    likeness: z.string(),
    mean: z.tuple([z.number(), z.number(), z.number()]),
    luma: z.object({ width: z.number().int(), height: z.number().int(), data: z.instanceof(Uint8Array) }),
    words: z.object({
      title: z.string().optional(),
      caption: z.string().optional(),
      credit: z.string().optional(),
      copyright: z.string().optional(),
    }),
    keywords: z.array(z.string()).optional(),
    takenAt: z.string().optional(),
    capture: z
      .object({
        camera: z.string().optional(),
        lens: z.string().optional(),
        seconds: z.number().optional(),
        aperture: z.number().optional(),
        iso: z.number().optional(),
        focalLength: z.number().optional(),
      })
      .optional(),
    place: z.object({ latitude: z.number(), longitude: z.number() }).optional(),
    animated: z.literal(true).optional(),
    clear: z.literal(true).optional(),
    unreadable: z.string().optional(),
  }),
);

const Task = z.object({
  from: z.string(),
  to: z.string(),
  size: SizeRecipe,
  as: z.string(),
  times: z.number().int(),
  rotation: Rotation.optional(),
});

/** Pictures being made: what is asked for and what is done, so that a reload goes on where it was. */
export const QueueRecord = z.object({
  siteId: z.string(),
  tasks: z.array(Task),
  done: z.array(
    z.object({
      task: Task,
      source: z.string(),
      hash: z.string(),
      bytes: z.number(),
      width: z.number().optional(),
      height: z.number().optional(),
    }),
  ),
});
export type QueueRecord = z.infer<typeof QueueRecord>;

const Place = z.number().int().min(0);
const Edits = z.array(z.object({ start: Place, end: Place, text: z.string() }));

const Change = z.object({
  label: z.string(),
  files: z.array(
    z.discriminatedUnion('kind', [
      z.object({
        kind: z.literal('edit'),
        path: z.string(),
        edits: Edits,
      }),
      z.object({ kind: z.literal('put'), path: z.string(), before: Content.nullable(), after: Content.nullable() }),
      z.object({ kind: z.literal('rename'), path: z.string(), to: z.string() }),
    ]),
  ),
});

export const JournalRecord = z.object({
  siteId: z.string(),
  /** Counts from 1. */
  number: z.number().int(),
  at: z.number(),
  change: Change,
  inverse: Change,
  /** A name somebody gave to the state after this change, to find the way back to it. */
  name: z.string().optional(),
});
export type JournalRecord = z.infer<typeof JournalRecord>;

/** What was typed into a file and does not stand in it yet. */
export const TypingRecord = z.object({
  siteId: z.string(),
  path: z.string(),
  /** The text of the file that the first of the steps was typed into. */
  before: z.string(),
  /** One after the other; the places of each are those of the text that the one before it left. */
  steps: z.array(Edits),
});
export type TypingRecord = z.infer<typeof TypingRecord>;

/** A folder on disk that a site is kept in step with. */
export const FolderRecord = z.object({
  siteId: z.string(),
  /** As the browser gave it; it is kept by the browser and says nothing of where the folder lies. */
  handle: z.custom<FileSystemDirectoryHandle>(
    (value) => typeof value === 'object' && value !== null && 'kind' in value && value.kind === 'directory',
  ),
  /** When both were last the same, as far as files were compared; null where they never were. */
  inStep: z.number().nullable(),
  /** What is changed there alone is taken in without being asked for. */
  takesIn: z.boolean(),
  /** What is changed here alone is saved without being asked for. */
  saves: z.boolean(),
  /** The program's notes stand in the folder, too. */
  withNotes: z.boolean(),
});
export type FolderRecord = z.infer<typeof FolderRecord>;

/** What a file of the site and of its folder held when both were the same. */
export const AgreedRecord = z.object({
  siteId: z.string(),
  path: z.string(),
  content: Content,
  /** Of the file on disk; ms and bytes. Null where it was not read from one. */
  modified: z.number().nullable(),
  size: z.number(),
});
export type AgreedRecord = z.infer<typeof AgreedRecord> & { content: FileContent };

/** A saving into the folder that was begun: what each file held and what it is to hold. */
export const SavingRecord = z.object({
  siteId: z.string(),
  began: z.number(),
  files: z.array(z.object({ path: z.string(), before: Content.nullable(), after: Content.nullable() })),
});
export type SavingRecord = z.infer<typeof SavingRecord>;

/** What left once to be uploaded. */
export const HandOverRecord = z.object({
  siteId: z.string(),
  /** ms since 1970; tells one of a site from the others. */
  at: z.number(),
  files: z.array(z.object({ path: z.string(), content: Content, withPlace: z.boolean() })),
});
export type HandOverRecord = z.infer<typeof HandOverRecord>;

/**
 * The record of a site of which not everything can be read: what can be is kept. `last` is the number of the last
 * entry of its journal.
 */
export function mendedSite(record: unknown, id: string, last: number): SiteRecord {
  const { shape } = SiteRecord;
  const parts = z.record(z.string(), z.unknown()).safeParse(record).data ?? {};
  const changed = shape.changed.safeParse(parts.changed).data ?? Date.now();
  const beginning = shape.beginning.safeParse(parts.beginning).data;
  return {
    id,
    name: shape.name.safeParse(parts.name).data ?? 'A site whose name was lost',
    created: shape.created.safeParse(parts.created).data ?? changed,
    changed,
    // The same each time, and as hard to guess as the identity that it is made of.
    token: shape.token.safeParse(parts.token).data ?? id.replaceAll('-', '').padEnd(22, '0'),
    head: shape.head.safeParse(parts.head).data ?? last,
    last: shape.last.safeParse(parts.last).data ?? last,
    glance: shape.glance.safeParse(parts.glance).data ?? { pages: 0, pictures: 0, broken: null, faces: [] },
    ...(beginning === undefined ? {} : { beginning }),
  };
}
