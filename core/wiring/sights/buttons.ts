import { isShown, warning, type SightRule } from './sight.ts';

export const buttons: SightRule = {
  id: 'rehearsal-buttons',
  title: 'Buttons for next, previous and close are in sight',
  see: ({ seen }) => {
    const { controls, next, back, closed } = seen;
    if (!isShown(seen) || !controls) return [];
    const lacking = [
      ...(next !== null && !controls.next ? ['next'] : []),
      ...(back !== null && !controls.back ? ['previous'] : []),
      ...(closed === 'key' && !controls.close ? ['close'] : []),
    ];
    if (lacking.length === 0) return [];
    return [
      warning(
        `No button in sight says ${lacking.join(', ')}`,
        'It goes by the keyboard, which a phone does not have and many visitors do not try.',
      ),
    ];
  },
};
