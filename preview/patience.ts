/**
 * Waiting for a page in the page's own time. A visitor's patience is counted in frames that the page drew and not in
 * ms: on a slow machine there are as many of them before a conclusion as on a quick one.
 */

/** Frames stop where a page is out of sight; then time goes on by this; ms. */
const WITHOUT_FRAMES = 100;

/** How long a visitor is taken to wait: for something to happen, for a picture to come, for a larger
 * file in the place of a small one, for a key to be heard, for a step; frames. */
export const PATIENCE = { reaction: 30, picture: 600, larger: 60, key: 10, step: 28 };

/** A page that moves or loads is waited for this many times as long. */
const WHILE_BUSY = 3;

let onBeat: () => void = () => undefined;

/** Told at every frame while something is waited for. */
export function whileWaiting(tell: () => void): void {
  onBeat = tell;
}

/** The next frame, with what was due by then done. */
export async function beat(): Promise<void> {
  await new Promise<void>((resolve) => {
    const late = setTimeout(resolve, WITHOUT_FRAMES);
    requestAnimationFrame(() => {
      clearTimeout(late);
      setTimeout(resolve, 0);
    });
  });
  onBeat();
}

/** Something moves that will come to an end, or a picture in sight is on its way. */
function isBusy(): boolean {
  const moves = document.getAnimations().some(({ playState, effect }) => {
    const end = Number(effect?.getComputedTiming().endTime ?? Infinity);
    return playState === 'running' && Number.isFinite(end);
  });
  return moves || [...document.images].some((image) => !image.complete && image.loading !== 'lazy');
}

/** What `look` finds, asked at each frame; null after so many frames in which it found nothing. */
export async function until<T>(look: () => T | null | undefined | false, frames: number): Promise<T | null> {
  for (let n = 0; ; n++) {
    const found = look();
    if (found !== null && found !== undefined && found !== false) return found;
    if (n >= frames && (!isBusy() || n >= frames * WHILE_BUSY)) return null;
    await beat();
  }
}

/** Until nothing moves any more. */
export const atRest = (): Promise<unknown> => until(() => !isBusy(), PATIENCE.step);
