/**
 * Runs first in every previewed page. It reports what happens there and takes a few commands from the application;
 * it changes nothing that the page's own scripts would see, but for a mark that is shown while somebody points.
 */
import type { FromProbe, ToProbe } from '../protocol/probe.ts';
import type { Unsigned } from '../protocol/unsigned.ts';
import { bringInSight } from './inSight.ts';
import { auditPage } from './auditing.ts';
import { withoutFocus } from './focus.ts';
import { loadedBy } from './looking.ts';
import { PATIENCE, until, whileWaiting } from './patience.ts';
import { hold, rehearse } from './rehearsal.ts';
import { asPrinted } from './printing.ts';
import { weigh, type Weighed } from './weighing.ts';

void (() => {
  document.currentScript?.remove();
  sessionStorage.removeItem('boot-tries');
  if (window.parent === window) return;
  const tell = (message: Unsigned<FromProbe>) =>
    window.parent.postMessage({ from: 'probe', ...message } satisfies FromProbe, APPLICATION_ORIGIN);
  /** The site's part of the address: after `/s/<token>/`. */
  const sitePath = (address: string) =>
    decodeURIComponent(new URL(address, location.href).pathname.replace(/^\/s\/[^/]+\//, ''));

  const query = location.search;

  /** Who waits for a rehearsal is told so often that it goes on; ms. */
  const STILL_AT_IT = 1000;

  /** More of the same would tell nothing new. */
  const MOST_ASKED = 50;
  const MOST_FOUND = 200;

  /** The element at the given child numbers; noted before the page's own scripts add anything. */
  let noted: WeakMap<Element, number[]> = new WeakMap();
  const byPath = new Map<string, Element>();
  const note = (element: Element, path: number[]) => {
    noted.set(element, path);
    byPath.set(path.join(), element);
    [...element.children].forEach((child, n) => note(child, [...path, n]));
  };
  document.addEventListener('readystatechange', () => {
    if (document.readyState !== 'interactive') return;
    noted = new WeakMap();
    byPath.clear();
    note(document.documentElement, []);
    // The application knows the place; a reload on the heels of another would lose the browser's own note of it.
    history.scrollRestoration = 'manual';
    tell({ type: 'hello', path: sitePath(location.href), query });
  });

  window.addEventListener(
    'error',
    (event) => {
      const { target } = event;
      if (target instanceof Element) {
        const address = new URL(loadedBy(target) || location.href, location.href);
        // What is outside is told as that.
        if (address.origin === location.origin) tell({ type: 'missing', path: sitePath(address.href) });
      } else
        tell({
          type: 'error',
          says: event.message,
          path: event.filename ? sitePath(event.filename) : '',
          line: event.lineno,
        });
    },
    true,
  );
  // What a preview does not do is told instead: what the page asks for outside, dialogs, downloads.
  const asked = new Set<string>();
  document.addEventListener('securitypolicyviolation', ({ blockedURI }) => {
    const address = blockedURI.slice(0, 2000);
    if (asked.has(address) || asked.size >= MOST_ASKED) return;
    asked.add(address);
    tell({ type: 'outside', address, path: sitePath(location.href) });
  });
  let tries = 0;
  const tried = (what: 'dialog' | 'download', says: string) => {
    if (tries++ < MOST_ASKED) tell({ type: 'tried', what, says: says.slice(0, 200), path: sitePath(location.href) });
  };
  window.alert = (text?: string) => tried('dialog', text ?? '');
  window.confirm = (text) => {
    tried('dialog', text ?? '');
    return false;
  };
  window.prompt = (text) => {
    tried('dialog', text ?? '');
    return null;
  };
  window.print = () => tried('dialog', 'print');
  window.addEventListener('click', ({ target }) => {
    const link = target instanceof Element ? target.closest('a[download]') : null;
    if (link) tried('download', link.getAttribute('href') ?? '');
  });

  window.addEventListener('unhandledrejection', (event) =>
    tell({ type: 'error', says: String(event.reason), path: '', line: 0 }),
  );
  document.addEventListener(
    'pointerdown',
    (event) => {
      const element = placeIn(event.target instanceof Element ? event.target : null);
      if (element) tell({ type: 'pointed', element });
    },
    true,
  );

  /** What a visitor would close with Escape. */
  const isOpen = () =>
    [...document.querySelectorAll('dialog[open], [aria-modal="true"], :popover-open')].some((one) =>
      one.checkVisibility(),
    );
  window.addEventListener(
    'keydown',
    (event) => {
      if (event.key !== 'Escape' || !event.isTrusted) return;
      const open = isOpen();
      // What the page makes of the key is known when all its listeners have had it.
      setTimeout(() => tell({ type: 'escape', taken: open || event.defaultPrevented }));
    },
    true,
  );

  let over: Element | null = null;
  const tellOver = (target: EventTarget | null) => {
    let at = target instanceof Element ? target : null;
    while (at && !noted.has(at)) at = at.parentElement;
    if (at === over) return;
    over = at;
    tell({ type: 'over', element: (at && noted.get(at)) ?? null });
  };
  document.addEventListener('pointermove', ({ target }) => tellOver(target), true);

  /** What the application drags over the page, by its own pointer; the page's scripts see nothing of it. */
  function drag(at: [number, number] | null, drops: boolean): void {
    tellOver(at && document.elementFromPoint(at[0], at[1]));
    const element = over && noted.get(over);
    if (!at || !drops || !over || !element) return;
    const [x, y] = at;
    const box = over.getBoundingClientRect();
    const along = (x - box.left) / box.width + (y - box.top) / box.height;
    tell({ type: 'dropped', element, side: along < 1 ? 'before' : 'after' });
  }
  document.documentElement.addEventListener('pointerleave', () => {
    over = null;
    tell({ type: 'over', element: null });
  });

  /** Two frames over the page: one round what is chosen, a thin one round what is pointed at in the source. */
  interface Frame {
    line: string;
    element?: Element | undefined;
    mark?: HTMLElement;
    color: string;
  }
  const frames: Record<'chosen' | 'pointed', Frame> = {
    chosen: { line: '3px solid', color: '' },
    pointed: { line: '2px dashed', color: '' },
  };
  function show(which: keyof typeof frames, path: number[] | null, color: string, scroll: boolean): void {
    const frame = frames[which];
    frame.color = color;
    frame.element = path === null ? undefined : byPath.get(path.join());
    if (scroll && frame.element) bringInSight(frame.element);
    placeMarks();
  }
  function placeMarks(): void {
    for (const frame of Object.values(frames)) {
      frame.mark?.remove();
      if (!frame.element?.isConnected) continue;
      const box = frame.element.getBoundingClientRect();
      frame.mark = document.createElement('span');
      frame.mark.style.cssText = [
        'all: initial; position: absolute; pointer-events: none; z-index: 2147483647; outline-offset: -1px',
        `left: ${box.left + scrollX - 4}px; top: ${box.top + scrollY - 4}px`,
        `width: ${box.width + 4}px; height: ${box.height + 4}px`,
        `outline: ${frame.line} ${frame.color}`,
      ].join(';');
      document.documentElement.append(frame.mark);
    }
  }

  /** A changed stylesheet is fetched under a new address and takes the old one's place when it has come. */
  function refreshStyle(path: string): void {
    for (const link of document.querySelectorAll<HTMLLinkElement>('link[rel~="stylesheet"]')) {
      if (sitePath(link.href) !== path) continue;
      const next = link.cloneNode();
      if (!(next instanceof HTMLLinkElement)) continue;
      const url = new URL(link.href);
      url.searchParams.set('at', String(Date.now()));
      next.href = url.href;
      next.addEventListener('load', () => {
        link.remove();
        requestAnimationFrame(placeMarks);
        requestAnimationFrame(tellPlaces);
      });
      link.after(next);
    }
  }

  /**
   * Where the watched elements stand in the window, for the threads that lead to them; told again when that changes.
   */
  let watched: string[] = [];
  let told = '';
  function tellPlaces(): void {
    const tops = watched.map((key) => {
      const element = byPath.get(key);
      if (!element?.isConnected) return null;
      const box = element.getBoundingClientRect();
      const middle = Math.round((box.top + box.bottom) / 2);
      return middle < 0 || middle > innerHeight ? null : middle;
    });
    const key = tops.join();
    if (key === told) return;
    told = key;
    tell({ type: 'places', tops });
  }
  for (const event of ['scroll', 'resize', 'load'])
    window.addEventListener(event, () => requestAnimationFrame(tellPlaces), true);
  // Pictures and styles that come late move what is marked; `load` of each is heard on its way down.
  for (const event of ['resize', 'load']) window.addEventListener(event, () => requestAnimationFrame(placeMarks), true);

  /**
   * The place to keep over a reload; until the page has its full height it can only be reached in part, so it is not
   * told.
   */
  let keeping: [number, number] | null = null;
  function keepPlace(place: [number, number]): void {
    keeping = document.readyState === 'complete' ? null : place;
    scrollTo(place[0], place[1]);
  }
  window.addEventListener('load', () => {
    if (!keeping) return;
    scrollTo(keeping[0], keeping[1]);
    keeping = null;
  });
  window.addEventListener('scroll', () => {
    if (!keeping) tell({ type: 'scrolled', at: [scrollX, scrollY] });
  });
  for (const kind of ['wheel', 'pointerdown', 'keydown']) window.addEventListener(kind, () => (keeping = null), true);

  /** One picture clicked; addresses are told as paths of the site where they lead into it. */
  async function rehearseAt(path: number[], number: number): Promise<void> {
    const element = byPath.get(path.join());
    const place = (address: string | null) => {
      const own = address !== null && new URL(address, location.href).origin === location.origin;
      return own ? sitePath(address) : address;
    };
    if (!element?.isConnected) return tell({ type: 'rehearsed', number, seen: null });
    placeMarks();
    let told = performance.now();
    whileWaiting(() => {
      if (performance.now() - told < STILL_AT_IT) return;
      told = performance.now();
      tell({ type: 'waiting', number });
    });
    try {
      // A visitor clicks a page that is there.
      await until(() => document.readyState === 'complete', PATIENCE.picture);
      const seen = await rehearse(element);
      tell({
        type: 'rehearsed',
        number,
        seen: {
          ...seen,
          onPage: seen.onPage && { ...seen.onPage, file: place(seen.onPage.file) },
          shows: place(seen.shows),
          next: place(seen.next),
          back: place(seen.back),
          missing: seen.missing.map(place),
        },
      });
    } catch (error) {
      console.error(error);
      tell({ type: 'rehearsed', number, seen: null });
    }
  }

  window.addEventListener('message', (event: MessageEvent) => {
    if (event.origin !== APPLICATION_ORIGIN || event.source !== window.parent) return;
    obey(event.data as ToProbe); // of the application's own origin
  });

  function measure(elements: readonly number[][]): void {
    if (document.readyState !== 'complete') {
      window.addEventListener('load', () => measure(elements), { once: true });
      return;
    }
    const boxes = elements.map((path): [number, number, number, number] | null => {
      const box = byPath.get(path.join())?.getBoundingClientRect();
      return box ? [box.left + scrollX, box.top + scrollY, box.width, box.height] : null;
    });
    tell({ type: 'measured', boxes });
  }

  /** The nearest element around that the page's source has. */
  const placeIn = (element: Element | null): number[] | null => {
    let at = element;
    while (at && !noted.has(at)) at = at.parentElement;
    return (at && noted.get(at)) ?? null;
  };

  async function audit(): Promise<void> {
    // What is framed here is no part of the page.
    for (const { mark } of Object.values(frames)) mark?.remove();
    const found = await auditPage().catch(() => null);
    placeMarks();
    const rules = found?.slice(0, MOST_FOUND).map(({ rule, impact, says, nodes }) => ({
      rule,
      impact,
      says: says.slice(0, 500),
      nodes: nodes.slice(0, MOST_FOUND).map(({ element, html, summary }) => ({
        element: placeIn(element),
        html: html.slice(0, 300),
        summary: summary.slice(0, 2000),
      })),
    }));
    tell({ type: 'audited', path: sitePath(location.href), rules: rules ?? null });
  }

  const ownFiles = ({ files }: Weighed) => files.map(({ name, ...times }) => ({ path: sitePath(name), ...times }));

  function showAs(as: Extract<ToProbe, { type: 'as' }>['as']): void {
    if (document.readyState !== 'complete') {
      window.addEventListener('load', () => showAs(as), { once: true });
      return;
    }
    if (as === 'print') asPrinted();
    else document.documentElement.dir = 'rtl';
  }

  /** As a visitor would bring it about, once the page is there. */
  function holdOpen(command: Extract<ToProbe, { type: 'hold' }>): void {
    if (document.readyState !== 'complete') {
      window.addEventListener('load', () => holdOpen(command), { once: true });
      return;
    }
    const element = byPath.get(command.element.join());
    if (element?.isConnected) void withoutFocus(() => hold(element, command.how, command.steps));
  }

  function obey(command: ToProbe): void {
    switch (command.type) {
      case 'ping':
        return tell({ type: 'pong' });
      case 'reload':
        return location.reload();
      case 'style':
        return refreshStyle(command.path);
      case 'place':
        return keepPlace(command.at);
      case 'show':
        return show('chosen', command.element, command.color, command.scroll);
      case 'point':
        return show('pointed', command.element, command.color, false);
      case 'drag':
        return drag(command.at, command.drops);
      case 'watch':
        watched = command.elements.map((path) => path.join());
        told = '?';
        return tellPlaces();
      case 'rehearse':
        return void rehearseAt(command.element, command.number);
      case 'hold':
        return holdOpen(command);
      case 'audit':
        return void audit();
      case 'weigh':
        return void weigh(command.whole).then((weighed) =>
          tell({ type: 'weighed', ...weighed, files: ownFiles(weighed) }),
        );
      case 'as':
        return showAs(command.as);
      case 'measure':
        return measure(command.elements);
    }
  }
})();
