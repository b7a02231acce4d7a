/** Over every station of an exercise: what the visitor says, hints one at a time, and whether it works by now. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { Link } from 'react-router';
import { EXERCISE_PAGE, exerciseNamed, EXERCISES, type Exercise } from '~core/exercises/index.ts';
import type { ExerciseView } from '~core/view/index.ts';
import { rememberSolved } from '../../data/exercises';
import { isDifferent } from '../../data/session/rehearsals';
import { color } from '../theme';
import { useSite } from './openSite';

/** Whether the page was rehearsed as it stands now, and what came of it. */
type Rehearsed = 'not yet' | 'different' | 'as expected';

function useRehearsedPage(strands: number): Rehearsed {
  const { rehearsals } = useSite().site.session;
  const now = () => rehearsals.of(EXERCISE_PAGE);
  const { strands: seen, stale } = useSyncExternalStore(rehearsals.watch, now, now);
  const outcomes = [...seen.values()];
  // Each picture is clicked in two windows, one after the other.
  const isWhole = outcomes.length >= strands && outcomes.every((one) => one.outcomes.length >= 2);
  if (stale || !isWhole || strands === 0) return 'not yet';
  return outcomes.some(isDifferent) ? 'different' : 'as expected';
}

const stripStyle = (solved: boolean) =>
  ({
    display: 'flex',
    flexWrap: 'wrap',
    alignItems: 'baseline',
    gap: '6px 12px',
    px: 2.5,
    py: 1,
    fontSize: '0.8125rem',
    bgcolor: color(solved ? 'lichenWash' : 'paper'),
    borderBottom: `1px solid ${color('hair')}`,
  }) as const;

const SAYS = { flex: '1 1 24rem', minWidth: 0 };

const HINTS = { my: 0.5, pl: 2.5 };

export function ExerciseStrip() {
  const { exercise: view } = useSite().site.view;
  const exercise = exerciseNamed(view?.id);
  if (!view || !exercise) return null;
  return <Strip key={exercise.id} exercise={exercise} view={view} />;
}

function Strip({ exercise, view }: { exercise: Exercise; view: ExerciseView }) {
  const { site, go } = useSite();
  const [hints, setHints] = useState(0);
  const rehearsed = useRehearsedPage(site.view.strands.length);
  const solved = view.answered && rehearsed === 'as expected';
  const number = EXERCISES.indexOf(exercise) + 1;
  useEffect(() => {
    if (solved) rememberSolved(exercise.id);
  }, [solved, exercise.id]);
  return (
    <Box component="section" aria-label="Exercise" sx={stripStyle(solved)}>
      <Box sx={SAYS}>
        <b>{`Exercise ${number} of ${EXERCISES.length}: ${exercise.title}`}</b>
        <Box>{`A visitor says: “${exercise.complaint}”`}</Box>
        {hints > 0 && !solved && (
          <Box component="ol" aria-label="Hints" sx={HINTS}>
            {exercise.hints.slice(0, hints).map((hint) => (
              <li key={hint}>{hint}</li>
            ))}
          </Box>
        )}
        <Box role="status" sx={{ color: color(solved ? 'lichen' : 'stone'), fontWeight: solved ? 600 : 400 }}>
          {saysOf(view, rehearsed)}
        </Box>
      </Box>
      {!solved && hints < exercise.hints.length && (
        <Button onClick={() => setHints(hints + 1)}>{hints === 0 ? 'Show a hint' : 'Show another hint'}</Button>
      )}
      {!solved && (
        <Button
          onClick={() => go({ station: 'wiring', page: EXERCISE_PAGE, sheet: { name: 'rehearsal', runs: true } })}
        >
          Rehearse the page
        </Button>
      )}
      <Button component={Link} to="/exercises">
        All exercises
      </Button>
    </Box>
  );
}

/** What is to be said of how far it has come. */
function saysOf({ answered, sound, says }: ExerciseView, rehearsed: Rehearsed): string {
  if (answered && rehearsed === 'as expected')
    return 'Solved: every picture opens as it should, on a desktop and on a phone.';
  if (rehearsed === 'not yet') return '';
  if (says !== null) return `It does not work yet. ${says}`;
  if (rehearsed === 'different' || !sound) return 'It does not work yet. Look at the strand that is broken.';
  return '';
}
