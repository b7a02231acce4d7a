/** What the browser saw while the page loaded: where its pictures stand, when its files were there, what moved. */
import { beat } from './patience.ts';

export interface Weighed {
  images: { src: string; top: number; bottom: number; width: number }[];
  /** By their whole addresses; ms from when the page was asked for. */
  files: { name: string; start: number; end: number }[];
  shift: number;
}

/** A page whose styles do not come is looked at without them; frames. */
const STYLES_WAIT = 120;

/** So long nothing more may come before a page counts as loaded; ms. */
const QUIET = 1000;

/** Pages can ask for more without end; ms. */
const LONGEST = 120_000;

const MOST = 5000;

/** More than one and less than five seconds apart count as one movement (web.dev, “Cumulative Layout Shift”). */
const SHIFT_GAP = 1000;
const SHIFT_LONGEST = 5000;

interface Shift extends PerformanceEntry {
  value: number;
  hadRecentInput: boolean;
}

const shifts: Shift[] = [];
const types: readonly string[] = PerformanceObserver.supportedEntryTypes;
if (types.includes('layout-shift')) {
  new PerformanceObserver((list) => shifts.push(...(list.getEntries() as Shift[]))).observe({
    type: 'layout-shift',
    buffered: true,
  });
}

/** `whole` waits until all is there; without it the page is looked at as soon as it has its styles. */
export async function weigh(whole: boolean): Promise<Weighed> {
  if (whole) await loaded();
  else await styled();
  const images = [...document.images].slice(0, MOST).map((image) => {
    const { top, bottom, width } = image.getBoundingClientRect();
    const src = (image.getAttribute('src') ?? '').slice(0, 2000);
    return { src, top: top + scrollY, bottom: bottom + scrollY, width };
  });
  return { images, files: filesSoFar().slice(0, MOST), shift: worstShift() };
}

const filesSoFar = (): Weighed['files'] =>
  [...performance.getEntriesByType('navigation'), ...performance.getEntriesByType('resource')].flatMap((entry) => {
    const { name, startTime, responseEnd } = entry as PerformanceResourceTiming; // both kinds are
    const isOfSite = new URL(name, location.href).pathname.startsWith('/s/');
    return isOfSite && responseEnd > 0 ? [{ name, start: startTime, end: responseEnd }] : [];
  });

async function styled(): Promise<void> {
  for (let n = 0; n < STYLES_WAIT; n++) {
    const sheets = [...document.querySelectorAll<HTMLLinkElement>('link[rel~="stylesheet" i]')];
    const isThere = sheets.every(
      ({ sheet, media, disabled }) => sheet || disabled || !matchMedia(media || 'all').matches,
    );
    if (document.readyState !== 'loading' && isThere) return;
    await beat();
  }
}

async function loaded(): Promise<void> {
  const begun = performance.now();
  let before = -1;
  let since = begun;
  while (performance.now() - begun < LONGEST) {
    const now = performance.getEntriesByType('resource').length;
    if (now !== before || document.readyState !== 'complete') since = performance.now();
    before = now;
    if (performance.now() - since >= QUIET && ![...document.images].some(isComing)) return;
    await beat();
  }
}

const isComing = (image: HTMLImageElement): boolean => !image.complete && image.loading !== 'lazy';

/** The largest sum of movements that follow one another without a pause. */
function worstShift(): number {
  let worst = 0;
  let sum = 0;
  let first = -Infinity;
  let last = -Infinity;
  for (const { value, startTime, hadRecentInput } of shifts) {
    if (hadRecentInput) continue;
    const isNew = startTime - last > SHIFT_GAP || startTime - first > SHIFT_LONGEST;
    if (isNew) first = startTime;
    sum = isNew ? value : sum + value;
    last = startTime;
    worst = Math.max(worst, sum);
  }
  return worst;
}
