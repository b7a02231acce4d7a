/** How a picture is seen: its size, its sharpness, what cuts it off and what lies over it. */
import type { PictureSeen } from '../protocol/probe.ts';
import { accessibleName, addressOf, isSeen } from './looking.ts';

type Measured = Omit<PictureSeen, 'file'>;
interface Size {
  width: number;
  height: number;
}

/**
 * A picture as it stands there. `file` gives image px; where a page offers several files the browser tells the size
 * of the place that they are for, so the file is asked itself.
 */
export async function pictureSeen(element: Element): Promise<PictureSeen> {
  const image = element instanceof HTMLImageElement ? element : null;
  const file = image && image.naturalWidth > 0 ? await fileSize(image) : null;
  return { file: addressOf(element), ...measured(element, file) };
}

function measured(element: Element, file: Size | null): Measured {
  const box = element.getBoundingClientRect();
  const drawn = element instanceof HTMLImageElement && file ? drawnAt(element, file) : null;
  const pixels = file !== null && !isDrawing(addressOf(element));
  return {
    natural: file,
    size: { width: Math.round(box.width), height: Math.round(box.height) },
    whole: box.left >= -1 && box.top >= -1 && box.right <= innerWidth + 1 && box.bottom <= innerHeight + 1,
    sharpness:
      pixels && drawn ? rounded(Math.min(file.width / drawn.width, file.height / drawn.height), 100_000) : null,
    cropped: rounded(croppedBy(element, box, drawn)),
    covered: coveredBy(element),
  };
}

const rounded = (value: number, most = 1): number =>
  Number.isFinite(value) ? Math.round(Math.min(most, Math.max(0, value)) * 100) / 100 : 0;

/** Drawings by lines are as sharp as the screen. */
const isDrawing = (address: string | null): boolean =>
  address !== null && (/\.svgz?(?:[?#]|$)/i.test(address) || address.startsWith('data:image/svg'));

async function fileSize(image: HTMLImageElement): Promise<Size> {
  const told = { width: image.naturalWidth, height: image.naturalHeight };
  if (image.srcset === '' && !image.closest('picture')) return told;
  const file = new Image();
  file.src = image.currentSrc;
  await file.decode().catch(() => undefined);
  return file.naturalWidth > 0 ? { width: file.naturalWidth, height: file.naturalHeight } : told;
}

/** Size at which all of the picture is drawn, also what its box cuts off (CSS Images 3, `object-fit`); CSS px. */
function drawnAt(image: HTMLImageElement, file: Size): Size {
  const style = getComputedStyle(image);
  const px = (name: string) => parseFloat(style.getPropertyValue(name)) || 0;
  const across = image.clientWidth - px('padding-left') - px('padding-right');
  const down = image.clientHeight - px('padding-top') - px('padding-bottom');
  // What is turned or made larger by a transform is so as a whole.
  const enlarged = image.offsetWidth > 0 ? image.getBoundingClientRect().width / image.offsetWidth : 1;
  if (style.objectFit === 'fill') return { width: across * enlarged, height: down * enlarged };
  const scale = scaleOf(style.objectFit, across / file.width, down / file.height) * enlarged;
  return { width: file.width * scale, height: file.height * scale };
}

function scaleOf(fit: string, across: number, down: number): number {
  if (fit === 'cover') return Math.max(across, down);
  if (fit === 'none') return 1;
  return fit === 'contain' ? Math.min(across, down) : Math.min(1, across, down);
}

/** Share of the picture that is not seen: cut off by its own box, or by boxes around it that do not scroll. */
function croppedBy(element: Element, box: DOMRect, drawn: Size | null): number {
  const own = drawn ?? box;
  const kept = (Math.min(own.width, box.width) * Math.min(own.height, box.height)) / (own.width * own.height);
  let [left, top, right, bottom] = [box.left, box.top, box.right, box.bottom];
  for (let holder = element.parentElement; holder && holder !== document.body; holder = holder.parentElement) {
    const { overflowX, overflowY } = getComputedStyle(holder);
    const edge = holder.getBoundingClientRect();
    if (isCut(overflowX)) [left, right] = [Math.max(left, edge.left), Math.min(right, edge.right)];
    if (isCut(overflowY)) [top, bottom] = [Math.max(top, edge.top), Math.min(bottom, edge.bottom)];
  }
  const seen = Math.max(0, right - left) * Math.max(0, bottom - top);
  return 1 - kept * (seen / (box.width * box.height));
}

const isCut = (overflow: string): boolean => overflow === 'hidden' || overflow === 'clip';

/** Points across and down at which it is looked what lies on top. */
const GRID = 7;

function coveredBy(element: Element): Measured['covered'] {
  const box = element.getBoundingClientRect();
  const over = new Map<Element, number>();
  let looked = 0;
  for (let n = 0; n < GRID * GRID; n++) {
    const x = box.left + (box.width * ((n % GRID) + 0.5)) / GRID;
    const y = box.top + (box.height * (Math.floor(n / GRID) + 0.5)) / GRID;
    if (x < 0 || y < 0 || x >= innerWidth || y >= innerHeight) continue;
    looked += 1;
    const top = paintedAbove(element, x, y);
    if (top) over.set(top, (over.get(top) ?? 0) + 1);
  }
  const [most] = [...over].sort((a, b) => b[1] - a[1]);
  return most ? { by: nameFor(most[0]), share: rounded(most[1] / looked) } : null;
}

/** What paints something over an element at a point of the window; null where nothing does. */
function paintedAbove(element: Element, x: number, y: number): Element | null {
  for (const one of document.elementsFromPoint(x, y)) {
    if (one === element || one.contains(element) || element.contains(one)) return null;
    if (one.shadowRoot?.contains(element)) return null;
    if (paints(one)) return one;
  }
  return null;
}

function paints(element: Element): boolean {
  const { backgroundColor, backgroundImage, opacity } = getComputedStyle(element);
  if (Number(opacity) < 0.1) return false;
  const clear = /^(?:transparent|rgba\(.*, 0\))$/.test(backgroundColor);
  return !clear || backgroundImage !== 'none' || element instanceof HTMLImageElement;
}

/** What a reader of the page's source calls an element. */
function nameFor(element: Element): string {
  const tag = element.tagName.toLowerCase();
  const id = element.id ? `#${element.id}` : '';
  const [first] = element.classList;
  const said = element.getAttribute('aria-label') ?? '';
  const words = said || (element.matches('h1, h2, button, a') ? accessibleName(element) : '');
  return `<${tag}${id || (first ? `.${first}` : '')}>${words ? ` “${words}”` : ''}`.slice(0, 200);
}

/** Parts that a visitor looks for first. */
const PARTS = 'nav, [role="navigation"], h1';
const MOST_PARTS = 20;

/** Parts of the page that something else lies over as it opens; asked where it is scrolled to its top. */
export function hiddenParts(): string[] {
  const parts = [...document.querySelectorAll(PARTS)].filter((part) => isSeen(part) && isUnder(part));
  return parts.slice(0, MOST_PARTS).map(nameFor);
}

function isUnder(part: Element): boolean {
  const things = [...part.querySelectorAll('a, button')].filter(isSeen);
  const spots = (things.length > 0 ? things : [part]).map((one) => one.getBoundingClientRect());
  const inside = spots
    .map((box) => [box.left + box.width / 2, box.top + box.height / 2] as const)
    .filter(([x, y]) => x >= 0 && y >= 0 && x < innerWidth && y < innerHeight);
  return inside.length > 0 && inside.every(([x, y]) => paintedAbove(part, x, y) !== null);
}
