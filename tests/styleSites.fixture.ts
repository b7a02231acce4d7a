/**
 * Galleries laid out by hand in many ways: a page and its stylesheet. The look is checked against a browser's boxes.
 */

export interface StyleSite {
  name: string;
  page: string;
  css: string;
  /** Columns at 1280 CSS px as a browser shows them. */
  columns: number;
  /** What the program must read: a number or a least width. */
  reads: string | null;
}

const PICTURE = 'data:image/svg+xml,%3Csvg xmlns=%22http://www.w3.org/2000/svg%22 width=%22150%22 height=%22100%22/%3E';
/** Thirteen items, so that no number of columns from 2 to 6 fills the last row. */
export const items = (write: (n: number, img: string) => string, between = '\n'): string =>
  Array.from({ length: 13 }, (_, n) =>
    write(n, `<img src="${PICTURE}" data-full="small/k${n}.jpg" width="150" height="100" alt="Kite ${n}">`),
  ).join(between);
export const page = (body: string, head = ''): string =>
  `<!DOCTYPE html>\n<html lang="en">\n<head>\n<meta charset="utf-8">\n<title>Kites</title>\n<link rel="stylesheet" href="kites.css">${head}\n</head>\n<body>\n<p><img class="logo" src="${PICTURE}" width="60" height="40" alt="Circle"></p>\n${body}\n</body>\n</html>\n`;
export const list = (cls: string) =>
  page(
    `<ul class="${cls}">\n${items((n, img) => `  <li><a href="large/k${n}.jpg">${img}</a><span class="say">Kite ${n}</span></li>`)}\n</ul>`,
  );
export const figures = (cls: string, between = '\n') =>
  page(
    `<div class="${cls}">\n${items((n, img) => `<figure><a href="large/k${n}.jpg">${img}</a><figcaption>Kite ${n}</figcaption></figure>`, between)}\n</div>`,
  );

export const STYLE_SITES: readonly StyleSite[] = [
  {
    name: 'grid with a number',
    page: figures('field'),
    css: 'body {\n  margin: 0 auto;\n  max-width: 750px;\n}\n\n.field {\n  display: grid;\n  grid-template-columns: 1fr 1fr 1fr;\n  gap: 20px 14px; /* rows, columns */\n}\n\n.field figure {\n  margin: 0;\n}\n',
    columns: 3,
    reads: '3',
  },
  {
    name: 'grid of as many as fit',
    page: figures('field'),
    css: '.field{display:grid;grid-template-columns:repeat(auto-fill,minmax(200px,1fr));grid-gap:10px}\n.field figure{margin:0}\n',
    columns: 6,
    reads: '200px',
  },
  {
    name: 'grid whose narrow window is told first',
    page: list('field'),
    css: '.field { display: grid; grid-template-columns: repeat(2, 1fr); gap: 8px; padding: 0; list-style: none }\n@media (min-width: 700px) {\n  .field { grid-template-columns: repeat(4, 1fr) }\n}\n',
    columns: 4,
    reads: '4',
  },
  {
    name: 'flex with fixed widths and a gap',
    page: list('meadow'),
    css: 'body { margin: 0 auto; max-width: 750px; }\n.meadow { display: flex; flex-wrap: wrap; gap: 20px 14px; margin: 0; padding: 0; list-style: none; }\n.meadow li { width: 150px; font-size: 14px; }\n.meadow img { display: block; max-width: 100%; height: auto; }\n',
    columns: 4,
    reads: '150px',
  },
  {
    name: 'flex by its basis',
    page: list('meadow'),
    css: '.meadow { display: flex; flex-flow: row wrap; column-gap: 10px; padding: 0 }\n.meadow > li { flex: 0 0 30%; list-style: none }\n',
    columns: 3,
    reads: '3',
  },
  {
    name: 'floats by share, with padding',
    page: page(
      `<div class="bench">\n${items((n, img) => `<p class="shot"><a href="large/k${n}.jpg">${img}</a><em>Kite ${n}</em></p>`)}\n</div>`,
    ),
    css: '.bench { overflow: hidden; margin: 0 -8px; }\n.shot { float: left; box-sizing: border-box; width: 33.33%; min-height: 220px; margin: 0; padding: 8px; }\n.shot img { display: block; max-width: 100%; height: auto; }\n\n@media (max-width: 600px) {\n  .shot { width: 50%; }\n}\n',
    columns: 3,
    reads: '3',
  },
  {
    name: 'floats in px, with margins',
    page: page(`<div id="wall">\n${items((n, img) => `<a class="pic" href="large/k${n}.jpg">${img}</a>`)}\n</div>`),
    css: '#wall { width: 700px }\n#wall a { float: left; width: 150px; height: 120px; margin: 0 10px 10px 0 }\n#wall a img { border: 2px solid #333 }\n',
    columns: 4,
    reads: '150px',
  },
  {
    name: 'figures as inline blocks',
    page: figures('row'),
    css: '.row { text-align: center }\n.row figure { display: inline-block; width: 170px; margin: 0 5px 10px; vertical-align: top }\n',
    columns: 6,
    reads: '170px',
  },
  {
    name: 'links in a line, no style at all',
    page: page(`<div class="strip">\n${items((n, img) => `<a href="large/k${n}.jpg">${img}</a>`)}\n</div>`),
    css: 'body { font: 16px/1.5 Georgia, serif }\n',
    columns: 8,
    reads: null,
  },
  {
    name: 'newspaper columns',
    page: figures('press'),
    css: '.press {\n  columns: 3;\n  column-gap: 1rem;\n}\n.press figure {\n  break-inside: avoid;\n  margin: 0 0 1rem;\n}\n',
    columns: 3,
    reads: '3',
  },
  {
    name: 'one under the other',
    page: figures('pile'),
    css: '/* nothing about galleries */\np { color: #444 }\n',
    columns: 1,
    reads: '1',
  },
  {
    name: 'a style element in the page',
    page: page(
      `<ul id="kites">\n${items((n, img) => `<li><a href="large/k${n}.jpg">${img}</a></li>`)}\n</ul>`,
      '\n<style>\n  #kites { display: grid; grid-template-columns: repeat(5, minmax(0, 1fr)); padding: 0; list-style: none; }\n</style>',
    ),
    css: '',
    columns: 5,
    reads: '5',
  },
  {
    name: 'CRLF and tabs',
    page: list('lines'),
    css: '/* lines */\r\n.lines {\r\n\tdisplay: grid;\r\n\tgrid-template-columns: repeat(3, 200px);\r\n\tgap: 1em;\r\n}\r\n',
    columns: 3,
    reads: '3',
  },
  {
    name: 'a selector of several',
    page: list('meadow'),
    css: '.meadow, .orchard { display: grid; grid-template-columns: repeat(3, 1fr); gap: 12px; padding: 0; list-style: none; }\nimg { border: 0; }\n',
    columns: 3,
    reads: '3',
  },
  {
    name: 'conditions from narrow to wide and back',
    page: list('meadow'),
    css: '.meadow { display: grid; gap: 12px; grid-template-columns: repeat(4, 1fr); padding: 0; list-style: none; }\n@media (max-width: 900px) { .meadow { grid-template-columns: repeat(3, 1fr); } }\n@media (max-width: 400px) { .meadow { grid-template-columns: 1fr; } }\n',
    columns: 4,
    reads: '4',
  },
];
