/** Tags of the demo’s pictures, by the bare names of their files. */

const TAGS: Readonly<Record<string, readonly string[]>> = {
  'One line': [
    'delta-over-mere',
    'box-kite-lark',
    'rokkaku-dawn',
    'diamond-classic',
    'sled-morning',
    'long-panorama',
    'tall-tail',
    'first-flight',
  ],
  'Two lines': ['parafoil-pair', 'star-field', 'square-star', 'last-light'],
  'In the loft': [
    'reel-box',
    'tail-makers',
    'winding-line',
    'spar-splice',
    'bridle-knots',
    'bamboo-split',
    'paper-cut',
  ],
  'Low light': ['rokkaku-dawn', 'star-field', 'sled-morning', 'last-light'],
};

/** What its author calls a picture by; letter case of names counts nothing. */
export const tagsOf = (path: string): string[] => {
  const name = (path.split('/').at(-1) ?? '').replace(/\.\w+$/, '').toLowerCase();
  return Object.keys(TAGS).filter((tag) => TAGS[tag]?.includes(name));
};
