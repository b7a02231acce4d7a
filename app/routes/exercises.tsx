import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { EXERCISES, type Exercise } from '~core/exercises/index.ts';
import { placeOfExercise, setOutExercise, solvedExercises } from '../data/exercises';
import { leaveSite } from '../data/session/openSite';
import { openStore } from '../data/store/idbStore';
import type { SiteRecord } from '../data/store/records';
import { STACKED } from '../ui/narrow';
import { Panel, Tag } from '../ui/parts/small';
import { Bar, DayNight } from '../ui/shell/Bar';
import { color, SERIF } from '../ui/theme';

export const meta = () => [{ title: 'Exercises – Heathmoor' }];

interface Begun {
  /** The latest site of each exercise that was begun, by the exercise. */
  sites: ReadonlyMap<string, SiteRecord>;
  solved: readonly string[];
}

export async function clientLoader(): Promise<Begun> {
  leaveSite();
  const store = await openStore();
  const begun = (await store.listSites()).filter(({ exercise }) => exercise !== undefined);
  const oldestFirst = begun.sort((a, b) => a.changed - b.changed);
  return { sites: new Map(oldestFirst.map((site) => [site.exercise ?? '', site])), solved: solvedExercises() };
}
clientLoader.hydrate = true as const;

export function HydrateFallback() {
  return (
    <Frame>
      <Box role="status" sx={{ color: color('stone') }}>
        Loading exercises…
      </Box>
    </Frame>
  );
}

const PAGE = { maxWidth: 820, mx: 'auto', pt: 5.5, px: 2, pb: 6 };

function Frame({ children }: { children: React.ReactNode }) {
  return (
    <>
      <Bar>
        <DayNight />
      </Bar>
      <Box component="main" sx={PAGE}>
        <Typography variant="h1">Exercises</Typography>
        <Typography sx={{ mt: 1, mb: 2, color: color('stone') }}>
          Each is a small site with one fault. A visitor says what is wrong; find the line and fix it by hand. The
          strand shows which step is broken, hints come one at a time, and rehearsing the page tells whether it works.
          From easy to hard.
        </Typography>
        {children}
      </Box>
    </>
  );
}

const ROW = {
  display: 'grid',
  gridTemplateColumns: '2rem minmax(0, 1fr) auto',
  gap: 1.5,
  alignItems: 'center',
  px: 2,
  py: 1.25,
  borderTop: `1px solid ${color('hair')}`,
  '&:first-of-type': { borderTop: 0 },
  [STACKED]: { gridTemplateColumns: '2rem minmax(0, 1fr)', '& > :last-child': { gridColumn: 2 } },
} as const;

const NUMBER = { fontFamily: SERIF, fontSize: '1.1rem', color: color('stone'), fontVariantNumeric: 'tabular-nums' };

const ACTIONS = { display: 'flex', flexWrap: 'wrap', gap: 0.75, alignItems: 'center' } as const;

export default function ExercisesPage({ loaderData: { sites, solved } }: { loaderData: Begun }) {
  const navigate = useNavigate();
  const [busy, setBusy] = useState(false);
  const [failed, setFailed] = useState<string | null>(null);
  const begin = async (exercise: Exercise, before: SiteRecord | undefined) => {
    setBusy(true);
    const set = await setOutExercise(exercise);
    if (!set.ok) {
      setBusy(false);
      return setFailed(set.reason);
    }
    if (before) await (await openStore()).removeSite(before.id);
    return navigate(placeOfExercise(set.site.id));
  };
  return (
    <Frame>
      {failed !== null && (
        <Box
          role="alert"
          sx={{ color: color('rust'), mb: 1.5 }}
        >{`The exercise could not be loaded: ${failed} Nothing has changed; try again.`}</Box>
      )}
      <Panel>
        <Box component="ol" aria-label="Exercises" sx={{ m: 0, p: 0, listStyle: 'none' }}>
          {EXERCISES.map((exercise, n) => (
            <Box component="li" key={exercise.id} sx={ROW}>
              <Box aria-hidden sx={NUMBER}>
                {n + 1}
              </Box>
              <Box>
                <Box sx={{ fontWeight: 600 }}>{exercise.title}</Box>
                <Box sx={{ color: color('stone'), fontSize: '0.8125rem' }}>{`“${exercise.complaint}”`}</Box>
              </Box>
              <Begin
                exercise={exercise}
                site={sites.get(exercise.id)}
                solved={solved.includes(exercise.id)}
                busy={busy}
                onBegin={(before) => void begin(exercise, before)}
              />
            </Box>
          ))}
        </Box>
      </Panel>
    </Frame>
  );
}

function Begin({
  exercise: { title },
  site,
  solved,
  busy,
  onBegin,
}: {
  exercise: Exercise;
  site: SiteRecord | undefined;
  solved: boolean;
  busy: boolean;
  onBegin: (before: SiteRecord | undefined) => void;
}) {
  return (
    <Box sx={ACTIONS}>
      {solved && <Tag tone="whole">solved</Tag>}
      {site && (
        <Button component={Link} to={placeOfExercise(site.id)} aria-label={`Continue: ${title}`}>
          Continue
        </Button>
      )}
      <Button disabled={busy} aria-label={`${site ? 'Start again' : 'Start'}: ${title}`} onClick={() => onBegin(site)}>
        {site ? 'Start again' : 'Start'}
      </Button>
    </Box>
  );
}
