/** `npm run dev`: the application through Vite, with the demo site. */
import { join } from 'node:path';
import { ready, ROOT, run, npx } from './ready.mjs';

ready();
if (npx('tsx', 'demo/make.ts') !== 0) process.exit(1);
// Without this condition emotion would be loaded twice on the server while developing.
process.exit(
  run(join(ROOT, 'node_modules/.bin/tsx'), ['server/development.ts'], {
    env: { ...process.env, NODE_OPTIONS: '--conditions=development' },
  }),
);
