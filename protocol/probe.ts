/**
 * Between the application and the probe, the script that runs first in every previewed page. The page's own scripts
 * share its window: what comes from there is checked and moves nothing but what is shown. The probe itself takes the
 * types only, for the page could change whatever a check would stand on.
 */
import { z } from 'zod';
import { Seen } from '../core/wiring/index.ts';

/** An element by its child numbers from the root, as the page's source has them. */
const Element = z.array(z.number().int()).max(200);
/** Distance from the left and the top of the page; CSS px. */
const Place = z.tuple([z.number(), z.number()]);

/** Left, top, width, height; CSS px. */
const Box = z.tuple([z.number(), z.number(), z.number(), z.number()]);

export const ToProbe = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('ping') }),
  z.strictObject({ type: z.literal('reload') }),
  /** A stylesheet of the site has changed. */
  z.strictObject({ type: z.literal('style'), path: z.string() }),
  /** Back to where a page was before it was loaded again. */
  z.strictObject({ type: z.literal('place'), at: Place }),
  /** A frame of that CSS colour round what is chosen; null takes it away. */
  z.strictObject({ type: z.literal('show'), element: Element.nullable(), scroll: z.boolean(), color: z.string() }),
  /** A thin frame round what is pointed at in the source; null takes it away. */
  z.strictObject({ type: z.literal('point'), element: Element.nullable(), color: z.string() }),
  /** Something is dragged over that place of the window, in CSS px of the page; null where it has left. */
  z.strictObject({ type: z.literal('drag'), at: Place.nullable(), drops: z.boolean() }),
  /** Whose places are told from now on. */
  z.strictObject({ type: z.literal('watch'), elements: z.array(Element) }),
  /** One picture is clicked as a visitor would; `number` comes back with the answer. */
  z.strictObject({ type: z.literal('rehearse'), element: Element, number: z.number() }),
  /** A state that is held open: elements are clicked or pointed at, then steps are taken. */
  z.strictObject({
    type: z.literal('hold'),
    how: z.enum(['click', 'point', 'step']),
    element: Element,
    steps: z.number().int().min(0).max(10),
  }),
  /** How accessible the page is, once it is loaded. */
  z.strictObject({ type: z.literal('audit') }),
  /** What the page weighs: at once, as far as it has come, or when all of it is there. */
  z.strictObject({ type: z.literal('weigh'), whole: z.boolean() }),
  /** As a printer takes it, or as pages stand that are read from the right, once the page is loaded. */
  z.strictObject({ type: z.literal('as'), as: z.enum(['print', 'right to left']) }),
  /** Where elements stand, once the page is loaded. */
  z.strictObject({ type: z.literal('measure'), elements: z.array(Element) }),
]);
export type ToProbe = z.infer<typeof ToProbe>;

const AuditedRule = z.strictObject({
  rule: z.string().max(100),
  impact: z.string().max(20).nullable(),
  says: z.string().max(500),
  /** `element` is null for what the page's source does not have. */
  nodes: z
    .array(z.strictObject({ element: Element.nullable(), html: z.string().max(300), summary: z.string().max(2000) }))
    .max(200),
});
export type AuditedRule = z.infer<typeof AuditedRule>;

const from = z.literal('probe');

export const FromProbe = z.discriminatedUnion('type', [
  /** `query` as the page was asked for, with its question mark, whatever its scripts have made of it. */
  z.strictObject({ from, type: z.literal('hello'), path: z.string(), query: z.string() }),
  z.strictObject({ from, type: z.literal('pong') }),
  z.strictObject({ from, type: z.literal('pointed'), element: Element }),
  /** What the pointer is over; null where it has left. */
  z.strictObject({ from, type: z.literal('over'), element: Element.nullable() }),
  /** What the application has dropped lies on an element, in its first half or in its second. */
  z.strictObject({ from, type: z.literal('dropped'), element: Element, side: z.enum(['before', 'after']) }),
  z.strictObject({ from, type: z.literal('missing'), path: z.string() }),
  z.strictObject({
    from,
    type: z.literal('error'),
    says: z.string().max(4000),
    path: z.string(),
    line: z.number(),
  }),
  /** It asked for something of an outside address, which is off. */
  z.strictObject({ from, type: z.literal('outside'), address: z.string().max(2000), path: z.string() }),
  /** It wanted to open a dialog, or to have something downloaded, which a preview does not do. */
  z.strictObject({
    from,
    type: z.literal('tried'),
    what: z.enum(['dialog', 'download']),
    says: z.string().max(200),
    path: z.string(),
  }),
  /** A visitor pressed Escape; `taken` where something of the page was open, or the page made use of the key. */
  z.strictObject({ from, type: z.literal('escape'), taken: z.boolean() }),
  z.strictObject({ from, type: z.literal('scrolled'), at: Place }),
  /** A picture is still being rehearsed, however long the page takes. */
  z.strictObject({ from, type: z.literal('waiting'), number: z.number() }),
  z.strictObject({ from, type: z.literal('rehearsed'), number: z.number(), seen: Seen.nullable() }),
  /** Rules of accessibility that the page breaks, with where; null where nobody could look. */
  z.strictObject({
    from,
    type: z.literal('audited'),
    path: z.string(),
    rules: z.array(AuditedRule).max(200).nullable(),
  }),
  /** The boxes of what was asked for, from the left and top of the page; CSS px. Null for what is not there. */
  z.strictObject({ from, type: z.literal('measured'), boxes: z.array(Box.nullable()).max(5000) }),
  /** `files` in ms from when the page was asked for; `shift` is how much of the window moved while it loaded. */
  z.strictObject({
    from,
    type: z.literal('weighed'),
    images: z
      .array(z.strictObject({ src: z.string().max(2000), top: z.number(), bottom: z.number(), width: z.number() }))
      .max(5000),
    files: z.array(z.strictObject({ path: z.string(), start: z.number(), end: z.number() })).max(5000),
    shift: z.number(),
  }),
  /** Middles of the watched elements from the top of the window, null where out of sight; CSS px. */
  z.strictObject({ from, type: z.literal('places'), tops: z.array(z.number().nullable()).max(5000) }),
]);
export type FromProbe = z.infer<typeof FromProbe>;
export type { PictureSeen, Seen } from '../core/wiring/index.ts';
