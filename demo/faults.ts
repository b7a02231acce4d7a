/** The faults that are planted in the demo site, each of a kind that people make; the tests look for just these. */

export interface PlantedFault {
  rule: string;
  page: string;
  /** A piece of the source line at which the finding must point. */
  line: string;
  /** The button that mends it, or null where only the author can. */
  fix: RegExp | null;
}

export const FAULTS: readonly PlantedFault[] = [
  {
    rule: 'dummy-link',
    page: 'index.html',
    line: '<a href="#">Festival pictures</a>',
    fix: /^Link to festival\.html$/,
  },
  {
    rule: 'case-differs',
    page: 'festival.html',
    line: 'href="photos/large/parafoil-pair.jpg"',
    fix: /^Rename the file to parafoil-pair\.jpg$/,
  },
  {
    rule: 'file-missing',
    page: 'festival.html',
    line: 'src="photos/small/rokkaku-dawn.jpg"',
    fix: /^Create the file from rokkaku-dawn\.jpg$/,
  },
  {
    rule: 'group-missing',
    page: 'festival.html',
    line: 'href="photos/large/eye-of-the-wind.jpg"',
    fix: /^Add the link to “festival”$/,
  },
  {
    rule: 'too-large',
    page: 'festival.html',
    line: 'href="photos/large/box-kite-lark.jpg"',
    fix: /^Reduce the picture to 1600 px$/,
  },
  { rule: 'script-order', page: 'workshop.html', line: 'src="js/kites.js"', fix: /^Load them in the right order$/ },
  {
    rule: 'another-picture',
    page: 'workshop.html',
    line: 'src="photos/small/tail-makers.jpg"',
    fix: /^Create the thumbnail again from tail-makers\.jpg$/,
  },
  {
    rule: 'link-opens-page',
    page: 'workshop.html',
    line: 'href="index.html" data-enlarge data-enlarge-group="workshop" title="Spar splice"',
    fix: /^Link to spar-splice\.jpg$/,
  },
  { rule: 'alt-missing', page: 'workshop.html', line: 'src="photos/small/paper-cut.jpg"', fix: null },
  { rule: 'marker-unlike', page: 'workshop.html', line: 'data-enlagre', fix: /^Correct to data-enlarge$/ },
];
