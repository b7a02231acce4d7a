import { describe, expect, it } from 'vitest';
import type { PictureAnalysis } from '../../workers/pictures';
import { analysePictures } from './analysePictures';

const unread = (count: number) => new Map(Array.from({ length: count }, (_, n) => [`h${n}`, `p${n}.jpg`]));
const look = (path: string) => ({ facts: { path } as unknown, glance: null }) as PictureAnalysis;
const slowly = (ms: number) => new Promise((done) => setTimeout(done, ms));

interface Run {
  count: number;
  analysers?: number;
  wait?: (n: number) => number;
  behind?: () => boolean;
  gone?: () => boolean;
  missing?: (hash: string) => boolean;
}

async function run({
  count,
  analysers = 2,
  wait = () => 0,
  behind = () => false,
  gone = () => false,
  missing = () => false,
}: Run) {
  const learnt: { hashes: string[]; done: number }[] = [];
  let n = 0;
  await analysePictures({
    unread: unread(count),
    analysers: Array.from({ length: analysers }, () => async (_blob: Blob, path: string) => {
      await slowly(wait(n++));
      return look(path);
    }),
    blobsOf: (hashes) => Promise.resolve(hashes.map((hash) => (missing(hash) ? undefined : new Blob([hash])))),
    learn: async (analyses, done) => {
      learnt.push({ hashes: [...analyses.keys()], done });
      await slowly(5);
    },
    behind,
    gone,
  });
  return learnt;
}

describe('looking at pictures', () => {
  it('hands on each once, whoever saw it and however long others took', async () => {
    // One looker takes so long that what it sees comes in the middle of handing on what the other saw.
    const learnt = await run({ count: 30, wait: (n) => (n % 7 === 3 ? 12 : 1) });
    const hashes = learnt.flatMap((one) => one.hashes);
    expect(hashes).toHaveLength(30);
    expect(new Set(hashes).size).toBe(30);
    expect(learnt.at(-1)?.done).toBe(30);
  });

  it('hands on rarely, and not while the screen is behind; the last at once', async () => {
    const learnt = await run({ count: 12, wait: () => 150, behind: () => true });
    expect(learnt).toHaveLength(1);
    expect(learnt[0]).toMatchObject({ done: 12 });
    const more = await run({ count: 24, wait: () => 150 });
    expect(more.length).toBeGreaterThan(1);
    expect(more.length).toBeLessThan(5);
  });

  it('ends where the site is left, and passes over what is no longer there', async () => {
    let seen = 0;
    expect(await run({ count: 40, analysers: 1, gone: () => seen++ >= 3 })).toEqual([]);
    const learnt = await run({ count: 5, missing: (hash) => hash === 'h2' });
    expect(learnt.flatMap(({ hashes }) => hashes)).not.toContain('h2');
    expect(learnt.at(-1)?.done).toBe(5);
  });
});
