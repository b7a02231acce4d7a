/** What a page asks for, in the order in which a browser comes to know of it. */
import { attributeOf, type PageDocument, type PageElement } from '../markup/index.ts';
import { leadOf, type PageReading, type SiteReading } from '../model/index.ts';
import { bytesOf } from '../site/index.ts';
import { allHold, importsOf, situationOf, type Situation } from '../style/index.ts';
import { askedBy, type Asked } from './asked.ts';
import type { Include } from '../wiring/index.ts';
import { byteCounter } from './byteCounter.ts';
import { drawnOn, fontsOn, type FontFace } from './drawn.ts';
import { fontFacesIn } from './fontFaces.ts';
import { matched } from './matched.ts';
import type { PageRequest, RequestKind } from './request.ts';
import type { Window } from './sizes.ts';

/** Where an `img` stands when the page is laid out before its pictures have come; CSS px from the top of the page. */
export interface Placed {
  /** As its `src` is written; empty where it has none. */
  src: string;
  top: number;
  bottom: number;
  width: number;
}

export interface Asking {
  window: Window;
  /** Every `img` of the page in its order, as the browser laid it out; empty where nobody has looked. */
  placed: readonly Placed[];
}

/** A page in a frame of a page in a frame: deeper is not read. */
const DEEPEST_FRAME = 3;

/** Chromium loads a lazy picture when it is so near to the window, CSS px (from memory: 1250 on a line of 4G or more). */
export const NEAR = 1250;

/** Null where there is no such page. What other hosts would send is not counted: it is not of the site. */
export function requestsOf(site: SiteReading, path: string, asking: Asking): PageRequest[] | null {
  const page = site.pages.find((one) => one.path === path);
  if (!page) return null;
  const gathering: Gathering = { site, requests: [], asked: new Map(), depth: 0, asking };
  const first = request(gathering, path, {
    kind: 'page',
    priority: 'highest',
    when: 'start',
    by: null,
    place: { path, offset: 0 },
  });
  gather(gathering, page, first);
  return gathering.requests;
}

/** In a window of a desktop; CSS px. */
const DESKTOP: Window = { width: 1280, height: 800, density: 1 };

/** All that a page loads by itself until somebody has scrolled to its end, in how many files; bytes. */
export function wholeWeight(site: SiteReading, path: string): { bytes: number; files: number } {
  const requests = (requestsOf(site, path, { window: DESKTOP, placed: [] }) ?? []).filter(({ missing }) => !missing);
  return { bytes: requests.reduce((sum, one) => sum + one.bytes, 0), files: requests.length };
}

interface Gathering {
  site: SiteReading;
  requests: PageRequest[];
  /** By path: a file is asked for once. */
  asked: Map<string, PageRequest>;
  depth: number;
  asking: Asking;
}

type Wanted = Pick<PageRequest, 'kind' | 'priority' | 'when' | 'by' | 'place'> & Partial<PageRequest>;

/** The request for a file; the one that there is already where it was asked for before. */
function request({ site, requests, asked }: Gathering, path: string, wanted: Wanted): PageRequest {
  const before = asked.get(path);
  if (before) return before;
  const content = site.files.get(path);
  const one: PageRequest = {
    path,
    bytes: content ? bytesOf(content) : 0,
    missing: content === undefined,
    from: 0,
    head: 0,
    holdsLayout: false,
    holdsParser: false,
    holdsClicks: false,
    element: null,
    inSight: false,
    ...wanted,
  };
  asked.set(path, one);
  requests.push(one);
  return one;
}

/** Where an address leads in the site; null where it leads out of it. A folder is its `index.html`. */
function pathOf({ site }: Gathering, address: string, from: string): string | null {
  const lead = leadOf(address, from, site.own);
  if (!lead || lead.path === '') return null;
  return lead.path.endsWith('/') ? `${lead.path}index.html` : lead.path;
}

function gather(gathering: Gathering, page: PageReading, by: PageRequest): void {
  const { asking } = gathering;
  const { document } = page;
  const bytesAt = byteCounter(document.text);
  by.head = bytesAt(beginOfBody(document));
  const images = document.elements.filter(({ tag }) => tag === 'img');
  const placedAt = matched(images, asking.placed);
  const { window } = asking;
  let pictures = 0;
  for (const element of document.elements) {
    const placed = placedAt.get(element) ?? null;
    const asked = askedBy(element, {
      window,
      holds: (media) => allHold([media], window.width),
      isBehindPicture: pictures > 0,
      picturesBefore: pictures,
      laidOut: placed?.width ?? null,
      isNear: placed !== null && placed.top < window.height + NEAR,
    });
    if (!asked) continue;
    if (element.tag === 'img' && asked.when === 'scan') pictures++;
    const inSight = placed !== null && placed.top < window.height && placed.bottom >= 0;
    wanted(gathering, page, { asked, element, by, from: bytesAt(element.open?.end ?? 0), inSight });
  }
  const modules = page.wiring.scripts.filter(({ include }) => include.imported === null && include.module);
  for (const { include } of modules) importedScripts(gathering, page, include, { by, bytesAt });
  styled(gathering, page, by, bytesAt);
  framed(gathering, by);
}

/** Where the body begins in the source; elements that the browser adds by itself stand nowhere. */
function beginOfBody({ elements }: PageDocument): number {
  const body = elements.find(({ tag }) => tag === 'body' || tag === 'frameset');
  return body?.open?.end ?? body?.children.find(({ open }) => open !== null)?.open?.start ?? 0;
}

