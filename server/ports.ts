/** Two neighbouring ports: the application on the first, the preview origin on the next. */
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

/**
 * A wanted port must be free together with the next one; without a wish the first free pair from the default on is
 * taken.
 */
export async function choosePorts(wanted: number | null): Promise<Result<{ port: number }>> {
  if (wanted !== null) {
    for (const port of [wanted, wanted + 1]) {
      if (!(await isFree(port)))
        return {
          ok: false,
          reason: `Port ${port} is taken. Heathmoor needs a port and the next one: choose another with PORT=….`,
        };
    }
    return { ok: true, port: wanted };
  }
  for (let port = DEFAULT_PORT; port < DEFAULT_PORT + 200; port += 2) {
    if ((await isFree(port)) && (await isFree(port + 1))) return { ok: true, port };
  }
  return {
    ok: false,
    reason: `No two free ports between ${DEFAULT_PORT} and ${DEFAULT_PORT + 200}. Choose one with PORT=….`,
  };
}
