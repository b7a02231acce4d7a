/** A pair: thumbnail and full-size picture joined by a thread as sure as the match is; chosen, it shows its ways out. */
import { useDraggable, useDroppable } from '@dnd-kit/core';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { memo } from 'react';
import type { SizeRecipe } from '~core/photo/index.ts';
import type { PairView } from '~core/view/index.ts';
import type { Work } from '../../data/work';
import { inBytes, Mono, Picture, Tag, toneInk } from '../../ui/parts';
import { ink } from '../../ui/theme';
import { grounds, outlined, STATES, waysOut } from './states';

const SMALL = { width: 76, height: 56 };
const LARGE = { width: 92, height: 60 };

interface PairRowProps {
  pair: PairView;
  chosen: boolean;
  /** Nothing can be written now. */
  idle: boolean;
  /** What a thumbnail is made to. */
  size: SizeRecipe;
  onChoose: (pair: PairView) => void;
  onWork: (work: Work) => void;
  onPairByHand: (thumbnail: string) => void;
}

export const PairRow = memo(function PairRow({ pair, chosen, idle, size, onChoose, onWork, onPairByHand }: PairRowProps) {
  const { tone, word, dash } = STATES[pair.state];
  const [rests, detail] = grounds(pair);
  const { setNodeRef: place, isOver } = useDroppable({ id: `onto ${pair.full}`, data: { full: pair.full } });
  const { setNodeRef: grip, listeners } = useDraggable({ id: `from ${pair.id}`, data: { thumbnail: pair.thumbnail }, disabled: pair.thumbnail === null || idle });
  const ground = isOver ? ink('gorseWash') : chosen ? ink('heatherWash') : 'transparent';
  return (
    <Box component="li" ref={place} sx={{ borderTop: `1px solid ${ink('hair')}`, '&:first-of-type': { borderTop: 0 }, bgcolor: ground }}>
      <Box
        component="button"
        type="button"
        aria-pressed={chosen}
        onClick={() => onChoose(pair)}
        sx={{ all: 'unset', boxSizing: 'border-box', cursor: 'pointer', display: 'grid', gridTemplateColumns: '84px 40px 96px minmax(0, 1fr) 210px 130px', alignItems: 'center', gap: 1.25, width: '100%', minHeight: 68, px: 1.5, py: 0.5, '&:hover': { bgcolor: chosen ? 'transparent' : ink('mist') }, '&:focus-visible': { outline: `2px solid ${ink('heather')}`, outlineOffset: '-2px' } }}
      >
        <Box ref={grip} {...listeners} sx={{ justifySelf: 'end', touchAction: 'none' }}>
          <Picture path={pair.thumbnail} {...SMALL} />
        </Box>
        <svg width="40" height="8" aria-hidden>
          <path d="M2 4H38" stroke={toneInk(tone)} strokeWidth="2" strokeDasharray={dash} />
        </svg>
        <Full pair={pair} />
        <Box sx={{ minWidth: 0, lineHeight: 1.5 }}>
          <Box><Mono>{pair.thumbnail ?? '—'}</Mono></Box>
          <Box><Mono tone="stone">{pair.full}</Mono></Box>
        </Box>
        <Box sx={{ fontSize: '0.8125rem' }}>
          <Box>{rests}</Box>
          <Box sx={{ color: ink('stone'), fontSize: '0.75rem', overflowWrap: 'anywhere' }}>{detail}</Box>
        </Box>
        <Box sx={{ textAlign: 'right', fontSize: '0.75rem', color: ink('stone') }}>
          <Tag tone={tone}>{word}</Tag>
          {pair.fullSize && <Box sx={{ mt: 0.5 }}>{`${pair.fullSize.width} × ${pair.fullSize.height} ${inBytes(pair.fullSize.bytes)}`}</Box>}
        </Box>
      </Box>
      {chosen && (
        <Box role="group" aria-label={`Ways for ${pair.name}`} sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75, pl: '145px', pr: 1.5, pb: 1 }}>
          {waysOut(pair, size).map(({ label, work }) => (
            <Button key={label} size="small" disabled={idle} onClick={() => onWork(work)}>{label}</Button>
          ))}
          {pair.thumbnail !== null && (
            <Button size="small" disabled={idle} onClick={() => onPairByHand(pair.thumbnail ?? '')}>Pair the thumbnail with another…</Button>
          )}
        </Box>
      )}
    </Box>
  );
});

/** The full-size picture, with the outline of the part that its thumbnail shows. */
function Full({ pair }: { pair: PairView }) {
  const crop = outlined(pair);
  const size = pair.fullSize;
  const picture = <Picture path={pair.full} {...LARGE} />;
  if (!crop || !size || size.width === 0) return picture;
  const scale = Math.min(LARGE.width / size.width, LARGE.height / size.height);
  const shown = { width: size.width * scale, height: size.height * scale };
  return (
    <Box sx={{ position: 'relative', width: LARGE.width, height: LARGE.height }}>
      {picture}
      <Box
        role="img"
        aria-label="The part that the thumbnail shows"
        sx={{ position: 'absolute', left: (LARGE.width - shown.width) / 2 + crop.left * shown.width, top: (LARGE.height - shown.height) / 2 + crop.top * shown.height, width: crop.width * shown.width, height: crop.height * shown.height, boxSizing: 'border-box', border: '1px solid #fff', outline: '1.5px solid #2A2320' }}
      />
    </Box>
  );
}
