/** The pictures of a group in their order: dragged, moved by arrow buttons, taken out, chosen for their words. */
import { closestCenter, DndContext, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import { rectSortingStrategy, SortableContext, useSortable } from '@dnd-kit/sortable';
import ArrowBack from '@mui/icons-material/ArrowBack';
import ArrowForward from '@mui/icons-material/ArrowForward';
import Close from '@mui/icons-material/Close';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import { nameOf } from '~core/site/index.ts';
import type { PairView } from '~core/view/index.ts';
import { Picture } from '../../../ui/parts/small';
import { color } from '../../../ui/theme';

const LIST = { m: 0, p: 0, display: 'flex', flexWrap: 'wrap', gap: 0.75, listStyle: 'none' } as const;

const TOOLS = { display: 'flex', justifyContent: 'center' } as const;

const pictureStyle = (isChosen: boolean) =>
  ({
    display: 'block',
    p: 0,
    border: 0,
    bgcolor: 'transparent',
    borderRadius: 1,
    cursor: 'grab',
    touchAction: 'none',
    outline: isChosen ? `2px solid ${color('heather')}` : undefined,
    '& img': { pointerEvents: 'none' },
    '&:focus-visible': { outline: `2px solid ${color('heather')}`, outlineOffset: 2 },
  }) as const;

/** So far goes a pointer before it drags; CSS px. */
const SLACK = { activationConstraint: { distance: 6 } };

interface Props {
  fulls: readonly string[];
  pairs: readonly PairView[];
  idle: boolean;
  /** Whose words are shown; null for none. */
  chosen: number | null;
  /** Null where there are no words yet. */
  onChoose: ((n: number) => void) | null;
  onOrder: (fulls: readonly string[]) => void;
}

export function InOrder({ fulls, pairs, idle, chosen, onChoose, onOrder }: Props) {
  const sensors = useSensors(useSensor(PointerSensor, SLACK));
  if (fulls.length === 0)
    return <Box sx={{ color: color('stone') }}>Choose pictures below; they come in that order.</Box>;
  const moved = (from: number, to: number) => {
    const rest = fulls.filter((_, n) => n !== from);
    onOrder([...rest.slice(0, to), ...fulls.slice(from, from + 1), ...rest.slice(to)]);
  };
  const ids = fulls.map((full, n) => `${n} ${full}`);
  const drop = ({ active, over }: DragEndEvent) => {
    const [from, to] = [ids.indexOf(String(active.id)), over ? ids.indexOf(String(over.id)) : -1];
    if (from >= 0 && to >= 0 && from !== to) moved(from, to);
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={drop}>
      <SortableContext items={ids} strategy={rectSortingStrategy} disabled={idle}>
        <Box component="ol" aria-label="Pictures in this order" sx={LIST}>
          {fulls.map((full, n) => (
            <One
              key={ids[n]}
              id={ids[n] ?? ''}
              n={n}
              full={full}
              pair={pairs.find((one) => one.full === full)}
              isLast={n === fulls.length - 1}
              isChosen={n === chosen}
              idle={idle}
              onChoose={onChoose && (() => onChoose(n))}
              onMove={(to) => moved(n, to)}
              onRemove={() => onOrder(fulls.filter((_, at) => at !== n))}
            />
          ))}
        </Box>
      </SortableContext>
    </DndContext>
  );
}

const wordsButton = (name: string, isChosen: boolean, onClick: () => void) =>
  ({
    component: 'button',
    type: 'button',
    'aria-pressed': isChosen,
    'aria-label': `Alt text and caption of ${name}`,
    onClick,
  }) as const;

interface OneProps {
  id: string;
  n: number;
  full: string;
  /** Undefined for what is no picture of the site; it stays where it stands. */
  pair: PairView | undefined;
  isLast: boolean;
  isChosen: boolean;
  idle: boolean;
  onChoose: (() => void) | null;
  onMove: (to: number) => void;
  onRemove: () => void;
}

function One({ id, n, full, pair, isLast, isChosen, idle, onChoose, onMove, onRemove }: OneProps) {
  const { setNodeRef, listeners, transform, transition } = useSortable({ id, disabled: idle });
  const name = pair?.name ?? (nameOf(full) || 'a picture elsewhere');
  const style = transform ? { transform: `translate(${transform.x}px, ${transform.y}px)`, transition } : undefined;
  return (
    <li ref={setNodeRef} style={style}>
      <Box {...(onChoose && wordsButton(name, isChosen, onChoose))} sx={pictureStyle(isChosen)} {...listeners}>
        <Picture path={pair?.thumbnail ?? full} width={80} height={54} />
      </Box>
      <Box sx={TOOLS}>
        <IconButton
          size="small"
          disabled={idle || n === 0}
          aria-label={`Move ${name} to place ${n}`}
          onClick={() => onMove(n - 1)}
        >
          <ArrowBack fontSize="inherit" />
        </IconButton>
        <IconButton
          size="small"
          disabled={idle || isLast}
          aria-label={`Move ${name} to place ${n + 2}`}
          onClick={() => onMove(n + 1)}
        >
          <ArrowForward fontSize="inherit" />
        </IconButton>
        <IconButton
          size="small"
          disabled={idle || !pair}
          aria-label={pair ? `Remove ${name}` : `${name} is no picture of the site; remove it in the source`}
          onClick={onRemove}
        >
          <Close fontSize="inherit" />
        </IconButton>
      </Box>
    </li>
  );
}
