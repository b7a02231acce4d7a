/**
 * Over the source: what the cursor is in, and what can be said of it. What was just done is told over the foot of the
 * window.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { countOf } from '~core/site/index.ts';
import { Mono } from '../../../ui/parts/small';
import { color } from '../../../ui/theme';

/** CSS px. */
export const BAR_HEIGHT = 38;

interface Props {
  /** Tags from the outermost to the one at the cursor; null while the cursor is nowhere. */
  trail: readonly string[] | null;
  idle: boolean;
  /** How many items of one gallery the selection touches. */
  items: number;
  onItems: () => void;
  onLink: () => void;
  onUnits: () => void;
}

const BAR = {
  display: 'flex',
  alignItems: 'center',
  gap: 0.75,
  height: BAR_HEIGHT,
  px: 1.25,
  borderBottom: `1px solid ${color('hair')}`,
  bgcolor: color('mist'),
  flexShrink: 0,
};

const TRAIL = {
  flex: 1,
  minWidth: 0,
  overflow: 'hidden',
  whiteSpace: 'nowrap',
  direction: 'rtl',
  textAlign: 'left',
} as const;

export function SourceBar({ trail, idle, items, onItems, onLink, onUnits }: Props) {
  const nowhere = trail === null;
  return (
    <Box role="group" aria-label="At the cursor" sx={BAR}>
      <Box sx={TRAIL}>
        <bdi>
          {nowhere ? (
            <Box component="span" sx={{ fontSize: '0.8125rem', color: color('stone') }}>
              Put the cursor into the source to set a link or an item there
            </Box>
          ) : (
            <Mono tone="stone">{trail.length === 0 ? 'between the elements' : trail.join(' › ')}</Mono>
          )}
        </bdi>
      </Box>
      {items > 0 && <Button onClick={onItems}>{`${countOf(items, 'item')}…`}</Button>}
      {!nowhere && (
        <>
          <Button disabled={idle} onClick={onLink}>
            Link…
          </Button>
          <Button disabled={idle} onClick={onUnits}>
            Which element is one item?
          </Button>
        </>
      )}
    </Box>
  );
}
