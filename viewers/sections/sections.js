/*
 * Sections: parts of a page switched by tabs.
 *
 *   <div data-sections> <section><h2>Meadow</h2> … </section> <section><h2>Loft</h2> … </section> </div>
 *   startSections('.days', { keep: true });
 *
 * Each part's heading names its tab. Without this script the parts stand one below the other. A classic script, so that
 * it also runs from disk.
 */
(() => {
  'use strict';

  const MARKER = 'data-sections';
  const DEFAULTS = { heading: 'h1, h2, h3, h4, h5, h6', keep: true, label: 'Sections' };
  const calls = [];
  const set = new WeakSet();
  let begun = false;
  let number = 0;

  function optionsOf(holder, given) {
    const options = { ...DEFAULTS, ...given };
    for (const name in DEFAULTS) {
      const written = holder.getAttribute(`${MARKER}-${name}`);
      if (written !== null)
        options[name] = typeof DEFAULTS[name] === 'boolean' ? written !== 'off' : written;
    }
    return options;
  }

  /** The element that an address names behind its `#`; a name that is no proper one names nothing. */
  function namedBy(hash) {
    try {
      return hash.length > 1 ? document.getElementById(decodeURIComponent(hash.slice(1))) : null;
    } catch {
      return null;
    }
  }

  function start(holder, given) {
    const options = optionsOf(holder, given);
    const panels = [...holder.children].filter((child) => child.querySelector(options.heading));
    if (set.has(holder) || panels.length < 2) return;
    set.add(holder);
    const list = document.createElement('div');
    list.className = 'sections-list';
    list.setAttribute('role', 'tablist');
    list.setAttribute('aria-label', options.label);
    const tabs = panels.map((panel) => {
      const tab = document.createElement('button');
      number++;
      panel.id = panel.id || `section-${number}`;
      tab.type = 'button';
      tab.id = `${panel.id}-tab`;
      tab.className = 'sections-tab';
      tab.textContent = panel.querySelector(options.heading).textContent.trim();
      tab.setAttribute('role', 'tab');
      tab.setAttribute('aria-controls', panel.id);
      panel.classList.add('sections-panel');
      panel.setAttribute('role', 'tabpanel');
      panel.setAttribute('aria-labelledby', tab.id);
      panel.tabIndex = 0;
      list.append(tab);
      return tab;
    });

    function show(n, focus) {
      tabs.forEach((tab, at) => {
        tab.setAttribute('aria-selected', String(at === n));
        tab.tabIndex = at === n ? 0 : -1;
        panels[at].hidden = at !== n;
      });
      if (focus) tabs[n].focus();
      if (focus && options.keep) history.replaceState(history.state, '', `#${panels[n].id}`);
    }

    list.addEventListener('click', (event) => {
      const at = tabs.indexOf(event.target.closest('button'));
      if (at >= 0) show(at, true);
    });
    list.addEventListener('keydown', (event) => {
      const at = tabs.indexOf(document.activeElement);
      const forward = getComputedStyle(list).direction === 'rtl' ? 'ArrowLeft' : 'ArrowRight';
      const next = { ArrowLeft: at - 1, ArrowRight: at + 1, Home: 0, End: tabs.length - 1 }[
        event.key
      ];
      if (next === undefined) return;
      event.preventDefault();
      const turned = event.key.startsWith('Arrow') ? at + (event.key === forward ? 1 : -1) : next;
      show((turned + tabs.length) % tabs.length, true);
    });
    // An address that ends with a part's name, or with something inside of it, opens that part.
    const fromAddress = () => {
      const target = namedBy(location.hash);
      const at = target ? panels.findIndex((panel) => panel.contains(target)) : -1;
      if (at >= 0) show(at);
      if (at >= 0 && target !== panels[at]) target.scrollIntoView();
      return at >= 0;
    };
    addEventListener('hashchange', fromAddress);
    holder.prepend(list);
    holder.classList.add('sections-set');
    if (!fromAddress()) show(0);
  }

  function run() {
    begun = true;
    calls.forEach(([selector, given]) =>
      document.querySelectorAll(selector).forEach((holder) => start(holder, given)),
    );
    document.querySelectorAll(`[${MARKER}]`).forEach((holder) => start(holder));
  }

  window.startSections = (selector, given) => {
    document.querySelector(selector); // a mistake in the selector is reported here, at the call
    if (begun) document.querySelectorAll(selector).forEach((holder) => start(holder, given));
    else calls.push([selector, given]);
  };

  if (document.readyState === 'complete') run();
  else document.addEventListener('DOMContentLoaded', run);
})();
