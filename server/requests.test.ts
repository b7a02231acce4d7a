/** Requests that are none: each gets an answer, and the servers go on. */
import type { Server } from 'node:http';
import { type AddressInfo, connect } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ServerBuild } from 'react-router';
import { applicationServer } from './application.ts';
import { hostsFrom } from './hosts.ts';
import { originsFrom } from './origins.ts';
import { previewServer } from './preview.ts';
import { testHostServer } from './testHost/server.ts';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const origins = originsFrom({}, 4780);
/** As much of a build as lets the router answer: one route, so that every other address is unknown to it. */
const build = {
  entry: { module: { default: () => new Response('rendered'), handleError: () => undefined } },
  routes: { root: { id: 'root', path: '', module: { loader: () => new Response('loaded') } } },
  assets: { entry: { module: '', imports: [] }, routes: {}, url: '', version: '1' },
  publicPath: '/',
  assetsBuildDirectory: 'build',
  basename: '/',
  future: {},
  ssr: true,
  isSpaMode: false,
  prerender: [],
  routeDiscovery: { mode: 'initial' },
} as unknown as ServerBuild;

/** What comes back for a request line, sent as it is. */
function ask(port: number, target: string, headers = 'Host: localhost\r\n', method = 'GET'): Promise<string> {
  return new Promise((resolve, reject) => {
    const socket = connect(port, '127.0.0.1', () =>
      socket.write(`${method} ${target} HTTP/1.1\r\n${headers}Connection: close\r\n\r\n`),
    );
    let answer = '';
    socket.on('data', (data) => (answer += data.toString()));
    socket.on('end', () => resolve(answer));
    socket.on('error', reject);
  });
}

const servers: Record<string, Server> = {};
const portOf = (name: string): number => (servers[name]?.address() as AddressInfo).port;

beforeAll(async () => {
  const place = { port: 4780, origins, hosts: hostsFrom({}) };
  servers.application = applicationServer({ root, ...place, development: false, build }).listen(0, '127.0.0.1');
  servers.preview = previewServer({ ...place, scripts: new Map([['/boot.js', '']]) }).listen(0, '127.0.0.1');
  servers['test host'] = testHostServer({ ...place, scripts: new Map() }).listen(0, '127.0.0.1');
  await Promise.all(
    Object.values(servers).map(
      (server) => new Promise<void>((resolve) => (server.listening ? resolve() : server.once('listening', resolve))),
    ),
  );
});

afterAll(() => Object.values(servers).forEach((server) => server.close()));

describe.each(['application', 'preview', 'test host'])('the %s', (name) => {
  it.each(['//', '///', '//a/b', '/%', '/%zz', '/a\\b', '/%00', '/..%2f..'])(
    'answers %s and goes on',
    async (target) => {
      expect(await ask(portOf(name), target)).toMatch(/^HTTP\/1\.1 [24]\d\d /);
      expect(await ask(portOf(name), '/x')).toMatch(/^HTTP\/1\.1 \d{3} /);
    },
  );

  it.each(['http://[', 'http://', '*', 'x', 'http://a:99999999/'])('answers %s with a plain 400', async (target) => {
    const answer = await ask(portOf(name), target);
    expect(answer).toMatch(/^HTTP\/1\.1 400 /);
    expect(answer).not.toMatch(/ at .*:\d+:\d+|node_modules/);
  });

  it.each(['Host: [\r\n', 'Host: a b\r\n', 'Host: a/b\r\n', 'Host: http://[\r\n'])(
    'answers a %j that is none with a plain 400',
    async (headers) => {
      const answer = await ask(portOf(name), '/', headers);
      expect(answer).toMatch(/^HTTP\/1\.1 400 /);
      expect(answer).not.toMatch(/ at .*:\d+:\d+|node_modules/);
    },
  );

  it('does not answer to a name that is not its own', async () => {
    for (const host of ['evil.example', 'localhost.evil.example', 'evil.example:4780']) {
      const answer = await ask(portOf(name), '/', `Host: ${host}\r\n`);
      expect(answer).toMatch(/^HTTP\/1\.1 421 /);
      expect(answer).toMatch(/This server is not called [\w.]+evil\.example\.|not called evil\.example\./);
    }
    expect(await ask(portOf(name), 'http://evil.example/')).toMatch(/^HTTP\/1\.1 421 /);
    for (const host of ['127.0.0.1', '[::1]:4780', 'LOCALHOST:4780'])
      expect(await ask(portOf(name), '/', `Host: ${host}\r\n`)).toMatch(/^HTTP\/1\.1 (?!421)\d{3} /);
  });

  it('answers however many cookies a browser keeps for its host', async () => {
    const cookies = Array.from({ length: 180 }, (_, n) => `c${n}=${'x'.repeat(4000)}`).join('; ');
    expect(await ask(portOf(name), '/x', `Host: localhost\r\nCookie: ${cookies}\r\n`)).toMatch(
      /^HTTP\/1\.1 (?!431)\d{3} /,
    );
  });

  it('lets no other site take its files, asks for no device, and does not say what it is made of', async () => {
    const answer = (await ask(portOf(name), '/')).toLowerCase();
    for (const header of [
      'cross-origin-resource-policy: same-origin',
      'permissions-policy: accelerometer=()',
      'referrer-policy: ',
      'x-content-type-options: nosniff',
    ])
      expect(answer).toContain(header);
    expect(answer).not.toMatch(/^(?:server|x-powered-by|via):/m);
  });
});
