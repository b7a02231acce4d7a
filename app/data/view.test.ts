import { describe, expect, it } from 'vitest';
import type { SiteView } from '~core/view/index.ts';
import { LONG_LISTS, type LongList } from '../workers/longLists';
import { ViewReader, type ViewSource } from './view';

/** A worker whose site has `rows` rows in every long list, all named after the state that it is in. */
function worker(rows: number) {
  const state = { now: 0, heads: 0, parts: 0, largest: 0, atOnce: 0, most: 0 };
  let handed: { number: number; state: number } | null = null;
  const list = (of: number) => Array.from({ length: rows }, (_, n) => `${of}:${n}`);
  const source: ViewSource = {
    viewHead: async () => {
      state.most = Math.max(state.most, ++state.atOnce);
      await Promise.resolve();
      handed = { number: ++state.heads, state: state.now };
      return { number: handed.number, head: { unread: state.now, ...Object.fromEntries(LONG_LISTS.map((name) => [name, []])) } as unknown as SiteView, lengths: LONG_LISTS.map(() => rows) };
    },
    viewPart: async (number: number, _name: LongList, from: number, count: number) => {
      await Promise.resolve();
      state.parts++;
      if (handed?.number !== number) return null;
      const part = list(handed.state).slice(from, from + count);
      state.largest = Math.max(state.largest, part.length);
      if (from + count >= rows && _name === LONG_LISTS.at(-1)) state.atOnce--;
      return part;
    },
  };
  return { source, state };
}

describe('a view', () => {
  it('comes whole, in pieces that are small', async () => {
    const { source, state } = worker(1050);
    const view = await new ViewReader(source).read();
    for (const name of LONG_LISTS) expect(view[name]).toHaveLength(1050);
    expect((view.pairs as unknown as string[])[1049]).toBe('0:1049');
    expect(state.largest).toBeLessThanOrEqual(400);
    expect(state.parts).toBe(LONG_LISTS.length * 3);
  });

  it('is of one state, even if the site changes while it is fetched', async () => {
    const { source, state } = worker(900);
    const reading = new ViewReader(source).read();
    await Promise.resolve();
    await Promise.resolve();
    state.now = 7;
    const view = await reading;
    const states = new Set(LONG_LISTS.flatMap((name) => (view[name] as unknown as string[]).map((row) => row.split(':')[0])));
    expect([...states]).toEqual(['0']);
  });

  it('is read one at a time, however often it is asked for, and the last who asks sees the last state', async () => {
    const { source, state } = worker(500);
    const reader = new ViewReader(source);
    const asked: Promise<SiteView>[] = [];
    for (let n = 1; n <= 20; n++) {
      state.now = n;
      asked.push(reader.read());
    }
    expect(reader.busy).toBe(true);
    const views = await Promise.all(asked);
    expect(state.heads).toBe(2);
    expect(state.most).toBe(1);
    expect(views.at(-1)?.unread).toBe(20);
    expect(new Set(views.slice(1))).toEqual(new Set([views[1]]));
    await Promise.resolve();
    expect(reader.busy).toBe(false);
    state.now = 21;
    expect((await reader.read()).unread).toBe(21);
  });

  it('that fails is told, and the next is read all the same', async () => {
    const { source } = worker(3);
    let fails = true;
    const reader = new ViewReader({ ...source, viewHead: () => (fails ? Promise.reject(new Error('gone')) : source.viewHead()) });
    const [first, second] = [reader.read(), reader.read()];
    fails = false;
    await expect(first).rejects.toThrow('gone');
    expect((await second).pairs).toHaveLength(3);
  });

  it('of a site that was left is none', async () => {
    const { source } = worker(3);
    const reader = new ViewReader({ ...source, viewPart: () => Promise.resolve(null) });
    await expect(reader.read()).rejects.toThrow('Another site was opened');
  });
});
