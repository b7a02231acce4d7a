import { expect, test } from 'vitest';
import { sayAgo, sayTaken, sayWhen } from './times';

test('a photograph’s time is said as its camera noted it', () => {
  expect(sayTaken('2026-06-20T09:13:08')).toBe('2026-06-20, 09:13');
});

test('what is long ago is said in the largest unit', () => {
  const now = Date.UTC(2026, 10, 27);
  expect(sayAgo(now - 10_000, now)).toBe('a few seconds ago');
  expect(sayAgo(now - 3 * 3_600_000, now)).toBe('3 hours ago');
  expect(sayAgo(now - 2 * 86_400_000, now)).toBe('2 days ago');
});

test('a moment is said with its day', () => {
  expect(sayWhen(new Date(2026, 10, 27, 4, 31).getTime())).toBe('27 Nov 2026, 04:31');
});
