/** Pictures made from others and put in place as one change, also those that a reload interrupted. */
import { DEFAULT_RECIPE, Recipe } from '~core/photo/index.ts';
import type { PictureTask } from '~core/model/index.ts';
import type { MadeFile } from '~core/plans/index.ts';
import { notesIn, refuse } from '~core/site/index.ts';
import { analysis, pictureWorkers } from '../../workers/start';
import { INTAKE_LOCK } from '../intake/lock';
import type { AnalysedPictures } from './analysedPictures';
import type { Commits } from './commits';
import type { Jobs } from './jobs';
import { makePictures, type MadeBatch } from './makePictures';
import type { Outcome, SharedSite } from './shared';
import type { SitePictures } from './sitePictures';

export class Making {
  readonly #site: SharedSite;
  readonly #commits: Commits;
  readonly #jobs: Jobs;
  readonly #analysed: AnalysedPictures;
  readonly #pictures: SitePictures;

  constructor(site: SharedSite, commits: Commits, jobs: Jobs, analysed: AnalysedPictures, pictures: SitePictures) {
    this.#site = site;
    this.#commits = commits;
    this.#jobs = jobs;
    this.#analysed = analysed;
    this.#pictures = pictures;
  }

  /** What cannot be made is named and stops nothing. `before` was made already, before a reload. */
  make(tasks: readonly PictureTask[], before: readonly MadeFile[] = []): Promise<Outcome> {
    return this.#commits.inTurn(() =>
      navigator.locks.request(INTAKE_LOCK, { mode: 'shared' }, async (): Promise<Outcome> => {
        const batch = await this.#work(tasks, before);
        this.#jobs.show(null);
        return batch === null ? refuse('Stopped. No picture was written.') : this.#place(batch);
      }),
    );
  }

  /** Pictures that were being made when the page went away are made to their end; null where none were. */
  async resume(): Promise<Outcome | null> {
    const queue = this.#site.shut !== null ? null : await this.#site.store.readQueue(this.#site.site.id);
    return queue && this.make(queue.tasks, queue.done);
  }

  async #work(tasks: readonly PictureTask[], before: readonly MadeFile[]): Promise<MadeBatch | null> {
    const { words, exact } = Recipe.safeParse(notesIn(this.#site.files).recipe).data ?? DEFAULT_RECIPE;
    return makePictures(this.#site.store, this.#site.site.id, await analysis().readyTasks([...tasks]), {
      before,
      recipe: { words, exact },
      workers: pictureWorkers(),
      sourceOf: (task) => this.#pictures.sourceOf(task),
      leaving: this.#site.leaving,
      onJob: (job) => this.#jobs.show(job),
    });
  }

  async #place({ files, analyses, failed, remarks }: MadeBatch): Promise<Outcome> {
    const { store, site } = this.#site;
    if (files.length === 0) {
      await store.removeQueue(site.id);
      return refuse(`No picture could be created. ${failed.join('; ')}`);
    }
    await this.#analysed.learn(analyses);
    const planned = await analysis().placeMade(files);
    if (!planned.ok) return planned;
    const { change, diffs, named = [] } = planned;
    // After a crash between the two writes below all is in place already.
    const outcome: Outcome =
      change.files.length === 0
        ? { ok: true, label: change.label, diffs }
        : await this.#commits.commit(await store.writeChange(site.id, change), diffs);
    await store.removeQueue(site.id);
    const more = [...remarks, ...(failed.length > 0 ? [`not created: ${failed.join('; ')}`] : [])];
    return outcome.ok ? { ...outcome, label: [outcome.label, ...more].join('; '), named } : outcome;
  }
}
