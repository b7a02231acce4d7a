import type { Exercise } from '../exercise.ts';
import { inLink } from '../plant.ts';

export const capitals: Exercise = {
  id: 'capitals',
  title: 'It works at home and not on the host',
  complaint: 'The last picture stays empty on your site. You say that it works on your computer?',
  viewer: 'lightbox',
  rule: 'case-differs',
  plant: inLink(3, 'large/eye', 'large/Eye'),
  hints: [
    'Most hosts tell capital letters from small ones; many computers at home do not.',
    'Compare the name of the last picture’s full-size file, letter by letter, with what the link says.',
    'The file’s name begins with a small e. Write the link like the file.',
  ],
  tries: [
    {
      isIn: (page) => /large\/EYE|eye-of-the-wind\.JPG/.test(page),
      says: 'There are capitals in it still: the file’s name has none, and its ending has none either.',
    },
    {
      isIn: (page) => page.includes('small/Eye'),
      says: 'Now the thumbnail’s address has the capital too, and is missing as well. Both files are written small.',
    },
  ],
};
