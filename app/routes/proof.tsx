import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import { useCallback, useState } from 'react';
import { countOf } from '~core/site/index.ts';
import type { FindingView } from '~core/view/index.ts';
import { PagePicker } from '../stations/markup/PagePicker';
import { Findings } from '../stations/proof/Findings';
import { Accessibility } from '../stations/proof/Accessibility';
import { Aside } from '../stations/proof/SetAside';
import { HtmlValidity } from '../stations/proof/HtmlValidity';
import { Links } from '../stations/proof/Links';
import { SaveReport } from '../stations/proof/SaveReport';
import { ThreeWidths } from '../stations/proof/ThreeWidths';
import { PageViews } from '../stations/proof/views/PageViews';
import { PageWeight } from '../stations/proof/weight/PageWeight';
import { NARROW } from '../ui/narrow';
import { Mono, Nothing, Panel, StationHead } from '../ui/parts/small';
import { StationTabs } from '../ui/parts/tabs';
import { usePreview } from '../ui/preview/PreviewProvider';
import type { AuditedRule, FromProbe } from '~protocol/probe.ts';
import { useChosenPage, useSite } from '../ui/site/openSite';
import { useIntent } from '../ui/site/work';
import { useRehearsed } from '../ui/site/rehearsed';
import { stationLoader } from '../ui/site/stationLoader';
import { color } from '../ui/theme';
import { stationAction } from '../data/siteAction';

export const meta = () => [{ title: 'Proof – Heathmoor' }];

export const clientLoader = stationLoader({ hasTab: ({ tab }) => TABS.some(({ id }) => id === tab) });

/** What the station shows of the page. */
const TABS = [
  { id: 'findings', says: 'Findings' },
  { id: 'weight', says: 'Page weight' },
  { id: 'views', says: 'Views' },
] as const;

export const clientAction = stationAction;

/** More say no more: a page can report without end. */
const MOST_REPORTS = 50;

/** Findings come first; the page stays in sight beside them, where there is room, while they are gone through. */
const STATION = {
  display: 'grid',
  gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 430px)',
  gap: 1.75,
  alignItems: 'start',
  [NARROW]: { gridTemplateColumns: 'minmax(0, 1fr)' },
} as const;

const BESIDE = { position: 'sticky', top: 72, [NARROW]: { position: 'static' } } as const;

const REPORTS = { px: 1.75, py: 1, mt: 1.5, borderColor: color('rust'), fontSize: '0.8125rem' };

interface Audited {
  page: string;
  rules: readonly AuditedRule[] | null;
}

export default function Proof() {
  const { site, place } = useSite();
  const page = useChosenPage();
  const [seen, setSeen] = useState<{ page: string; reports: string[] }>({ page: '', reports: [] });
  const [audited, setAudited] = useState<Audited>({ page: '', rules: null });
  const { strands } = site.view;
  const rehearsed = useRehearsed();
  const findings = [...site.view.findings, ...rehearsed];

  const path = page?.path ?? '';
  const hear = useCallback(
    (report: FromProbe) => {
      const says = troubleIn(report);
      if (report.type === 'audited') setAudited({ page: report.path, rules: report.rules });
      else if (report.type === 'hello') setSeen({ page: path, reports: [] });
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
  const reports = seen.page === path ? seen.reports : [];
  return (
    <>
      <StationHead
        title={<PagePicker />}
        says={site.view.exercise ? countOf(strands.length, 'strand') : saysOf(strands.length, findings)}
      >
        <AskOutside />
        <SaveReport path={path} />
        <FixCertain />
      </StationHead>
      <StationTabs label="Views of the page" tabs={TABS} shown={place.tab ?? TABS[0].id}>
        {place.tab === 'weight' && <PageWeight path={path} />}
        {place.tab === 'views' && <PageViews page={page} />}
        {place.tab === null && (
          <Box sx={STATION}>
            {site.view.exercise && <NotTold />}
            {!site.view.exercise && (
              <Box sx={{ display: 'grid', gap: 1.5, minWidth: 0 }}>
                {findings.length > 0 ? <Findings findings={findings} /> : <WhatWasChecked />}
                <Aside />
                <HtmlValidity />
                <Accessibility page={path} rules={audited.page === path ? audited.rules : undefined} />
                <Links />
              </Box>
            )}
            <Box sx={BESIDE}>
              <ThreeWidths page={page} onReport={hear} />
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
            </Box>
          </Box>
        )}
      </StationTabs>
    </>
  );
}

function saysOf(strands: number, findings: readonly FindingView[]): string {
  if (findings.length === 0) return `${countOf(strands, 'strand')}, no findings`;
  const broken = findings.filter((finding) => finding.severity === 'error').length;
  return `${countOf(broken, 'error')}, ${countOf(findings.length - broken, 'warning')} in the whole site`;
}

function WhatWasChecked() {
  const { checked } = useSite().site.view;
  return (
    <Panel label="What was checked" sx={{ p: 1.75 }}>
      <Box component="ul" sx={{ m: 0, pl: 2.5, color: color('lichen') }}>
        {checked.map((rule) => (
          <li key={rule.id}>{rule.title}</li>
        ))}
      </Box>
    </Panel>
  );
}

/** In an exercise the list of findings would give the answer away. */
const NotTold = () => (
  <Panel label="Findings" sx={{ p: 1.75, color: color('stone') }}>
    An exercise lists no findings and offers no fixes: its strands and the rehearsal are the help.
  </Panel>
);

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

/** All fixes of which nobody doubts what was meant, as one change that is shown before it is made. */
function FixCertain() {
  const { site } = useSite();
  const { intent, busy } = useIntent('shown');
  const certain = site.view.findings.filter((finding) => finding.certain);
  if (certain.length < 2) return null;
  return (
    <Button
      variant="contained"
      color="primary"
      disabled={busy || site.readOnly}
      onClick={() => intent({ kind: 'fix-all', findings: certain.map(({ id }) => id) })}
    >
      {busy ? 'Working out the changes…' : `Fix ${certain.length} certain findings`}
    </Button>
  );
}

/** What of a report is trouble for a visitor; null where nothing is. */
function troubleIn(report: FromProbe): string | null {
  if (report.type === 'missing') return `could not load ${report.path}`;
  if (report.type !== 'error') return null;
  return `${report.path || 'the page'}${report.line ? `, line ${report.line}` : ''}: ${report.says}`;
}
