/** What a visitor gets: files under their exact names, no lists of folders, the site's own page for what is missing. */
import type { IncomingMessage, ServerResponse } from 'node:http';
import { pipeline } from 'node:stream/promises';
import { mediaTypeOf } from '../../core/site/index.ts';
import type { HostFile, Space } from './space.ts';

/** The page for what is missing, where the site has one (common practice, no source). */
const NOT_FOUND = '404.html';

/** Text is told to be UTF-8, as in the preview. */
const typeOf = (path: string): string => {
  const type = mediaTypeOf(path);
  return type.startsWith('text/') ? `${type}; charset=utf-8` : type;
};

export const etagOf = ({ hash }: HostFile): string => `"${hash}"`;

/** `path` is a folder where it ends with a slash, or is empty. */
export async function show(
  space: Space,
  path: string,
  request: IncomingMessage,
  response: ServerResponse,
): Promise<void> {
  const wanted = path === '' || path.endsWith('/') ? `${path}index.html` : path;
  const file = space.file(wanted);
  if (file) return send(space, wanted, file, request, response);
  if (space.hasFolder(`${path}/`)) {
    const query = /\?.*$/.exec(request.url ?? '')?.[0] ?? '';
    const to = `${(request.url ?? '').replace(/\?.*$/, '')}/${query}`;
    return plain(response, 301, 'This is a folder.', { Location: to });
  }
  if (path === '' || space.hasFolder(path))
    return plain(response, 403, 'This folder has no index.html, and is not listed.');
  const own = space.file(NOT_FOUND);
  if (own) return send(space, NOT_FOUND, own, request, response, 404);
  return plain(response, 404, `There is no ${path}. Capitals count.`);
}

export function plain(
  response: ServerResponse,
  status: number,
  says: string,
  headers: Record<string, string> = {},
): void {
  response.writeHead(status, { ...headers, 'Content-Type': 'text/plain; charset=utf-8' }).end(`${says}\n`);
}

async function send(
  space: Space,
  path: string,
  file: HostFile,
  request: IncomingMessage,
  response: ServerResponse,
  status = 200,
): Promise<void> {
  const etag = etagOf(file);
  const kept = space.settings.cold ? 'no-store' : 'no-cache';
  const headers = { 'Content-Type': typeOf(path), ETag: etag, 'Cache-Control': kept, 'Accept-Ranges': 'bytes' };
  if (status === 200 && !space.settings.cold && request.headers['if-none-match'] === etag) {
    response.writeHead(304, headers).end();
    return;
  }
  const range = status === 200 ? rangeOf(request.headers.range, file.bytes) : null;
  if (range === 'none') {
    // RFC 9110 §15.5.17
    response.writeHead(416, { ...headers, 'Content-Range': `bytes */${file.bytes}` }).end();
    return;
  }
  const { start, end } = range ?? { start: 0, end: file.bytes - 1 };
  const part = range ? { 'Content-Range': `bytes ${start}-${end}/${file.bytes}` } : {};
  response.writeHead(range ? 206 : status, { ...headers, ...part, 'Content-Length': end - start + 1 });
  if (request.method === 'HEAD' || file.bytes === 0) {
    response.end();
    return;
  }
  // A visitor who goes away in between is no fault.
  await pipeline(space.read(path, start, end), space.line.stream(), response).catch(() => undefined);
}

interface Range {
  start: number;
  /** The last byte. */
  end: number;
}

/** RFC 9110 §14.1.2, one range; what is none is answered with the whole, as §14.2 allows. */
function rangeOf(header: string | undefined, bytes: number): Range | 'none' | null {
  const [, from = '', to = ''] = /^bytes=(\d*)-(\d*)$/.exec(header ?? '') ?? [];
  if (from === '' && to === '') return null;
  const start = from === '' ? Math.max(0, bytes - Number(to)) : Number(from);
  const end = from === '' || to === '' ? bytes - 1 : Math.min(Number(to), bytes - 1);
  return start > end ? 'none' : { start, end };
}
