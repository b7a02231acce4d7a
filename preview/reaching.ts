/** Controls of a page by what their names say, and how a picture is brought into sight with them. */
import type { Seen } from '../protocol/probe.ts';
import { accessibleName, addressOf, isInFront, isSeen, type Look } from './looking.ts';
import { key } from './hands.ts';
import { beat, PATIENCE, until } from './patience.ts';

const NAMES = {
  next: /next|forward|onward|^on$|weiter|vor$|suivant|siguiente|volgende|[›»→▶>]/i,
  back: /prev|back|zurück|précédent|anterior|vorige|[‹«←◀<]/i,
  close: /close|schließen|fermer|cerrar|sluiten|^[×✕✖x]$/i,
  more: /more|mehr|plus|más|meer/i,
};
type Meaning = keyof typeof NAMES;

/** A control of that meaning which is in sight; of several the one that came last into the page. */
export function control(meaning: Meaning, within: ParentNode = document, before?: Look): HTMLElement | null {
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

/** Whether somebody can press it: nothing lies over its middle, and that is inside of the window. */
export const isAtHand = (one: HTMLElement | null): boolean => one !== null && isInFront(one);

/** Brings a picture into sight by what the page offers for it. */
export async function reach(element: Element): Promise<Seen['reached']> {
  const target = element.querySelector('img') ?? element;
  const there = () => {
    target.scrollIntoView({ block: 'center', inline: 'nearest', behavior: 'instant' });
    return isInFront(target);
  };
  if (there()) return 'at once';
  if (await byTab(target, there)) return 'tab';
  if (await byChoice(target)) return 'step';
  if (await bySteps(target)) return 'step';
  if (await byKeys(target)) return 'step';
  return (await byMore(there)) ? 'more' : null;
}

/** A page that has not grown for so many looks at its end will not; one that grows without end is left after so many. */
const LOOKS = { still: 15, all: 200 };

/** Goes to the end of the page, where more comes by itself or by a button. */
async function byMore(there: () => boolean): Promise<boolean> {
  let height = 0;
  let still = 0;
  for (let n = 0; n < LOOKS.all && still < LOOKS.still; n++) {
    const { scrollHeight } = document.documentElement;
    still = scrollHeight > height ? 0 : still + 1;
    height = Math.max(height, scrollHeight);
    window.scrollTo(0, scrollHeight);
    for (let frame = 0; frame < 4; frame++) await beat();
    if (there()) return true;
    const more = control('more');
    if (!more) continue;
    more.click();
    if (await until(there, 20)) return true;
  }
  return false;
}

/** Steps on by the arrow keys in whatever can have the focus around the picture, once round its pictures at most. */
async function byKeys(target: Element): Promise<boolean> {
  const holder = target.parentElement?.closest<HTMLElement>('[tabindex]');
  if (!holder) return false;
  const rtl = getComputedStyle(holder).direction === 'rtl';
  const many = holder.querySelectorAll('img').length;
  holder.focus({ preventScroll: true });
  for (let n = 0; n < many && !isInFront(target); n++) {
    key(rtl ? 'ArrowLeft' : 'ArrowRight');
    await until(() => isInFront(target), 30);
  }
  return isInFront(target);
}

/** Opens the tab in whose panel the picture is. */
async function byTab(target: Element, there: () => boolean): Promise<boolean> {
  const panel = target.closest('[role="tabpanel"]');
  const tab = panel && document.querySelector<HTMLElement>(`[role="tab"][aria-controls="${CSS.escape(panel.id)}"]`);
  tab?.click();
  return tab !== null && (await until(there, 90)) !== null;
}

/** What a visitor takes for the way to one picture: a button that says its words, or shows its small file. */
function choiceFor(target: Element, within: ParentNode): HTMLElement | null {
  const words = target instanceof HTMLImageElement ? target.alt.trim() : '';
  const file = addressOf(target);
  const all = [...within.querySelectorAll<HTMLElement>('button, [role="button"], [role="tab"], a[href^="#"]')];
  const leads = (one: HTMLElement): boolean => {
    if (one.contains(target)) return false;
    const [image] = one.querySelectorAll('img');
    return image ? addressOf(image) === file : words !== '' && accessibleName(one).endsWith(words);
  };
  const [only, another] = all.filter((one) => isSeen(one) && leads(one));
  return another ? null : (only ?? null);
}

async function byChoice(target: Element): Promise<boolean> {
  for (let holder = target.parentElement; holder && holder !== document.body; holder = holder.parentElement) {
    const choice = choiceFor(target, holder);
    if (!choice) continue;
    choice.click();
    return (await until(() => isInFront(target), PATIENCE.step)) !== null;
  }
  return false;
}

/** Steps on in whatever holds the picture, until it is shown; by each button once round the pictures at most. */
async function bySteps(target: Element): Promise<boolean> {
  const tried = new Set<HTMLElement>();
  for (let holder = target.parentElement; holder && holder !== document.body; holder = holder.parentElement) {
    const many = holder.querySelectorAll('img').length;
    for (let n = 0; n < many && !isInFront(target); n++) {
      const button = control('next', holder);
      if (!button || (n === 0 && tried.has(button))) break;
      tried.add(button);
      button.click();
      await until(() => isInFront(target), 30);
    }
    if (isInFront(target)) return true;
  }
  return false;
}

/** What steps on in whatever holds a picture; a page may have other ways on, which lead away. */
export function nextAround(target: Element): HTMLElement | null {
  for (let holder = target.parentElement; holder && holder !== document.body; holder = holder.parentElement) {
    const button = control('next', holder);
    if (button) return button;
  }
  return null;
}
