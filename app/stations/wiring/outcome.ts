/** What a rehearsal saw, in a few words. */
import { countOf } from '~core/site/index.ts';
import { percent } from '~core/wiring/index.ts';
import { isDifferent, type Outcome, type PageRehearsal } from '../../data/session/rehearsals';

/** What was seen of one picture in one window. */
export function inWords({ window, seen, sights }: Outcome): string {
  const place = window === 'desktop' ? 'Desktop' : 'Phone';
  if (seen === null) return `${place}: no answer`;
  if (sights.some(({ severity }) => severity === 'error')) return `${place}: different`;
  if (seen.opened !== 'viewer' || !seen.size) return `${place}: confirmed`;
  const { width, height } = seen.size;
  const share = (width * height) / (seen.window.width * seen.window.height);
  return `${place}: confirmed, ${width} × ${height}, ${percent(Math.min(1, share))} of the window`;
}

/** How sharp the picture is, and what only a finger or a window of its own could show; empty where there is neither. */
export function detailsOf({ seen, sights }: Outcome): string {
  const open = sights.filter(({ severity }) => severity === 'unconfirmed').map(({ about }) => about);
  const sharpness = seen?.opened === 'viewer' ? seen.sharpness : null;
  return [
    ...(sharpness === null ? [] : [`${sharpness.toFixed(1)} image px per CSS px`]),
    ...(open.length > 0 ? [`unconfirmed: ${open.join(', ')}`] : []),
  ].join('; ');
}

/** How many strands of a page did what its text says. */
export function expectedOf({ strands }: PageRehearsal): string {
  const all = [...strands.values()];
  const different = all.filter(isDifferent).length;
  const expected = `${countOf(all.length - different, 'strand')} as expected`;
  return different > 0 ? `${expected}, ${different} different` : expected;
}
