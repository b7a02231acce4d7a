/** A picture in the order: a bead on the thread of all, which is dragged along it, or moved by buttons. */
import { useSortable } from '@dnd-kit/sortable';
import ArrowDownwardIcon from '@mui/icons-material/ArrowDownward';
import ArrowUpwardIcon from '@mui/icons-material/ArrowUpward';
import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import Chip from '@mui/material/Chip';
import IconButton from '@mui/material/IconButton';
import { memo } from 'react';
import type { PairView } from '~core/view/index.ts';
import { Mono, Picture } from '../../../ui/parts/small';
import { useIntent } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import { sayTaken } from '../../../ui/parts/times';

interface OrderRowProps {
  pair: PairView;
  index: number;
  of: number;
  top: number;
  chosen: boolean;
  idle: boolean;
  onToggle: (full: string) => void;
  onStep: (full: string, by: 1 | -1) => void;
}

const rowStyle = ({ chosen, isDragging }: { chosen: boolean; isDragging: boolean }) =>
  ({
    position: 'absolute',
    left: 0,
    right: 0,
    height: 56,
    display: 'grid',
    gridTemplateColumns: '48px 36px 70px minmax(0, 2fr) minmax(0, 1fr) 76px',
    gap: 1,
    alignItems: 'center',
    px: 1,
    borderBottom: `1px solid ${color('hair')}`,
    bgcolor: chosen ? color('heatherWash') : color('paper'),
    zIndex: isDragging ? 2 : undefined,
    boxShadow: isDragging ? '0 4px 18px rgb(20 16 15 / 0.18)' : undefined,
  }) as const;

/** The thread runs through all rows; a bead says which place is whose. */
const THREAD = {
  position: 'relative',
  alignSelf: 'stretch',
  display: 'grid',
  placeItems: 'center',
  '&::before': {
    content: '""',
    position: 'absolute',
    insetBlock: '0 -1px',
    left: 'calc(50% - 1px)',
    borderLeft: `2px solid ${color('lichen')}`,
  },
} as const;

const BEAD = {
  minWidth: 30,
  height: 30,
  p: 0.5,
  borderRadius: '15px',
  border: `1.8px solid ${color('lichen')}`,
  bgcolor: color('paper'),
  color: color('peat'),
  fontFamily: 'inherit',
  fontSize: '0.8125rem',
  fontVariantNumeric: 'tabular-nums',
  cursor: 'grab',
  touchAction: 'none',
  '&:hover': { bgcolor: color('lichenWash') },
} as const;

export const OrderRow = memo(function OrderRow({
  pair,
  index,
  of,
  top,
  chosen,
  idle,
  onToggle,
  onStep,
}: OrderRowProps) {
  const { intent } = useIntent();
  const { setNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({
    id: pair.full,
    disabled: idle,
  });
  const shift = transform ? `translate3d(0, ${Math.round(transform.y)}px, 0)` : undefined;
  return (
    <Box
      component="li"
      ref={setNodeRef}
      aria-setsize={of}
      aria-posinset={index + 1}
      sx={rowStyle({ chosen, isDragging })}
      style={{ top, transform: shift, transition }}
    >
      <Box sx={THREAD}>
        <IconButton
          {...attributes}
          {...listeners}
          aria-label={`Move ${pair.name} from place ${index + 1}`}
          disabled={idle}
          sx={BEAD}
        >
          {index + 1}
        </IconButton>
      </Box>
      <Checkbox
        size="small"
        checked={chosen}
        onChange={() => onToggle(pair.full)}
        slotProps={{ input: { 'aria-label': `Choose ${pair.name}` } }}
      />
      <Picture path={pair.full} width={66} height={46} />
      <Box sx={{ minWidth: 0, lineHeight: 1.3 }}>
        <Mono>{pair.full}</Mono>
        <Box sx={{ fontSize: '0.75rem', color: color('stone') }}>
          {pair.takenAt ? sayTaken(pair.takenAt) : 'no date'}
        </Box>
      </Box>
      <Box sx={{ display: 'flex', gap: 0.5, flexWrap: 'wrap' }}>
        {pair.tags.map((tag) => (
          <Chip
            key={tag}
            size="small"
            label={`${tag} ×`}
            disabled={idle}
            aria-label={`Remove the tag ${tag} from ${pair.name}`}
            onClick={() => intent({ kind: 'set-tags', paths: [pair.full], add: [], remove: [tag] })}
          />
        ))}
      </Box>
      <Box>
        <IconButton
          aria-label={`Move ${pair.name} up`}
          disabled={idle || index === 0}
          onClick={() => onStep(pair.full, -1)}
        >
          <ArrowUpwardIcon fontSize="small" />
        </IconButton>
        <IconButton
          aria-label={`Move ${pair.name} down`}
          disabled={idle || index === of - 1}
          onClick={() => onStep(pair.full, 1)}
        >
          <ArrowDownwardIcon fontSize="small" />
        </IconButton>
      </Box>
    </Box>
  );
});
