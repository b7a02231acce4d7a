/**
 * A half-finished site as somebody may type it: single quotes, tabs and CRLF, a byte order mark, captions in spans, a
 * menu of links with dots between, an entry that leads nowhere yet, and a folder of pictures out of a camera.
 */
import { copyFileSync, mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { photographs } from './photographs';

export const SITE_NAME = 'Sundays out';

const MENU = (here: string) =>
  [
    ['index.html', 'Start'],
    ['spring.html', 'Spring'],
    ['#', 'Summer'],
    ['about.html', 'Who we are'],
  ]
    .map(([href, label]) => `<a href='${href}'${href === here ? " class='now'" : ''}>${label}</a>`)
    .join(' &middot;\n\t\t');

const page = (here: string, title: string, style: string, body: string) => `\ufeff<!doctype html>
<html lang='en'>
<head>
\t<meta charset='utf-8'>
\t<title>${SITE_NAME}: ${title}</title>${style}
</head>
<body>
<div id='all'>
\t<div id='top'>
\t\t<h1>${SITE_NAME}</h1>
\t\t<div class='ways'>
\t\t${MENU(here)}
\t\t</div>
\t</div>
${body}
\t<div id='foot'>Typed by hand, with <em>patience</em> &amp; tea.</div>
</div>
</body>
</html>
`;

/** Three pictures that turn above the gallery, put in by hand a year ago; its script lies beside the author's own. */
const TURNING = [1, 3, 4]
  .map((n) => `\t\t<img src='photos/walk-${n}.jpg' alt='Turning, part ${n}' loading='lazy'>`)
  .join('\n');

/** Words of the gallery that stands already, one picture each. */
export const CAPTIONS = [
  'The long bridge',
  'A dragonfly <b>at rest</b>',
  'Up the hill',
  'Down again',
  'Tea &amp; cake',
];

const item = (n: number) =>
  `\t\t<span class='shot'><a href='photos/walk-${n}.jpg'><img src='photos/walk-${n}_s.jpg' width='150' height='100' alt='Walk, part ${n}'></a> <span class='cap'>${CAPTIONS[n - 1]}</span></span>`;

const LOOK = `\r\n\t<link rel='stylesheet' href='look.css'>`;
const TURNS = `\r\n\t<link rel='stylesheet' href='js/opening.css'>\r\n\t<script src='js/opening.js' defer></script>`;

const TEXTS: Readonly<Record<string, string>> = {
  'index.html': page('index.html', 'start', LOOK, `\t<h2>Welcome</h2>\n\t<p>We walk on <i>Sundays</i>.</p>`),
  'spring.html': page(
    'spring.html',
    'spring',
    LOOK + TURNS,
    `\t<div data-opening data-opening-height='40'>\n${TURNING}\n\t</div>\n\t<h2>spring</h2>\n\t<div class='shots'>\n${[1, 2, 3, 4, 5].map(item).join('\n')}\n\t</div>\n\t<p class='turn'><a href='index.html'>&laquo; back</a> <a href='about.html'>next &raquo;</a></p>`,
  ),
  'about.html': page('about.html', 'who we are', '', `\t<h2>Who we are</h2>\n\t<p>Five friends and a dog.</p>`),
  'look.css': `#all { max-width: 750px; margin: auto; font-family: sans-serif }\n.shot { display: inline-block; width: 160px; vertical-align: top }\n.now { font-weight: bold }\n`,
};

/** What is typed by hand into a page that is there. */
export const TYPED = ' <p>And a cat, since <i>May</i>.</p>';

/** Which of the pictures that are there already was saved with too little compression. */
export const HEAVY = 2;

/** Title, caption and date that a camera or its owner wrote into a picture. */
export const RECORDED = { title: 'The mill', caption: 'A glass of water by the mill', takenAt: '2024:05:11 10:33:44' };

const exif = (description: string, taken: string) => ({
  IFD0: { ImageDescription: description },
  IFD2: { DateTimeOriginal: taken },
});

/** The folder, as it lies on somebody's disk: 28 photographs of them, one twice, one edited, and a drawing. */
export async function weekFolder(): Promise<string> {
  const folder = mkdtempSync(join(tmpdir(), 'week-site-'));
  const at = (...parts: string[]) => join(folder, ...parts);
  mkdirSync(at('photos'));
  mkdirSync(at('camera'));
  mkdirSync(at('js'));
  for (const name of ['opening.css', 'opening.js'])
    copyFileSync(new URL(`../viewers/opening/${name}`, import.meta.url), at('js', name));
  for (const [path, text] of Object.entries(TEXTS))
    writeFileSync(at(path), text.replace(/\r?\n/g, path.endsWith('.css') ? '\n' : '\r\n'));
  const all = photographs();
  if (all.length < 28) throw new Error(`Only ${all.length} photographs are there; 28 are needed.`);
  for (let n = 1; n <= 5; n++) {
    // Small enough for every window, and one of them far too heavy for it.
    await sharp(all[n - 1])
      .resize(1400)
      .jpeg(n === HEAVY ? { quality: 100, chromaSubsampling: '4:4:4' } : {})
      .toFile(at('photos', `walk-${n}.jpg`));
    await sharp(all[n - 1])
      .resize(150, 100)
      .jpeg()
      .toFile(at('photos', `walk-${n}_s.jpg`));
  }
  for (const [n, path] of all.slice(5, 28).entries()) {
    const picture = sharp(path).resize(2400).jpeg({ quality: 90 });
    const told = n === 0 ? picture.withExif(exif(RECORDED.caption, RECORDED.takenAt)) : picture;
    await told.toFile(
      at('camera', n < 3 ? `IMG_2024051${1 + n}_10334${n}.jpg` : `DSC_${String(114 + n).padStart(4, '0')}.JPG`),
    );
  }
  await sharp(at('camera', 'DSC_0117.JPG')).jpeg({ quality: 90 }).toFile(at('camera', 'DSC_0117 (1).JPG'));
  await sharp(at('camera', 'DSC_0118.JPG')).modulate({ brightness: 1.2 }).toFile(at('camera', 'DSC_0118-bright.JPG'));
  await sharp({ create: { width: 900, height: 600, channels: 4, background: '#b3402a80' } })
    .png()
    .toFile(at('camera', 'route.png'));
  return folder;
}

/** All words that stand in the texts, in their order; what was written must be there after the week. */
export const wordsOf = (text: string): string[] => text.replace(/^\ufeff/, '').match(/[\p{L}\p{N}]+/gu) ?? [];
