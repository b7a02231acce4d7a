import type { Exercise } from '../exercise.ts';
import { inLink } from '../plant.ts';

export const forgottenLink: Exercise = {
  id: 'forgotten-link',
  title: 'The wrong picture opens',
  complaint: 'I click the green kite in the grey sky, and the golden star opens.',
  viewer: 'lightbox',
  rule: 'another-picture',
  plant: inLink(2, 'large/sled-morning.jpg', 'large/star-field.jpg'),
  hints: [
    'Somebody has copied the second item to make the third, and changed the thumbnail, the words and …?',
    'In the third strand the thumbnail and the full-size file are two different pictures.',
    'The third link still leads to star-field.jpg. It has to lead to the full-size file of its own thumbnail.',
  ],
  tries: [
    {
      isIn: (page) => page.split('src="small/star-field.jpg"').length > 2,
      says: 'Now both items show the golden star. The green kite was right: its link is what has to change.',
    },
    {
      isIn: (page) => page.includes('href="small/sled-morning.jpg"'),
      says: 'That is the thumbnail: a click would show the same small picture. The full-size one is in another folder.',
    },
  ],
};
