/** What is typed is kept at once, and comes in whatever happened to the file meanwhile. */
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { refuse, type Edit, type FileChange, type FileContent } from '~core/site/index.ts';
import { newSite } from '../intake/newSite';
import { memoryStore } from '../store/memoryStore';
import type { Written } from '../store/store';
import type { Outcome, SharedSite } from './shared';
import { Typing } from './typing';
import { editsFor, leftFor } from './unwritten';

const at = (start: number, text: string, end = start): Edit => ({ start, end, text });

let shared: SharedSite;
let leave: AbortController;
let queue: Promise<unknown>;
/** The reason why nothing can be written. */
let full: string | null;
let told: Outcome[];
/** What comes along with what is typed. */
let alongside: FileChange[];
let typing: Typing;

const text = () => {
  const file = shared.files.get('a.html');
  return file?.kind === 'text' ? file.text : null;
};
const kept = async () => (await shared.store.readTyping(shared.site.id)).map(({ steps }) => steps);

/** Changes one after the other, as the open site has them, without its reading. */
function commits() {
  const commit = (written: Written): Promise<Outcome> => {
    if (!written.ok) return Promise.resolve(written);
    for (const [path, content] of written.files) {
      if (content) shared.files.set(path, content);
      else shared.files.delete(path);
    }
    return Promise.resolve({ ok: true, label: written.change.label, diffs: [] });
  };
  const inTurn = (work: () => Promise<Outcome>): Promise<Outcome> => {
    const turn = queue.then(() => (full === null ? work() : refuse(full)));
    queue = turn;
    return turn;
  };
  const along = () => Promise.resolve(alongside);
  return { commit, inTurn, along };
}

const change = async (edits: Edit[]) =>
  commits().commit(
    await shared.store.writeChange(shared.site.id, {
      label: 'elsewhere',
      files: [{ kind: 'edit', path: 'a.html', edits }],
    }),
  );

beforeEach(async () => {
  const store = memoryStore();
  const files = new Map<string, FileContent>([['a.html', { kind: 'text', text: 'one two\r\nthree' }]]);
  const site = newSite('Kites', files);
  await store.addSite(site, files);
  leave = new AbortController();
  shared = { store, files, site, shut: null, leaving: leave.signal };
  queue = Promise.resolve();
  alongside = [];
  full = null;
  told = [];
  typing = new Typing(shared, commits(), (outcome) => told.push(outcome));
});

describe('what is typed', () => {
  it('is kept while it goes on, and no more when it is written', async () => {
    typing.keep('a.html', 'one two\r\nthree', [at(3, '!')]);
    expect(await kept()).toEqual([[[at(3, '!')]]]);
    expect(typing.textOf('a.html')).toBeNull();
    const written = typing.write('a.html', 'one two\r\nthree', [at(3, '!?')]);
    expect(typing.textOf('a.html')).toBe('one!? two\r\nthree');
    expect(await kept()).toEqual([[[at(3, '!?')]]]);
    await written;
    expect(text()).toBe('one!? two\r\nthree');
    expect(typing.textOf('a.html')).toBeNull();
    expect(await kept()).toEqual([]);
  });

  it('stays kept where more was typed while it was being written', async () => {
    const written = typing.write('a.html', 'one two\r\nthree', [at(0, 'a')]);
    typing.keep('a.html', 'aone two\r\nthree', [at(1, 'b')]);
    await written;
    expect(await kept()).toEqual([[[at(0, 'a')], [at(1, 'b')]]]);
    await typing.write('a.html', 'aone two\r\nthree', [at(1, 'b')]);
    expect(text()).toBe('abone two\r\nthree');
    expect(await kept()).toEqual([]);
  });

  it('is written once, and in its order, where it is handed over in two pieces', async () => {
    const first = typing.write('a.html', 'one two\r\nthree', [at(0, 'a')]);
    const second = typing.write('a.html', 'aone two\r\nthree', [at(1, 'b')]);
    await Promise.all([first, second]);
    expect(text()).toBe('abone two\r\nthree');
    expect((await shared.store.readJournal(shared.site.id)).length).toBe(1);
  });

  it('comes in beside a change that was made meanwhile', async () => {
    await change([at(9, 'and ')]);
    await typing.write('a.html', 'one two\r\nthree', [at(14, ' four'), at(14, '.')]);
    expect(text()).toBe('one two\r\nand three four.');
    await change([at(0, '', 4)]);
    await typing.write('a.html', 'one two\r\nand three four.', [at(3, ' and a half')]);
    expect(text()).toBe(' and a halftwo\r\nand three four.');
  });

  it('is tried again where there was no room, and says so until then', async () => {
    vi.useFakeTimers();
    try {
      full = 'The disk is full.';
      await typing.write('a.html', 'one two\r\nthree', [at(0, 'a')]);
      expect(typing.trouble).toBe('The disk is full.');
      expect(typing.textOf('a.html')).toBe('aone two\r\nthree');
      full = null;
      await vi.advanceTimersByTimeAsync(5000);
      await queue;
      await vi.advanceTimersByTimeAsync(0);
    } finally {
      vi.useRealTimers();
    }
    expect(typing.trouble).toBeNull();
    expect(text()).toBe('aone two\r\nthree');
    expect(told.map(({ ok }) => ok)).toEqual([false, true]);
  });

  it('is kept at once where the page goes while it waits for its turn', async () => {
    const written = typing.write('a.html', 'one two\r\nthree', [at(0, 'a')]);
    const saveLast = vi.spyOn(shared.store, 'saveLastTyping');
    typing.leave();
    expect(saveLast.mock.calls).toEqual([
      [{ siteId: shared.site.id, path: 'a.html', before: 'one two\r\nthree', steps: [[at(0, 'a')]] }],
    ]);
    await written;
    typing.leave();
    expect(saveLast).toHaveBeenCalledTimes(1);
    expect(await kept()).toEqual([]);
  });

  it('is kept and told where its file has gone', async () => {
    shared.files.delete('a.html');
    await typing.write('a.html', 'one two\r\nthree', [at(0, 'a')]);
    expect(typing.trouble).toContain('a.html no longer exists');
    expect(await kept()).toEqual([[[at(0, 'a')]]]);
  });
});

