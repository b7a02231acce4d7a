/** What stands in the region of a page of all pictures: headings and galleries, written as the author writes them. */
import {
  encodeAttribute,
  encodeMarkup,
  itemBy,
  type NewItem,
  newlineOf,
  type PageDocument,
  type PageElement,
  parsePage,
  type Range,
  withAttribute,
} from '../../markup/index.ts';
import { byNaturalName, type Collection, relativeReference } from '../../site/index.ts';
import { tagAttributeIn, taggedItems, tagsOnPages } from '../pictureTags.ts';
import type { SiteReading } from '../reading.ts';
import { standsIn } from './region.ts';
import { collectedGroups, nameOfPage, type CollectedGroup, type CollectedPicture } from './collected.ts';

/** Of the link to the page that a picture comes from, for the author's stylesheet. */
const FROM = 'from-page';

/** `base` is what the page's addresses count from. */
export function writtenRegion(
  site: SiteReading,
  collection: Collection,
  { base, document, region, indent }: { base: string; document: PageDocument; region: Range; indent: string },
): string {
  const newline = newlineOf(document);
  const groups = collectedGroups(site, collection.page, collection);
  const marked = [...parsePage(collection.open).elements, ...document.elements.filter(standsIn(region))];
  const tagged = taggedBy(site, marked);
  let ordinal = 0;
  const written = groups.map((group) => {
    const gallery = galleryOf(site, collection, group, { base, tagged, next: () => ++ordinal });
    return (
      headingOf(group, base)
        .map((line) => line + newline + indent)
        .join('') + gallery
    );
  });
  const lines = [...linksToTags(site, collection, base), ...written];
  return lines.map((one) => `${indent}${one}${newline}`).join('');
}

/** Of the links to the pages of all tags, for the author's stylesheet. */
const TAG_PAGES = 'tag-pages';

/** Each on a line of its own, so that its author can change one and the others follow. */
function linksToTags(site: SiteReading, { page: own, tagLinks }: Collection, base: string): string[] {
  const tagged = site.notes.known.collections
    .flatMap(({ page: path, tag, tagLinks: isOneOfThem }) => {
      const page = site.pages.find((one) => one.path === path);
      if (!page || (tag === null && !isOneOfThem)) return [];
      return [{ path, tag, words: tag ?? nameOfPage(page) }];
    })
    .sort((a, b) => Number(a.tag !== null) - Number(b.tag !== null) || byNaturalName(a.words, b.words));
  if (!tagLinks || tagged.length < 2) return [];
  const links = tagged.map(({ path, words }) =>
    linkTo(path, base, encodeMarkup(words), path === own ? ' aria-current="page"' : ''),
  );
  return [`<p class="${TAG_PAGES}">`, ...links.map((link) => `  ${link}`), '</p>'];
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
  { base, tagged, next }: { base: string; tagged: Tagged; next: () => number },
): string {
  const items = pictures.map((picture) => {
    const item = tagged(itemBy(hand, newItem(site, picture, base), next()), picture.full);
    const from = linkTo(picture.from, base, encodeMarkup(picture.title), ` class="${FROM}"`);
    // Under the heading of its page, each would say the same again.
    return by === 'page' ? item : withLink(item, from);
  });
  return open + hand.lead + items.join(hand.separator) + hand.tail + close;
}

type Tagged = (item: string, full: string) => string;

/** Where a viewer chooses by tags, each item says those of its picture: what is noted of it, and what pages say. */
function taggedBy(site: SiteReading, marked: readonly PageElement[]): Tagged {
  const attribute = tagAttributeIn(site, marked);
  if (attribute === null) return (item) => item;
  const onPages = tagsOnPages(taggedItems(site));
  return (item, full) => {
    const content = site.files.get(full);
    const noted = content?.kind === 'binary' ? (site.notes.known.tags[content.hash] ?? []) : [];
    const tags = [...new Set([...noted, ...(onPages.get(full) ?? [])])];
    const isTagged = tags.length > 0 || item.includes(attribute);
    return isTagged ? (withAttribute(item, attribute, tags.join(', ')) ?? item) : item;
  };
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
  const inside = item.slice(0, end).trimEnd();
  const rest = item.slice(inside.length);
  if (!rest.slice(0, end - inside.length).includes('\n')) return `${item.slice(0, end)} ${link}${item.slice(end)}`;
  // On a line of its own where what is in the item has lines of their own.
  const newline = rest.startsWith('\r') ? '\r\n' : '\n';
  const indent = /[ \t]*(?=\S[^\n]*$)/.exec(inside.slice(inside.lastIndexOf('\n') + 1))?.[0] ?? '';
  return `${inside}${newline}${indent}${link}${rest}`;
}
