/** Where items stand in the room that they have, across and down. */
import type { StyleWish } from '../declare.ts';
import type { Layout, Method } from '../layout.ts';
import type { Role } from '../roles.ts';
import { declared, type Setting } from './setting.ts';

/** Which declaration says it, by method; of methods that are not here none does. */
const ACROSS: Readonly<Partial<Record<Method, readonly [Role, string]>>> = {
  grid: ['container', 'justify-items'],
  flex: ['container', 'justify-content'],
  float: ['item', 'text-align'],
  inline: ['container', 'text-align'],
  columns: ['item', 'text-align'],
  stacked: ['container', 'text-align'],
};
const DOWN: Readonly<Partial<Record<Method, readonly [Role, string]>>> = {
  grid: ['container', 'align-items'],
  flex: ['container', 'align-items'],
  inline: ['item', 'vertical-align'],
};

/** The words of old and new layouts for the same thing. */
const WORDS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  'justify-content': { start: 'flex-start', end: 'flex-end' },
  'text-align': { start: 'left', end: 'right' },
  'vertical-align': { start: 'top', center: 'middle', end: 'bottom' },
};
const PLAIN: Readonly<Record<string, string>> = {
  'flex-start': 'start',
  left: 'start',
  top: 'start',
  middle: 'center',
  'flex-end': 'end',
  right: 'end',
  bottom: 'end',
  normal: 'stretch',
};

function along(table: typeof ACROSS, none: string): Pick<Setting, 'read' | 'wishes' | 'idle'> {
  return {
    read: (layout) => {
      const at = table[layout.method];
      const one = at ? declared(layout, ...at) : { value: null, winner: null };
      return { ...one, value: one.value === null ? null : (PLAIN[one.value] ?? one.value) };
    },
    wishes: (layout, value): StyleWish[] | string => {
      const at = table[layout.method];
      return at
        ? [{ role: at[0], property: at[1], value: value === null ? null : (WORDS[at[1]]?.[value] ?? value) }]
        : none;
    },
    idle: ({ method }: Layout) => (table[method] ? null : none),
  };
}

const CHOICES = [
  ['start', 'at the start'],
  ['center', 'in the middle'],
  ['end', 'at the end'],
] as const;

export const ALIGNMENT: readonly Setting[] = [
  {
    id: 'across',
    group: 'Columns',
    title: 'Align horizontally',
    purpose: 'items aligned horizontally',
    field: {
      kind: 'choice',
      choices: [...CHOICES, ['stretch', 'over the whole width'], ['space-between', 'spread over the row']],
    },
    ...along(ACROSS, 'The columns of this gallery are in the markup; set where their contents stand there.'),
  },
  {
    id: 'down',
    group: 'Columns',
    title: 'Align vertically',
    purpose: 'items aligned vertically',
    field: { kind: 'choice', choices: [...CHOICES, ['stretch', 'over the whole height']] },
    ...along(DOWN, 'In this layout items hang from the top of their row.'),
  },
];
