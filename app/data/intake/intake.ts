/**
 * Bringing in, as the screen asks for it: each time in a worker of its own, which gives its memory back when it is
 * done. What comes in is judged before it is read, and kept all at once or not at all.
 */
import * as Comlink from 'comlink';
import type { Result } from '~core/site/index.ts';
import type { Intake } from '../../workers/intake';
import { withProgress } from '../../workers/start';
import { STOPPED, type IntakeProgress, type IntakeResult } from './importSite';
import type { IntakeFile } from './incoming';

interface Options {
  onProgress: (progress: IntakeProgress) => void;
  signal?: AbortSignal;
  name?: string;
}

/** ms in which a worker that was stopped may say so itself; then it is ended. */
const GRACE = 1500;

/** Files in one message: more would stall whoever sends them. */
const PIECE = 500;

export function importZip(archive: Blob, fileName: string, options: Options): Promise<IntakeResult> {
  options.onProgress({ says: 'Opening the archive', share: null });
  return inWorker(options, (intake, tell) => intake.archive(archive, fileName, options.name ?? null, tell));
}

export function importFiles(files: readonly IntakeFile[], options: Options): Promise<IntakeResult> {
  return inWorker(options, async (intake, tell) => {
    for (let at = 0; at < files.length; at += PIECE) await intake.add(files.slice(at, at + PIECE));
    return intake.folder(options.name ?? null, tell);
  });
}

/** All files of a small archive. */
export async function unzip(archive: Blob): Promise<Result<{ files: IntakeFile[]; folder: string }>> {
  const worker = start();
  try {
    return await Comlink.wrap<Intake>(worker).unzip(archive);
  } finally {
    worker.terminate();
  }
}

const start = () => new Worker(new URL('../../workers/intake.ts', import.meta.url), { type: 'module', name: 'intake' });

async function inWorker(
  { onProgress, signal }: Options,
  work: (intake: Comlink.Remote<Intake>, tell: (progress: IntakeProgress) => void) => Promise<IntakeResult>,
): Promise<IntakeResult> {
  if (signal?.aborted) return STOPPED;
  const worker = start();
  const intake = Comlink.wrap<Intake>(worker);
  let stop: () => void = () => undefined;
  const stopped = new Promise<IntakeResult>((resolve) => {
    stop = () => {
      void intake.stop();
      setTimeout(() => resolve(STOPPED), GRACE);
    };
  });
  signal?.addEventListener('abort', stop);
  try {
    return await withProgress(onProgress, (tell) => Promise.race([work(intake, tell), stopped]));
  } finally {
    signal?.removeEventListener('abort', stop);
    worker.terminate();
  }
}
