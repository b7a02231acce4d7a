/** Exercises as sites of this browser: set out from the demo's pictures, and remembered once they are solved. */
import { z } from 'zod';
import { EXERCISE_PAGE, exerciseTexts, SOUND_PICTURES, VIEWER_FOLDERS, type Exercise } from '~core/exercises/index.ts';
import { NOTES_FILE, refuse, writeNotes, type Result } from '~core/site/index.ts';
import { importFiles, unzip } from './intake/intake';
import type { IntakeFile } from './intake/incoming';
import type { SiteRecord } from './store/records';

const SOLVED = 'exercises-solved';

const Solved = z.array(z.string()).catch([]);

/** Ids of the exercises that were solved in this browser. */
export function solvedExercises(): readonly string[] {
  const kept = localStorage.getItem(SOLVED);
  if (kept === null) return [];
  try {
    return Solved.parse(JSON.parse(kept));
  } catch {
    return [];
  }
}

export function rememberSolved(id: string): void {
  const before = solvedExercises();
  if (!before.includes(id)) localStorage.setItem(SOLVED, JSON.stringify([...before, id]));
}

const asText = (path: string, text: string): IntakeFile => ({ path, blob: new Blob([text]) });

/** The demo's own pictures, each in its place in an exercise. */
async function pictures(): Promise<Result<{ files: IntakeFile[] }>> {
  const answer = await fetch('/demo.zip').catch(() => null);
  if (answer === null) return refuse('The server does not answer.');
  if (!answer.ok) return refuse(await answer.text());
  const demo = await unzip(await answer.blob());
  if (!demo.ok) return demo;
  const files = SOUND_PICTURES.flatMap(({ name }) =>
    ['small', 'large'].flatMap((folder) => {
      const file = demo.files.find(({ path }) => path.endsWith(`photos/${folder}/${name}`));
      return file ? [{ path: `${folder}/${name}`, blob: file.blob }] : [];
    }),
  );
  // One that is missing would be a second fault, which nobody planted.
  if (files.length < SOUND_PICTURES.length * 2) return refuse('Its pictures are not all in the demo site.');
  return { ok: true, files };
}

/** A fresh site with the exercise's fault in it. */
export async function setOutExercise(exercise: Exercise): Promise<Result<{ site: SiteRecord }>> {
  const drawn = await pictures();
  if (!drawn.ok) return drawn;
  const { KITS } = await import('../workers/kits');
  const kit = KITS.find(({ manifest }) => manifest.name === exercise.viewer);
  if (!kit) return refuse(`There is no viewer ${exercise.viewer}.`);
  const folder = VIEWER_FOLDERS[exercise.viewer];
  const viewer = Object.entries(kit.files).map(([name, text]) => asText(`${folder}/${name}`, text));
  const texts = Object.entries(exerciseTexts(exercise)).map(([path, text]) => asText(path, text));
  const notes = asText(NOTES_FILE, writeNotes({ format: 1, exercise: exercise.id }));
  const files = [...texts, ...viewer, notes, ...drawn.files];
  return importFiles(files, { name: exercise.title, onProgress: () => undefined });
}

/** Where work on it begins: the page's source beside the live page. */
export const placeOfExercise = (siteId: string): string => `/site/${siteId}/markup?page=${EXERCISE_PAGE}`;
