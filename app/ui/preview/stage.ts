/** A room in which live pages are shown smaller than they are, while they are clicked through. */
import { REHEARSAL_WINDOWS } from '~core/wiring/index.ts';
import { color } from '../theme';

interface Size {
  width: number;
  height: number;
}

/** The largest window, and how much smaller it is shown. */
const [LARGEST] = REHEARSAL_WINDOWS;
const SHOWN = 0.44;

/** CSS px. */
export const STAGE_WIDTH = LARGEST.width * SHOWN;

/** The room is the same for every window, so that nothing moves when another one comes. */
export const STAGE = {
  width: STAGE_WIDTH,
  height: LARGEST.height * SHOWN,
  overflow: 'hidden',
  display: 'flex',
  justifyContent: 'center',
  border: `1px solid ${color('hair')}`,
  bgcolor: color('mist'),
} as const;

export const stageFrame = ({ width, height }: Size) => {
  const scale = (LARGEST.height * SHOWN) / height;
  return {
    border: 0,
    display: 'block',
    flexShrink: 0,
    bgcolor: '#fff',
    width,
    height,
    transform: `scale(${scale})`,
    transformOrigin: '50% 0',
    // What the frame takes less when it is made smaller.
    mx: `${(-width * (1 - scale)) / 2}px`,
  } as const;
};
