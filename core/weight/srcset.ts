/** Which file an `img` loads in a window (WHATWG HTML §4.8.4.3, “Selecting an image source”). */
import { attributeOf, valueOf, type Attribute, type PageElement } from '../markup/index.ts';
import { allHold } from '../style/index.ts';
import { sizeSaid, type Window } from './sizes.ts';

interface Candidate {
  address: string;
  /** Image px for one CSS px. */
  density: number;
}

interface Source {
  address: string;
  attribute: Attribute;
}

/** Formats that browsers of today show; of a `source` with another type nothing is loaded. */
const SHOWN = /^image\/(?:jpeg|pjpeg|png|apng|gif|webp|avif|svg\+xml|bmp|x-icon|vnd\.microsoft\.icon|x-png)$/i;

/** Null where it names none. `laidOut` is its width in the layout, CSS px. */
export function sourceFor(image: PageElement, window: Window, laidOut: number | null): Source | null {
  for (const source of sourcesBefore(image)) {
    if (!holds(source, window)) continue;
    const chosen = chosenFrom(source, null, valueOf(source, 'sizes'), window, laidOut);
    if (chosen) return chosen;
  }
  const src = attributeOf(image, 'src') ?? null;
  return chosenFrom(image, src, valueOf(image, 'sizes'), window, laidOut);
}

function sourcesBefore(image: PageElement): PageElement[] {
  if (image.parent?.tag !== 'picture') return [];
  return image.parent.children.filter(({ tag, index }) => tag === 'source' && index < image.index);
}

function holds(source: PageElement, window: Window): boolean {
  const media = valueOf(source, 'media')?.trim();
  const type = valueOf(source, 'type')?.trim();
  if (type && !SHOWN.test(type.replace(/;.*$/s, ''))) return false;
  return !media || allHold([media], window.width);
}

function chosenFrom(
  element: PageElement,
  src: Attribute | null,
  sizes: string | undefined,
  window: Window,
  laidOut: number | null,
): Source | null {
  const srcset = attributeOf(element, 'srcset');
  const listed = srcset ? candidatesIn(srcset.value) : [];
  const size = listed.some(({ width }) => width !== null) ? sizeSaid(sizes, window, laidOut) : 0;
  const candidates = listed.map(({ address, density, width }): Candidate => {
    return { address, density: width === null ? density : width / Math.max(size, 1) };
  });
  const isWhole = listed.every(({ width, density }) => width === null && density !== 1);
  if (src && src.value.trim() !== '' && isWhole) candidates.push({ address: src.value, density: 1 });
  const chosen = bestOf(candidates, window.density);
  if (!chosen) return null;
  const attribute = srcset && chosen.address !== src?.value ? srcset : (src ?? srcset);
  return attribute ? { address: chosen.address, attribute } : null;
}

interface Listed {
  address: string;
  density: number;
  width: number | null;
}

/** WHATWG HTML §4.8.4.3.2, “Parsing a srcset attribute”, as far as it matters what is loaded. */
export function candidatesIn(srcset: string): Listed[] {
  const listed: Listed[] = [];
  let rest = srcset;
  for (;;) {
    rest = rest.replace(/^[\s,]+/, '');
    const [whole, address = ''] = /^(\S+)/.exec(rest) ?? [];
    if (whole === undefined) return listed;
    rest = rest.slice(whole.length);
    const ended = /,+$/.exec(address);
    const said = ended ? '' : (/^(?:[^,(]|\([^)]*\)?)*/.exec(rest)?.[0] ?? '');
    rest = rest.slice(said.length);
    const candidate = described(ended ? address.slice(0, ended.index) : address, said.trim());
    if (candidate) listed.push(candidate);
  }
}

function described(address: string, said: string): Listed | null {
  const parts = said.split(/\s+/).filter((part) => part !== '');
  let width: number | null = null;
  let density = 1;
  for (const part of parts) {
    const [, number = '', unit = ''] = /^(\d*\.?\d+(?:e[+-]?\d+)?)([wxh])$/i.exec(part) ?? [];
    if (unit === 'w' && Number(number) > 0) width = Number(number);
    else if (unit === 'x') density = Number(number);
    else if (unit !== 'h') return null;
  }
  return { address, density, width };
}

/**
 * Browsers may choose as they like; Chromium takes the first that is dense enough, or the one below it where the screen
 * is nearer to that by the geometric mean, never one that is too small for a plain screen (from memory, held against
 * the browser by `tests/browser/weight.spec.ts`).
 */
function bestOf(candidates: readonly Candidate[], screen: number): Candidate | null {
  const sorted = [...candidates].sort((a, b) => a.density - b.density);
  const apart = sorted.filter(({ density }, n) => n === 0 || density !== sorted[n - 1]?.density);
  const at = apart.findIndex((one, n) => {
    const next = apart[n + 1];
    return !next || next.density >= screen;
  });
  const [one, next] = [apart[at], apart[at + 1]];
  if (!one || !next) return one ?? null;
  const isTooSmall = screen <= 1 && screen > one.density;
  return isTooSmall || screen >= Math.sqrt(one.density * next.density) ? next : one;
}
