/**
 * Wiring faults of the kinds that people make, each planted in a page that is whole without it. The unit test finds,
 * explains and mends each in the model; the browser test does the same with what really opens. What students are given
 * as exercises is planted by the exercise itself.
 */
import type { PhotoFacts } from '../../core/photo/index.ts';
import { kitNamed } from '../kits.ts';
import { callTooEarly } from '../../core/exercises/list/callTooEarly.ts';
import { curlyQuotes } from '../../core/exercises/list/curlyQuotes.ts';
import { markerLeftOff } from '../../core/exercises/list/markerLeftOff.ts';
import { rootAddress } from '../../core/exercises/list/rootAddress.ts';
import { selectorDot } from '../../core/exercises/list/selectorDot.ts';
import { splitGroup } from '../../core/exercises/list/splitGroup.ts';
import { wrongFolder } from '../../core/exercises/list/wrongFolder.ts';

export interface PlantedWiringFault {
  name: string;
  /** The kit with which the page is wired before the fault is planted. */
  kit: string;
  rule: string;
  /** Makes the fault in a file; by itself in the page. */
  plant: (text: string) => string;
  in?: string;
  /** Files that go, or come beside the others. */
  without?: string[];
  more?: Record<string, string>;
  /** A piece of the line at which the finding points, in the file with the fault. */
  at: string;
  /** What the explanation speaks of. */
  why: RegExp;
  /** The button that mends it; null where only the author can. */
  fix: RegExp | null;
  /** The picture, counted from 0, whose click goes wrong; null where no click does. */
  breaks: number | null;
}

export const NAMES = ['meadow', 'mere', 'loft', 'reel'] as const;

/** Of the full-size pictures, image px; all are 900 wide. */
const heightOf = (name: string): number => 600 + NAMES.findIndex((one) => one === name) * 40;

/** What is known of the full-size pictures, where their contents are told by their paths. */
export const FACTS: ReadonlyMap<string, PhotoFacts> = new Map(
  NAMES.map((name, n) => [
    `large/${name}.jpg`,
    {
      width: 900,
      height: heightOf(name),
      orientation: 1,
      likeness: `${n}`.repeat(16),
      mean: [n * 60, 0, 0],
      luma: { width: 1, height: 1, data: new Uint8Array([n]) },
      words: {},
    },
  ]),
);

const titled = (name: string): string => `${name.charAt(0).toUpperCase()}${name.slice(1)} kite`;

/** How one link is written for each kit, by hand. */
const LINKS: Record<string, (name: string) => string> = {
  none: (name) => `<a href="large/${name}.jpg" title="${titled(name)}">`,
  lightbox: (name) => `<a href="large/${name}.jpg" data-enlarge data-enlarge-group="kites" title="${titled(name)}">`,
  lantern: (name) => `<a href="large/${name}.jpg" data-lantern="kites" title="${titled(name)}">`,
  peephole: (name) => `<a class="peep" href="large/${name}.jpg" title="${titled(name)}">`,
  sidebay: (name) =>
    `<a href="large/${name}.jpg" data-bay-kind="picture" data-bay-group="kites" data-bay-in="#bay" data-bay-title="${titled(name)}">`,
  glow: (name) => `<a class="glow" href="large/${name}.jpg" title="${titled(name)}">`,
  beam: (name) => `<a href="large/${name}.jpg" data-beam="kites" title="${titled(name)}">`,
  gleam: (name) => `<a href="large/${name}.jpg" title="${titled(name)}">`,
  flare: (name) => `<a href="large/${name}.jpg" rel="flare[kites]" title="${titled(name)}">`,
  dazzle: (name) => `<a href="large/${name}.jpg" data-dazzle="kites" title="${titled(name)}">`,
  gloam: (name) => `<a href="large/${name}.jpg" title="${titled(name)}">`,
  parade: (name) =>
    `<a href="large/${name}.jpg" data-src="large/${name}.jpg" data-size="900x${heightOf(name)}" title="${titled(name)}">`,
  gloss: (name) =>
    `<a href="large/${name}.jpg" onclick="return gloss(this)" data-gloss="kites" title="${titled(name)}">`,
};

const HEADS: Record<string, string[]> = {
  none: [],
  lightbox: ['<link rel="stylesheet" href="viewer/lightbox.css">', '<script src="viewer/lightbox.js" defer></script>'],
  lantern: [
    '<link rel="stylesheet" href="lantern/lantern.css">',
    ...['-base', '-fit', '-turn', ''].map((part) => `<script src="lantern/lantern${part}.js" defer></script>`),
  ],
  peephole: ['<link rel="stylesheet" href="peephole/peephole.css">'],
  sidebay: ['<link rel="stylesheet" href="sidebay/sidebay.css">', '<script src="sidebay/sidebay.js" defer></script>'],
  glow: ['<link rel="stylesheet" href="glow/glow.css">'],
  beam: ['<link rel="stylesheet" href="beam/beam.css">'],
  gleam: ['<link rel="stylesheet" href="gleam/gleam.css">'],
  flare: ['<link rel="stylesheet" href="flare/flare.css">', '<script src="flare/flare.js" defer></script>'],
  dazzle: ['<link rel="stylesheet" href="dazzle/dazzle.css">'],
  gloam: ['<link rel="stylesheet" href="gloam/gloam.css">', '<script src="gloam/gloam.js" defer></script>'],
  parade: ['<link rel="stylesheet" href="parade/parade.css">', '<script src="parade/parade.js" defer></script>'],
  gloss: ['<link rel="stylesheet" href="gloss/gloss.css">', '<script src="gloss/gloss.js" defer></script>'],
};

