import Folder from '@mui/icons-material/FolderOutlined';
import HistoryIcon from '@mui/icons-material/History';
import Box from '@mui/material/Box';
import LinearProgress from '@mui/material/LinearProgress';
import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState, type MouseEvent } from 'react';
import {
  data,
  Outlet,
  useLocation,
  useNavigation,
  useRevalidator,
  type ClientLoaderFunctionArgs,
  type ShouldRevalidateFunctionArgs,
} from 'react-router';
import { sessionOf } from '../data/session/openSite';
import type { Outcome } from '../data/session/shared';
import { STATIONS } from '../stations';
import { NARROW } from '../ui/narrow';
import { announce, Announcer } from '../ui/shell/announce';
import { Bar, BarButton, DayNight, FindButton, UndoRedo } from '../ui/shell/Bar';
import { Before, useShownBefore } from '../ui/shell/Before';
import { FilesDrawer } from '../ui/shell/FilesDrawer';
import { Find } from '../ui/shell/Find';
import { useFocusFloor } from '../ui/shell/focusFloor';
import { History } from '../ui/shell/History';
import { ReplaceText } from '../ui/shell/ReplaceText';
import { KeysSheet, useKeys } from '../ui/shell/keys';
import { Slip } from '../ui/shell/Slip';
import { StationNav } from '../ui/shell/StationNav';
import { WORD } from '../ui/shell/ShownStrand';
import { StrandRail } from '../ui/shell/StrandRail';
import { PreviewProvider } from '../ui/preview/PreviewProvider';
import { SiteProvider, useSite, type OpenSite } from '../ui/site/openSite';
import { color } from '../ui/theme';
import type { SiteMissing } from '../ui/site/siteMissing';
import { ExerciseStrip } from '../ui/site/ExerciseStrip';
import { Standing } from '../ui/site/Standing';
import { useAddress } from '../ui/site/useAddress';
import { useWork } from '../ui/site/work';

export async function clientLoader({ params }: ClientLoaderFunctionArgs): Promise<OpenSite> {
  const session = await sessionOf(params.siteId ?? '');
  if (!session) {
    // The router's own way to answer with a status.
    // eslint-disable-next-line @typescript-eslint/only-throw-error
    throw data({ missing: 'site' } satisfies SiteMissing, { status: 404 });
  }
  return { session, ...(await session.snapshot()) };
}
clientLoader.hydrate = true as const;

/** Going somewhere shows what is there, and does not wait for it to be read anew; work does. */
export function shouldRevalidate({ currentUrl, nextUrl, formMethod }: ShouldRevalidateFunctionArgs): boolean {
  return formMethod !== undefined || currentUrl.href === nextUrl.href;
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
  const { session } = site;
  const siteId = site.site.id;
  const address = useAddress(siteId);
  const { place, go, station } = address;
  const shown = useShownBefore(session);
  const { shown: shownBefore, setShown: setShownBefore, showFirst, waiting, leave } = shown;
  const [asked, setAsked] = useState(0);
  const [outcome, setOutcome] = useState<Outcome | null>(null);
  useReadAgain(site);
  useFocusFloor();
  useEffect(() => session.onDone(setOutcome), [session]);
  useEffect(() => setAsked(0), [place.strand]);
  const ask = useCallback(
    (strand: string) => {
      go({ strand });
      // After the choice, which takes an earlier wish back.
      requestAnimationFrame(() => setAsked((n) => n + 1));
    },
    [go],
  );
  const value = useMemo(
    () => ({ site, ...address, asked, ask, shownBefore, setShownBefore, showFirst, outcome }),
    [site, address, asked, ask, shownBefore, setShownBefore, showFirst, outcome],
  );
  return (
    <SiteProvider value={value}>
      <PreviewProvider key={siteId} session={session}>
        <Keys />
        <Box component="a" href="#main" onClick={toMain} sx={SKIP}>
          Skip to the station
        </Box>
        <Announcer />
        <Box sx={FRAME}>
          <Bar under={site.site.name} middle={<StationNav siteId={siteId} open={site.view.open} at={station} />}>
            <UndoRedo />
            <BarButton
              name="History"
              keys="H"
              icon={<HistoryIcon fontSize="small" />}
              onClick={() => go({ sheet: { name: 'history' } })}
            />
            <BarButton
              name="Site files"
              keys="F"
              icon={<Folder fontSize="small" />}
              onClick={() => go({ sheet: { name: 'files' } })}
            />
            <FindButton onClick={() => go({ sheet: { name: 'find' } })} />
            <DayNight />
          </Bar>
          <Standing />
          <ExerciseStrip />
          <Box sx={ROOM}>
            <Box component="main" id="main" tabIndex={-1} sx={MAIN}>
              <AtTop />
              <Outlet />
            </Box>
            <StrandRail />
          </Box>
        </Box>
        <Slip />
        {waiting && <Before waiting={waiting} onLeave={leave} />}
        <ShellSheets />
      </PreviewProvider>
    </SiteProvider>
  );
}