/** What a module imports, and what that imports: each is known when the one before it is there. */
function importedScripts(
  gathering: Gathering,
  page: PageReading,
  importer: Include,
  { by, bytesAt }: { by: PageRequest; bytesAt: (offset: number) => number },
): void {
  const own = importer.inline === null ? gathering.asked.get(importer.path ?? '') : null;
  for (const { include } of page.wiring.scripts) {
    const { imported, lookup } = include;
    if (imported?.by !== importer || lookup.found !== 'exact' || gathering.asked.has(lookup.path)) continue;
    const place = { path: importer.path ?? page.path, offset: imported.statement.start };
    const how = { kind: 'script', priority: 'high', holdsClicks: true, place } as const;
    const inline = { when: 'parse', by, from: bytesAt(importer.element.range?.end ?? 0) } as const;
    request(gathering, lookup.path, own ? { ...how, when: 'loaded', by: own } : { ...how, ...inline });
    importedScripts(gathering, page, include, { by, bytesAt });
  }
}

interface Found {
  asked: Asked;
  element: PageElement;
  by: PageRequest;
  from: number;
  inSight: boolean;
}

function wanted(gathering: Gathering, page: PageReading, { asked, element, by, from, inSight }: Found): void {
  const path = pathOf(gathering, asked.address, page.base);
  if (path === null) return;
  const { kind, priority, when, holdsLayout = false, holdsParser = false, holdsClicks = false } = asked;
  const place = { path: page.path, offset: asked.attribute.range.start };
  const how = { kind, priority, when, by, from, element, inSight, holdsLayout, holdsParser, holdsClicks, place };
  const one = request(gathering, path, how);
  if (kind === 'stylesheet') imported(gathering, one, path);
}

/** Browsers ask for what a stylesheet imports when they have it, whatever has to hold for the import. */
function imported(gathering: Gathering, by: PageRequest, path: string): void {
  const content = gathering.site.files.get(path);
  if (content?.kind !== 'text') return;
  importedIn(gathering, by, content.text, path, 0);
}

function importedIn(gathering: Gathering, by: PageRequest, css: string, path: string, start: number): void {
  for (const { address } of importsOf(css)) {
    const target = pathOf(gathering, address, path);
    if (target === null || gathering.asked.has(target)) continue;
    const { priority, holdsLayout } = by.kind === 'stylesheet' ? by : STYLE_OF_PAGE;
    const how = { kind: 'stylesheet' as const, priority, when: 'loaded' as const, by, holdsLayout };
    const one = request(gathering, target, { ...how, place: { path, offset: start + css.indexOf(address) } });
    imported(gathering, one, target);
  }
}

/** What a `style` element imports. */
const STYLE_OF_PAGE = { priority: 'highest', holdsLayout: true } as const;

/** What the styles that count draw: known when the page is laid out. */
function styled(gathering: Gathering, page: PageReading, by: PageRequest, bytesAt: (offset: number) => number): void {
  const { site, asking } = gathering;
  for (const element of page.document.elements) {
    if (element.tag !== 'style' || !element.texts[0]) continue;
    const css = element.texts.map(({ value }) => value).join('');
    importedIn(gathering, by, css, page.base, element.texts[0].range.start);
  }
  const situation = situationOf(site, page.path, asking.window.width);
  if (!situation) return;
  const asks = (address: string, file: string, offset: number, element: PageElement, kind: RequestKind) => {
    const path = pathOf(gathering, address, file === page.path ? page.base : file);
    if (path === null || /^data:/i.test(address)) return;
    const priority = kind === 'font' ? ('highest' as const) : ('low' as const);
    const how = { kind, priority, when: 'layout' as const, by, from: bytesAt(element.open?.end ?? 0), element };
    request(gathering, path, { ...how, place: { path: file, offset } });
  };
  for (const { address, stylesheet, offset, element } of drawnOn(situation))
    asks(address, stylesheet.path, offset, element, 'picture');
  for (const { face, element } of fontsOn(situation, facesIn(situation)))
    asks(face.address, face.stylesheet, face.offset, element, 'font');
}

const facesIn = ({ stylesheets }: Situation): FontFace[] =>
  stylesheets.flatMap(({ path, text, part }) => fontFacesIn(text.slice(part.start, part.end), path, part.start));

/** Pages in frames, with all that they ask for themselves. */
function framed(gathering: Gathering, by: PageRequest): void {
  if (gathering.depth >= DEEPEST_FRAME) return;
  const frames = gathering.requests.filter((one) => one.kind === 'frame' && one.by === by && one.when !== 'scrolled');
  for (const frame of frames) {
    const page = gathering.site.pages.find(({ path }) => path === frame.path);
    if (!page) continue;
    const window = frameWindow(frame.element, gathering.asking.window);
    const { site, requests, asked } = gathering;
    gather({ site, requests, asked, depth: gathering.depth + 1, asking: { window, placed: [] } }, page, frame);
  }
}

/** CSS px of an `iframe` that says nothing (WHATWG HTML §15.4.1); a frame of a frameset is taken to be the window. */
const FRAME = { width: 300, height: 150 };

function frameWindow(element: PageElement | null, window: Window): Window {
  if (element?.tag !== 'iframe') return window;
  const said = (name: 'width' | 'height') =>
    Number(/^\d+$/.exec(attributeOf(element, name)?.value ?? '')?.[0] ?? FRAME[name]);
  return { ...window, width: said('width'), height: said('height') };
}
