/** One picture's way through the page: five joints, each whole or broken for a reason. */
import {
  holderOf,
  pathTo,
  type FilePlace,
  showsPicture,
  valueOf,
  type Gallery,
  type GalleryItem,
  type PageElement,
  type Range,
} from '../markup/index.ts';
import { shownInstead, type Pairing } from '../pairing/index.ts';
import type { PhotoFacts } from '../photo/index.ts';
import {
  inBytes,
  bytesOf,
  isPagePath,
  isPicturePath,
  isVideoPath,
  resolveInSite,
  stemOf,
  type PathIndex,
  type SiteFiles,
} from '../site/index.ts';
import { altStanding, type AltStanding } from './altStanding.ts';
import { joint, placeOf, type Joint, type JointName, type JointState, type PageContext } from './joints.ts';
import { viewerJoint } from './viewerJoint.ts';

export interface Strand {
  id: string;
  page: string;
  gallery: number;
  item: number;
  /** The bare name of the picture. */
  name: string;
  joints: Joint[];
  thumbnail: string | null;
  full: string | null;
  alt: string | null;
  /** What the alt text is worth; null where no image takes one. */
  altStanding: AltStanding | null;
  /** The caption's text where it is plain text; one with markup inside is written in the source. */
  caption: string | null;
  /** What stands in the attributes; null where there is none. Sizes as they are written. */
  slots: { title: string | null; width: string | null; height: string | null };
  /** Lines of the item in the source. */
  lines: { first: number; last: number };
  range: Range;
  /** Where its link stands in the source, or what would stand in one: its picture. Null where neither does. */
  linkable: Range | null;
  /** Child numbers from `html` to the image or link, for the live page. */
  element: number[];
  state: JointState;
}

interface StrandContext {
  files: SiteFiles;
  index: PathIndex;
  pairing: Pairing;
  factsOf: (path: string) => PhotoFacts | undefined;
}

/** More than this for one picture keeps a visitor on a phone line waiting (common practice, no source). Bytes. */
const HEAVY_BYTES = 1_000_000;
/**
 * No window shows more than this without shrinking; larger only costs weight (common practice, no source). Image px.
 */
const LARGEST_SIDE = 2600;

export function strandsOf(page: PageContext, gallery: Gallery, n: number, site: StrandContext): Strand[] {
  return gallery.items.map((item, m) => strandOf(page, gallery, item, { gallery: n, item: m }, site));
}

function strandOf(
  page: PageContext,
  gallery: Gallery,
  item: GalleryItem,
  at: { gallery: number; item: number },
  site: StrandContext,
): Strand {
  const src = item.source?.value;
  const href = item.target?.value;
  const thumbnail = resolved(src, page.base, site.index);
  const full = resolved(href, page.base, site.index);
  const standing = altStanding(
    item,
    [full, thumbnail].flatMap((file) => file?.path ?? []),
  );
  const joints = [
    thumbnailJoint(page, item, thumbnail, full, site),
    imageJoint(page, item, standing),
    linkJoint(page, item, full),
    viewerJoint(page, gallery, item),
    fullSizeJoint(page, item, full, site),
  ];
  const { lines } = page.document;
  const anchor = anchorOf(item);
  return {
    id: `${page.path}#${at.gallery}.${at.item}`,
    page: page.path,
    gallery: at.gallery,
    item: at.item,
    name: nameFor([full?.path, thumbnail?.path, src], at.item),
    joints,
    thumbnail: thumbnail?.real ?? null,
    full: full?.real ?? null,
    alt: (item.image && valueOf(item.image, 'alt')) ?? null,
    altStanding: standing,
    caption: plainCaption(item),
    slots: { title: slotIn(item, 'title'), width: slotIn(item, 'width'), height: slotIn(item, 'height') },
    lines: {
      first: lines.lineAt(item.range.start),
      last: lines.lineAt(Math.max(item.range.start, item.range.end - 1)),
    },
    range: item.range,
    linkable: linkableIn(anchor),
    element: anchor ? pathTo(anchor) : [],
    state: worst(joints),
  };
}

/** A picture of several files goes into a link as a whole. */
function linkableIn(anchor: PageElement | undefined): Range | null {
  const whole = anchor?.parent?.tag === 'picture' ? anchor.parent : anchor;
  return whole?.range ?? null;
}

