import type { Exercise } from '../exercise.ts';

const CALL = "<script>peephole('.peep');</script>";
const SCRIPT = '<script src="peephole/peephole.js"></script>';

export const callTooEarly: Exercise = {
  id: 'call-too-early',
  title: 'Everything is there, and nothing works',
  complaint: 'Each picture leaves the page. You say that script and call are both in the page?',
  viewer: 'peephole',
  rule: 'script-order',
  plant: (page) => page.replace(`${SCRIPT}\n${CALL}`, `${CALL}\n${SCRIPT}`),
  hints: [
    'A browser runs scripts from top to bottom, one after the other.',
    'In which order does the page load the viewer and call it?',
    'The call comes before the script that it calls. Put its line below.',
  ],
  tries: [
    {
      isIn: (page) => page.indexOf(CALL) > 0 && page.indexOf(CALL) < page.indexOf('<ul class="kites">'),
      says: 'The call stands above the pictures now: it runs before they are there, and finds none.',
    },
    {
      isIn: (page) => /peephole\.js"\s+(?:defer|async)/.test(page),
      says: 'A script that waits with defer runs after the call. Without it, script before call, all is in order.',
    },
    {
      isIn: (page) => !page.includes('peephole.js'),
      says: 'The line that loads the script is gone. It is needed, above the call.',
    },
  ],
};
