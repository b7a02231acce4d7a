import { warning, type SightRule } from './sight.ts';

export const focus: SightRule = {
  id: 'rehearsal-focus',
  title: 'After closing the focus is where it was',
  see: ({ seen }) =>
    seen.focus === 'lost'
      ? [
          warning(
            'After closing, the keyboard focus is lost',
            'Whoever uses the keyboard or a screen reader begins again at the top of the page (ARIA Authoring Practices, dialog).',
          ),
        ]
      : [],
};
