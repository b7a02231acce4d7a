/** How one element of a page asks for a file. */
import { attributeOf, closest, valueOf, type Attribute, type PageElement } from '../markup/index.ts';
import type { Priority, RequestKind, When } from './request.ts';
import type { Window } from './sizes.ts';
import { sourceFor } from './srcset.ts';

export interface Asked {
  address: string;
  attribute: Attribute;
  kind: RequestKind;
  priority: Priority;
  when: When;
  holdsLayout?: boolean;
  holdsParser?: boolean;
  holdsClicks?: boolean;
}

/** What an element stands among, and the window that it is shown in. */
interface Surroundings {
  window: Window;
  /** Whether a media query list holds for the window. */
  holds: (media: string) => boolean;
  /** A picture stands before it: scripts behind one are less urgent. */
  isBehindPicture: boolean;
  /** How many pictures were asked for before it. */
  picturesBefore: number;
  /** Its width in the layout where that is known, CSS px. */
  laidOut: number | null;
  /** Lazy loading: whether it is near enough to the window to be loaded at once. */
  isNear: boolean;
}

/** So many pictures at the beginning of a page Chromium takes to be more urgent than the rest (from memory). */
const FIRST_PICTURES = 5;

type Asks = (element: PageElement, around: Surroundings) => Asked | null;

/**
 * One entry for each element that loads something by itself. The priorities are those of Chromium (web.dev, “Optimize
 * resource loading with the Fetch Priority API”, from memory; held against the browser by `npm run bench:weight`).
 */
const ASKING: Readonly<Record<string, Asks>> = {
  img: picture,
  input: (element, around) => (typeOf(element) === 'image' ? picture(element, around) : null),
  script,
  link,
  iframe: frame,
  frame,
  video: (element) => plain(element, 'poster', { kind: 'picture', priority: 'low', when: 'scan' }),
  object: (element) => plain(element, 'data', { kind: 'other', priority: 'low', when: 'parse' }),
  embed: (element) => plain(element, 'src', { kind: 'other', priority: 'low', when: 'parse' }),
  image: (element) =>
    plain(element, element.attributes.some(({ name }) => name === 'href') ? 'href' : 'xlink:href', DRAWN),
  body: (element) => plain(element, 'background', BEHIND),
  table: (element) => plain(element, 'background', BEHIND),
  td: (element) => plain(element, 'background', BEHIND),
  th: (element) => plain(element, 'background', BEHIND),
  tr: (element) => plain(element, 'background', BEHIND),
};

const DRAWN = { kind: 'picture', priority: 'low', when: 'parse' } as const;
const BEHIND = { kind: 'picture', priority: 'low', when: 'layout' } as const;

/** Null where it asks for nothing, or stands where nothing is shown. */
export function askedBy(element: PageElement, around: Surroundings): Asked | null {
  const asks = ASKING[element.tag];
  return asks && !isSilent(element) ? asks(element, around) : null;
}

/** With scripts `noscript` is words to a browser; what is in a template is not built. */
const SILENT = new Set(['noscript', 'template']);
const isSilent = (element: PageElement): boolean => closest(element, ({ tag }) => SILENT.has(tag)) !== null;

const typeOf = (element: PageElement): string => (valueOf(element, 'type') ?? '').trim().toLowerCase();

const isLazy = (element: PageElement): boolean => valueOf(element, 'loading')?.trim().toLowerCase() === 'lazy';

/** What `fetchpriority` makes of a priority (WHATWG HTML §2.5.6; which one it becomes is the browser's own matter). */
function hinted(element: PageElement, usual: Priority): Priority {
  const hint = valueOf(element, 'fetchpriority')?.trim().toLowerCase();
  if (hint === 'high') return usual === 'highest' ? usual : 'high';
  return hint === 'low' ? 'low' : usual;
}

