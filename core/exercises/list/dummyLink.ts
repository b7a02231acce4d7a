import type { Exercise } from '../exercise.ts';
import { inLink } from '../plant.ts';

export const dummyLink: Exercise = {
  id: 'dummy-link',
  title: 'One picture does nothing',
  complaint: 'I click the second picture, and the page only jumps to its top. The others open.',
  viewer: 'lightbox',
  rule: 'link-opens-page',
  plant: inLink(1, /href="[^"]*"/, 'href="#"'),
  hints: [
    'Choose the second picture. Its strand is broken at one step: which?',
    'The link around a thumbnail says which file a click opens. Compare the second link with its neighbours.',
    'A # leads to the top of the same page. Write the path of the full-size picture there: large/ and its name.',
  ],
  tries: [
    { isIn: (page) => page.includes('href=""'), says: 'An empty address opens the page itself, not a picture.' },
    {
      isIn: (page) => page.includes('href="star-field.jpg"'),
      says: 'The file is in a folder: the path begins with the folder’s name and a slash.',
    },
    {
      isIn: (page) => page.includes('href="small/star-field.jpg"'),
      says: 'That is the thumbnail: a click would show the same small picture. The full-size one is in another folder.',
    },
  ],
};
