import { createServer, type Server } from 'node:net';
import { afterEach, describe, expect, it } from 'vitest';
import { applicationHeaders, previewHeaders } from './headers.ts';
import { applicationSourceFor, originsFrom, previewSourceFor } from './origins.ts';
import { choosePorts } from './ports.ts';

const open: Server[] = [];
afterEach(() => {
  for (const server of open.splice(0)) server.close();
});

function take(port: number): Promise<void> {
  const server = createServer();
  open.push(server);
  return new Promise((resolve) => server.listen(port, resolve));
}

describe('ports', () => {
  it('a bound port, or a bound neighbour, is told in one line', async () => {
    await take(46_101);
    for (const wanted of [46_099, 46_100, 46_101]) {
      const chosen = await choosePorts(wanted);
      expect(chosen).toEqual({ ok: false, reason: expect.stringMatching(/^Port 46101 is taken\. [^\n]+$/) });
    }
    expect(await choosePorts(46_104)).toEqual({ ok: true, port: 46_104 });
  });

  it('without a wish free ones are found', async () => expect(await choosePorts(null)).toMatchObject({ ok: true }));
});

describe('origins and headers', () => {
  it('follow the host that was asked, or the setting', () => {
    const local = originsFrom({}, 4780);
    expect([previewSourceFor(local, '127.0.0.1:4780'), applicationSourceFor(local, 'localhost:4781', 4780)]).toEqual([
      'http://127.0.0.1:4781',
      'http://localhost:4780',
    ]);
    const deployed = originsFrom(
      { HEATHMOOR_ORIGIN: 'https://moor.example', HEATHMOOR_PREVIEW_ORIGIN: 'https://preview.moor.example' },
      80,
    );
    expect([previewSourceFor(deployed, 'x'), applicationSourceFor(deployed, 'x', 80)]).toEqual([
      'https://preview.moor.example',
      'https://moor.example',
    ]);
  });

  it('let nothing in but the nonce’s scripts, and frame nothing but the preview', () => {
    const policy =
      applicationHeaders('n1', { preview: 'http://localhost:4781', testHost: 'http://*.localhost:4782' }, false)[
        'Content-Security-Policy'
      ] ?? '';
    expect(policy).toContain("script-src 'self' 'nonce-n1' 'wasm-unsafe-eval';");
    expect(policy).toContain('frame-src http://localhost:4781 http://*.localhost:4782;');
    expect(policy).toContain("connect-src 'self' http://*.localhost:4782;");
    expect(policy).toContain("frame-ancestors 'none'");
    expect(policy).not.toMatch(/script-src[^;]*unsafe-inline/);
    expect(previewHeaders('http://localhost:4780')['Content-Security-Policy']).toContain(
      'frame-ancestors http://localhost:4780',
    );
  });
});