const anchorOf = (item: GalleryItem): PageElement | undefined =>
  item.image ?? item.source?.element ?? item.link ?? item.elements[0];

/** After its picture's file; by its number where no address is that of a picture. */
function nameFor(paths: readonly (string | undefined)[], n: number): string {
  const named = paths.find((path) => path !== undefined && isPicturePath(path));
  return stemOf(named ?? `picture ${n + 1}`).toLowerCase();
}

function slotIn(item: GalleryItem, slot: 'title' | 'width' | 'height'): string | null {
  const holder = holderOf(item, slot);
  return (holder && valueOf(holder, slot)) ?? null;
}

/** Only what can be set without taking markup away. */
const plainCaption = ({ caption }: GalleryItem): string | null => (caption?.plain ? caption.text : null);

/** Missing alt text breaks a page for some visitors, but not the way to the picture. */
function worst(joints: readonly Joint[]): JointState {
  if (joints.some((joint) => joint.state === 'broken')) return 'broken';
  return joints.some((joint) => joint.state === 'look') ? 'look' : 'whole';
}

interface ResolvedFile {
  /** The path that the reference asks for. */
  path: string;
  /** The file that is there under that name, but for case; null where none is. */
  real: string | null;
  otherCase: boolean;
}

export function resolved(reference: string | undefined, page: string, index: PathIndex): ResolvedFile | null {
  if (reference === undefined) return null;
  const target = resolveInSite(reference, page);
  if (target.kind !== 'file') return null;
  const found = index.lookup(target.path);
  return {
    path: target.path,
    real: found.found === 'nothing' ? null : found.path,
    otherCase: found.found === 'other-case',
  };
}

function thumbnailJoint(
  page: PageContext,
  item: GalleryItem,
  file: ResolvedFile | null,
  full: ResolvedFile | null,
  site: StrandContext,
): Joint {
  if (!item.image && !item.source)
    return joint('thumbnail', 'none', 'no thumbnail', 'The link stands without a picture.', placeOf(page, item.link));
  const place = placeOf(page, item.source?.element ?? item.image, item.source?.attribute.name);
  if (!file) return thumbnailElsewhere(item.source?.value ?? '', place);
  const lost = lostJoint('thumbnail', file, place);
  if (lost) return lost;
  const real = file.real ?? file.path;
  const shows = shownInstead(site.pairing, real, full?.real ?? null);
  if (shows === null) return joint('thumbnail', 'whole', real, '', place);
  const says = shows.path
    ? `It shows ${stemOf(shows.path)}, not this picture.`
    : 'It shows another picture than the full-size file.';
  return joint('thumbnail', 'broken', real, says, place);
}

function thumbnailElsewhere(src: string, place: Joint['place']): Joint {
  if (src === '') return joint('thumbnail', 'look', 'no address', 'The image tag has no address.', place);
  return joint('thumbnail', 'look', src, 'The picture comes from another host; it is not in this site.', place);
}

/** A file that is not there, or only under another case; null where it is. */
function lostJoint(name: JointName, { path, real, otherCase }: ResolvedFile, place: Joint['place']): Joint | null {
  if (real === null) return joint(name, 'broken', path, `There is no ${path}.`, place);
  return otherCase ? joint(name, 'broken', path, `On disk it is ${real}. Most hosts tell the two apart.`, place) : null;
}

/** Why a picture has no image tag, and what that means for who does not see it. */
const withoutImage = ({ element, attribute }: FilePlace): string =>
  attribute.name === 'style'
    ? 'The picture is drawn by a style, so nothing is read out in its place.'
    : `<${element.tag}> shows the picture; it takes no alt text.`;

/** What an alt text lacks, and who misses it. */
const ALT_LACKS: Partial<Record<AltStanding, string>> = {
  absent: 'It has no alt text. Who cannot see the picture hears its file name.',
  name: 'Its alt text is the name of a file. Who cannot see the picture learns nothing of it.',
  unnamed: 'Its alt text is empty and the link around it has no other text, so the link has no name.',
};

function imageJoint(page: PageContext, item: GalleryItem, standing: AltStanding | null): Joint {
  if (!item.image)
    return joint(
      'image',
      'none',
      'no image tag',
      item.source ? withoutImage(item.source) : '',
      placeOf(page, item.source?.element ?? null),
    );
  const place = placeOf(page, item.image);
  const lacks = standing === null ? undefined : ALT_LACKS[standing];
  return joint('image', lacks === undefined ? 'whole' : 'look', `line ${place?.line ?? '?'}`, lacks ?? '', place);
}

