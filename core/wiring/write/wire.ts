/**
 * Wiring a page with a kit, taking a kit off a page, and changing from one to another: one change each. Includes,
 * markers, groups and captions are written as the kit's manifest says; what another kit said of a link is carried over.
 * The outcome is read again before it is given: the links that were meant must be answered.
 */
import {
  applyChange,
  applyEdits,
  type Change,
  type Edit,
  type FileChange,
  PathIndex,
  refuse,
  type Result,
} from '../../site/index.ts';
import { galleriesOf, type PageDocument, parsePage, rewriteTag } from '../../markup/index.ts';
import { captionEdits } from './captionEdits.ts';
import { containerEdits, removedContainers, wholeHolder } from './containerEdits.ts';
import { markerSelector, opensOnClick, type Kit } from '../kit/manifest.ts';
import { includeEdits, removedIncludes } from './includeEdits.ts';
import { copiedFiles, droppedFiles } from './kitFiles.ts';
import { openable, wishesFor, type Holders } from './marks.ts';
import { rememberedOn, toRemember } from './memory.ts';
import type { LinkMemory, WiringPage, WiringSite } from './site.ts';
import { startEdits, removedStarts } from './startEdits.ts';
import { removedWrappings, wrapped, wrappingEdits } from './wrapping.ts';
import { answers, type KitUse, wiringOf } from '../read/uses.ts';

type Wired = Result<{ change: Change; remembers: LinkMemory[] }>;

/** From one kit to another on a page; without `from` the page is wired, without `to` it is unwired. */
interface Rewiring {
  from: Kit | null;
  to: Kit | null;
  authored?: Authored;
}

/** What an author brings along for a kit: it is written as it is. */
export interface Authored {
  /** Code that starts it; null where none is brought. */
  start: string | null;
  /** Attributes by which that code finds what holds the links. */
  holders: Holders;
  /** What comes before its includes, and what behind them; each is one more element. */
  before: readonly Edit[];
  behind: readonly Edit[];
  /** What is written into other files. */
  files: readonly FileChange[];
}

export function rewire(site: WiringSite, page: WiringPage, { from, to, authored }: Rewiring): Wired {
  const { document, path } = page;
  const hindrance = to && (hindranceTo(page, from, to) ?? unwrappable(page, to));
  if (hindrance) return refuse(hindrance);

  const before = rememberedOn(site, page);
  const wished = wishesFor(site, page, { from, to, holders: authored?.holders ?? new Map(), remembered: before });
  if (!wished.ok) return wished;
  const { wishes } = wished;
  const taken = from ? takenOff(site, page, from, to) : NOTHING;
  if (!taken.ok) return taken;
  const put = to ? putOn(site, page, to, taken.files, authored) : NOTHING;
  if (!put.ok) return put;
  const rewritten = [...wishes].flatMap(([element, wish]) => rewriteTag(element, wish, document.text));
  const items = page.galleries.flatMap((gallery) => gallery.items).filter((item) => openable(page.base, item));
  const words = captionEdits(page, { from, to, remembered: before, items, wishes });
  const edits = mergeInsertions([...rewritten, ...taken.edits, ...put.edits, ...words.edits]);
  const files = [...taken.files, ...put.files];
  const changes = [...files, ...(edits.length > 0 ? [{ kind: 'edit' as const, path, edits }] : [])];
  if (changes.length === 0) return refuse(to ? NOTHING_TO_WIRE : 'Nothing of this viewer is on the page.');
  const more = put.elements + taken.elements + words.elements;
  const wrong = troubleAfter(site, page, { from, to }, changes, edits, more);
  if (wrong !== null) return refuse(`The change was not made: ${wrong}.`);
  const remembers = toRemember(page, { from, to, before, wishes, lent: words.lent });
  return { ok: true, change: { label: labelOf(path, from, to), files: changes }, remembers };
}

/** Said where all is done already. */
export const NOTHING_TO_WIRE = 'Every link that can be wired is wired already; there is nothing to change.';

/** Why a kit cannot come onto the page; null where it can. */
function hindranceTo({ galleries, wiring }: WiringPage, from: Kit | null, to: Kit): string | null {
  if (galleries.length === 0) return 'There is no gallery on this page to wire. Add pictures in Markup first.';
  const apart = wiring.uses.find(
    ({ kit }) =>
      kit !== from &&
      kit.manifest.name !== to.manifest.name &&
      opensOnClick(kit.manifest) &&
      (opensOnClick(to.manifest) || to.manifest.apart.includes(kit.manifest.name)),
  );
  return apart
    ? `${apart.kit.manifest.title} opens the pictures of this page already; a click would be answered twice. Change from it to ${to.manifest.title} instead.`
    : null;
}

/** Edits of the page, other files, and how many elements come (or go, below 0) with the edits. */
type Part = Result<{ edits: Edit[]; files: FileChange[]; elements: number }>;

