import type { Exercise } from '../exercise.ts';
import { inLink } from '../plant.ts';

export const linkToPage: Exercise = {
  id: 'link-to-page',
  title: 'One picture opens a page',
  complaint: 'When I click the third picture, I see the whole page again instead of the picture.',
  viewer: 'lightbox',
  rule: 'link-opens-page',
  plant: inLink(2, /href="[^"]*"/, 'href="index.html"'),
  hints: [
    'Choose the third picture and look at the step of its strand that is broken.',
    'A lightbox shows whatever the link leads to. Where does this link lead?',
    'Its href names a page, index.html. It has to name the full-size picture in the folder large.',
  ],
  tries: [
    {
      isIn: (page) => page.includes('href="small/sled-morning.jpg"'),
      says: 'That is the thumbnail: a click would show the same small picture. The full-size one is in another folder.',
    },
    {
      isIn: (page) => !page.includes('href="large/sled-morning.jpg"') && !page.includes('href="index.html"'),
      says: 'The address is another now, but not that of the picture: compare it letter by letter with the thumbnail’s.',
    },
  ],
};
