/** What a page need not load, or not at first, each with its bytes. */
import { pathTo, valueOf, type PageElement } from '../markup/index.ts';
import { type PageReading, type PictureTask, shownJpegs, type SiteReading } from '../model/index.ts';
import { exactSize, formatOf } from '../photo/index.ts';
import { bytesOf, extensionOf } from '../site/index.ts';
import { matched } from './matched.ts';
import { NEAR, type Asking } from './pageRequests.ts';
import type { PageRequest } from './request.ts';

/** How wide an `img` is shown once its picture is there; CSS px. */
export interface Shown {
  src: string;
  width: number;
}

export type Saving =
  /** Pictures out of sight that could wait until they are scrolled to. */
  | { kind: 'lazy'; bytes: number; elements: number[][]; line: number; start: number }
  /** A picture that is loaded far larger than it is shown; `instead` is a smaller file of it, if the site has one. */
  | {
      kind: 'smaller';
      bytes: number;
      path: string;
      element: number[];
      line: number;
      /** Where its tag begins. */
      start: number;
      /** Image px and CSS px. */
      width: number;
      shown: number;
      instead: string | null;
      /** What makes such a file, where there is none yet. */
      make: PictureTask | null;
    }
  /** JPEG files that could be offered as WebP; `made` where those files are there, else their bytes are a guess. */
  | { kind: 'webp'; bytes: number; count: number; made: boolean; line: number; start: number };

/** Dense screens show so many pixels each way (common practice, no source): a file of that size is no waste. */
const DENSE = 2;
/** From so many times the pixels that are shown on, it is. */
const FAR_LARGER = 2.5;

/** What saves most comes first. */
export function savingsOf(
  site: SiteReading,
  page: PageReading,
  requests: readonly PageRequest[],
  { window, shown, placed }: Asking & { shown: readonly Shown[] },
): Saving[] {
  const images = page.document.elements.filter(({ tag }) => tag === 'img');
  const placeOf = matched(images, placed);
  const shownOf = matched(images, shown);
  const asked = new Map(requests.flatMap((one) => (one.element ? [[one.element, one] as const] : [])));
  const lazy = lazySaving(page, images, requests, (image) => placeOf.get(image)?.top ?? null, window.height);
  const smaller = images.flatMap((image) => {
    const request = asked.get(image);
    const width = shownOf.get(image)?.width;
    return request && width ? (smallerSaving(site, page, image, request, width * window.density) ?? []) : [];
  });
  const webp = webpSaving(site, page, asked);
  return [...(lazy ? [lazy] : []), ...(webp ? [webp] : []), ...smaller].sort((a, b) => b.bytes - a.bytes);
}

/** Null where nothing is far enough from the window that a browser would wait with it. */
function lazySaving(
  page: PageReading,
  images: readonly PageElement[],
  requests: readonly PageRequest[],
  topOf: (image: PageElement) => number | null,
  height: number,
): Saving | null {
  const below = images.filter((image) => {
    const top = topOf(image);
    return top !== null && top >= height && valueOf(image, 'loading') === undefined && image.open !== null;
  });
  const far = new Set(below.filter((image) => (topOf(image) ?? 0) >= height + NEAR));
  const waiting = requests.filter(({ element, when }) => element !== null && when === 'scan' && far.has(element));
  const bytes = waiting.reduce((sum, one) => sum + one.bytes, 0);
  const [first] = below;
  if (bytes === 0 || !first) return null;
  return { kind: 'lazy', bytes, elements: below.map(pathTo), line: lineOf(page, first), start: first.open?.start ?? 0 };
}

function smallerSaving(
  site: SiteReading,
  page: PageReading,
  image: PageElement,
  { path, bytes }: PageRequest,
  pixels: number,
): Saving | null {
  const facts = site.factsOf(path);
  if (!facts || facts.unreadable || facts.width < pixels * FAR_LARGER || valueOf(image, 'srcset') !== undefined)
    return null;
  const instead = smallerFile(site, path, pixels);
  const content = instead === null ? undefined : site.files.get(instead);
  // Without one: as bytes go with pixels, of a file of twice the size that it is shown at.
  const left = content ? bytesOf(content) : bytes * Math.min(1, (pixels * DENSE) / facts.width) ** 2;
  if (left >= bytes) return null;
  const element = pathTo(image);
  const shown = Math.round(pixels);
  return {
    kind: 'smaller',
    bytes: Math.round(bytes - left),
    path,
    element,
    line: lineOf(page, image),
    start: image.open?.start ?? 0,
    width: facts.width,
    shown,
    instead,
    make: instead === null ? smallerTask(site, path, shown) : null,
  };
}

/** As JPEG is usually compressed for pages (common practice, no source). */
const QUALITY = 82;

/** A file beside it of twice the size that it is shown at; null where a file of that name is another picture's. */
function smallerTask(site: SiteReading, path: string, shown: number): PictureTask | null {
  const format = formatOf(path);
  const width = shown * DENSE;
  const to = path.replace(/(\.[^./]+)$/, `-${width}$1`);
  if (format === null || to === path || site.files.has(to)) return null;
  const size = exactSize({ width, height: null, format, quality: QUALITY });
  return { from: path, to, size, as: SMALLER, times: 1 };
}

/** What such a file is, among all that is made of pictures. */
const SMALLER = 'smaller copy';

/** A guess at what WebP takes of a JPEG file of equal similarity, until there is one (common practice, no source). */
const WEBP_SHARE = 0.7;

function webpSaving(site: SiteReading, page: PageReading, asked: ReadonlyMap<PageElement, PageRequest>): Saving | null {
  const shown = shownJpegs(site, page).filter(({ image }) => asked.has(image));
  const smaller = shown.filter(({ state }) => state === 'smaller');
  const of = smaller.length > 0 ? smaller : shown.filter(({ state }) => state === 'missing');
  const made = smaller.length > 0;
  const files = new Map(of.map(({ path, webp }) => [path, webp]));
  let bytes = 0;
  for (const [path, webp] of files) {
    const [jpeg, other] = [site.files.get(path), site.files.get(webp)];
    const size = jpeg ? bytesOf(jpeg) : 0;
    bytes += made && other ? size - bytesOf(other) : size * (1 - WEBP_SHARE);
  }
  const [first] = of;
  if (!first || bytes <= 0) return null;
  const start = first.image.open?.start ?? 0;
  return { kind: 'webp', bytes: Math.round(bytes), count: files.size, made, line: lineOf(page, first.image), start };
}

/** The smallest file of the same picture that is wide enough; null where the site has none. */
function smallerFile(site: SiteReading, path: string, pixels: number): string | null {
  const { pairs } = site.pairing;
  const candidates = pairs.flatMap(({ thumbnail, full }) => (full === path && thumbnail !== null ? [thumbnail] : []));
  for (const record of site.made.values())
    if (record.from === path && extensionOf(record.path) === extensionOf(path)) candidates.push(record.path);
  const wide = candidates.filter((one) => (site.factsOf(one)?.width ?? 0) >= pixels);
  const [best] = wide.sort((a, b) => (site.factsOf(a)?.width ?? 0) - (site.factsOf(b)?.width ?? 0));
  return best ?? null;
}

const lineOf = ({ document }: PageReading, { open }: PageElement): number => document.lines.lineAt(open?.start ?? 0);
