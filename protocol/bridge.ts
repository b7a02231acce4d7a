/** Between the application and the bridge, a hidden frame of the preview origin that holds the files of one site. */
import * as z from 'zod/mini';
import { Manner } from './worker.ts';

/** A path of the site with its bytes; null where the file is gone. */
const Files = z.array(z.tuple([z.string(), z.nullable(z.instanceof(Blob))]));

/** `token` is the site's: it stands in every address of the preview. */
export const ToBridge = z.discriminatedUnion('type', [
  /** All files of the site, in place of what was there; whether its pages may ask for outside addresses. */
  z.strictObject({
    type: z.literal('open'),
    token: z.string().check(z.minLength(22)),
    outside: z.boolean(),
    files: Files,
  }),
  /** Whether pages may ask for outside addresses from now on; a bridge that is about to go may still be asked. */
  z.strictObject({ type: z.literal('outside'), allowed: z.boolean() }),
  /** What has changed. */
  z.strictObject({ type: z.literal('update'), files: Files }),
  /**
   * The site with some files otherwise, or answered in another manner, under a token of its own, in place of the trial before.
   */
  z.strictObject({
    type: z.literal('trial'),
    token: z.string().check(z.minLength(22)),
    files: Files,
    manner: z.nullable(Manner),
  }),
]);
export type ToBridge = z.infer<typeof ToBridge>;

const from = z.literal('bridge');

export const FromBridge = z.discriminatedUnion('type', [
  /** The service worker runs, and files can come. */
  z.strictObject({ from, type: z.literal('ready') }),
  /** The last batch is in place. */
  z.strictObject({ from, type: z.literal('taken') }),
  /** The trial of that token can be asked for. */
  z.strictObject({ from, type: z.literal('trial'), token: z.string() }),
  z.strictObject({ from, type: z.literal('failed'), reason: z.string() }),
]);
export type FromBridge = z.infer<typeof FromBridge>;
