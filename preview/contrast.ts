/**
 * Text that lies over a picture, measured on the picture's pixels: how much of it has less contrast than WCAG 2.2, 1.4.3
 * asks for. Where a gradient, a blend or a shadow has its part in it, nothing is said: numbers would not be what is seen.
 */
import type { AuditedRule } from './audited.ts';

type Colour = readonly [red: number, green: number, blue: number];

/** Points that are looked at across a line of text and down it. */
const ACROSS = 48;
const DOWN = 8;

/** So much of a text may have less: a bright spot of a photograph behind one letter (common practice, no source). */
const MAY_LACK = 0.05;

/** Large text needs less; CSS px (WCAG 2.2, “large scale”: 18 pt, 14 pt in bold). */
const LARGE = { size: 24, bold: 18.66, weight: 700 };

const MOST_TEXTS = 2000;

export function textOverPictures(): AuditedRule[] {
  const at = [scrollX, scrollY] as const;
  const reachable = new CSSStyleSheet();
  // What lets the pointer through is painted all the same.
  reachable.replaceSync('* { pointer-events: auto !important }');
  document.adoptedStyleSheets.push(reachable);
  try {
    const nodes = textsOverPictures().flatMap((text) => lacking(text) ?? []);
    if (nodes.length === 0) return [];
    return [{ rule: 'text-over-picture', impact: 'serious', says: SAYS, nodes }];
  } finally {
    document.adoptedStyleSheets = document.adoptedStyleSheets.filter((one) => one !== reachable);
    if (scrollX !== at[0] || scrollY !== at[1]) scrollTo({ left: at[0], top: at[1], behavior: 'instant' });
  }
}

const SAYS = 'Text over a picture must have enough contrast to every part of the picture behind it';

/** Texts whose lines touch the box of a picture that has come. */
function textsOverPictures(): { element: Element; range: Range }[] {
  const pictures = [...document.images].filter(({ complete, naturalWidth }) => complete && naturalWidth > 0);
  const boxes = pictures.map((picture) => picture.getBoundingClientRect());
  if (boxes.length === 0) return [];
  const found: { element: Element; range: Range }[] = [];
  const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  for (let node = walker.nextNode(); node && found.length < MOST_TEXTS; node = walker.nextNode()) {
    const element = node.parentElement;
    if (!element || node.nodeValue?.trim() === '' || element.closest('script, style, noscript')) continue;
    const range = document.createRange();
    range.selectNodeContents(node);
    const box = range.getBoundingClientRect();
    if (box.width > 0 && boxes.some((one) => touch(one, box))) found.push({ element, range });
  }
  return found;
}

const touch = (a: DOMRect, b: DOMRect): boolean =>
  a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;

/** Null where it has enough contrast, lies over no picture, or nobody can say. */
function lacking({ element, range }: { element: Element; range: Range }): AuditedRule['nodes'][number] | null {
  const style = getComputedStyle(element);
  const { color, textShadow, visibility } = style;
  if (textShadow !== 'none' || visibility !== 'visible') return null;
  const needed = isLarge(style) ? 3 : 4.5;
  const ink = colourOf(color);
  let points = 0;
  let low = 0;
  let lowest = Infinity;
  for (let n = 0; ink && n < range.getClientRects().length; n++) {
    const { width, contrasts } = contrastsOf(element, range, n, ink);
    // A long line counts for more than a short one.
    points += width * contrasts.length;
    low += width * contrasts.filter((one) => one < needed).length;
    lowest = Math.min(lowest, ...contrasts);
  }
  if (points === 0 || low / points <= MAY_LACK) return null;
  const summary = `${needed}:1 is needed; ${Math.round((low / points) * 100)} % of the text has less, down to ${lowest.toFixed(1)}:1`;
  return { element, html: element.outerHTML, summary };
}

