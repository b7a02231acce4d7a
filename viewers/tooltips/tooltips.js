/*
 * Tooltips: a link's words in a small box of the page's own look, for pointer, finger and keyboard.
 *
 *   <ul data-hints> <li><a href="large/kite.jpg" title="A kite over the mere"> … </a></li> … </ul>
 *   startHints('.kites', { side: 'below' });
 *
 * The words are an element's data-hints-says, else its title. A pointer that rests on it shows
 * them, a finger that rests too, and the keyboard's focus. Without this script the browser shows
 * the title by itself. A classic script, so that it also runs from disk.
 */
(() => {
  'use strict';
  if (window.startHints) return; // included twice, it acts once

  const MARKER = 'data-hints';
  const NAME = 'hints';
  const GAP = 8; // CSS px between the element and its words
  const DEFAULTS = { side: 'above', delay: 300 };

  const calls = []; // [selector, options] of calls before the page was read
  const set = new WeakSet(); // elements that are listened to already
  let begun = false;
  let tip = null; // the box
  let on = null; // the element whose words are shown
  let timer = 0;
  let dismissed = null; // what Escape has closed stays closed until it is left

  /** What the markup says, as what its default is: a switch, a number, or words. */
  function asWritten(written, usual) {
    if (typeof usual === 'boolean') return written !== 'off';
    return typeof usual === 'number' ? Number(written) : written;
  }

  /** Of an element: its attributes, else those around it, else the call's, else the defaults. */
  function optionsOf(holder, given) {
    const options = { ...DEFAULTS, ...given };
    for (const name in DEFAULTS) {
      const said = holder.closest(`[${MARKER}-${name}]`);
      if (said) options[name] = asWritten(said.getAttribute(`${MARKER}-${name}`), DEFAULTS[name]);
    }
    return options;
  }

  function make(tag, name, inside, text) {
    const element = document.createElement(tag);
    element.className = `${NAME}-${name}`;
    if (text) element.textContent = text;
    if (inside) inside.append(element);
    return element;
  }

  /** Gives an element the page's own ground and ink: it is as light or as dark as the page. */
  function takeTone(element) {
    const grounds = [document.body, document.documentElement]
      .map((one) => getComputedStyle(one).backgroundColor)
      .filter((color) => !/, 0\)$|\/ 0\)$/.test(color));
    element.style.setProperty('--gallery-ground', grounds[0] || 'Canvas');
    element.style.setProperty('--gallery-ink', getComputedStyle(document.body).color);
  }

  /** In front of all else, wherever it stands (HTML, popover). */
  function makeTip() {
    tip = make('div', 'tip');
    tip.id = 'hints-tip';
    tip.popover = 'manual';
    tip.setAttribute('role', 'tooltip');
    // The pointer may go over to the words (WCAG 2.2, 1.4.13).
    tip.addEventListener('pointerenter', () => clearTimeout(timer));
    tip.addEventListener('pointerleave', leave);
  }

  function show(element, holder, options) {
    hide();
    if (!tip) makeTip();
    on = element;
    takeTone(tip);
    // The browser's own box must not come as well; a viewer that reads the title finds it again.
    tip.textContent = element.getAttribute(`${MARKER}-says`) || element.title;
    tip.dataset.title = element.getAttribute('title') ?? '';
    if (element.hasAttribute('title')) element.title = '';
    element.setAttribute('aria-describedby', tip.id);
    holder.after(tip);
    tip.showPopover?.();
    place(boxOf(element), tip.getBoundingClientRect(), options.side);
  }

  /** Of all that an element holds: a link in a line is less tall than its picture. */
  function boxOf(element) {
    const range = document.createRange();
    range.selectNodeContents(element);
    const inside = range.getBoundingClientRect();
    return inside.height ? inside : element.getBoundingClientRect();
  }

  /** On the side that is asked for where there is room, and never out of the window. */
  function place(box, own, side) {
    const fitsAbove = box.top > own.height + GAP;
    const fitsBelow = box.bottom + own.height + GAP <= innerHeight;
    const above = side === 'above' ? fitsAbove : !fitsBelow;
    const most = document.documentElement.clientWidth - own.width - GAP;
    const left = Math.max(GAP, Math.min(box.left + (box.width - own.width) / 2, most));
    tip.style.left = `${left}px`;
    tip.style.top = `${above ? box.top - own.height - GAP : box.bottom + GAP}px`;
  }

  function hide() {
    clearTimeout(timer);
    if (!on) return;
    if (tip.dataset.title) on.title = tip.dataset.title;
    on.removeAttribute('aria-describedby');
    on = null;
    tip.remove();
  }

  function leave() {
    clearTimeout(timer);
    timer = setTimeout(hide, 150);
  }

  function start(holder, given) {
    if (set.has(holder)) return;
    set.add(holder);
    const options = optionsOf(holder, given);
    const wordy = ({ target }) => {
      const element = target.closest?.(`[title]:not([title=""]), [${MARKER}-says]`);
      return element && holder.contains(element) ? element : null;
    };
    const rest = (event) => {
      const element = wordy(event);
      if (on?.contains(event.target)) return clearTimeout(timer);
      if (!element || element === dismissed) return;
      clearTimeout(timer);
      timer = setTimeout(() => show(element, holder, options), options.delay);
    };
    const hear = (name, action, early = false) => holder.addEventListener(name, action, early);
    hear('pointerover', (event) => event.pointerType !== 'touch' && rest(event));
    hear('pointerdown', (event) => event.pointerType === 'touch' && rest(event));
    hear('pointerup', () => on || clearTimeout(timer));
    hear('pointercancel', () => on || clearTimeout(timer));
    hear('pointerout', (event) => {
      if (event.pointerType !== 'touch' && !on?.contains(event.relatedTarget)) leave();
    });
    hear('focusin', (event) => {
      const element = wordy(event);
      const isShown = element && event.target.matches(':focus-visible');
      if (isShown) show(element, holder, options);
    });
    hear('focusout', hide);
    hear('click', hide, true);
  }

  addEventListener('scroll', hide, true);
  const forget = ({ target }) => {
    if (dismissed && !dismissed.contains(target)) dismissed = null;
  };
  addEventListener('pointerover', forget, true);
  // Whoever presses has read it; a viewer that makes ready now finds the title in its place.
  addEventListener('pointerdown', hide, true);
  const escape = (event) => {
    if (event.key !== 'Escape') return;
    dismissed = on || dismissed;
    hide();
  };
  addEventListener('keydown', escape, true);

  /** A call for a marked element gives it options; what stands in the markup wins. */
  function run() {
    begun = true;
    const each = (selector, given) =>
      document.querySelectorAll(selector).forEach((holder) => start(holder, given));
    calls.forEach(([selector, given]) => each(selector, given));
    each(`[${MARKER}]`);
  }

  window.startHints = (selector, given) => {
    document.querySelector(selector); // a mistake in the selector is reported here, at the call
    calls.push([selector, given]);
    if (begun) run();
  };

  if (document.readyState === 'complete') run();
  else document.addEventListener('DOMContentLoaded', run);
})();
