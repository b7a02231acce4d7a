import type { Exercise } from '../exercise.ts';

export const curlyQuotes: Exercise = {
  id: 'curly-quotes',
  title: 'The pasted line does nothing',
  complaint: 'No viewer comes, and yet the line was copied out of the manual, word by word.',
  viewer: 'peephole',
  rule: 'script-broken',
  plant: (page) => page.replace("'.peep'", '‘.peep’'),
  hints: [
    'A browser that cannot read a script runs nothing of it, and says so only in its console.',
    'Look at the start call, character by character. Manuals and word processors change some of them.',
    'Code needs straight quotes. The two in the start call are curved.',
  ],
  tries: [
    {
      isIn: (page) => /peephole\(\.peep\)/.test(page),
      says: 'Without quotes it is no text. Put straight ones around the selector.',
    },
    {
      isIn: (page) => /peephole\((?:[‘“][^)]*['"]|['"][^)]*[’”])\)/.test(page),
      says: 'One of the two quotes is curved still.',
    },
    {
      isIn: (page) => /peephole\([“”][^)]*[“”]\)/.test(page),
      says: 'These are double quotes, but curved ones. Straight ones are beside the Enter key on most keyboards.',
    },
    { isIn: (page) => /peephole\(`/.test(page) && !/peephole\(`[^`]*`\)/.test(page), says: 'The text is not closed.' },
  ],
};
