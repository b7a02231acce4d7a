/**
 * What axe-core finds on the live page, and text over pictures that has too little contrast; each with its places in the
 * source. All other pages are looked at when somebody asks for it.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { Fragment, useEffect, useState } from 'react';
import { countOf } from '~core/site/index.ts';
import type { AuditedRule } from '~protocol/probe.ts';
import { Mono, Panel } from '../../ui/parts/small';
import { PlaceLink } from '../../ui/parts/pressable';
import { useShowSource, useSite } from '../../ui/site/openSite';
import { useIntent } from '../../ui/site/work';
import { color } from '../../ui/theme';
import { MESSAGE_HEAD, MESSAGE_TITLE } from './messageStyles';
import { type PageAudit, useAllAudited } from './useAllAudited';

const ROW = { px: 1.75, py: 0.75, borderTop: `1px solid ${color('hair')}`, fontSize: '0.8125rem' };

const PLACES = { display: 'flex', flexWrap: 'wrap', gap: '6px 10px', alignItems: 'baseline' };

const PAGE_TITLE = { m: 0, px: 1.75, py: 0.75, fontSize: '0.8125rem', fontWeight: 600, bgcolor: color('mist') };

const LIST = { m: 0, p: 0, listStyle: 'none' } as const;

const MORE = {
  display: 'flex',
  flexWrap: 'wrap',
  gap: 1,
  alignItems: 'center',
  px: 1.75,
  py: 1.25,
  fontSize: '0.8125rem',
};

/** More places of one rule say nothing new. */
const MOST_PLACES = 8;

interface AccessibilityProps {
  page: string;
  /** Null where nobody could look; undefined before anybody has. */
  rules: readonly AuditedRule[] | null | undefined;
}

export function Accessibility({ page, rules }: AccessibilityProps) {
  const all = useAllAudited();
  const { pages } = useSite().site.view;
  const others = (all.pages ?? []).filter((one) => one.page !== page);
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
      {rules && rules.length > 0 && <Rules label="Accessibility messages" page={page} rules={rules} />}
      {others.map((one) => (
        <Other key={one.page} audited={one} />
      ))}
      {pages.length > 1 && <AllPages all={all} count={pages.length} />}
    </Panel>
  );
}

function AllPages({
  all: { pages, at, start, stop },
  count,
}: {
  all: ReturnType<typeof useAllAudited>;
  count: number;
}) {
  const isDone = at === null && pages?.length === count;
  return (
    <Box sx={MORE}>
      {!isDone && at === null && <Button onClick={start}>{`Check all ${count} pages`}</Button>}
      {at && <Button onClick={stop}>Stop</Button>}
      <Box aria-live="polite">
        {at && `Checking ${at.page}, ${at.number} of ${at.of}`}
        {isDone && `All ${count} pages checked: ${countOf(messagesIn(pages), 'message')}`}
      </Box>
    </Box>
  );
}

const messagesIn = (pages: readonly PageAudit[]): number =>
  pages.reduce((sum, { rules }) => sum + (rules?.length ?? 0), 0);

/** Another page than the one in hand. */
function Other({ audited: { page, rules } }: { audited: PageAudit }) {
  return (
    <Fragment>
      <Box component="h3" sx={PAGE_TITLE}>
        {saidOf(page, rules)}
      </Box>
      {rules && rules.length > 0 && <Rules label={`Accessibility messages: ${page}`} page={page} rules={rules} />}
    </Fragment>
  );
}

/** The rule that is not axe-core's own. */
const OWN_RULE = 'text-over-picture';

function saidOf(page: string, rules: AccessibilityProps['rules']): string {
  if (rules === undefined) return `Checking ${page} as the preview shows it…`;
  if (rules === null) return `${page} lets no script in, so axe cannot look at it`;
  if (rules.length === 0) return `axe found nothing on ${page}`;
  return `${countOf(rules.length, 'message')} of axe on ${page}`;
}

function Rules({ label, page, rules }: { label: string; page: string; rules: readonly AuditedRule[] }) {
  return (
    <Box component="ul" aria-label={label} sx={LIST}>
      {rules.map((one) => (
        <Row key={one.rule} page={page} audited={one} />
      ))}
    </Box>
  );
}

function Row({ page, audited: { rule, impact, says, nodes } }: { page: string; audited: AuditedRule }) {
  return (
    <Box component="li" sx={ROW}>
      <Box>{says}</Box>
      <Box sx={PLACES}>
        <Mono tone="stone">{impact === null ? rule : `${rule} · ${impact}`}</Mono>
        {nodes.slice(0, MOST_PLACES).map((node, n) => (
          <Place key={n} page={page} rule={rule} node={node} />
        ))}
        {nodes.length > MOST_PLACES && <Box>{`and ${nodes.length - MOST_PLACES} more`}</Box>}
      </Box>
    </Box>
  );
}

interface PlaceProps {
  page: string;
  rule: string;
  node: AuditedRule['nodes'][number];
}

/** Where it stands in the source; of what only scripts have made, its own markup. */
function Place({ page, rule, node: { element, html, summary } }: PlaceProps) {
  const { session, view, readOnly } = useSite().site;
  const showSource = useShowSource();
  const { intent, busy } = useIntent();
  const [known, setKnown] = useState<{ start: number; fix: string | null } | null>(null);
  const key = element?.join();
  useEffect(() => {
    let current = true;
    const at = key === '' ? [] : key?.split(',').map(Number);
    const look = async () => {
      if (!at) return null;
      const start = await session.analysis.startOf(page, at);
      if (start === null) return null;
      const [fix = null] = await session.analysis.markupFixes([{ page, rule, at: start }]);
      return { start, fix };
    };
    void look().then((found) => current && setKnown(found));
    return () => {
      current = false;
    };
  }, [session, page, rule, key, view]);
  const own = rule === OWN_RULE ? `: ${summary}` : '';
  if (known === null)
    return (
      <Box>
        <Mono>{html.slice(0, 60)}</Mono>
        {own}
      </Box>
    );
  const { start, fix } = known;
  return (
    <Box>
      <PlaceLink onClick={() => showSource(page, start)}>
        <Mono>{html.slice(0, 60)}</Mono>
      </PlaceLink>
      {own}
      {fix !== null && (
        <Button
          size="small"
          disabled={busy || readOnly}
          onClick={() => intent({ kind: 'fix-markup', messages: [{ page, rule, at: start }] })}
          sx={{ ml: 1 }}
        >
          {fix}
        </Button>
      )}
    </Box>
  );
}
