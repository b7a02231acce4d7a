/*
 * Dazzle: a module. What imports it starts it, with a selector, a link, or a list of links.
 *   <script type="module">
 *   import dazzle from './dazzle.esm.js';
 *   dazzle('[data-dazzle]', { counter: false });
 *   </script>
 * A browser loads no module from disk; it works on a host alone.
 */
import { boxOf } from './dazzle-box.esm.js';

const byItself = { counter: true };

/** The links of what a call names. */
const linksOf = (links) => {
  if (typeof links === 'string') return [...document.querySelectorAll(links)];
  return links instanceof Element ? [links] : [...links];
};

export default function dazzle(given, options = {}) {
  const { counter } = { ...byItself, ...options };
  const links = linksOf(given);
  const setOf = (link) =>
    links.filter(
      (one) =>
        one === link || (link.dataset.dazzle !== '' && one.dataset.dazzle === link.dataset.dazzle),
    );
  links.forEach((link) =>
    link.addEventListener('click', (event) => {
      if (event.ctrlKey || event.metaKey || event.shiftKey) return;
      event.preventDefault();
      const set = setOf(link);
      boxOf({ counter }).open(set, set.indexOf(link));
    }),
  );
}
