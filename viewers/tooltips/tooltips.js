/*
 * Tooltips: a link's words in a small box of the page's own look, for pointer and keyboard.
 *
 *   <ul data-hints> <li><a href="large/kite.jpg" title="A kite over the mere"> … </a></li> … </ul>
 *   startHints('.kites', { side: 'below' });
 *
 * The words are an element's data-hints-says, else its title. Without this script the browser shows the title by itself.
 * A classic script, so that it also runs from disk.
 */
(() => {
  'use strict';

  const MARKER = 'data-hints';
  const DEFAULTS = { side: 'above', delay: 300 };
  const GAP = 8; // CSS px between the element and its words
  const calls = [];
  const set = new WeakSet();
  let begun = false;
  let tip = null;
  let on = null; // the element whose words are shown
  let timer = 0;
  let dismissed = null; // what Escape has closed stays closed until it is left

  function optionsOf(holder, given) {
    const options = { ...DEFAULTS, ...given };
    for (const name in DEFAULTS) {
      const written = holder.getAttribute(`${MARKER}-${name}`);
      if (written !== null)
        options[name] = typeof DEFAULTS[name] === 'number' ? Number(written) : written;
    }
    return options;
  }

  function show(element, options) {
    hide();
    if (!tip) {
      tip = document.createElement('div');
      tip.className = 'hints-tip';
      tip.id = 'hints-tip';
      tip.setAttribute('role', 'tooltip');
      // The pointer may go over to the words (WCAG 2.2, 1.4.13).
      tip.addEventListener('pointerenter', () => clearTimeout(timer));
      tip.addEventListener('pointerleave', leave);
      document.body.append(tip);
    }
    on = element;
    // The browser's own box must not come as well; viewers that read the title find it again afterwards.
    tip.textContent = element.getAttribute(`${MARKER}-says`) || element.title;
    tip.dataset.title = element.getAttribute('title') ?? '';
    if (element.hasAttribute('title')) element.title = '';
    element.setAttribute('aria-describedby', tip.id);
    tip.hidden = false;
    const box = element.getBoundingClientRect();
    const own = tip.getBoundingClientRect();
    const above =
      options.side === 'above'
        ? box.top > own.height + GAP
        : box.bottom + own.height + GAP > innerHeight;
    tip.style.left = `${Math.max(GAP, Math.min(box.left + (box.width - own.width) / 2, document.documentElement.clientWidth - own.width - GAP))}px`;
    tip.style.top = `${above ? box.top - own.height - GAP : box.bottom + GAP}px`;
  }

  function hide() {
    clearTimeout(timer);
    if (!on) return;
    if (tip.dataset.title) on.title = tip.dataset.title;
    on.removeAttribute('aria-describedby');
    on = null;
    tip.hidden = true;
  }

  function leave() {
    clearTimeout(timer);
    timer = setTimeout(hide, 150);
  }

  function start(holder, given) {
    if (set.has(holder)) return;
    set.add(holder);
    const options = optionsOf(holder, given);
    const wordy = (event) => {
      const element = event.target.closest
        ? event.target.closest(`[title]:not([title=""]), [${MARKER}-says]`)
        : null;
      return element && holder.contains(element) ? element : null;
    };
    holder.addEventListener('pointerover', (event) => {
      const element = wordy(event);
      if (on && on.contains(event.target)) return clearTimeout(timer);
      if (!element || element === dismissed || event.pointerType === 'touch') return;
      clearTimeout(timer);
      timer = setTimeout(() => show(element, options), options.delay);
    });
    holder.addEventListener('pointerout', (event) => {
      if (dismissed && !dismissed.contains(event.relatedTarget)) dismissed = null;
      if (!on || !on.contains(event.relatedTarget)) leave();
    });
    holder.addEventListener('focusin', (event) => {
      const element = wordy(event);
      if (element && event.target.matches(':focus-visible')) show(element, options);
    });
    holder.addEventListener('focusout', hide);
    // Whoever clicks has read it; a viewer that opens now finds the title in its place.
    holder.addEventListener('click', hide, true);
  }

  function run() {
    begun = true;
    calls.forEach(([selector, given]) =>
      document.querySelectorAll(selector).forEach((holder) => start(holder, given)),
    );
    document.querySelectorAll(`[${MARKER}]`).forEach((holder) => start(holder));
    addEventListener(
      'keydown',
      (event) => {
        if (event.key !== 'Escape') return;
        dismissed = on || dismissed;
        hide();
      },
      true,
    );
    addEventListener('scroll', hide, true);
  }

  window.startHints = (selector, given) => {
    document.querySelector(selector); // a mistake in the selector is reported here, at the call
    if (begun) document.querySelectorAll(selector).forEach((holder) => start(holder, given));
    else calls.push([selector, given]);
  };

  if (document.readyState === 'complete') run();
  else document.addEventListener('DOMContentLoaded', run);
})();
