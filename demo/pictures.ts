/**
 * The demo's pictures as a table: what each shows, how large it is, and what is written into its file. Everything is
 * invented.
 */

export type KiteKind = 'delta' | 'diamond' | 'box' | 'parafoil' | 'rokkaku' | 'eye' | 'star' | 'sled' | 'reel';

export interface DemoPicture {
  /** Path in the site. */
  path: string;
  kind: KiteKind;
  /** Image px, as shown. */
  width: number;
  height: number;
  sky: number;
  /** Centre of the kite and its size, as shares of the picture. */
  at: [number, number, number];
  turn: number;
  colours: [string, string, string];
  title: string;
  caption: string;
  taken?: string;
  orientation?: number;
  place?: [number, number];
  /** Film grain, 0 to 1; makes a file as heavy as a photograph. */
  grain: number;
  quality: number;
}

/** Top, middle and foot of the sky, then the hills. */
export const SKIES: readonly [string, string, string, string][] = [
  ['#7d9bb5', '#b9cfdc', '#efe6cf', '#7f8f68'],
  ['#4c7398', '#8fb1c9', '#dbe6ea', '#5d7a5a'],
  ['#c9a8cf', '#e6cfdc', '#f6e7d4', '#8a8a63'],
  ['#e0a070', '#f0cfa4', '#f8ead0', '#7b6a52'],
  ['#2e3f63', '#7a6d92', '#e3a98c', '#39423f'],
  ['#a9c6c2', '#d3e2d6', '#f3efd9', '#8aa070'],
  ['#6a7f8f', '#98a8b2', '#c6cfd2', '#65705f'],
];

const RED = '#b3402a',
  GOLD = '#e0a021',
  TEAL = '#2f7273',
  PLUM = '#6b3a86',
  ROSE = '#d4697c',
  NAVY = '#20467a',
  CREAM = '#f3ead2',
  GREEN = '#3f8050';

type Row = [
  name: string,
  kind: KiteKind,
  width: number,
  height: number,
  sky: number,
  at: [number, number, number],
  turn: number,
  colours: [string, string, string],
  title: string,
  caption: string,
];

const FESTIVAL: Row[] = [
  [
    'delta-over-mere',
    'delta',
    1600,
    1067,
    1,
    [0.3, 0.34, 0.5],
    -14,
    [PLUM, RED, GOLD],
    'Delta over the mere',
    'A purple delta kite rising over the mere',
  ],
  [
    'box-kite-lark',
    'box',
    5472,
    3648,
    0,
    [0.62, 0.4, 0.52],
    18,
    [RED, CREAM, TEAL],
    'Lark box kite',
    'The Lark, a red box kite, on a long line',
  ],
  [
    'parafoil-pair',
    'parafoil',
    1600,
    1200,
    2,
    [0.56, 0.36, 0.55],
    8,
    [ROSE, GOLD, PLUM],
    'Two parafoils',
    'Two parafoils flown on one line',
  ],
  [
    'rokkaku-dawn',
    'rokkaku',
    1500,
    1500,
    3,
    [0.5, 0.4, 0.6],
    -6,
    [NAVY, CREAM, RED],
    'Rokkaku at dawn',
    'A six-sided rokkaku kite at dawn',
  ],
  [
    'star-field',
    'star',
    1600,
    900,
    4,
    [0.72, 0.4, 0.5],
    12,
    [GOLD, ROSE, CREAM],
    'Star over the field',
    'A golden star kite above the dark field',
  ],
  [
    'diamond-classic',
    'diamond',
    1067,
    1600,
    5,
    [0.44, 0.3, 0.44],
    10,
    [RED, GOLD, TEAL],
    'The classic diamond',
    'A diamond kite with a tail of bows',
  ],
  [
    'sled-morning',
    'sled',
    1600,
    1067,
    6,
    [0.24, 0.5, 0.5],
    -10,
    [GREEN, CREAM, GOLD],
    'Sled in the morning',
    'A green sled kite in grey morning air',
  ],
  [
    'eye-of-the-wind',
    'eye',
    1600,
    1067,
    0,
    [0.7, 0.5, 0.46],
    0,
    [CREAM, NAVY, RED],
    'Eye of the wind',
    'A round kite painted like an eye',
  ],
  [
    'long-panorama',
    'delta',
    2400,
    800,
    3,
    [0.82, 0.34, 0.4],
    22,
    [TEAL, GOLD, RED],
    'The whole field',
    'The whole festival field, one delta at the right',
  ],
  [
    'tall-tail',
    'diamond',
    900,
    1600,
    1,
    [0.6, 0.2, 0.46],
    -24,
    [PLUM, ROSE, GOLD],
    'A tall tail',
    'A diamond kite with a tail ten metres long',
  ],
  [
    'square-star',
    'star',
    1400,
    1400,
    2,
    [0.36, 0.52, 0.62],
    30,
    [NAVY, GOLD, CREAM],
    'Square star',
    'A navy star kite close above the heads',
  ],
  [
    'last-light',
    'parafoil',
    1600,
    1067,
    4,
    [0.3, 0.3, 0.5],
    -16,
    [RED, GOLD, CREAM],
    'Last light',
    'A red parafoil in the last light',
  ],
];

