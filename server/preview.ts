/** The preview origin's server: four scripts and a boot page. Files of a site never pass through it. */
import type { Server } from 'node:http';
import { previewHeaders } from './headers.ts';
import type { Hosts } from './hosts.ts';
import { applicationSourceFor, type Origins } from './origins.ts';
import type { PreviewScripts } from './previewScripts.ts';
import { serverOf } from './requests.ts';

const page = (title: string, script: string) => `<!DOCTYPE html>
<html lang="en"><head><meta charset="utf-8"><title>${title}</title><script src="/${script}.js" defer></script></head><body></body></html>
`;

/** Any address that the service worker does not answer leads here: it registers the worker and loads again. */
const BOOT_PAGE = page('Preview', 'boot');
const BRIDGE_PAGE = page('Bridge', 'bridge');

const ORIGIN = 'APPLICATION_ORIGIN';

/** Two scripts of one page that are both told it would be a mistake; so only who asks for it is. */
const withOrigin = (script: string, application: string): string =>
  script.includes(ORIGIN) ? `const ${ORIGIN} = ${JSON.stringify(application)};\n${script}` : script;

interface PreviewOptions {
  /** Of the application. */
  port: number;
  origins: Origins;
  hosts: Pick<Hosts, 'names'>;
  scripts: PreviewScripts;
}

export function previewServer({ port, origins, hosts, scripts }: PreviewOptions): Server {
  return serverOf(hosts, (request, response, address) => {
    const application = applicationSourceFor(origins, request.headers.host, port);
    const answer = (status: number, type: string, body: string) =>
      response
        .writeHead(status, { ...previewHeaders(application), 'Content-Type': `${type}; charset=utf-8` })
        .end(body);
    if (request.method !== 'GET' && request.method !== 'HEAD')
      return answer(405, 'text/plain', 'Only GET is answered here.');
    const script = scripts.get(address.pathname);
    if (script !== undefined) return answer(200, 'text/javascript', withOrigin(script, application));
    if (address.pathname === '/bridge.html') return answer(200, 'text/html', BRIDGE_PAGE);
    if (/text\/html/.test(request.headers.accept ?? '')) return answer(200, 'text/html', BOOT_PAGE);
    return answer(404, 'text/plain', 'There is no such file here.');
  });
}
