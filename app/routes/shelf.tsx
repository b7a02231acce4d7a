import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { Link, useFetcher, useRevalidator, type ClientActionFunctionArgs } from 'react-router';
import { z } from 'zod';
import { exerciseNamed } from '~core/exercises/index.ts';
import { importDemo, demoWasSeen } from '../data/demo';
import type { IntakeProgress } from '../data/intake/importSite';
import { INTAKE_LOCK } from '../data/intake/lock';
import { leaveSite } from '../data/session/openSite';
import type { SiteRecord } from '../data/store/records';
import { openStore } from '../data/store/idbStore';
import { DropPlace, PickButtons, useImport } from '../stations/shelf/ImportSite';
import { Named } from '../stations/shelf/named';
import { NewSite } from '../stations/shelf/NewSite';
import { SiteCard } from '../stations/shelf/SiteCard';
import { Bar, DayNight } from '../ui/shell/Bar';
import { color } from '../ui/theme';

interface Shelf {
  sites: SiteRecord[];
  removed: { id: string; name: string } | null;
  room: { used: number; of: number } | null;
  now: number;
}

/** A removed site stays in the store until the next visit, so that removing can be undone. */
const REMOVED = 'removed-site';

const Removed = z.object({ id: z.string(), name: z.string() });

function removedSite(): Shelf['removed'] {
  const kept = sessionStorage.getItem(REMOVED);
  return kept === null ? null : (Removed.safeParse(JSON.parse(kept)).data ?? null);
}

export async function clientLoader(): Promise<Shelf> {
  leaveSite();
  const store = await openStore();
  const removed = removedSite();
  // An exercise that this version does not know is a site like others.
  const sites = (await store.listSites()).filter(
    ({ id, exercise }) => id !== removed?.id && exerciseNamed(exercise) === null,
  );
  const estimate = await navigator.storage.estimate().catch(() => null);
  return {
    sites,
    removed,
    now: Date.now(),
    room: estimate?.quota ? { used: estimate.usage ?? 0, of: estimate.quota } : null,
  };
}
clientLoader.hydrate = true as const;

const ShelfWork = z.discriminatedUnion('do', [
  z.object({ do: z.literal('remove'), id: z.string(), name: z.string() }),
  z.object({ do: z.literal('restore') }),
  z.object({ do: z.literal('rename'), id: z.string(), name: Named.shape.name }),
]);

export async function clientAction({ request }: ClientActionFunctionArgs) {
  const work = ShelfWork.parse(Object.fromEntries(await request.formData()));
  const before = removedSite();
  if (work.do === 'rename') await (await openStore()).renameSite(work.id, work.name);
  else if (work.do === 'restore') sessionStorage.removeItem(REMOVED);
  else {
    if (before) await (await openStore()).removeSite(before.id);
    sessionStorage.setItem(REMOVED, JSON.stringify({ id: work.id, name: work.name }));
  }
  return null;
}

export function HydrateFallback() {
  return (
    <Frame>
      <Box role="status" sx={{ color: color('stone') }}>
        Loading sites…
      </Box>
    </Frame>
  );
}

const PAGE = { maxWidth: 820, mx: 'auto', pt: 5.5, px: 2, pb: 6 };

const HEAD = { display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 0.75, mb: 2 };

function Frame({ children, buttons }: { children: React.ReactNode; buttons?: React.ReactNode }) {
  return (
    <>
      <Bar>
        <DayNight />
      </Bar>
      <Box component="main" sx={PAGE}>
        <Box sx={HEAD}>
          <Typography variant="h1" sx={{ flex: 1 }}>
            Your sites
          </Typography>
          {buttons}
        </Box>
        {children}
      </Box>
    </>
  );
}

const REMOVED_STYLE = { display: 'flex', alignItems: 'center', gap: 1.5, mb: 1.5, color: color('stone') };

const PROGRESS = { bgcolor: color('paper'), border: `1px solid ${color('hair')}`, borderRadius: 1, p: 2, mb: 1.5 };

const FOOT = { display: 'flex', alignItems: 'center', gap: 1.5, mt: 1.5, fontSize: '0.78rem', color: color('stone') };

export default function ShelfPage({ loaderData: { sites, removed, room, now } }: { loaderData: Shelf }) {
  const importing = useImport();
  const fetcher = useFetcher();
  const demo = useDemo(sites.length === 0 && removed === null);
  useEffect(() => {
    void navigator.storage.persist?.().catch(() => false);
    // What an interrupted import left behind is swept while nobody is bringing anything in.
    void navigator.locks.request(
      INTAKE_LOCK,
      { ifAvailable: true },
      async (lock) => lock && (await openStore()).sweepBlobs(),
    );
  }, []);
  return (
    <Frame
      buttons={
        <>
          <Button component={Link} to="/exercises">
            Exercises
          </Button>
          <NewSite />
          <PickButtons importing={importing} />
        </>
      }
    >
      {removed && (
        <Box role="status" sx={REMOVED_STYLE}>
          {`“${removed.name}” was removed.`}
          <Button onClick={() => void fetcher.submit({ do: 'restore' }, { method: 'post', action: '/?index' })}>
            {`Restore ${removed.name}`}
          </Button>
        </Box>
      )}
      {demo.progress && (
        <Box role="status" sx={PROGRESS}>
          <Box sx={{ mb: 1 }}>{demo.progress.says}</Box>
          <LinearProgress
            aria-label="Loading the demo site"
            {...(demo.progress.share === null
              ? {}
              : { variant: 'determinate' as const, value: demo.progress.share * 100 })}
          />
        </Box>
      )}
      {demo.failed && (
        <Box
          role="alert"
          sx={{ color: color('rust'), mb: 1.5 }}
        >{`The demo site could not be loaded: ${demo.failed}`}</Box>
      )}
      <Box component="ul" aria-label="Sites" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {sites.map((site) => (
          <SiteCard
            key={site.id}
            site={site}
            now={now}
            onRename={(name) =>
              void fetcher.submit({ do: 'rename', id: site.id, name }, { method: 'post', action: '/?index' })
            }
            onRemove={() =>
              void fetcher.submit({ do: 'remove', id: site.id, name: site.name }, { method: 'post', action: '/?index' })
            }
          />
        ))}
      </Box>
      <DropPlace importing={importing} />
      <Box sx={FOOT}>
        <Box sx={{ flex: 1 }}>
          {room &&
            `${(room.used / 1e6).toFixed(0)} MB stored in this browser, which has room for ${(room.of / 1e9).toFixed(0)} GB.`}
        </Box>
        {!demo.progress && <Button onClick={() => void demo.start()}>Load the demo site again</Button>}
      </Box>
    </Frame>
  );
}

/** On the first visit the demo site is set out by itself. */
function useDemo(empty: boolean) {
  const { revalidate } = useRevalidator();
  const [progress, setProgress] = useState<IntakeProgress | null>(null);
  const [failed, setFailed] = useState<string | null>(null);
  const start = async () => {
    const result = await importDemo(setProgress);
    setProgress(null);
    setFailed(result.ok ? null : result.reason);
    await revalidate();
  };
  useEffect(() => {
    if (!empty || demoWasSeen() || started) return;
    started = true;
    void start();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, on the first visit
  }, [empty]);
  return { progress, failed, start };
}

/** Effects run twice while developing; the demo comes once. */
let started = false;
