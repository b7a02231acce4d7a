/** Between the preview's service worker and the bridges: one question for a file, one answer over its own port. */
import * as z from 'zod/mini';

/** `key` is a digest of the token, so that only the bridge of that site answers. */
export const FileQuestion = z.strictObject({ type: z.literal('file'), key: z.string(), path: z.string() });
export type FileQuestion = z.infer<typeof FileQuestion>;

/** A line on which answers come: kbit/s, and ms before each of them. */
export const SlowLine = z.strictObject({ speed: z.nullable(z.number()), latency: z.number() });
export type SlowLine = z.infer<typeof SlowLine>;

/**
 * How a page is answered: on a line; with its pictures, with late ones, or with none; from a host, or as from disk, where
 * modules and what a script asks for do not come.
 */
export const Manner = z.strictObject({
  line: z.nullable(SlowLine),
  pictures: z.enum(['come', 'late', 'never']),
  disk: z.boolean(),
});
export type Manner = z.infer<typeof Manner>;

/**
 * `token` proves who answers; `folder` is true where no file, but a folder has that path; `outside` where pages of this
 * site may ask for outside addresses; `passing` where it is a trial, of which nothing is kept, which may be answered in
 * another manner.
 */
export const FileAnswer = z.strictObject({
  token: z.string(),
  blob: z.nullable(z.instanceof(Blob)),
  folder: z.boolean(),
  outside: z.boolean(),
  passing: z.boolean(),
  manner: z.nullable(Manner),
});
export type FileAnswer = z.infer<typeof FileAnswer>;
