/**
 * A gallery of which the first items stay on its page, and the others come as a visitor scrolls: they stand on a page
 * of their own, to which a link leads where no script runs. What hands them to a page that is opened from disk comes
 * along with this change as with every other (`keepInStep`).
 */
import {
  ancestors,
  attributeOf,
  encodeAttribute,
  encodeMarkup,
  indentOf,
  languageOf,
  newlineOf,
  separatorOf,
  type PageDocument,
  type PageElement,
} from '../markup/index.ts';
import { followings, notesChange, type PageReading, shownBy, type SiteReading } from '../model/index.ts';
import {
  applyEdits,
  cleanPath,
  type Edit,
  type FileChange,
  firstOf,
  folderOf,
  isPagePath,
  lastOf,
  type ListPart,
  type Planned,
  refuse,
  relativeReference,
  type Result,
  smallestEdit,
  stemOf,
} from '../site/index.ts';
import { inLanguage, type Kit } from '../wiring/index.ts';
import type { Intent } from './intent.ts';
import { GALLERY_GONE, galleryAt } from './items.ts';
import { hindranceIn, holdsJust, numberedTitle, type Part, type Piece, piecesOf } from './split.ts';
import { Steps } from './steps.ts';
import { wireGallery } from './wiring.ts';

type Wish = Extract<Intent, { kind: 'feed-rest' }>;

export function feedRest(site: SiteReading, wish: Wish): Planned {
  const { page, first } = wish;
  const path = freePage(site, wish);
  if (!path.ok) return path;
  const kit = site.kits.find(({ manifest }) => manifest.more);
  if (!kit) return refuse('There is no viewer here that brings further pictures.');
  const hindrance = hindranceTo(site, wish);
  if (hindrance !== null) return refuse(hindrance);
  const steps = new Steps(site);
  const trouble = marked(steps, wish, kit) ?? steps.do(parted(steps.site, wish, path.path, kit));
  if (trouble !== null) return refuse(trouble);
  const label = `Show ${first} pictures on ${page} and the others as a visitor scrolls`;
  const follows = followedApart(site, wish, path.path);
  const failed = follows
    ? steps.do({ ok: true, change: { label, files: notesChange(steps.site, { follows }) } })
    : null;
  return failed === null ? { ok: true, change: { label, files: steps.files() } } : refuse(failed);
}

/** The page for the others stands beside the first, so that their addresses stay as they are. */
function freePage(site: SiteReading, { page, path: raw }: Wish): Result<{ path: string }> {
  const clean = cleanPath(raw.trim());
  if (!clean.ok) return refuse(`“${raw}” cannot be a page’s name: ${clean.reason}.`);
  const { path } = clean;
  if (!isPagePath(path)) return refuse(`“${path}” does not end in .html.`);
  if (folderOf(path) !== folderOf(page)) return refuse(`The page has to stand in the folder of ${page}.`);
  const script = `${folderOf(path)}${stemOf(path)}.js`;
  const taken = [path, script].find((one) => site.index.lookup(one).found !== 'nothing');
  return taken === undefined ? clean : refuse(`There is a file ${taken} already. Choose another name.`);
}

function hindranceTo(site: SiteReading, { page: path, gallery, first }: Wish): string | null {
  const found = galleryAt(site, { page: path, gallery });
  if (!found) return GALLERY_GONE;
  const { length } = found.gallery.items;
  if (length <= first) return `The gallery has ${length} items; none would be left for later.`;
  if (site.notes.known.spreads.some(({ pages }) => pages.includes(path)))
    return `The gallery of ${path} is split over several pages already. Merge them into one page first.`;
  const part: Part = { page: found.page, gallery: found.gallery };
  return hindranceIn([part], part);
}

/** The gallery gets the viewer that brings further pictures, where it has none. */
function marked(steps: Steps, { page, gallery }: Wish, kit: Kit): string | null {
  const { title } = kit.manifest;
  const isWired = () => {
    const found = galleryAt(steps.site, { page, gallery });
    return found !== null && holderOf(found.gallery.container, kit) !== null;
  };
  const trouble = isWired()
    ? null
    : steps.do(wireGallery(steps.site, { page, kit, gallery: ({ galleries }) => galleries[gallery] }));
  if (trouble !== null) return trouble;
  const found = galleryAt(steps.site, { page, gallery });
  const holder = found && holderOf(found.gallery.container, kit);
  if (!holder) return `The ${title} cannot be put on this gallery. Mark it in Wiring first.`;
  const before = found.page.document.elements.find((one) => isMarked(one, kit));
  if (before !== holder)
    return `Another gallery with the ${title} stands before this one on ${page}; only the first can go on to another page.`;
  return lastLinkOf(found.page.document, holder, kit) ? `The gallery leads on to another page already.` : null;
}

