/** The stand-in for a host: what an upload asks of it, and what a visitor gets. */
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { request as send, type IncomingHttpHeaders, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { USUAL_HOST, type HostSettings, type HostState } from '../../protocol/testHost.ts';
import { hostsFrom } from '../hosts.ts';
import { originsFrom } from '../origins.ts';
import { testHostServer } from './server.ts';

const APPLICATION = 'http://localhost:4780';
const temporary = mkdtempSync(join(tmpdir(), 'heathmoor-'));
let server: Server;
let spaces = 0;

beforeAll(async () => {
  const place = { port: 4780, origins: originsFrom({}, 4780), hosts: hostsFrom({}) };
  server = testHostServer({ ...place, scripts: new Map([['/walk.js', 'walks();']]), temporary });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
});

afterAll(async () => {
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
  rmSync(temporary, { recursive: true, force: true });
});

interface Answer {
  status: number;
  headers: IncomingHttpHeaders;
  body: string;
}

type Headers = Record<string, string>;

/** A site of its own on the host. */
function site() {
  const name = (++spaces).toString(16).padStart(32, '0');
  const { port } = server.address() as AddressInfo;
  const ask = (method: string, path: string, body = '', headers: Headers = {}): Promise<Answer> =>
    new Promise((resolve, reject) => {
      const host = `${name}.localhost:${port}`;
      const asked = send({ host: '127.0.0.1', port, method, path, headers: { Host: host, ...headers } }, (answer) => {
        let text = '';
        answer.on('data', (data: Buffer) => (text += data.toString()));
        answer.on('end', () => resolve({ status: answer.statusCode ?? 0, headers: answer.headers, body: text }));
        answer.on('error', reject);
      });
      asked.on('error', reject);
      asked.end(body);
    });
  const state = async (): Promise<HostState> => JSON.parse((await ask('GET', '/.test-host/state')).body) as HostState;
  const set = (settings: Partial<HostSettings>) =>
    ask('PUT', '/.test-host/state', JSON.stringify({ ...USUAL_HOST, ...settings }), { Origin: APPLICATION });
  const statusOf = async (...asked: Parameters<typeof ask>) => (await ask(...asked)).status;
  return { name, ask, state, set, statusOf };
}

/** SHA-256 of “abc”: FIPS 180-4, its well-known example (from memory). */
const ABC = '"ba7816bf8f01cfea414140de5dae2223b00361a396177a9cb410ff61f20015ad"';

describe('WebDAV (RFC 4918)', () => {
  it('makes folders from above, once each (§9.3)', async () => {
    const { statusOf } = site();
    expect(await statusOf('MKCOL', '/photos/large/')).toBe(409);
    expect(await statusOf('MKCOL', '/photos')).toBe(201);
    expect(await statusOf('MKCOL', '/photos/large/')).toBe(201);
    expect(await statusOf('MKCOL', '/photos/')).toBe(405);
    expect(await statusOf('MKCOL', '/other', 'a body')).toBe(415);
  });

  it('puts files where there is a folder, with a strong ETag of what they hold (§9.7)', async () => {
    const { ask, statusOf } = site();
    expect(await statusOf('PUT', '/css/a.css', 'abc')).toBe(409);
    const { status, headers } = await ask('PUT', '/a%20b.txt', 'abc');
    expect([status, headers.etag]).toEqual([201, ABC]);
    expect(await statusOf('PUT', '/a%20b.txt', 'abcd')).toBe(204);
    expect((await ask('GET', '/a%20b.txt')).body).toBe('abcd');
    expect(await statusOf('PUT', '/', 'x')).toBe(405);
    expect(await statusOf('PUT', '/folder/', 'x')).toBe(405);
  });

  it('writes only over what it is told to (RFC 9110 §13.1)', async () => {
    const { statusOf } = site();
    expect(await statusOf('PUT', '/a.txt', 'x', { 'If-Match': ABC })).toBe(412);
    expect(await statusOf('PUT', '/a.txt', 'abc', { 'If-None-Match': '*' })).toBe(201);
    expect(await statusOf('PUT', '/a.txt', 'x', { 'If-None-Match': '*' })).toBe(412);
    expect(await statusOf('PUT', '/a.txt', 'x', { 'If-Match': ABC })).toBe(204);
  });

  it('deletes files, and folders with all that is in them (§9.6)', async () => {
    const { statusOf, state } = site();
    await statusOf('MKCOL', '/a');
    await statusOf('MKCOL', '/a/b');
    for (const path of ['/a/x.txt', '/a/b/y.txt', '/ab.txt']) await statusOf('PUT', path, 'x');
    expect(await statusOf('DELETE', '/nothing')).toBe(404);
    expect(await statusOf('DELETE', '/a')).toBe(204);
    expect((await state()).files).toBe(1);
    expect(await statusOf('PROPFIND', '/a/b/', '', { Depth: '0' })).toBe(404);
    expect(await statusOf('DELETE', '/ab.txt')).toBe(204);
  });

  it('tells what is there, one folder at a time (§9.1)', async () => {
    const { ask, statusOf } = site();
    await statusOf('MKCOL', '/k%C3%A4fer');
    await statusOf('PUT', '/k%C3%A4fer/a%20%26%20b.txt', 'abc');
    await statusOf('PUT', '/index.html', '');
    const top = await ask('PROPFIND', '/', '', { Depth: '1' });
    expect([top.status, top.body.match(/<D:href>[^<]*/g)]).toEqual([
      207,
      ['<D:href>/', '<D:href>/k%C3%A4fer/', '<D:href>/index.html'],
    ]);
    const { body } = await ask('PROPFIND', '/k%C3%A4fer', '', { Depth: '1' });
    expect(body).toContain(
      `<D:href>/k%C3%A4fer/a%20%26%20b.txt</D:href><D:propstat><D:prop><D:resourcetype></D:resourcetype><D:getetag>${ABC}</D:getetag><D:getcontentlength>3</D:getcontentlength>`,
    );
    const asked = '<?xml version="1.0"?><propfind xmlns="DAV:"><prop><getetag/><owner/></prop></propfind>';
    const some = await ask('PROPFIND', '/index.html', asked, { Depth: '0' });
    expect(some.body).toMatch(/<D:getetag>"[0-9a-f]{64}"<\/D:getetag><\/D:prop><D:status>HTTP\/1.1 200 OK/);
    expect(some.body).toMatch(/<D:owner\/><\/D:prop><D:status>HTTP\/1.1 404 Not Found/);
    expect(some.body).not.toContain('getcontentlength');
  });

  it('refuses what is no such request, and goes on', async () => {
    const { ask, statusOf } = site();
    const all = await ask('PROPFIND', '/', '');
    expect([all.status, all.body]).toEqual([403, expect.stringContaining('propfind-finite-depth')]);
    expect(await statusOf('PROPFIND', '/', '<propfind', { Depth: '1' })).toBe(400);
    expect(await statusOf('PROPFIND', '/', '<other/>', { Depth: '1' })).toBe(400);
    expect(await statusOf('PROPFIND', '/', 'x'.repeat(70_000), { Depth: '1' })).toBe(400);
    expect(await statusOf('PATCH', '/a')).toBe(405);
    for (const path of ['/%', '/a//b', '/a%00b', '/..%2fb', '/a/%2e%2e/%2fb', '/a%5cb', `/${'x'.repeat(256)}`])
      expect(await statusOf('PUT', path, 'x'), path).toBe(400);
    expect(await statusOf('GET', '/')).toBe(403);
  });
});

describe('a visitor', () => {
  it('gets files by their exact names, and a folder’s own page with the folder', async () => {
    const { ask, statusOf } = site();
    await statusOf('MKCOL', '/Photos');
    await statusOf('MKCOL', '/empty');
    await statusOf('PUT', '/Photos/index.html', '<p>1');
    await statusOf('PUT', '/Photos/Kite.JPG', 'jpeg');
    expect(await statusOf('GET', '/Photos/kite.jpg')).toBe(404);
    expect((await ask('GET', '/Photos/Kite.JPG')).headers['content-type']).toBe('image/jpeg');
    const folder = await ask('GET', '/Photos?a=1');
    expect([folder.status, folder.headers.location]).toEqual([301, '/Photos/?a=1']);
    const page = await ask('GET', '/Photos/');
    expect([page.body, page.headers['content-type']]).toEqual(['<p>1', 'text/html; charset=utf-8']);
    expect(await statusOf('GET', '/empty/')).toBe(403);
  });

  it('gets the site’s own page where there is nothing', async () => {
    const { ask } = site();
    expect((await ask('GET', '/x')).body).toBe('There is no x. Capitals count.\n');
    await ask('PUT', '/404.html', '<p>Not here');
    expect(await ask('GET', '/x')).toMatchObject({ status: 404, body: '<p>Not here' });
  });

  it('gets parts of a file (RFC 9110 §14)', async () => {
    const { ask } = site();
    await ask('PUT', '/a.txt', '0123456789');
    const part = (range: string) => ask('GET', '/a.txt', '', { Range: range });
    expect(await part('bytes=2-4')).toMatchObject({ status: 206, body: '234' });
    expect((await part('bytes=8-')).headers['content-range']).toBe('bytes 8-9/10');
    expect((await part('bytes=-3')).body).toBe('789');
    expect((await part('bytes=20-')).status).toBe(416);
    expect(await part('bytes=1-2,4-5')).toMatchObject({ status: 200, body: '0123456789' });
  });

  it('keeps nothing, unless the host is set so', async () => {
    const { ask, set } = site();
    await ask('PUT', '/a.txt', 'abc');
    expect((await ask('GET', '/a.txt', '', { 'If-None-Match': ABC })).status).toBe(200);
    const walk = async () => (await ask('GET', '/.test-host/walk.html')).headers['clear-site-data'];
    expect(await walk()).toBe('"storage"');
    await set({ cold: false });
    expect((await ask('GET', '/a.txt', '', { 'If-None-Match': ABC })).status).toBe(304);
    expect(await walk()).toBeUndefined();
  });

  it('gets an empty file, and only the head of one', async () => {
    const { ask } = site();
    await ask('PUT', '/empty.txt', '');
    await ask('PUT', '/a.txt', 'abc');
    expect(await ask('GET', '/empty.txt')).toMatchObject({ status: 200, body: '' });
    const { headers, body } = await ask('HEAD', '/a.txt');
    expect([headers['content-length'], body]).toEqual(['3', '']);
  });
});

describe('habits', () => {
  it('a quota holds, and what does not fit leaves the file as it was', async () => {
    const { ask, set, state } = site();
    await set({ quota: 10 });
    await ask('PUT', '/a.txt', '12345');
    expect((await ask('PUT', '/b.txt', '123456')).status).toBe(507);
    expect((await ask('PUT', '/a.txt', '12345678901')).status).toBe(507);
    expect((await ask('GET', '/a.txt')).body).toBe('12345');
    expect((await ask('PUT', '/a.txt', '1234567890')).status).toBe(204);
    expect((await state()).bytes).toBe(10);
  });

  it('a connection that is lost leaves a file whole or not there', async () => {
    const { ask, set, state } = site();
    await set({ losesOneIn: 2 });
    const content = 'x'.repeat(100_000);
    const outcomes: string[] = [];
    for (let n = 1; n <= 8; n++)
      outcomes.push(
        await ask('PUT', `/${n}.txt`, content).then(
          ({ status }) => String(status),
          () => 'lost',
        ),
      );
    expect(outcomes).toEqual(['201', 'lost', '201', 'lost', '201', 'lost', '201', 'lost']);
    // Every second loss comes after all was written, before it is said.
    const there = await Promise.all([2, 4, 6, 8].map(async (n) => (await ask('GET', `/${n}.txt`)).body.length));
    expect(there.map((length) => length === content.length)).toEqual([false, true, false, true]);
    expect(await state()).toMatchObject({ files: 6, lost: 4 });
  });

  it('a slow line takes its time both ways', async () => {
    const { ask, set } = site();
    await set({ speed: 400 });
    const took = async (work: () => Promise<unknown>) => {
      const began = performance.now();
      await work();
      return performance.now() - began;
    };
    // 20,000 bytes of 8 bits at 400 kbit/s are 400 ms.
    expect(await took(() => ask('PUT', '/a.txt', 'x'.repeat(20_000)))).toBeGreaterThan(380);
    expect(await took(() => ask('GET', '/a.txt'))).toBeGreaterThan(380);
    await set({ latency: 150 });
    expect(await took(() => ask('GET', '/none'))).toBeGreaterThan(140);
  });
});

describe('who may change what', () => {
  it('the application, and what is no browser', async () => {
    const { ask, name } = site();
    const other = { Origin: 'http://evil.example' };
    const own = { Origin: `http://${name}.localhost:4782` };
    for (const headers of [other, own, { Origin: 'null' }, { Origin: 'http://localhost:9' }])
      for (const method of ['PUT', 'MKCOL', 'DELETE', 'PROPFIND'])
        expect((await ask(method, '/a.txt', '', headers)).status, `${method} ${headers.Origin}`).toBe(403);
    expect((await ask('PUT', '/.test-host/state', JSON.stringify(USUAL_HOST), own)).status).toBe(403);
    const allowed = await ask('PUT', '/a.txt', 'abc', { Origin: APPLICATION });
    expect([allowed.status, allowed.headers['access-control-allow-origin']]).toEqual([201, APPLICATION]);
    expect((await ask('GET', '/a.txt', '', other)).headers['access-control-allow-origin']).toBeUndefined();
  });

  it('sites are of different origins, and hold their own files', async () => {
    const [one, other] = [site(), site()];
    await one.ask('PUT', '/a.txt', 'abc');
    expect((await other.ask('GET', '/a.txt')).status).toBe(404);
    const { headers } = await one.ask('GET', '/a.txt');
    expect(headers['content-security-policy']).toMatch(/^default-src 'self' .*frame-ancestors 'self'$/);
  });

  it('what is asked of no site is not answered, and bad settings are not taken', async () => {
    const { ask, state } = site();
    expect((await ask('GET', '/', '', { Host: 'localhost' })).status).toBe(404);
    for (const settings of ['', '{', '{}', JSON.stringify({ ...USUAL_HOST, quota: -1 })])
      expect((await ask('PUT', '/.test-host/state', settings, { Origin: APPLICATION })).status).toBe(400);
    expect((await state()).settings).toEqual(USUAL_HOST);
    expect((await ask('GET', '/.test-host/walk.js')).body).toBe('walks();');
    expect((await ask('GET', '/.test-host/other.js')).status).toBe(404);
    expect((await ask('PUT', '/.test-host/a.txt', 'x')).status).toBe(404);
  });

  it('no more sites are kept than are of use', async () => {
    const first = site();
    await first.ask('PUT', '/a.txt', 'abc');
    for (let n = 0; n < 8; n++) await site().ask('PUT', '/a.txt', 'abc');
    expect((await first.state()).files).toBe(0);
    const [folder = ''] = readdirSync(temporary);
    expect(readdirSync(join(temporary, folder)).length).toBeLessThanOrEqual(8);
  });
});
