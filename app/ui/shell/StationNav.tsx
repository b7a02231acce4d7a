/** The path over the moor with its five stones: where one is, and what is still open at each. */
import Box from '@mui/material/Box';
import { line, curveMonotoneX } from 'd3-shape';
import { NavLink } from 'react-router';
import { countOf } from '~core/site/index.ts';
import type { Station } from '~core/checks/index.ts';
import { STATIONS } from '../../stations';
import { placeAfter, searchOf } from '../site/address';
import { useSite } from '../site/openSite';
import { useRehearsed } from '../site/rehearsed';
import { UNSEEN } from './announce';
import { color } from '../theme';

const WIDTH = 780;
/** Height of each stone on the path; CSS px. */
const HEIGHTS = [22, 18, 23, 17, 22];
const middleOf = (n: number) => (WIDTH * (n + 0.5)) / STATIONS.length;
const PATH =
  line<[number, number]>().curve(curveMonotoneX)([
    [0, 25],
    ...HEIGHTS.map((y, n): [number, number] => [middleOf(n), y]),
    [WIDTH, 21],
  ]) ?? '';

const NAV = { position: 'relative', width: WIDTH, maxWidth: '100%', height: 58, flexShrink: 1, minWidth: 0 } as const;

const PATH_STYLE = { position: 'absolute', inset: 0, width: '100%', height: '100%' } as const;

const LIST = {
  display: 'grid',
  gridTemplateColumns: 'repeat(5, 1fr)',
  m: 0,
  p: 0,
  listStyle: 'none',
  height: '100%',
} as const;

const stationStyle = (here: boolean) =>
  ({
    position: 'absolute',
    inset: 2,
    textDecoration: 'none',
    color: here ? color('heather') : color('peat'),
    fontWeight: here ? 700 : 500,
    fontSize: '0.875rem',
    borderRadius: 1,
    pt: '34px',
    '&:hover': { color: color('heather') },
  }) as const;

const dotStyle = ({ top, here }: { top: number; here: boolean }) =>
  ({
    position: 'absolute',
    left: '50%',
    top,
    width: here ? 15 : 11,
    height: here ? 15 : 11,
    transform: 'translate(-50%, -50%)',
    borderRadius: '50%',
    border: `1.5px solid ${here ? color('heather') : color('edge')}`,
    bgcolor: here ? color('heather') : color('mist'),
    forcedColorAdjust: 'none',
  }) as const;

const COUNT = { ml: 0.5, color: color('rust'), fontWeight: 600, fontSize: '0.8125rem' };

export function StationNav({
  siteId,
  open,
  at,
}: {
  siteId: string;
  open: Record<Station, number>;
  at: Station | null;
}) {
  const { place } = useSite();
  const rehearsed = useRehearsed().length;
  return (
    <Box component="nav" aria-label="Stations" sx={NAV}>
      <Box component="svg" viewBox={`0 0 ${WIDTH} 58`} preserveAspectRatio="none" aria-hidden sx={PATH_STYLE}>
        <path d={PATH} fill="none" stroke={color('edge')} strokeWidth={1.2} />
      </Box>
      <Box component="ol" sx={LIST}>
        {STATIONS.map((station, n) => {
          const here = station.id === at;
          const count = open[station.id] + (station.id === 'proof' ? rehearsed : 0);
          return (
            <Box component="li" key={station.id} sx={{ position: 'relative', textAlign: 'center' }}>
              <Box
                component={NavLink}
                to={{ pathname: `/site/${siteId}/${station.id}`, search: searchOf(placeAfter(place, {}, true)) }}
                title={count > 0 ? `${countOf(count, 'finding')} to settle at ${station.name}` : undefined}
                sx={stationStyle(here)}
              >
                <Box component="span" aria-hidden sx={dotStyle({ top: (HEIGHTS[n] ?? 20) - 2, here })} />
                {station.name}
                {count > 0 && (
                  <Box component="span" sx={COUNT}>
                    <Box component="span" sx={UNSEEN}>
                      ,{' '}
                    </Box>
                    {count}
                    <Box component="span" sx={UNSEEN}>
                      {' '}
                      open
                    </Box>
                  </Box>
                )}
              </Box>
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}
