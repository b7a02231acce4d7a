/**
 * Groups of pictures among the words of a page: put where the cursor is, and changed again. What a group has already
 * stays as it is written; what comes is written as its neighbours are.
 */
import {
  addItems,
  attributeOf,
  cutLine,
  descendants,
  elementAt,
  galleriesOf,
  type Gallery,
  hazardsOf,
  type NewItem,
  newlineOf,
  orderItems,
  type PageDocument,
  type PageElement,
  removeAttribute,
  removeItems,
  setAlt,
  setCaption,
  verifiedSameShape,
} from '../markup/index.ts';
import { type PageReading, placeOnPage, resolved, type SiteReading, textsOf } from '../model/index.ts';
import {
  countOf,
  type Edit,
  type Edited,
  type FileChange,
  folderOf,
  type Named,
  nameOf,
  planEdits,
  type Planned,
  refuse,
  relativeReference,
  smallestEdit,
} from '../site/index.ts';
import {
  type Group,
  groupsOf,
  groupText,
  type Hand,
  handOf,
  hasAddresses,
  holderOf,
  INSIDE,
  itemInHand,
  isLarge,
  itemText,
  opens,
  rangeOf,
  reshaped,
  rulesFor,
  type Shown,
  type Sizes,
  writes,
} from '../story/index.ts';
import { rulesForClass } from '../style/index.ts';
import { type Kit, NOTHING_TO_WIRE } from '../wiring/index.ts';
import { isShow } from './copyPage.ts';
import type { Intent, NewPicture } from './intent.ts';
import { markupIn } from './items.ts';
import { placeFor } from './putPictures.ts';
import { type Found, GroupSteps } from './groupSteps.ts';
import { Steps } from './steps.ts';
import { withOwnStylesheet } from './style.ts';
import { unwire, wireGallery } from './wiring.ts';

type Of<Kind extends Intent['kind']> = Extract<Intent, { kind: Kind }>;
type ItemFor = (page: string, picture: NewPicture) => NewItem;

const GROUP_GONE = 'This group is no longer at this place; the page has changed meanwhile.';

export function putGroup(site: SiteReading, wish: Of<'put-group'>, itemFor: ItemFor): Planned {
  const { page: path, offset, pictures, shown } = wish;
  const page = site.pages.find((one) => one.path === path);
  if (!page) return refuse(`There is no page ${path} any more.`);
  const wanted = wish.inText ? offsetOnPage(site, path, offset) : offset;
  if (typeof wanted === 'string') return refuse(wanted);
  const place = blockPlace(page.document, Math.min(wanted, page.text.length));
  if (typeof place === 'string') return refuse(place);
  const fresh = pictures.map((picture) => shownItem(site, path, picture, shown, itemFor));
  const learnt = wish.clean ? null : handFor(site, page)?.hand;
  const hand = learnt && writes(learnt, shown) ? learnt : null;
  const label = `Put ${what(pictures)} on ${path}`;
  const steps = new Steps(site);
  const trouble =
    steps.do(planEdits(label, path, writtenAt(page, { fresh, shown, hand }, place))) ??
    styled(steps, path, shown) ??
    viewed(steps, path, shown, (now) =>
      groupsOf(now).find((one) => one.shown !== null && rangeOf(now.document, one).end > place),
    );
  return trouble === null ? { ok: true, change: { label, files: steps.files() } } : refuse(trouble);
}

function offsetOnPage(site: SiteReading, path: string, offset: number): number | string {
  const text = textsOf(site).find(({ page }) => page.path === path);
  if (!text) return `${path} has no text out of a Markdown file any more.`;
  if (text.state !== 'same')
    return `${path} and ${text.source} say different things. Choose which of them leads first.`;
  return placeOnPage(text, offset);
}

/** Items as the galleries of the page are written, or of the site; null where there is none to learn from. */
export function handFor(site: SiteReading, page: PageReading): { hand: Hand; page: string } | null {
  const made = new Set(site.notes.known.collections.map((one) => one.page));
  for (const from of [page, ...byGalleries(site).filter(({ path }) => !made.has(path))]) {
    const hand = handOn(site, from);
    const isNear = folderOf(from.base) === folderOf(page.base);
    if (hand && (isNear || !hasAddresses(hand))) return { hand, page: from.path };
  }
  return null;
}

const sorted = new WeakMap<SiteReading, readonly PageReading[]>();

