/** The pictures of the site that browser tests read: small to draw, quick to read, and told apart at a glance. */

export interface TestPicture {
  /** Path in the site. */
  path: string;
  /** Image px, as shown. */
  width: number;
  height: number;
  title: string;
  caption: string;
  taken?: string;
  orientation?: number;
  place?: [number, number];
  /** With so much noise that its file is far too heavy. */
  heavy?: boolean;
}

export const PICTURES: readonly TestPicture[] = [
  {
    path: 'photos/large/delta-over-mere.jpg',
    width: 1600,
    height: 1067,
    title: 'Delta over the mere',
    caption: 'A purple delta kite rising over the mere',
    taken: '2026:06:20 09:00:08',
  },
  {
    path: 'photos/large/box-kite-lark.jpg',
    width: 3000,
    height: 2000,
    title: 'Lark box kite',
    caption: 'The Lark, a red box kite, on a long line',
    taken: '2026:06:20 09:13:08',
    heavy: true,
  },
  {
    path: 'photos/large/Parafoil-Pair.JPG',
    width: 1600,
    height: 1200,
    title: 'Two parafoils',
    caption: 'Two parafoils flown on one line',
    taken: '2026:06:20 09:26:08',
  },
  {
    path: 'photos/large/rokkaku-dawn.jpg',
    width: 1500,
    height: 1500,
    title: 'Rokkaku at dawn',
    caption: 'A six-sided rokkaku kite at dawn',
    taken: '2026:06:20 09:39:08',
  },
  {
    path: 'photos/large/star-field.jpg',
    width: 1600,
    height: 900,
    title: 'Star over the field',
    caption: 'A golden star kite above the dark field',
    taken: '2026:06:20 10:52:08',
  },
  {
    path: 'photos/large/diamond-classic.jpg',
    width: 1067,
    height: 1600,
    title: 'The classic diamond',
    caption: 'A diamond kite with a tail of bows',
    taken: '2026:06:20 10:05:08',
    orientation: 6,
  },
  {
    path: 'photos/large/sled-morning.jpg',
    width: 1600,
    height: 1067,
    title: 'Sled in the morning',
    caption: 'A green sled kite in grey morning air',
    taken: '2026:06:20 10:18:08',
  },
  {
    path: 'photos/large/eye-of-the-wind.jpg',
    width: 1600,
    height: 1067,
    title: 'Eye of the wind',
    caption: 'A round kite painted like an eye',
    taken: '2026:06:20 10:31:08',
  },
  {
    path: 'photos/large/long-panorama.jpg',
    width: 2400,
    height: 800,
    title: 'The whole field',
    caption: 'The whole festival field, one delta at the right',
    taken: '2026:06:20 11:44:08',
  },
  {
    path: 'photos/large/tall-tail.jpg',
    width: 900,
    height: 1600,
    title: 'A tall tail',
    caption: 'A diamond kite with a tail ten metres long',
    taken: '2026:06:20 11:57:08',
  },
  {
    path: 'photos/large/square-star.jpg',
    width: 1400,
    height: 1400,
    title: 'Square star',
    caption: 'A navy star kite close above the heads',
    taken: '2026:06:20 11:10:08',
  },
  {
    path: 'photos/large/last-light.jpg',
    width: 1600,
    height: 1067,
    title: 'Last light',
    caption: 'A red parafoil in the last light',
    taken: '2026:06:20 11:23:08',
  },
  {
    path: 'photos/large/reel-box.jpg',
    width: 1600,
    height: 1200,
    title: 'Reel box',
    caption: 'A wooden reel with its line',
    taken: '2026:03:14 09:00:08',
  },
  {
    path: 'photos/large/tail-makers.jpg',
    width: 1600,
    height: 900,
    title: 'Tail makers',
    caption: 'Bows being knotted for a tail',
    taken: '2026:03:14 09:13:08',
  },
  {
    path: 'photos/large/winding-line.jpg',
    width: 1600,
    height: 1067,
    title: 'Winding line',
    caption: 'Line being wound on a red reel',
    taken: '2026:03:14 09:26:08',
  },
  {
    path: 'photos/large/spar-splice.jpg',
    width: 1200,
    height: 1600,
    title: 'Spar splice',
    caption: 'A splice in a spar of ash',
    taken: '2026:03:14 09:39:08',
  },
  {
    path: 'photos/large/bridle-knots.jpg',
    width: 1600,
    height: 1067,
    title: 'Bridle knots',
    caption: 'The knots of a four-leg bridle',
    taken: '2026:03:14 10:52:08',
  },
  {
    path: 'photos/large/bamboo-split.jpg',
    width: 1600,
    height: 1200,
    title: 'Bamboo, split',
    caption: 'Bamboo split for a light frame',
    taken: '2026:03:14 10:05:08',
  },
  {
    path: 'photos/large/paper-cut.jpg',
    width: 1200,
    height: 1200,
    title: 'Paper cut',
    caption: 'Coloured paper cut for a star',
  },
  {
    path: 'photos/large/first-flight.jpg',
    width: 1600,
    height: 1067,
    title: 'First flight',
    caption: 'The day’s first kite in the air',
    taken: '2026:03:14 10:31:08',
  },
  {
    path: 'photos/large/glue-pot.jpg',
    width: 1600,
    height: 1067,
    title: 'Glue pot',
    caption: 'A reel drying beside the glue pot',
  },
  {
    path: 'photos/large/sewing-seams.jpg',
    width: 1500,
    height: 1000,
    title: 'Sewing seams',
    caption: 'The seams of a parafoil',
    taken: '2026:03:14 11:57:08',
  },
  {
    path: 'photos/large/tail-bows.jpg',
    width: 1200,
    height: 1500,
    title: 'Tail bows',
    caption: 'Bows laid out along a tail',
    taken: '2026:03:14 11:10:08',
  },
  {
    path: 'photos/large/spare-spars.jpg',
    width: 1600,
    height: 1067,
    title: 'Spare spars',
    caption: 'Spare spars leaning on the bench',
    taken: '2026:03:14 11:23:08',
  },
  {
    path: 'camera/TKC_0412.jpg',
    width: 2464,
    height: 1632,
    title: 'Ridge',
    caption: 'A navy delta over the ridge',
    taken: '2026:09:05 09:00:08',
    place: [54.3698, -1.2101],
  },
  {
    path: 'camera/TKC_0415.jpg',
    width: 2000,
    height: 3000,
    title: 'Climbing box',
    caption: 'A box kite climbing fast',
    taken: '2026:09:05 09:13:08',
    orientation: 8,
    place: [54.3712, -1.2045],
  },
  {
    path: 'camera/TKC_0418.jpg',
    width: 3000,
    height: 2000,
    title: 'Fighting rokkaku',
    caption: 'A rokkaku in the fighting ring',
    taken: '2026:09:05 09:26:08',
  },
  {
    path: 'camera/TKC_0423.jpg',
    width: 2120,
    height: 1416,
    title: 'Small star',
    caption: 'A small star far up',
    taken: '2026:09:05 09:39:08',
  },
  {
    path: 'camera/TKC_0431.jpg',
    width: 1736,
    height: 1736,
    title: 'Low eye',
    caption: 'A round kite low over the grass',
    taken: '2026:09:05 10:52:08',
  },
  {
    path: 'camera/TKC_0440.jpg',
    width: 2592,
    height: 1456,
    title: 'Evening sled',
    caption: 'A sled kite in the evening',
    taken: '2026:09:05 10:05:08',
  },
];

/** From which picture a thumbnail is made where that is not the one of its name: one is wrong, as happens. */
export const MADE_FROM: Readonly<Record<string, string>> = { 'tail-makers': 'photos/large/winding-line.jpg' };

/** Parts of pictures that were cut by hand: left, top, width and height as shares. */
export const CUT_BY_HAND: Readonly<Record<string, readonly [number, number, number, number]>> = {
  'long-panorama': [0.58, 0, 0.42, 0.84],
  'tall-tail': [0.1, 0.02, 0.9, 0.38],
};

/** A page names its thumbnail, and it is not there. */
export const WITHOUT_THUMBNAIL: ReadonlySet<string> = new Set(['rokkaku-dawn']);
