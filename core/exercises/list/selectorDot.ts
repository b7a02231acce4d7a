import type { Exercise } from '../exercise.ts';

export const selectorDot: Exercise = {
  id: 'selector-dot',
  title: 'Nothing answers a click',
  complaint: 'Each picture leaves the page when I click it. No viewer comes.',
  viewer: 'peephole',
  rule: 'start-selector',
  plant: (page) => page.replace("'.peep'", "'peep'"),
  hints: [
    'The script is loaded, and it is started at the end of the page. What is it told to look for?',
    'The start call is handed a selector, as in a stylesheet. Which elements does this one find?',
    'A selector for a class begins with a dot.',
  ],
  tries: [
    {
      isIn: (page) => page.includes("'#peep'"),
      says: 'A hash looks for an id. The links have a class.',
    },
    {
      isIn: (page) => page.includes("'. peep'") || page.includes("'..peep'"),
      says: 'One dot, and the name of the class right after it.',
    },
    {
      isIn: (page) => page.includes("'.peep img'"),
      says: 'That finds the thumbnails. This viewer wants the links.',
    },
    {
      isIn: (page) => page.includes('class=".peep"'),
      says: 'The dot belongs to the selector in the start call. In the class attribute the name stands without it.',
    },
  ],
};