/** A picture that is on the page already and appears when the item is pressed: `:target`, a choice, a button. */
const revealed = ({ source, target, link }: GalleryItem): PageElement | null =>
  target && target.element !== link && target.element !== source?.element && showsPicture(target.element)
    ? target.element
    : null;

function linkJoint(page: PageContext, item: GalleryItem, file: ResolvedFile | null): Joint {
  const shown = revealed(item);
  if (shown) {
    const place = placeOf(page, shown);
    return joint('link', 'whole', `line ${place?.line ?? '?'}`, '', place);
  }
  if (!item.link)
    return joint(
      'link',
      'none',
      'no link',
      item.target
        ? `Only ${item.target.attribute.name} names a larger picture; without a script a click does nothing.`
        : 'The picture is not linked; a click does nothing.',
      placeOf(page, item.image ?? item.source?.element ?? null),
    );
  const place = placeOf(page, item.link, 'href');
  const href = valueOf(item.link, 'href') ?? '';
  if (href === '') return joint('link', 'broken', 'empty link', 'The link has no address.', place);
  const trouble = troubleWith(href, page);
  return trouble
    ? joint('link', trouble.state, href, trouble.says, place)
    : joint('link', 'whole', file?.path ?? href, '', place);
}

/** Where an address leads that is no picture's; null where it may well be one. */
function troubleWith(href: string, page: PageContext): { state: JointState; says: string } | null {
  const target = resolveInSite(href, page.base);
  switch (target.kind) {
    case 'fragment':
      return { state: 'broken', says: `${href} leads to this same page, not to a picture.` };
    case 'root':
      return {
        state: 'look',
        says: 'It begins at the root of the host, so it fails from disk and from a sub-folder.',
      };
    case 'above':
      return { state: 'broken', says: 'It leads out of the site’s folder.' };
    case 'file': {
      if (!isPagePath(target.path)) return null;
      const viewer = page.wiring.main ? ' The viewer would look for a picture there and find none.' : '';
      return { state: 'broken', says: `It opens ${href}, a page.${viewer}` };
    }
    default:
      return null;
  }
}

function fullSizeJoint(page: PageContext, item: GalleryItem, file: ResolvedFile | null, site: StrandContext): Joint {
  const place = placeOf(page, item.target?.element ?? item.link, item.target?.attribute.name ?? 'href');
  const href = item.target?.value;
  if (href && resolveInSite(href, page.base).kind === 'outside')
    return joint(
      'full-size',
      'none',
      href,
      'It is at an external URL: kept as written, and never fetched here.',
      place,
    );
  if (!file || !isPicturePath(file.path)) return noPictureJoint(item, file, place);
  return lostJoint('full-size', file, place) ?? heldJoint(file.real ?? file.path, site, place);
}

/** A link may lead to a video, or to no file of the site that is shown; neither is a fault. */
function noPictureJoint({ link }: GalleryItem, file: ResolvedFile | null, place: Joint['place']): Joint {
  if (file && isVideoPath(file.path))
    return (
      lostJoint('full-size', file, place) ?? joint('full-size', 'none', file.path, 'The link leads to a video.', place)
    );
  const says = link ? 'The link does not lead to a picture of this site.' : 'No full-size picture is linked.';
  return joint('full-size', 'none', 'none', says, place);
}

/** Of a file that is there: whether it can be read, and is no heavier than it need be. */
function heldJoint(path: string, site: StrandContext, place: Joint['place']): Joint {
  const content = site.files.get(path);
  const facts = site.factsOf(path);
  const bytes = content ? bytesOf(content) : 0;
  if (facts?.unreadable) return joint('full-size', 'broken', path, facts.unreadable, place);
  if (!isTooLarge(bytes, facts)) return joint('full-size', 'whole', path, '', place);
  const size = facts ? ` and ${facts.width} × ${facts.height} px` : '';
  return joint('full-size', 'look', path, `${inBytes(bytes)}${size}: far more than a window can show.`, place);
}

/** Heavy and larger than any window: one alone may be meant. */
export const isTooLarge = (bytes: number, facts: PhotoFacts | undefined): boolean =>
  bytes > HEAVY_BYTES && facts !== undefined && Math.max(facts.width, facts.height) > LARGEST_SIDE;
