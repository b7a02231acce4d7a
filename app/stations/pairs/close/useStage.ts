/** The room for a picture in the close look: an upright one is high, and leaves its sides to what stands beside it. */
import { useSyncExternalStore, type RefObject } from 'react';
import type { Size } from '~core/photo/index.ts';
import { useWidth } from '../../../ui/parts/useWidth';

/** What a sheet needs of the window above and below the picture; CSS px. */
const AROUND = 300;

const LEAST: Size = { width: 280, height: 280 };

/** Share of the window for a picture with its fields below. */
const ABOVE = 0.45;

const GAP = 20; // CSS px

interface Stage {
  /** What holds the picture and what stands beside it. */
  home: RefObject<HTMLDivElement | null>;
  /** CSS px. */
  stage: Size;
  /** Of that home: the picture and what stands beside it, or one below the other where there is no room. */
  columns: object;
}

function watchWindow(watcher: () => void): () => void {
  addEventListener('resize', watcher);
  return () => removeEventListener('resize', watcher);
}

const windowHeight = (): number => innerHeight;

/**
 * `beside` is what stands beside the picture at its narrowest, in CSS px; 0 where nothing does. `picture` is that which
 * is shown whole, null where it is shown in its own pixels.
 */
export function useStage(beside: number, picture: Size | null): Stage {
  const { box: home, width: room } = useWidth();
  const inWindow = useSyncExternalStore(watchWindow, windowHeight, windowHeight);
  const left = room - beside - GAP;
  const isBeside = beside > 0 && left >= LEAST.width;
  // What stands below is still seen in part.
  const above = beside > 0 && !isBeside ? inWindow * ABOVE : Infinity;
  const height = Math.max(LEAST.height, Math.min(above, inWindow - AROUND));
  const most = Math.max(LEAST.width, isBeside ? left : room);
  const needed = picture === null || !isBeside ? most : Math.ceil((height * picture.width) / picture.height);
  const width = Math.max(LEAST.width, Math.min(most, needed));
  const gridTemplateColumns = isBeside ? `${width}px minmax(0, 1fr)` : 'minmax(0, 1fr)';
  return { home, stage: { width, height }, columns: { display: 'grid', gridTemplateColumns, gap: `${GAP}px` } };
}
