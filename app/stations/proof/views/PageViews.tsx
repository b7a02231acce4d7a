/** The page in another way than usual, beside the usual one. */
import Box from '@mui/material/Box';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useState } from 'react';
import type { PageView } from '~core/view/index.ts';
import { STACKED } from '../../../ui/narrow';
import { Panel } from '../../../ui/parts/small';
import { useWidth } from '../../../ui/parts/useWidth';
import { LivePage } from '../../../ui/preview/LivePage';
import { color } from '../../../ui/theme';
import { DESKTOP, WAYS } from './views';
import { WayFrame } from './WayFrame';

/** CSS px. */
const HEIGHT = 520;

const SIDE_BY_SIDE = {
  display: 'grid',
  gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1fr)',
  gap: 1.5,
  [STACKED]: { gridTemplateColumns: 'minmax(0, 1fr)' },
} as const;

const LABEL = { m: 0, px: 1.25, py: 0.75, fontSize: '0.8125rem', fontWeight: 600 } as const;

const WAYS_STYLE = {
  bgcolor: color('paper'),
  flexWrap: 'wrap',
  mb: 1,
  '& .MuiToggleButton-root': { textTransform: 'none' },
} as const;

const [FIRST] = WAYS;

export function PageViews({ page }: { page: PageView }) {
  const [id, setId] = useState(FIRST?.id);
  const { box, width } = useWidth();
  const way = WAYS.find((one) => one.id === id) ?? FIRST;
  if (!way) return null;
  const { path } = page;
  return (
    <>
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label="View"
        value={way.id}
        onChange={(_event, chosen: string | null) => chosen !== null && setId(chosen)}
        sx={WAYS_STYLE}
      >
        {WAYS.map((one) => (
          <ToggleButton key={one.id} value={one.id}>
            {one.says}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <Box role="status" sx={{ mb: 1.25, fontSize: '0.8125rem', color: color('stone') }}>
        {way.hint}
      </Box>
      <Box sx={SIDE_BY_SIDE}>
        <Panel label={`${way.says}, ${way.width} px`} sx={{ overflow: 'hidden' }}>
          <Box component="h2" sx={LABEL}>{`${way.says}, ${way.width} px`}</Box>
          <Box ref={box}>
            {width > 0 && <WayFrame key={`${path} ${way.id}`} path={path} way={way} room={{ width, height: HEIGHT }} />}
          </Box>
        </Panel>
        <Panel label="As usual" sx={{ overflow: 'hidden' }}>
          <Box component="h2" sx={LABEL}>{`As usual, ${DESKTOP} px`}</Box>
          {width > 0 && (
            <LivePage
              path={path}
              width={DESKTOP}
              room={{ width, height: HEIGHT }}
              title={`${path} as usual, at ${DESKTOP} px`}
            />
          )}
        </Panel>
      </Box>
    </>
  );
}
