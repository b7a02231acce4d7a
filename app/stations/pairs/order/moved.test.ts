import { expect, it } from 'vitest';
import { movedTogether } from './moved';

const ALL = ['a', 'b', 'c', 'd', 'e'];

it.each([
  ['one down', ['b'], 'b', 'd', 'acdbe'],
  ['one up', ['d'], 'd', 'b', 'adbce'],
  ['to the end', ['a'], 'a', 'e', 'bcdea'],
  ['to the start', ['e'], 'e', 'a', 'eabcd'],
  ['several, apart, upwards', ['c', 'e'], 'e', 'a', 'ceabd'],
  ['several downwards', ['a', 'c'], 'a', 'd', 'bdace'],
  ['onto one of themselves', ['b', 'c'], 'b', 'c', 'abcde'],
])('%s', (_name, taken, active, over, outcome) =>
  expect(movedTogether(ALL, new Set(taken), active, over).join('')).toBe(outcome),
);
