/*
 * Feed: more pictures come as the visitor scrolls, or at the press of a button.
 *
 *   <div data-more data-more-step="12"> <article> … </article> …
 *     <a data-more-next href="kites-2.html" data-more-data="kites-2.js">More pictures</a> </div>
 *   startMore('.kites', { by: 'button' });
 *
 * What is on the page is shown in steps; then the page that the last link leads to is asked for, as
 * far as that is possible: a browser reads no other page from disk, there the link stays. A script
 * that hands over the items of that page is read from disk as well:
 *
 *   moreItems(['<article> … </article>', …], { href: 'kites-3.html', data: 'kites-3.js' });
 *
 * Without this script everything on the page is shown, with the link to the next. A classic script,
 * so that it also runs from disk.
 */
(() => {
  'use strict';
  if (window.startMore) return; // included twice, it acts once

  const MARKER = 'data-more';
  const NAME = 'more';
  const OUT = 'data-gallery-out'; // on what a filter, a feed or tabs hold back
  const WORDS = wordsOf({
    more: 'More pictures',
    loading: 'Loading…',
    end: 'No more pictures.',
    source: 'Source',
    label: 'Pictures',
  });
  const DEFAULTS = { step: 12, by: 'scroll', label: WORDS.label, source: WORDS.source };

  const calls = []; // [selector, options] of calls before the page was read
  const handed = new WeakMap(); // what a script has handed over, by its element
  const set = new WeakSet(); // elements that are feeds already
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

  /** A key with Ctrl, Alt or Meta is the browser's; one in a field or a video is theirs. */
  function isOurs(event) {
    const busy = event.target.closest('video, audio, input, textarea, select');
    return !busy && !event.ctrlKey && !event.altKey && !event.metaKey && !event.defaultPrevented;
  }

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

  /** Items that a script hands over, with addresses as they are seen from this page. */
  function itemsFrom(file) {
    const script = document.createElement('script');
    script.charset = 'utf-8'; // whatever the page is written in
    script.src = file;
    return new Promise((resolve, reject) => {
      script.onload = () => {
        script.remove();
        const given = handed.get(script);
        if (given) resolve(given);
        else reject(new Error(`${file} hands over nothing`));
      };
      script.onerror = reject;
      document.head.append(script);
    });
  }

  window.moreItems = (written, next) => {
    const template = document.createElement('template');
    template.innerHTML = written.join('\n');
    handed.set(document.currentScript, { items: [...template.content.children], next });
  };

  /** Items of another page, with addresses as they are seen from there. */
  async function itemsOf(address) {
    const answer = await fetch(address);
    if (!answer.ok) throw new Error(String(answer.status));
    const page = new DOMParser().parseFromString(await answer.text(), 'text/html');
    const base = page.createElement('base');
    base.href = answer.url || address;
    page.head.prepend(base);
    const holder = page.querySelector(`[${MARKER}]`);
    const link = holder?.querySelector(`a[${MARKER}-next]`);
    const items = holder ? [...holder.children].filter((child) => !child.contains(link)) : [];
    items.forEach((item) => {
      for (const one of item.querySelectorAll('[href], [src], [poster]'))
        for (const name of ['href', 'src', 'poster'])
          if (one.hasAttribute(name)) one.setAttribute(name, one[name]);
      for (const one of item.querySelectorAll('[srcset]'))
        one.srcset = one.srcset.replace(
          /(^|,\s+)(\S+)/g,
          (all, before, file) => before + new URL(file, base.href).href,
        );
    });
    return { items, next: link && { href: link.href, data: dataOf(link, page.baseURI) } };
  }

  /** The script with the items of the page that a link leads to. */
  function dataOf(link, base) {
    const file = link.getAttribute(`${MARKER}-data`);
    return file ? new URL(file, base).href : undefined;
  }

  /** From a script, if there is one that comes; else from the page itself. */
  async function itemsBehind(link) {
    const file = link.getAttribute(`${MARKER}-data`);
    if (!file) return itemsOf(link.href);
    return itemsFrom(file).catch(() => itemsOf(link.href));
  }

  /** Into the room that the stylesheet keeps at the end of a marked element. */
  function moveUp(element, holder) {
    const { marginBottom, paddingBottom } = getComputedStyle(holder);
    const up = parseFloat(paddingBottom) + parseFloat(marginBottom);
    element.style.margin = `${-up}px 0 ${marginBottom}`;
  }

  class Feed {
    constructor(holder, options) {
      Object.assign(this, { holder, options, shown: options.step });
      this.next = holder.querySelector(`a[${MARKER}-next]`);
      this.last = this.next && [...holder.children].find((child) => child.contains(this.next));
      this.build();
      this.watcher = new IntersectionObserver(([entry]) => this.seen(entry), {
        rootMargin: '0px 0px 100% 0px', // a window's height beforehand, so that nothing moves
      });
      this.restore();
      holder.addEventListener('keydown', (event) => this.key(event));
      addEventListener('pagehide', () => this.remember());
      if (options.by === 'scroll') this.watcher.observe(this.foot);
    }

    build() {
      const { holder, options } = this;
      this.foot = make('div', 'foot');
      this.said = make('p', 'said', this.foot);
      this.said.setAttribute('role', 'status');
      const words = this.next?.textContent.trim() || WORDS.more;
      this.button = make('button', 'button', this.foot, words);
      this.button.type = 'button';
      this.button.addEventListener('click', () => this.more(true));
      if (this.last) this.last.hidden = true; // the link, or the entry of a list that holds it
      takeTone(this.foot);
      if (holder.getAttribute(`${MARKER}-by`) === 'button') moveUp(this.foot, holder);
      holder.after(this.foot);
      holder.classList.add('more-set');
      // A list stays one: it may have no role of a feed (ARIA in HTML, allowed roles).
      this.isList = holder.matches('ul, ol, menu');
      if (!this.isList) holder.setAttribute('role', 'feed');
      holder.setAttribute('aria-label', options.label);
    }

    get items() {
      return [...this.holder.children].filter((child) => child !== this.last);
    }

    get isLeft() {
      return this.shown < this.items.length || Boolean(this.next);
    }

    seen(entry) {
      if (!entry.isIntersecting || !this.isLeft) return;
      this.watcher.unobserve(this.foot);
      this.more(false);
    }

    async more(asked) {
      if (this.isBusy) return;
      this.busy(true);
      if (this.shown >= this.items.length) await this.fetch();
      const first = this.items[this.shown];
      this.shown += this.options.step;
      this.apply();
      this.busy(false);
      if (asked && first) first.focus({ preventScroll: true });
      if (this.options.by === 'scroll') this.watcher.observe(this.foot);
    }

    busy(isBusy) {
      this.isBusy = isBusy;
      this.said.classList.toggle('more-busy', isBusy);
      if (isBusy) this.holder.setAttribute('aria-busy', 'true');
      else this.holder.removeAttribute('aria-busy');
      const rest = this.isLeft || this.isStopped ? '' : WORDS.end;
      this.said.textContent = isBusy ? WORDS.loading : rest;
    }

    /** The same element of the next page gives its items and its own link on. */
    async fetch() {
      if (!this.next) return;
      try {
        const { items, next } = await itemsBehind(this.next);
        this.last.before(...items);
        if (next && items.length > 0) this.leadOn(next);
        else this.end();
      } catch {
        // The link to the next page is what is left, and it works.
        this.last.hidden = false;
        this.isStopped = true;
        this.next = null;
      }
    }

    leadOn({ href, data }) {
      this.next.href = href;
      if (data) this.next.setAttribute(`${MARKER}-data`, data);
      else this.next.removeAttribute(`${MARKER}-data`);
    }

    end() {
      this.last.remove();
      this.last = this.next = null;
    }

    apply() {
      const all = this.items;
      this.shown = Math.min(this.shown, all.length);
      all.forEach((item, n) => {
        holdBack(item, n >= this.shown);
        if (!this.isList) item.setAttribute('role', 'article');
        item.setAttribute('aria-posinset', String(n + 1));
        item.setAttribute('aria-setsize', this.next ? '-1' : String(all.length));
        item.tabIndex = 0;
        this.source(item);
      });
      this.button.hidden = this.options.by === 'scroll' || !this.isLeft;
      tell(this.holder);
    }

    source(item) {
      const address = item.getAttribute(`${MARKER}-source`);
      if (!address || item.querySelector('.more-source')) return;
      make('a', 'source', item, this.options.source).href = address;
    }

    /** Who comes back finds as many pictures as were there, and the place where they were. */
    async restore() {
      const { shown = 0, y } = history.state?.[NAME] || {};
      this.shown = Math.max(this.shown, shown);
      this.apply();
      while (this.next && this.items.length < shown) {
        await this.fetch();
        this.shown = shown;
        this.apply();
        scrollTo(0, y);
      }
    }

    remember() {
      const place = { shown: this.shown, y: scrollY };
      history.replaceState({ ...history.state, [NAME]: place }, '');
    }

    /** A feed is gone through item by item (ARIA Authoring Practices Guide, feed pattern). */
    key(event) {
      if (!isOurs(event)) return;
      const all = this.items.filter((item) => !item.hasAttribute(OUT));
      const at = all.findIndex((item) => item.contains(document.activeElement));
      const to = { PageDown: all[at + 1], PageUp: all[at - 1] }[event.key];
      if (at < 0 || !to) return;
      event.preventDefault();
      to.focus();
    }
  }

  function start(holder, given) {
    if (set.has(holder)) return;
    set.add(holder);
    new Feed(holder, optionsOf(holder, given));
  }

  /** A call for a marked element gives it options; what stands in the markup wins. */
  function run() {
    begun = true;
    const each = (selector, given) =>
      document.querySelectorAll(selector).forEach((holder) => start(holder, given));
    calls.forEach(([selector, given]) => each(selector, given));
    each(`[${MARKER}]`);
  }

  window.startMore = (selector, given) => {
    document.querySelector(selector); // a mistake in the selector is reported here, at the call
    calls.push([selector, given]);
    if (begun) run();
  };

  if (document.readyState === 'complete') run();
  else document.addEventListener('DOMContentLoaded', run);
})();
