/**
 * Pages that ask for their files in the ways that pages do: made afresh for each run, pictures of noise so that they
 * are as heavy as photographs.
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import sharp from 'sharp';
import { seeded } from '../../demo/draw.ts';

const NAMES = Array.from({ length: 24 }, (_, n) => `reel-${String(n + 1).padStart(2, '0')}`);

const document = (head: string, body: string) =>
  `<!DOCTYPE html>\n<html lang="en">\n<head>\n<meta charset="utf-8">\n<meta name="viewport" content="width=device-width">\n<title>Reels</title>\n${head}\n</head>\n<body>\n${body}\n</body>\n</html>\n`;

const link = (href: string, more = '') => `<link rel="stylesheet" href="${href}"${more}>`;
const SHEET = link('gallery.css');

const images = (attributes: (n: number) => string, count = NAMES.length) =>
  NAMES.slice(0, count)
    .map((name, n) => `<li><a href="large/${name}.jpg"><img ${attributes(n)} alt="${name}"></a></li>`)
    .join('\n');

const sized = 'width="180" height="120"';
const small = (n: number) => `src="small/${NAMES[n]}.jpg"`;
const large = (n: number) => `src="large/${NAMES[n]}.jpg"`;
const list = (inside: string) => `<ul class="reels">\n${inside}\n</ul>`;
const PROSE = `<p>${'A line that is let out slowly sings in a steady wind. '.repeat(30)}</p>\n`;

/** Each by what is odd about it. */
export const PAGES: Readonly<Record<string, string>> = {
  'thumbnails.html': document(SHEET, list(images((n) => `${small(n)} ${sized}`))),
  'no-sizes.html': document(SHEET, list(images(small))),
  'lazy.html': document(
    SHEET,
    `${PROSE.repeat(4)}<div class="tall">${list(images((n) => `${large(n)} width="600" height="400" loading="lazy"`))}</div>`,
  ),
  'lazy-without-sizes.html': document(
    SHEET,
    `${PROSE.repeat(6)}<div class="tall">${list(images((n) => `${small(n)} loading="lazy"`))}</div>`,
  ),
  'slides.html': document(
    `${SHEET}\n<script src="slides.js" defer></script>`,
    `<div class="slides">${images((n) => `${large(n)} width="900" height="600"${n === 0 ? ' fetchpriority="high"' : ''}`, 8)}</div>`,
  ),
  'widths.html': document(
    SHEET,
    list(
      images(
        (n) =>
          `src="large/${NAMES[n]}.jpg" srcset="small/${NAMES[n]}.jpg 180w, middle/${NAMES[n]}.jpg 480w, large/${NAMES[n]}.jpg 900w" sizes="(max-width: 600px) 100vw, (min-width: 1000px) 30vw, 50vw"`,
        12,
      ),
    ),
  ),
  'dense.html': document(
    SHEET,
    list(images((n) => `${small(n)} srcset="small/${NAMES[n]}.jpg, middle/${NAMES[n]}.jpg 2x" ${sized}`)),
  ),
  'picture.html': document(
    SHEET,
    NAMES.slice(0, 10)
      .map(
        (name) =>
          `<picture><source type="image/jxr" srcset="none/${name}.jxr"><source media="(max-width: 480px)" srcset="small/${name}.jpg"><source type="image/webp" srcset="webp/${name}.webp"><img src="middle/${name}.jpg" alt="${name}"></picture>`,
      )
      .join('\n'),
  ),
  'scripts.html': document(
    `<script src="early.js"></script>\n${SHEET}\n<script src="late.js" async></script>\n<script type="module" src="start.mjs"></script>\n<script type="text/plain" src="never.js"></script>\n<script nomodule src="old.js"></script>`,
    `${list(images((n) => `${small(n)} ${sized}`, 12))}\n<script src="slides.js"></script>`,
  ),
  'styles.html': document(
    `${link('imports.css')}\n${link('print.css', ' media="print"')}\n${link('wide.css', ' media="(min-width: 900px)"')}\n<style>.aside { background: url(middle/reel-03.jpg) } .nowhere { background: url(large/reel-24.jpg) }</style>`,
    `<h1 class="title">Reels</h1><div class="aside">Beside</div><p style="background-image:url('middle/reel-04.jpg')">Below</p><div hidden><p class="title">Never</p></div>${list(images((n) => `${small(n)} ${sized}`, 8))}`,
  ),
  'long.html': document(
    SHEET,
    NAMES.map((name) => `${PROSE.repeat(8)}<p><img src="middle/${name}.jpg" ${sized} alt="${name}"></p>`).join('\n'),
  ),
  'old.html': `<HTML><HEAD><TITLE>Reels</TITLE></HEAD>\r\n<BODY BACKGROUND="small/reel-20.jpg" BGCOLOR=white>\r\n<TABLE BORDER=1><TR>${NAMES.slice(
    0,
    6,
  )
    .map((name) => `<TD BACKGROUND="small/reel-21.jpg"><A HREF="large/${name}.jpg"><IMG SRC=small/${name}.jpg></A>`)
    .join(
      '\r\n',
    )}</TABLE>\r\n<IMG SRC="small/reel-01.jpg"><IMG SRC="gone/one.jpg"><INPUT TYPE=image SRC="small/reel-22.jpg">\r\n<NOSCRIPT><IMG SRC="large/reel-22.jpg"></NOSCRIPT>\r\n<IFRAME SRC="thumbnails.html" WIDTH=300></IFRAME></BODY></HTML>`,
};

