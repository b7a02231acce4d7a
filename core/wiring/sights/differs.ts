import { disagreements } from '../read/rehearsal.ts';
import type { SightRule } from './sight.ts';

export const differs: SightRule = {
  id: 'rehearsal-differs',
  title: 'A click does what the text of the page says',
  see: ({ prediction, seen }) =>
    disagreements(prediction, seen).map(({ about, predicted, seen: was }) => ({
      severity: 'error',
      about,
      says: `In the browser ${about} is different: ${was}; expected: ${predicted}`,
      why: 'The text of the page says one thing and the browser does another: something is at work that the checks do not know.',
    })),
};