const ENDS: Record<string, string[]> = {
  peephole: ['<script src="peephole/peephole.js"></script>', "<script>peephole('.peep');</script>"],
  glow: [
    '<script src="glow/jquery.min.js"></script>',
    '<script src="glow/glow.js"></script>',
    "<script>$(function () { $('.glow').glow(); });</script>",
  ],
  beam: ['<script src="beam/beam.js"></script>', "<script>Beam.bind('[data-beam]');</script>"],
  gleam: [
    '<script src="gleam/gleam.js"></script>',
    "<script>new Gleam('.gleam-here', { items: 'a' }).init();</script>",
  ],
  dazzle: [
    '<script type="module">',
    "import dazzle from './dazzle/dazzle.esm.js';",
    "dazzle('[data-dazzle]');",
    '</script>',
  ],
};

/** Elements that stand around what holds the links. */
const AROUND: Record<string, [string, string]> = { gloam: ['<gloam-pictures>', '</gloam-pictures>'] };

/** A page of four pictures as somebody wired it by hand. */
export function wiredPage(kit: string): string {
  return `${[
    '<!DOCTYPE html>',
    '<html lang="en">',
    '<head>',
    '<meta charset="utf-8">',
    '<title>Kites</title>',
    ...(HEADS[kit] ?? []),
    '</head>',
    '<body>',
    '<h1>Kites</h1>',
    ...(kit === 'sidebay' ? ['<div id="bay"></div>'] : []),
    ...(kit === 'parade' ? ['<div id="parade-place"></div>'] : []),
    ...(AROUND[kit]?.slice(0, 1) ?? []),
    `<ul class="kites${kit === 'gleam' ? ' gleam-here' : ''}${kit === 'parade' ? ' parade' : ''}">`,
    ...NAMES.map(
      (name) =>
        `  <li${kit === 'parade' ? ' class="parade-item"' : ''}>${LINKS[kit]?.(name)}<img src="small/${name}.jpg" width="60" height="40" alt="${titled(name)}"></a></li>`,
    ),
    '</ul>',
    ...(AROUND[kit]?.slice(1) ?? []),
    ...(ENDS[kit] ?? []),
    '</body>',
    '</html>',
  ].join('\n')}\n`;
}

