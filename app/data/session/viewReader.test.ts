import { describe, expect, it } from 'vitest';
import type { SiteView } from '~core/view/index.ts';
import { LONG_LISTS, marksOf, PIECE, type LongList } from '../../workers/longLists';
import { ViewReader, type ViewSource } from './viewReader';

/** A worker whose site has `rows` rows in every long list, all named after the state that it is in. */
function worker(rows: number, keeps: readonly LongList[] = []) {
  const state = { now: 0, heads: 0, parts: 0, largest: 0, atOnce: 0, most: 0 };
  let handed: { number: number; state: number } | null = null;
  const list = (of: number) => Array.from({ length: rows }, (_, n) => `${of}:${n}`);
  let before: number | null = null;
  const source: ViewSource = {
    viewHead: async (known) => {
      state.most = Math.max(state.most, ++state.atOnce);
      await Promise.resolve();
      handed = { number: ++state.heads, state: state.now };
      const isSame = (name: LongList) => known !== null && known === before && keeps.includes(name);
      const same = LONG_LISTS.map((name) => Array.from({ length: Math.ceil(rows / PIECE) }, () => isSame(name)));
      before = handed.number;
      return {
        number: handed.number,
        same,
        head: { unread: state.now, ...Object.fromEntries(LONG_LISTS.map((name) => [name, []])) } as unknown as SiteView,
        lengths: LONG_LISTS.map(() => rows),
      };
    },
    viewPart: async (number: number, _name: LongList, piece: number) => {
      await Promise.resolve();
      state.parts++;
      if (handed?.number !== number) return null;
      const part = list(handed.state).slice(piece * PIECE, (piece + 1) * PIECE);
      state.largest = Math.max(state.largest, part.length);
      if ((piece + 1) * PIECE >= rows && _name === LONG_LISTS.at(-1)) state.atOnce--;
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
    expect(state.largest).toBeLessThanOrEqual(PIECE);
    expect(state.parts).toBe(LONG_LISTS.length * Math.ceil(1050 / PIECE));
  });

  it('is of one state, even if the site changes while it is fetched', async () => {
    const { source, state } = worker(900);
    const reading = new ViewReader(source).read();
    await Promise.resolve();
    await Promise.resolve();
    state.now = 7;
    const view = await reading;
    const states = new Set(
      LONG_LISTS.flatMap((name) => (view[name] as unknown as string[]).map((row) => row.split(':')[0])),
    );
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

  it('keeps the lists that are as they were, to the very object, and fetches none of their pieces', async () => {
    const { source, state } = worker(
      300,
      LONG_LISTS.filter((name) => name !== 'strands'),
    );
    const reader = new ViewReader(source);
    const first = await reader.read();
    state.parts = 0;
    state.atOnce = 0;
    state.now = 1;
    const second = await reader.read();
    expect(second.pairs).toBe(first.pairs);
    expect(second.strands).not.toBe(first.strands);
    expect((second.strands as unknown as string[])[299]).toBe('1:299');
    expect(state.parts).toBe(Math.ceil(300 / PIECE));
  });

  it('that fails is told, and the next is read all the same', async () => {
    const { source } = worker(3);
    let fails = true;
    const reader = new ViewReader({
      ...source,
      viewHead: (known) => (fails ? Promise.reject(new Error('gone')) : source.viewHead(known)),
    });
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

describe('marks of pieces', () => {
  const lists = (change: (n: number) => string) =>
    marksOf(
      Object.fromEntries(
        LONG_LISTS.map((name) => [name, Array.from({ length: 600 }, (_, n) => ({ row: n, says: change(n) }))]),
      ) as never,
    );

  it('differ just where a piece does', () => {
    const [one, two] = [lists(() => 'moor'), lists((n) => (n === 300 ? 'mere' : 'moor'))];
    expect(one.pairs).toHaveLength(3);
    expect(one.pairs.map((mark, n) => mark === two.pairs[n])).toEqual([true, false, true]);
  });

  it('tell pieces apart that differ in one letter, or in the order of two', () => {
    const seen = new Set<string>();
    const places = Array.from({ length: 40 }, (_, n) => n * 15);
    for (const n of places)
      for (const says of ['mere', 'meer', 'moor']) seen.add(lists((at) => (at === n ? says : 'sky')).pairs.join());
    expect(seen.size).toBe(places.length * 3);
  });
});