/** Those with the largest galleries first. */
function byGalleries(site: SiteReading): readonly PageReading[] {
  const most = ({ galleries }: PageReading) => Math.max(0, ...galleries.map(({ items }) => items.length));
  const known = sorted.get(site) ?? [...site.pages].sort((a, b) => most(b) - most(a));
  sorted.set(site, known);
  return known;
}

const hands = new WeakMap<PageReading, { own: string; hand: Hand | null }>();

/** Of the largest gallery that is written in one; remembered as long as page and viewers are the same. */
function handOn(site: SiteReading, page: PageReading): Hand | null {
  const attributes = new Set(site.kits.flatMap(ownAttributes));
  const own = [...attributes].join(' ');
  const known = hands.get(page);
  if (known?.own === own) return known.hand;
  // A group shown in one way is no example for another, nor is a picture by itself or one that opens nothing.
  const typed = groupsOf(page).flatMap(({ gallery, shown }) =>
    shown === null && gallery.items.length > 1 && gallery.items.some(({ link }) => link) ? [gallery] : [],
  );
  const galleries = typed.sort((a, b) => b.items.length - a.items.length);
  const found = galleries.flatMap((one) => (isShow(page, one) ? [] : (handOf(page.document, one, attributes) ?? [])));
  const hand = found[0] ?? null;
  hands.set(page, { own, hand });
  return hand;
}

/** By these a viewer knows a gallery of its own; a class has more to say. */
const ownAttributes = ({ manifest: { marker, group } }: Kit): string[] =>
  [marker.attribute, group && 'attribute' in group ? group.attribute : undefined].filter(
    (name): name is string => name !== undefined && name !== 'class',
  );

const what = (pictures: readonly NewPicture[]): string => {
  const [only] = pictures;
  return pictures.length === 1 && only ? nameOf(only.full) : countOf(pictures.length, 'picture');
};

/** With the file that is shown, and its size. */
function shownItem(site: SiteReading, page: string, picture: NewPicture, shown: Shown, itemFor: ItemFor): NewItem {
  const item = itemFor(page, picture);
  const isFull = isLarge(shown) || picture.thumbnail === '';
  if (!isFull) return item;
  const facts = site.factsOf(picture.full);
  const { width: _width, height: _height, ...rest } = item;
  return {
    ...rest,
    src: item.href,
    ...(facts && !facts.unreadable ? { width: facts.width, height: facts.height } : {}),
  };
}

/** In these stand words, or parts of a list or a table, and no group. */
const WITHIN = /^(?:p|h[1-6]|a|dt|figcaption|figure|li|ul|ol|dl|table|thead|tbody|tr|nav|label|pre)$/;
/** In these stand words, unless somebody has put whole paragraphs into them. */
const AMONG_WORDS = /^(?:span|b|i|em|strong|small|font)$/;
const PARAGRAPHS = /^(?:p|h[1-6]|div|center|blockquote|ul|ol|dl|table|pre|hr)$/;

const isOfWords = (element: PageElement): boolean =>
  WITHIN.test(element.tag) ||
  (AMONG_WORDS.test(element.tag) && ![...descendants(element)].some(({ tag }) => PARAGRAPHS.test(tag)));

/** Behind the paragraph, heading, list or table that a place lies in. */
export function blockPlace(document: PageDocument, wanted: number): number | string {
  const place = placeFor(document, wanted);
  if (typeof place === 'string') return place;
  let at = place;
  for (let element = elementAt(document, place); element; element = element.parent)
    if (isOfWords(element) && element.range && place > element.range.start && place < element.range.end)
      at = element.range.end;
  return at;
}

interface Fresh {
  fresh: readonly NewItem[];
  shown: Shown;
  /** Null for clean markup. */
  hand: Hand | null;
}

/** Where it cannot be: what is wrong with the page before that place, if anything is. */
function writtenAt({ document, path }: PageReading, fresh: Fresh, place: number): Edited {
  const edited = written(document, fresh, place);
  const hazard = edited.ok ? undefined : hazardsOf(document).findLast(({ range }) => range.start < place);
  if (!hazard) return edited;
  const line = document.lines.lineAt(hazard.range.start);
  return refuse(`${path}, line ${line}: ${hazard.says}. Fix this first, or choose another place.`);
}

