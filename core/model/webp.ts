/**
 * WebP files beside the JPEG files that pages show. A page that offers both lets a browser take the one it can read
 * (WHATWG HTML §4.8.1, the `picture` element).
 */
import { closest, type PageElement, valueOf } from '../markup/index.ts';
import { exactSize, formatOf, inFormat } from '../photo/index.ts';
import { bytesOf, resolveInSite } from '../site/index.ts';
import { type PictureTask, sourceHash } from './madeSizes.ts';
import type { PageReading, SiteReading } from './reading.ts';

/** What such a file is, among all that is made of pictures. */
const WEBP = 'WebP';

/** As JPEG is usually compressed for pages; much above it saves little (common practice, no source). */
const QUALITY = 80;

/** An `img` that shows a JPEG file and offers nothing else. */
export interface ShownJpeg {
  image: PageElement;
  path: string;
  webp: string;
  /** `missing` also where the JPEG file has changed since; `other` where the file is not made of it. */
  state: 'missing' | 'smaller' | 'larger' | 'other';
}

/** Of one page, in its order. What chooses among several files already is left out. */
export function shownJpegs(site: SiteReading, page: PageReading): ShownJpeg[] {
  return page.document.elements.flatMap((image): ShownJpeg[] => {
    if (image.tag !== 'img' || image.open === null || valueOf(image, 'srcset') !== undefined) return [];
    const path = jpegShown(site, page, image);
    if (path === null) return [];
    const webp = inFormat(path, 'webp');
    const picture = closest(image, ({ tag }) => tag === 'picture');
    // One that is offered already is wanted where it has gone, or is of an older picture.
    const state = stateOf(site, path, webp);
    if (picture && (state !== 'missing' || !offers(site, page, picture, webp))) return [];
    return [{ image, path, webp, state }];
  });
}

function jpegShown(site: SiteReading, page: PageReading, image: PageElement): string | null {
  const target = resolveInSite(valueOf(image, 'src') ?? '', page.base);
  const found = target.kind === 'file' ? site.index.lookup(target.path) : null;
  if (!found || found.found === 'nothing' || formatOf(found.path) !== 'jpeg') return null;
  const facts = site.factsOf(found.path);
  return facts && !facts.unreadable ? found.path : null;
}

const offers = (site: SiteReading, page: PageReading, picture: PageElement, webp: string): boolean =>
  picture.children.some((source) => {
    const [address = ''] = (valueOf(source, 'srcset') ?? '').trim().split(/[\s,]/);
    const target = resolveInSite(address, page.base);
    return source.tag === 'source' && target.kind === 'file' && target.path === webp;
  });

function stateOf(site: SiteReading, path: string, webp: string): ShownJpeg['state'] {
  const [jpeg, content] = [site.files.get(path), site.files.get(webp)];
  if (!jpeg || !content) return 'missing';
  const record = site.made.get(webp);
  if (record && record.from === path && record.of !== sourceHash(site, { from: path })) return 'missing';
  if (!isOfIt(site, path, webp)) return 'other';
  return bytesOf(content) < bytesOf(jpeg) ? 'smaller' : 'larger';
}

/** Made here of it, or somebody's own file of as many pixels. */
function isOfIt(site: SiteReading, path: string, webp: string): boolean {
  if (site.made.get(webp)?.from === path) return true;
  const [jpeg, other] = [site.factsOf(path), site.factsOf(webp)];
  return jpeg !== undefined && jpeg.width === other?.width && jpeg.height === other.height;
}

/** WebP files to be made of these, each once. */
export function webpTasks(site: SiteReading, shown: readonly ShownJpeg[]): PictureTask[] {
  const tasks = new Map<string, PictureTask>();
  for (const { path, webp, state } of shown) {
    const facts = site.factsOf(path);
    if (state !== 'missing' || !facts) continue;
    const { width, height } = facts;
    const size = exactSize({ width, height, format: 'webp', quality: QUALITY });
    tasks.set(webp, { from: path, to: webp, size, as: WEBP, times: 1 });
  }
  return [...tasks.values()];
}
