import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import { useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { rehearsalFindings, type FindingView, type PageView } from '~core/view/index.ts';
import type { Prediction } from '~core/wiring/index.ts';
import { countOf } from '~core/site/index.ts';
import { sightsIn, type PageRehearsal } from '../data/session/rehearsals';
import { stationAction } from '../data/siteAction';
import { PagePicker } from '../stations/markup/PagePicker';
import { sheetIn, type SheetName } from '../stations/wiring/address';
import { KitDialog } from '../stations/wiring/KitDialog';
import { Loom } from '../stations/wiring/Loom';
import { OptionsSheet } from '../stations/wiring/OptionsSheet';
import { OwnKit } from '../stations/wiring/OwnKit';
import { PasteDialog } from '../stations/wiring/PasteDialog';
import { expectedOf } from '../stations/wiring/outcome';
import { Rehearsal } from '../stations/wiring/Rehearsal';
import { PlaceLink } from '../ui/parts/pressable';
import { Fixes, Nothing, Panel, StationHead } from '../ui/parts/small';
import { useChosenPage, useSite } from '../ui/site/openSite';
import { stationLoader } from '../ui/site/stationLoader';
import { color } from '../ui/theme';

export const meta = () => [{ title: 'Wiring – Heathmoor' }];

export const clientLoader = stationLoader({ hasSheet: (place) => sheetIn(place) !== null });

export const clientAction = stationAction;

const NONE: ReadonlyMap<string, Prediction> = new Map();

/** What a click on each picture of the page does; asked for again with every view. */
function usePredictions(path: string | undefined): ReadonlyMap<string, Prediction> {
  const { session, view } = useSite().site;
  const [told, setTold] = useState<{ path: string; by: ReadonlyMap<string, Prediction> } | null>(null);
  useEffect(() => {
    if (path === undefined) return undefined;
    let current = true;
    void session.analysis.predictions(path).then((all) => {
      if (current) setTold({ path, by: new Map(all.map(({ strand, prediction }) => [strand.id, prediction])) });
    });
    return () => {
      current = false;
    };
  }, [session, view, path]);
  return told?.path === path ? (told?.by ?? NONE) : NONE;
}

const rehearsedStyle = (found: number) =>
  ({ fontSize: '0.8125rem', fontWeight: 600, color: color(found > 0 ? 'gorse' : 'lichen'), mb: 1.25 }) as const;

export default function Wiring() {
  const { site, place, go } = useSite();
  const sheet = sheetIn(place);
  const page = useChosenPage();
  const { view, session } = site;
  const open = (name: SheetName | null) => go({ sheet: name && { name } });
  const strands = useMemo(() => view.strands.filter((one) => one.page === page?.path), [view, page?.path]);
  const predictions = usePredictions(page?.path);
  const rehearsal = useSyncExternalStore(
    session.rehearsals.watch,
    () => session.rehearsals.of(page?.path ?? ''),
    () => session.rehearsals.of(''),
  );
  if (!page || strands.length === 0) {
    return (
      <>
        <StationHead title={page ? <PagePicker /> : 'Wiring'} says="nothing to wire yet" />
        <Nothing
          title="No gallery on this page"
          says="Once a page shows pictures, its scripts are listed here in the order in which a browser runs them, tied to the links that they handle."
        />
      </>
    );
  }
  const findings = view.findings.filter(
    (finding) =>
      finding.station === 'wiring' &&
      (finding.place.path === page.path || page.includes.some(({ path }) => path === finding.place.path)),
  );
  return (
    <>
      <StationHead title={<PagePicker />} says={wiredWith(page, strands.length)}>
        {page.uses.length > 0 && sheet !== 'options' && <Button onClick={() => open('options')}>Options</Button>}
        <Tooltip
          describeChild
          title="Clicks every picture as a visitor would, and compares what opens with the page’s text"
        >
          <Button onClick={() => go({ sheet: { name: 'rehearsal', runs: true } })}>Rehearse</Button>
        </Tooltip>
        <Button variant="contained" color="primary" disabled={site.readOnly} onClick={() => open('viewer')}>
          Add a viewer
        </Button>
      </StationHead>
      <Rehearsed page={page.path} rehearsal={rehearsal} />
      {sheet === 'options' ? (
        <OptionsSheet key={page.path} page={page} onClose={() => open(null)} />
      ) : (
        <>
          <Loom page={page} strands={strands} predictions={predictions} rehearsal={rehearsal} findings={findings} />
          {findings
            .filter(({ strand }) => strand === null || !strands.some(({ id }) => id === strand))
            .map((finding) => (
              <WhatHappens key={finding.id} finding={finding} page={page.path} />
            ))}
        </>
      )}
      {sheet === 'viewer' && <KitDialog page={page} onClose={() => open(null)} onOther={open} />}
      {sheet === 'pasted' && <PasteDialog page={page.path} onClose={() => open(null)} />}
      {sheet === 'own-script' && <OwnKit onClose={() => open('viewer')} />}
      {sheet === 'rehearsal' && <Rehearsal page={page.path} onClose={() => open(null)} />}
    </>
  );
}

/** Which viewers a page has, and how many of its links are answered. */
function wiredWith({ uses, kit }: PageView, links: number): string {
  const main = uses.find(({ name }) => name === kit);
  const others = uses.filter(({ name }) => name !== kit).map(({ name }) => name);
  const answered = `${main?.answered ?? 0} of ${links} ${main?.does === 'overlay' ? 'links handled' : 'pictures in it'}`;
  const says =
    kit === null ? 'no viewer yet: each link opens its picture by itself' : `wired with the ${kit}, ${answered}`;
  return `${says}${others.length > 0 ? `; ${others.join(', ')} too` : ''}`;
}

function Rehearsed({ page, rehearsal }: { page: string; rehearsal: PageRehearsal }) {
  const { go } = useSite();
  if (rehearsal.strands.size === 0) return null;
  const { stale } = rehearsal;
  const found = rehearsalFindings(page, sightsIn(rehearsal), stale).length;
  return (
    <Box role="status" sx={rehearsedStyle(found)}>
      {`Rehearsed: ${expectedOf(rehearsal)}${stale ? '; before the last change' : ''}`}
      {found > 0 && (
        <>
          {'; '}
          <PlaceLink
            onClick={() => go({ station: 'proof', page })}
          >{`${countOf(found, 'finding')} in Proof`}</PlaceLink>
        </>
      )}
    </Box>
  );
}

function WhatHappens({ finding: { id, place, says, why, fixes }, page }: { finding: FindingView; page: string }) {
  return (
    <Panel label="What the browser does" sx={{ p: 1.75, mt: 1.5, maxWidth: 620 }}>
      <Typography variant="h2" component="h2" sx={{ fontSize: '0.9rem', fontFamily: 'inherit' }}>
        What the browser does
      </Typography>
      <Box sx={{ my: 0.75 }}>{`${place.path === page ? 'Line' : `${place.path}, line`} ${place.line}: ${says}`}</Box>
      <Box sx={{ color: color('stone'), mb: 1 }}>{why}</Box>
      <Fixes finding={id} fixes={fixes} />
    </Panel>
  );
}