/** On lines of its own, with a blank line where the paragraphs of the page have one. */
function written(document: PageDocument, { fresh, shown, hand }: Fresh, place: number): Edited {
  const { text } = document;
  const newline = newlineOf(document);
  const begins = text.lastIndexOf('\n', place - 1) + 1;
  const before = text.slice(begins, place);
  const line = newline + (/^[ \t]*/.exec(before)?.[0] ?? '');
  const items = fresh.map((item, n) =>
    hand ? itemInHand(hand, item, n + 1, shown, line + INSIDE) : itemText(item, shown),
  );
  const group = groupText(items, shown, line, hand ? holderOf(hand) : undefined);
  const isAlone = before.trim() === '';
  const isSpaced = /^[ \t]*\r?\n[ \t]*\r?\n/.test(text.slice(place));
  const edit: Edit = isAlone
    ? { start: place, end: place, text: group + line }
    : { start: place, end: place, text: (isSpaced ? newline : '') + line + group };
  const more = 1 + items.join('').split(/<(?=[a-z])/i).length - 1;
  return verifiedSameShape(document, [edit], more);
}

/** The page's stylesheet gets what a group shown so needs, where it has not. */
function styled(steps: Steps, path: string, shown: Shown): string | null {
  const start = withOwnStylesheet(steps.site, path);
  if (typeof start === 'string') return start;
  const files: FileChange[] = [...start.files].flatMap(([file, after]): FileChange[] => {
    const before = steps.site.files.get(file);
    if (before === after) return [];
    return before?.kind === 'text' && after.kind === 'text'
      ? [{ kind: 'edit', path: file, edits: smallestEdit(before.text, after.text) }]
      : [{ kind: 'put', path: file, before: before ?? null, after }];
  });
  const linked = files.length === 0 ? null : steps.do({ ok: true, change: { label: '', files } });
  if (linked !== null) return linked;
  const now = withOwnStylesheet(steps.site, path);
  if (typeof now === 'string') return now;
  const rule = rulesForClass(now, path, rulesFor(shown));
  return rule ? steps.do(planEdits('', rule.path, { ok: true, edits: [rule.edit] })) : null;
}

/** Links of the group are opened by the viewer of the page, or of the site; a slideshow gets its own. */
function viewed(
  steps: Steps,
  path: string,
  shown: Shown,
  meant: (page: PageReading) => Group | undefined,
): string | null {
  const page = steps.site.pages.find((one) => one.path === path);
  const kit = page && meant(page) ? kitFor(steps.site, page, shown) : null;
  if (!kit) return null;
  const planned = wireGallery(steps.site, { page: path, kit, gallery: (now) => meant(now)?.gallery });
  // What is wired already has nothing to be changed, and that is no trouble.
  return !planned.ok && planned.reason === NOTHING_TO_WIRE ? null : steps.do(planned);
}

function kitFor(site: SiteReading, page: PageReading, shown: Shown): Kit | null {
  if (shown.as === 'slideshow') return site.kits.find(({ manifest }) => manifest.does === 'show') ?? null;
  if (!opens(shown)) return null;
  const others = site.pages.flatMap(({ wiring }) => wiring.main ?? []);
  return (page.wiring.main ?? others[0])?.kit ?? null;
}

export function setGroup(site: SiteReading, wish: Of<'set-group'>, itemFor: ItemFor): Planned {
  const { page: path, pictures } = wish;
  const found = groupIn(site, wish);
  if (!found) return refuse(GROUP_GONE);
  const { page, group } = found;
  const within = rangeOf(page.document, group);
  const hazard = hazardsOf(page.document).find(({ range }) => range.start >= within.start);
  if (hazard && hazard.range.start < within.end) return refuse(`${path}: ${hazard.says}. Fix this first.`);
  if (pictures.length === 0) return gone(site, page, group);
  const steps = new GroupSteps(site, found);
  const left: Named[] = [];
  const { shown } = wish;
  const trouble =
    (shown && shownOtherwise(steps, wish, shown, left)) ??
    added(steps, wish, shown ?? group.shown, itemFor) ??
    removed(steps, wish) ??
    ordered(steps, wish) ??
    (shown && settled(steps, wish, shown));
  if (trouble !== null) return refuse(trouble);
  const files = steps.files();
  if (files.length === 0) return refuse('The group is like that already.');
  return { ok: true, change: { label: `Change a group of ${path}`, files }, left };
}

/** What a presentation needs beside the page: its rules, and a viewer. */
const settled = (steps: GroupSteps, { page }: Of<'set-group'>, shown: Shown): string | null =>
  styled(steps, page, shown) ?? viewed(steps, page, shown, (now) => steps.in(now));

/** By its number, and by the picture that it showed first when somebody asked. */
function groupIn(
  site: SiteReading,
  { page: path, group: n, first }: Pick<Of<'set-group'>, 'page' | 'group' | 'first'>,
): Found | null {
  const page = site.pages.find((one) => one.path === path);
  const group = page && groupsOf(page)[n];
  return page && group && fullsOf(site, page, group)[0] === first ? { page, group } : null;
}

