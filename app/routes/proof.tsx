import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import { useCallback, useLayoutEffect, useRef, useState, useSyncExternalStore } from 'react';
import { countOf } from '~core/site/index.ts';
import { PagePicker } from '../stations/markup/PagePicker';
import { Findings } from '../stations/proof/Findings';
import { Mono, Nothing, Panel, StationHead } from '../ui/parts/small';
import { LivePage } from '../ui/preview/LivePage';
import { usePreview } from '../ui/preview/PreviewProvider';
import { laidOutWidth } from '~core/view/index.ts';
import type { FromProbe } from '~protocol/probe.ts';
import { useChosenPage, useChosenStrand, useSite } from '../ui/site/openSite';
import { stationLoader } from '../ui/site/stationLoader';
import { color } from '../ui/theme';
import { stationAction } from '../data/siteAction';

export const meta = () => [{ title: 'Proof – Heathmoor' }];

export const clientLoader = stationLoader({});

export const clientAction = stationAction;

/** A phone, a tablet, a desktop; CSS px (common practice, no source). */
const WIDTHS = [390, 768, 1280] as const;
const GAP = 14;
const HEIGHT = 270;

const WINDOWS = { display: 'flex', gap: `${GAP}px`, mb: 1.5, flexShrink: 0, minHeight: HEIGHT + 24 };

/** More say no more: a page can report without end. */
const MOST_REPORTS = 50;

/** Without the viewport tag phones show another width than they have. */
const saysWidth = (width: number, laidOut: number): string =>
  width === laidOut ? `${width} px` : `${width} px, laid out at ${laidOut} px`;

const WIDTH_LABEL = { textAlign: 'center', color: color('stone'), fontSize: '0.78rem', mt: 0.25 } as const;

const REPORTS = { px: 1.75, py: 1, mt: 1.5, borderColor: color('rust'), fontSize: '0.8125rem' };

export default function Proof() {
  const { site } = useSite();
  const page = useChosenPage();
  const strand = useChosenStrand();
  const home = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState(0);
  const [seen, setSeen] = useState<{ page: string; reports: string[] }>({ page: '', reports: [] });
  const { checked, strands } = site.view;
  const { rehearsals } = site.session;
  const rehearsed = useSyncExternalStore(
    rehearsals.watch,
    () => rehearsals.findings,
    () => rehearsals.findings,
  );
  const findings = [...site.view.findings, ...rehearsed];

  useLayoutEffect(() => {
    const box = home.current;
    if (!box) return undefined;
    const watcher = new ResizeObserver(() => setRoom(box.clientWidth));
    watcher.observe(box);
    return () => watcher.disconnect();
  }, []);

  const path = page?.path ?? '';
  const hear = useCallback(
    (report: FromProbe) => {
      const says = troubleIn(report);
      if (report.type === 'hello') setSeen({ page: path, reports: [] });
      else if (says !== null)
        setSeen((before) =>
          before.reports.includes(says) || before.reports.length >= MOST_REPORTS
            ? before
            : { page: path, reports: [...before.reports, says] },
        );
    },
    [path],
  );

  if (!page) {
    return (
      <>
        <StationHead title="Proof" says="nothing to check yet" />
        <Nothing
          title="No page yet"
          says="Once there is a page, it is shown here live at three widths, with its findings and their fixes."
        />
      </>
    );
  }
  const broken = findings.filter((finding) => finding.severity === 'error').length;
  // The three windows keep their proportion to each other, but the phone stays wide enough to read.
  const shares = [0.19, 0.3, 0.51];
  const reports = seen.page === path ? seen.reports : [];
  return (
    <>
      <StationHead
        title="Proof"
        says={
          findings.length === 0
            ? `${countOf(strands.length, 'strand')}, no findings`
            : `${countOf(broken, 'error')}, ${countOf(findings.length - broken, 'warning')} on all pages`
        }
      >
        <PagePicker />
        <AskOutside />
      </StationHead>
      <Box ref={home} sx={WINDOWS}>
        {room > 0 &&
          WIDTHS.map((width, n) => {
            const size = { width: Math.floor((room - GAP * 2) * (shares[n] ?? 0)) - 2, height: HEIGHT };
            return (
              <Box key={width}>
                <Panel sx={{ overflow: 'hidden' }}>
                  <LivePage
                    path={path}
                    width={width}
                    room={size}
                    title={`${path} at ${width} px`}
                    show={strand?.page === path ? strand.element : null}
                    {...(n === 2 ? { onReport: hear } : {})}
                  />
                </Panel>
                <Box sx={WIDTH_LABEL}>{saysWidth(width, laidOutWidth(page, width))}</Box>
              </Box>
            );
          })}
      </Box>
      {findings.length > 0 ? (
        <Findings findings={findings} />
      ) : (
        <Panel label="What was checked" sx={{ p: 1.75 }}>
          <Box component="ul" sx={{ m: 0, pl: 2.5, color: color('lichen') }}>
            {checked.map((rule) => (
              <li key={rule.id}>{rule.title}</li>
            ))}
          </Box>
        </Panel>
      )}
      {/* Last, for it comes and goes as the page loads anew, and nothing above may move under the pointer. */}
      {reports.length > 0 && (
        <Panel label="What the browser reports" sx={REPORTS}>
          <b>The browser reports on this page</b>
          {reports.map((one) => (
            <Box key={one}>
              <Mono>{one}</Mono>
            </Box>
          ))}
        </Panel>
      )}
    </>
  );
}

/** Whether pages that are looked at may ask for outside addresses: they tell whoever is there that they are shown. */
function AskOutside() {
  const { site } = useSite();
  const { tries } = usePreview();
  return (
    <FormControlLabel
      control={
        <Switch
          size="small"
          checked={site.site.outside === true}
          onChange={({ target }) => tries.allowOutside(target.checked)}
        />
      }
      label="Allow external URLs"
      slotProps={{ typography: { variant: 'body2' } }}
    />
  );
}

/** What of a report is trouble for a visitor; null where nothing is. */
function troubleIn(report: FromProbe): string | null {
  if (report.type === 'missing') return `could not load ${report.path}`;
  if (report.type !== 'error') return null;
  return `${report.path || 'the page'}${report.line ? `, line ${report.line}` : ''}: ${report.says}`;
}
