/*
 * Share: passes the address of the page, or of one of its pictures, on by the browser's own sharing, or copies it.
 *
 *   <div data-pass-on> … pictures … </div>
 *   startPassOn('.kites', { of: 'picture' });
 *
 * No script of anybody else. Without this script nothing is shown. A classic script, so that it also runs from disk.
 */
(() => {
  'use strict';

  const MARKER = 'data-pass-on';
  const DEFAULTS = { of: 'page', words: '' };
  const WORDS = {
    share: 'Share',
    copy: 'Copy address',
    copied: 'The address is copied.',
    failed: 'Copy it from here:',
  };
  const calls = [];
  const set = new WeakSet();
  let begun = false;

  function optionsOf(holder, given) {
    const options = { ...DEFAULTS, ...given };
    for (const name in DEFAULTS) {
      const written = holder.getAttribute(`${MARKER}-${name}`);
      if (written !== null) options[name] = written;
    }
    return options;
  }

  function barFor(address, title) {
    const bar = document.createElement('div');
    bar.className = 'pass-on-bar';
    const said = document.createElement('p');
    said.setAttribute('role', 'status');
    const button = (label, action) => {
      const element = document.createElement('button');
      element.type = 'button';
      element.textContent = label;
      if (title) element.setAttribute('aria-label', `${label}: ${title}`);
      element.addEventListener('click', action);
      bar.append(element);
    };
    if (navigator.share)
      button(WORDS.share, () =>
        navigator.share({ url: address(), title: title || document.title }).catch(() => undefined),
      );
    button(WORDS.copy, async () => {
      try {
        await navigator.clipboard.writeText(address());
        said.textContent = WORDS.copied;
      } catch {
        // From disk, or where copying is not allowed, the address is there to be taken by hand.
        const field = document.createElement('input');
        Object.assign(field, { readOnly: true, value: address() });
        field.setAttribute('aria-label', WORDS.copy);
        said.textContent = WORDS.failed;
        said.append(field);
        field.select();
      }
    });
    bar.append(said);
    return bar;
  }

  function start(holder, given) {
    if (set.has(holder)) return;
    set.add(holder);
    const options = optionsOf(holder, given);
    holder.classList.add('pass-on-set');
    if (options.of !== 'picture') {
      const bar = barFor(() => location.href, options.words);
      // It stands in the room that the stylesheet has kept for it inside of a marked element.
      const { marginBottom, paddingBottom } = getComputedStyle(holder);
      if (holder.hasAttribute(MARKER))
        bar.style.margin = `${-parseFloat(paddingBottom) - parseFloat(marginBottom)}px 0 ${marginBottom}`;
      holder.after(bar);
      return;
    }
    holder.querySelectorAll('a[href]').forEach((link) => {
      const image = link.querySelector('img');
      if (!image) return;
      // A picture with a name of its own is shared at its place on the page, any other as its file.
      const named =
        link.id ||
        (link.closest('[id]') !== holder &&
          holder.contains(link.closest('[id]')) &&
          link.closest('[id]').id);
      link.after(
        barFor(
          () => (named ? new URL(`#${encodeURIComponent(named)}`, location.href).href : link.href),
          image.alt,
        ),
      );
    });
  }

  function run() {
    begun = true;
    calls.forEach(([selector, given]) =>
      document.querySelectorAll(selector).forEach((holder) => start(holder, given)),
    );
    document.querySelectorAll(`[${MARKER}]`).forEach((holder) => start(holder));
  }

  window.startPassOn = (selector, given) => {
    document.querySelector(selector); // a mistake in the selector is reported here, at the call
    if (begun) document.querySelectorAll(selector).forEach((holder) => start(holder, given));
    else calls.push([selector, given]);
  };

  if (document.readyState === 'complete') run();
  else document.addEventListener('DOMContentLoaded', run);
})();