/** The same pictures in two parts with their headings, for what needs more than one gallery. */
export const PARTS = wiredPage('none')
  .replace('<ul class="kites">', '<div class="days">\n<section>\n<h2>Outside</h2>\n<ul>')
  .replace(/(mere kite"><\/a><\/li>\n)/i, '$1</ul>\n</section>\n<section>\n<h2>Inside</h2>\n<ul>\n')
  .replace('</ul>\n</body>', '</ul>\n</section>\n</div>\n</body>');

/** The kit's own files where wiring puts them. */
export function kitFiles(name: string): Record<string, string> {
  if (name === 'none') return {};
  const { manifest, files } = kitNamed(name);
  return Object.fromEntries(Object.entries(files).map(([file, text]) => [`${manifest.folder}/${file}`, text]));
}

/** The site's text files with the fault in them. */
export function faultySite({
  kit,
  plant,
  in: file = 'index.html',
  without = [],
  more = {},
}: PlantedWiringFault): Record<string, string> {
  const files: Record<string, string> = { 'index.html': wiredPage(kit), ...kitFiles(kit), ...more };
  files[file] = plant(files[file] ?? '');
  for (const path of without) delete files[path];
  return files;
}

const same = (text: string): string => text;
const link = (kit: string, n: number): string => LINKS[kit]!(NAMES[n]!);
/** In the second item only. */
const inSecond =
  (kit: string, from: string | RegExp, to: string) =>
  (text: string): string =>
    text.replace(link(kit, 1), link(kit, 1).replace(from, to));

export const WIRING_FAULTS: readonly PlantedWiringFault[] = [
  {
    name: 'the script was never copied',
    kit: 'lightbox',
    rule: 'file-missing',
    plant: same,
    without: ['viewer/lightbox.js'],
    at: 'viewer/lightbox.js',
    why: /gets an error/,
    fix: /^Copy lightbox\.js there$/,
    breaks: 0,
  },
  {
    name: 'the stylesheet was never copied',
    kit: 'lantern',
    rule: 'file-missing',
    plant: same,
    without: ['lantern/lantern.css'],
    at: 'lantern/lantern.css',
    why: /gets an error/,
    fix: /^Copy lantern\.css there$/,
    breaks: null,
  },
  {
    name: 'the path is that of another folder',
    kit: 'lightbox',
    rule: 'file-missing',
    plant: wrongFolder.plant,
    at: 'js/lightbox.js',
    why: /gets an error/,
    fix: /^Point at it in viewer|^Point the address at viewer\/lightbox\.js$/,
    breaks: 0,
  },
  {
    name: 'a helper is not loaded',
    kit: 'lantern',
    rule: 'kit-incomplete',
    plant: (text) => text.replace('<script src="lantern/lantern-fit.js" defer></script>\n', ''),
    at: 'data-lantern',
    why: /nothing answers/,
    fix: /^Load lantern-fit\.js$/,
    breaks: 0,
  },
  {
    name: 'helpers come before their base',
    kit: 'lantern',
    rule: 'script-order',
    plant: (text) =>
      text
        .replace('lantern-base.js', 'x')
        .replace('lantern-fit.js', 'lantern-base.js')
        .replace('lantern/x', 'lantern/lantern-fit.js'),
    at: 'lantern-fit.js',
    why: /lanternBase is not defined/,
    fix: /^Load them in the right order$/,
    breaks: 0,
  },
  {
    name: 'the viewer comes first',
    kit: 'lantern',
    rule: 'script-order',
    plant: (text) =>
      text
        .replace('<script src="lantern/lantern.js" defer></script>\n', '')
        .replace(
          '<script src="lantern/lantern-base',
          '<script src="lantern/lantern.js" defer></script>\n<script src="lantern/lantern-base',
        ),
    at: 'lantern/lantern.js',
    why: /is not defined/,
    fix: /^Load them in the right order$/,
    breaks: 0,
  },
  {
    name: 'the base is deferred and its helpers are not',
    kit: 'lantern',
    rule: 'script-order',
    plant: (text) => text.replace(/(lantern-fit\.js"|lantern-turn\.js"|lantern\.js") defer/g, '$1'),
    at: 'lantern-fit.js',
    why: /deferred and runs after the whole page/,
    fix: /^Load them in the right order$/,
    breaks: 0,
  },
  {
    name: 'the script is loaded twice',
    kit: 'lightbox',
    rule: 'included-twice',
    plant: (text) => text.replace('</body>', '<script src="viewer/lightbox.js"></script>\n</body>'),
    at: '<script src="viewer/lightbox.js" defer',
    why: /runs it twice/,
    fix: /^Load the file once$/,
    breaks: null,
  },
  {
    name: 'two slashes before the address',
    kit: 'lightbox',
    rule: 'scheme-missing',
    plant: (text) => text.replace('src="viewer/lightbox.js"', 'src="//viewer/lightbox.js"'),
    at: '//viewer',
    why: /from disk/,
    fix: /^Write viewer\/lightbox\.js$/,
    breaks: 0,
  },
  {
    name: 'an address that begins at the root',
    kit: 'lightbox',
    rule: 'root-address',
    plant: rootAddress.plant,
    at: '/viewer/lightbox.js',
    why: /root of the disk/,
    fix: /^Write viewer\/lightbox\.js$/,
    breaks: 0,
  },
  {
    name: 'an address on one computer',
    kit: 'lightbox',
    rule: 'root-address',
    plant: (text) => text.replace('src="viewer/', 'src="file:///C:/sites/kites/viewer/'),
    at: 'file:///C:',
    why: /any other computer/,
    fix: /^Write viewer\/lightbox\.js$/,
    breaks: 0,
  },
  {
    name: 'a module, which no browser loads from disk',
    kit: 'lightbox',
    rule: 'module-from-disk',
    plant: (text) => text.replace('src="viewer/lightbox.js" defer', 'type="module" src="viewer/lightbox.js"'),
    at: 'type="module"',
    why: /refuses to load module/,
    fix: /^Load the script as a plain script/,
    breaks: 0,
  },
  {
    name: 'the marker is left off one link',
    kit: 'lightbox',
    rule: 'marker-unlike',
    plant: markerLeftOff.plant,
    at: 'large/mere.jpg',
    why: /leaves the page/,
    fix: /^Add data-enlarge$/,
    breaks: 1,
  },
  {
    name: 'the marker is misspelt',
    kit: 'lightbox',
    rule: 'marker-unlike',
    plant: inSecond('lightbox', 'data-enlarge ', 'data-enlrage '),
    at: 'data-enlrage',
    why: /leaves the page/,
    fix: /^Correct to data-enlarge$/,
    breaks: 1,
  },
  {
    name: 'the class is misspelt',
    kit: 'peephole',
    rule: 'marker-unlike',
    plant: inSecond('peephole', '"peep"', '"pep"'),
    at: 'class="pep"',
    why: /leaves the page/,
    fix: /^Correct to peep$/,
    breaks: 1,
  },
  {
    name: 'the marker with its group is left off',
    kit: 'lantern',
    rule: 'marker-unlike',
    plant: inSecond('lantern', ' data-lantern="kites"', ''),
    at: 'large/mere.jpg',
    why: /leaves the page/,
    fix: /^Add data-lantern$/,
    breaks: 1,
  },
  {
    name: 'the marker stands on the picture',
    kit: 'lightbox',
    rule: 'marker-place',
    plant: (text) =>
      inSecond(
        'lightbox',
        ' data-enlarge data',
        ' data',
      )(text).replace('<img src="small/mere.jpg"', '<img data-enlarge src="small/mere.jpg"'),
    at: '<img data-enlarge',
    why: /not marked/,
    fix: /^Move the marker to the link$/,
    breaks: 1,
  },
  {
    name: 'the class stands on the list item',
    kit: 'peephole',
    rule: 'marker-place',
    plant: (text) =>
      inSecond(
        'peephole',
        'class="peep" ',
        '',
      )(text).replace('<li><a href="large/mere', '<li class="peep"><a href="large/mere'),
    at: '<li class="peep">',
    why: /opens and shows nothing/,
    fix: /^Move the marker to the link$/,
    breaks: 1,
  },
  {
    name: 'the selector lacks its dot',
    kit: 'peephole',
    rule: 'start-selector',
    plant: selectorDot.plant,
    at: "peephole('peep')",
    why: /begins with a dot/,
    fix: /^Correct to \.peep$/,
    breaks: 0,
  },
  {
    name: 'the selector lacks its hash',
    kit: 'peephole',
    rule: 'start-selector',
    plant: (text) =>
      text.replace("'.peep'", "'wall a'").replace('<ul class', '<ul id="wall" class').replaceAll('class="peep" ', ''),
    at: "peephole('wall a')",
    why: /starts with no links/,
    fix: /^Correct to #wall a$/,
    breaks: 0,
  },
  {
    name: 'the selector finds the pictures',
    kit: 'peephole',
    rule: 'start-selector',
    plant: (text) => text.replace("'.peep'", "'.peep img'"),
    at: "'.peep img'",
    why: /opens links/,
    fix: /^Correct to \.peep$/,
    breaks: 0,
  },
  {
    name: 'the selector has a dot too many',
    kit: 'peephole',
    rule: 'start-selector',
    plant: (text) => text.replace("'.peep'", "'..peep'"),
    at: "'..peep'",
    why: /syntax error/,
    fix: /^Correct to \.peep$/,
    breaks: 0,
  },
  {
    name: 'the call comes before its script',
    kit: 'peephole',
    rule: 'script-order',
    plant: callTooEarly.plant,
    at: "peephole('.peep')",
    why: /peephole is not defined/,
    fix: /^Load them in the right order$/,
    breaks: 0,
  },
  {
    name: 'the script waits and its call does not',
    kit: 'peephole',
    rule: 'script-order',
    plant: (text) => text.replace('peephole.js"></script>', 'peephole.js" defer></script>'),
    at: "peephole('.peep')",
    why: /deferred/,
    fix: /^Wait until the page is read$/,
    breaks: 0,
  },
  {
    name: 'the call is missing',
    kit: 'peephole',
    rule: 'start-call',
    plant: (text) => text.replace("<script>peephole('.peep');</script>\n", ''),
    at: 'peephole/peephole.js',
    why: /does nothing until it is told/,
    fix: /^Write peephole\('\.peep'\);$/,
    breaks: 0,
  },
  {
    name: 'the call is misspelt',
    kit: 'peephole',
    rule: 'start-call',
    plant: (text) => text.replace("<script>peephole('", "<script>peehpole('"),
    at: 'peehpole',
    why: /peehpole is not defined/,
    fix: /^Correct to peephole$/,
    breaks: 0,
  },
  {
    name: 'script and call stand in the head',
    kit: 'peephole',
    rule: 'start-too-soon',
    plant: (text) =>
      text
        .replace(/<script src.*\n<script>.*\n/, '')
        .replace(
          '</head>',
          '<script src="peephole/peephole.js"></script>\n<script>peephole(\'.peep\');</script>\n</head>',
        ),
    at: "peephole('.peep')",
    why: /sees only what comes before/,
    fix: /^Wait/,
    breaks: 0,
  },
  {
    name: 'code stands inside the script that loads a file',
    kit: 'peephole',
    rule: 'code-ignored',
    plant: (text) =>
      text.replace(
        "peephole.js\"></script>\n<script>peephole('.peep');</script>",
        "peephole.js\">peephole('.peep');</script>",
      ),
    at: 'peephole/peephole.js',
    why: /never run/,
    fix: /^Give the code a script of its own$/,
    breaks: 0,
  },
  {
    name: 'the script is closed like an image',
    kit: 'lightbox',
    rule: 'code-ignored',
    plant: (text) =>
      text.replace('defer></script>', 'defer/>').replace('</body>', '<script src="js/more.js"></script>\n</body>'),
    more: { 'js/more.js': '/* nothing yet */\n' },
    at: 'viewer/lightbox.js',
    why: /takes all of it for the script/,
    fix: /^Close the script$/,
    breaks: 0,
  },
  {
    name: 'one link has no group',
    kit: 'lightbox',
    rule: 'group-missing',
    plant: inSecond('lightbox', ' data-enlarge-group="kites"', ''),
    at: 'large/mere.jpg',
    why: /opens alone/,
    fix: /^Add the link to “kites”$/,
    breaks: 1,
  },
  {
    name: 'the marker carries no group',
    kit: 'lantern',
    rule: 'group-missing',
    plant: inSecond('lantern', '="kites"', ''),
    at: 'large/mere.jpg',
    why: /opens alone/,
    fix: /^Add the link to “kites”$/,
    breaks: 1,
  },
  {
    name: 'the group is split by a capital',
    kit: 'lightbox',
    rule: 'group-split',
    plant: splitGroup.plant,
    at: '"Kites"',
    why: /letter by letter/,
    fix: /^Add the link to “kites”$/,
    breaks: 1,
  },
  {
    name: 'the group is split by a space',
    kit: 'sidebay',
    rule: 'group-split',
    plant: inSecond('sidebay', '"kites"', '"kites "'),
    at: '"kites "',
    why: /letter by letter/,
    fix: /^Add the link to “kites”$/,
    breaks: 1,
  },
  {
    name: 'a group of one',
    kit: 'lantern',
    rule: 'group-split',
    plant: inSecond('lantern', '"kites"', '"festival"'),
    at: '"festival"',
    why: /without its neighbours/,
    fix: /^Add the link to “kites”$/,
    breaks: 1,
  },
  {
    name: 'a link to a page where a picture is meant',
    kit: 'lightbox',
    rule: 'link-opens-page',
    plant: (text) => text.replace('large/mere.jpg', 'index.html'),
    at: 'href="index.html"',
    why: /promises its own picture/,
    fix: /^Link to mere\.jpg$/,
    breaks: 1,
  },
  {
    name: 'the container does not exist',
    kit: 'sidebay',
    rule: 'container-absent',
    plant: (text) => text.replace('<div id="bay"></div>\n', ''),
    at: 'data-bay-in',
    why: /stops with an error/,
    fix: /^Write <div id="bay">/,
    breaks: 0,
  },
  {
    name: 'the container’s selector lacks its hash',
    kit: 'sidebay',
    rule: 'container-absent',
    plant: inSecond('sidebay', '"#bay"', '"bay"'),
    at: 'data-bay-in="bay"',
    why: /stops with an error/,
    fix: /^Set the value to #bay$/,
    breaks: 1,
  },
  {
    name: 'the container’s name is misspelt',
    kit: 'sidebay',
    rule: 'container-absent',
    plant: inSecond('sidebay', '"#bay"', '"#bya"'),
    at: '"#bya"',
    why: /stops with an error/,
    fix: /^Set the value to #bay$/,
    breaks: 1,
  },
  {
    name: 'two viewers answer one link',
    kit: 'lightbox',
    rule: 'claimed-twice',
    plant: (text) =>
      text
        .replaceAll('data-enlarge data', 'data-enlarge data-lantern="kites" data')
        .replace('</head>', `${HEADS.lantern!.join('\n')}\n</head>`),
    more: kitFiles('lantern'),
    at: 'large/meadow.jpg',
    why: /one lies over the other/,
    fix: /^Remove the lantern from this page$/,
    breaks: 0,
  },
  {
    name: 'another script takes the titles away',
    kit: 'lantern',
    rule: 'claimed-twice',
    plant: (text) => text.replace('</body>', '<script src="js/tips.js"></script>\n</body>'),
    more: {
      'js/tips.js':
        "document.querySelectorAll('a').forEach(function (link) { link.dataset.tip = link.title; link.removeAttribute('title'); });\n",
    },
    at: 'js/tips.js',
    why: /finds no caption/,
    fix: null,
    breaks: null,
  },
  {
    name: 'a quote is not closed',
    kit: 'lightbox',
    rule: 'tag-broken',
    plant: inSecond('lightbox', 'large/mere.jpg"', 'large/mere.jpg'),
    at: 'large/mere.jpg data',
    why: /reads on to the next quote/,
    fix: /^Close the quote$/,
    breaks: 1,
  },
  {
    name: 'a quote inside a title',
    kit: 'lantern',
    rule: 'tag-broken',
    plant: inSecond('lantern', 'title="Mere kite"', 'title="The "mere" kite"'),
    at: 'The "mere" kite',
    why: /taken for attributes/,
    fix: /^Write the quote as an entity$/,
    breaks: null,
  },
  {
    name: 'typographic quotes round an address',
    kit: 'lightbox',
    rule: 'tag-broken',
    plant: inSecond('lightbox', 'href="large/mere.jpg"', 'href=“large/mere.jpg”'),
    at: '“large/mere.jpg”',
    why: /letters of the value/,
    fix: /^Write straight quotes$/,
    breaks: 1,
  },
  {
    name: 'a space inside the marker’s name',
    kit: 'lightbox',
    rule: 'tag-broken',
    plant: inSecond('lightbox', 'data-enlarge data', 'data -enlarge data'),
    at: 'data -enlarge',
    why: /two attributes/,
    fix: /^Remove the space$/,
    breaks: 1,
  },
  {
    name: 'a piece of a tag left in the head',
    kit: 'lightbox',
    rule: 'text-left-over',
    plant: (text) => text.replace('<title>Kites</title>', '<title>Kites</title>\n">'),
    at: '">',
    why: /ends the head here/,
    fix: /^Remove the left-over text$/,
    breaks: null,
  },
  {
    name: 'a bracket left between two items',
    kit: 'lightbox',
    rule: 'text-left-over',
    plant: (text) => text.replace('</li>\n  <li>', '</li>\n  ">\n  <li>'),
    at: '  ">',
    why: /shows it as text/,
    fix: /^Remove the left-over text$/,
    breaks: null,
  },
  {
    name: 'typographic quotes in the call',
    kit: 'peephole',
    rule: 'script-broken',
    plant: curlyQuotes.plant,
    at: '‘.peep’',
    why: /runs nothing of it/,
    fix: /^Remove the 2 stray characters$/,
    breaks: 0,
  },
  {
    name: 'a stray tag in the script’s file',
    kit: 'peephole',
    rule: 'script-broken',
    in: 'peephole/peephole.js',
    plant: (text) => `<script>\n${text}`,
    at: '<script>',
    why: /runs nothing of it/,
    fix: /^Remove the stray character$/,
    breaks: 0,
  },
  {
    name: 'a script’s address in href',
    kit: 'lightbox',
    rule: 'include-miswritten',
    plant: (text) => text.replace('script src=', 'script href='),
    at: 'script href=',
    why: /loaded by src/,
    fix: /^Write the address in src$/,
    breaks: 0,
  },
  {
    name: 'a stylesheet without rel',
    kit: 'sidebay',
    rule: 'include-miswritten',
    plant: (text) => text.replace('rel="stylesheet" ', ''),
    at: 'sidebay.css',
    why: /does not load it/,
    fix: /^Set rel to stylesheet$/,
    breaks: null,
  },
  {
    name: 'a plug-in called on a bare word',
    kit: 'glow',
    rule: 'start-selector',
    plant: (text) => text.replace("$('.glow')", '$("glow")'),
    at: '$("glow").glow()',
    why: /begins with a dot/,
    fix: /^Correct to \.glow$/,
    breaks: 0,
  },
  {
    name: 'a plug-in before its base',
    kit: 'glow',
    rule: 'script-order',
    plant: (text) =>
      text.replace(
        /(<script src="glow\/jquery\.min\.js"><\/script>)\n(<script src="glow\/glow\.js"><\/script>)/,
        '$2\n$1',
      ),
    at: 'glow/glow.js',
    why: /“jQuery is not defined”/,
    fix: /^Load them in the right order$/,
    breaks: 0,
  },
  {
    name: 'a base that is never loaded',
    kit: 'glow',
    rule: 'kit-incomplete',
    plant: (text) => text.replace('<script src="glow/jquery.min.js"></script>\n', ''),
    at: 'class="glow"',
    why: /nothing answers a click/,
    fix: /^Load jquery\.min\.js$/,
    breaks: 0,
  },
  {
    name: 'a base loaded again behind the plug-in',
    kit: 'glow',
    rule: 'plug-in-lost',
    plant: (text) => text.replace('<script src="glow/glow.js"></script>', '$&\n<script src="js/jquery-3.js"></script>'),
    more: { 'js/jquery-3.js': kitNamed('glow').files['jquery.min.js'] ?? '' },
    at: 'js/jquery-3.js',
    why: /without plug-ins/,
    fix: /^Load js\/jquery-3\.js no second time$/,
    breaks: 0,
  },
  {
    name: 'the short name of the base taken by another script',
    kit: 'glow',
    rule: 'plug-in-lost',
    plant: (text) => text.replace('<script src="glow/glow.js"></script>', '$&\n<script src="js/short.js"></script>'),
    more: { 'js/short.js': 'function $(id) {\n  return document.getElementById(id);\n}\n' },
    at: 'js/short.js',
    why: /The last script to give a name has it/,
    fix: null,
    breaks: 0,
  },
  {
    name: 'a plug-in called above its links',
    kit: 'glow',
    rule: 'start-too-soon',
    plant: (text) => {
      const [base, plugIn] = [0, 1].map((n) => (ENDS.glow ?? [])[n] ?? '');
      return text
        .replace(`${ENDS.glow?.join('\n')}\n`, '')
        .replace('<h1>', `${base}\n${plugIn}\n<script>$('.glow').glow();</script>\n<h1>`);
    },
    at: "$('.glow').glow();",
    why: /sees only what comes before it/,
    fix: /^Wait until the page is read$/,
    breaks: 0,
  },
  {
    name: 'an option of a plug-in misspelt',
    kit: 'glow',
    rule: 'option-misspelt',
    plant: (text) => text.replace("$('.glow').glow()", "$('.glow').glow({ conter: false })"),
    at: 'conter: false',
    why: /passed over without a word/,
    fix: /^Correct to counter$/,
    breaks: null,
  },
  {
    name: 'a class left off a link of a plug-in',
    kit: 'glow',
    rule: 'marker-unlike',
    plant: inSecond('glow', ' class="glow"', ''),
    at: 'large/mere.jpg',
    why: /does not find it/,
    fix: /^Add class “glow”$/,
    breaks: 1,
  },
  {
    name: 'a method called by a slip of its selector',
    kit: 'beam',
    rule: 'start-selector',
    plant: (text) => text.replace("Beam.bind('[data-beam]')", "Beam.bind('data-beam')"),
    at: "Beam.bind('data-beam')",
    why: /A bare word means a tag of that name/,
    fix: /^Correct to \[data-beam\]$/,
    breaks: 0,
  },
  {
    name: 'a method that is never called',
    kit: 'beam',
    rule: 'start-call',
    plant: (text) => text.replace("<script>Beam.bind('[data-beam]');</script>\n", ''),
    at: 'beam/beam.js',
    why: /does nothing until it is told/,
    fix: /^Write Beam\.bind\('\[data-beam\]'\);$/,
    breaks: 0,
  },
  {
    name: 'a method called before its object is there',
    kit: 'beam',
    rule: 'script-order',
    plant: (text) => text.replace(/(<script src="beam\/beam\.js"><\/script>)\n(<script>Beam.*<\/script>)/, '$2\n$1'),
    at: 'Beam.bind',
    why: /“Beam is not defined”/,
    fix: /^Load them in the right order$/,
    breaks: 0,
  },
  {
    name: 'a group of another name in a method’s marker',
    kit: 'beam',
    rule: 'group-split',
    plant: inSecond('beam', '"kites"', '"kitse"'),
    at: 'data-beam="kitse"',
    why: /compared letter by letter/,
    fix: /^Add the link to “kites”$/,
    breaks: 1,
  },
  {
    name: 'a constructor for what is not there',
    kit: 'gleam',
    rule: 'start-selector',
    plant: (text) => text.replace("new Gleam('.gleam-here'", "new Gleam('#gleam-here'"),
    at: "new Gleam('#gleam-here'",
    why: /starts with no links/,
    fix: /^Correct to \.gleam-here$/,
    breaks: 0,
  },
  {
    name: 'an object that is never begun',
    kit: 'gleam',
    rule: 'start-unfinished',
    plant: (text) => text.replace('.init();', ';'),
    at: "new Gleam('.gleam-here', { items: 'a' });",
    why: /waits until it is told to begin/,
    fix: /^Write \.init\(\) behind it$/,
    breaks: 0,
  },
  {
    name: 'an object made above its gallery',
    kit: 'gleam',
    rule: 'start-too-soon',
    plant: (text) => {
      const end = `${ENDS.gleam?.join('\n')}\n`;
      return text.replace(end, '').replace('<h1>', `${end}<h1>`);
    },
    at: 'new Gleam',
    why: /sees only what comes before it/,
    fix: /^Wait until the page is read$/,
    breaks: 0,
  },
  {
    name: 'an option of a constructor in other capitals',
    kit: 'gleam',
    rule: 'option-misspelt',
    plant: (text) => text.replace("{ items: 'a' }", "{ items: 'a', Counter: false }"),
    at: 'Counter: false',
    why: /passed over without a word/,
    fix: /^Correct to counter$/,
    breaks: null,
  },
  {
    name: 'a group behind a space, without its brackets',
    kit: 'flare',
    rule: 'brackets-broken',
    plant: inSecond('flare', 'flare[kites]', 'flare kites'),
    at: 'rel="flare kites"',
    why: /between two brackets right behind the word/,
    fix: /^Write flare\[kites\]$/,
    breaks: 1,
  },
  {
    name: 'a bracket that is not closed',
    kit: 'flare',
    rule: 'brackets-broken',
    plant: inSecond('flare', 'flare[kites]', 'flare[kites'),
    at: 'rel="flare[kites"',
    why: /between two brackets/,
    fix: /^Write flare\[kites\]$/,
    breaks: 1,
  },
  {
    name: 'another name in the brackets of one link',
    kit: 'flare',
    rule: 'group-split',
    plant: inSecond('flare', 'flare[kites]', 'flare[Kites]'),
    at: 'rel="flare[Kites]"',
    why: /compared letter by letter/,
    fix: /^Add the link to “kites”$/,
    breaks: 1,
  },
  {
    name: 'brackets left off one link',
    kit: 'flare',
    rule: 'group-missing',
    plant: inSecond('flare', 'flare[kites]', 'flare'),
    at: 'rel="flare"',
    why: /opens alone/,
    fix: /^Add the link to “kites”$/,
    breaks: 1,
  },
  {
    name: 'the word left off one link',
    kit: 'flare',
    rule: 'marker-unlike',
    plant: inSecond('flare', ' rel="flare[kites]"', ''),
    at: 'large/mere.jpg',
    why: /does not find it/,
    fix: /^Add rel$/,
    breaks: 1,
  },
  {
    name: 'a selector without its quotes',
    kit: 'glow',
    rule: 'script-broken',
    plant: (text) => text.replace("$('.glow')", '$(.glow)'),
    at: '$(.glow)',
    why: /runs nothing of it/,
    fix: /^Put the selector in quotes$/,
    breaks: 0,
  },
  {
    name: 'a character that nobody sees in a class',
    kit: 'glow',
    rule: 'marker-unlike',
    plant: (text) => text.replace('class="glow"', 'class="gl\u200Bow"'),
    at: 'meadow',
    why: /does not find it/,
    fix: /^Correct to glow$/,
    breaks: 0,
  },
  {
    name: 'a character that nobody sees in a selector',
    kit: 'glow',
    rule: 'start-selector',
    plant: (text) => text.replace("$('.glow')", "$('.gl\u200Bow')"),
    at: '.glow()',
    why: /A character that nobody sees/,
    fix: /^Correct to \.glow$/,
    breaks: 0,
  },
  {
    name: 'line numbers copied along with the call',
    kit: 'beam',
    rule: 'script-broken',
    plant: (text) =>
      text.replace(
        "<script>Beam.bind('[data-beam]');</script>",
        "<script>\n12 Beam.bind('[data-beam]');\n13 // That is all.\n</script>",
      ),
    at: '12 Beam',
    why: /runs nothing of it/,
    fix: /^Remove the line numbers$/,
    breaks: 0,
  },
  {
    name: 'the script made small beside the one to be read',
    kit: 'beam',
    rule: 'included-twice',
    plant: (text) =>
      text.replace('<script src="beam/beam.js"></script>', '$&\n<script src="beam/beam.min.js"></script>'),
    more: { 'beam/beam.min.js': kitNamed('beam').files['beam.js'] ?? '' },
    at: 'beam.min.js',
    why: /runs it twice/,
    fix: /^Load the file once$/,
    breaks: null,
  },
  {
    name: 'a picture of the viewer’s stylesheet that was not copied',
    kit: 'flare',
    rule: 'place-missing',
    in: 'flare/flare.css',
    plant: (text) => `${text}\n.flare-next { background: url(images/next.png); }\n`,
    at: 'images/next.png',
    why: /gets an error/,
    fix: null,
    breaks: null,
  },
  {
    name: 'an attribute’s selector without its brackets',
    kit: 'beam',
    rule: 'start-selector',
    plant: (text) => text.replace("'[data-beam]'", "'data-beam'"),
    at: "'data-beam'",
    why: /A bare word means a tag/,
    fix: /^Correct to \[data-beam\]$/,
    breaks: 0,
  },
  {
    name: 'a plug-in’s class on the list item',
    kit: 'glow',
    rule: 'marker-place',
    plant: (text) => text.replace('<li><a class="glow"', '<li class="glow"><a'),
    at: '<li class="glow">',
    why: /opens and shows nothing/,
    fix: /^Move the marker to the link$/,
    breaks: 0,
  },
  {
    name: 'a constructor’s selector without its dot',
    kit: 'gleam',
    rule: 'start-selector',
    plant: (text) => text.replace("'.gleam-here'", "'gleam-here'"),
    at: "'gleam-here'",
    why: /A bare word means a tag/,
    fix: /^Correct to \.gleam-here$/,
    breaks: 0,
  },
  {
    name: 'a constructor called without new',
    kit: 'gleam',
    rule: 'start-call',
    plant: (text) => text.replace('new Gleam', 'Gleam'),
    at: 'Gleam(',
    why: /only with “new”/,
    fix: /^Correct to new Gleam$/,
    breaks: 0,
  },
  {
    name: 'an object in small letters',
    kit: 'beam',
    rule: 'base-missing',
    plant: (text) => text.replace('Beam.bind', 'beam.bind'),
    at: 'beam.bind',
    why: /“beam is not defined”/,
    fix: /^Correct to Beam$/,
    breaks: 0,
  },
  {
    name: 'the base in small letters',
    kit: 'glow',
    rule: 'base-missing',
    plant: (text) => text.replace('$(function', 'jquery(function'),
    at: 'jquery(function',
    why: /“jquery is not defined”/,
    fix: /^Correct to jQuery$/,
    breaks: 0,
  },
  {
    name: 'a plug-in’s name misspelt',
    kit: 'glow',
    rule: 'start-call',
    plant: (text) => text.replace('.glow();', '.glwo();'),
    at: '.glwo()',
    why: /nothing of the name glwo can be called/,
    fix: /^Correct to glow$/,
    breaks: 0,
  },
  {
    name: 'a method’s name misspelt',
    kit: 'beam',
    rule: 'start-call',
    plant: (text) => text.replace('Beam.bind', 'Beam.bnd'),
    at: 'Beam.bnd',
    why: /nothing of the name bnd can be called/,
    fix: /^Correct to bind$/,
    breaks: 0,
  },
  {
    name: 'a plug-in that is named and not called',
    kit: 'glow',
    rule: 'start-call',
    plant: (text) => text.replace('.glow();', '.glow;'),
    at: 'glow/glow.js',
    why: /does nothing until it is told/,
    fix: /^Write jQuery/,
    breaks: 0,
  },
  {
    name: 'the word of a shared attribute in capitals',
    kit: 'flare',
    rule: 'brackets-broken',
    plant: (text) => text.replace(/(mere\.jpg" )rel="flare\[/, '$1rel="Flare['),
    at: 'rel="Flare[kites]"',
    why: /right behind the word/,
    fix: /^Write flare\[kites\]$/,
    breaks: 1,
  },
  {
    name: 'a method’s marker on the picture',
    kit: 'beam',
    rule: 'marker-place',
    plant: (text) => text.replace(/(mere\.jpg") data-beam="kites"([^>]*>\s*<img)/, '$1$2 data-beam="kites"'),
    at: '<img data-beam',
    why: /opens and shows nothing/,
    fix: /^Move the marker to the link$/,
    breaks: 1,
  },
  {
    name: 'the address of a base that begins at the root',
    kit: 'glow',
    rule: 'root-address',
    plant: (text) => text.replace('src="glow/jquery.min.js"', 'src="/glow/jquery.min.js"'),
    at: '"/glow/jquery.min.js"',
    why: /root of the disk/,
    fix: /^Write glow\/jquery\.min\.js$/,
    breaks: 0,
  },
  {
    name: 'a plug-in’s stylesheet that was not copied',
    kit: 'glow',
    rule: 'file-missing',
    plant: (text) => text,
    without: ['glow/glow.css'],
    at: 'glow/glow.css',
    why: /gets an error/,
    fix: /^Copy glow\.css there$/,
    breaks: null,
  },
  {
    name: 'a method called in the head, before its script',
    kit: 'beam',
    rule: 'script-order',
    plant: (text) => {
      const call = "<script>Beam.bind('[data-beam]');</script>\n";
      return text.replace(call, '').replace('</head>', `${call}</head>`);
    },
    at: 'Beam.bind',
    why: /“Beam is not defined”/,
    fix: /^Load them in the right order$/,
    breaks: 0,
  },
];