const NOTHING: Part = { ok: true, edits: [], files: [], elements: 0 };

function takenOff(site: WiringSite, page: WiringPage, from: Kit, to: Kit | null): Part {
  const starts = removedStarts(site, page, from);
  if (!starts.ok) return starts;
  const includes = removedIncludes(page, from, to);
  const stays = to?.manifest.container?.id === from.manifest.container?.id;
  const containers = stays ? { edits: [], removed: 0 } : removedContainers(page, from);
  const wrappings = removedWrappings(page, from);
  return {
    ok: true,
    edits: [...starts.edits, ...includes.edits, ...containers.edits, ...wrappings.edits],
    files: [...starts.files, ...droppedFiles(site, page, from, to)],
    elements: -(starts.removed + includes.removed + containers.removed + wrappings.removed),
  };
}

function putOn(
  site: WiringSite,
  page: WiringPage,
  to: Kit,
  before: readonly FileChange[],
  authored: Authored | undefined,
): Part {
  const includes = includeEdits(site, page, to);
  if (!includes.ok) return includes;
  const starts = startEdits(site, page, to, includes.target, authored?.start);
  const added = [
    ...(authored?.before ?? []),
    ...includes.edits,
    ...starts,
    ...containerEdits(page, to),
    ...(authored?.behind ?? []),
  ];
  const links = page.galleries.flatMap(({ items }) =>
    items.flatMap((item) => (item.link && openable(page.base, item) ? [item.link] : [])),
  );
  const around = wrapped(page, to, links);
  const edits = [...added, ...wrappingEdits(page, to, around)];
  const files = [...copiedFiles(site, to, before), ...(authored?.files ?? [])];
  return { ok: true, edits, files, elements: added.length + around.length };
}

function unwrappable({ galleries }: WiringPage, { manifest: { marker, title } }: Kit): string | null {
  const isAround = marker.element !== undefined && marker.on === 'gallery';
  return isAround && galleries.some(({ container }) => wholeHolder(container) === null)
    ? `The pictures stand directly in the page. Put an element around them, for <${marker.element}> of ${title} stands around what holds them`
    : null;
}

function labelOf(path: string, from: Kit | null, to: Kit | null): string {
  if (from && to) return `Change ${path} from ${from.manifest.name} to ${to.manifest.name}`;
  return to ? `Add the ${to.manifest.name} to ${path}` : `Remove the ${from?.manifest.name} from ${path}`;
}

/** Insertions at one place keep the order in which they were asked for. */
function mergeInsertions(edits: readonly Edit[]): Edit[] {
  const merged: Edit[] = [];
  for (const edit of edits) {
    const same = merged.find((one) => one.start === edit.start && one.end === edit.end && one.start === one.end);
    if (same) same.text += edit.text;
    else merged.push({ ...edit });
  }
  return merged;
}

/** Reads the page as it would be, and says what is not as it was meant; null where all is. */
function troubleAfter(
  site: WiringSite,
  page: WiringPage,
  { from, to }: Rewiring,
  changes: readonly FileChange[],
  edits: readonly Edit[],
  more: number,
): string | null {
  const applied = applyEdits(page.document.text, [...edits]);
  if (!applied.ok) return applied.reason;
  const after = parsePage(applied.text, page.document.units);
  if (after.elements.length !== page.document.elements.length + more)
    return 'the page would be read otherwise than meant';
  const whole = applyChange(site.files, { label: '', files: [...changes] });
  if (!whole.ok) return whole.reason;
  const { files } = whole;
  const wiring = wiringOf(after, page.base, files, new PathIndex(files.keys()), site.kits);
  if (from && wiring.uses.some(({ kit }) => kit.manifest.name === from.manifest.name))
    return `something of the ${from.manifest.name} would be left`;
  if (!to) return null;
  const use = wiring.uses.find(({ kit }) => kit.manifest.name === to.manifest.name);
  const selector = markerSelector(to.manifest);
  if (!use) return `the ${to.manifest.name} would not be found on the page`;
  if (looksInVain(use, after)) return `the ${to.manifest.name} would find no link by “${to.manifest.marker.links}”`;
  // A mistake that stands there already is for its own finding; what is written now must do.
  return use.runs && selector !== null && use.marked.length > 0 && use.claimed.size === 0
    ? `the ${to.manifest.name} would answer none of the links`
    : null;
}

/** Links that a viewer looks for in markup of its own, which the page does not have. */
function looksInVain(use: KitUse, page: PageDocument): boolean {
  const { marker } = use.kit.manifest;
  const isChoosy = marker.on === 'gallery' && marker.links !== 'a' && opensOnClick(use.kit.manifest);
  if (!use.runs || !isChoosy) return false;
  return !galleriesOf(page).some(({ items }) => items.some((item) => answers(use, item)));
}