/** The full-size file of each item: what its link leads to, or what it shows. */
export function fullsOf({ index, pairing }: Pick<SiteReading, 'index' | 'pairing'>, page: PageReading, group: Group) {
  const fulls = new Map(pairing.pairs.flatMap(({ full, thumbnail }) => (thumbnail ? [[thumbnail, full]] : [])));
  const files = new Set(pairing.pairs.map(({ full }) => full));
  return group.gallery.items.map(({ link, source, target }) => {
    const led = resolved(link ? attributeOf(link, 'href')?.value : target?.value, page.base, index)?.real;
    if (led && files.has(led)) return led;
    const shown = resolved(source?.value, page.base, index)?.real ?? '';
    return fulls.get(shown) ?? shown;
  });
}

/** Pictures of the site; what else an item shows or leads to nobody can choose, so it stays where it stands. */
const isKnown = ({ pairing }: Pick<SiteReading, 'pairing'>): ((full: string) => boolean) => {
  const fulls = new Set(pairing.pairs.map(({ full }) => full));
  return (full) => fulls.has(full);
};

function gone(site: SiteReading, page: PageReading, group: Group): Planned {
  const known = isKnown(site);
  const others = fullsOf(site, page, group).filter((full) => !known(full)).length;
  if (others > 0)
    return refuse(
      `${countOf(others, 'item')} of this group ${others === 1 ? 'is no picture' : 'are no pictures'} of the site. Take the group out in the source.`,
    );
  const label = `Take a group out of ${page.path}`;
  if (group.shown === null) {
    const { gallery } = group;
    return planEdits(label, page.path, removeItems(page.document, gallery, [...gallery.items.keys()], asGroups));
  }
  return planEdits(label, page.path, { ok: true, edits: [cutLine(page.document, rangeOf(page.document, group))] });
}

function shownOtherwise(steps: GroupSteps, wish: Of<'set-group'>, to: Shown, left: Named[]): string | null {
  const before = steps.found();
  if (!before) return GROUP_GONE;
  const { shown } = before.group;
  if (shown?.as === to.as && shown.columns === to.columns) return null;
  const trouble = unslid(steps, before, to);
  const found = steps.found();
  if (trouble !== null || !found) return trouble ?? GROUP_GONE;
  const { page, group } = found;
  const thumbnails = new Map(wish.pictures.map(({ full, thumbnail }) => [full, thumbnail]));
  const fulls = fullsOf(steps.site, page, group);
  const shape = reshaped(page.document, group, to, (_, n) => {
    const full = fulls[n] ?? '';
    return sizesOf(steps.site, page, full, thumbnails.get(full) ?? null);
  });
  if (!shape.ok) return shape.reason;
  for (const { item, why } of shape.left) {
    const { start } = item.range;
    left.push({ path: page.path, start, line: page.document.lines.lineAt(start), name: item.source?.value ?? '', why });
  }
  return stepTo(steps, verifiedSameShape(page.document, shape.edits, shape.more), fulls);
}

const OTHERWISE =
  'The change was not made: afterwards these pictures could not be told from others of the page. Change them in the source.';

/** A step after which just these pictures are in the group: what is no part of it must not go with it. */
function stepTo(steps: GroupSteps, edited: Edited, wanted: readonly string[]): string | null {
  const { site } = steps;
  const done = steps.do(planEdits('', steps.path, edited));
  if (done !== null) return done;
  const now = steps.found();
  const there = now ? fullsOf(steps.site, now.page, now.group) : [];
  // What leads to no file of the site is none of the pictures.
  const expected = wanted.map((full) => (site.files.has(full) ? full : ''));
  return there.join('\n') === expected.join('\n') ? null : OTHERWISE;
}

const asGroups = (document: PageDocument): Gallery[] =>
  groupsOf({ document, galleries: galleriesOf(document) }).map(({ gallery }) => gallery);

/** A slideshow is one no more: its mark goes, and with the last one its viewer. */
function unslid(steps: Steps, { page, group }: Found, to: Shown): string | null {
  if (to.as === 'slideshow') return null;
  const { container } = group.gallery;
  const use = page.wiring.uses.find(({ kit, claimed }) => kit.manifest.does === 'show' && claimed.has(container));
  if (!use) return null;
  const marker = use.kit.manifest.marker.attribute;
  const attribute = marker === undefined ? undefined : attributeOf(container, marker);
  if (use.marked.length < 2) return steps.do(unwire(steps.site, { page: page.path, kit: use.kit.manifest.name }));
  return attribute
    ? steps.do(planEdits('', page.path, { ok: true, edits: [removeAttribute(attribute, page.text)] }))
    : null;
}

