/** The ladder: one card for each item, tied by threads to its lines on the left and to its element on the right. */
import Box from '@mui/material/Box';
import { linkHorizontal } from 'd3-shape';
import { memo, useMemo, useSyncExternalStore } from 'react';
import type { Strand } from '~core/model/index.ts';
import { STACKED } from '../../ui/narrow';
import { toneColor } from '../../ui/parts/small';
import { usePicture } from '../../ui/site/pictureUrls';
import { color } from '../../ui/theme';
import { CARD, placeCards } from './ladderPlaces';
import type { LineSights } from './source/lineSight';
import { BARE } from '../../ui/parts/pressable';

export const LADDER_WIDTH = 150;
/** Of a whole card; CSS px. */
const WIDTH = 76;
const LEFT = (LADDER_WIDTH - WIDTH) / 2;
const thread = linkHorizontal<{ source: [number, number]; target: [number, number] }, [number, number]>();

/** The joint that speaks on a card, in few words. */
function word(strand: Strand): string | null {
  const joint =
    strand.joints.find((one) => one.state === 'broken') ?? strand.joints.find((one) => one.state === 'look');
  if (!joint) return null;
  return { thumbnail: 'thumbnail', image: 'alt text?', link: 'link', viewer: 'viewer', 'full-size': 'full-size' }[
    joint.name
  ];
}

interface Props {
  strands: readonly Strand[];
  sights: LineSights;
  /** How much lower the ladder begins than the live page; CSS px. */
  above: number;
  /** Middles of the elements on the live page; CSS px from its top, null where out of sight. */
  places: readonly (number | null)[];
  chosen: string | null;
  onChoose: (strand: string) => void;
}

/** Written once for all cards: while somebody scrolls, cards come and go with every frame. */
const LOOK = {
  width: LADDER_WIDTH,
  position: 'relative',
  overflow: 'hidden',
  flexShrink: 0,
  bgcolor: color('paper'),
  '& svg': { position: 'absolute', inset: 0, width: '100%', height: '100%' },
  // Where the page stands below and not beside, they would end at the edge.
  [STACKED]: { '& .to-page': { display: 'none' } },
  '& ol': { m: 0, p: 0, listStyle: 'none' },
  '& li': { position: 'absolute', top: 0, left: LEFT, width: WIDTH },
  '& button': {
    ...BARE,
    display: 'grid',
    placeItems: 'center',
    width: WIDTH,
    bgcolor: color('mist'),
    borderRadius: '3px',
    outline: `1px solid ${color('hair')}`,
  },
  '& button[aria-pressed="true"]': { outline: `2px solid ${color('heather')}` },
  '& button:focus-visible': { outline: `3px solid ${color('heather')}` },
  '& img': { display: 'block', maxWidth: WIDTH, borderRadius: '2px' },
  '& .word': { fontSize: '0.75rem', textAlign: 'center', mt: '2px', bgcolor: color('paper') },
} as const;

interface CardProps {
  strand: Strand;
  /** CSS px. */
  height: number;
  chosen: boolean;
  onChoose: (strand: string) => void;
}

const Card = memo(function Card({ strand, height, chosen, onChoose }: CardProps) {
  const url = usePicture(strand.thumbnail);
  const told = word(strand);
  return (
    <>
      <button
        type="button"
        aria-pressed={chosen}
        aria-label={`${strand.name}, ${told ?? 'whole'}`}
        onClick={() => onChoose(strand.id)}
        style={{ height }}
      >
        {url !== null && <img src={url} alt="" decoding="async" style={{ maxHeight: height }} />}
      </button>
      {told !== null && height === CARD.height && (
        <div className="word" style={{ color: toneColor(strand.state === 'broken' ? 'broken' : 'look') }}>
          {told}
        </div>
      )}
    </>
  );
});

export const Ladder = memo(function Ladder(props: Props) {
  return (
    <Box sx={LOOK}>
      <Cards {...props} />
    </Box>
  );
});

/** How a thread is drawn; a whole one is unbroken. */
const DASHES: Readonly<Partial<Record<Strand['state'], string>>> = { broken: '2 3', look: '6 3' };

/**
 * What is drawn anew with every frame of scrolling: plain elements, for styles that are worked out cost more than the
 * cards.
 */
function Cards({ strands, sights, above, places, chosen, onChoose }: Props) {
  const sight = useSyncExternalStore(sights.watch, sights.get, sights.get);
  const numbered = useMemo(() => strands.map((strand, n) => ({ strand, n, lines: strand.lines })), [strands]);
  const cards = sight ? placeCards(numbered, sight) : [];
  return (
    <>
      <svg aria-hidden>
        {cards.map(({ of: { strand, n }, line, top, height }) => {
          const colour = toneColor(strand.state === 'none' ? 'plain' : strand.state);
          const dash = DASHES[strand.state];
          const middle = top + height / 2;
          const inSight = sight !== null && top > -height && top < sight.height;
          const place = inSight ? (places[n] ?? null) : null;
          return (
            <g
              key={strand.id}
              fill="none"
              stroke={colour}
              strokeDasharray={dash}
              strokeWidth={strand.id === chosen ? 2.4 : 1.4}
            >
              <path d={thread({ source: [0, line], target: [LEFT, middle] }) ?? ''} />
              {place !== null && (
                <path
                  className="to-page"
                  d={thread({ source: [LEFT + WIDTH, middle], target: [LADDER_WIDTH, place - above] }) ?? ''}
                  opacity={0.75}
                />
              )}
            </g>
          );
        })}
      </svg>
      <ol aria-label="Items">
        {cards.map(({ of: { strand }, top, height }) => (
          <li key={strand.id} style={{ transform: `translateY(${top}px)` }}>
            <Card strand={strand} height={height} chosen={strand.id === chosen} onChoose={onChoose} />
          </li>
        ))}
      </ol>
    </>
  );
}