const isMarked = (element: PageElement, { manifest: { marker } }: Kit): boolean =>
  marker.attribute !== undefined && attributeOf(element, marker.attribute) !== undefined;

const holderOf = (container: PageElement, kit: Kit): PageElement | null =>
  isMarked(container, kit) ? container : null;

const lastLinkOf = ({ elements }: PageDocument, holder: PageElement, { manifest: { more } }: Kit) =>
  elements.find((one) => more && attributeOf(one, more.link) && [...ancestors(one)].includes(holder));

function parted(site: SiteReading, wish: Wish, path: string, kit: Kit): Planned {
  const found = galleryAt(site, { page: wish.page, gallery: wish.gallery });
  if (!found) return refuse(GALLERY_GONE);
  const { page, gallery } = found;
  const pieces = piecesOf([{ page, gallery }]);
  const link = linkTo(page, found.gallery.container, path, kit);
  if (link === null)
    return refuse(`A <${gallery.container.tag}> has no place for the link to further pictures. Use a list or a div.`);
  const here = withItems({ page, gallery }, pieces.slice(0, wish.first), [link], false);
  const there = withItems({ page, gallery }, pieces.slice(wish.first), [], true);
  for (const one of [here, there]) {
    if (!one.ok) return one;
    if (!holdsJust(one.text, one.pieces, page))
      return refuse(`${page.path}: the page would be read otherwise than meant.`);
  }
  if (!here.ok || !there.ok) return refuse(GALLERY_GONE);
  const files: FileChange[] = [
    { kind: 'edit', path: page.path, edits: smallestEdit(page.text, here.text) },
    { kind: 'put', path, before: null, after: { kind: 'text', text: there.text } },
  ];
  return { ok: true, change: { label: '', files } };
}

/** In a list the link is an entry of its own, elsewhere it stands behind the items; null where it cannot. */
function linkTo({ path: from, document }: PageReading, { tag }: PageElement, path: string, kit: Kit): string | null {
  const { more, words } = kit.manifest;
  if (!more || ['table', 'tbody', 'tr', 'dl', 'select'].includes(tag)) return null;
  const script = `${folderOf(path)}${stemOf(path)}.js`;
  const [href, data] = [path, script].map((one) => encodeAttribute(relativeReference(from, one), '"'));
  const english = words.more ?? 'More pictures';
  const said = inLanguage(english, languageOf(document) ?? '') ?? english;
  const link = `<a ${more.link} href="${href}" ${more.data}="${data}">${encodeMarkup(said)}</a>`;
  return tag === 'ul' || tag === 'ol' || tag === 'menu' ? `<li>${link}</li>` : link;
}

type Written = Result<{ text: string; pieces: readonly Piece[] }>;

function withItems(
  { page: { document }, gallery }: Part,
  pieces: readonly Piece[],
  behind: readonly string[],
  isNext: boolean,
): Written {
  const [start, end] = [firstOf(gallery.items).unit.start, lastOf(gallery.items).unit.end];
  const [first] = firstOf(gallery.items).elements;
  const items = pieces.map(({ text }) => text).join(separatorOf(document, gallery));
  const line = newlineOf(document) + (first ? indentOf(document, first) : '');
  const edits: Edit[] = [
    { start, end, text: [items, ...behind].join(line) },
    ...(isNext ? numberedTitle(document, 2) : []),
  ];
  const applied = applyEdits(
    document.text,
    edits.sort((a, b) => a.start - b.start),
  );
  return applied.ok ? { ok: true, text: applied.text, pieces } : applied;
}

/** A list is followed by both: its first rows by the one, the rows behind them by the other; null where none is. */
function followedApart(site: SiteReading, { page, gallery, first }: Wish, path: string) {
  const { follows } = site.notes.known;
  const found = galleryAt(site, { page, gallery });
  const mine = follows.filter((one) => one.page === page && one.gallery === gallery);
  if (!found || mine.length === 0) return null;
  const shown = new Set(shownBy(found.page, gallery).slice(0, first));
  const compared = followings(site).filter(({ followed }) => mine.includes(followed));
  return follows.flatMap((one) => {
    if (!mine.includes(one)) return [one];
    const from = one.source.part?.from ?? 0;
    const to = one.source.part?.to ?? null;
    const listed = compared.find(({ followed }) => followed === one)?.compared.listed.pictures ?? [];
    const last = listed[first - 1]?.row ?? from + first;
    const of = (part: ListPart, isHere: boolean, at: string) => ({
      ...one,
      page: at,
      source: { ...one.source, part },
      rows: one.rows.filter(({ full }) => shown.has(full) === isHere),
    });
    return [of({ from, to: last }, true, page), of({ from: last, to }, false, path)];
  });
}
