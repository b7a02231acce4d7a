/**
 * Between the application and the walker: a frame of the test host that opens a site's pages in a frame of its own, as
 * they come from the host, and looks at what a visitor would get.
 */
import { z } from 'zod';
import { Seen } from '../core/wiring/index.ts';

const Path = z.string().max(2000);

/** A link or an anchor in the site: a path, and an id on that page. */
const Target = z.strictObject({ path: Path, anchor: z.string().max(1000).nullable() });
export type Target = z.infer<typeof Target>;

/** `number` comes back with the answer. */
export type ToWalker = { number: number } & (
  | { type: 'visit'; path: string }
  /** A picture of the page that was visited last; `element` as the page's source has it. */
  | { type: 'click'; element: number[] }
  | { type: 'follow'; target: Target }
);

/** What a visitor gets of a page. */
export const Visit = z.strictObject({
  /** Of the answer, and where it led. */
  status: z.number().int(),
  pictures: z.number().int(),
  /** Addresses that were asked for and did not come, with the status; 0 where it is not known. */
  missing: z.array(z.tuple([Path, z.number().int()])).max(1000),
  links: z.array(Target).max(5000),
  /** Links that lead to other hosts. */
  outside: z.number().int(),
  /** From the request to the end of the last picture; ms. */
  lastPicture: z.number().min(0),
  bytes: z.number().min(0),
});
export type Visit = z.infer<typeof Visit>;

const from = z.literal('walker');
const number = z.number().int();

export const FromWalker = z.discriminatedUnion('type', [
  z.strictObject({ from, type: z.literal('ready') }),
  /** It is still at work. */
  z.strictObject({ from, type: z.literal('waiting'), number }),
  /** Null where the page did not come. */
  z.strictObject({ from, type: z.literal('visited'), number, visit: Visit.nullable() }),
  z.strictObject({ from, type: z.literal('clicked'), number, seen: Seen.nullable() }),
  /** `found` is whether the anchor is on the page; null where none was asked for. */
  z.strictObject({
    from,
    type: z.literal('followed'),
    number,
    status: z.number().int(),
    found: z.boolean().nullable(),
  }),
]);
export type FromWalker = z.infer<typeof FromWalker>;
