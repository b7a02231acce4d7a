import { expect, test } from 'vitest';
import { silence } from './useWatchdog';

const looks = (page: ReturnType<typeof silence>, count: number, hidden = false) =>
  Array.from({ length: count }, () => page.isStuck(hidden)).some(Boolean);

test('a page that does not answer in eight looks is stuck at the ninth', () => {
  const page = silence();
  expect(looks(page, 8)).toBe(false);
  expect(page.isStuck(false)).toBe(true);
});

test('whoever answers now and then is not stuck', () => {
  const page = silence();
  for (let n = 0; n < 5; n++) {
    expect(looks(page, 8)).toBe(false);
    page.heard();
  }
});

test('what a tab in the background does not hear proves nothing', () => {
  const page = silence();
  expect(looks(page, 8)).toBe(false);
  expect(looks(page, 30, true)).toBe(false);
  expect(looks(page, 8)).toBe(false);
});
