/** One script or stylesheet of the page: where it stands, what it needs and gives, and what it does there. */
import Box from '@mui/material/Box';
import type { IncludeView } from '~core/view/index.ts';
import { Mono, Tag, toneColor } from '../../ui/parts/small';
import { useShowSource, useSite } from '../../ui/site/openSite';
import { color } from '../../ui/theme';
import { PlaceLink } from '../../ui/parts/pressable';

export const WHEN: Record<IncludeView['when'], string> = {
  head: 'In the head',
  body: 'In the body',
  deferred: 'Deferred: after the page is read',
  async: 'Async: as soon as it has loaded',
};

const cardStyle = (edge: string) =>
  ({
    bgcolor: color('paper'),
    border: `1px solid ${edge}`,
    borderRadius: 1,
    px: 1.5,
    py: 1,
  }) as const;

export function IncludeCard({ include, page }: { include: IncludeView; page: string }) {
  const { site } = useSite();
  const showSource = useShowSource();
  const content = site.files.get(page);
  const go = () => showSource(page, content?.kind === 'text' ? offsetOf(content.text, include.line) : undefined);
  const quiet = include.state === 'whole';
  return (
    <Box data-include sx={cardStyle(quiet ? color('hair') : toneColor(include.state))}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline' }}>
        <Mono>
          {include.starts.length > 0 && include.shows === 'inline script' ? include.starts.join(', ') : include.shows}
        </Mono>
        {include.imported && <Tag tone="plain">imported</Tag>}
        {include.kit !== null && <Tag tone="plain">{include.kit}</Tag>}
        {include.state === 'broken' && <Tag tone="broken">broken</Tag>}
      </Box>
      <Box sx={{ fontSize: '0.78rem', color: quiet ? color('stone') : toneColor(include.state) }}>
        {`${include.says} · `}
        <PlaceLink onClick={go}>{`line ${include.line}`}</PlaceLink>
      </Box>
      {include.needs.length > 0 && <Globals word="needs" names={include.needs} />}
      {include.gives.length > 0 && <Globals word="gives" names={include.gives} />}
    </Box>
  );
}

function Globals({ word, names }: { word: string; names: readonly string[] }) {
  return (
    <Box sx={{ fontSize: '0.75rem', color: color('stone') }}>
      {`${word} `}
      <Mono>{names.slice(0, 4).join(', ')}</Mono>
      {names.length > 4 && ` and ${names.length - 4} more`}
    </Box>
  );
}

/** Where a line begins, counted from 1. */
function offsetOf(text: string, line: number): number {
  let at = 0;
  for (let n = 1; n < line; n++) at = text.indexOf('\n', at) + 1;
  return at;
}
