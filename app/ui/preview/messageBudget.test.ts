import { expect, test } from 'vitest';
import { MessageBudget } from './messageBudget.ts';

/** How many of so many messages are heard that come evenly in some ms. */
function heard(budget: MessageBudget, from: number, ms: number, messages: number): number {
  let count = 0;
  for (let n = 0; n < messages; n++) if (budget.take(from + (ms * n) / messages)) count++;
  return count;
}

test('a page that scrolls under the pointer is heard whole', () => {
  const budget = new MessageBudget(0);
  expect(heard(budget, 0, 60_000, 60 * 432)).toBe(60 * 432);
});

test('of a flood so many at once, and then so many a second', () => {
  const budget = new MessageBudget(0);
  expect(heard(budget, 0, 1000, 10_000)).toBe(1199);
  expect(heard(budget, 1000, 1000, 10_000)).toBe(600);
});

test('after a rest a page is heard again', () => {
  const budget = new MessageBudget(0);
  heard(budget, 0, 1000, 10_000);
  expect(heard(budget, 11_000, 10, 1000)).toBe(605);
});
