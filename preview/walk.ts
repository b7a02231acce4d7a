/**
 * Walks through a site on the test host. It opens pages in a frame of its own, byte for byte as they come, waits and
 * scrolls as a visitor does, and tells what came and what did not.
 */
import type { Seen } from '../protocol/probe.ts';
import { HOST_OWN } from '../protocol/hostAddress.ts';
import type { FromWalker, Target, ToWalker, Visit } from '../protocol/walk.ts';
import type { Unsigned } from '../protocol/unsigned.ts';
import type { Visitor } from './visitor.ts';

void (() => {
  /** ms that a page or a script may take to come. */
  const PATIENCE = 60_000;
  /** ms between two messages that it is still at work. */
  const STILL_AT_IT = 1000;
  /** ms that pictures are waited for after the last scroll. */
  const PICTURES = 20_000;

  let application = '';
  const tell = (message: Unsigned<FromWalker>, to = application) =>
    window.parent.postMessage({ from: 'walker', ...message }, to);

  const frame = document.createElement('iframe');
  frame.title = 'Page of the site';
  frame.style.cssText = 'border: 0; display: block; width: 100vw; height: 100vh';
  document.body.style.margin = '0';
  document.body.append(frame);

  /** The site's part of an address; addresses of other hosts as they are. */
  const placeOf = (address: string | null): string | null => {
    if (address === null) return null;
    // What is no address stays as it is written.
    if (!URL.canParse(address, location.href)) return address;
    const url = new URL(address, location.href);
    return url.origin === location.origin ? decoded(url.pathname.slice(1)) : address;
  };
  const decoded = (path: string): string => {
    try {
      return decodeURIComponent(path);
    } catch {
      return path;
    }
  };
  const addressOf = (path: string): string => `/${path.split('/').map(encodeURIComponent).join('/')}`;

  const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

  /** Whether it came about in time; asked every 50 ms. */
  async function soon(ms: number, look: () => boolean): Promise<boolean> {
    const until = performance.now() + ms;
    while (!look()) {
      if (performance.now() > until) return false;
      await pause(50);
    }
    return true;
  }

  async function load(path: string): Promise<boolean> {
    const came = new Promise<boolean>((resolve) => {
      frame.addEventListener('load', () => resolve(true), { once: true });
      setTimeout(() => resolve(false), PATIENCE);
    });
    // A step of its own in the history would be one for the application's Back button.
    frame.contentWindow?.location.replace(addressOf(path));
    return came;
  }

  /** As a visitor would, so that what is loaded late is loaded. */
  async function scrollThrough(page: Window): Promise<void> {
    const root = page.document.documentElement;
    for (let at = 0; at < root.scrollHeight; at += page.innerHeight) {
      page.scrollTo({ top: at, behavior: 'instant' });
      await pause(100);
    }
    await soon(PICTURES, () => [...page.document.images].every(({ complete }) => complete));
    page.scrollTo({ top: 0, behavior: 'instant' });
  }

  async function visit(path: string): Promise<Visit | null> {
    if (!(await load(path))) return null;
    const page = frame.contentWindow;
    if (!page) return null;
    await scrollThrough(page);
    const { document: shown, performance: timing } = page;
    const [navigation] = timing.getEntriesByType('navigation') as PerformanceNavigationTiming[]; // as their type says
    const resources = timing.getEntriesByType('resource') as PerformanceResourceTiming[]; // the same
    const links = [...shown.querySelectorAll<HTMLAnchorElement>('a[href], area[href]')]
      .map(({ href }) => href)
      .filter((href) => URL.canParse(href));
    const own = links.filter((href) => /^https?:/.test(href) && new URL(href).origin === location.origin);
    const pictures = resources.filter(({ initiatorType }) => initiatorType === 'img');
    return {
      status: navigation?.responseStatus ?? 0,
      pictures: shown.images.length,
      missing: [...missingOf([...shown.images], resources), ...(await unansweredIn(shown, resources))].slice(0, 1000),
      links: unique(own.map(targetOf)),
      outside: links.filter((href) => /^https?:/.test(href)).length - own.length,
      lastPicture: Math.max(0, ...pictures.map(({ responseEnd }) => responseEnd)),
      bytes: [navigation, ...resources].reduce((sum, entry) => sum + (entry?.encodedBodySize ?? 0), 0),
    };
  }

  function missingOf(images: HTMLImageElement[], resources: PerformanceResourceTiming[]): Visit['missing'] {
    const asked = resources
      .filter(({ responseStatus }) => responseStatus >= 400)
      .map(({ name, responseStatus }): [string, number] => [placeOf(name) ?? name, responseStatus]);
    const known = new Set(asked.map(([path]) => path));
    const broken = images
      .filter(
        ({ complete, naturalWidth, currentSrc, src }) =>
          (currentSrc || src) !== '' && (!complete || naturalWidth === 0),
      )
      .map(({ currentSrc, src }) => placeOf(currentSrc || src) ?? '')
      .filter((path) => !known.has(path))
      .map((path): [string, number] => [path, 0]);
    return [...asked, ...broken];
  }

  /** Stylesheets and scripts of which the browser says nothing, as of those that it refused: they are asked for again. */
  async function unansweredIn(page: Document, resources: PerformanceResourceTiming[]): Promise<Visit['missing']> {
    const answered = new Set(resources.filter(({ responseStatus }) => responseStatus > 0).map(({ name }) => name));
    const links = [...page.querySelectorAll<HTMLLinkElement>('link[rel~="stylesheet"]')].map(({ href }) => href);
    const scripts = [...page.querySelectorAll<HTMLScriptElement>('script[src]')].map(({ src }) => src);
    const open = [...links, ...scripts].filter((address) => URL.canParse(address) && !answered.has(address));
    const own = open.filter((address) => new URL(address, location.href).origin === location.origin);
    const asked = own.map(async (address): Promise<[string, number]> => {
      return [placeOf(address) ?? '', (await fetch(address, { method: 'HEAD' })).status];
    });
    return (await Promise.all(asked)).filter(([, status]) => status >= 400);
  }

  function targetOf(href: string): Target {
    const { hash, pathname } = new URL(href);
    return { path: decoded(pathname.slice(1)), anchor: hash.length > 1 ? decoded(hash.slice(1)) : null };
  }

  const unique = (targets: readonly Target[]): Target[] =>
    [...new Map(targets.map((one) => [JSON.stringify(one), one])).values()].slice(0, 5000);

  /** The page as its source has it, without its scripts. */
  async function sourceOf(path: string): Promise<Document> {
    const answer = await fetch(addressOf(path));
    return new DOMParser().parseFromString(await answer.text(), 'text/html');
  }

  /** The same element of the live page, told by its address: scripts may have put others around it. */
  function liveElement(page: Document, source: Document, path: readonly number[]): Element | null {
    const inSource = at(source, path);
    const name = inSource && ['href', 'src'].find((one) => inSource.hasAttribute(one));
    if (!inSource || !name) return at(page, path);
    const alike = (all: Document) =>
      [...all.getElementsByTagName(inSource.localName)].filter(
        (one) => one.getAttribute(name) === inSource.getAttribute(name),
      );
    return alike(page)[alike(source).indexOf(inSource)] ?? at(page, path);
  }

  const at = (page: Document, path: readonly number[]): Element | null =>
    path.reduce<Element | null>((one, n) => one?.children[n] ?? null, page.documentElement);

  async function visitorIn(page: Window): Promise<Visitor | null> {
    const known = () => (page as Window & { heathmoorVisitor?: Visitor }).heathmoorVisitor ?? null;
    if (known()) return known();
    const script = page.document.createElement('script');
    script.src = `/${HOST_OWN}visitor.js`;
    page.document.head.append(script);
    await soon(PATIENCE, () => known() !== null);
    script.remove();
    return known();
  }

  async function click(path: readonly number[], waiting: () => void): Promise<Seen | null> {
    const page = frame.contentWindow;
    if (!page) return null;
    const source = await sourceOf(placeOf(page.location.href) ?? '');
    const element = liveElement(page.document, source, path);
    const visitor = element && (await visitorIn(page));
    if (!visitor) return null;
    let told = performance.now();
    visitor.whileWaiting(() => {
      if (performance.now() - told < STILL_AT_IT) return;
      told = performance.now();
      waiting();
    });
    const seen = await visitor.rehearse(element);
    return {
      ...seen,
      onPage: seen.onPage && { ...seen.onPage, file: placeOf(seen.onPage.file) },
      shows: placeOf(seen.shows),
      next: placeOf(seen.next),
      back: placeOf(seen.back),
      missing: seen.missing.map(placeOf),
    };
  }

  async function follow({ path, anchor }: Target): Promise<{ status: number; found: boolean | null }> {
    const answer = await fetch(addressOf(path), { method: anchor === null ? 'HEAD' : 'GET' });
    if (anchor === null || !answer.ok) return { status: answer.status, found: null };
    const page = new DOMParser().parseFromString(await answer.text(), 'text/html');
    // HTML: the top of the page needs no element.
    const isTop = anchor.toLowerCase() === 'top';
    const found = isTop || page.getElementById(anchor) !== null || page.getElementsByName(anchor).length > 0;
    return { status: answer.status, found };
  }

  async function obey(command: ToWalker): Promise<void> {
    const { number } = command;
    switch (command.type) {
      case 'visit':
        return tell({ type: 'visited', number, visit: await visit(command.path).catch(() => null) });
      case 'click': {
        const waiting = () => tell({ type: 'waiting', number });
        const seen = await click(command.element, waiting).catch(() => null);
        return tell({ type: 'clicked', number, seen });
      }
      case 'follow': {
        const followed = await follow(command.target).catch(() => ({ status: 0, found: null }));
        return tell({ type: 'followed', number, ...followed });
      }
    }
  }

  window.addEventListener('message', ({ source, origin, data }: MessageEvent) => {
    // The host lets only the application have it in a frame; a page of the site is in this frame, not around it.
    if (source !== window.parent || origin === location.origin) return;
    application = origin;
    void obey(data as ToWalker); // of the application's own origin
  });
  tell({ type: 'ready' }, '*');
})();
