/**
 * What the browser's store holds, checked with Zod on the way out: an older version or another tab may have written
 * it.
 */
import { z } from 'zod';
import type { PictureTask } from '~core/model/index.ts';
import type { MadeFile } from '~core/plans/index.ts';
import type { Change, FileContent } from '~core/site/index.ts';

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
  /** What the shelf shows without opening the site. */
  glance: z.object({
    pages: z.number(),
    pictures: z.number(),
    broken: z.number().nullable(),
    faces: z.array(z.string()),
  }),
});
export type SiteRecord = z.infer<typeof SiteRecord>;

export const FileRecord = z.object({
  siteId: z.string(),
  path: z.string(),
  modified: z.number(),
  content: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('text'), text: z.string() }),
    z.object({ kind: z.literal('binary'), hash: z.string(), bytes: z.number() }),
  ]),
});
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
    takenAt: z.string().optional(),
    place: z.object({ latitude: z.number(), longitude: z.number() }).optional(),
    animated: z.literal(true).optional(),
    unreadable: z.string().optional(),
  }),
);

/** Pictures being made: what is asked for and what is done, so that a reload goes on where it was. */
export interface QueueRecord {
  siteId: string;
  tasks: PictureTask[];
  done: MadeFile[];
}

export interface JournalRecord {
  siteId: string;
  /** Counts from 1. */
  number: number;
  at: number;
  change: Change;
  inverse: Change;
  /** A name somebody gave to the state after this change, to find the way back to it. */
  name?: string;
}