/** Of a picture that is in the site; its thumbnail as somebody says it, or as it is paired. */
function sizesOf(site: SiteReading, page: PageReading, full: string, said: string | null): Sizes | null {
  if (!site.files.has(full)) return null;
  const paired = site.pairing.pairs.find((one) => one.full === full)?.thumbnail;
  const thumbnail = [said, paired].find((one) => one && site.files.has(one)) ?? full;
  const of = (path: string) => {
    const facts = site.factsOf(path);
    const size = facts && !facts.unreadable ? { width: facts.width, height: facts.height } : {};
    return { src: relativeReference(page.base, path), ...size };
  };
  return { full: of(full), thumbnail: of(thumbnail) };
}

function added(steps: GroupSteps, wish: Of<'set-group'>, shown: Shown | null, itemFor: ItemFor): string | null {
  const found = steps.found();
  if (!found) return GROUP_GONE;
  const { page, group } = found;
  const there = fullsOf(steps.site, page, group);
  const fresh = wish.pictures.filter(({ full }) => !there.includes(full));
  if (fresh.length === 0) return null;
  const items = fresh.map((picture) =>
    shown ? shownItem(steps.site, page.path, picture, shown, itemFor) : itemFor(page.path, picture),
  );
  const edited = addItems(page.document, group.gallery, items, undefined, asGroups);
  return stepTo(steps, edited, [...there, ...fresh.map(({ full }) => full)]);
}

function removed(steps: GroupSteps, wish: Of<'set-group'>): string | null {
  const found = steps.found();
  if (!found) return GROUP_GONE;
  const { page, group } = found;
  const wanted = new Set(eachTime(wish.pictures.map(({ full }) => full)));
  const known = isKnown(steps.site);
  const fulls = fullsOf(steps.site, page, group);
  const goes = eachTime(fulls).flatMap((one, n) => (wanted.has(one) || !known(fulls[n] ?? '') ? [] : [n]));
  if (goes.length === 0) return null;
  const edited = removeItems(page.document, group.gallery, goes, asGroups);
  const left = fulls.filter((_, n) => !goes.includes(n));
  return stepTo(steps, edited, left);
}

/** A picture that stands there twice is two: each with how often it has come before. */
function eachTime(fulls: readonly string[]): string[] {
  const seen = new Map<string, number>();
  return fulls.map((full) => {
    const times = seen.get(full) ?? 0;
    seen.set(full, times + 1);
    return `${times} ${full}`;
  });
}

function ordered(steps: GroupSteps, wish: Of<'set-group'>): string | null {
  const found = steps.found();
  if (!found) return GROUP_GONE;
  const { page, group } = found;
  const fulls = fullsOf(steps.site, page, group);
  const items = eachTime(fulls);
  const place = new Map(eachTime(wish.pictures.map(({ full }) => full)).map((one, n) => [one, n]));
  const placeAt = (n: number) => place.get(items[n] ?? '') ?? 0;
  const placed = [...items.keys()].filter((n) => place.has(items[n] ?? ''));
  const sorted = [...placed].sort((a, b) => placeAt(a) - placeAt(b));
  const order = [...items.keys()].map((n) => (placed.includes(n) ? (sorted[placed.indexOf(n)] ?? n) : n));
  if (order.every((from, to) => from === to)) return null;
  const edited = orderItems(page.document, group.gallery, order, asGroups);
  return stepTo(
    steps,
    edited,
    order.map((n) => fulls[n] ?? ''),
  );
}

/** What one picture of a group says on this page alone. */
export function setGroupWords(site: SiteReading, wish: Of<'set-group-words'>): Planned {
  const { item: n, alt, caption } = wish;
  const found = groupIn(site, wish);
  const item = found?.group.gallery.items[n];
  if (!found || !item) return refuse(GROUP_GONE);
  const { document, path } = found.page;
  const name = nameOf(item.source?.value ?? '');
  if (alt !== undefined) return planEdits(`Set the alt text of ${name}`, path, setAlt(document, item, alt));
  const markup = markupIn(document, item);
  if (markup !== null) return refuse(markup);
  return planEdits(`Set the caption of ${name}`, path, setCaption(document, item, caption ?? ''));
}
