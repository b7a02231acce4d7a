/** What a visitor sees of a page at one moment, and what is new since another: pictures in front, words, controls. */

export interface Shown {
  element: Element;
  address: string | null;
  loaded: boolean;
  /** How many pictures came with it, one over the other. */
  layers: number;
}

export interface Look {
  /** Pictures that the page draws, in sight or further down, with their addresses. */
  drawn: Map<Element, string>;
  /** Pictures in sight with their addresses. */
  pictures: Map<Element, string>;
  /** Pictures that lay in front of all else. */
  front: Set<Element>;
  words: Map<Text, string>;
  controls: Set<Element>;
  /** Parts that say of themselves that they are being changed (ARIA, `aria-busy`). */
  busy: Set<Element>;
}

const busyParts = (): Element[] => [...document.querySelectorAll('[aria-busy="true"]')].filter(isSeen);

const isDrawn = (element: Element): boolean =>
  element.isConnected &&
  element.checkVisibility({ opacityProperty: true, visibilityProperty: true, contentVisibilityAuto: true });

export function isSeen(element: Element): boolean {
  if (!isDrawn(element)) return false;
  const box = element.getBoundingClientRect();
  return (
    box.width > 1 && box.height > 1 && box.bottom > 0 && box.right > 0 && box.top < innerHeight && box.left < innerWidth
  );
}

export const accessibleName = (element: Element): string =>
  (
    element.getAttribute('aria-label') ??
    (element.textContent?.trim() || element.getAttribute('title') || element.getAttribute('value') || '')
  ).trim();

/** Address of a picture, a film, a page in a frame, or a picture that a style draws. */
export function addressOf(element: Element): string | null {
  if (element instanceof HTMLImageElement) return element.currentSrc || element.src || null;
  if (element instanceof HTMLVideoElement) return element.currentSrc || element.src || null;
  if (element instanceof HTMLIFrameElement) return element.src || null;
  const drawn = element instanceof HTMLElement ? /url\("?([^")]+)"?\)/.exec(element.style.backgroundImage) : null;
  return drawn?.[1] ? new URL(drawn[1], location.href).href : null;
}

/** Roots of open shadow trees are looked into as well. */
function everyPicture(root: ParentNode = document): Element[] {
  const found = [...root.querySelectorAll('img, video, iframe, [style*="background"]')];
  for (const element of root.querySelectorAll('*'))
    if (element.shadowRoot) found.push(...everyPicture(element.shadowRoot));
  return found;
}

/** Whether a click into its middle would be its own. */
export function isInFront(target: Element): boolean {
  if (!isSeen(target)) return false;
  const box = target.getBoundingClientRect();
  const at = document.elementFromPoint(box.left + box.width / 2, box.top + box.height / 2);
  return (
    at !== null &&
    (at === target || target.contains(at) || at.contains(target) || at.closest('a') === target.closest('a'))
  );
}

function liesInFront(element: Element): boolean {
  const box = element.getBoundingClientRect();
  const x = Math.min(Math.max((box.left + box.right) / 2, 0), innerWidth - 1);
  const y = Math.min(Math.max((box.top + box.bottom) / 2, 0), innerHeight - 1);
  const at = document.elementFromPoint(x, y);
  return (
    at !== null &&
    (at === element ||
      at.contains(element) ||
      element.contains(at) ||
      (at instanceof HTMLElement && at.shadowRoot?.contains(element) === true))
  );
}

export function lookAround(): Look {
  const look: Look = {
    drawn: new Map(),
    pictures: new Map(),
    front: new Set(),
    words: new Map(),
    controls: new Set(),
    busy: new Set(busyParts()),
  };
  for (const element of everyPicture()) {
    const address = addressOf(element);
    if (address === null || !isDrawn(element)) continue;
    look.drawn.set(element, address);
    if (!isSeen(element)) continue;
    look.pictures.set(element, address);
    if (liesInFront(element)) look.front.add(element);
  }
  for (const [node, text] of wordsInSight()) look.words.set(node, text);
  for (const element of document.querySelectorAll('button, [role="button"], a, input[type="button"]'))
    if (isSeen(element)) look.controls.add(element);
  return look;
}

