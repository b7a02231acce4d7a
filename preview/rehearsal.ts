/**
 * Clicks one picture of a live page as a visitor would, and tells what came of it: what is shown, with what words,
 * where the arrows lead, how it closes. It knows nothing of any viewer; it looks only at what a visitor could see.
 */
import type { Seen } from '../protocol/probe.ts';
import {
  accessibleName,
  loadedBy,
  isSeen,
  lookAround,
  pictureInFront,
  shownAbove,
  wordsSince,
  type Look,
  type Shown,
} from './looking.ts';

/** How long a visitor is taken to wait for something to happen, for a picture to come, and for a step; ms. */
const PATIENCE = { reaction: 500, picture: 10_000, step: 450 };
const TICK = 15;

const wait = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

async function until<T>(look: () => T | null | false, patience: number): Promise<T | null> {
  for (const end = performance.now() + patience; ;) {
    const found = look();
    if (found !== null && found !== false) return found;
    if (performance.now() > end) return null;
    await wait(TICK);
  }
}

interface Heard {
  /** Where the click would have led. */
  leaves: string | null;
  errors: string[];
  /** Addresses that did not load. */
  missing: string[];
  /** A script has taken the click. */
  prevented: boolean;
}

/** Of the navigation interface, which the library of types does not have yet. */
interface Navigating extends Event {
  destination: { url: string; sameDocument: boolean };
  hashChange: boolean;
}

/** What a click sets off, while it is watched: navigations are held back, errors noted. */
function watch() {
  const heard: Heard = { leaves: null, errors: [], missing: [], prevented: false };
  const stop = new AbortController();
  const { signal } = stop;
  // The page stays, or there would be nobody left to tell what happened.
  const navigation = (window as { navigation?: EventTarget }).navigation;
  navigation?.addEventListener(
    'navigate',
    (event) => {
      const { destination, hashChange } = event as Navigating; // the listener's event
      // A step of the history on the same page leaves nothing.
      if (hashChange || destination.sameDocument) return;
      heard.leaves = destination.url;
      event.preventDefault();
    },
    { signal },
  );
  window.addEventListener(
    'click',
    (event) => {
      const link = event.target instanceof Element ? event.target.closest<HTMLAnchorElement>('a[href]') : null;
      heard.prevented = event.defaultPrevented;
      if (event.defaultPrevented || !link || new URL(link.href).href.split('#')[0] === location.href.split('#')[0])
        return;
      heard.leaves = link.href;
      event.preventDefault();
    },
    { signal },
  );
  window.addEventListener(
    'error',
    (event) => {
      const { target } = event;
      if (target instanceof HTMLElement) heard.missing.push(loadedBy(target));
      else heard.errors.push(event.message);
    },
    { signal, capture: true },
  );
  window.addEventListener('unhandledrejection', (event) => heard.errors.push(String(event.reason)), { signal });
  // eslint-disable-next-line @typescript-eslint/unbound-method -- it is put back where it was
  const open = window.open;
  window.open = (url) => {
    heard.leaves = new URL(String(url), location.href).href;
    return null;
  };
  return {
    heard,
    end: () => {
      window.open = open;
      stop.abort();
    },
  };
}

/** A press as a pointer makes it. */
function press(target: Element): void {
  const box = target.getBoundingClientRect();
  const at = {
    bubbles: true,
    cancelable: true,
    composed: true,
    clientX: box.left + box.width / 2,
    clientY: box.top + box.height / 2,
    button: 0,
    isPrimary: true,
  };
  for (const name of ['pointerdown', 'mousedown', 'pointerup', 'mouseup'])
    target.dispatchEvent(name.startsWith('pointer') ? new PointerEvent(name, at) : new MouseEvent(name, at));
  if (target instanceof HTMLElement) target.click();
}

function key(name: string): void {
  const target = document.activeElement ?? document.body;
  for (const type of ['keydown', 'keyup'])
    target.dispatchEvent(
      new KeyboardEvent(type, { key: name, code: name, bubbles: true, cancelable: true, composed: true }),
    );
}

const NAMES = {
  next: /next|forward|onward|^on$|weiter|vor$|suivant|siguiente|volgende|[›»→▶>]/i,
  back: /prev|back|zurück|précédent|anterior|vorige|[‹«←◀<]/i,
  close: /close|schließen|fermer|cerrar|sluiten|^[×✕✖x]$/i,
  more: /more|mehr|plus|más|meer/i,
};

