/** What axe-core finds on the live page, each with its places in the source. */
import Box from '@mui/material/Box';
import { useEffect, useState } from 'react';
import { countOf } from '~core/site/index.ts';
import type { AuditedRule } from '~protocol/probe.ts';
import { Mono, Panel } from '../../ui/parts/small';
import { PlaceLink } from '../../ui/parts/pressable';
import { useShowSource, useSite } from '../../ui/site/openSite';
import { color } from '../../ui/theme';
import { MESSAGE_HEAD, MESSAGE_TITLE } from './messageStyles';

const ROW = { px: 1.75, py: 0.75, borderTop: `1px solid ${color('hair')}`, fontSize: '0.8125rem' };

const PLACES = { display: 'flex', flexWrap: 'wrap', gap: '2px 10px', alignItems: 'baseline' };

/** More places of one rule say nothing new. */
const MOST_PLACES = 8;

interface AccessibilityProps {
  page: string;
  /** Null where nobody could look; undefined before anybody has. */
  rules: readonly AuditedRule[] | null | undefined;
}

export function Accessibility({ page, rules }: AccessibilityProps) {
  return (
    <Panel label="Accessibility" sx={{ minWidth: 0 }}>
      <Box sx={MESSAGE_HEAD}>
        <Box component="h2" sx={MESSAGE_TITLE}>
          Accessibility
        </Box>
        <Box role="status" sx={{ fontSize: '0.8125rem', color: color('stone') }}>
          {saidOf(page, rules)}
        </Box>
      </Box>
      {rules && rules.length > 0 && (
        <Box component="ul" aria-label="Accessibility messages" sx={{ m: 0, p: 0, listStyle: 'none' }}>
          {rules.map((one) => (
            <Row key={one.rule} page={page} audited={one} />
          ))}
        </Box>
      )}
    </Panel>
  );
}

function saidOf(page: string, rules: AccessibilityProps['rules']): string {
  if (rules === undefined) return `Checking ${page} as the preview shows it…`;
  if (rules === null) return `${page} lets no script in, so axe cannot look at it`;
  if (rules.length === 0) return `axe found nothing on ${page}`;
  return `${countOf(rules.length, 'message')} of axe on ${page}`;
}

function Row({ page, audited: { rule, impact, says, nodes } }: { page: string; audited: AuditedRule }) {
  return (
    <Box component="li" sx={ROW}>
      <Box>{says}</Box>
      <Box sx={PLACES}>
        <Mono tone="stone">{impact === null ? rule : `${rule} · ${impact}`}</Mono>
        {nodes.slice(0, MOST_PLACES).map((node, n) => (
          <Place key={n} page={page} node={node} />
        ))}
        {nodes.length > MOST_PLACES && <Box>{`and ${nodes.length - MOST_PLACES} more`}</Box>}
      </Box>
    </Box>
  );
}

/** Where it stands in the source; of what only scripts have made, its own markup. */
function Place({ page, node: { element, html } }: { page: string; node: AuditedRule['nodes'][number] }) {
  const { session, view } = useSite().site;
  const showSource = useShowSource();
  const [start, setStart] = useState<number | null>(null);
  const key = element?.join();
  useEffect(() => {
    let current = true;
    const at = key === undefined || key === '' ? [] : key.split(',').map(Number);
    void session.analysis.tie(page, at).then((tie) => current && setStart(tie?.range.start ?? null));
    return () => {
      current = false;
    };
  }, [session, page, key, view]);
  if (start === null) return <Mono>{html.slice(0, 60)}</Mono>;
  return (
    <PlaceLink onClick={() => showSource(page, start)}>
      <Mono>{html.slice(0, 60)}</Mono>
    </PlaceLink>
  );
}