/**
 * Each station begins at its top, wherever the one before was scrolled to. It stands before the station, so that what
 * that brings into sight by itself comes after.
 */
function AtTop() {
  const { pathname } = useLocation();
  const mark = useRef<HTMLSpanElement>(null);
  useLayoutEffect(() => {
    // Newer browsers give a promise of the scroll, which is nothing that ends an effect.
    mark.current?.closest('main')?.scrollTo(0, 0);
  }, [pathname]);
  return <span ref={mark} hidden />;
}

/** What is shown is read again as soon as it is old, also where going elsewhere has cut a reading short. */
function useReadAgain({ session, version }: OpenSite): void {
  const { revalidate, state } = useRevalidator();
  const going = useNavigation().state;
  useEffect(() => session.onStale(() => void revalidate()), [session, revalidate]);
  // After whatever was drawn: going and reading may both begin and end between two drawings.
  useEffect(() => {
    if (state === 'idle' && going === 'idle' && session.version !== version) void revalidate();
  });
}

/** Sheets that every station has. */
function ShellSheets() {
  const { place, go } = useSite();
  const close = useCallback(() => go({ sheet: null }), [go]);
  return (
    <>
      <FilesDrawer open={place.sheet === 'files'} onClose={close} />
      {/* Gone at once: what is chosen in it may open another sheet, which would lie hidden under one that fades. */}
      {place.sheet === 'find' && <Find onClose={close} />}
      {place.sheet === 'replace' && <ReplaceText onClose={close} />}
      {place.sheet === 'history' && <History onClose={close} />}
      <KeysSheet open={place.sheet === 'keys'} onClose={close} />
    </>
  );
}

function Keys() {
  const { site, place, go } = useSite();
  const { work } = useWork();
  useKeys({
    station: (n) => {
      const found = STATIONS[n];
      if (!found) return;
      go({ station: found.id });
      // What comes next by keyboard is in the station, not in the bar above it.
      document.getElementById('main')?.focus();
      announce(`${found.name}: ${found.question}`);
    },
    strand: (by) => {
      // Through the page in hand, or through all pages where none was chosen.
      const { strands } = site.view;
      const shown = place.page === null ? strands : strands.filter((one) => one.page === place.page);
      const at = shown.findIndex((one) => one.id === place.strand);
      const next = shown[at + by] ?? shown[by === 1 ? 0 : shown.length - 1];
      if (!next) return;
      go({ strand: next.id });
      announce(`${next.name}: ${WORD[next.state]}, ${next.page}`);
    },
    joint: (by) => {
      const beads = [...document.querySelectorAll<HTMLElement>('[data-joint]')];
      const now = beads.findIndex((bead) => bead === document.activeElement);
      (beads[now + by] ?? beads[by === 1 ? 0 : beads.length - 1])?.focus();
    },
    find: () => go({ sheet: { name: 'find' } }),
    files: () => go({ sheet: { name: 'files' } }),
    history: () => go({ sheet: { name: 'history' } }),
    step: (way) => work({ do: 'step', way }),
    sheet: () => go({ sheet: { name: 'keys' } }),
  });
  return null;
}

/** Seen when the keyboard comes to it: past the bar, which is the same everywhere. */
const SKIP = {
  position: 'absolute',
  zIndex: 10,
  top: 4,
  left: 4,
  px: 1.5,
  py: 1,
  bgcolor: color('paper'),
  color: color('peat'),
  '&:not(:focus)': { width: '1px', height: '1px', p: 0, overflow: 'hidden', clipPath: 'inset(50%)' },
} as const;

/** The address says what is shown, so the focus goes there without changing it. */
function toMain(event: MouseEvent) {
  event.preventDefault();
  document.getElementById('main')?.focus();
}

const FRAME = { display: 'flex', flexDirection: 'column', height: '100vh' } as const;

const ROOM = { display: 'flex', flex: 1, minHeight: 0, [NARROW]: { flexDirection: 'column' } } as const;

const MAIN = {
  flex: 1,
  minWidth: 0,
  minHeight: 0,
  overflowY: 'auto',
  px: 2.5,
  py: 2,
  display: 'flex',
  flexDirection: 'column',
} as const;