const WORKSHOP: Row[] = [
  [
    'reel-box',
    'reel',
    1600,
    1200,
    5,
    [0.5, 0.46, 0.5],
    0,
    [CREAM, NAVY, RED],
    'Reel box',
    'A wooden reel with its line',
  ],
  [
    'tail-makers',
    'diamond',
    1600,
    900,
    6,
    [0.3, 0.44, 0.6],
    30,
    [GOLD, RED, PLUM],
    'Tail makers',
    'Bows being knotted for a tail',
  ],
  [
    'winding-line',
    'reel',
    1600,
    1067,
    3,
    [0.72, 0.6, 0.62],
    20,
    [RED, GOLD, NAVY],
    'Winding line',
    'Line being wound on a red reel',
  ],
  [
    'spar-splice',
    'box',
    1200,
    1600,
    1,
    [0.5, 0.5, 0.7],
    -28,
    [GREEN, CREAM, NAVY],
    'Spar splice',
    'A splice in a spar of ash',
  ],
  [
    'bridle-knots',
    'rokkaku',
    1600,
    1067,
    0,
    [0.3, 0.44, 0.66],
    16,
    [TEAL, GOLD, CREAM],
    'Bridle knots',
    'The knots of a four-leg bridle',
  ],
  [
    'bamboo-split',
    'sled',
    1600,
    1200,
    2,
    [0.66, 0.52, 0.62],
    24,
    [GOLD, GREEN, RED],
    'Bamboo, split',
    'Bamboo split for a light frame',
  ],
  [
    'paper-cut',
    'star',
    1200,
    1200,
    6,
    [0.58, 0.36, 0.5],
    -10,
    [ROSE, CREAM, PLUM],
    'Paper cut',
    'Coloured paper cut for a star',
  ],
  [
    'first-flight',
    'eye',
    1600,
    1067,
    1,
    [0.24, 0.3, 0.4],
    0,
    [GOLD, RED, CREAM],
    'First flight',
    'The day’s first kite in the air',
  ],
  [
    'glue-pot',
    'reel',
    1600,
    1067,
    4,
    [0.34, 0.5, 0.52],
    40,
    [GREEN, CREAM, GOLD],
    'Glue pot',
    'A reel drying beside the glue pot',
  ],
  [
    'sewing-seams',
    'parafoil',
    1500,
    1000,
    5,
    [0.7, 0.44, 0.66],
    -20,
    [NAVY, ROSE, CREAM],
    'Sewing seams',
    'The seams of a parafoil',
  ],
  [
    'tail-bows',
    'diamond',
    1200,
    1500,
    0,
    [0.4, 0.62, 0.6],
    -34,
    [ROSE, PLUM, GOLD],
    'Tail bows',
    'Bows laid out along a tail',
  ],
  [
    'spare-spars',
    'delta',
    1600,
    1067,
    6,
    [0.6, 0.62, 0.66],
    34,
    [CREAM, RED, TEAL],
    'Spare spars',
    'Spare spars leaning on the bench',
  ],
];

