import type { Exercise } from '../exercise.ts';
import { inLink, linkTags } from '../plant.ts';

const groupsIn = (page: string): string[] =>
  linkTags(page).flatMap((tag) => /data-enlarge-group="([^"]*)"/.exec(tag)?.[1] ?? []);

export const noArrows: Exercise = {
  id: 'no-arrows',
  title: 'The arrows are missing',
  complaint: 'From three of the pictures I can go on to the next one. From the third I cannot: there are no arrows.',
  viewer: 'lightbox',
  rule: 'group-missing',
  plant: inLink(2, ' data-enlarge-group="kites"', ''),
  hints: [
    'Arrows lead through the pictures of one group. How many pictures are in the group of the others?',
    'The viewer’s step of each strand names its group. The third strand has none.',
    'Add data-enlarge-group to the third link, with the same value as its neighbours have.',
  ],
  tries: [
    {
      isIn: (page) => new Set(groupsIn(page).map((group) => group.toLowerCase())).size < new Set(groupsIn(page)).size,
      says: 'Groups are compared letter by letter: a capital makes another group.',
    },
    {
      isIn: (page) => new Set(groupsIn(page)).size > 1,
      says: 'The picture has a group now, but one of its own. It has to be the group of its neighbours.',
    },
    {
      isIn: (page) => groupsIn(page).length === 0,
      says: 'Without any group each picture opens alone. The group has to be on all four links.',
    },
  ],
};
