import { expect, it } from 'vitest';
import { sayLeft } from './sayLeft';

it.each([
  [1000, 500, 1000, null],
  [3000, 0, 1000, null],
  [3000, 500, 1000, '3 s left'],
  [10_000, 100, 1000, '2 min left'],
  [10_000, 1000, 1000, '0 s left'],
])('after %i ms and %i of %i bytes: %s', (took, bytes, of, says) => expect(sayLeft(took, bytes, of)).toBe(says));
