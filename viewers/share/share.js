/*
 * Share: passes the address of the page, or of one of its pictures, on by the browser's own
 * sharing, or copies it.
 *
 *   <div data-pass-on> … pictures … </div>
 *   startPassOn('.kites', { of: 'picture' });
 *
 * No script of anybody else. Without this script nothing is shown. A classic script, so that it
 * also runs from disk.
 */
(() => {
  'use strict';
  if (window.startPassOn) return; // included twice, it acts once

  const MARKER = 'data-pass-on';
  const NAME = 'pass-on';
  const WORDS = wordsOf({
    share: 'Share',
    copy: 'Copy address',
    copied: 'The address is copied.',
    failed: 'Copy it from here:',
  });
  const DEFAULTS = { of: 'page', title: '' };

  const calls = []; // [selector, options] of calls before the page was read
  const set = new WeakSet(); // elements that have their buttons already
  let begun = false;

  /** "Close: Schließen; Next: Weiter" as pairs; a piece without a colon has no name. */
  function pairsOf(said) {
    const pieces = said.split(';').filter((piece) => piece.trim());
    return pieces.map((piece) => {
      const at = piece.indexOf(':');
      return [piece.slice(0, Math.max(0, at)).trim(), piece.slice(at + 1).trim()];
    });
  }

  /** The words of this script, or those that its tag says: data-words="close: Fermer; …". */
  function wordsOf(usual) {
    const said = document.currentScript?.getAttribute('data-words') || '';
    return { ...usual, ...Object.fromEntries(pairsOf(said)) };
  }

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

  /** Buttons for what is shared: its address, and the title that goes with it. */
  function barFor(addressOf, title) {
    const bar = make('div', 'bar');
    const offer = (words, action) => {
      const element = make('button', 'button', bar, words);
      element.type = 'button';
      if (title) element.setAttribute('aria-label', `${words}: ${title}`);
      element.addEventListener('click', action);
    };
    const share = () => navigator.share({ url: addressOf(), title: title || document.title });
    if (navigator.share) offer(WORDS.share, () => share().catch(() => {})); // called off
    offer(WORDS.copy, () => copy(addressOf(), said));
    const said = make('p', 'said', bar);
    said.setAttribute('role', 'status');
    return bar;
  }

  async function copy(address, said) {
    try {
      await navigator.clipboard.writeText(address);
      said.textContent = WORDS.copied;
    } catch {
      // From disk, or where copying is not allowed, the address is there to be taken by hand.
      said.textContent = WORDS.failed;
      const field = make('input', 'field', said);
      Object.assign(field, { readOnly: true, value: address });
      field.setAttribute('aria-label', WORDS.copy);
      field.select();
    }
  }

  /** Into the room that the stylesheet keeps at the end of a marked element. */
  function moveUp(element, holder) {
    const { marginBottom, paddingBottom } = getComputedStyle(holder);
    const up = parseFloat(paddingBottom) + parseFloat(marginBottom);
    element.style.margin = `${-up}px 0 ${marginBottom}`;
  }

  function sharePage(holder, options) {
    const bar = barFor(() => location.href, options.title);
    if (holder.hasAttribute(MARKER)) moveUp(bar, holder);
    holder.after(bar);
  }

  /** A picture with a name of its own is shared at its place on the page, others as files. */
  function sharePicture(link, holder) {
    const image = link.querySelector('img');
    if (!image) return;
    const around = link.closest('[id]');
    const isOwn = around && around !== holder && holder.contains(around);
    const address = () => new URL(`#${encodeURIComponent(around.id)}`, location.href).href;
    link.after(barFor(isOwn ? address : () => link.href, image.alt));
  }

  function start(holder, given) {
    if (set.has(holder)) return;
    set.add(holder);
    holder.classList.add('pass-on-set');
    const options = optionsOf(holder, given);
    if (options.of !== 'picture') return sharePage(holder, options);
    holder.querySelectorAll('a[href]').forEach((link) => sharePicture(link, holder));
  }

  /** A call for a marked element gives it options; what stands in the markup wins. */
  function run() {
    begun = true;
    const each = (selector, given) =>
      document.querySelectorAll(selector).forEach((holder) => start(holder, given));
    calls.forEach(([selector, given]) => each(selector, given));
    each(`[${MARKER}]`);
  }

  window.startPassOn = (selector, given) => {
    document.querySelector(selector); // a mistake in the selector is reported here, at the call
    calls.push([selector, given]);
    if (begun) run();
  };

  if (document.readyState === 'complete') run();
  else document.addEventListener('DOMContentLoaded', run);
})();