function picture(element: PageElement, around: Surroundings): Asked | null {
  const source = sourceFor(element, around.window, around.laidOut);
  if (!source || source.address.trim() === '') return null;
  if (isLazy(element)) {
    const when = around.isNear ? 'layout' : 'scrolled';
    return { ...source, kind: 'picture', priority: hinted(element, 'low'), when };
  }
  const usual = around.picturesBefore < FIRST_PICTURES && element.tag === 'img' ? 'medium' : 'low';
  return { ...source, kind: 'picture', priority: hinted(element, usual), when: 'scan' };
}

function frame(element: PageElement, around: Surroundings): Asked | null {
  const when = isLazy(element) && !around.isNear ? 'scrolled' : 'parse';
  return plain(element, 'src', { kind: 'frame', priority: 'highest', when });
}

/** WHATWG HTML §4.12.1: the types that are run as script; anything else is data. */
const RUNS = /^(?:|module|(?:text|application)\/(?:x-)?(?:java|ecma)script)$/;

function script(element: PageElement, around: Surroundings): Asked | null {
  const type = typeOf(element);
  const isModule = type === 'module';
  if (!RUNS.test(type) || (!isModule && attributeOf(element, 'nomodule'))) return null;
  const isAsync = attributeOf(element, 'async') !== undefined;
  const isDeferred = isModule || attributeOf(element, 'defer') !== undefined;
  const asked = plain(element, 'src', { kind: 'script', priority: scriptPriority(element, around), when: 'scan' });
  const holdsParser = !isAsync && !isDeferred;
  return asked && { ...asked, holdsParser, holdsClicks: !isAsync };
}

function scriptPriority(element: PageElement, { isBehindPicture }: Surroundings): Priority {
  const isModule = typeOf(element) === 'module';
  if (attributeOf(element, 'async') || (attributeOf(element, 'defer') && !isModule)) return hinted(element, 'low');
  return hinted(element, isBehindPicture && !isModule ? 'medium' : 'high');
}

function link(element: PageElement, around: Surroundings): Asked | null {
  const rels = (valueOf(element, 'rel') ?? '').toLowerCase().split(/\s+/);
  if (rels.includes('stylesheet')) return stylesheet(element, rels, around);
  if (rels.includes('modulepreload')) return plain(element, 'href', { kind: 'script', priority: 'high', when: 'scan' });
  if (rels.includes('preload')) return preload(element, around);
  if (!rels.includes('prefetch')) return null;
  return plain(element, 'href', { kind: 'other', priority: 'lowest', when: 'idle' });
}

function stylesheet(element: PageElement, rels: readonly string[], around: Surroundings): Asked | null {
  if (attributeOf(element, 'disabled')) return null;
  const media = valueOf(element, 'media')?.trim() ?? '';
  const isUsed = !rels.includes('alternate') && (media === '' || around.holds(media));
  const how = isUsed
    ? ({ kind: 'stylesheet', priority: hinted(element, 'highest'), when: 'scan' } as const)
    : ({ kind: 'stylesheet', priority: 'lowest', when: 'parse' } as const);
  const asked = plain(element, 'href', how);
  return asked && { ...asked, holdsLayout: isUsed };
}

/** Of `link rel="preload"`: what it says it is. */
const PRELOADED: Readonly<Record<string, { kind: RequestKind; priority: Priority }>> = {
  style: { kind: 'stylesheet', priority: 'highest' },
  script: { kind: 'script', priority: 'high' },
  font: { kind: 'font', priority: 'high' },
  image: { kind: 'picture', priority: 'low' },
  fetch: { kind: 'other', priority: 'high' },
};

function preload(element: PageElement, around: Surroundings): Asked | null {
  const how = PRELOADED[valueOf(element, 'as')?.trim().toLowerCase() ?? ''];
  const media = valueOf(element, 'media')?.trim() ?? '';
  if (!how || (media !== '' && !around.holds(media))) return null;
  return plain(element, 'href', { ...how, priority: hinted(element, how.priority), when: 'scan' });
}

function plain(element: PageElement, name: string, how: Pick<Asked, 'kind' | 'priority' | 'when'>): Asked | null {
  const attribute = attributeOf(element, name);
  return attribute && attribute.value.trim() !== '' ? { ...how, address: attribute.value, attribute } : null;
}
