import { beforeEach, describe, expect, it } from 'vitest';
import { DEFAULT_RECIPE, UNROTATED } from '~core/photo/index.ts';
import type { MadeFile, ReadyTask } from '~core/plans/index.ts';
import type { MadePicture } from '../../workers/pictures';
import { makePictures, type Maker, type Source } from './makePictures';
import type { Job } from './jobs';
import { memoryStore } from '../store/memoryStore';
import type { Store } from '../store/store';

let store: Store;
const blobOf = async (hash: string | undefined) => (await store.readBlobs([hash ?? '']))[0];
const SITE = 'site';
const SIZE = DEFAULT_RECIPE.thumbnail;

const task = (name: string, as = 'thumbnail', part: Partial<ReadyTask> = {}): ReadyTask => ({
  from: `${name}.jpg`,
  to: `${as}/${name}.jpg`,
  size: SIZE,
  as,
  times: 1,
  source: `hash of ${name}`,
  focus: { x: 0.5, y: 0.5 },
  said: {},
  rotation: UNROTATED,
  already: UNROTATED,
  ...part,
});
const outcome = (to: string, part: Partial<MadePicture> = {}): MadePicture => ({
  to,
  blob: new Blob([`made ${to}`]),
  width: 150,
  height: 100,
  short: false,
  met: true,
  whole: false,
  ...part,
});

interface Asked {
  from: string;
  to: string[];
}

/** A worker that notes what it was asked for, and does what a test wants of it. */
function maker(
  asked: Asked[],
  make: (to: string) => MadePicture = outcome,
  meanwhile: () => void | Promise<void> = () => undefined,
): () => Maker {
  return () => ({
    make: async (_blob, from, wanted) => {
      asked.push({ from, to: wanted.map(({ to }) => to) });
      await meanwhile();
      return wanted.map(({ to }) => make(to));
    },
    look: () =>
      Promise.resolve({
        facts: {
          width: 150,
          height: 100,
          orientation: 1,
          likeness: '',
          mean: [0, 0, 0],
          luma: { width: 0, height: 0, data: new Uint8Array() },
          words: {},
        },
        glance: null,
      }),
  });
}

const source = (content: string) => Promise.resolve({ blob: new Blob([content]), rotation: UNROTATED });

interface Run {
  before?: MadeFile[];
  workers: (() => Maker)[];
  leaving?: AbortSignal;
  onJob?: (job: Job) => void;
  sourceOf?: (task: ReadyTask) => Promise<Source | null>;
}

const run = (
  tasks: ReadyTask[],
  {
    before = [],
    workers,
    leaving = new AbortController().signal,
    onJob = () => undefined,
    sourceOf = () => source('source'),
  }: Run,
) =>
  makePictures(store, SITE, tasks, {
    before,
    recipe: { words: 'rights', exact: false },
    workers,
    sourceOf,
    leaving,
    onJob,
  });

beforeEach(() => {
  store = memoryStore();
});

