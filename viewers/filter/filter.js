/*
 * Filter: only the pictures with a chosen tag are shown.
 *
 *   <ul data-sieve> <li data-sieve-tags="kites, meadow"> … </li> <li data-sieve-tags="loft"> … </li> </ul>
 *   startSieve('.kites', { many: true });
 *
 * Without this script all are shown. A classic script, so that it also runs from disk.
 */
(() => {
  'use strict';

  const MARKER = 'data-sieve';
  const DEFAULTS = { many: false, all: 'All', label: 'Show only' };
  const WORDS = { of: ' of ', shown: ' shown' };
  const calls = [];
  const set = new WeakSet();
  let begun = false;

  function optionsOf(holder, given) {
    const options = { ...DEFAULTS, ...given };
    for (const name in DEFAULTS) {
      const written = holder.getAttribute(`${MARKER}-${name}`);
      if (written !== null)
        options[name] = typeof DEFAULTS[name] === 'boolean' ? written !== 'off' : written;
    }
    return options;
  }

  const tagsOf = (item) =>
    (item.getAttribute(`${MARKER}-tags`) || '')
      .split(',')
      .map((tag) => tag.trim())
      .filter(Boolean);

  function start(holder, given) {
    if (set.has(holder)) return;
    set.add(holder);
    const options = optionsOf(holder, given);
    const items = [...holder.querySelectorAll(`[${MARKER}-tags]`)];
    const tags = [...new Set(items.flatMap(tagsOf))];
    const chosen = new Set();
    const bar = document.createElement('div');
    bar.className = 'sieve-bar';
    bar.setAttribute('role', 'group');
    bar.setAttribute('aria-label', options.label);
    const said = document.createElement('p');
    said.className = 'sieve-said';
    said.setAttribute('role', 'status');

    const buttons = [null, ...tags].map((tag) => {
      const button = document.createElement('button');
      button.type = 'button';
      button.className = 'sieve-tag';
      button.textContent = tag === null ? options.all : tag;
      button.addEventListener('click', () => choose(tag));
      bar.append(button);
      return [tag, button];
    });

    function choose(tag) {
      const had = chosen.has(tag);
      if (tag === null || !options.many) chosen.clear();
      if (tag !== null && !had) chosen.add(tag);
      else chosen.delete(tag);
      apply();
      said.textContent =
        items.filter((item) => !item.hidden).length + WORDS.of + items.length + WORDS.shown;
    }

    function apply() {
      items.forEach((item) => {
        item.hidden = chosen.size > 0 && !tagsOf(item).some((tag) => chosen.has(tag));
      });
      buttons.forEach(([tag, button]) =>
        button.setAttribute(
          'aria-pressed',
          String(tag === null ? chosen.size === 0 : chosen.has(tag)),
        ),
      );
    }

    bar.append(said);
    holder.before(bar);
    holder.classList.add('sieve-set');
    apply();
  }

  function run() {
    begun = true;
    calls.forEach(([selector, given]) =>
      document.querySelectorAll(selector).forEach((holder) => start(holder, given)),
    );
    document.querySelectorAll(`[${MARKER}]`).forEach((holder) => start(holder));
  }

  window.startSieve = (selector, given) => {
    document.querySelector(selector); // a mistake in the selector is reported here, at the call
    if (begun) document.querySelectorAll(selector).forEach((holder) => start(holder, given));
    else calls.push([selector, given]);
  };

  if (document.readyState === 'complete') run();
  else document.addEventListener('DOMContentLoaded', run);
})();
