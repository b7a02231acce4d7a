/*
 * Feed: more pictures come as the visitor scrolls, or at the press of a button.
 *
 *   <div data-more data-more-step="12"> <article> … </article> … <a data-more-next href="kites-2.html">More pictures</a> </div>
 *   startMore('.kites', { by: 'button' });
 *
 * What is on the page is shown in steps; then the page that the last link leads to is asked for, as far as that is
 * possible (a browser reads no other page from disk: there the link stays). Without this script everything on the page is
 * shown, with the link to the next. A classic script, so that it also runs from disk.
 */
(() => {
  'use strict';

  const MARKER = 'data-more';
  const DEFAULTS = { step: 12, by: 'scroll', label: 'Pictures', source: 'Source' };
  const WORDS = { more: 'More pictures', loading: 'Loading…', end: 'No more pictures.' };
  const calls = [];
  const set = new WeakSet();
  let begun = false;

  function optionsOf(holder, given) {
    const options = { ...DEFAULTS, ...given };
    for (const name in DEFAULTS) {
      const written = holder.getAttribute(`${MARKER}-${name}`);
      if (written !== null)
        options[name] = typeof DEFAULTS[name] === 'number' ? Number(written) : written;
    }
    return options;
  }

  function start(holder, given) {
    if (set.has(holder)) return;
    set.add(holder);
    const options = optionsOf(holder, given);
    let next = holder.querySelector(`a[${MARKER}-next]`);
    const items = () =>
      [...holder.children].filter((child) => !child.hasAttribute(`${MARKER}-next`));
    let shown = 0;
    let busy = false;

    const foot = document.createElement('div');
    foot.className = 'more-foot';
    const said = document.createElement('p');
    said.setAttribute('role', 'status');
    const button = document.createElement('button');
    button.type = 'button';
    button.className = 'more-button';
    button.textContent = next ? next.textContent.trim() : WORDS.more;
    button.addEventListener('click', () => more(true));
    foot.append(said, button);
    holder.after(foot);
    holder.setAttribute('role', 'feed');
    holder.setAttribute('aria-label', options.label);

    async function more(asked) {
      if (busy) return;
      busy = true;
      holder.setAttribute('aria-busy', 'true');
      said.textContent = WORDS.loading;
      said.className = 'more-busy';
      if (shown >= items().length && next) await fetchNext();
      const first = items()[shown];
      shown += options.step;
      apply();
      holder.removeAttribute('aria-busy');
      busy = false;
      said.className = '';
      said.textContent = left() ? '' : WORDS.end;
      if (asked && first) first.focus({ preventScroll: true });
      if (options.by === 'scroll') watcher.observe(foot);
    }

    /** The same element of the next page gives its items and its own link on. */
    async function fetchNext() {
      try {
        const answer = await fetch(next.href);
        if (!answer.ok) throw new Error(String(answer.status));
        const page = new DOMParser().parseFromString(await answer.text(), 'text/html');
        const base = page.createElement('base');
        base.href = next.href;
        page.head.prepend(base);
        const from = page.querySelector(`[${MARKER}]`);
        const link = from && from.querySelector(`a[${MARKER}-next]`);
        const come = from ? [...from.children].filter((child) => child !== link) : [];
        // Addresses are those of the page they come from.
        come.forEach((item) =>
          item.querySelectorAll('[href], [src]').forEach((one) =>
            ['href', 'src'].forEach((name) => {
              if (one.hasAttribute(name)) one.setAttribute(name, one[name]);
            }),
          ),
        );
        next.before(...come);
        if (link) next.href = link.href;
        else {
          next.remove();
          next = null;
        }
      } catch {
        // The link to the next page is what is left, and it works.
        next.hidden = false;
        next = null;
      }
    }

    const left = () => shown < items().length || next !== null;

    function apply() {
      const all = items();
      shown = Math.min(shown, all.length);
      all.forEach((item, n) => {
        item.hidden = n >= shown;
        item.setAttribute('role', 'article');
        item.setAttribute('aria-posinset', String(n + 1));
        item.setAttribute('aria-setsize', next ? '-1' : String(all.length));
        item.tabIndex = 0;
        const source = item.getAttribute(`${MARKER}-source`);
        if (!source || item.querySelector('.more-source')) return;
        const link = document.createElement('a');
        link.className = 'more-source';
        link.href = source;
        link.textContent = options.source;
        item.append(link);
      });
      button.hidden = options.by === 'scroll' || !left();
    }

    // A feed is gone through item by item (ARIA Authoring Practices Guide, feed pattern).
    holder.addEventListener('keydown', (event) => {
      const all = items().filter((item) => !item.hidden);
      const at = all.findIndex((item) => item.contains(document.activeElement));
      const to = { PageDown: all[at + 1], PageUp: all[at - 1] }[event.key];
      if (at < 0 || !to) return;
      event.preventDefault();
      to.focus();
    });

    const watcher = new IntersectionObserver(
      ([entry]) => {
        if (!entry.isIntersecting || !left()) return;
        watcher.unobserve(foot);
        more(false);
      },
      { rootMargin: '400px' },
    );
    if (next) next.hidden = true;
    shown = options.step;
    apply();
    if (options.by === 'scroll') watcher.observe(foot);
  }

  function run() {
    begun = true;
    calls.forEach(([selector, given]) =>
      document.querySelectorAll(selector).forEach((holder) => start(holder, given)),
    );
    document.querySelectorAll(`[${MARKER}]`).forEach((holder) => start(holder));
  }

  window.startMore = (selector, given) => {
    document.querySelector(selector); // a mistake in the selector is reported here, at the call
    if (begun) document.querySelectorAll(selector).forEach((holder) => start(holder, given));
    else calls.push([selector, given]);
  };

  if (document.readyState === 'complete') run();
  else document.addEventListener('DOMContentLoaded', run);
})();
