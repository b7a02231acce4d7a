/** Starts both servers, on the ports that were asked for or that are free. */
import type { Server } from 'node:http';
import type { Origins } from './origins.ts';
import { originsFrom } from './origins.ts';
import { choosePorts } from './ports.ts';

interface Place {
  port: number;
  origins: Origins;
}

/** Says why in one line, and ends. */
export function stop(reason: string): never {
  console.error(reason);
  process.exit(1);
}

function wantedPort(): number | null {
  const { PORT } = process.env;
  if (PORT === undefined) return null;
  const port = Number(PORT);
  if (Number.isInteger(port) && port > 0 && port < 65535) return port;
  return stop(`PORT=${PORT} is no port; give a number from 1 to 65534.`);
}

export async function start(
  servers: (place: Place) => Promise<{ application: Server; preview: Server }>,
): Promise<void> {
  const chosen = await choosePorts(wantedPort());
  if (!chosen.ok) return stop(chosen.reason);
  const { port } = chosen;
  const { application, preview } = await servers({ port, origins: originsFrom(process.env, port) });
  const listening = [application.listen(port), preview.listen(port + 1)];
  await Promise.all(listening.map((server) => new Promise((resolve) => server.once('listening', resolve))));
  console.log(`Heathmoor is at http://localhost:${port} (preview on port ${port + 1}). Ctrl+C ends it.`);
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => process.exit(0));
}
