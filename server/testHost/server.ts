/**
 * A small stand-in for a host, so that an upload can be tried: as strict as a real one, and as slow and unreliable as
 * is wanted. It answers this computer alone; each site has an origin of its own under `localhost`.
 */
import type { IncomingMessage, Server, ServerResponse } from 'node:http';
import { setTimeout as sleep } from 'node:timers/promises';
import { SHARED_HEADERS } from '../../protocol/headers.ts';
import { SPACE } from '../../protocol/hostAddress.ts';
import { HostSettings } from '../../protocol/testHost.ts';
import type { PreviewScripts } from '../previewScripts.ts';
import { isKnownHost, type Hosts } from '../hosts.ts';
import { applicationSourceFor, type Origins } from '../origins.ts';
import { serverOf } from '../requests.ts';
import { bodyOf } from './body.ts';
import { METHODS } from './dav.ts';
import { hostPath } from './path.ts';
import { plain, show } from './show.ts';
import type { Space } from './space.ts';
import { Spaces } from './spaces.ts';

interface TestHostOptions {
  /** Of the application. */
  port: number;
  origins: Origins;
  hosts: Pick<Hosts, 'names'>;
  /** Those with which a site is walked. */
  scripts: PreviewScripts;
  /** Where the folder of the files is made, in place of the system's. */
  temporary?: string;
}

export function testHostServer({ port, origins, hosts, scripts, temporary }: TestHostOptions): Server {
  const spaces = new Spaces(temporary);
  const isApplication = (origin: string): boolean => {
    if (!URL.canParse(origin)) return false;
    const url = new URL(origin);
    return isKnownHost(hosts, url.hostname) && origin === applicationSourceFor(origins, url.host, port);
  };
  const server = serverOf(hosts, (request, response, address) => {
    for (const [header, value] of Object.entries(BASE_HEADERS)) response.setHeader(header, value);
    const name = /^([^.]+)\.localhost$/.exec(address.hostname)?.[1] ?? '';
    if (!SPACE.test(name)) return plain(response, 404, 'No site is known here under this name.');
    const { origin } = request.headers;
    const application = origin !== undefined && isApplication(origin) ? origin : null;
    const space = spaces.of(name);
    if (application !== null) space.framedBy.add(application);
    for (const [header, value] of Object.entries(headersFor(space, application))) response.setHeader(header, value);
    // Where connections are lost, none is used again: a browser would send anew by itself and tell nobody.
    if (space.settings.losesOneIn !== null) response.shouldKeepAlive = false;
    answer({ space, application, scripts, pathname: address.pathname }, request, response).catch(() => {
      // The other side has gone, or sent what cannot be read.
      if (response.headersSent) response.destroy();
      else plain(response, 400, 'This request cannot be read.');
    });
  });
  // A file may take long on a slow line.
  server.requestTimeout = 0;
  server.once('close', () => spaces.close());
  return server;
}

/** As a browser sends it to find out what it may ask (Fetch Standard, CORS). */
const ALLOWED = ['GET', 'HEAD', 'OPTIONS', ...Object.keys(METHODS)].join(', ');

const BASE_HEADERS = { ...SHARED_HEADERS, 'Referrer-Policy': 'no-referrer', Vary: 'Origin' };

function headersFor({ settings, framedBy }: Space, application: string | null): Record<string, string> {
  const framed = ["frame-ancestors 'self'", ...framedBy].join(' ');
  const own = `default-src 'self' data: blob: 'unsafe-inline' 'unsafe-eval'; form-action 'self'; ${framed}`;
  return {
    'Content-Security-Policy': settings.outside ? framed : own,
    ...(application === null
      ? {}
      : { 'Access-Control-Allow-Origin': application, 'Access-Control-Expose-Headers': 'ETag' }),
  };
}

interface Question {
  space: Space;
  /** The origin of the application, where that asks. */
  application: string | null;
  scripts: PreviewScripts;
  pathname: string;
}

async function answer(
  { space, application, scripts, pathname }: Question,
  request: IncomingMessage,
  response: ServerResponse,
): Promise<void> {
  const { method = '' } = request;
  if (method === 'OPTIONS') return allow(response);
  // A browser says with all of these from where they come: a page of the host must not change it, nor another site.
  if (method !== 'GET' && method !== 'HEAD' && request.headers.origin !== undefined && application === null)
    return plain(response, 403, 'Only the application may change what is on the host.');
  const path = hostPath(pathname);
  if (path.is === 'none') return plain(response, 400, 'This address is none that a file can have.');
  if (path.is === 'own') return ownAnswer(space, path.name, scripts, request, response);
  await sleep(space.settings.latency);
  if (method === 'GET' || method === 'HEAD') return show(space, path.path, request, response);
  const work = METHODS[method];
  if (!work) return plain(response, 405, 'The host does not know this method.', { Allow: ALLOWED });
  return work({ space, path: path.path, request, response });
}

function allow(response: ServerResponse): void {
  response
    .writeHead(204, {
      Allow: ALLOWED,
      'Access-Control-Allow-Methods': ALLOWED,
      'Access-Control-Allow-Headers': 'Content-Type, Depth, If-Match, If-None-Match',
      'Access-Control-Max-Age': '600',
    })
    .end();
}

const WALK_PAGE = `<!DOCTYPE html>
<html lang="en"><head><meta charset="utf-8"><title>Walk</title></head><body><script src="walk.js"></script></body></html>
`;

/** What the host says of itself, and the scripts that walk through a site. */
async function ownAnswer(
  space: Space,
  name: string,
  scripts: PreviewScripts,
  request: IncomingMessage,
  response: ServerResponse,
): Promise<void> {
  if (name === 'state' && request.method === 'PUT') {
    const settings = HostSettings.safeParse(JSON.parse(await bodyOf(request)));
    if (!settings.success) return plain(response, 400, 'These settings are not understood.');
    space.settings = settings.data;
  }
  if (name === 'state') {
    response.writeHead(200, { 'Content-Type': 'application/json', 'Cache-Control': 'no-store' });
    response.end(JSON.stringify(space.state));
    return;
  }
  if (name === 'walk.html') {
    // A visitor who comes for the first time has kept nothing, and no worker of the site stands between.
    const fresh: Record<string, string> = space.settings.cold ? { 'Clear-Site-Data': '"storage"' } : {};
    response
      .writeHead(200, { ...fresh, 'Content-Type': 'text/html; charset=utf-8', 'Cache-Control': 'no-store' })
      .end(WALK_PAGE);
    return;
  }
  const script = scripts.get(`/${name}`);
  if (script === undefined) return plain(response, 404, 'The host has no such file of its own.');
  response
    .writeHead(200, { 'Content-Type': 'text/javascript; charset=utf-8', 'Cache-Control': 'no-store' })
    .end(script);
}
