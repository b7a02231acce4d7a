/** Starts both servers. `--dev` serves the application through Vite; without it the build is served. */
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import type { ServerBuild } from 'react-router';
import { applicationServer } from './application.ts';
import { originsFrom } from './origins.ts';
import { choosePorts } from './ports.ts';
import { previewServer } from './preview.ts';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const development = process.argv.includes('--dev');

function stop(reason: string): never {
  console.error(reason);
  process.exit(1);
}

const wanted = process.env.PORT === undefined ? null : Number(process.env.PORT);
if (wanted !== null && !(Number.isInteger(wanted) && wanted > 0 && wanted < 65535))
  stop(`PORT=${process.env.PORT} is no port; give a number from 1 to 65534.`);
const chosen = await choosePorts(wanted);
if (!chosen.ok) stop(chosen.reason);
const { port } = chosen;
const origins = originsFrom(process.env, port);

async function application() {
  if (development) {
    const { createServer } = await import('vite');
    const vite = await createServer({ root, server: { middlewareMode: true } });
    return applicationServer({
      root,
      port,
      origins,
      development,
      build: () => vite.ssrLoadModule('virtual:react-router/server-build') as Promise<ServerBuild>,
      before: (server) => server.use(vite.middlewares),
    });
  }
  const file = join(root, 'build/server/index.js');
  if (!existsSync(file)) stop('There is no build yet: run “npm run build” first, or “npm run demo”, which does all.');
  return applicationServer({
    root,
    port,
    origins,
    development,
    build: (await import(pathToFileURL(file).href)) as ServerBuild,
  });
}

const servers = [(await application()).listen(port), previewServer(root, port, origins).listen(port + 1)];
await Promise.all(servers.map((server) => new Promise((resolve) => server.once('listening', resolve))));
console.log(`Heathmoor is at http://localhost:${port} (preview on port ${port + 1}). Ctrl+C ends it.`);
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => process.exit(0));
