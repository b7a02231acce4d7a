/** `npm start`: serves what `npm run build` has made. It is bundled into `build/start.js` and needs no source at all. */
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import type { ServerBuild } from 'react-router';
import { applicationServer } from './application.ts';
import { previewServer } from './preview.ts';
import { builtScripts } from './previewScripts.ts';
import { start, stop } from './start.ts';
import { testHostServer } from './testHost/server.ts';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');

await start(async ({ port, origins, hosts }) => {
  const file = join(root, 'build/server/index.js');
  if (!existsSync(file)) stop('There is no build yet: run “npm run build” first, or “npm run demo”, which does all.');
  // The router's own build has the shape of its type.
  const build = (await import(pathToFileURL(file).href)) as ServerBuild;
  const scripts = builtScripts(join(root, 'build/preview'));
  return {
    application: applicationServer({ root, port, origins, hosts, development: false, build }),
    preview: previewServer({ port, origins, hosts, scripts }),
    testHost: testHostServer({ port, origins, hosts, scripts }),
  };
});
