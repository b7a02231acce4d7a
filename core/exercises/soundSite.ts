/** The small site that exercises are made from: four pictures on one page, wired by hand and whole. */

/** Folder of a viewer's files, by its name; as wiring puts them. */
export const VIEWER_FOLDERS = { lightbox: 'viewer', peephole: 'peephole' } as const;
export type SoundViewer = keyof typeof VIEWER_FOLDERS;

interface SoundPicture {
  name: string;
  /** Of the thumbnail, px; its width is 150. */
  height: number;
  alt: string;
  caption: string;
}

/** Each is a full-size file in `large/` and a thumbnail in `small/`, under the same name. */
export const SOUND_PICTURES: readonly SoundPicture[] = [
  {
    name: 'delta-over-mere.jpg',
    height: 100,
    alt: 'A purple delta kite rising over the mere',
    caption: 'Delta over the mere',
  },
  {
    name: 'star-field.jpg',
    height: 84,
    alt: 'A golden star kite above the dark field',
    caption: 'Star over the field',
  },
  {
    name: 'sled-morning.jpg',
    height: 100,
    alt: 'A green sled kite in grey morning air',
    caption: 'Sled in the morning',
  },
  {
    name: 'eye-of-the-wind.jpg',
    height: 100,
    alt: 'A white kite with a painted eye',
    caption: 'Eye of the wind',
  },
];

const MARKS: Record<SoundViewer, (name: string) => string> = {
  lightbox: (name) => `href="large/${name}" data-enlarge data-enlarge-group="kites"`,
  peephole: (name) => `class="peep" href="large/${name}"`,
};

const HEADS: Record<SoundViewer, readonly string[]> = {
  lightbox: ['<link rel="stylesheet" href="viewer/lightbox.css">', '<script src="viewer/lightbox.js" defer></script>'],
  peephole: ['<link rel="stylesheet" href="peephole/peephole.css">'],
};

const ENDS: Record<SoundViewer, readonly string[]> = {
  lightbox: [],
  peephole: ['<script src="peephole/peephole.js"></script>', "<script>peephole('.peep');</script>"],
};

export const soundPage = (viewer: SoundViewer): string =>
  `${[
    '<!DOCTYPE html>',
    '<html lang="en">',
    '<head>',
    '<meta charset="utf-8">',
    '<meta name="viewport" content="width=device-width, initial-scale=1">',
    '<meta name="description" content="Four kites over the moor.">',
    '<title>Four kites</title>',
    '<link rel="icon" href="icon.svg">',
    '<link rel="stylesheet" href="css/kites.css">',
    ...HEADS[viewer],
    '</head>',
    '<body>',
    '',
    '<h1>Four kites</h1>',
    '<p>Click a picture to see it large.</p>',
    '',
    '<ul class="kites">',
    ...SOUND_PICTURES.flatMap(({ name, height, alt, caption }) => [
      '  <li>',
      `    <a ${MARKS[viewer](name)} title="${caption}">`,
      `      <img src="small/${name}" width="150" height="${height}" alt="${alt}"></a>`,
      `    <span>${caption}</span>`,
      '  </li>',
    ]),
    '</ul>',
    '',
    ...ENDS[viewer],
    '</body>',
    '</html>',
  ].join('\n')}\n`;

const STYLE = `body {
  max-width: 46rem;
  margin: 0 auto;
  padding: 1.5rem;
  color: #2a2320;
  font-family: Georgia, serif;
  line-height: 1.5;
}

.kites {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 1.5rem;
  margin: 0;
  padding: 0;
  list-style: none;
}

.kites img {
  display: block;
}

.kites span {
  font-size: 0.875rem;
}
`;

const ICON = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 16 16"><path fill="#74468c" d="M8 1l5 6-5 8-5-8z"/></svg>
`;

/** Texts that stand beside the page and the viewer's files, by their paths. */
export const SOUND_TEXTS: Readonly<Record<string, string>> = { 'css/kites.css': STYLE, 'icon.svg': ICON };
