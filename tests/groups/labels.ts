/**
 * Groups of pictures in hand-typed pages of words, labelled by reading the pages, before anything was run on them. A
 * group is what stands between two stretches of words as a block of its own, with one picture or several. Icons, bullets,
 * letters, arrows between pictures, what frames a page (logos, menus, feet) and pictures within a paragraph are none.
 */

export interface LabelledPage {
  name: string;
  /** Pictures of each group, by the names of their files without folder. */
  groups: readonly (readonly string[])[];
}

/** The manual of an image library (package `imagemagick-6-doc`), below `www`. */
export const LIBRARY: readonly LabelledPage[] = [
  { name: 'compare.html', groups: [['rose.jpg', 'reconstruct.jpg', 'difference.png']] },
  {
    name: 'composite.html',
    groups: [
      ['smile.gif', 'rose.jpg', 'rose-over.png'],
      ['white-highlight.png', 'red-circle.png', 'red-ball.png'],
    ],
  },
  { name: 'connected-components.html', groups: [['objects.gif'], ['objects.png'], ['objects.jpg']] },
  { name: 'convert.html', groups: [['rose.jpg', 'rose.png'], ['fuzzy-magick.png']] },
  { name: 'examples.html', groups: [['examples.jpg']] },
  {
    name: 'fx.html',
    groups: [
      ['black.png', 'navy.png'],
      ['rose.jpg', 'rose-sigmoidal.png'],
      ['radial-gradient.png'],
      ['julia-set.png'],
      ['logo-sm-flop.png', 'logo-sm.png', 'logo-sm-fx.png'],
    ],
  },
  {
    name: 'gradient.html',
    groups: [
      'linear_gradient',
      'radial_gradient',
      'linear_gradient_default',
      'linear_gradient_east',
      'radial_gradient_maximum',
      'radial_gradient_minimum',
      'radial_gradient_diagonal',
      'radial_gradient_ellipse',
      'radial_gradient_ellipse_angle45',
    ].map((name) => [`${name}.png`]),
  },
  { name: 'magick-vector-graphics.html', groups: [['arc.png'], ['piechart.png']] },
  { name: 'mogrify.html', groups: [['rose.jpg', 'rose.png']] },
  {
    name: 'montage.html',
    groups: [
      ['rose.jpg', 'red-ball.png', 'montage.jpg'],
      ['rose.jpg', 'red-ball.png', 'frame.jpg'],
    ],
  },
  {
    name: 'motion-picture.html',
    groups: [
      ['bluebells_log.jpg', 'bluebells_lin.jpg'],
      ['bluebells_clipped.jpg', 'bluebells_darker.jpg'],
    ],
  },
  { name: 'index.html', groups: [] },
];

/** The manual of a drawing program (package `xfig-doc`). */
export const DRAWING: readonly LabelledPage[] = [
  {
    name: 'introduction.html',
    groups: [
      ['screen-image_sm.png'],
      ['watch_sm.png', 'power-supply_sm.png', '3dhouse_sm.png', 'greenpig_sm.png', 'transit_sm.png'],
    ],
  },
  { name: 'panning.html', groups: [['ruler.png'], ['unit-box.png'], ['unit-panel.png']] },
  { name: 'i18n.html', groups: [['xim-off-the-spot.png'], ['xim-over-the-spot.png'], ['xim-root.png']] },
];

/** What stands between pictures of a group, and is no picture of it. */
export const BETWEEN: readonly string[] = ['right.gif', 'over.gif', 'atop.gif'];
