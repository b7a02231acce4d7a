import Box from '@mui/material/Box';
import LinearProgress from '@mui/material/LinearProgress';
import { useCallback, useEffect, useMemo, useState } from 'react';
import {
  data,
  Outlet,
  useLocation,
  useNavigate,
  useRevalidator,
  type ClientActionFunctionArgs,
  type ClientLoaderFunctionArgs,
  type ShouldRevalidateFunctionArgs,
} from 'react-router';
import { isFresh, sessionOf } from '../data/session/openSite';
import type { Outcome } from '../data/session/shared';
import { Work } from '../data/work';
import { STATIONS } from '../stations';
import { Before, useShownBefore } from '../ui/shell/Before';
import { Find } from '../ui/shell/Find';
import { FilesDrawer } from '../ui/shell/FilesDrawer';
import { Bar, DayNight, FilesButton, FindButton, HistoryButton, UndoRedo } from '../ui/shell/Bar';
import { History } from '../ui/shell/History';
import { KeysSheet, useKeys } from '../ui/shell/keys';
import { PreviewProvider } from '../ui/preview/PreviewProvider';
import { SiteProvider, useWork, type OpenSite, type Spot } from '../ui/site';
import { Slip } from '../ui/shell/Slip';
import { StrandRail } from '../ui/shell/StrandRail';
import { color } from '../ui/theme';
import { StationNav } from '../ui/shell/StationNav';
import { refuse } from '~core/site/index.ts';

export async function clientLoader({ params }: ClientLoaderFunctionArgs): Promise<OpenSite> {
  const session = await sessionOf(params.siteId ?? '');
  if (!session) {
    // The router's own way to answer with a status.
    // eslint-disable-next-line @typescript-eslint/only-throw-error
    throw data('This site is not on the shelf of this browser. It may have been removed, or kept in another browser.', {
      status: 404,
    });
  }
  return { session, ...(await session.snapshot()) };
}
clientLoader.hydrate = true as const;

/** Going from station to station shows what is there; only work, and what was learnt meanwhile, reads anew. */
export function shouldRevalidate({
  currentUrl,
  nextUrl,
  nextParams,
  formMethod,
}: ShouldRevalidateFunctionArgs): boolean {
  return (
    formMethod !== undefined ||
    (currentUrl.pathname === nextUrl.pathname && currentUrl.search === nextUrl.search) ||
    !isFresh(nextParams.siteId ?? '')
  );
}

export async function clientAction({ params, request }: ClientActionFunctionArgs): Promise<Outcome> {
  const session = await sessionOf(params.siteId ?? '');
  const work = Work.safeParse(await request.json());
  if (!session) return refuse('This site is no longer on the shelf.');
  if (!work.success) return refuse(`This cannot be asked for: ${work.error.issues[0]?.message ?? 'unknown work'}.`);
  switch (work.data.do) {
    case 'intent':
      return session.commits.do(work.data.intent);
    case 'step':
      return session.commits.step(work.data.way);
    case 'go':
      return session.commits.goTo(work.data.to);
    case 'name-point':
      return session.commits.namePoint(work.data.number, work.data.name);
    case 'make':
      return session.make(work.data.tasks);
  }
}

export function HydrateFallback() {
  return (
    <Box sx={{ maxWidth: 360, mx: 'auto', mt: 20 }} role="status">
      <p>Opening the site…</p>
      <LinearProgress aria-label="Opening the site" />
    </Box>
  );
}

