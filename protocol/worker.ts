/** Between the preview's service worker and the bridges: one question for a file, one answer over its own port. */
import * as z from 'zod/mini';

/** `key` is a digest of the token, so that only the bridge of that site answers. */
export const FileQuestion = z.strictObject({ type: z.literal('file'), key: z.string(), path: z.string() });
export type FileQuestion = z.infer<typeof FileQuestion>;

/** A line on which answers come: kbit/s, and ms before each of them. */
export const SlowLine = z.strictObject({ speed: z.nullable(z.number()), latency: z.number() });
export type SlowLine = z.infer<typeof SlowLine>;

/**
 * `token` proves who answers; `folder` is true where no file, but a folder has that path; `outside` where pages of this
 * site may ask for outside addresses; `passing` where it is a trial, of which nothing is kept, which may be answered as
 * on a slower line, or without its pictures.
 */
export const FileAnswer = z.strictObject({
  token: z.string(),
  blob: z.nullable(z.instanceof(Blob)),
  folder: z.boolean(),
  outside: z.boolean(),
  passing: z.boolean(),
  line: z.nullable(SlowLine),
  withoutPictures: z.boolean(),
});
export type FileAnswer = z.infer<typeof FileAnswer>;
