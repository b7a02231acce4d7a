/** `npm run browser`: the browser tests on a build that is as new as its sources; arguments go to the test runner. */
import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { npx, ready, ROOT, step } from './ready.mjs';

const SOURCES = [
  'app',
  'core',
  'protocol',
  'preview',
  'server',
  'viewers',
  'kits',
  'public',
  'package-lock.json',
  'vite.config.ts',
];

/** When the newest file of a file or folder was changed; ms since 1970, 0 where there is none. */
function newest(path) {
  const stat = statSync(path, { throwIfNoEntry: false });
  if (!stat?.isDirectory()) return stat?.mtimeMs ?? 0;
  return Math.max(0, ...readdirSync(path).map((name) => newest(join(path, name))));
}

ready();
const built = newest(join(ROOT, 'build/start.js'));
if (SOURCES.some((name) => newest(join(ROOT, name)) > built) && step('node', 'scripts/build.mjs') !== 0)
  process.exit(1);
if (newest(join(ROOT, 'demo/.made/demo.zip')) === 0 && step('tsx', 'demo/make.ts') !== 0) process.exit(1);
process.exit(npx('playwright', 'test', '--config', 'tests/playwright.config.ts', ...process.argv.slice(2)));
