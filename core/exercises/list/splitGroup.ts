import type { Exercise } from '../exercise.ts';
import { inLink, linkTags } from '../plant.ts';

export const splitGroup: Exercise = {
  id: 'split-group',
  title: 'The counter says 1 of 3',
  complaint: 'There are four pictures, but the counter says “1 of 3”, and one of them is never shown.',
  viewer: 'lightbox',
  rule: 'group-split',
  plant: inLink(1, '"kites"', '"Kites"'),
  hints: [
    'The counter counts the pictures of one group.',
    'Look at the viewer’s step of each strand: the groups are not all the same.',
    'Groups are compared letter by letter. One of the four begins with a capital.',
  ],
  tries: [
    {
      isIn: (page) => linkTags(page).filter((tag) => tag.includes('"Kites"')).length > 1,
      says: 'More links have the capital now, but not all: the group is the same only where all four are written alike.',
    },
    {
      isIn: (page) => /data-enlarge-group="(?:kites\s+|\s+kites)"/.test(page),
      says: 'There is a space inside the quotes: it counts as a letter.',
    },
  ],
};
