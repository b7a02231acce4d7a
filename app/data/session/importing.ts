/** Pictures from disk that come into an open site beside those of a gallery, with the thumbnails that they lack. */
import { refuse } from '~core/site/index.ts';
import { analysis } from '../../workers/start';
import type { IntakeFile } from '../intake/incoming';
import { INTAKE_LOCK } from '../intake/lock';
import { savePictures } from '../intake/savePictures';
import type { AnalysedPictures } from './analysedPictures';
import type { Commits } from './commits';
import type { Jobs } from './jobs';
import type { Making } from './makingJob';
import type { Outcome, SharedSite } from './shared';
import type { ViewReader } from './viewReader';

interface Workers {
  commits: Commits;
  jobs: Jobs;
  analysed: AnalysedPictures;
  making: Making;
  views: ViewReader;
}

/**
 * Where the pictures stand afterwards, none where they could not be imported; `tell` is told what came of each step.
 */
export async function importPictures(
  site: SharedSite,
  { commits, jobs, analysed, making, views }: Workers,
  files: readonly IntakeFile[],
  beside: { page: string; gallery: number | null } | null,
  tell: (outcome: Outcome) => void,
): Promise<string[]> {
  const stop = new AbortController();
  let paths: string[] = [];
  const show = (done: number) =>
    jobs.show({ says: 'Importing pictures', done, of: files.length, stop: () => stop.abort() });
  const outcome = await commits.inTurn(() =>
    navigator.locks.request(INTAKE_LOCK, { mode: 'shared' }, async (): Promise<Outcome> => {
      const kept = await savePictures(site.store, files, show, stop.signal);
      if (kept === null) return refuse('Stopped. Nothing was imported.');
      const { planned, paths: places } = await analysis().importPictures(kept, beside);
      if (!planned.ok) return planned;
      paths = places;
      const { change, diffs } = planned;
      if (change.files.length === 0) return { ok: true, label: change.label, diffs: [], undoable: false };
      return commits.commit(await site.store.writeChange(site.site.id, change), diffs);
    }),
  );
  jobs.show(null);
  tell(outcome);
  if (paths.length === 0) return [];
  await analysed.read();
  const { missing } = await views.read();
  const tasks = missing.filter(({ from }) => paths.includes(from));
  if (tasks.length > 0) tell(await making.make(tasks));
  return paths;
}
