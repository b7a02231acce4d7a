/** A gallery that follows a list: what of their differences is wanted, written as one change. */
import { type Difference, takenRow, wantedOrder } from '../lists/index.ts';
import { orderItems } from '../markup/index.ts';
import { type Compared, compareWithList, followings, notesChange, shownBy, type SiteReading } from '../model/index.ts';
import {
  countOf,
  type FileContent,
  type FollowedList,
  type ListSource,
  nameOf,
  planEdits,
  type Planned,
  refuse,
} from '../site/index.ts';
import type { Intent } from './intent.ts';
import { GALLERY_GONE, galleryAt } from './items.ts';
import { Steps } from './steps.ts';

type Of<Kind extends Intent['kind']> = Extract<Intent, { kind: Kind }>;

/** Plans another intent, with all that is seen to there. */
type PlanAsked = (site: SiteReading, intent: Intent) => Planned;

const sourceName = ({ kind, path }: ListSource): string =>
  kind === 'list' ? nameOf(path) : path || 'the folder of the site';

export function followList(site: SiteReading, wish: Of<'follow-list'>, planAsked: PlanAsked): Planned {
  const { page: path, gallery, source, text, take, keep, whole } = wish;
  const page = site.pages.find((one) => one.path === path);
  if (!page) return refuse(`There is no page ${path} any more.`);
  if (gallery !== null && !page.galleries[gallery]) return refuse(GALLERY_GONE);
  const known = site.notes.known.follows.find((one) => isOf(one, wish));
  const compared = compareWithList(site, { page, gallery, source, text }, whole ? [] : (known?.rows ?? []));
  if (compared.reason !== null) return refuse(compared.reason);
  const wanted = new Set(take);
  const chosen = compared.differences.filter(({ id }) => wanted.has(id));
  if (chosen.length < wanted.size)
    return refuse('The list or the page has changed meanwhile. Look at the differences again.');
  const steps = new Steps(site);
  const trouble =
    (text === null || !keep ? null : steps.do(listPut(site, source.path, text))) ??
    takenOver(steps, wish, { compared, chosen }, planAsked) ??
    (keep ? steps.do(noted(steps.site, wish, compared)) : null);
  if (trouble !== null) return refuse(trouble);
  return { ok: true, change: { label: labelFor(path, source, chosen), files: steps.files() } };
}

const isOf = (one: FollowedList, { page, source }: Pick<Of<'follow-list'>, 'page' | 'source'>): boolean =>
  one.page === page && one.source.kind === source.kind && one.source.path === source.path;

const labelFor = (page: string, source: ListSource, chosen: readonly Difference[]): string =>
  chosen.length === 0
    ? `Let ${page} follow ${sourceName(source)}`
    : `Take ${countOf(chosen.length, 'difference')} from ${sourceName(source)} to ${page}`;

/** A list that comes along, as a file of the site. */
function listPut({ files }: SiteReading, path: string, text: string): Planned {
  const before: FileContent | null = files.get(path) ?? null;
  if (before?.kind === 'text' && before.text === text) return { ok: true, change: { label: '', files: [] } };
  return { ok: true, change: { label: '', files: [{ kind: 'put', path, before, after: { kind: 'text', text } }] } };
}

interface Taken {
  compared: Compared;
  chosen: readonly Difference[];
}

/** Texts, then new items, then those that go, so that the gallery is never without any; the order last. */
function takenOver(
  steps: Steps,
  { page, gallery, source }: Of<'follow-list'>,
  { compared, chosen }: Taken,
  planAsked: PlanAsked,
): string | null {
  const of = <Kind extends Difference['kind']>(kind: Kind) =>
    chosen.filter((one): one is Extract<Difference, { kind: Kind }> => one.kind === kind);
  const ask = (intent: Intent | null) => (intent ? steps.do(planAsked(steps.site, intent)) : null);
  const [texts, added, removed] = [of('text'), of('added'), of('removed')];
  const items = texts.map(({ strand, field, now }) => ({ strand, [field]: now }));
  const pictures = added.map(({ picture: { full, thumbnail, title, alt, caption, tags } }) => ({
    full,
    thumbnail: thumbnail ?? '',
    title,
    alt,
    caption,
    tags,
  }));
  const mapping = source.kind === 'list' ? { mapping: source.mapping } : {};
  const trouble =
    ask(items.length === 0 ? null : { kind: 'set-words', items, pictures: [] }) ??
    ask(pictures.length === 0 ? null : { kind: 'add-pictures', page, gallery, pictures, ...mapping }) ??
    ask(removed.length === 0 ? null : { kind: 'remove-items', strands: removed.map(({ strand }) => strand) });
  if (trouble !== null) return trouble;
  for (const { full, tags } of of('tags')) {
    const failed = ask({ kind: 'set-tags', paths: [full], add: tags, remove: [] });
    if (failed !== null) return failed;
  }
  const fresh = new Set(added.map(({ picture }) => picture.full));
  const asListed = of('order').length > 0;
  return fresh.size > 0 || asListed
    ? steps.do(ordered(steps.site, { page, gallery: gallery ?? 0 }, compared, { fresh, asListed }))
    : null;
}

function ordered(
  site: SiteReading,
  at: { page: string; gallery: number },
  { listed }: Compared,
  how: { fresh: ReadonlySet<string>; asListed: boolean },
): Planned {
  const found = galleryAt(site, at);
  if (!found) return refuse(GALLERY_GONE);
  const order = wantedOrder(listed.pictures, shownBy(found.page, at.gallery), how);
  if (order.every((from, place) => from === place)) return { ok: true, change: { label: '', files: [] } };
  return planEdits('', at.page, orderItems(found.page.document, found.gallery, order));
}

/** What the list says now counts as taken over: what was not wanted is not asked about again. */
function noted(site: SiteReading, wish: Of<'follow-list'>, { listed }: Compared): Planned {
  const { page, gallery, source } = wish;
  const followed: FollowedList = {
    page,
    gallery: gallery ?? 0,
    source,
    rows: listed.pictures.map(takenRow).slice(0, 20_000),
  };
  const others = site.notes.known.follows.filter((one) => !isOf(one, wish));
  return { ok: true, change: { label: '', files: notesChange(site, { follows: [...others, followed] }) } };
}

export function endFollowing(site: SiteReading, wish: Of<'end-following'>): Planned {
  const { follows } = site.notes.known;
  const others = follows.filter(({ page, source }) => page !== wish.page || source.path !== wish.path);
  if (others.length === follows.length) return refuse(`${wish.page} follows ${wish.path} no more.`);
  const label = `Let ${nameOf(wish.page)} follow ${nameOf(wish.path) || wish.path} no more`;
  return { ok: true, change: { label, files: notesChange(site, { follows: others }) } };
}

/** What a list says anew, but for what its author has otherwise on the page. */
export function takeNews(
  site: SiteReading,
  { page: path, path: list }: { page: string; path: string },
  planAsked: PlanAsked,
): Planned {
  const found = followings(site).find(({ page, followed }) => page.path === path && followed.source.path === list);
  if (!found) return refuse(`${path} follows ${list} no more.`);
  const { followed, gallery, compared } = found;
  const take = compared.differences.filter(({ byHand }) => !byHand).map(({ id }) => id);
  const wish = { page: path, gallery, source: followed.source, text: null, take, keep: true, whole: false };
  return followList(site, { kind: 'follow-list', ...wish }, planAsked);
}
