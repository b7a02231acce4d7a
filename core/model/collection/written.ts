/** What stands in the region of a page of all pictures: headings and galleries, written as the author writes them. */
import {
  encodeAttribute,
  encodeMarkup,
  itemBy,
  type NewItem,
  newlineOf,
  type PageDocument,
} from '../../markup/index.ts';
import { type Collection, relativeReference } from '../../site/index.ts';
import type { SiteReading } from '../reading.ts';
import { collectedGroups, type CollectedGroup, type CollectedPicture } from './collected.ts';

/** Of the link to the page that a picture comes from, for the author's stylesheet. */
const FROM = 'from-page';

/** `base` is what the page's addresses count from. */
export function writtenRegion(
  site: SiteReading,
  collection: Collection,
  { base, document, indent }: { base: string; document: PageDocument; indent: string },
): string {
  const newline = newlineOf(document);
  const groups = collectedGroups(site, collection.page, collection);
  let ordinal = 0;
  const written = groups.map((group) => {
    const gallery = galleryOf(site, collection, group, base, () => ++ordinal);
    return (
      headingOf(group, base)
        .map((line) => line + newline + indent)
        .join('') + gallery
    );
  });
  return written.map((one) => `${indent}${one}${newline}`).join('');
}

function headingOf({ heading, page }: CollectedGroup, base: string): string[] {
  if (heading === null) return [];
  const words = encodeMarkup(heading);
  return [page === null ? `<h2>${words}</h2>` : `<h2>${linkTo(page, base, words)}</h2>`];
}

const linkTo = (page: string, base: string, words: string, more = ''): string =>
  `<a${more} href="${encodeAttribute(relativeReference(base, page), '"')}">${words}</a>`;

function galleryOf(
  site: SiteReading,
  { open, close, hand, group: by }: Collection,
  { pictures }: CollectedGroup,
  base: string,
  next: () => number,
): string {
  const items = pictures.map((picture) => {
    const item = itemBy(hand, newItem(site, picture, base), next());
    const from = linkTo(picture.from, base, encodeMarkup(picture.title), ` class="${FROM}"`);
    // Under the heading of its page, each would say the same again.
    return by === 'page' ? item : withLink(item, from);
  });
  return open + hand.lead + items.join(hand.separator) + hand.tail + close;
}

function newItem(site: SiteReading, { strand, full, thumbnail, linkTitle }: CollectedPicture, base: string): NewItem {
  const size = site.factsOf(thumbnail);
  return {
    src: relativeReference(base, thumbnail),
    href: relativeReference(base, full),
    title: linkTitle ?? strand.caption ?? '',
    // What nobody has said of it there, nobody says here.
    alt: strand.alt,
    caption: strand.caption ?? '',
    ...(size && !size.unreadable ? { width: size.width, height: size.height } : {}),
  };
}

/** Inside of what holds the item; behind an item that is a link itself, for no link may stand in another. */
function withLink(item: string, link: string): string {
  const [, tag = ''] = /^\s*<([a-z][a-z\d-]*)/i.exec(item) ?? [];
  const end = item.toLowerCase().lastIndexOf(`</${tag.toLowerCase()}`);
  const isLink = tag.toLowerCase() === 'a';
  if (isLink || end < 0 || item.slice(end).indexOf('<', 1) >= 0) return `${item} ${link}`;
  return `${item.slice(0, end)} ${link}${item.slice(end)}`;
}
