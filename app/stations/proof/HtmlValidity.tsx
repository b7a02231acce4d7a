/** What a checker of HTML says of the pages; what the author's pages had already is set apart from what is new. */
import Box from '@mui/material/Box';
import { useEffect, useState, useSyncExternalStore } from 'react';
import Button from '@mui/material/Button';
import { countOf } from '~core/site/index.ts';
import { Mono, Panel, Tag } from '../../ui/parts/small';
import { PlaceLink } from '../../ui/parts/pressable';
import { useShowSource, useSite } from '../../ui/site/openSite';
import { useIntent } from '../../ui/site/work';
import type { FixableFinding } from '../../data/validity';
import { color } from '../../ui/theme';
import { MESSAGE_HEAD, MESSAGE_TITLE } from './messageStyles';

/** ms after the last change before the pages are checked again. */
const PAUSE = 400;

/** More rows say nothing that the first do not, and are made when they are asked for. */
const SHOWN = 30;

const ROW = {
  display: 'grid',
  gridTemplateColumns: 'minmax(0, 1fr) auto',
  gap: 1.5,
  alignItems: 'center',
  px: 1.75,
  py: 0.75,
  borderTop: `1px solid ${color('hair')}`,
  fontSize: '0.8125rem',
};

const ASIDE = { display: 'flex', gap: 1, alignItems: 'center' };

interface MessageRow {
  path: string;
  finding: FixableFinding;
}

export function HtmlValidity() {
  const { session, version } = useSite().site;
  const { validity } = session;
  const pages = useSyncExternalStore(validity.watch, () => validity.pages);
  const [all, setAll] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => void validity.check(), PAUSE);
    return () => clearTimeout(timer);
  }, [validity, version]);
  const rows = (pages ?? []).flatMap(({ path, findings }) => findings.map((finding) => ({ path, finding })));
  // What is new asks for attention first.
  const sorted = [...rows].sort((a, b) => Number(b.finding.isNew) - Number(a.finding.isNew));
  const shown = all ? sorted : sorted.slice(0, SHOWN);
  const fresh = rows.filter(({ finding }) => finding.isNew).length;
  const fixable = rows.filter(({ finding }) => finding.fix !== null);
  return (
    <Panel label="HTML" sx={{ minWidth: 0 }}>
      <Box sx={MESSAGE_HEAD}>
        <Box component="h2" sx={MESSAGE_TITLE}>
          HTML
        </Box>
        <Box role="status" sx={{ fontSize: '0.8125rem', color: color(fresh > 0 ? 'gorse' : 'stone') }}>
          {pages === null ? 'Checking against the HTML standard…' : saidOf(pages.length, rows.length, fresh)}
        </Box>
        {fixable.length > 1 && <FixAll rows={fixable} />}
      </Box>
      {rows.length > 0 && (
        <Box component="ul" aria-label="HTML messages" sx={{ m: 0, p: 0, listStyle: 'none' }}>
          {shown.map(({ path, finding }) => (
            <Row key={`${path} ${finding.rule} ${finding.start} ${finding.says}`} path={path} finding={finding} />
          ))}
        </Box>
      )}
      {shown.length < rows.length && (
        <Button sx={{ m: 1.25 }} onClick={() => setAll(true)}>{`Show all ${rows.length} messages`}</Button>
      )}
    </Panel>
  );
}

function saidOf(pages: number, messages: number, fresh: number): string {
  if (messages === 0) return `${countOf(pages, 'page')}, valid`;
  const said = `${countOf(messages, 'message')} of html-validate on ${countOf(pages, 'page')}`;
  return fresh === 0 ? `${said}; your pages had them when they were imported` : `${said}, ${fresh} new`;
}

/** They leave the page as a browser builds it; shown before they are made. */
function FixAll({ rows }: { rows: readonly MessageRow[] }) {
  const { readOnly } = useSite().site;
  const { intent, busy } = useIntent('shown');
  const messages = rows.map(({ path, finding: { rule, start } }) => ({ page: path, rule, at: start }));
  return (
    <Button disabled={busy || readOnly} onClick={() => intent({ kind: 'fix-markup', messages })} sx={{ ml: 'auto' }}>
      {busy ? 'Working out the changes…' : `Fix ${rows.length} messages`}
    </Button>
  );
}

function Row({ path, finding: { rule, says, line, start, isNew, fix } }: MessageRow) {
  const showSource = useShowSource();
  const { readOnly } = useSite().site;
  const { intent, busy } = useIntent();
  return (
    <Box component="li" sx={ROW}>
      <Box sx={{ overflowWrap: 'anywhere' }}>
        <Box>{says}</Box>
        <PlaceLink onClick={() => showSource(path, start)}>
          <Mono>{`${path}:${line}`}</Mono>
        </PlaceLink>{' '}
        <Mono tone="stone">{rule}</Mono>
      </Box>
      <Box sx={ASIDE}>
        {isNew && <Tag tone="look">new</Tag>}
        {fix !== null && (
          <Button
            disabled={busy || readOnly}
            onClick={() => intent({ kind: 'fix-markup', messages: [{ page: path, rule, at: start }] })}
          >
            {fix}
          </Button>
        )}
      </Box>
    </Box>
  );
}
