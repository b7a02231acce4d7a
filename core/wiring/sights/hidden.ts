import { warning, type SightRule } from './sight.ts';

export const hidden: SightRule = {
  id: 'rehearsal-hidden',
  title: 'The menu and the heading can be seen when the page opens',
  see: ({ seen }) =>
    seen.hidden.map((part) =>
      warning(
        `Something lies over ${part} when the page opens`,
        'A visitor cannot read or press what is below it.',
        part,
      ),
    ),
};
