/**
 * Clicks one picture of a live page as a visitor would, and tells what came of it: what is shown, how large and how
 * sharp, with what words, where the arrows lead, how it closes, and where that leaves the visitor. It knows nothing of
 * any viewer; it looks only at what a visitor could see.
 */
import type { PictureSeen, Seen } from '../protocol/probe.ts';
import { drawFinger, key, press } from './hands.ts';
import { addressOf, lookAround, pictureInFront, shownAbove, wordsSince, type Look, type Shown } from './looking.ts';
import { hiddenParts, pictureSeen } from './measuring.ts';
import { atRest, beat, PATIENCE, until } from './patience.ts';
import { control, isAtHand, nextAround, reach } from './reaching.ts';
import { stepOfHistory, watch, type Heard } from './watching.ts';

/** What is told of a page has an end, however much the page says. */
const MOST = { words: 300, clipped: 50, troubles: 50, letters: 2000 };
const shortened = (text: string): string => text.slice(0, MOST.letters);

/** Parts that lie under something as the page opens; looked for once. */
let hidden: string[] | null = null;

function partsHiddenAtTheTop(): string[] {
  if (hidden) return hidden;
  window.scrollTo({ top: 0, behavior: 'instant' });
  hidden = hiddenParts();
  return hidden;
}

const nothingSeen = (): Seen => ({
  reached: null,
  window: { width: innerWidth, height: innerHeight },
  onPage: null,
  hidden: [],
  opened: 'nothing',
  shows: null,
  loaded: false,
  natural: null,
  size: null,
  whole: false,
  sharpness: null,
  cropped: 0,
  covered: null,
  layers: 0,
  counter: null,
  words: [],
  clipped: [],
  controls: null,
  swipe: null,
  panned: true,
  next: null,
  back: null,
  closed: null,
  focus: null,
  history: null,
  errors: [],
  missing: [],
  time: 0,
});

/** One picture that is rehearsed. */
interface Act {
  seen: Seen;
  link: HTMLAnchorElement | null;
  before: Look;
  heard: Heard;
  /** When it was clicked; ms. */
  began: number;
}

/** A small file may stand in its place, drawn larger than it is, until the right one has come. */
async function pictureOnceThere(target: Element): Promise<PictureSeen> {
  const first = await pictureSeen(target);
  if (first.sharpness === null || first.sharpness >= 1) return first;
  if (!(await until(() => addressOf(target) !== first.file, PATIENCE.larger))) return first;
  await atRest();
  return pictureSeen(target);
}

export async function rehearse(element: Element): Promise<Seen> {
  await atRest();
  const seen: Seen = { ...nothingSeen(), hidden: partsHiddenAtTheTop() };
  seen.reached = await reach(element);
  if (seen.reached === null) return seen;
  await atRest();
  const target = element.querySelector('img') ?? element;
  seen.onPage = await pictureOnceThere(target);
  const before = lookAround();
  const history = stepOfHistory();
  const { heard, end } = watch();
  const act: Act = { seen, link: element.closest('a'), before, heard, began: performance.now() };
  press(target);
  await see(act, history);
  end();
  return {
    ...seen,
    words: seen.words.slice(0, MOST.words).map(shortened),
    clipped: seen.clipped.slice(0, MOST.clipped).map(shortened),
    errors: heard.errors.slice(0, MOST.troubles).map(shortened),
    missing: heard.missing.slice(0, MOST.troubles),
  };
}

const UNSEEN: Shown = { address: null, loaded: false, element: document.documentElement, layers: 0 };

async function see(act: Act, history: number): Promise<void> {
  const { seen, before, heard } = act;
  const shown = await whatComes(act);
  seen.time = performance.now() - act.began;
  if (shown === 'address') return void Object.assign(seen, { opened: 'address', shows: heard.leaves });
  if (shown && shown !== UNSEEN) return seeViewer(act, shown, history);
  if (!heard.prevented) return;
  seen.opened = heard.errors.length > 0 && heard.missing.length === 0 ? 'nothing' : 'viewer';
  seen.shows = heard.missing.at(-1) ?? null;
  Object.assign(seen, wordsSince(before));
  seen.closed = await close(before);
}

