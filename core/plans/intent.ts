/** What somebody asks for, as data: it crosses from the interface to the worker, so it is checked on arrival. */
import { z } from 'zod';
import { Recipe } from '../photo/index.ts';

const line = z.string().max(2000);

/** A picture to be written into a page, with the words for its slots. */
export const NewPicture = z.strictObject({
  thumbnail: z.string(),
  full: z.string(),
  title: line,
  alt: line,
  caption: line,
});
export type NewPicture = z.infer<typeof NewPicture>;

const edit = z.strictObject({ start: z.number().int().min(0), end: z.number().int().min(0), text: z.string() });

export const Intent = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('set-alt'), strand: z.string(), value: line }),
  z.strictObject({ kind: z.literal('set-caption'), strand: z.string(), value: line }),
  z.strictObject({ kind: z.literal('remove-item'), strand: z.string() }),
  z.strictObject({ kind: z.literal('move-item'), strand: z.string(), to: z.number().int().min(0) }),
  z.strictObject({ kind: z.literal('add-pictures'), page: z.string(), gallery: z.number().int().min(0).nullable(), pictures: z.array(NewPicture).min(1) }),
  z.strictObject({ kind: z.literal('new-page'), path: z.string(), title: line.min(1) }),
  z.strictObject({ kind: z.literal('wire'), page: z.string() }),
  /** Whether two pictures belong together, by hand; null takes back what was decided. */
  z.strictObject({ kind: z.literal('decide'), thumbnail: z.string(), full: z.string(), belong: z.boolean().nullable() }),
  z.strictObject({ kind: z.literal('set-recipe'), recipe: Recipe }),
  /** A file under another name, with every reference to it. */
  z.strictObject({ kind: z.literal('rename'), from: z.string(), to: z.string() }),
  /** Two pictures that stand under one another's names change places. */
  z.strictObject({ kind: z.literal('exchange'), one: z.string(), other: z.string() }),
  /** Every reference to a picture leads to another that is the same; the file goes. */
  z.strictObject({ kind: z.literal('merge'), from: z.string(), into: z.string() }),
  z.strictObject({ kind: z.literal('fix'), finding: z.string(), fix: z.number().int().min(0) }),
  /** Typing in the editor: edits of the text that had `length` characters. */
  z.strictObject({ kind: z.literal('type'), path: z.string(), length: z.number().int().min(0), edits: z.array(edit) }),
]);
export type Intent = z.infer<typeof Intent>;
