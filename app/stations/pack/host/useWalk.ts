/** Walks through the site on the test host, page after page: opens it, clicks its pictures, follows its links. */
import { useEffect, useRef, useState, type RefObject } from 'react';
import type { Foretold } from '~core/view/index.ts';
import { leftAsItWas, REHEARSAL_WINDOWS, sightsOf, type Seen } from '~core/wiring/index.ts';
import { FromWalker, type Target, type ToWalker } from '~protocol/walk.ts';
import type { Walk, WalkedClick, WalkedPage } from '../../../data/host/walk';
import type { SiteSession } from '../../../data/session/siteSession';
import { within } from '../../../ui/preview/within';

/** ms after which a walker that tells nothing is given up. */
const SILENCE = 90_000;

export const [WALK_WINDOW] = REHEARSAL_WINDOWS;

interface WalkProgress {
  /** What is done now. */
  says: string;
  done: number;
  of: number;
}

type Command = ToWalker extends infer One ? (One extends ToWalker ? Omit<One, 'number'> : never) : never;

/** Asks the walker in the frame; null where it gives no answer. */
type Ask = (command: Command) => Promise<FromWalker | null>;

/** It is run once, for what stands on the host then, and ends when nobody looks. */
export function useWalk(
  frame: RefObject<HTMLIFrameElement | null>,
  root: string,
  session: SiteSession,
  pages: readonly string[],
): WalkProgress & { walk: Walk | null } {
  const [progress, setProgress] = useState<WalkProgress>({ says: 'Opening the test host…', done: 0, of: 1 });
  const [walk, setWalk] = useState<Walk | null>(null);
  const walked = useRef(pages);
  useEffect(() => {
    const control = new AbortController();
    const { signal } = control;
    const { ask, ready } = walker(frame, root, signal);
    void (async () => {
      const began = Date.now();
      const outcome: Walk = { began, pages: [], links: [], stopped: false };
      if (!(await ready) || signal.aborted) return;
      const foretold = await foretoldOn(session, walked.current);
      const clicks = foretold.reduce((sum, one) => sum + one.foretold.length, 0);
      const tell = (says: string, done: number) => setProgress({ says, done, of: clicks + foretold.length + 1 });
      let done = 0;
      for (const one of foretold) {
        if (signal.aborted) break;
        tell(`Opening ${one.path}`, done++);
        outcome.pages.push(
          await walkPage(ask, session, one, signal, (name) => tell(`${one.path}: clicking ${name}`, done++)),
        );
      }
      tell('Following links', done);
      if (!signal.aborted) outcome.links = await follow(ask, outcome.pages, signal);
      outcome.stopped = signal.aborted;
      session.testHost.noteWalk(outcome);
      if (!signal.aborted) setWalk(outcome);
    })();
    return () => control.abort();
  }, [frame, root, session]);
  return { ...progress, walk };
}

interface ForetoldPage {
  path: string;
  foretold: readonly Foretold[];
}

const foretoldOn = (session: SiteSession, pages: readonly string[]): Promise<ForetoldPage[]> =>
  Promise.all(pages.map(async (path) => ({ path, foretold: await session.analysis.predictions(path) })));

async function walkPage(
  ask: Ask,
  session: SiteSession,
  { path, foretold }: ForetoldPage,
  signal: AbortSignal,
  onClick: (name: string) => void,
): Promise<WalkedPage> {
  const open = async () => {
    const answer = await ask({ type: 'visit', path });
    return answer?.type === 'visited' ? answer.visit : null;
  };
  const visit = await open();
  const clicks: WalkedClick[] = [];
  let fresh = visit !== null;
  for (const one of foretold) {
    if (signal.aborted || visit === null) break;
    onClick(one.strand.name);
    if (!fresh) fresh = (await open()) !== null;
    const answer = fresh ? await ask({ type: 'click', element: one.strand.element }) : null;
    const seen = answer?.type === 'clicked' ? answer.seen : null;
    clicks.push(clicked(session, path, one, seen));
    fresh = seen !== null && leftAsItWas(seen);
  }
  return { path, visit, clicks };
}

function clicked(session: SiteSession, page: string, { strand, prediction }: Foretold, seen: Seen | null): WalkedClick {
  const { name: window } = WALK_WINDOW;
  const sights = seen ? sightsOf({ window, prediction, seen }) : [];
  const { stale, strands } = session.rehearsals.of(page);
  const before = strands.get(strand.id)?.outcomes.find((one) => one.window === window)?.seen ?? null;
  return {
    strand,
    seen,
    different: sights.filter(({ severity }) => severity === 'error'),
    asRehearsed: stale || !before || !seen ? null : before.opened === seen.opened && before.shows === seen.shows,
  };
}

async function follow(ask: Ask, pages: readonly WalkedPage[], signal: AbortSignal): Promise<Walk['links']> {
  const targets = new Map<string, Target>();
  for (const { visit } of pages) for (const one of visit?.links ?? []) targets.set(JSON.stringify(one), one);
  const links: Walk['links'] = [];
  for (const target of targets.values()) {
    if (signal.aborted) break;
    const answer = await ask({ type: 'follow', target });
    const { status, found } = answer?.type === 'followed' ? answer : { status: 0, found: null };
    links.push({ target, status, found });
  }
  return links;
}

/** Speaks with the walker in a frame, one command at a time. */
function walker(
  frame: RefObject<HTMLIFrameElement | null>,
  root: string,
  signal: AbortSignal,
): { ask: Ask; ready: Promise<boolean> } {
  const { origin } = new URL(root);
  let hear: (message: FromWalker) => void = () => undefined;
  const listen = ({ origin: from, source, data }: MessageEvent) => {
    if (from !== origin || source !== frame.current?.contentWindow) return;
    const message = FromWalker.safeParse(data);
    if (message.success) hear(message.data);
  };
  window.addEventListener('message', listen);
  signal.addEventListener('abort', () => window.removeEventListener('message', listen), { once: true });
  const ready = within(SILENCE, false, signal, (resolve) => {
    hear = (message) => message.type === 'ready' && resolve(true);
    if (frame.current) frame.current.src = `${root}.test-host/walk.html`;
  });
  let number = 0;
  const ask: Ask = (command) =>
    within<FromWalker | null>(SILENCE, null, signal, (resolve, wait) => {
      const mine = ++number;
      hear = (message) => {
        if (message.type === 'ready' || message.number !== mine) return;
        if (message.type === 'waiting') wait();
        else resolve(message);
      };
      frame.current?.contentWindow?.postMessage({ ...command, number: mine }, origin);
    });
  return { ask, ready };
}
