/** Which address is the application, which the preview and which the test host, as a browser names them. */

export interface Origins {
  /** The port of the preview where it is the application's next; null where `previewOrigin` is set. */
  previewPort: number | null;
  previewOrigin: string | null;
  applicationOrigin: string | null;
  /** The port of the test host; null where the application is deployed, for it answers its own computer alone. */
  testHostPort: number | null;
}

/**
 * In a deployment both origins are set (`preview.` under the same registrable domain); on one machine the ports tell.
 */
export function originsFrom(env: NodeJS.ProcessEnv, port: number): Origins {
  const preview = env.HEATHMOOR_PREVIEW_ORIGIN ?? null;
  return {
    previewPort: preview === null ? port + 1 : null,
    previewOrigin: preview,
    applicationOrigin: env.HEATHMOOR_ORIGIN ?? null,
    testHostPort: env.HEATHMOOR_ORIGIN === undefined ? port + 2 : null,
  };
}

/** The host name of a request without its port. */
const hostName = (host: string | undefined): string => (host ?? 'localhost').replace(/:\d+$/, '');

export function previewSourceFor(origins: Origins, host: string | undefined): string {
  return origins.previewOrigin ?? `http://${hostName(host)}:${origins.previewPort}`;
}

export function applicationSourceFor(origins: Origins, host: string | undefined, port: number): string {
  return origins.applicationOrigin ?? `http://${hostName(host)}:${port}`;
}

/** Every part of the test host has a name of its own under `localhost`. */
export const testHostSource = ({ testHostPort }: Origins): string | null =>
  testHostPort === null ? null : `http://*.localhost:${testHostPort}`;