/** The picture that comes in front, that the page is left, or {@link UNSEEN}; null where nothing came in time. */
async function whatComes({ before, heard, link }: Act): Promise<Shown | 'address' | null> {
  const front = () => pictureInFront(before);
  /** A row of small pictures shows the one that is chosen above itself, and may have shown it before. */
  const already = () => {
    const shown = heard.prevented && link?.getAttribute('aria-current') === 'true' ? shownAbove(link) : null;
    return shown?.loaded ? shown : null;
  };
  const isVain = () => heard.errors.length > 0 || heard.missing.length > 0;
  const isMissing = (shown: Shown | null) =>
    link !== null && shown?.address === link.href && heard.missing.includes(link.href);
  let frames = 0;
  const isOver = () => !heard.prevented && frames++ > PATIENCE.reaction;
  await until(
    () => heard.leaves !== null || front() !== null || already() !== null || isVain() || isOver(),
    PATIENCE.picture,
  );
  if (heard.leaves !== null && !front()) return 'address';
  let vain = 0;
  return until(() => {
    // The page goes on between two looks, so each is a look of its own.
    if (front()?.loaded) return front();
    if (!heard.prevented && !front()) return UNSEEN;
    // What is missing may be a small file in the place of the large one: that comes soon, or not at all.
    if (isVain() && (isMissing(front()) || vain++ > PATIENCE.step)) return front() ?? UNSEEN;
    return already();
  }, PATIENCE.picture);
}

async function seeViewer({ seen, link, before, heard }: Act, first: Shown, history: number): Promise<void> {
  const front = () => pictureInFront(before);
  await beat();
  await atRest();
  const now = front() ?? first;
  const { file, ...sight } = await pictureSeen(now.element);
  // What stands in the place of a file that is missing is not that file.
  const loaded = now.loaded && !(link && heard.missing.includes(link.href));
  const layers = Math.max(1, now.layers);
  Object.assign(seen, { opened: 'viewer', shows: file, loaded, layers, ...sight, ...wordsSince(before) });
  const added = stepOfHistory() - history;
  if (!front()) {
    seen.closed = 'no';
    return;
  }
  seen.controls = controlsAtHand(before);
  await steps(seen, before, heard.missing);
  await swipeOver(seen, before);
  seen.closed = await close(before);
  if (seen.closed === 'no') return;
  seen.focus = await focusAfter(link);
  seen.history = await historyAfter(history, added);
}

function controlsAtHand(before: Look): Seen['controls'] {
  const has = (meaning: 'next' | 'back' | 'close') => isAtHand(control(meaning, document, before));
  return { next: has('next'), back: has('back'), close: has('close') };
}

/** On and back again from where it opened, then back and on. */
async function steps(seen: Seen, before: Look, missing: readonly string[]): Promise<void> {
  const { shows } = seen;
  seen.next = await step('next', shows, before, missing);
  if (seen.next !== null) await step('back', seen.next, before, missing);
  if (pictureInFront(before)?.address !== shows) return;
  seen.back = await step('back', shows, before, missing);
  if (seen.back !== null) await step('next', seen.back, before, missing);
}

/** So many frames in front, one after the other, and it is what is shown. */
const STEADY = 4;

/** By key, else by a control that came with the viewer; the address that is shown then, null where nothing moves. */
async function step(
  way: 'next' | 'back',
  from: string | null,
  before: Look,
  missing: readonly string[],
): Promise<string | null> {
  const lost = missing.length;
  let latest: string | null = null;
  let frames = 0;
  const moved = () => {
    // It went on to something that is no picture, or is not there.
    if (missing.length > lost) return missing.at(-1) ?? null;
    const now = pictureInFront(before);
    const other = now && now.address !== from && now.loaded ? now.address : null;
    // What is in front only until the picture itself has come is none that a visitor steps to.
    frames = other !== null && other === latest ? frames + 1 : 0;
    latest = other;
    return frames >= STEADY ? other : null;
  };
  // While another picture is on its way the former one's address may still be told: then it is not the same yet.
  const wasLoaded = pictureInFront(before)?.loaded === true;
  const settled = (least: number) => {
    let waited = 0;
    const stands = () => {
      const now = pictureInFront(before);
      return waited++ > least && now?.address === from && (now.loaded || !wasLoaded);
    };
    return until(() => moved() ?? (stands() ? 'same' : null), PATIENCE.picture);
  };
  const rtl = getComputedStyle(document.documentElement).direction === 'rtl';
  key((way === 'next') === rtl ? 'ArrowLeft' : 'ArrowRight');
  const byKey = await settled(PATIENCE.key);
  if (byKey !== null && byKey !== 'same') return byKey;
  const button = control(way, document, before);
  if (!button) return null;
  button.click();
  const byButton = await settled(PATIENCE.step);
  return byButton === 'same' ? null : byButton;
}

