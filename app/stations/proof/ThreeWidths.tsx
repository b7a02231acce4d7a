/** The page as a phone, a tablet and a desktop show it. */
import Box from '@mui/material/Box';
import { laidOutWidth, type PageView } from '~core/view/index.ts';
import type { FromProbe } from '~protocol/probe.ts';
import { Panel } from '../../ui/parts/small';
import { useWidth } from '../../ui/parts/useWidth';
import { LivePage } from '../../ui/preview/LivePage';
import { useChosenStrand } from '../../ui/site/openSite';
import { color } from '../../ui/theme';

const GAP = 14; // CSS px

/** Widths of the windows (common practice, no source) and the height of the room for each; CSS px. */
const WINDOWS = [
  { width: 390, height: 250 },
  { width: 768, height: 250 },
  { width: 1280, height: 270 },
] as const;

/** So much room is shared by all three; in less the desktop has a row of its own. CSS px. */
const ONE_ROW = 600;

/** They keep their proportion to each other, but the phone stays wide enough to read. */
const SHARES = { row: [0.19, 0.3, 0.51], rows: [0.38, 0.62, 1] } as const;

const widthOf = (room: number, n: number): number => {
  const isRow = room >= ONE_ROW;
  const share = SHARES[isRow ? 'row' : 'rows'][n] ?? 1;
  const gaps = isRow ? 2 : 1;
  return Math.floor(share === 1 ? room : (room - GAP * gaps) * share) - 2;
};

/** Without the viewport tag phones show another width than they have. */
const saysWidth = (width: number, laidOut: number): string =>
  width === laidOut ? `${width} px` : `${width} px, laid out at ${laidOut} px`;

const ROOM = { display: 'flex', flexWrap: 'wrap', gap: `${GAP}px`, minWidth: 0 } as const;

const WIDTH_LABEL = { textAlign: 'center', color: color('stone'), fontSize: '0.78rem', mt: 0.25 } as const;

export function ThreeWidths({ page, onReport }: { page: PageView; onReport: (report: FromProbe) => void }) {
  const strand = useChosenStrand();
  const { box: home, width: room } = useWidth();
  const { path } = page;
  return (
    <Box ref={home} component="section" aria-label="The page at three widths" sx={ROOM}>
      {room > 0 &&
        WINDOWS.map(({ width, height }, n) => (
          <Box key={width}>
            <Panel sx={{ overflow: 'hidden' }}>
              <LivePage
                path={path}
                width={width}
                room={{ width: widthOf(room, n), height }}
                title={`${path} at ${width} px`}
                show={strand?.page === path ? strand.element : null}
                {...(n === WINDOWS.length - 1 ? { onReport, audited: true } : {})}
              />
            </Panel>
            <Box sx={WIDTH_LABEL}>{saysWidth(width, laidOutWidth(page, width))}</Box>
          </Box>
        ))}
    </Box>
  );
}