/** At points of a line, between the text and what is behind it; none where it lies over no picture. */
function contrastsOf(element: Element, range: Range, n: number, ink: Paint): { width: number; contrasts: number[] } {
  bringIn(range, n);
  const line = range.getClientRects()[n];
  const ground = line ? groundOf(element, line) : null;
  if (!line || !ground) return { width: 0, contrasts: [] };
  const share = ink.alpha * ground.opacity;
  const contrasts = ground.colours.map((colour) => contrastOf(mixed(ink.colour, share, colour), colour));
  return { width: line.width, contrasts };
}

const isLarge = ({ fontSize, fontWeight }: CSSStyleDeclaration): boolean =>
  parseFloat(fontSize) >= (Number(fontWeight) >= LARGE.weight ? LARGE.bold : LARGE.size);

/** Only what is in the window can be asked what lies at a point of it. */
function bringIn(range: Range, n: number): void {
  const line = range.getClientRects()[n];
  if (!line || (line.top >= 0 && line.bottom <= innerHeight && line.left >= 0 && line.right <= innerWidth)) return;
  const [left, top] = [scrollX + line.left - innerWidth / 4, scrollY + line.top - innerHeight / 2];
  scrollTo({ left, top, behavior: 'instant' });
}

interface Ground {
  colours: Colour[];
  /** How much of the text's own colour is left by what holds it. */
  opacity: number;
}

/** The colours behind a line of text; null where it lies over no picture, or over something else besides. */
function groundOf(element: Element, line: DOMRect): Ground | null {
  const middle = [line.left + line.width / 2, line.top + line.height / 2] as const;
  const stack = document.elementsFromPoint(...middle);
  const own = stack.findIndex((one) => one === element || one.contains(element));
  if (own < 0) return null;
  const picture = stack.slice(own).find((one) => one instanceof HTMLImageElement);
  if (!(picture instanceof HTMLImageElement)) return null;
  const over = stack.slice(own, stack.indexOf(picture)).map(veilOf);
  if (over.some((veil) => veil === null || veil.alpha >= 1)) return null;
  const pixels = pixelsUnder(picture, line);
  // A picture that lets something through is more than its pixels.
  if (!pixels || opacityUpTo(picture, picture.parentElement) < 1) return null;
  const veils = over.flatMap((veil) => veil ?? []).reverse();
  const veiled = pixels.map((colour) => veils.reduce((under, veil) => mixed(veil.colour, veil.alpha, under), colour));
  const holder = closestWith(element, picture);
  return { colours: veiled, opacity: opacityUpTo(element, holder) };
}

const closestWith = (element: Element, picture: Element): Element | null => {
  let at: Element | null = element;
  while (at && !at.contains(picture)) at = at.parentElement;
  return at;
};

function opacityUpTo(element: Element, holder: Element | null): number {
  let all = 1;
  for (let at: Element | null = element; at && at !== holder; at = at.parentElement)
    all *= Number(getComputedStyle(at).opacity);
  return all;
}

interface Paint {
  colour: Colour;
  alpha: number;
}

/** What an element lays over the picture; null where that is not one colour. */
function veilOf(element: Element): Paint | null {
  const { backgroundColor, backgroundImage, mixBlendMode, backdropFilter, opacity } = getComputedStyle(element);
  if (backgroundImage !== 'none' || mixBlendMode !== 'normal' || backdropFilter !== 'none') return null;
  const paint = colourOf(backgroundColor);
  return paint && { colour: paint.colour, alpha: paint.alpha * Number(opacity) };
}

const pen = new OffscreenCanvas(1, 1).getContext('2d', { willReadFrequently: true });

/** Whatever way it is written in: the browser paints it. */
function colourOf(written: string): Paint | null {
  if (!pen) return null;
  pen.clearRect(0, 0, 1, 1);
  pen.fillStyle = written;
  pen.fillRect(0, 0, 1, 1);
  const [red = 0, green = 0, blue = 0, alpha = 0] = pen.getImageData(0, 0, 1, 1).data;
  return { colour: [red, green, blue], alpha: alpha / 255 };
}