export default function SiteLayout({ loaderData: site }: { loaderData: OpenSite }) {
  const { pathname } = useLocation();
  const navigate = useNavigate();
  const { revalidate } = useRevalidator();
  const [strand, setStrand] = useState<string | null>(null);
  const [page, choosePage] = useState<string | null>(null);
  const [spot, setSpot] = useState<Spot | null>(null);
  const [asked, setAsked] = useState(0);
  const [finding, setFinding] = useState(false);
  const [filing, setFiling] = useState(false);
  const [looking, setLooking] = useState(false);
  const [keys, setKeys] = useState(false);
  const { work: workSeen, outcome: outcomeOfWork, busy } = useWork(site.site.id);
  const { session, view } = site;
  const { shown: shownBefore, setShown: setShownBefore, waiting, leave, ask: work } = useShownBefore(session, workSeen);
  useEffect(() => session.onStale(() => void revalidate()), [session, revalidate]);
  /** The last that came of any work, asked for through the action or told by the session. */
  const [outcome, setOutcome] = useState<Outcome | null>(null);
  const [seen, setSeen] = useState(outcomeOfWork);
  if (seen !== outcomeOfWork) {
    setSeen(outcomeOfWork);
    setOutcome(outcomeOfWork);
  }
  useEffect(() => session.onDone(setOutcome), [session]);

  const choose = useCallback((id: string | null) => {
    setAsked(0);
    setStrand(id);
  }, []);
  const ask = useCallback((id: string) => {
    setStrand(id);
    setAsked((n) => n + 1);
  }, []);
  const siteId = site.site.id;
  const showSource = useCallback(
    (path: string, start?: number, end = start) => {
      choosePage(path);
      if (start !== undefined) setSpot({ path, start, end: end ?? start });
      void navigate(`/site/${siteId}/markup`);
    },
    [navigate, siteId],
  );
  const value = useMemo(
    () => ({
      site,
      spot,
      showSource,
      strand,
      choose,
      page,
      choosePage,
      asked,
      ask,
      work,
      workSeen,
      shownBefore,
      setShownBefore,
      outcome,
      busy,
    }),
    [
      site,
      spot,
      showSource,
      strand,
      choose,
      page,
      asked,
      ask,
      work,
      workSeen,
      shownBefore,
      setShownBefore,
      outcome,
      busy,
    ],
  );
  const at = STATIONS.find((station) => pathname.endsWith(`/${station.id}`))?.id ?? null;

  useKeys({
    station: (n) => void navigate(`/site/${site.site.id}/${STATIONS[n]?.id ?? 'pairs'}`),
    strand: (by) => {
      // Through the page in hand, or through all pages where none was chosen.
      const shown = page === null ? view.strands : view.strands.filter((one) => one.page === page);
      const next = shown[shown.findIndex((one) => one.id === strand) + by] ?? shown[by === 1 ? 0 : shown.length - 1];
      if (next) choose(next.id);
    },
    joint: (by) => {
      const beads = [...document.querySelectorAll<HTMLElement>('[data-joint]')];
      const now = beads.indexOf(document.activeElement as HTMLElement);
      (beads[now + by] ?? beads[by === 1 ? 0 : beads.length - 1])?.focus();
    },
    find: () => setFinding(true),
    files: () => setFiling(true),
    history: () => setLooking(true),
    step: (way) => work({ do: 'step', way }),
    sheet: () => setKeys(true),
  });

  return (
    <SiteProvider value={value}>
      <PreviewProvider key={site.site.id} session={session}>
        <Box sx={{ display: 'flex', flexDirection: 'column', height: '100vh', minWidth: 1080 }}>
          <Bar under={site.site.name} middle={<StationNav siteId={site.site.id} open={view.open} at={at} />}>
            <UndoRedo />
            <HistoryButton onClick={() => setLooking(true)} />
            <FilesButton onClick={() => setFiling(true)} />
            <FindButton onClick={() => setFinding(true)} />
            <DayNight />
          </Bar>
          {site.readOnly && (
            <Box
              role="status"
              sx={{
                bgcolor: color('gorseWash'),
                color: color('gorse'),
                px: 2.5,
                py: 0.75,
                fontSize: '0.8125rem',
                fontWeight: 600,
              }}
            >
              This site is open in another tab. Here it is shown read-only until that tab is closed.
            </Box>
          )}
          <Box sx={{ display: 'flex', flex: 1, minHeight: 0 }}>
            <Box
              component="main"
              sx={{ flex: 1, minWidth: 0, overflowY: 'auto', px: 2.5, py: 2, display: 'flex', flexDirection: 'column' }}
            >
              <Outlet />
            </Box>
            <StrandRail />
          </Box>
        </Box>
        <Slip />
        {waiting && (
          <Before
            plan={waiting.plan}
            onDo={() => {
              workSeen(waiting.work);
              leave();
            }}
            onLeave={leave}
          />
        )}
        <FilesDrawer open={filing} onClose={() => setFiling(false)} />
        <Find
          open={finding}
          onClose={() => setFinding(false)}
          onKeys={() => setKeys(true)}
          onFiles={() => setFiling(true)}
        />
        {looking && <History onClose={() => setLooking(false)} />}
        <KeysSheet open={keys} onClose={() => setKeys(false)} />
      </PreviewProvider>
    </SiteProvider>
  );
}
