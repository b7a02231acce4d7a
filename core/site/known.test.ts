import { expect, test } from 'vitest';
import { firstOf, keysOf, known, lastOf, oneOf } from './known.ts';

test('a text is taken for one of the choices, and nothing else is', () => {
  expect(oneOf(['end', 'first'], 'first')).toBe('first');
  expect(() => oneOf(['end', 'first'], 'toString')).toThrow('choice “toString”');
});

test('a table’s keys are its own', () => {
  expect(keysOf({ b: 1, a: 2 })).toEqual(['b', 'a']);
});

test('what is not there though it should be is named', () => {
  expect([known(0, 'number'), known('', 'text'), known(false, 'answer')]).toEqual([0, '', false]);
  for (const nothing of [null, undefined])
    expect(() => known(nothing, 'page')).toThrow('There is no page, though there should be.');
});

test('the ends of a list', () => {
  expect([firstOf([1, 2, 3]), lastOf([1, 2, 3])]).toEqual([1, 3]);
  expect(() => firstOf([])).toThrow('There is no first of a list');
  expect(() => lastOf([])).toThrow('There is no last of a list');
});
