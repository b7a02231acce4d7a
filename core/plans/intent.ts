/** What somebody asks for, as data: it crosses from the interface to the worker, so it is checked on arrival. */
import { z } from 'zod';
import { Recipe } from '../photo/index.ts';
import { MOST_COLUMNS, PRESENTATIONS } from '../story/index.ts';
import { KitManifest } from '../wiring/index.ts';
import { INFORMATION_FIELDS } from './informationText.ts';
import { CAPTION_SOURCES, FILLABLE } from './rules.ts';
import { TAG_RULES } from './tagRules.ts';
import { RULED_FIELDS } from './textsByRule.ts';
import { Collected, ListMapping, ListSource, MadeRecord, ORDERS, PictureWords, SiteNotes } from '../site/index.ts';

const line = z.string().max(2000);
const share = z.number().min(0).max(1);
const paths = z.array(z.string()).min(1);
/** Child numbers from the root of a page to an element. */
const place = z.array(z.number().int().min(0)).max(500);
/** Commas stand between tags. */
const tag = z
  .string()
  .trim()
  .min(1)
  .max(60)
  .regex(/^[^,]*$/, 'A tag holds no comma.');

/** How a group of pictures is shown. */
const shown = z.strictObject({ as: z.enum(PRESENTATIONS), columns: z.number().int().min(1).max(MOST_COLUMNS) });

/** A picture to be written into a page, with the words for its slots. */
export const NewPicture = z.strictObject({
  /** Files of the site, or outside addresses that are kept as they are. */
  thumbnail: z.string(),
  full: z.string(),
  tags: z.array(tag).optional(),
  title: line,
  alt: line,
  caption: line,
});
export type NewPicture = z.infer<typeof NewPicture>;

/** What a link is to lead to. */
export const LinkTarget = z.discriminatedUnion('to', [
  /** A page, picture or any other file of the site, and an element of a page by its id. */
  z.strictObject({ to: z.literal('file'), path: z.string(), anchor: z.string().max(300).optional() }),
  z.strictObject({ to: z.literal('address'), url: line }),
  z.strictObject({ to: z.literal('mail'), address: line }),
  z.strictObject({ to: z.literal('phone'), number: line }),
]);
export type LinkTarget = z.infer<typeof LinkTarget>;

/** A file that the interface has made, whose contents are kept already. */
const Made = z.strictObject({ kind: z.literal('binary'), hash: z.string().max(128), bytes: z.number().int().min(0) });

/** A slide that is no picture. */
export const NewSlide = z.discriminatedUnion('is', [
  z.strictObject({ is: z.literal('words'), title: line, text: z.string().max(20_000) }),
  z.strictObject({
    is: z.literal('video'),
    /** A file of the site. */
    path: z.string(),
    /** Played where it stands, or by a link from its poster, as the pictures of the gallery are opened. */
    plays: z.enum(['in place', 'by link']),
    /** A picture of the site, or one made of a frame, in image px. */
    poster: z
      .strictObject({
        path: z.string().max(1000),
        made: Made.optional(),
        width: z.number().int().min(1).optional(),
        height: z.number().int().min(1).optional(),
      })
      .nullable(),
    title: line,
    caption: line,
  }),
]);
export type NewSlide = z.infer<typeof NewSlide>;

const OtherFile = z.strictObject({
  path: z.string().max(1000),
  hash: z.string().max(128),
  bytes: z.number().int().min(0),
});

const OtherPicture = z.strictObject({
  full: OtherFile,
  thumbnail: OtherFile.nullable(),
  others: z.array(OtherFile).max(100),
  words: PictureWords,
  tags: z.array(tag).max(40),
  focus: z.strictObject({ x: share, y: share }).nullable(),
  keepsPlace: z.boolean(),
  made: z.array(MadeRecord).max(100),
});

const gallery = { page: z.string(), gallery: z.number().int().min(0) };
const strands = z.array(z.string()).min(1);

/** A file that a stylesheet names, with what it holds; contents that are no text are kept already. */
const Brought = z.strictObject({
  style: z.string().max(200),
  address: z.string().max(1000),
  content: z.union([
    z.strictObject({ kind: z.literal('binary'), hash: z.string().max(128), bytes: z.number().int().min(0) }),
    z.strictObject({ kind: z.literal('text'), text: z.string().max(4_000_000) }),
  ]),
});