/** The largest picture that lies in front and was not there before, or not that one; null where there is none. */
export function pictureInFront(before: Look): Shown | null {
  const fresh = everyPicture().filter((element) => {
    const address = addressOf(element);
    if (address === null || !isSeen(element)) return false;
    return before.pictures.get(element) !== address || !before.front.has(element);
  });
  const front = fresh.filter(liesInFront);
  const [element] = front.sort((a, b) => area(b) - area(a));
  if (!element) return null;
  // Pictures that came with the click and are as large as a viewer shows them, one behind the other.
  const shown = shownBy(element);
  return {
    ...shown,
    // While a viewer is busy with its picture, another one may be the largest in sight: a thumbnail beside it.
    loaded: shown.loaded && busyParts().every((one) => before.busy.has(one)),
    layers: fresh.filter((one) => area(one) > area(element) / 4 && !before.pictures.has(one)).length,
  };
}

function shownBy(element: Element): Shown {
  const image = element instanceof HTMLImageElement ? element : null;
  return {
    element,
    address: addressOf(element),
    // Where a page says that a part is busy (ARIA, aria-busy), what is seen there is not what will be.
    loaded: (image ? image.complete && image.naturalWidth > 0 : true) && !element.closest('[aria-busy="true"]'),
    layers: 0,
  };
}

/**
 * The largest picture beside a link that is marked as the current one: what a row of small pictures shows above
 * itself.
 */
export function shownAbove(link: Element): Shown | null {
  const own = link.querySelector('img');
  for (let holder = link.parentElement; holder && holder !== document.body; holder = holder.parentElement) {
    const larger = everyPicture(holder).filter(
      (one) => addressOf(one) !== null && isSeen(one) && area(one) > 2 * (own ? area(own) : 0),
    );
    const [first] = larger.sort((a, b) => area(b) - area(a));
    if (first) return shownBy(first);
  }
  return null;
}

const area = (element: Element): number => {
  const { width, height } = element.getBoundingClientRect();
  return width * height;
};

function* wordsInSight(): Generator<[Text, string]> {
  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  for (let node = walker.nextNode(); node; node = walker.nextNode()) {
    const text = node.nodeValue?.trim().replace(/\s+/g, ' ') ?? '';
    const parent = node.parentElement;
    if (text !== '' && parent && !parent.closest('script, style, noscript, button, [role="button"]') && isSeen(parent))
      yield [node as Text, text]; // the walker shows nothing else
  }
}

const COUNTER = /(\d+)\s*(?:\/|of|von|de|sur|van|av|di|из)\s*(\d+)/i;

interface Words {
  words: string[];
  /** Those of which a part is cut off. */
  clipped: string[];
  counter: { at: number; of: number } | null;
}

/** Words that were not in sight before, and among them a count. */
export function wordsSince(before: Look): Words {
  const fresh = [...wordsInSight()].filter(([node, text]) => before.words.get(node) !== text);
  const words = fresh.map(([, text]) => text);
  const counted = words.map((text) => COUNTER.exec(text)).find((match) => match !== null);
  return {
    words,
    clipped: fresh.filter(([node]) => isClipped(node)).map(([, text]) => text),
    counter: counted ? { at: Number(counted[1]), of: Number(counted[2]) } : null,
  };
}

/** Letters reach out of a box that shows nothing of what reaches out, and that cannot be scrolled. */
function isClipped(node: Text): boolean {
  const range = document.createRange();
  range.selectNodeContents(node);
  const box = range.getBoundingClientRect();
  for (let holder = node.parentElement; holder && holder !== document.body; holder = holder.parentElement) {
    const { overflowX, overflowY, clipPath, position } = getComputedStyle(holder);
    const edge = holder.getBoundingClientRect();
    // What is shrunk to nothing is there for those who hear the page.
    if (clipPath !== 'none' || (position === 'absolute' && edge.width <= 1)) return false;
    const cut = (overflow: string) => overflow === 'hidden' || overflow === 'clip';
    if (cut(overflowX) && (box.left < edge.left - 1 || box.right > edge.right + 1)) return true;
    if (cut(overflowY) && (box.top < edge.top - 2 || box.bottom > edge.bottom + 2)) return true;
  }
  return false;
}

/** What an element loads, as an absolute address; empty where it loads nothing. */
export function loadedBy(element: Element): string {
  if ('src' in element && typeof element.src === 'string') return element.src;
  return 'href' in element && typeof element.href === 'string' ? element.href : '';
}
