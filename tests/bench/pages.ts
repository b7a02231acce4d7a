/** Pages as the benchmarks read them: a menu, prose, and a gallery of list items. */
import { pageOf } from '../../core/markup/styles.fixture.ts';

const item = (n: number) =>
  `  <li class="picture">\n    <a href="large/kite-${n}.jpg" data-enlarge data-enlarge-group="moor" title="Kite ${n}"><img src="small/kite-${n}.jpg" width="150" height="100" alt="Kite ${n} over the moor"></a>\n    <p>Kite <em>${n}</em> &amp; its line</p>\n  </li>\n`;
const PROSE =
  '<p>On the moor above the mere the wind is steady from the west, and on most days of the year a line can be let out.</p>\n';
const MENU = `<nav><ul>${Array.from({ length: 8 }, (_, n) => `<li><a href="p${n}.html">Page ${n}</a></li>`).join('')}</ul></nav>\n`;

const written = (count: number, prose: number) =>
  pageOf(
    `${MENU}${PROSE.repeat(Math.max(1, prose))}<ul>\n${Array.from({ length: count }, (_, n) => item(n + 1)).join('')}</ul>`,
  );

/** Of about so many bytes, four fifths of them a gallery. */
export const pageOfSize = (bytes: number): string =>
  written(Math.floor((bytes * 0.8) / item(1000).length), Math.floor((bytes * 0.2) / PROSE.length));

/** With so many items, and prose up to so many bytes. */
export const pageOfItems = (count: number, bytes: number): string =>
  written(count, Math.floor((bytes - count * item(100).length) / PROSE.length));
