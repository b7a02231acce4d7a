/** The ladder: one card for each item, tied by threads to its lines on the left and to its element on the right. */
import Box from '@mui/material/Box';
import { linkHorizontal } from 'd3-shape';
import type { Strand } from '~core/model/index.ts';
import { Picture, toneInk } from '../../ui/parts';
import { ink } from '../../ui/theme';
import type { LineGeometry } from './source/SourceEditor';

export const LADDER_WIDTH = 150;
const CARD = { width: 76, height: 56, gap: 24 };
const LEFT = (LADDER_WIDTH - CARD.width) / 2;
const thread = linkHorizontal<{ source: [number, number]; target: [number, number] }, [number, number]>();

/** Cards stand where their lines are, and make room for each other downwards. */
function placed(strands: readonly Strand[], geometry: LineGeometry): { strand: Strand; line: number; top: number }[] {
  let floor = -Infinity;
  return strands.map((strand) => {
    const line = geometry.middleOf((strand.lines.first + strand.lines.last) / 2);
    const top = Math.max(line - CARD.height / 2, floor);
    floor = top + CARD.height + CARD.gap;
    return { strand, line, top };
  });
}

/** The joint that speaks on a card, in few words. */
function word(strand: Strand): string | null {
  const joint = strand.joints.find((one) => one.state === 'broken') ?? strand.joints.find((one) => one.state === 'look');
  if (!joint) return null;
  return { thumbnail: 'thumbnail', image: 'alt text?', link: 'link', viewer: 'viewer', 'full-size': 'full-size' }[joint.name];
}

interface Props {
  strands: readonly Strand[];
  geometry: LineGeometry | null;
  /** Middles of the elements on the live page; CSS px from its top, null where out of sight. */
  places: readonly (number | null)[];
  chosen: string | null;
  onChoose: (strand: string) => void;
}

export function Ladder({ strands, geometry, places, chosen, onChoose }: Props) {
  if (!geometry) return <Box sx={{ width: LADDER_WIDTH }} />;
  const cards = placed(strands, geometry);
  // Few elements for many items: only what is near the window is drawn.
  const near = cards.filter(({ top }) => top > -200 && top < geometry.height + 200);
  return (
    <Box sx={{ width: LADDER_WIDTH, position: 'relative', overflow: 'hidden', flexShrink: 0, bgcolor: ink('paper') }}>
      <Box component="svg" aria-hidden sx={{ position: 'absolute', inset: 0, width: '100%', height: '100%' }}>
        {near.map(({ strand, line, top }) => {
          const colour = toneInk(strand.state === 'none' ? 'plain' : strand.state);
          const dash = strand.state === 'broken' ? '2 3' : strand.state === 'look' ? '6 3' : undefined;
          const middle = top + CARD.height / 2;
          const inSight = top > -CARD.height && top < geometry.height;
          const place = inSight ? (places[strands.indexOf(strand)] ?? null) : null;
          return (
            <g key={strand.id} fill="none" stroke={colour} strokeDasharray={dash} strokeWidth={strand.id === chosen ? 2.4 : 1.4}>
              <path d={thread({ source: [0, line], target: [LEFT, middle] }) ?? ''} />
              {place !== null && <path d={thread({ source: [LEFT + CARD.width, middle], target: [LADDER_WIDTH, place] }) ?? ''} opacity={0.75} />}
            </g>
          );
        })}
      </Box>
      <Box component="ol" aria-label="Items" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {near.map(({ strand, top }) => (
          <Box component="li" key={strand.id} sx={{ position: 'absolute', top, left: LEFT, width: CARD.width }}>
            <Box
              component="button"
              type="button"
              aria-pressed={strand.id === chosen}
              aria-label={`${strand.name}, ${word(strand) ?? 'whole'}`}
              onClick={() => onChoose(strand.id)}
              sx={{ all: 'unset', boxSizing: 'border-box', cursor: 'pointer', display: 'block', width: CARD.width, height: CARD.height, bgcolor: ink('mist'), borderRadius: '3px', outline: strand.id === chosen ? `2px solid ${ink('heather')}` : `1px solid ${ink('hair')}`, '&:focus-visible': { outline: `3px solid ${ink('heather')}` } }}
            >
              <Picture path={strand.thumbnail} width={CARD.width} height={CARD.height} />
            </Box>
            {word(strand) !== null && <Box sx={{ color: toneInk(strand.state === 'broken' ? 'broken' : 'look'), fontSize: '0.75rem', textAlign: 'center', mt: '2px', bgcolor: ink('paper') }}>{word(strand)}</Box>}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
