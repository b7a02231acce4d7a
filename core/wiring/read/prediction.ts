/**
 * What a click on a picture does, as far as the page's text tells: which file is shown, with what words, and what
 * stands beside it.
 */
import {
  descendants,
  matcherFor,
  matches,
  valueOf,
  type GalleryItem,
  type PageDocument,
  type PageElement,
} from '../../markup/index.ts';
import { grouped, isPicturePath, isVideoPath, resolveInSite, type PathIndex } from '../../site/index.ts';
import { captionOf, descriptionOf } from './caption.ts';
import type { Kit } from '../kit/manifest.ts';
import { optionSaid } from '../options/said.ts';
import { answers, groupOf, strayOf, type KitUse, type PageWiring } from './uses.ts';

export interface Prediction {
  /**
   * `viewer` shows it over or in the page, `address` leaves the page for what the link leads to, `broken` begins and
   * does not come to an end.
   */
  opens: 'viewer' | 'address' | 'nothing' | 'broken';
  /** The kit that answers. */
  by: string | null;
  /** Kits that answer the same click. */
  clash: string[];
  /** The file of the site that is shown or left for; null where it is not there, or is none of the site's. */
  shows: string | null;
  /** The path or address that is asked for. */
  asks: string | null;
  counter: { at: number; of: number } | null;
  caption: string;
  description: string;
  /** What an arrow leads to; null at an end, or where the picture stands alone. */
  next: string | null;
  back: string | null;
  /** The viewer's stylesheet is there; without it nobody can say what is in sight. */
  styled: boolean;
  /** It can be closed again. */
  closes: boolean;
}

interface PredictionContext {
  path: string;
  document: PageDocument;
  wiring: PageWiring;
  index: PathIndex;
  /** From where the page is opened: browsers load no module from disk. */
  from?: 'host' | 'disk';
}

const ALONE = { counter: null, caption: '', description: '', next: null, back: null, styled: true, closes: true };

export function predict(page: PredictionContext, item: GalleryItem): Prediction {
  const overlays = page.wiring.uses.filter(
    (use) => use.kit.manifest.does === 'overlay' && (page.from !== 'disk' || !needsHost(use)),
  );
  const { link } = item;
  if (!link) return { opens: 'nothing', by: null, clash: [], shows: null, asks: null, ...ALONE };
  const stray = overlays.find((one) => strayOf(one, link) !== null);
  if (stray)
    return { opens: 'viewer', by: nameOf(stray), clash: [], shows: null, asks: null, ...ALONE, styled: stray.styled };
  const uses = overlays.filter((use) => answers(use, item));
  const [use] = uses;
  if (use) return predictOverlay(page, item, link, use, uses.length > 1 ? uses.map(nameOf) : []);
  const stage = page.wiring.uses.find((one) => one.kit.manifest.does === 'stage' && answers(one, item));
  if (stage) return predictStage(page, link, stage);
  const target = targetOf(link, page);
  return { opens: target.asks === null ? 'nothing' : 'address', by: null, clash: [], ...target, ...ALONE };
}

const nameOf = ({ kit }: KitUse): string => kit.manifest.name;

function predictStage(page: PredictionContext, link: PageElement, stage: KitUse): Prediction {
  const { middle } = stage.kit.manifest;
  const shown = middle && valueOf(link, middle.attribute);
  const address = addressOf(shown ?? valueOf(link, 'href'), page);
  return { opens: 'viewer', by: nameOf(stage), clash: [], ...address, ...ALONE, styled: stage.styled, closes: false };
}

function predictOverlay(
  page: PredictionContext,
  item: GalleryItem,
  link: PageElement,
  use: KitUse,
  clash: string[],
): Prediction {
  const by = nameOf(use);
  const target = shownBy(use, link, page);
  if (containerMissing(page.document, use.kit, link) !== null)
    return { opens: 'broken', by, clash, ...target, shows: null, ...ALONE };
  const members = membersOf(use, link);
  const at = members.indexOf(link);
  const caption = optionOf(use, link, 'caption', true);
  return {
    opens: 'viewer',
    by,
    clash,
    shows: target.asks !== null && canShow(use, target.asks) ? target.shows : null,
    asks: target.asks,
    counter: counts(use, link) && members.length > 1 ? { at: at + 1, of: members.length } : null,
    caption:
      caption === 'off' || caption === false ? '' : captionOf(item, use.kit, takenWords(page), wordsFirst(use, link)),
    description: descriptionOf(item, use.kit),
    next: neighbourOf(page, use, link, members, at + 1),
    back: neighbourOf(page, use, link, members, at - 1),
    styled: use.styled,
    closes: true,
  };
}

const canShow = ({ kit }: KitUse, path: string): boolean =>
  isPicturePath(path) || (kit.manifest.videos && isVideoPath(path));

const counts = (use: KitUse, link: PageElement): boolean =>
  use.kit.manifest.counter && optionOf(use, link, 'counter', true) === true;