/** A control of that meaning which is in sight; of several the one that came last into the page. */
function control(meaning: keyof typeof NAMES, within: ParentNode = document, before?: Look): HTMLElement | null {
  const all = [...within.querySelectorAll<HTMLElement>('button, [role="button"], a, input[type="button"]')];
  const named = all.filter(
    (one) =>
      NAMES[meaning].test(accessibleName(one)) ||
      new RegExp(`(?:^|[-_ ])${meaning}(?:$|[-_ ])`, 'i').test(one.className),
  );
  return (
    named
      .filter(
        (one) =>
          isSeen(one) &&
          !one.hasAttribute('disabled') &&
          one.getAttribute('aria-disabled') !== 'true' &&
          !before?.controls.has(one),
      )
      .at(-1) ?? null
  );
}

/** Brings a picture into sight by what the page offers for it. */
async function reach(element: Element): Promise<Seen['reached']> {
  const target = element.querySelector('img') ?? element;
  const there = () => {
    target.scrollIntoView({ block: 'center', inline: 'nearest', behavior: 'instant' });
    return isInFront(target);
  };
  if (there()) return 'at once';
  if (await byTab(target, there)) return 'tab';
  if (await bySteps(target)) return 'step';
  for (let n = 0; n < 200; n++) {
    window.scrollTo(0, document.documentElement.scrollHeight);
    await wait(60);
    if (there()) return 'more';
    const more = control('more');
    if (!more) continue;
    more.click();
    if (await until(there, 300)) return 'more';
  }
  return null;
}

/** Opens the tab in whose panel the picture is. */
async function byTab(target: Element, there: () => boolean): Promise<boolean> {
  const panel = target.closest('[role="tabpanel"]');
  const tab = panel && document.querySelector<HTMLElement>(`[role="tab"][aria-controls="${CSS.escape(panel.id)}"]`);
  tab?.click();
  return tab !== null && (await until(there, 1500)) !== null;
}

/** Steps on in whatever holds the picture, until it is shown. */
async function bySteps(target: Element): Promise<boolean> {
  for (let holder = target.parentElement; holder && holder !== document.body; holder = holder.parentElement) {
    for (let n = 0; n < 600 && !isInFront(target); n++) {
      const button = control('next', holder);
      if (!button) break;
      button.click();
      await until(() => isInFront(target), 500);
    }
    if (isInFront(target)) return true;
  }
  return false;
}

function isInFront(target: Element): boolean {
  if (!isSeen(target)) return false;
  const box = target.getBoundingClientRect();
  const at = document.elementFromPoint(box.left + box.width / 2, box.top + box.height / 2);
  return (
    at !== null &&
    (at === target || target.contains(at) || at.contains(target) || at.closest('a') === target.closest('a'))
  );
}

export async function rehearse(element: Element): Promise<Seen> {
  const seen: Seen = {
    reached: await reach(element),
    opened: 'nothing',
    shows: null,
    loaded: false,
    natural: null,
    size: null,
    whole: false,
    layers: 0,
    counter: null,
    words: [],
    next: null,
    back: null,
    closed: null,
    errors: [],
    missing: [],
    time: 0,
  };
  if (seen.reached === null) return seen;
  const before = lookAround();
  const { heard, end } = watch();
  const began = performance.now();
  press(element.querySelector('img') ?? element);
  const front = () => pictureInFront(before);
  const link = element.closest('a');
  /** A row of small pictures shows the one that is chosen above itself, and may have shown it before. */
  const already = () => {
    const shown = heard.prevented && link?.getAttribute('aria-current') === 'true' ? shownAbove(link) : null;
    return shown?.loaded ? shown : null;
  };
  await until(
    () =>
      heard.leaves !== null ||
      front() !== null ||
      already() !== null ||
      heard.errors.length > 0 ||
      heard.missing.length > 0 ||
      (heard.prevented ? null : performance.now() - began > PATIENCE.reaction),
    PATIENCE.picture,
  );
  if (heard.leaves !== null && !front()) {
    end();
    return {
      ...seen,
      opened: 'address',
      shows: heard.leaves,
      errors: heard.errors,
      missing: heard.missing,
      time: performance.now() - began,
    };
  }
  // An own error of the script, or a picture that is missing, will not get better by waiting.
  const shown = await until(() => {
    // The page goes on between two looks, so each is a look of its own.
    if (front()?.loaded) return front();
    const inVain = heard.missing.length > 0 || heard.errors.length > 0;
    if (inVain || (!heard.prevented && !front())) return front() ?? UNSEEN;
    return already();
  }, PATIENCE.picture);
  seen.time = performance.now() - began;
  if (shown && shown !== UNSEEN) {
    await wait(TICK * 2);
    const now = front() ?? shown;
    note(seen, now, link, heard.missing);
    Object.assign(seen, wordsSince(before));
    seen.layers = Math.max(1, now.layers);
    if (front()) await steps(seen, before, heard.missing);
    seen.closed = front() ? await close(before) : 'no';
  } else if (heard.prevented) {
    seen.opened = heard.errors.length > 0 && heard.missing.length === 0 ? 'nothing' : 'viewer';
    seen.shows = heard.missing.at(-1) ?? null;
    Object.assign(seen, wordsSince(before));
    seen.closed = await close(before);
  }
  end();
  return {
    ...seen,
    words: seen.words.slice(0, MOST.words).map(clipped),
    errors: heard.errors.slice(0, MOST.troubles).map(clipped),
    missing: heard.missing.slice(0, MOST.troubles),
  };
}

