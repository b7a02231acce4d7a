/**
 * Stylesheets in manners that are easily read otherwise than a browser reads them. What is right is what Chromium shows;
 * nothing of it is written down here.
 */
import { figures, items, list, page } from './styleSites.fixture';

export interface OddSheet {
  name: string;
  page: string;
  css: string;
  /** Further files of the site. */
  files?: Readonly<Record<string, string>>;
}

const BARE = 'body { margin: 0 } .g { margin: 0; padding: 0; list-style: none }\n';
const fluid = '.g img { display: block; width: 100%; height: auto }\n';
const GRID = `${BARE}.g { display: grid; gap: 10px; grid-template-columns: repeat(3, 1fr) }\n`;
const odd = (name: string, css: string, body = list('g'), files: OddSheet['files'] = {}): OddSheet => ({
  name,
  page: body,
  css,
  files,
});

/** Items of one element each, without white space between them. */
const close = page(
  `<div class="g">${items((n, img) => `<div class="i"><a href="large/k${n}.jpg">${img}</a></div>`, '')}</div>`,
);

export const ODD_SHEETS: readonly OddSheet[] = [
  odd(
    'nested rules',
    `${BARE}.g { display: grid; gap: 10px; grid-template-columns: repeat(4, 1fr); > li { padding: 2px } & img { width: 100%; height: auto } }`,
  ),
  odd('columns in a nested condition', `${GRID}.g { @media (max-width: 800px) { grid-template-columns: 1fr 1fr } }`),
  odd(
    'a nested rule that lays it out',
    `${BARE}main, body { & .g { display: grid; gap: 4px; grid-template-columns: repeat(5, 1fr) } }`,
  ),
  odd(
    'layers in the order of their names',
    `@layer base, own;\n@layer own { .g { grid-template-columns: repeat(2, 1fr) } }\n@layer base { ul.g { display: grid; grid-template-columns: repeat(4, 1fr) } }\n${BARE}`,
  ),
  odd(
    'what stands outside of layers',
    `${BARE}.g { display: grid; grid-template-columns: repeat(3, 1fr) }\n@layer later { ul.g { grid-template-columns: repeat(6, 1fr) } }`,
  ),
  odd(
    'important in layers',
    `@layer a, b;\n@layer a { .g { grid-template-columns: repeat(2, 1fr) !important } }\n@layer b { .g { display: grid; grid-template-columns: repeat(4, 1fr) !important } }\n${BARE}`,
  ),
  odd(
    'layers in layers',
    `@layer a { @layer x { .g { grid-template-columns: repeat(2, 1fr) } } .g { display: grid; grid-template-columns: repeat(4, 1fr) } }\n${BARE}`,
  ),
  odd(
    'a container is asked',
    `${GRID}body { container-type: inline-size } @container (max-width: 800px) { .g { grid-template-columns: 1fr 1fr } }`,
  ),
  odd('not supported', `${GRID}@supports not (display: grid) { .g { grid-template-columns: repeat(6, 1fr) } }`),
  odd(
    'supported, and not',
    `${GRID}@supports (display: grid) and (not (display: -ms-grid)) { .g { grid-template-columns: repeat(4, 1fr) } }`,
  ),
  odd('supports a selector', `${GRID}@supports selector(:has(a)) { .g { grid-template-columns: repeat(5, 1fr) } }`),
  odd('a scope', `${GRID}@scope (body) to (.inner) { .g { grid-template-columns: repeat(5, 1fr) } }`),
  odd('brought in under a condition', `@import "wide.css" (min-width: 900px);\n${GRID}`, list('g'), {
    'wide.css': 'body .g { grid-template-columns: repeat(6, 1fr) }',
  }),
  odd('brought in into a layer', `@import url(low.css) layer(low);\n${GRID}`, list('g'), {
    'low.css': 'body ul.g { grid-template-columns: repeat(6, 1fr) }',
  }),
  odd(
    'brought in where something is supported',
    `@import 'no.css' supports(display: nonsense) screen;\n${GRID}`,
    list('g'),
    { 'no.css': 'body ul.g { grid-template-columns: repeat(6, 1fr) }' },
  ),
  odd(
    'a later declaration that a browser drops',
    `${BARE}.g { display: grid; grid-template-columns: repeat(3, 1fr); grid-template-columns: 3 columns; gap: 12 }`,
  ),
  odd(
    'declarations of former browsers',
    `${BARE}.g { display: grid; display: -ms-grid; grid-template-columns: repeat(3, 1fr); -ms-grid-columns: 1fr 1fr }`,
  ),
  odd(
    'a number in a custom property',
    `:root { --n: 4 }\n@media (max-width: 800px) { :root { --n: 2 } }\n${BARE}.g { display: grid; gap: 8px; grid-template-columns: repeat(var(--n), minmax(0, 1fr)) }`,
  ),
  odd('a custom property that nothing sets', `${GRID}.g { grid-template-columns: repeat(var(--none), 1fr) }`),
  odd(
    'a custom property with another value for want of it',
    `${BARE}.g { display: grid; grid-template-columns: repeat(var(--none, 5), 1fr) }`,
  ),
  odd('the shorthand of a grid', `${BARE}.g { display: grid; grid: auto-flow / 1fr 1fr 1fr }`),
  odd('areas', `${BARE}.g { display: grid; grid-template-areas: "a b c d" }`),
  odd('filled from top to bottom', `${BARE}.g { display: grid; grid-auto-flow: column; grid-auto-columns: 120px }`),
  odd('columns of two kinds', `${BARE}.g { display: grid; grid-template-columns: 200px 1fr 200px }`),
  odd(
    'a basis, and a most beside it',
    `${BARE}.g { display: flex; flex-wrap: wrap } .g li { flex: 1 1 300px; max-width: 25% }\n${fluid}`,
  ),
  odd(
    'a share with a least',
    `${BARE}.g { display: flex; flex-wrap: wrap } .g li { flex: 0 0 20%; min-width: 200px }\n${fluid}`,
  ),
  odd(
    'a share with padding outside of it',
    `${BARE}.g { display: flex; flex-wrap: wrap } .g li { width: 33.33%; padding: 8px }\n${fluid}`,
  ),
  odd(
    'a share with padding within it',
    `* { box-sizing: border-box }\n${BARE}.g { display: flex; flex-wrap: wrap } .g li { width: 33.33%; padding: 8px }\n${fluid}`,
  ),
  odd('floats by a share with borders', `${BARE}.g li { float: left; width: 25%; border: 1px solid #333 }\n${fluid}`),
  odd('floats whose share is a little too much', `${BARE}.g li { float: left; width: 33.4% }\n${fluid}`),
  odd('floats with margins in shares', `${BARE}.g li { float: left; width: 30%; margin: 0 1.5% 10px }\n${fluid}`),
  odd('floats with margins in px', `${BARE}.g li { float: left; width: 23%; margin: 0 20px 10px 0 }\n${fluid}`),
  odd(
    'floats of which each third begins a row',
    `${BARE}.g li { float: left; width: 20% } .g li:nth-child(3n + 1) { clear: left }\n${fluid}`,
  ),
  odd(
    'floats of which the first is wider',
    `${BARE}.g li { float: left; width: 25% } .g li:first-child { width: 50% }\n${fluid}`,
  ),
  odd('floats less their margins', `${BARE}.g li { float: left; width: calc(25% - 20px); margin: 10px }\n${fluid}`),
  odd('inline blocks by a share, with white space', `${BARE}.g li { display: inline-block; width: 25% }\n${fluid}`),
  odd(
    'inline blocks by a share, close together',
    `${BARE}.g .i { display: inline-block; width: 25% }\n${fluid}`,
    close,
  ),
  odd(
    'inline blocks whose space has no size',
    `${BARE}.g { font-size: 0 } .g li { display: inline-block; width: 25% }\n${fluid}`,
  ),
  odd('a row that does not wrap', `${BARE}.g { display: flex; overflow-x: auto } .g li { flex: 0 0 40% }\n${fluid}`),
  odd('a row that grows as it likes', `${BARE}.g { display: flex; flex-wrap: wrap } .g li { flex: 1 }\n${fluid}`),
  odd('flex down the page', `${BARE}.g { display: flex; flex-direction: column; gap: 6px }\n${fluid}`),
  odd('flex whose pictures do not shrink', `${BARE}.g { display: flex; flex-wrap: wrap } .g li { flex: 0 0 10% }`),
  odd('cells of a table', `${BARE}.g { display: table } .g li { display: table-cell }`),
  odd('positioned', `${BARE}.g { position: relative; height: 400px } .g li { position: absolute; left: 0 }`),
  odd('written from top to bottom', `${GRID}.g { writing-mode: vertical-rl }`),
  odd('newspaper columns of a number and a width', `${BARE}.g { columns: 300px 4 }`),
  odd('a selector that few know', `${GRID}.g:nth-child(1 of .g) { grid-template-columns: repeat(5, 1fr) }`),
  odd('a rule with a selector that is none', `${GRID}.g, .g:nonsense() { grid-template-columns: repeat(5, 1fr) }`),
  odd(
    'a condition about height and hover',
    `${GRID}@media (min-width: 10px) and (orientation: landscape) { .g { grid-template-columns: repeat(4, 1fr) } }`,
  ),
  odd('for paper', `${GRID}@media print { .g { grid-template-columns: repeat(6, 1fr) } }`),
  odd(
    'figures with a browser’s own margins',
    `body { margin: 0 } .g { display: grid; grid-template-columns: 1fr 1fr 1fr }`,
    figures('g'),
  ),
];