/** What a step leads to: at the end to the other one, where the viewer goes round; null where it leads nowhere. */
function neighbourOf(
  page: PredictionContext,
  use: KitUse,
  link: PageElement,
  members: readonly PageElement[],
  n: number,
): string | null {
  const loops = optionOf(use, link, 'loop', use.kit.manifest.loops) === true;
  const member = members[loops ? (n + members.length) % members.length : n];
  return member && member !== link ? shownBy(use, member, page).asks : null;
}

/** What the viewer shows for a link: what its own attribute says, where it has one, else where the link leads. */
const shownBy = ({ kit: { manifest } }: KitUse, link: PageElement, page: PredictionContext): Addressed =>
  manifest.full ? addressOf(valueOf(link, manifest.full.attribute), page) : targetOf(link, page);

/** What another script takes away before the click is not there to be shown. */
const takenWords = ({ wiring }: PredictionContext): ReadonlyMap<string, null> =>
  new Map(wiring.taken.map(({ name }) => [name, null]));

function wordsFirst(use: KitUse, link: PageElement): string | undefined {
  const { option } = use.kit.manifest.caption;
  return option === undefined ? undefined : String(optionOf(use, link, option, ''));
}

const needsHost = ({ files }: KitUse): boolean => files.some(({ includes }) => includes.some(({ module }) => module));

const targetOf = (link: PageElement, page: PredictionContext): Addressed => addressOf(valueOf(link, 'href'), page);

interface Addressed {
  shows: string | null;
  asks: string | null;
}

function addressOf(href: string | undefined, { path, index }: PredictionContext): Addressed {
  if (href === undefined || href.trim() === '') return { shows: null, asks: null };
  const target = resolveInSite(href, path);
  if (target.kind !== 'file') return { shows: null, asks: target.kind === 'fragment' ? null : href };
  const found = index.lookup(target.path);
  return { shows: found.found === 'exact' ? found.path : null, asks: target.path };
}

/** The links that arrows go through, in the order of the page. */
export const membersOf = (use: KitUse, link: PageElement): readonly PageElement[] => groupsOf(use).get(link) ?? [link];

type Groups = ReadonlyMap<PageElement, readonly PageElement[]>;
const groupsKnown = new WeakMap<KitUse, Groups>();

/** For each link that is not alone the links of its group; worked out once for all of them. */
function groupsOf(use: KitUse): Groups {
  const known = groupsKnown.get(use);
  if (known) return known;
  const groups = new Map<PageElement, readonly PageElement[]>();
  for (const members of membersTogether(use))
    for (const member of members) if (!groups.has(member)) groups.set(member, members);
  groupsKnown.set(use, groups);
  return groups;
}

/** Links that belong together; one that is in several is of the first. */
function membersTogether(use: KitUse): readonly (readonly PageElement[])[] {
  const { claimed, starts, kit } = use;
  const { group } = kit.manifest;
  if (!group) return [];
  if ('in' in group && group.in === 'gallery') return [...claimed].map((holder) => linksIn(use, holder));
  // Of two calls that bind a link the first one to be heard opens it.
  const called = starts.filter(({ tooEarly }) => !tooEarly).map(({ there }) => there.filter((one) => claimed.has(one)));
  if ('in' in group && group.in === 'call') return called;
  const inOrder = [...claimed].sort((a, b) => a.index - b.index);
  const named = [...grouped(inOrder, (link) => groupOf(link, kit))].filter(([name]) => name !== null);
  const nameless = called.map((links) => links.filter((link) => groupOf(link, kit) === null)).reverse();
  // Of two calls that find a link the last one counts.
  return [...named.map(([, members]) => members), ...('call' in group && group.call ? nameless : [])];
}

/** The links that a marked gallery holds, in the order of the page. */
function linksIn({ kit: { manifest } }: KitUse, holder: PageElement): PageElement[] {
  const isMeant = matcherFor(manifest.marker.links);
  return [...descendants(holder)].filter((one) => one.tag === 'a' && isMeant?.(one));
}

/** What an option is for a link: said in the markup, else in a start call, else what the kit does by itself. */
function optionOf(
  use: KitUse,
  link: PageElement,
  name: string,
  without: boolean | number | string,
): boolean | number | string {
  const { options } = use.kit.manifest;
  const known = options.find((option) => option.name === name);
  if (!known) return without;
  return optionSaid(use, link, known).value;
}

/**
 * The selector with which a link asks for an element that is not on the page; null where it is there, or none is
 * needed.
 */
export function containerMissing(
  document: PageDocument,
  { manifest: { container } }: Kit,
  link: PageElement,
): { attribute: string | null; selector: string } | null {
  if (!container) return null;
  const { attribute = null } = container;
  const selector = attribute === null ? `#${container.id}` : (valueOf(link, attribute) ?? '');
  const found = selector.trim() === '' ? null : matches(document, selector);
  return found?.ok && found.elements.length > 0 ? null : { attribute, selector };
}