const CAMERA: Row[] = [
  [
    'TKC_0412',
    'delta',
    4928,
    3264,
    3,
    [0.28, 0.28, 0.44],
    6,
    [NAVY, CREAM, RED],
    'Ridge',
    'A navy delta over the ridge',
  ],
  [
    'TKC_0415',
    'box',
    4000,
    6000,
    5,
    [0.62, 0.3, 0.4],
    -12,
    [PLUM, GOLD, CREAM],
    'Climbing box',
    'A box kite climbing fast',
  ],
  [
    'TKC_0418',
    'rokkaku',
    6000,
    4000,
    6,
    [0.74, 0.46, 0.54],
    -20,
    [RED, CREAM, NAVY],
    'Fighting rokkaku',
    'A rokkaku in the fighting ring',
  ],
  ['TKC_0423', 'star', 4240, 2832, 1, [0.44, 0.3, 0.4], 44, [CREAM, ROSE, GOLD], 'Small star', 'A small star far up'],
  [
    'TKC_0431',
    'eye',
    3472,
    3472,
    2,
    [0.3, 0.64, 0.5],
    0,
    [TEAL, GOLD, RED],
    'Low eye',
    'A round kite low over the grass',
  ],
  [
    'TKC_0440',
    'sled',
    5184,
    2912,
    4,
    [0.5, 0.36, 0.46],
    14,
    [GOLD, ROSE, CREAM],
    'Evening sled',
    'A sled kite in the evening',
  ],
];

function picture(
  [name, kind, width, height, sky, at, turn, colours, title, caption]: Row,
  folder: string,
  day: string,
  n: number,
): DemoPicture {
  const heavy = width * height > 8e6;
  return {
    path: `${folder}${name}.jpg`,
    kind,
    width,
    height,
    sky,
    at,
    turn,
    colours,
    title,
    caption,
    grain: heavy ? 0.35 : 0.5,
    quality: heavy ? 74 : 80,
    taken: `${day} ${String(9 + Math.floor(n / 4)).padStart(2, '0')}:${String((n * 13) % 60).padStart(2, '0')}:08`,
  };
}

export const PICTURES: readonly DemoPicture[] = [
  ...FESTIVAL.map((row, n) => picture(row, 'photos/large/', '2026:06:20', n)),
  ...WORKSHOP.map((row, n) => picture(row, 'photos/large/', '2026:03:14', n)),
  ...CAMERA.map((row, n) => picture(row, 'camera/', '2026:09:05', n)),
].map((one): DemoPicture => {
  switch (one.path) {
    case 'photos/large/parafoil-pair.jpg':
      return { ...one, path: 'photos/large/Parafoil-Pair.JPG' };
    case 'photos/large/box-kite-lark.jpg':
      return { ...one, grain: 1, quality: 88 };
    case 'photos/large/diamond-classic.jpg':
      return { ...one, orientation: 6 };
    case 'camera/TKC_0415.jpg':
      return { ...one, orientation: 8, place: [54.3712, -1.2045] };
    case 'camera/TKC_0412.jpg':
      return { ...one, place: [54.3698, -1.2101] };
    case 'photos/large/paper-cut.jpg':
    case 'photos/large/glue-pot.jpg':
      return { ...one, taken: undefined };
    default:
      return one;
  }
});

/**
 * Thumbnails that stand in the site from the start: from which picture, and the part of it if cut by hand. Shares of
 * the picture.
 */
export interface DemoThumbnail {
  path: string;
  from: string;
  crop?: { left: number; top: number; width: number; height: number };
}

const stem = (path: string) =>
  path
    .replace(/^.*\//, '')
    .replace(/\.[^.]+$/, '')
    .toLowerCase();

export const THUMBNAILS: readonly DemoThumbnail[] = PICTURES.filter(
  ({ path }) => path.startsWith('photos/') && stem(path) !== 'rokkaku-dawn',
).map(({ path }): DemoThumbnail => {
  const thumbnail: DemoThumbnail = { path: `photos/small/${stem(path)}.jpg`, from: path };
  if (stem(path) === 'tail-makers') return { ...thumbnail, from: 'photos/large/winding-line.jpg' };
  if (stem(path) === 'long-panorama') return { ...thumbnail, crop: { left: 0.58, top: 0, width: 0.42, height: 0.84 } };
  if (stem(path) === 'tall-tail') return { ...thumbnail, crop: { left: 0.1, top: 0.02, width: 0.9, height: 0.38 } };
  return thumbnail;
});
