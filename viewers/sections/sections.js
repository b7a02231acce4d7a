/*
 * Sections: parts of a page switched by tabs.
 *
 *   <div data-sections> <section><h2>Meadow</h2> … </section>
 *     <section><h2>Loft</h2> … </section> </div>
 *   startSections('.days', { keep: true });
 *
 * Each part's heading names its tab. Without this script the parts stand one below the other. A
 * classic script, so that it also runs from disk.
 */
(() => {
  'use strict';
  if (window.startSections) return; // included twice, it acts once

  const MARKER = 'data-sections';
  const NAME = 'sections';
  const OUT = 'data-gallery-out'; // on what a filter, a feed or tabs hold back
  const WORDS = wordsOf({ label: 'Sections' });
  const DEFAULTS = { heading: 'h1, h2, h3, h4, h5, h6', keep: true, label: WORDS.label };

  const calls = []; // [selector, options] of calls before the page was read
  const set = new WeakSet(); // elements that have their tabs already
  let begun = false;

  let number = 0; // of parts without an id

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

  const isRtl = (element) => getComputedStyle(element).direction === 'rtl';

  /** A key with Ctrl, Alt or Meta is the browser's; one in a field or a video is theirs. */
  function isOurs(event) {
    const busy = event.target.closest('video, audio, input, textarea, select');
    return !busy && !event.ctrlKey && !event.altKey && !event.metaKey && !event.defaultPrevented;
  }

  /** The element that an address names after its `#`; one that cannot be read names nothing. */
  function namedBy(hash) {
    try {
      return hash.length > 1 ? document.getElementById(decodeURIComponent(hash.slice(1))) : null;
    } catch {
      return null;
    }
  }

  /** Tells other viewers of the page that something has changed; what it is, attributes say. */
  function tell(element) {
    element.dispatchEvent(new CustomEvent('gallerychange', { bubbles: true }));
  }

  /** Holds an item back, or lets it go; it is shown where no viewer of the page holds it. */
  function holdBack(item, isHeld) {
    const names = new Set((item.getAttribute(OUT) || '').split(' ').filter(Boolean));
    if (isHeld) names.add(NAME);
    else names.delete(NAME);
    if (names.size > 0) item.setAttribute(OUT, [...names].join(' '));
    else item.removeAttribute(OUT);
  }

  class Sections {
    constructor(holder, options, panels) {
      Object.assign(this, { holder, options, panels });
      this.list = make('div', 'list');
      this.list.setAttribute('role', 'tablist');
      this.list.setAttribute('aria-label', options.label);
      this.tabs = panels.map((panel) => this.tab(panel));
      this.list.addEventListener('keydown', (event) => this.key(event));
      addEventListener('hashchange', () => this.fromAddress());
      holder.prepend(this.list);
      holder.classList.add('sections-set');
      if (!this.fromAddress()) this.show(0);
    }

    tab(panel) {
      const words = panel.querySelector(this.options.heading).textContent.trim();
      const tab = make('button', 'tab', this.list, words);
      number++;
      panel.id = panel.id || `section-${number}`;
      Object.assign(tab, { type: 'button', id: `${panel.id}-tab` });
      tab.setAttribute('role', 'tab');
      tab.setAttribute('aria-controls', panel.id);
      tab.addEventListener('click', () => this.show(this.tabs.indexOf(tab), true));
      panel.classList.add('sections-panel');
      panel.setAttribute('role', 'tabpanel');
      panel.setAttribute('aria-labelledby', tab.id);
      panel.tabIndex = 0;
      return tab;
    }

    /** By a visitor also with the focus, and a place in the address. */
    show(n, asked) {
      this.tabs.forEach((tab, at) => {
        tab.setAttribute('aria-selected', String(at === n));
        tab.tabIndex = at === n ? 0 : -1;
        holdBack(this.panels[at], at !== n);
      });
      tell(this.holder);
      if (!asked) return;
      this.tabs[n].focus();
      const end = `#${encodeURIComponent(this.panels[n].id)}`;
      if (this.options.keep) history.replaceState(history.state, '', end);
    }

    /** Arrows go round, Home and End to the ends (ARIA Authoring Practices Guide, tabs pattern). */
    key(event) {
      if (!isOurs(event)) return;
      const at = this.tabs.indexOf(document.activeElement);
      const all = this.tabs.length;
      const forward = isRtl(this.list) ? -1 : 1;
      const to = { ArrowLeft: at - forward, ArrowRight: at + forward, Home: 0, End: all - 1 };
      if (at < 0 || !(event.key in to)) return;
      event.preventDefault();
      this.show((to[event.key] + all) % all, true);
    }

    /** An address that ends with a part's name, or with something inside of it, opens that part. */
    fromAddress() {
      const target = namedBy(location.hash);
      const at = target ? this.panels.findIndex((panel) => panel.contains(target)) : -1;
      if (at < 0) return false;
      this.show(at);
      if (target !== this.panels[at]) target.scrollIntoView();
      return true;
    }
  }

  function start(holder, given) {
    const options = optionsOf(holder, given);
    const panels = [...holder.children].filter((child) => child.querySelector(options.heading));
    if (set.has(holder) || panels.length < 2) return;
    set.add(holder);
    new Sections(holder, options, panels);
  }

  /** A call for a marked element gives it options; what stands in the markup wins. */
  function run() {
    begun = true;
    const each = (selector, given) =>
      document.querySelectorAll(selector).forEach((holder) => start(holder, given));
    calls.forEach(([selector, given]) => each(selector, given));
    each(`[${MARKER}]`);
  }

  window.startSections = (selector, given) => {
    document.querySelector(selector); // a mistake in the selector is reported here, at the call
    calls.push([selector, given]);
    if (begun) run();
  };

  if (document.readyState === 'complete') run();
  else document.addEventListener('DOMContentLoaded', run);
})();