/** What is told of a page has an end, however much the page says. */
const MOST = { words: 300, troubles: 50, letters: 2000 };
const clipped = (text: string): string => text.slice(0, MOST.letters);

const UNSEEN: Shown = {
  address: null,
  loaded: false,
  natural: null,
  size: { width: 0, height: 0 },
  whole: false,
  element: document.documentElement,
  layers: 0,
};

/** What stands in the place of a file that is missing is not that file. */
function note(seen: Seen, shown: Shown, link: HTMLAnchorElement | null, missing: readonly string[]): void {
  const { address, natural, size, whole } = shown;
  const loaded = shown.loaded && !(link && missing.includes(link.href));
  Object.assign(seen, { opened: 'viewer', shows: address, loaded, natural, size, whole });
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

/** By key, else by a control that came with the viewer; the address that is shown then, null where nothing moves. */
async function step(
  way: 'next' | 'back',
  from: string | null,
  before: Look,
  missing: readonly string[],
): Promise<string | null> {
  const lost = missing.length;
  const moved = () => {
    // It went on to something that is no picture, or is not there.
    if (missing.length > lost) return missing.at(-1) ?? null;
    const now = pictureInFront(before);
    return now && now.address !== from && now.address !== null && now.loaded ? now.address : null;
  };
  // While another picture is on its way the former one's address may still be told: then it is not the same yet.
  const wasLoaded = pictureInFront(before)?.loaded === true;
  const stands = () => {
    const now = pictureInFront(before);
    return now?.address === from && (now.loaded || !wasLoaded) && performance.now() > end;
  };
  const settled = (patience: number) => until(() => moved() ?? (stands() ? 'same' : null), patience);
  const rtl = getComputedStyle(document.documentElement).direction === 'rtl';
  let end = performance.now() + 120;
  key((way === 'next') === rtl ? 'ArrowLeft' : 'ArrowRight');
  const byKey = await settled(PATIENCE.picture);
  if (byKey !== null && byKey !== 'same') return byKey;
  const button = control(way, document, before);
  if (!button) return null;
  end = performance.now() + PATIENCE.step;
  button.click();
  const byButton = await settled(PATIENCE.picture);
  return byButton === 'same' ? null : byButton;
}

async function close(before: Look): Promise<Seen['closed']> {
  const gone = () => pictureInFront(before) === null && !document.querySelector('dialog[open]:modal');
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

/** Brings a state about and leaves it so: opened by a click, some steps on, or under the pointer. */
export async function hold(element: Element, how: 'click' | 'point' | 'step', steps: number): Promise<void> {
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
  for (let n = 0; n < steps; n++) {
    const button = how === 'click' ? control('next', document, before) : nextAround(target);
    button?.click();
    await wait(PATIENCE.step);
  }
}

/** What steps on in whatever holds a picture; a page may have other ways on, which lead away. */
function nextAround(target: Element): HTMLElement | null {
  for (let holder = target.parentElement; holder && holder !== document.body; holder = holder.parentElement) {
    const button = control('next', holder);
    if (button) return button;
  }
  return null;
}
