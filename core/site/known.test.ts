import { expect, test } from 'vitest';
import { keysOf, oneOf } from './known.ts';

test('a text is taken for one of the choices, and nothing else is', () => {
  expect(oneOf(['end', 'first'], 'first')).toBe('first');
  expect(() => oneOf(['end', 'first'], 'toString')).toThrow('choice “toString”');
});

test('a table’s keys are its own', () => {
  expect(keysOf({ b: 1, a: 2 })).toEqual(['b', 'a']);
});
