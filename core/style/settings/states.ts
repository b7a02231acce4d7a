/** How a thumbnail shows that the pointer is over it, that it has the focus, or that it is pressed. */
import type { State } from '../cascade.ts';
import type { Setting } from './setting.ts';
import { declared } from './setting.ts';

const GROUPS: Readonly<Record<State, Setting['group']>> = {
  hover: 'Under the pointer',
  focus: 'With the keyboard',
  active: 'While pressed',
};

function of(state: State, name: string, title: string, property: string, field: Setting['field']): Setting {
  return {
    id: `${state}-${name}`,
    group: GROUPS[state],
    title,
    purpose: `${GROUPS[state].charAt(0).toLowerCase()}${GROUPS[state].slice(1)}`,
    field,
    state,
    read: (layout) => declared({ ...layout, situation: { ...layout.situation, state } }, 'image', property),
    wishes: (_layout, value) => [{ role: 'image', property, value, state }],
    idle: ({ parts }) => (parts.image.length > 0 ? null : 'The pictures of this gallery are no image tags.'),
  };
}

export const STATE_SETTINGS: readonly Setting[] = (['hover', 'focus', 'active'] as const).flatMap((state) => [
  of(state, 'outline', 'Outline', 'outline', { kind: 'border' }),
  of(state, 'opacity', 'Opacity', 'opacity', { kind: 'share' }),
]);