/** Colours of the picture behind a line; null where it is not to be had. */
function pixelsUnder(picture: HTMLImageElement, line: DOMRect): Colour[] | null {
  const drawn = drawnBox(picture);
  if (!drawn) return null;
  const box = picture.getBoundingClientRect();
  const left = Math.max(line.left, box.left, drawn.left);
  const top = Math.max(line.top, box.top, drawn.top);
  const width = Math.min(line.right, box.right, drawn.left + drawn.width) - left;
  const height = Math.min(line.bottom, box.bottom, drawn.top + drawn.height) - top;
  if (width <= 0 || height <= 0) return null;
  const scale = { x: picture.naturalWidth / drawn.width, y: picture.naturalHeight / drawn.height };
  const canvas = new OffscreenCanvas(ACROSS, DOWN).getContext('2d', { willReadFrequently: true });
  if (!canvas) return null;
  const [x, y] = [(left - drawn.left) * scale.x, (top - drawn.top) * scale.y];
  try {
    canvas.drawImage(picture, x, y, width * scale.x, height * scale.y, 0, 0, ACROSS, DOWN);
    const { data } = canvas.getImageData(0, 0, ACROSS, DOWN);
    const colours: Colour[] = [];
    for (let at = 0; at < data.length; at += 4) {
      const [red = 0, green = 0, blue = 0, alpha = 0] = data.subarray(at, at + 4);
      // What shines through there is unknown.
      if (alpha === 255) colours.push([red, green, blue]);
    }
    return colours;
  } catch {
    // A picture of another host is not to be read.
    return null;
  }
}

/** Where the whole picture would be drawn, also where it is cut: CSS Images 3 §4.5 and §4.6; CSS px of the window. */
function drawnBox(picture: HTMLImageElement): { left: number; top: number; width: number; height: number } | null {
  const { objectFit, objectPosition, paddingLeft, paddingTop, borderLeftWidth, borderTopWidth, transform } =
    getComputedStyle(picture);
  if (transform !== 'none' && !/^matrix\(1, 0, 0, 1,/.test(transform)) return null;
  const box = picture.getBoundingClientRect();
  const room = {
    width: picture.clientWidth - 2 * parseFloat(paddingLeft),
    height: picture.clientHeight - 2 * parseFloat(paddingTop),
  };
  const natural = { width: picture.naturalWidth, height: picture.naturalHeight };
  const [x, y] = [room.width / natural.width, room.height / natural.height];
  const scales: Readonly<Record<string, readonly [number, number]>> = {
    fill: [x, y],
    contain: [Math.min(x, y), Math.min(x, y)],
    cover: [Math.max(x, y), Math.max(x, y)],
    none: [1, 1],
    'scale-down': [Math.min(1, x, y), Math.min(1, x, y)],
  };
  const scale = scales[objectFit];
  if (!scale) return null;
  const size = { width: natural.width * scale[0], height: natural.height * scale[1] };
  const [atX = '50%', atY = '50%'] = objectPosition.split(' ');
  return {
    left: box.left + parseFloat(borderLeftWidth) + parseFloat(paddingLeft) + shift(atX, room.width - size.width),
    top: box.top + parseFloat(borderTopWidth) + parseFloat(paddingTop) + shift(atY, room.height - size.height),
    ...size,
  };
}

const shift = (position: string, free: number): number =>
  position.endsWith('%') ? (parseFloat(position) / 100) * free : parseFloat(position);

const mixed = (over: Colour, alpha: number, under: Colour): Colour => [
  over[0] * alpha + under[0] * (1 - alpha),
  over[1] * alpha + under[1] * (1 - alpha),
  over[2] * alpha + under[2] * (1 - alpha),
];

/** WCAG 2.2, “relative luminance”. */
function luminance(colour: Colour): number {
  const [red = 0, green = 0, blue = 0] = colour.map((part) => {
    const share = part / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
}

/** WCAG 2.2, “contrast ratio”. */
function contrastOf(a: Colour, b: Colour): number {
  const [one, other] = [luminance(a), luminance(b)];
  return (Math.max(one, other) + 0.05) / (Math.min(one, other) + 0.05);
}
