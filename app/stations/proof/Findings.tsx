/** What the checks saw: each with its place and what mends it. */
import Box from '@mui/material/Box';
import type { FindingView } from '~core/view/index.ts';
import { Fixes, Mono, Panel } from '../../ui/parts/small';
import { useChosenStrand, useSite } from '../../ui/site/openSite';
import { color } from '../../ui/theme';
import { useKeptFocus } from '../../ui/parts/keptFocus';
import { PlaceLink } from '../../ui/parts/pressable';
import { useWork } from '../../ui/site/work';
import { inHand } from '../../ui/parts/inHand';

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

export function Findings({ findings }: { findings: readonly FindingView[] }) {
  const { busy } = useWork();
  const list = useKeptFocus<HTMLUListElement>(busy);
  return (
    <Panel sx={{ minWidth: 0 }}>
      <Box component="ul" ref={list} aria-label="Findings" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {findings.map((finding) => (
          <Row key={finding.id} finding={finding} />
        ))}
      </Box>
    </Panel>
  );
}

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

function Row({ finding }: { finding: FindingView }) {
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
      </Box>
      <Box sx={{ display: 'grid', gap: 0.5 }}>
        <Fixes finding={finding.id} fixes={finding.fixes} />
      </Box>
    </Box>
  );
}
