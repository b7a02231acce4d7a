/** Two pictures of one size, one over the other, with an edge that is dragged or moved by keys. */
import Box from '@mui/material/Box';
import { useState, type KeyboardEvent } from 'react';
import { color } from '../../../ui/theme';
import { heldPointer } from './pointer';

interface WipeProps {
  under: string;
  over: string | null;
  /** What stands left and right of the edge. */
  says: [string, string];
  /** Image px. */
  width: number;
  height: number;
  /** CSS px of the stage that a fitted picture stays inside of; null shows it pixel by pixel. */
  fit: { width: number; height: number } | null;
  /** Where in the picture the pointer is, as shares of its width and height; null where nobody asks. */
  onPoint: ((at: { x: number; y: number }) => void) | null;
}

const STEPS: Readonly<Record<string, number>> = {
  ArrowLeft: -2,
  ArrowRight: 2,
  PageDown: -10,
  PageUp: 10,
  Home: -100,
  End: 100,
};

const PICTURE = {
  position: 'relative',
  flexShrink: 0,
  touchAction: 'none',
  userSelect: 'none',
  cursor: 'ew-resize',
} as const;

const EDGE = {
  position: 'absolute',
  top: 0,
  bottom: 0,
  width: 24,
  ml: '-12px',
  cursor: 'ew-resize',
  '&::before': {
    content: '""',
    position: 'absolute',
    left: '11px',
    top: 0,
    bottom: 0,
    width: '2px',
    bgcolor: '#fff',
    boxShadow: '0 0 0 1px #2A2320',
  },
  '&::after': {
    content: '""',
    position: 'absolute',
    left: '3px',
    top: 'calc(50% - 9px)',
    width: 18,
    height: 18,
    borderRadius: '50%',
    bgcolor: color('heather'),
    border: '2px solid #fff',
    boxShadow: '0 0 0 1px #2A2320',
    boxSizing: 'border-box',
  },
} as const;

export function Wipe({ under, over, says, width, height, fit, onPoint }: WipeProps) {
  const [edge, setEdge] = useState(50);
  const scale = fit ? Math.min(1, fit.width / width, fit.height / height) : 1 / globalThis.devicePixelRatio;
  const shown = { width: Math.round(width * scale), height: Math.round(height * scale) };
  const onKey = (event: KeyboardEvent) => {
    const step = STEPS[event.key];
    if (step === undefined) return;
    event.preventDefault();
    setEdge((now) => Math.min(100, Math.max(0, now + step)));
  };
  return (
    <Box
      sx={PICTURE}
      style={shown}
      {...heldPointer((x) => setEdge(x * 100))}
      onPointerMoveCapture={({ clientX, clientY, currentTarget }) => {
        const box = currentTarget.getBoundingClientRect();
        onPoint?.({ x: (clientX - box.left) / box.width, y: (clientY - box.top) / box.height });
      }}
    >
      <img
        src={under}
        alt=""
        width={shown.width}
        height={shown.height}
        draggable={false}
        style={{ display: 'block' }}
      />
      {over !== null && (
        <img
          src={over}
          alt=""
          width={shown.width}
          height={shown.height}
          draggable={false}
          style={{ position: 'absolute', inset: 0, clipPath: `inset(0 0 0 ${edge}%)` }}
        />
      )}
      <Box
        role="slider"
        tabIndex={0}
        aria-label="Edge between both pictures"
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={Math.round(edge)}
        aria-valuetext={`${Math.round(edge)} % ${says[0]}, the rest ${says[1]}`}
        onKeyDown={onKey}
        sx={EDGE}
        style={{ left: `${edge}%` }}
      />
      {edge > 14 && <Box sx={{ ...LABEL, left: 8 }}>{says[0]}</Box>}
      {edge < 86 && <Box sx={{ ...LABEL, right: 8 }}>{says[1]}</Box>}
    </Box>
  );
}

const LABEL = {
  position: 'absolute',
  bottom: 8,
  bgcolor: 'rgb(42 35 32 / 0.82)',
  color: '#FFFDF9',
  px: 0.75,
  py: 0.25,
  borderRadius: '3px',
  fontSize: '0.75rem',
  pointerEvents: 'none',
} as const;
