/**
 * Groups in pages of words that no rule was made from, labelled as those of `labels.ts` are: by reading, before anything
 * was run on them.
 */
import type { LabelledPage } from './labels.ts';

/** Help of a program that joins photographs (package `hugin-data`), saved from the pages of many hands. */
export const JOINING: readonly LabelledPage[] = [
  {
    name: 'Panorama_formats.html',
    groups: [
      ['250px-Equirectangular.JPG'],
      ['250px-Cubic.jpg'],
      ['250px-Little_planet.jpg'],
      ['250px-Cylindrical.JPG'],
      ['250px-Orientation-plate.jpg'],
      ['250px-Rectlinear.JPG'],
      ['250px-Equirectangular_cut.jpg'],
    ],
  },
  {
    name: 'The_General_Panini_Projection.html',
    groups: [
      ['400px-220x120deg-panini-grid.png'],
      ['250px-TKS-Mmm-obliquev120-recti.png', '250px-TKS-Mmm-obliquev120-gP70_50_50.png'],
      ['250px-LagardePont-defish.jpg', '180px-LagardePont-fish.jpg'],
      ['360px-Pantheon-150x100-rect-panini.jpg'],
      ['800px-C_Marchi-GrandCentral-adj.jpg'],
    ],
  },
  {
    name: 'Dust_Removal_with_Flatfield.html',
    groups: [
      ['600px-Tuebingen_Neckarfront_withdustspots_small15_2006-06-11.jpg'],
      ['600px-Tuebingen_Neckarfront_small15_2006-06-11.jpg'],
      [
        '120px-Flatfield3_Munich.jpg',
        '120px-Flatfield1_Munich.jpg',
        '120px-Flatfield2_Munich.jpg',
        '120px-Flatfield4_Munich.jpg',
      ],
    ],
  },
  {
    name: 'Stereographic_Projection.html',
    groups: [
      ['Big_ben_stereographic.jpg'],
      ['Medinet_habu_horizontal_fisheye.jpg', 'Medinet_habu_horizontal_stereographic.jpg'],
      ['Vertical-fisheye.jpg', 'Vertical-stereographic.jpg'],
    ],
  },
  {
    name: 'Using_Celeste_with_hugin.html',
    groups: [
      ['Celeste_cpeditor_pre.jpg'],
      ['Celeste_done.jpg'],
      ['Celeste_cpeditor_post.jpg'],
      ['Celeste_images_panel.jpg'],
      ['Celeste_preferences.jpg'],
    ],
  },
  { name: 'Hugin_move_drag_tab.html', groups: [['600px-Hugin2013_move_drag_tab.png']] },
  {
    name: 'Projections.html',
    groups: [
      '200px-Big_ben_cylindrical',
      '200px-Big_ben_mercator',
      '200px-Ben_Miller_cylindrical',
      '200px-Big_ben_equirectangular',
      '200px-Ben_Lambert_cylindrical_equal_area',
      '150px-Big_ben_rectilinear',
      '150px-Big_ben_stereographic',
      '150px-Big_ben_fisheye',
      '150px-Ben_Equisolid',
      '150px-Ben_Orthographic',
      '200px-Big_ben_cubic',
      '200px-Bin_ben_sinusoidal',
      '100px-Big_ben_transverse_mercator',
      '220px-Ben_Equirectangular_panini',
      '200px-Ben_Architectural',
    ].map((name) => [`${name}.jpg`]),
  },
];

/** The manual of a plotting language (package `gri-html-doc`), laid out in a table. */
export const PLOTTING: readonly LabelledPage[] = [
  { name: 'ContourPlots.html', groups: [['example4-tiny.png'], ['example5-tiny.png']] },
  {
    name: 'GriModeScreenshots.html',
    groups: [[1, 2, 3, 4].map((number) => `gri-screenshot-${number}-tiny.png`)],
  },
];

/** One more page of the drawing program of `labels.ts`. */
export const DRAWING_TOO: readonly LabelledPage[] = [
  {
    name: 'miscellaneous.html',
    groups: [
      ['search-text-panel.png'],
      ['spell-check-panel.png'],
      ['mouse-function-indicator.png'],
      ['balloons-example.png'],
    ],
  },
];

/** More of that help, labelled after rules were made from the pages above, and before anything was run on these. */
export const JOINING_TOO: readonly LabelledPage[] = [
  {
    name: 'Chromatic_aberration.html',
    groups: [
      ['CA_artifical_R_C.jpg', 'CA_artifical_B_Y.jpg'],
      ['CA_tCA00.jpg'],
      ['CA_tCA01.jpg', 'CA_tCA01.gif'],
      ['CA_tCA03.jpg'],
      ['CA_tCA02.jpg'],
      ['CA_fringes00.jpg'],
      ['CA_fringes01.jpg', 'CA_fringes01.gif'],
      ['CA_strange01.jpg', 'CA_strange01.gif'],
      ['CA_strange02.jpg'],
    ],
  },
  {
    name: 'Perspective_correction.html',
    groups: [
      ['100px-PC_img01.jpg', '100px-PC_img02.jpg'],
      ['100px-PC_img03.jpg', '100px-PC_img04.jpg', '100px-PC_img05.jpg'],
      ['100px-PC_img06.jpg', '100px-PC_img07.jpg'],
      ['100px-PC_img08.jpg', '100px-PC_img09.jpg'],
    ],
  },
  {
    name: 'Hugin_Assistant_tab.html',
    groups: [
      ['Hugin2013_assistant_tab_tophalf.png'],
      ['300px-SimpleGui_stitch_popup.png'],
      ['200px-Hugin2013_overview.png'],
    ],
  },
  {
    name: 'SmartBlend.html',
    groups: [['SB_Parallax.jpg'], ['SB_Parallax_overlapped.jpg'], ['SB_Blended.jpg']],
  },
  { name: 'Parallax.html', groups: [['Parallax.gif']] },
  {
    name: 'Aliasing.html',
    groups: [
      ['AliasingPScubic.jpg', 'AliasingPTpoly3.jpg'],
      ['AliasingPScubic_2x.jpg', 'AliasingPTpoly3_2x.jpg'],
    ],
  },
];
