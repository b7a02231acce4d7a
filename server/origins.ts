/** Which address is the application and which the preview, as a browser names them. */

export interface Origins {
  /** The port of the preview where it is the application's next; null where `previewOrigin` is set. */
  previewPort: number | null;
  previewOrigin: string | null;
  applicationOrigin: string | null;
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
