import { describe, expect, it } from 'vitest';
import { posterPath } from './poster';

describe('a poster’s name', () => {
  it.each([
    ['films/loop.mp4', 'small/a.jpg', [], 'small/loop.jpg'],
    ['films/loop.mp4', 'a.jpg', [], 'loop.jpg'],
    ['films/loop.mp4', null, [], 'films/loop.jpg'],
    ['loop.webm', 's/a.jpg', ['s/loop.jpg', 's/loop-2.jpg'], 's/loop-3.jpg'],
  ])('of %s beside %s is free and in step', (video, thumbnail, taken, path) =>
    expect(posterPath(video, thumbnail, new Set(taken))).toBe(path),
  );
});