/** A finger to the side, and back; it says what scripts do, not what the browser itself would. */
async function swipeOver(seen: Seen, before: Look): Promise<void> {
  const now = pictureInFront(before);
  if (!now || (seen.next ?? seen.back) === null) return;
  seen.panned = isPanned(now.element);
  const by = (seen.next !== null ? -1 : 1) * innerWidth * 0.5;
  await drawFinger(now.element, by);
  const isAnother = () => pictureInFront(before)?.address !== now.address;
  seen.swipe = (await until(isAnother, PATIENCE.step)) ? 'steps' : 'nothing';
  await atRest();
}

/** CSS Pointer Events 3, `touch-action`: what no element from the touched one outwards forbids is the browser's. */
function isPanned(element: Element): boolean {
  for (let one: Element | null = element; one; one = one.parentElement) {
    const action = getComputedStyle(one).touchAction;
    if (!/auto|manipulation|pan-x|pan-left|pan-right/.test(action)) return false;
  }
  return true;
}

async function close(before: Look): Promise<Seen['closed']> {
  /**
   * A picture of the page that lay in front before may be another by now: a slide that has got its larger file. One
   * that is the same as before is the page's own, also where something lay over it then.
   */
  const isOfViewer = ({ element, address }: Shown) =>
    !before.front.has(element) && before.drawn.get(element) !== address;
  const gone = () => {
    const now = pictureInFront(before);
    return (now === null || !isOfViewer(now)) && !document.querySelector('dialog[open]:modal');
  };
  const dialog = document.querySelector<HTMLDialogElement>('dialog[open]:modal');
  key('Escape');
  // What a browser does on Escape by itself, which a key that a script makes does not set off.
  if (dialog?.open && dialog.dispatchEvent(new Event('cancel', { cancelable: true }))) dialog.close();
  if (await until(gone, PATIENCE.step)) return 'key';
  control('close', document, before)?.click();
  if (await until(gone, PATIENCE.step)) return 'button';
  const corner = document.elementFromPoint(4, innerHeight - 4);
  if (corner) press(corner);
  return (await until(gone, PATIENCE.step)) ? 'outside' : 'no';
}

async function focusAfter(link: HTMLAnchorElement | null): Promise<Seen['focus']> {
  const isBack = () => link !== null && document.activeElement === link;
  if (await until(isBack, PATIENCE.key)) return 'link';
  const { activeElement } = document;
  return activeElement && activeElement !== document.body && activeElement !== document.documentElement
    ? 'elsewhere'
    : 'lost';
}

/** `added` steps came with the opening. */
async function historyAfter(history: number, added: number): Promise<Seen['history']> {
  if (await until(() => stepOfHistory() <= history, PATIENCE.key)) return added > 0 ? 'returned' : 'untouched';
  return 'left behind';
}

/** Brings a state about and leaves it so: opened by a click, some steps on, or under the pointer. */
export async function hold(element: Element, how: 'click' | 'point' | 'step', count: number): Promise<void> {
  const target = element.querySelector('img') ?? element;
  if (how === 'point') {
    target.scrollIntoView({ block: 'center', behavior: 'instant' });
    const box = target.getBoundingClientRect();
    const at = { bubbles: true, clientX: box.left + box.width / 2, clientY: box.top + box.height / 2 };
    for (const name of ['pointerover', 'pointerenter', 'pointermove']) target.dispatchEvent(new PointerEvent(name, at));
    for (const name of ['mouseover', 'mouseenter', 'mousemove']) target.dispatchEvent(new MouseEvent(name, at));
    return;
  }
  const before = lookAround();
  if (how === 'click') {
    const { end } = watch();
    press(target);
    await until(() => pictureInFront(before)?.loaded, PATIENCE.picture);
    end();
  }
  const next = () => (how === 'click' ? control('next', document, before) : nextAround(target));
  for (let n = 0; n < count; n++) {
    // What plays or is still being built may have its button a little later.
    const button = await until(next, PATIENCE.step);
    button?.click();
    await beat();
    await atRest();
  }
}
