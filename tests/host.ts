/** A folder served as most hosts do it: texts are sent compressed, if not asked otherwise, and may be kept for a day. */
import { createReadStream, existsSync, statSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { createGzip } from 'node:zlib';
import { mediaTypeOf } from '../core/site/index.ts';

export async function host(folder: string, compressed = true): Promise<{ server: Server; address: string }> {
  const server = createServer((request, response) => {
    const path = decodeURIComponent(new URL(request.url ?? '/', 'http://host.invalid').pathname).slice(1);
    const file = join(folder, path || 'index.html');
    if (!existsSync(file) || statSync(file).isDirectory()) return response.writeHead(404).end();
    const type = mediaTypeOf(file);
    const isText = /^(?:text|application\/javascript)/.test(type);
    const isPacked = isText && compressed;
    response.writeHead(200, {
      'Content-Type': isText ? `${type.split(';')[0]}; charset=utf-8` : type,
      'Cache-Control': 'max-age=86400',
      ...(isPacked ? { 'Content-Encoding': 'gzip' } : {}),
    });
    return isPacked ? createReadStream(file).pipe(createGzip()).pipe(response) : createReadStream(file).pipe(response);
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return { server, address: `http://127.0.0.1:${(server.address() as AddressInfo).port}/` };
}
