/** `npm run demo`: from a bare clone to the running application with the demo site on its shelf. */
import { ready, step } from './ready.mjs';

ready();
for (const command of [
  ['node', 'scripts/build.mjs'],
  ['tsx', 'demo/make.ts'],
  ['node', 'build/start.js'],
]) {
  const status = step(...command);
  if (status !== 0) process.exit(status);
}
