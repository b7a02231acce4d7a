import type { Exercise } from '../exercise.ts';
import { inLink } from '../plant.ts';

export const markerLeftOff: Exercise = {
  id: 'marker-left-off',
  title: 'One picture leaves the page',
  complaint: 'The second picture fills the window, all alone on white, and I have to go back to see the others.',
  viewer: 'lightbox',
  rule: 'marker-unlike',
  plant: inLink(1, ' data-enlarge data', ' data'),
  hints: [
    'The browser follows the link itself where no viewer answers. Which step of the second strand is broken?',
    'This lightbox looks for an attribute on each link. Compare the second link with its neighbours.',
    'The second link lacks data-enlarge. It stands after the href on the other links.',
  ],
  tries: [
    {
      isIn: (page) => /<img[^>]*data-enlarge[^>]*>/.test(page),
      says: 'The attribute stands on the image now; the lightbox looks for it on the link around it.',
    },
    {
      isIn: (page) => /class="[^"]*data-enlarge/.test(page),
      says: 'It is an attribute of its own, not the name of a class.',
    },
    {
      isIn: (page) => /\sdata-enla(?!rge)/.test(page) || /\sdata-(?!enlarge)/.test(page),
      says: 'An attribute is there, but not under the name that the lightbox looks for: compare the letters.',
    },
  ],
};
