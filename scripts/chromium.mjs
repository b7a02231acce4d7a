/** Which browser the tests drive. */
import { existsSync } from 'node:fs';

/** Debian's build of Chromium without a window is quicker; the one with it does as well. */
export const CHROMIUM_BUILDS = [
  { name: 'chromium-headless-shell', path: '/usr/bin/chromium-headless-shell' },
  { name: 'chromium', path: '/usr/bin/chromium' },
];

/**
 * Its path, or null where none is here.
 * @returns {string | null}
 */
export function chromiumHere() {
  const named = process.env.CHROMIUM;
  if (named) return existsSync(named) ? named : null;
  return CHROMIUM_BUILDS.find(({ path }) => existsSync(path))?.path ?? null;
}
