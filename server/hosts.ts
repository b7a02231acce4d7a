/**
 * Where the servers listen, and under which names they answer. A name of somebody else's can be made to lead to this
 * machine; a page under that name would then speak to the servers as one of their own.
 */
import { hostname } from 'node:os';
import { isIP } from 'node:net';

export interface Hosts {
  /** The address to listen at. */
  address: string;
  /** Host names that are answered, in small letters; addresses in figures are always, for no name leads there. */
  names: ReadonlySet<string>;
  /** What listening there means, to be said at the start; null where only this machine can ask. */
  warning: string | null;
}

const HERE = '127.0.0.1';
const LOOPBACK = /^(?:127\.\d+\.\d+\.\d+|::1|localhost)$/;

const nameOf = (origin: string | undefined): string[] =>
  origin !== undefined && URL.canParse(origin) ? [new URL(origin).hostname.toLowerCase()] : [];

/** Without `HEATHMOOR_HOST` this machine alone is answered; `HEATHMOOR_NAMES` are further names of it, with commas between. */
export function hostsFrom(env: NodeJS.ProcessEnv): Hosts {
  const address = env.HEATHMOOR_HOST ?? HERE;
  const isLocal = LOOPBACK.test(address);
  const told = (env.HEATHMOOR_NAMES ?? '').split(',').map((name) => name.trim().toLowerCase());
  const names = [
    'localhost',
    ...nameOf(env.HEATHMOOR_ORIGIN),
    ...nameOf(env.HEATHMOOR_PREVIEW_ORIGIN),
    ...told,
    ...(isLocal ? [] : [hostname().toLowerCase(), address.toLowerCase()]),
  ].filter((name) => name !== '');
  return {
    address: address === 'localhost' ? HERE : address,
    names: new Set(names),
    warning: isLocal
      ? null
      : `HEATHMOOR_HOST=${address}: everybody who reaches this machine can open the application, though nobody's sites; they stay in each browser.`,
  };
}

/** Whether a name in a request's `Host` is one of the servers' own. */
export function isKnownHost({ names }: Pick<Hosts, 'names'>, hostName: string): boolean {
  const bare = hostName.toLowerCase().replace(/^\[|\]$/g, '');
  return isIP(bare) !== 0 || names.has(bare) || bare.endsWith('.localhost');
}
