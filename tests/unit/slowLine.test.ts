import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { SlowLines } from '../../preview/slowLine';

/** 8 kbit/s: one byte a ms. */
const LINE = { speed: 8, latency: 100 };

describe('answers on a slow line', () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => void vi.useRealTimers());

  /** When each is there, by the sizes in which they are asked for at once; ms. */
  async function arrivals(sizes: readonly number[], line = LINE): Promise<number[]> {
    const lines = new SlowLines();
    const begun = performance.now();
    const all = Promise.all(
      sizes.map(async (bytes) => {
        await lines.sent('token', bytes, line);
        return Math.round(performance.now() - begun);
      }),
    );
    await vi.runAllTimersAsync();
    return all;
  }

  it('takes what the line takes before an answer, and its bytes', async () => {
    expect(await arrivals([500])).toEqual([600]);
  });

  it('takes together what both take side by side', async () => {
    expect(await arrivals([500, 300])).toEqual([600, 900]);
  });

  it('has six connections: the seventh waits for one of them', async () => {
    const seventh = (await arrivals([100, 100, 100, 100, 100, 100, 100])).at(-1);
    // The first is there at 200; the seventh is asked for then, and the line is taken until 700.
    expect(seventh).toBe(800);
    expect((await arrivals([1, 1, 1, 1, 1, 1, 1])).at(-1)).toBe(101 + 100 + 1);
  });

  it('only waits where there is no limit', async () => {
    expect(await arrivals([1e9], { speed: null as never, latency: 40 })).toEqual([40]);
  });
});
