/** Neighbouring ports: the application on the first, the preview origin on the next, then the test host. */
import { createServer } from 'node:net';
import type { Result } from '../core/site/index.ts';

function isFree(port: number): Promise<boolean> {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, () => probe.close(() => resolve(true)));
  });
}

const DEFAULT_PORT = 4780;
const COUNT = 3;

const neighbours = (port: number): number[] => Array.from({ length: COUNT }, (_, n) => port + n);

/**
 * A wanted port must be free together with the next two; without a wish the first three from the default on that are
 * free are taken.
 */
export async function choosePorts(wanted: number | null): Promise<Result<{ port: number }>> {
  if (wanted !== null) {
    for (const port of neighbours(wanted)) {
      if (!(await isFree(port)))
        return {
          ok: false,
          reason: `Port ${port} is taken. Heathmoor needs a port and the next two: choose another with PORT=….`,
        };
    }
    return { ok: true, port: wanted };
  }
  for (let port = DEFAULT_PORT; port < DEFAULT_PORT + 200; port += COUNT) {
    const free = await Promise.all(neighbours(port).map(isFree));
    if (!free.includes(false)) return { ok: true, port };
  }
  return {
    ok: false,
    reason: `No three free ports in a row between ${DEFAULT_PORT} and ${DEFAULT_PORT + 200}. Choose one with PORT=….`,
  };
}
