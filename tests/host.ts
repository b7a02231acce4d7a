/** A folder served as most hosts do it: texts are sent compressed and may be kept for a day. */
import { createReadStream, existsSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { createGzip } from 'node:zlib';
import { mediaTypeOf } from '../core/site/index.ts';

export async function host(folder: string): Promise<{ server: Server; address: string }> {
  const server = createServer((request, response) => {
    const path = decodeURIComponent(new URL(request.url ?? '/', 'http://host.invalid').pathname).slice(1);
    const file = join(folder, path || 'index.html');
    if (!existsSync(file)) return response.writeHead(404).end();
    const type = mediaTypeOf(file);
    const text = /^(?:text|application\/javascript)/.test(type);
    response.writeHead(200, {
      'Content-Type': text ? `${type.split(';')[0]}; charset=utf-8` : type,
      'Cache-Control': 'max-age=86400',
      ...(text ? { 'Content-Encoding': 'gzip' } : {}),
    });
    return text ? createReadStream(file).pipe(createGzip()).pipe(response) : createReadStream(file).pipe(response);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return { server, address: `http://127.0.0.1:${(server.address() as AddressInfo).port}/` };
}
