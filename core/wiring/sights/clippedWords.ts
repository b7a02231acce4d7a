import { warning, type SightRule } from './sight.ts';

const MOST = 60;
const shortened = (text: string): string => (text.length > MOST ? `${text.slice(0, MOST)}…` : text);

export const words: SightRule = {
  id: 'rehearsal-words',
  title: 'All words of the viewer can be read',
  see: ({ seen }) =>
    seen.clipped.map((text) =>
      warning(`A part of “${shortened(text)}” is cut off`, 'The box is smaller than its words and cannot be scrolled.'),
    ),
};
