/** What the checks saw: each with its place and what mends it. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';
import { Fragment, useState } from 'react';
import { grouped } from '~core/site/index.ts';
import type { FindingView } from '~core/view/index.ts';
import { Fixes, Mono, Panel } from '../../ui/parts/small';
import { useChosenStrand, useSite } from '../../ui/site/openSite';
import { color } from '../../ui/theme';
import { useKeptFocus } from '../../ui/parts/keptFocus';
import { PlaceLink } from '../../ui/parts/pressable';
import { useWork } from '../../ui/site/work';
import { inHand } from '../../ui/parts/inHand';
import { SetAside } from './SetAside';

function Sign({ severity }: { severity: FindingView['severity'] }) {
  return (
    <svg
      width="14"
      height="14"
      viewBox="-7 -7 14 14"
      role="img"
      aria-label={severity === 'error' ? 'Error' : 'Warning'}
    >
      {severity === 'error' ? (
        <path d="M0-6.2 6.2 0 0 6.2-6.2 0Z" fill={color('rust')} />
      ) : (
        <path d="M-4.4-4.4h8.8v8.8h-8.8z" fill="none" stroke={color('gorse')} strokeWidth="1.8" />
      )}
    </svg>
  );
}

/** Ways in which findings can be put together. */
const GROUPS = ['none', 'kind', 'page', 'picture'] as const;
type Grouping = (typeof GROUPS)[number];

const GROUP_SAYS: Record<Grouping, string> = {
  none: 'In their order',
  kind: 'By kind',
  page: 'By page',
  picture: 'By picture',
};

const HEAD = { display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', px: 1.75, py: 1 } as const;

const GROUP_TITLE = { m: 0, px: 1.75, py: 0.75, fontSize: '0.8125rem', fontWeight: 600, bgcolor: color('mist') };

const LIST = { m: 0, p: 0, listStyle: 'none' } as const;

export function Findings({ findings }: { findings: readonly FindingView[] }) {
  const { busy } = useWork();
  const { view } = useSite().site;
  const list = useKeptFocus<HTMLDivElement>(busy);
  const [grouping, setGrouping] = useState<Grouping>('none');
  const [aside, setAside] = useState<FindingView | null>(null);
  const titles = new Map(view.checked.map(({ id, title }) => [id, title]));
  const names = new Map(view.strands.map(({ id, name }) => [id, name]));
  const groups = grouped(findings, (finding) => groupOf(finding, grouping, titles, names));
  const own = new Set(view.findings.map(({ id }) => id));
  return (
    <Panel sx={{ minWidth: 0 }}>
      <Box sx={HEAD}>
        <Select
          size="small"
          value={grouping}
          inputProps={{ 'aria-label': 'Group the findings' }}
          onChange={({ target }) => setGrouping(target.value)}
          sx={{ fontSize: '0.8125rem' }}
        >
          {GROUPS.map((one) => (
            <MenuItem key={one} value={one}>
              {GROUP_SAYS[one]}
            </MenuItem>
          ))}
        </Select>
      </Box>
      <Box ref={list}>
        {[...groups].map(([title, all]) => (
          <Fragment key={title}>
            {grouping !== 'none' && (
              <Box component="h3" sx={GROUP_TITLE}>
                {`${title}, ${all.length}`}
              </Box>
            )}
            <Box component="ul" aria-label={grouping === 'none' ? 'Findings' : `Findings: ${title}`} sx={LIST}>
              {all.map((finding) => (
                <Row key={finding.id} finding={finding} {...(own.has(finding.id) ? { onAside: setAside } : {})} />
              ))}
            </Box>
          </Fragment>
        ))}
      </Box>
      {aside && <SetAside finding={aside} onClose={() => setAside(null)} />}
    </Panel>
  );
}

function groupOf(
  { rule, place, strand }: FindingView,
  grouping: Grouping,
  titles: ReadonlyMap<string, string>,
  names: ReadonlyMap<string, string>,
): string {
  if (grouping === 'kind') return titles.get(rule) ?? 'Seen in a rehearsal';
  if (grouping === 'page') return place.path;
  if (grouping === 'picture') return (strand !== null && names.get(strand)) || 'Of no picture';
  return '';
}

/** It is there for whoever looks for it; the fixes are what is meant to be seen. */
const QUIET = { ml: 1, border: 0, bgcolor: 'transparent', color: color('stone') } as const;

const rowStyle = (chosen: boolean) =>
  ({
    display: 'grid',
    gridTemplateColumns: '14px minmax(0, 1fr) 190px',
    gap: 1.75,
    alignItems: 'center',
    px: 1.75,
    py: 1,
    borderTop: `1px solid ${color('hair')}`,
    '&:first-of-type': { borderTop: 0 },
    ...inHand(chosen),
  }) as const;

interface RowProps {
  finding: FindingView;
  /** Of what can be set aside. */
  onAside?: (finding: FindingView) => void;
}

function Row({ finding, onAside }: RowProps) {
  const { readOnly } = useSite().site;
  const { go } = useSite();
  const strand = useChosenStrand()?.id;
  const { place } = finding;
  const isInHand = finding.strand !== null && finding.strand === strand;
  return (
    <Box component="li" data-rule={finding.rule} aria-current={isInHand || undefined} sx={rowStyle(isInHand)}>
      <Sign severity={finding.severity} />
      <Box sx={{ fontSize: '0.8125rem' }}>
        <Box>{finding.says}</Box>
        <Box sx={{ color: color('stone'), fontSize: '0.75rem' }}>{finding.why}</Box>
        <PlaceLink onClick={() => go({ station: 'markup', page: place.path, strand: finding.strand })}>
          <Mono>{place.line === null ? place.path : `${place.path}:${place.line}`}</Mono>
        </PlaceLink>
        {onAside && (
          <Button
            size="small"
            disabled={readOnly}
            aria-label={`Set aside: ${finding.says}`}
            onClick={() => onAside(finding)}
            sx={QUIET}
          >
            Set aside
          </Button>
        )}
      </Box>
      <Box sx={{ display: 'grid', gap: 0.5 }}>
        <Fixes finding={finding.id} fixes={finding.fixes} />
      </Box>
    </Box>
  );
}
