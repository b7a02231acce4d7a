import type { Exercise } from '../exercise.ts';

export const wrongFolder: Exercise = {
  id: 'wrong-folder',
  title: 'No picture opens in the lightbox',
  complaint: 'Each picture leaves the page. You told me of a lightbox, but there is none.',
  viewer: 'lightbox',
  rule: 'file-missing',
  plant: (page) => page.replace('src="viewer/', 'src="js/'),
  hints: [
    'All four strands are broken at the same step, so it is nothing on one of the links.',
    'Look at what the page loads: is every file there, in the folder that the page names?',
    'The script is in the folder viewer, beside its stylesheet. The page asks for it in the folder js.',
  ],
  tries: [
    {
      isIn: (page) => !page.includes('lightbox.js'),
      says: 'Without its script there is no lightbox at all. The line has to stay, with the right path.',
    },
    {
      isIn: (page) => /src="(?:\.\.\/|\/)viewer\//.test(page),
      says: 'The folder viewer is beside the page: its path begins with its name, with nothing before it.',
    },
    {
      isIn: (page) => /src="lightbox\.js"/.test(page),
      says: 'The script is in a folder: the path begins with the folder’s name and a slash.',
    },
  ],
};