export const Intent = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('set-alt'), strand: z.string(), value: line }),
  z.strictObject({ kind: z.literal('set-caption'), strand: z.string(), value: line }),
  z.strictObject({ kind: z.literal('remove-item'), strand: z.string() }),
  z.strictObject({ kind: z.literal('move-item'), strand: z.string(), to: z.number().int().min(0) }),
  /** `at` is the place among the items; without it they go to the end. */
  z.strictObject({
    kind: z.literal('add-pictures'),
    page: z.string(),
    gallery: z.number().int().min(0).nullable(),
    pictures: z.array(NewPicture).min(1),
    at: z.number().int().min(0).optional(),
    mapping: ListMapping.optional(),
  }),
  /** A slide that is no picture; `at` is its place among the items, without it behind the last. */
  z.strictObject({
    kind: z.literal('add-slide'),
    ...gallery,
    slide: NewSlide,
    at: z.number().int().min(0).optional(),
  }),
  /** Entries of a list that a script draws; `at` is where the list begins in its file. */
  z.strictObject({
    kind: z.literal('add-to-list'),
    path: z.string(),
    at: z.number().int().min(0),
    pictures: z.array(NewPicture).min(1),
  }),
  z.strictObject({ kind: z.literal('remove-items'), strands }),
  z.strictObject({ kind: z.literal('move-items'), strands, to: z.number().int().min(0) }),
  /** Items written again in another gallery; null writes a first one on the page. */
  z.strictObject({
    kind: z.literal('copy-items'),
    strands,
    page: z.string(),
    gallery: z.number().int().min(0).nullable(),
  }),
  /** A file of the site is told by its path; anything else is written as it is. */
  z.strictObject({
    kind: z.literal('set-slot'),
    strand: z.string(),
    slot: z.enum(['thumbnail', 'full', 'title', 'width', 'height']),
    value: line,
  }),
  /** An attribute on every link of a gallery; null takes it away. */
  z.strictObject({
    kind: z.literal('set-on-links'),
    ...gallery,
    name: z.string().min(1).max(100),
    value: line.nullable(),
  }),
  z.strictObject({ kind: z.literal('renumber'), ...gallery }),
  /** A gallery on pages of `size` items each, or put in step again. */
  z.strictObject({ kind: z.literal('split-gallery'), ...gallery, size: z.number().int().min(1).max(10_000) }),
  /** A setting of a gallery's look; `at` is the width of the window up to which it counts, in CSS px. */
  z.strictObject({
    kind: z.literal('set-style'),
    ...gallery,
    setting: z.string().max(60),
    value: z.string().max(300).nullable(),
    at: z.number().int().min(100).max(4000).nullable(),
  }),
  /** What items are on a page: elements of a selector, or that these are none; null takes back what was said. */
  z.strictObject({
    kind: z.literal('set-units'),
    page: z.string(),
    selector: z.string().min(1).max(500),
    gallery: z.boolean().nullable(),
  }),
  /** What these items lack and all their neighbours have. */
  z.strictObject({ kind: z.literal('complete-items'), ...gallery, items: z.array(z.number().int().min(0)).min(1) }),
  z.strictObject({
    kind: z.literal('apply-pattern'),
    ...gallery,
    pattern: z.string().min(1).max(20_000),
    words: z.enum(CAPTION_SOURCES),
  }),
  z.strictObject({
    kind: z.literal('fill-words'),
    ...gallery,
    slot: z.enum(FILLABLE),
    from: z.enum(['picture', 'alt', 'title', 'caption', 'name']),
    over: z.boolean(),
  }),
  /** `from` is the page that it is made from, `entry` what the menus shall call it. */
  z.strictObject({
    kind: z.literal('new-page'),
    path: z.string(),
    title: line.min(1),
    from: z.string().optional(),
    pictures: z.array(NewPicture).optional(),
    entry: line.min(1).optional(),
    fills: z.number().int().min(0).optional(),
    keep: z.array(z.number().int().min(0)).optional(),
  }),
  /** A link in the source, or words that become one; `at` are offsets. */
  z.strictObject({
    kind: z.literal('link-to'),
    page: z.string(),
    at: z.strictObject({ start: z.number().int().min(0), end: z.number().int().min(0) }),
    target: LinkTarget,
  }),
  /** What checkers of HTML and of accessibility say, by the names of their rules; `at` is a place in the page's text. */
  z.strictObject({
    kind: z.literal('fix-markup'),
    messages: z
      .array(z.strictObject({ page: z.string(), rule: z.string().max(100), at: z.number().int().min(0) }))
      .min(1)
      .max(100_000),
  }),
  /** Pages offer the WebP files that stand beside their JPEG files. */
  z.strictObject({ kind: z.literal('offer-webp'), pages: paths }),
  z.strictObject({ kind: z.literal('delete-page'), path: z.string() }),
  z.strictObject({ kind: z.literal('set-stylesheet'), pages: paths, stylesheet: z.string(), on: z.boolean() }),
  /** A gallery's set-up written again behind it, under another heading and with other pictures. */
  z.strictObject({
    kind: z.literal('add-section'),
    ...gallery,
    title: line.min(1),
    pictures: z.array(NewPicture),
    moved: z.array(z.number().int().min(0)).optional(),
  }),
  z.strictObject({ kind: z.literal('list-sections'), page: z.string() }),
  z.strictObject({ kind: z.literal('add-menu-entry'), target: z.string(), label: line.min(1) }),
  z.strictObject({ kind: z.literal('align-menus') }),
  /** Options and looks of a viewer for a gallery, or for one link of it; null takes one back. */
  z.strictObject({
    kind: z.literal('set-options'),
    ...gallery,
    kit: z.string().max(60),
    strand: z.string().nullable(),
    options: z.record(z.string().max(60), z.union([z.boolean(), z.number(), line]).nullable()),
    look: z.record(z.string().max(80), z.string().max(300).nullable()),
    preset: z.string().max(60).optional(),
  }),
  /** What files say of their pictures, for each link of a gallery; no fields take it away. */
  z.strictObject({
    kind: z.literal('write-information'),
    ...gallery,
    kit: z.string().max(60),
    fields: z.array(z.enum(INFORMATION_FIELDS)).max(INFORMATION_FIELDS.length),
  }),
  /** With a kit by its name; without one, that which the page uses already, or the first there is. */
  z.strictObject({
    kind: z.literal('wire'),
    page: z.string(),
    kit: z.string().max(60).optional(),
    /** Further pages, in the same change. */
    also: z.array(z.string()).max(5000).optional(),
  }),
  /** A viewer script of the author's: its manifest, and texts of files that are not in the site yet, by their names. */
  z.strictObject({
    kind: z.literal('save-kit'),
    manifest: KitManifest,
    files: z.record(z.string().max(200), z.string().max(4_000_000)),
    brought: z.array(Brought).max(500).optional(),
  }),
  /** Lines out of a manual, and texts of files that come with them and may not be in the site yet, by their names. */
  z.strictObject({
    kind: z.literal('paste-lines'),
    page: z.string(),
    text: z.string().max(200_000),
    files: z.record(z.string().max(200), z.string().max(4_000_000)),
    brought: z.array(Brought).max(500).optional(),
  }),
  z.strictObject({ kind: z.literal('forget-kit'), name: z.string().max(60) }),
  z.strictObject({ kind: z.literal('unwire'), page: z.string(), kit: z.string().max(60) }),
  z.strictObject({ kind: z.literal('change-kit'), page: z.string(), from: z.string().max(60), to: z.string().max(60) }),
  /** Whether two pictures belong together, by hand; null takes back what was decided. */
  z.strictObject({
    kind: z.literal('decide'),
    thumbnail: z.string(),
    full: z.string(),
    belong: z.boolean().nullable(),
  }),
  /** About which point a picture is cut; null goes back to the suggested one. */
  z.strictObject({
    kind: z.literal('set-focus'),
    picture: z.string(),
    focus: z.strictObject({ x: share, y: share }).nullable(),
  }),
  /** Words of items and of pictures, many as one change. */
  z.strictObject({
    kind: z.literal('set-words'),
    items: z.array(
      z.strictObject({
        strand: z.string(),
        alt: line.optional(),
        caption: line.optional(),
        title: line.optional(),
      }),
    ),
    pictures: z.array(z.strictObject({ path: z.string(), words: PictureWords })),
    label: line.optional(),
  }),
  /** Out of another site; the contents are kept already. */
  z.strictObject({ kind: z.literal('bring-pictures'), from: line, pictures: z.array(OtherPicture).min(1).max(10_000) }),
  /** Where somebody points: in the source, or on the live page. */
  z.strictObject({
    kind: z.literal('put-pictures'),
    page: z.string(),
    at: z.discriminatedUnion('by', [
      z.strictObject({ by: z.literal('offset'), offset: z.number().int().min(0) }),
      z.strictObject({ by: z.literal('element'), element: place, side: z.enum(['before', 'after']) }),
    ]),
    pictures: z.array(NewPicture).min(1),
  }),
  /** Captions, credits and others by a pattern out of what is known of each picture. */
  z.strictObject({
    kind: z.literal('texts-by-rule'),
    paths,
    field: z.enum(RULED_FIELDS),
    pattern: line,
    place: line,
    onlyEmpty: z.boolean(),
  }),
  z.strictObject({ kind: z.literal('set-tags'), paths, add: z.array(tag), remove: z.array(tag) }),
  /** A page that shows pictures of other pages; `like` is the gallery that it is written like. */
  z.strictObject({
    kind: z.literal('collect'),
    path: z.string(),
    title: line.min(1),
    like: z.strictObject(gallery),
    entry: line.min(1).optional(),
    collected: Collected,
  }),
  z.strictObject({
    kind: z.literal('collect-tags'),
    tags: z.array(line.min(1).max(60)).min(1).max(100),
    like: z.strictObject(gallery),
    collected: Collected,
  }),
  /** A gallery takes over what a list or a folder says; differences are told by their ids. */
  z.strictObject({
    kind: z.literal('follow-list'),
    page: z.string(),
    /** Null where all items of the page were removed. */
    gallery: z.number().int().min(0).nullable(),
    source: ListSource,
    /** The list itself, where it is no file of the site yet or is another one there. */
    text: z.string().max(20_000_000).nullable(),
    take: z.array(z.string().max(3000)).max(100_000),
    /** Whether the gallery follows it from now on. */
    keep: z.boolean(),
    /** Compared with all that the list says, also with what was left before. */
    whole: z.boolean(),
  }),
  /** A group of pictures among words, where the cursor is. */
  z.strictObject({
    kind: z.literal('put-group'),
    page: z.string(),
    offset: z.number().int().min(0),
    /** The offset is one of the page's Markdown file. */
    inText: z.boolean().optional(),
    /** In clean markup, not as the galleries of the site are written. */
    clean: z.boolean().optional(),
    pictures: z.array(NewPicture).min(1).max(500),
    shown,
  }),
  /** What one picture of a group says on this page alone. */
  z.strictObject({
    kind: z.literal('set-group-words'),
    page: z.string(),
    group: z.number().int().min(0),
    first: z.string(),
    item: z.number().int().min(0),
    alt: line.optional(),
    caption: line.optional(),
  }),
  /** A page with a text, in Markdown; `keep` keeps that beside it as its source. */
  z.strictObject({
    kind: z.literal('new-story'),
    path: z.string(),
    title: line.min(1),
    from: z.string().optional(),
    entry: line.min(1).optional(),
    text: z.string().max(2_000_000),
    keep: z.boolean(),
    pictures: z.array(NewPicture).max(500),
    shown,
  }),
  /** A Markdown file becomes the text of a page: at a place of its source, or with null behind its words. */
  z.strictObject({
    kind: z.literal('put-text'),
    page: z.string(),
    source: z.string(),
    offset: z.number().int().min(0).nullable(),
  }),
  /** The text is the page's alone from now on. */
  z.strictObject({ kind: z.literal('part-text'), page: z.string() }),
  /** Which pictures a group has from now on, in which order, and how it is shown; without pictures it goes. */
  z.strictObject({
    kind: z.literal('set-group'),
    page: z.string(),
    group: z.number().int().min(0),
    /** The first picture that it shows now, by which it is known. */
    first: z.string(),
    pictures: z.array(NewPicture).max(500),
    shown: shown.nullable(),
  }),
  z.strictObject({ kind: z.literal('save-list'), ...gallery, path: line }),
  /** The first items stay, the others come as a visitor scrolls, from another page. */
  z.strictObject({ kind: z.literal('feed-rest'), ...gallery, first: z.number().int().min(1).max(10_000), path: line }),
  z.strictObject({ kind: z.literal('end-following'), page: z.string(), path: z.string() }),
  z.strictObject({ kind: z.literal('set-collection'), page: z.string(), collected: Collected }),
  z.strictObject({ kind: z.literal('update-collections'), pages: paths }),
  z.strictObject({ kind: z.literal('end-collection'), page: z.string() }),
  z.strictObject({
    kind: z.literal('tag-by-rule'),
    rule: z.enum(TAG_RULES),
    paths,
    /** For the rule of text: what to look for, and the tag of pictures that say it. */
    said: z.strictObject({ text: line.min(1), tag }).nullable(),
  }),
  z.strictObject({ kind: z.literal('set-rights'), rights: z.strictObject({ copyright: line, credit: line }) }),
  z.strictObject({ kind: z.literal('keep-place'), paths, keep: z.boolean() }),
  /** `hand` holds full-size files in their order; null leaves the order by hand as it is. */
  z.strictObject({ kind: z.literal('set-order'), by: z.enum(ORDERS), hand: z.array(z.string()).nullable() }),
  /** A gallery's items in the order of the list. */
  z.strictObject({ kind: z.literal('order-gallery'), page: z.string(), gallery: z.number().int().min(0) }),
  z.strictObject({
    kind: z.literal('set-naming'),
    own: SiteNotes.shape.naming.unwrap().shape.own,
    off: z.array(z.string()),
  }),
  /** Thumbnails that have a copy of twice the size offer it to dense screens. */
  z.strictObject({ kind: z.literal('set-sources'), page: z.string() }),
  z.strictObject({ kind: z.literal('set-recipe'), recipe: Recipe }),
  /** What is written beside the pages when the site leaves. */
  z.strictObject({ kind: z.literal('set-upload'), upload: z.strictObject(SiteNotes.shape.upload.unwrap().shape) }),
  /** A finding that is to stay as it is, and why; null brings it back among the others. */
  z.strictObject({ kind: z.literal('set-aside'), finding: z.string().max(2000), reason: line.nullable() }),
  /** Bytes that a page may load; null where nobody has said a limit. */
  z.strictObject({ kind: z.literal('set-limit'), limit: SiteNotes.shape.limit.unwrap() }),
  /** Pictures that wait until they are scrolled to, and smaller files of pictures that are shown small. */
  z.strictObject({
    kind: z.literal('save-bytes'),
    page: z.string(),
    lazy: z.array(place),
    instead: z.array(z.strictObject({ element: place, path: z.string() })),
  }),
  /** What heads of pages say to searches; `previews` are for whoever a link to the page is sent. */
  z.strictObject({
    kind: z.literal('describe-pages'),
    pages: z.array(z.strictObject({ path: z.string(), description: line })).min(1),
    previews: z.boolean(),
  }),
  /** A file of one's own in place of one from another host; contents that are no text are kept already. */
  z.strictObject({
    kind: z.literal('use-own-file'),
    address: z.string().min(1).max(2000),
    path: z.string().min(1).max(1000),
    content: Brought.shape.content,
  }),
  /** The author's own typing, in many places of many files at once. */
  z.strictObject({
    kind: z.literal('replace-text'),
    find: z.string().max(10_000),
    replace: z.string().max(10_000),
    matchCase: z.boolean(),
    wholeWords: z.boolean(),
    paths,
  }),
  /** A file under another name, with every reference to it. */
  z.strictObject({ kind: z.literal('rename'), from: z.string(), to: z.string() }),
  z.strictObject({
    kind: z.literal('rename-many'),
    renames: z.array(z.strictObject({ from: z.string(), to: z.string() })).min(1),
  }),
  /** Two pictures that stand under one another's names change places. */
  z.strictObject({ kind: z.literal('exchange'), one: z.string(), other: z.string() }),
  /** Every reference to a picture leads to another that is the same; the file goes. */
  z.strictObject({ kind: z.literal('merge'), from: z.string(), into: z.string() }),
  z.strictObject({
    kind: z.literal('merge-many'),
    merges: z.array(z.strictObject({ from: z.string(), into: z.string() })).min(1),
  }),
  /** The first thing that each of them offers, as one change. */
  z.strictObject({ kind: z.literal('fix-all'), findings: z.array(z.string()).min(1) }),
  z.strictObject({ kind: z.literal('fix'), finding: z.string(), fix: z.number().int().min(0) }),
]);
export type Intent = z.infer<typeof Intent>;
