/** How a gallery is laid out: what its stylesheets say of it, set where it is said, beside the live page. */
import Box from '@mui/material/Box';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import type { LayoutView, SettingView } from '~core/view/index.ts';
import { Mono, Tag } from '../../../ui/parts/small';
import { Beside } from '../Beside';
import { useShowSource, useSite } from '../../../ui/site/openSite';
import { useIntent } from '../../../ui/site/work';
import { color, MONO } from '../../../ui/theme';
import { Length, type Commit } from '../../../ui/parts/fields';
import { SettingRow } from './SettingRow';
import { useTrial } from './useTrial';
import { PlaceLink } from '../../../ui/parts/pressable';

const METHODS: Readonly<Record<LayoutView['method'], string>> = {
  grid: 'a grid',
  flex: 'a flexible row that wraps',
  float: 'floats',
  inline: 'items in lines of text',
  columns: 'newspaper columns',
  stacked: 'items one under the other',
  fixed: 'rows or cells in the markup',
};

/** Widths of windows that people try first; CSS px (common practice, no source). */
const USUAL = 600;

interface Props {
  page: string;
  /** Number of the gallery on the page. */
  number: number;
  /** The width up to which is looked at; null looks at a wide window. CSS px. */
  at: number | null;
  onAt: (at: number | null) => void;
  onClose: () => void;
}

const WIDTHS = { display: 'flex', alignItems: 'center', gap: 1, mt: 1 };

const STATE = { fontSize: '0.8125rem', color: color('stone'), '&:not(:empty)': { pb: 1 } } as const;

const NONE: readonly number[][] = [];

function saysOfTrial(trying: boolean, unconfirmed: boolean): string {
  if (trying) return 'Trying it on a copy of the page…';
  return unconfirmed
    ? 'Unconfirmed: the live page did not answer, so the effect of the last setting was not measured.'
    : '';
}

/** What is done to floats and inline blocks is no setting of others. */
const concerns = ({ field }: SettingView, { method }: LayoutView): boolean =>
  field.kind !== 'act' || method === 'float' || method === 'inline';

/** The other pages that the stylesheet is that of. */
function saysWhoElse(pages: readonly string[]): string {
  if (pages.length === 0) return '';
  return `; the sheet is also that of ${pages.length > 2 ? `${pages.length} other pages` : pages.join(' and ')}`;
}

export function LayoutSheet({ page, number, at, onAt, onClose }: Props) {
  const { site } = useSite();
  const { intent, busy } = useIntent();
  const [layout, setLayout] = useState<LayoutView | null>(null);
  const { session, view } = site;
  const { attempt, trying, unconfirmed } = useTrial(layout?.items ?? NONE, intent);
  useEffect(() => {
    let current = true;
    void session.analysis.layout(page, number, at).then((made) => current && setLayout(made));
    return () => {
      current = false;
    };
  }, [session, view, page, number, at]);
  if (!layout)
    return (
      <Box role="status" sx={{ p: 2, color: color('stone') }}>
        Reading stylesheets…
      </Box>
    );
  const widths = [
    ...new Set([...layout.narrow, ...(layout.narrow.length === 0 ? [USUAL] : []), ...(at === null ? [] : [at])]),
  ].sort((a, b) => b - a);
  const set = (setting: string, value: string | null) =>
    attempt({ kind: 'set-style', page, gallery: number, setting, value, at });
  const groups = [...new Set(layout.settings.map(({ group }) => group))];
  return (
    <Beside
      title="Layout"
      says={METHODS[layout.method] + saysWhoElse(layout.alsoOn)}
      onClose={onClose}
      head={
        <Box sx={WIDTHS}>
          <ToggleButtonGroup
            exclusive
            size="small"
            value={at ?? 0}
            aria-label="Window widths"
            onChange={(_event, value: number | null) => value !== null && onAt(value === 0 ? null : value)}
          >
            <ToggleButton value={0} sx={{ py: 0.25, textTransform: 'none' }}>
              every width
            </ToggleButton>
            {widths.map((width) => (
              <ToggleButton
                key={width}
                value={width}
                sx={{ py: 0.25, textTransform: 'none' }}
              >{`up to ${width} px`}</ToggleButton>
            ))}
          </ToggleButtonGroup>
          <AnotherWidth onAt={onAt} />
        </Box>
      }
    >
      <Box role="status" sx={STATE}>
        {saysOfTrial(trying, unconfirmed)}
      </Box>
      {groups.map((group) => (
        <Group
          key={group}
          title={group}
          at={at}
          settings={layout.settings.filter((one) => one.group === group && concerns(one, layout))}
          idle={busy || trying || site.readOnly}
          onSet={set}
        />
      ))}
      <Rules layout={layout} />
    </Beside>
  );
}

function Group({
  title,
  at,
  settings,
  idle,
  onSet,
}: {
  title: string;
  at: number | null;
  settings: readonly SettingView[];
  idle: boolean;
  onSet: (setting: string, value: string | null) => void;
}) {
  return (
    <Box component="section" aria-label={title} sx={{ mb: 1.5 }}>
      <Typography variant="h3" sx={{ fontSize: '0.8125rem', fontWeight: 700, mb: 0.25 }}>
        {title}
      </Typography>
      {settings.map((setting) => (
        <SettingRow
          key={`${setting.id} ${at}`}
          setting={setting}
          idle={idle}
          onSet={(value) => onSet(setting.id, value)}
        />
      ))}
    </Box>
  );
}

function AnotherWidth({ onAt }: { onAt: (at: number) => void }) {
  const take: Commit = (value) => {
    const width = Number.parseInt(value ?? '', 10);
    if (width >= 100 && width <= 4000) onAt(width);
  };
  return <Length label="Up to another width, px" value={null} disabled={false} width={168} onCommit={take} />;
}

const RULE_TEXT = {
  m: 0,
  mt: 0.25,
  fontFamily: MONO,
  fontSize: '0.75rem',
  whiteSpace: 'pre-wrap',
  overflowWrap: 'anywhere',
} as const;

/** The author's own rules, as they stand; a click leads to them. */
function Rules({ layout }: { layout: LayoutView }) {
  const showSource = useShowSource();
  return (
    <Box component="section" aria-label="CSS rules of this layout">
      <Typography variant="h3" sx={{ fontSize: '0.8125rem', fontWeight: 700, mb: 0.5 }}>
        CSS rules of this layout
      </Typography>
      {layout.rules.length === 0 && (
        <Box sx={{ fontSize: '0.8125rem', color: color('stone') }}>No stylesheet rule applies to it.</Box>
      )}
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {layout.rules.map((rule) => (
          <Box
            component="li"
            key={`${rule.path} ${rule.start}`}
            sx={{ py: 0.75, borderTop: `1px solid ${color('hair')}` }}
          >
            <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
              <PlaceLink onClick={() => showSource(rule.path, rule.start, rule.end)}>
                <Mono>{`${rule.path}, line ${rule.line}`}</Mono>
              </PlaceLink>
              {rule.media !== null && <Tag tone="plain">{rule.media}</Tag>}
            </Box>
            <Box component="pre" sx={RULE_TEXT}>
              {rule.text}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
