/** Starts the servers, on the ports that were asked for or that are free. */
import type { Server } from 'node:http';
import { type Hosts, hostsFrom } from './hosts.ts';
import { type Origins, originsFrom } from './origins.ts';
import { choosePorts } from './ports.ts';

interface Place {
  port: number;
  origins: Origins;
  hosts: Hosts;
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
  if (Number.isInteger(port) && port > 0 && port < 65_534) return port;
  return stop(`PORT=${PORT} is no port; give a number from 1 to 65533.`);
}

export async function start(
  servers: (place: Place) => Promise<{ application: Server; preview: Server; testHost: Server }>,
): Promise<void> {
  const chosen = await choosePorts(wantedPort());
  if (!chosen.ok) return stop(chosen.reason);
  const { port } = chosen;
  const hosts = hostsFrom(process.env);
  const { application, preview, testHost } = await servers({ port, origins: originsFrom(process.env, port), hosts });
  const listening = [
    application.listen(port, hosts.address),
    preview.listen(port + 1, hosts.address),
    // What it holds is for nobody else, wherever the application can be reached from.
    testHost.listen(port + 2, '127.0.0.1'),
  ];
  await Promise.all(listening.map((server) => new Promise((resolve) => server.once('listening', resolve))));
  console.log(
    `Heathmoor is at http://localhost:${port} (preview on port ${port + 1}, test host on ${port + 2}). Ctrl+C ends it.`,
  );
  if (hosts.warning !== null) console.log(hosts.warning);
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => process.exit(0));
}
