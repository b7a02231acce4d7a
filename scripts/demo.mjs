/** `npm run demo`: from a bare clone to the running application with the demo site on its shelf. */
import { npx, ready } from './ready.mjs';

ready();
for (const step of [
  ['react-router', 'build'],
  ['tsx', 'demo/make.ts'],
  ['tsx', 'server/main.ts'],
]) {
  const status = npx(...step);
  if (status !== 0) process.exit(status);
}
