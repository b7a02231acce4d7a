/** What every command needs first: a Node that is new enough, and the packages of the lock file. */
import { spawnSync } from 'node:child_process';
import { existsSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = join(dirname(fileURLToPath(import.meta.url)), '..');

export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
  return result.status ?? 1;
}

export const npx = (...args) => run(join(ROOT, 'node_modules/.bin', args[0]), args.slice(1));

/** One step of a command: a script of our own through Node, anything else from the packages. */
export const step = (name, ...args) => (name === 'node' ? run(process.execPath, args) : npx(name, ...args));

export function ready() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    console.error(`Node ${process.versions.node} is too old: Heathmoor needs 20.19 or newer.`);
    process.exit(1);
  }
  const installed = join(ROOT, 'node_modules/.package-lock.json');
  if (
    !existsSync(installed) ||
    statSync(installed).mtimeMs < statSync(join(ROOT, 'package-lock.json')).mtimeMs - 1000
  ) {
    console.log('Installing packages (once)…');
    if (run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']) !== 0) {
      console.error('The packages could not be installed; npm says why above.');
      process.exit(1);
    }
  }
}
