/** Pictures that a page draws larger than the pixels that they have, so that they look soft. */
import { valueOf } from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import { matched } from './matched.ts';
import type { PageRequest } from './request.ts';
import type { Shown } from './savings.ts';

export interface Stretched {
  path: string;
  /** Of the tag, from 1. */
  line: number;
  /** Where it begins. */
  start: number;
  /** Image px and CSS px. */
  width: number;
  shown: number;
}

/** What is less is a rounded size; a share of the picture's own width. */
const SEEN = 1.05;

/** The softest first, each file once. A drawing (SVG) has no pixels of its own. */
export function stretchedOn(
  site: SiteReading,
  page: PageReading,
  requests: readonly PageRequest[],
  shown: readonly Shown[],
): Stretched[] {
  const images = page.document.elements.filter(({ tag }) => tag === 'img');
  const widths = matched(images, shown);
  const asked = new Map(requests.flatMap((one) => (one.element ? [[one.element, one.path] as const] : [])));
  const found = new Map<string, Stretched>();
  for (const image of images) {
    const path = asked.get(image);
    const facts = path === undefined ? undefined : site.factsOf(path);
    const width = widths.get(image)?.width ?? 0;
    if (path === undefined || !facts || facts.unreadable || /\.svg$/i.test(path)) continue;
    // Of several files a browser chooses by the screen: nobody can say here which one it is on another.
    if (valueOf(image, 'srcset') !== undefined || width <= facts.width * SEEN) continue;
    const before = found.get(path);
    if (before && before.shown >= width) continue;
    const start = image.open?.start ?? 0;
    const line = page.document.lines.lineAt(start);
    found.set(path, { path, line, start, width: facts.width, shown: Math.round(width) });
  }
  return [...found.values()].sort((a, b) => b.shown / b.width - a.shown / a.width);
}
