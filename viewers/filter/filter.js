/*
 * Filter: only the pictures with a chosen tag are shown.
 *
 *   <ul data-sieve> <li data-sieve-tags="kites, meadow"> … </li> … </ul>
 *   startSieve('.kites', { many: true });
 *
 * Without this script all are shown. A classic script, so that it also runs from disk.
 */
(() => {
  'use strict';
  if (window.startSieve) return; // included twice, it acts once

  const MARKER = 'data-sieve';
  const NAME = 'sieve';
  const OUT = 'data-gallery-out'; // on what a filter, a feed or tabs hold back
  const GLIDES = 60; // as many items as glide to their new places
  const WORDS = wordsOf({ all: 'All', label: 'Show only', shown: '{n} of {all} shown' });
  const DEFAULTS = { many: false, match: 'any', keep: false, all: WORDS.all, label: WORDS.label };

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

  /** "{n} of {all}" with its values. */
  function filled(words, values) {
    return words.replace(/\{(\w+)\}/g, (all, name) => values[name] ?? all);
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

  const wantsLess = () => matchMedia('(prefers-reduced-motion: reduce)').matches;
  /** Tells other viewers of the page that something has changed; what it is, attributes say. */
  function tell(element) {
    element.dispatchEvent(new CustomEvent('gallerychange', { bubbles: true }));
  }

  /** Gives an element the page's own ground and ink: it is as light or as dark as the page. */
  function takeTone(element) {
    const grounds = [document.body, document.documentElement]
      .map((one) => getComputedStyle(one).backgroundColor)
      .filter((color) => !/, 0\)$|\/ 0\)$/.test(color));
    element.style.setProperty('--gallery-ground', grounds[0] || 'Canvas');
    element.style.setProperty('--gallery-ink', getComputedStyle(document.body).color);
  }

  /** Holds an item back, or lets it go; it is shown where no viewer of the page holds it. */
  function holdBack(item, isHeld) {
    const names = new Set((item.getAttribute(OUT) || '').split(' ').filter(Boolean));
    if (isHeld) names.add(NAME);
    else names.delete(NAME);
    if (names.size > 0) item.setAttribute(OUT, [...names].join(' '));
    else item.removeAttribute(OUT);
  }

  const tagsOf = (item) =>
    item
      .getAttribute(`${MARKER}-tags`)
      .split(',')
      .map((tag) => tag.trim())
      .filter(Boolean);

  /** The tags that the end of the address names: #tags=kites,meadow. */
  function tagsInAddress() {
    const said = /^#tags=(.*)$/.exec(location.hash)?.[1] || '';
    try {
      return decodeURIComponent(said).split(',').filter(Boolean);
    } catch {
      return [];
    }
  }

  /** Where the browser can, and motion is welcome, the items glide to their new places. */
  function glide(items, update) {
    if (!document.startViewTransition || wantsLess() || items.length > GLIDES) return update();
    items.forEach((item, n) => (item.style.viewTransitionName = `${NAME}-${n}`));
    const done = () => items.forEach((item) => (item.style.viewTransitionName = ''));
    document.startViewTransition(update).finished.then(done, done);
  }

  class Sieve {
    constructor(holder, options) {
      Object.assign(this, { holder, options, chosen: new Set(), buttons: new Map() });
      this.bar = make('div', 'bar');
      this.bar.setAttribute('role', 'group');
      this.bar.setAttribute('aria-label', options.label);
      takeTone(this.bar);
      this.button('', options.all);
      this.said = make('p', 'said', this.bar);
      this.said.setAttribute('role', 'status');
      holder.before(this.bar);
      holder.classList.add('sieve-set');
      this.read();
      document.addEventListener('gallerychange', ({ target }) => {
        if (target !== holder || !this.isTelling) this.read();
      });
      addEventListener('hashchange', () => this.fromAddress());
      this.fromAddress();
    }

    button(tag, words) {
      const button = make('button', 'tag', null, words);
      button.type = 'button';
      button.addEventListener('click', () => this.choose(tag));
      this.buttons.set(tag, button);
      this.bar.insertBefore(button, this.said || null);
    }

    /** The items that are there now, with a button for each tag; more may come. */
    read() {
      this.items = [...this.holder.querySelectorAll(`[${MARKER}-tags]`)];
      for (const tag of new Set(this.items.flatMap(tagsOf)))
        if (!this.buttons.has(tag)) this.button(tag, tag);
      this.apply();
    }

    fromAddress() {
      if (!this.options.keep) return;
      this.chosen = new Set(tagsInAddress().filter((tag) => this.buttons.has(tag)));
      this.apply();
      this.tellOthers();
    }

    choose(tag) {
      const had = this.chosen.has(tag);
      if (tag === '' || !this.options.many) this.chosen.clear();
      if (had) this.chosen.delete(tag);
      else if (tag !== '') this.chosen.add(tag);
      this.press();
      glide(this.items, () => {
        this.apply();
        this.tellOthers();
        const n = this.items.filter((item) => !item.hasAttribute(OUT)).length;
        this.said.textContent = filled(WORDS.shown, { n, all: this.items.length });
      });
      if (this.options.keep) this.write();
    }

    write() {
      const tags = [...this.chosen].map(encodeURIComponent).join(',');
      const end = tags ? `#tags=${tags}` : '#';
      history.replaceState(history.state, '', end);
    }

    isMeant(item) {
      const tags = tagsOf(item);
      const isChosen = (tag) => tags.includes(tag);
      const chosen = [...this.chosen];
      if (chosen.length === 0) return true;
      return this.options.match === 'all' ? chosen.every(isChosen) : chosen.some(isChosen);
    }

    apply() {
      this.items.forEach((item) => holdBack(item, !this.isMeant(item)));
      this.press();
    }

    press() {
      this.buttons.forEach((button, tag) => {
        const isOn = tag === '' ? this.chosen.size === 0 : this.chosen.has(tag);
        button.setAttribute('aria-pressed', String(isOn));
      });
    }

    /** What it tells itself it need not hear. */
    tellOthers() {
      this.isTelling = true;
      tell(this.holder);
      this.isTelling = false;
    }
  }

  function start(holder, given) {
    if (set.has(holder)) return;
    set.add(holder);
    new Sieve(holder, optionsOf(holder, given));
  }

  /** A call for a marked element gives it options; what stands in the markup wins. */
  function run() {
    begun = true;
    const each = (selector, given) =>
      document.querySelectorAll(selector).forEach((holder) => start(holder, given));
    calls.forEach(([selector, given]) => each(selector, given));
    each(`[${MARKER}]`);
  }

  window.startSieve = (selector, given) => {
    document.querySelector(selector); // a mistake in the selector is reported here, at the call
    calls.push([selector, given]);
    if (begun) run();
  };

  if (document.readyState === 'complete') run();
  else document.addEventListener('DOMContentLoaded', run);
})();