describe('the queue', () => {
  it('takes a picture once for all of its sizes, and every picture', async () => {
    const asked: Asked[] = [];
    const batch = await run([task('a'), task('a', 'full'), task('b'), task('c')], {
      workers: [maker(asked), maker(asked)],
    });
    expect(asked.sort((p, q) => p.from.localeCompare(q.from))).toEqual([
      { from: 'a.jpg', to: ['thumbnail/a.jpg', 'full/a.jpg'] },
      { from: 'b.jpg', to: ['thumbnail/b.jpg'] },
      { from: 'c.jpg', to: ['thumbnail/c.jpg'] },
    ]);
    expect(batch?.files.map(({ task: { to }, source }) => [to, source]).sort()).toEqual([
      ['full/a.jpg', 'hash of a'],
      ['thumbnail/a.jpg', 'hash of a'],
      ['thumbnail/b.jpg', 'hash of b'],
      ['thumbnail/c.jpg', 'hash of c'],
    ]);
    expect(batch?.failed).toEqual([]);
    for (const { hash, bytes } of batch?.files ?? []) expect((await blobOf(hash))?.size).toBe(bytes);
  });

  it('writes down what is done, and what it keeps is not swept away', async () => {
    const batch = await run([task('a'), task('b')], { workers: [maker([])] });
    const queue = await store.readQueue(SITE);
    expect(queue?.tasks.map(({ to }) => to)).toEqual(['thumbnail/a.jpg', 'thumbnail/b.jpg']);
    expect(queue?.done).toEqual(batch?.files);
    await store.sweepBlobs();
    expect(await blobOf(batch?.files[0]?.hash)).toBeDefined();
    await store.removeQueue(SITE);
    await store.sweepBlobs();
    expect(await blobOf(batch?.files[0]?.hash)).toBeUndefined();
  });

  it('goes on where it was: what is made is not made again', async () => {
    const first = await run([task('a')], { workers: [maker([])] });
    const asked: Asked[] = [];
    const batch = await run([task('a'), task('b')], { before: first!.files, workers: [maker(asked)] });
    expect(asked).toEqual([{ from: 'b.jpg', to: ['thumbnail/b.jpg'] }]);
    expect(batch?.files.map(({ task: { to } }) => to)).toEqual(['thumbnail/a.jpg', 'thumbnail/b.jpg']);
  });

  it('leaves nothing where it is stopped', async () => {
    const jobs: Job[] = [];
    const asked: Asked[] = [];
    const batch = await run([task('a'), task('b'), task('c')], {
      onJob: (job) => jobs.push(job),
      workers: [maker(asked, outcome, () => jobs.at(-1)?.stop?.())],
    });
    expect(batch).toBeNull();
    expect(asked).toHaveLength(1);
    expect(await store.readQueue(SITE)).toBeNull();
  });

  it('waits for the next time where the site is left', async () => {
    const leaving = new AbortController();
    const batch = await run([task('a'), task('b')], {
      leaving: leaving.signal,
      workers: [maker([], outcome, () => leaving.abort())],
    });
    expect(batch).toBeNull();
    expect((await store.readQueue(SITE))?.done.map(({ task: { to } }) => to)).toEqual(['thumbnail/a.jpg']);
  });

  it('is not stopped by a picture that cannot be made, and names it with the reason', async () => {
    const broken = (to: string): MadePicture => {
      if (to.endsWith('bad.jpg')) throw new Error('it may be damaged');
      return outcome(to);
    };
    const batch = await run([task('a'), task('bad'), task('c')], {
      workers: [maker([], broken)],
      sourceOf: ({ from }) => (from === 'c.jpg' ? Promise.resolve(null) : source('source')),
    });
    expect(batch?.files.map(({ task: { to } }) => to)).toEqual(['thumbnail/a.jpg']);
    expect(batch?.failed).toEqual(['bad.jpg: it may be damaged', 'c.jpg: its source is no longer there']);
  });

  it('says what came out otherwise than one may expect', async () => {
    const odd = (to: string) => outcome(to, { short: to.endsWith('a.jpg'), met: !to.endsWith('b.jpg') });
    const batch = await run([task('a', 'thumbnail', { size: { ...SIZE, enlarge: true } }), task('b'), task('c')], {
      workers: [maker([], odd)],
    });
    expect(batch?.remarks).toEqual([
      'enlarged, because the pictures are smaller than their box: a.jpg',
      'no quality reaches the target for b.jpg (0 kB); the nearest was used',
    ]);
    const many = await run(
      ['p', 'q', 'r', 's', 't'].map((name) => task(name)),
      { workers: [maker([], (to) => outcome(to, { met: false }))] },
    );
    expect(many?.remarks[0]).toContain('p.jpg (0 kB), q.jpg (0 kB), r.jpg (0 kB) and 2 more');
  });

  it('leaves a file that would only become heavier as it is', async () => {
    const heavy = (to: string) => outcome(to, { whole: true, blob: new Blob(['much heavier than that']) });
    const batch = await run([task('a', 'full-size', { to: 'a.jpg' }), task('b', 'full-size', { to: 'other/b.jpg' })], {
      workers: [maker([], heavy)],
      sourceOf: () => source('light'),
    });
    // Elsewhere it is another file, which has to be there.
    expect(batch?.files.map(({ bytes }) => bytes)).toEqual([5, 22]);
    expect(batch?.remarks).toEqual(['that small already, left unchanged: a.jpg']);
  });

  it('takes what has become lighter', async () => {
    const lighter = (to: string) => outcome(to, { whole: true, blob: new Blob(['lean']) });
    const batch = await run([task('a', 'full-size', { to: 'a.jpg' })], {
      workers: [maker([], lighter)],
      sourceOf: () => source('heavy'),
    });
    expect(batch?.files.map(({ bytes }) => bytes)).toEqual([4]);
    expect(batch?.remarks).toEqual([]);
  });

  it('tells how far it is', async () => {
    const jobs: Job[] = [];
    await run([task('a'), task('b')], { onJob: (job) => jobs.push(job), workers: [maker([])] });
    expect(jobs[0]).toMatchObject({ says: 'Making a.jpg', done: 0, of: 2 });
    expect(jobs.at(-1)).toMatchObject({ says: 'Making b.jpg', done: 2, of: 2 });
  });
});
