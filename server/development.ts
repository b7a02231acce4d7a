/** `npm run dev`: the application through Vite, and the preview's scripts as they are now. */
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { ServerBuild } from 'react-router';
import { createServer } from 'vite';
import { bundledScripts } from '../scripts/bundle.mjs';
import { applicationServer } from './application.ts';
import { previewServer } from './preview.ts';
import { start } from './start.ts';
import { testHostServer } from './testHost/server.ts';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');

await start(async ({ port, origins, hosts }) => {
  const vite = await createServer({ root, server: { middlewareMode: true } });
  const scripts = await bundledScripts(root);
  return {
    application: applicationServer({
      root,
      port,
      origins,
      hosts,
      development: true,
      // The router's own build has the shape of its type.
      build: () => vite.ssrLoadModule('virtual:react-router/server-build') as Promise<ServerBuild>,
      before: (server) => server.use(vite.middlewares),
    }),
    preview: previewServer({ port, origins, hosts, scripts }),
    testHost: testHostServer({ port, origins, hosts, scripts }),
  };
});
