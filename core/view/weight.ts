/** What a page weighs on a line, as the interface shows it. */
import type { SiteReading } from '../model/index.ts';
import { bytesOf } from '../site/index.ts';
import {
  type Asking,
  type Line,
  type PageRequest,
  type RequestKind,
  requestsOf,
  type Saving,
  savingsOf,
  type Shown,
  type Stretched,
  stretchedOn,
  timelineOf,
  wholeWeight,
} from '../weight/index.ts';

export interface WeightAsked extends Asking {
  shown: readonly Shown[];
  line: Line;
  /** A visit after the first. */
  again: boolean;
}

export interface WeightFile {
  path: string;
  kind: RequestKind;
  bytes: number;
  missing: boolean;
  /** The strand that shows it, if one of the page does. */
  strand: string | null;
  /** ms from the page’s own request; null for what only comes when the page is scrolled. */
  times: { known: number; sent: number; done: number } | null;
  place: { path: string; line: number; start: number };
}

export interface WeightView {
  page: string;
  /** In the order in which they are sent; what comes later stands last. */
  files: WeightFile[];
  /** Bytes that come by themselves; on a visit after the first none do. */
  bytes: number;
  /** Bytes of all, with what comes when the page is scrolled to its end. */
  whole: { bytes: number; files: number };
  /** ms. */
  laidOut: number;
  clickable: number;
  savings: Saving[];
  stretched: Stretched[];
  /** Bytes; null where nobody has said a limit. */
  limit: number | null;
}

/** Null where there is no such page. */
export function weightView(site: SiteReading, path: string, asked: WeightAsked): WeightView | null {
  const page = site.pages.find((one) => one.path === path);
  const requests = requestsOf(site, path, asked);
  if (!page || !requests) return null;
  const { timed, laidOut, clickable } = timelineOf(requests, asked.line, asked.again);
  const times = new Map(timed.map((one) => [one.request, one]));
  const strands = new Map(
    page.strands
      .flat()
      .flatMap(({ id, thumbnail, full }) =>
        [thumbnail, full].flatMap((of) => (of === null ? [] : [[of, id] as const])),
      ),
  );
  const later = requests.filter((one) => !times.has(one));
  const files = [...timed.map(({ request }) => request), ...later].map((request): WeightFile => {
    const { path: file, kind, bytes, missing, place } = request;
    const time = times.get(request);
    return {
      path: file,
      kind,
      bytes,
      missing,
      strand: strands.get(file) ?? null,
      times: time ? { known: time.known, sent: time.sent, done: time.done } : null,
      place: { path: place.path, line: lineAt(site, request), start: place.offset },
    };
  });
  return {
    page: path,
    files,
    bytes: asked.again ? 0 : timed.reduce((sum, { request }) => sum + request.bytes, 0),
    whole: wholeWeight(site, path),
    laidOut,
    clickable,
    savings: savingsOf(site, page, requests, asked),
    stretched: stretchedOn(site, page, requests, asked.shown),
    limit: site.notes.known.limit,
  };
}

function lineAt(site: SiteReading, { place: { path, offset } }: PageRequest): number {
  const page = site.pages.find((one) => one.path === path);
  if (page) return page.document.lines.lineAt(offset);
  const content = site.files.get(path);
  return content?.kind === 'text' && bytesOf(content) > 0 ? content.text.slice(0, offset).split('\n').length : 1;
}