const FILES: Readonly<Record<string, string>> = {
  'gallery.css':
    '.reels { display: flex; flex-wrap: wrap; gap: 10px; list-style: none; }\n.tall li { width: 100%; }\n.slides { display: flex; overflow: hidden; list-style: none; }\nimg { border: 0; }\n',
  'imports.css': '@import "base.css";\n@import url(screen.css) screen;\n@import "paper.css" print;\n',
  'base.css': '.title { background-image: url("middle/reel-01.jpg"); }\n.title { font-family: serif }\n',
  'screen.css':
    '.reels { list-style-image: url(small/reel-23.jpg) }\n.aside:hover { background: url(large/reel-23.jpg) }\n',
  'paper.css': '.title { background: none }\n',
  'print.css': 'body { color: black }\n',
  'wide.css': '.aside { color: navy }\n',
  'early.js': `window.early = true;\n// ${'a line of words that says nothing '.repeat(300)}\n`,
  'late.js': `window.late = true;\n// ${'a line of words that says nothing '.repeat(200)}\n`,
  'slides.js': `window.slides = true;\n// ${'a line of words that says nothing '.repeat(400)}\n`,
  'old.js': 'window.old = true;\n',
  'never.js': 'window.never = true;\n',
  'start.mjs': "import { turn } from './turn.mjs';\nturn();\n",
  'turn.mjs': "import { say } from './say.mjs';\nexport const turn = () => say();\n",
  'say.mjs': 'export const say = () => undefined;\n',
};

async function noise(width: number, height: number, seed: number): Promise<Buffer> {
  const next = seeded(seed);
  const data = Buffer.alloc(width * height * 3);
  for (let at = 0; at < data.length; at++) data[at] = Math.round(next() * 255);
  return sharp(data, { raw: { width, height, channels: 3 } })
    .blur(0.8)
    .toBuffer();
}

function write(folder: string, path: string, content: string | Buffer): void {
  mkdirSync(dirname(join(folder, path)), { recursive: true });
  writeFileSync(join(folder, path), content);
}

/** Sizes of the pictures; image px. */
const SIZES = { small: [180, 120], middle: [480, 320], large: [900, 600] } as const;

/** Writes the pages and their files into a folder. */
export async function generate(folder: string): Promise<void> {
  for (const [path, text] of Object.entries({ ...PAGES, ...FILES })) write(folder, path, text);
  for (const [size, [width, height]] of Object.entries(SIZES)) {
    for (const [n, name] of NAMES.entries()) {
      const picture = sharp(await noise(width, height, n + 1), { raw: { width, height, channels: 3 } });
      write(folder, `${size}/${name}.jpg`, await picture.jpeg({ quality: 60 }).toBuffer());
      if (size === 'middle') write(folder, `webp/${name}.webp`, await picture.webp({ quality: 50 }).toBuffer());
    }
  }
}
