/** Pictures that look soft, for they are drawn larger than the pixels that they have. */
import Box from '@mui/material/Box';
import { nameOf } from '~core/site/index.ts';
import type { WeightView } from '~core/view/index.ts';
import { Mono, Panel } from '../../../ui/parts/small';
import { PlaceLink } from '../../../ui/parts/pressable';
import { useShowSource } from '../../../ui/site/openSite';
import { color } from '../../../ui/theme';

/** More say no more. */
const SHOWN = 5;

const ROW = {
  py: 0.5,
  borderTop: `1px solid ${color('hair')}`,
  fontSize: '0.8125rem',
  overflowWrap: 'anywhere',
} as const;

const TITLE = { m: 0, mb: 0.75, fontSize: '0.875rem', fontWeight: 600 };

export function Soft({ view: { page, stretched } }: { view: WeightView }) {
  const showSource = useShowSource();
  if (stretched.length === 0) return null;
  const more = stretched.length - SHOWN;
  return (
    <Panel label="Drawn larger than their pixels" sx={{ p: 1.75 }}>
      <Box component="h2" sx={TITLE}>
        Drawn larger than their pixels
      </Box>
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {stretched.slice(0, SHOWN).map(({ path, line, start, width, shown }) => (
          <Box component="li" key={path} sx={ROW}>
            {`${nameOf(path)} has ${width} px and is shown ${shown} px wide, so it looks soft. `}
            <PlaceLink onClick={() => showSource(page, start)}>
              <Mono>{`line ${line}`}</Mono>
            </PlaceLink>
          </Box>
        ))}
      </Box>
      {more > 0 && <Box sx={{ fontSize: '0.8125rem', color: color('stone') }}>{`and ${more} more`}</Box>}
    </Panel>
  );
}