describe('what the page was closed over', () => {
  const recover = async (steps: Edit[][], before = 'one two\r\nthree') => {
    await shared.store.saveTyping({ siteId: shared.site.id, path: 'a.html', before, steps });
    await typing.recover();
    return text();
  };

  it('is written when the site is opened', async () => {
    expect(await recover([[at(0, 'a')], [at(1, 'b')]])).toBe('abone two\r\nthree');
    expect(await kept()).toEqual([]);
  });

  it('brings along what is made from it, in the same change', async () => {
    alongside = [{ kind: 'put', path: 'b.html', before: null, after: { kind: 'text', text: 'made' } }];
    await typing.write('a.html', 'one two\r\nthree', [at(0, 'a')]);
    expect(shared.files.get('b.html')).toEqual({ kind: 'text', text: 'made' });
    const entry = (await shared.store.stepJournal(shared.site.id, 'undo')) as Extract<Written, { ok: true }>;
    expect([...entry.files.keys()].sort()).toEqual(['a.html', 'b.html']);
  });

  it('is not written twice, neither all of it nor some', async () => {
    await change([at(0, 'a')]);
    expect(await recover([[at(0, 'a')], [at(1, 'b')]])).toBe('abone two\r\nthree');
    expect(await recover([[at(0, 'a')], [at(1, 'b')]])).toBe('abone two\r\nthree');
    expect(await kept()).toEqual([]);
  });

  it('does not come in where its steps do not fit, and nothing else is spoilt', async () => {
    expect(await recover([[at(0, 'a')], [at(99, 'b')]])).toBe('aone two\r\nthree');
  });
});

describe('steps', () => {
  it('are counted from the state that the file has', () => {
    const unwritten = { before: 'x', steps: [[at(1, 'y')], [at(2, 'z')]] };
    expect(leftFor(unwritten, 'xy')).toEqual({ before: 'xy', steps: [[at(2, 'z')]] });
    expect(leftFor(unwritten, 'xyz').steps).toEqual([]);
    expect(leftFor(unwritten, 'other')).toBe(unwritten);
  });

  it('keep line breaks of either kind as they are', async () => {
    expect(await editsFor({ before: 'a\r\nb\n', steps: [[at(3, 'c\r\nd\n')], [at(0, '\r\n')]] }, 'a\r\nb\n')).toEqual([
      at(0, '\r\n'),
      at(3, 'c\r\nd\n'),
    ]);
  });
});
