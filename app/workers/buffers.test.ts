import { expect, it } from 'vitest';
import { giveBack, takeBuffer } from './buffers';

it('gives memory that was given back, to one at a time, and keeps the larger of two', () => {
  const first = takeBuffer(100);
  const second = takeBuffer(100);
  expect(second).not.toBe(first);
  giveBack(first);
  giveBack(takeBuffer(50));
  expect(takeBuffer(100)).toBe(first);
  expect(takeBuffer(100)).not.toBe(first);
  const large = takeBuffer(200);
  giveBack(first);
  giveBack(large);
  giveBack(second);
  expect(takeBuffer(300).byteLength).toBe(300);
  expect(takeBuffer(10)).toBe(large);
});

it('keeps nothing that is very large', () => {
  const huge = takeBuffer(65 * 1024 * 1024);
  giveBack(huge);
  expect(takeBuffer(10)).not.toBe(huge);
});
