/** The live page beside the source, at a width of its own. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useLayoutEffect, useRef, useState } from 'react';
import { LivePage, type LivePageProps } from '../../ui/preview/LivePage';
import { color } from '../../ui/theme';

/** Widths of windows that people try; CSS px (common practice, no source). */
const WIDTHS = [390, 768, 1280] as const;

interface Props extends Omit<LivePageProps, 'room' | 'title'> {
  onWidth: (width: number) => void;
  /** Somebody wants pictures to put on the page. */
  onPictures: () => void;
  /** Somebody wants a group of pictures among the words, or another one than there is. */
  onGroup: () => void;
}

const FOOT = { display: 'flex', flexWrap: 'wrap', gap: 0.75, justifyContent: 'space-between', m: 0.75 } as const;

const PANE = {
  flex: '1 1 0',
  minWidth: 0,
  borderLeft: `1px solid ${color('hair')}`,
  display: 'flex',
  flexDirection: 'column',
} as const;

export function LivePane({ onWidth, onPictures, onGroup, ...live }: Props) {
  const room = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState<{ width: number; height: number } | null>(null);
  useLayoutEffect(() => {
    const box = room.current;
    if (!box) return undefined;
    const watcher = new ResizeObserver(() => setSize({ width: box.clientWidth, height: box.clientHeight }));
    watcher.observe(box);
    return () => watcher.disconnect();
  }, []);
  return (
    <Box sx={PANE}>
      <Box ref={room} sx={{ flex: 1, minHeight: 0, overflow: 'hidden' }}>
        {size && <LivePage {...live} title={`Live page ${live.path}`} room={size} />}
      </Box>
      <Box sx={FOOT}>
        <Box sx={{ display: 'flex', gap: 0.75 }}>
          <Button size="small" onClick={onPictures}>
            All pictures
          </Button>
          <Button size="small" onClick={onGroup}>
            Picture group
          </Button>
        </Box>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={live.width}
          aria-label="Width of the live page"
          onChange={(_event, value: number | null) => value !== null && onWidth(value)}
          sx={{ ml: 'auto' }}
        >
          {WIDTHS.map((one) => (
            <ToggleButton key={one} value={one} sx={{ py: 0.25, textTransform: 'none' }}>
              {`${one} px`}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      </Box>
    </Box>
  );
}
