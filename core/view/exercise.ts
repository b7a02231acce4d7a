/** How far somebody has come with an exercise. */
import type { Finding } from '../checks/index.ts';
import { EXERCISE_PAGE, exerciseNamed, isAnswered, saidOfTry } from '../exercises/index.ts';
import type { SiteReading } from '../model/index.ts';

export interface ExerciseView {
  id: string;
  /** Whether the checks find nothing that is broken, nor the planted fault; the exercise does not show what they find. */
  sound: boolean;
  /** Nothing speaks against the page's text; whether it works is for the rehearsal to say. */
  answered: boolean;
  /** What is to be said of what was tried; null where nothing is. */
  says: string | null;
}

/** Null for a site that is no exercise. */
export function exerciseView(site: SiteReading, findings: readonly Finding[]): ExerciseView | null {
  const exercise = exerciseNamed(site.notes.known.exercise);
  if (!exercise) return null;
  const page = site.files.get(EXERCISE_PAGE);
  const text = page?.kind === 'text' ? page.text : '';
  const sound = !findings.some(({ severity, rule }) => severity === 'error' || rule === exercise.rule);
  return { id: exercise.id, sound, answered: sound && isAnswered(exercise, text), says: saidOfTry(exercise, text) };
}
