/**
 * The preview origin's service worker: answers `/s/<token>/<path>` with a site's files as a strict host would:
 * capitals matter, `dir` leads to `dir/`, ranges are honoured, what is missing is a 404.
 * It keeps no state but how far a slow line is taken. Files are asked of the bridge; what was shown once is kept encrypted with the token,
 * so that a page in a tab of its own outlives the editor and no other site's page can read it.
 */
import { isPagePath, mediaTypeOf } from '../core/site/media.ts';
import { SHARED_HEADERS } from '../protocol/headers.ts';
import { FileAnswer, type FileQuestion, type Manner } from '../protocol/worker.ts';
import { pause, SlowLines } from './slowLine.ts';

void (() => {
  const scope = self as unknown as ServiceWorkerGlobalScope; // the types are those of a page
  const PATIENCE = 3000; // ms that a bridge may take
  const STORE = 'shown';
  const PICTURES_WAIT = 10_000; // ms, longer than anybody looks at a page without its pictures
  const slowLine = new SlowLines();

  /** Text is told to be UTF-8, as hosts do unless they are set otherwise. */
  const typeOf = (path: string): string => {
    const type = mediaTypeOf(path);
    return type.startsWith('text/') ? `${type}; charset=utf-8` : type;
  };
  const FRAMED = `frame-ancestors ${APPLICATION_ORIGIN}`;
  /** A page asks for nothing outside, however it asks, until somebody allows it: a preview sends nothing unasked. */
  const OWN = `default-src 'self' data: blob: 'unsafe-inline' 'unsafe-eval'; form-action 'self'; ${FRAMED}`;
  const HEADERS = {
    ...SHARED_HEADERS,
    'X-DNS-Prefetch-Control': 'off',
    'Cache-Control': 'no-store',
    'Content-Security-Policy': OWN,
  };
  const headersFor = ({ outside }: Found) => ({ ...HEADERS, 'Content-Security-Policy': outside ? FRAMED : OWN });

  scope.addEventListener('install', () => void scope.skipWaiting());
  scope.addEventListener('activate', (event) => event.waitUntil(scope.clients.claim()));
  scope.addEventListener('fetch', (event) => {
    const url = new URL(event.request.url);
    const place = /^\/s\/([A-Za-z0-9_-]{22,})\/(.*)$/.exec(url.pathname);
    if (url.origin !== scope.location.origin || !place) return;
    event.respondWith(answer(event, url, place[1] ?? '', decode(place[2] ?? '')));
  });

  function decode(path: string): string {
    try {
      return decodeURIComponent(path).normalize('NFC');
    } catch {
      return path;
    }
  }

  type Found = Omit<FileAnswer, 'token'>;
  const AS_KEPT = { folder: false, outside: false, passing: false, manner: null } as const;

  async function answer(event: FetchEvent, url: URL, token: string, path: string): Promise<Response> {
    const wanted = path === '' || path.endsWith('/') ? `${path}index.html` : path;
    const found = (await askBridges(token, wanted)) ?? (await recall(token, wanted));
    if (!found)
      return page(
        503,
        'The preview has no files',
        'The application that holds this site is closed. Open the site there, then load this page again.',
      );
    if (!found.blob) {
      if (found.folder) return Response.redirect(`${url.pathname}/${url.search}`, 301);
      return page(404, 'There is no such file', path);
    }
    if (!found.passing) event.waitUntil(remember(token, wanted, found.blob));
    const type = typeOf(wanted);
    if (found.manner && !(await comes(event.request, type, found.manner))) return Response.error();
    if (found.manner?.line) await slowLine.sent(token, found.blob.size, found.manner.line);
    const isPage = isPagePath(wanted) && event.request.mode === 'navigate';
    return isPage
      ? new Response(withProbe(await found.blob.text()), { headers: { ...headersFor(found), 'Content-Type': type } })
      : ranged(event.request, found.blob, { ...headersFor(found), 'Content-Type': type });
  }

  /** Whether a file comes at all to a page that is answered in that manner; a late picture is waited for. */
  async function comes({ mode, destination }: Request, type: string, { pictures, disk }: Manner): Promise<boolean> {
    const isPicture = type.startsWith('image/') && mode !== 'navigate';
    if (isPicture && pictures === 'late') await pause(PICTURES_WAIT);
    if (isPicture && pictures === 'never') return false;
    // From disk a browser gives nothing to modules, workers and scripts that ask (WHATWG HTML, opaque origins).
    return !disk || destination === 'font' || mode === 'no-cors' || mode === 'navigate';
  }

  /** The first bridge that proves the token wins; null where none answers in time. */
  async function askBridges(token: string, path: string): Promise<Found | null> {
    const key = await digest(`ask ${token}`);
    const bridges = (await scope.clients.matchAll({ type: 'window', includeUncontrolled: true })).filter(
      (client) => new URL(client.url).pathname === '/bridge.html',
    );
    if (bridges.length === 0) return null;
    return new Promise((resolve) => {
      const late = setTimeout(() => resolve(null), PATIENCE);
      for (const bridge of bridges) {
        const { port1, port2 } = new MessageChannel();
        port1.onmessage = ({ data }: MessageEvent) => {
          const { data: answer } = FileAnswer.safeParse(data);
          if (answer?.token !== token) return;
          clearTimeout(late);
          resolve(answer);
        };
        bridge.postMessage({ type: 'file', key, path } satisfies FileQuestion, [port2]);
      }
    });
  }

  /** The probe goes in as the first thing in the head and takes its own tag away again. */
  function withProbe(html: string): string {
    const tag = '<script src="/probe.js"></script>';
    const head = /<head(\s[^>]*)?>/i.exec(html);
    if (head) return html.slice(0, head.index + head[0].length) + tag + html.slice(head.index + head[0].length);
    // Before a declaration of XML nothing may stand.
    const before = /^\uFEFF?(?:\s*<\?xml[^>]*>)?(?:\s*<!doctype[^>]*>)?/i.exec(html);
    const at = before ? before[0].length : 0;
    return html.slice(0, at) + tag + html.slice(at);
  }

  /** RFC 9110 §14: one range of bytes, as players of video ask for. */
  function ranged(request: Request, blob: Blob, own: Record<string, string>): Response {
    const range = /^bytes=(\d*)-(\d*)$/.exec(request.headers.get('Range') ?? '');
    const headers = { ...own, 'Accept-Ranges': 'bytes' };
    if (!range || (range[1] === '' && range[2] === '')) return new Response(blob, { headers });
    const start = range[1] === '' ? Math.max(0, blob.size - Number(range[2])) : Number(range[1]);
    const end = range[1] === '' || range[2] === '' ? blob.size - 1 : Math.min(blob.size - 1, Number(range[2]));
    if (start > end)
      return new Response(null, { status: 416, headers: { ...headers, 'Content-Range': `bytes */${blob.size}` } });
    return new Response(blob.slice(start, end + 1), {
      status: 206,
      headers: { ...headers, 'Content-Range': `bytes ${start}-${end}/${blob.size}` },
    });
  }

  function page(status: number, title: string, text: string): Response {
    const escape = (raw: string) => raw.replaceAll('&', '&amp;').replaceAll('<', '&lt;');
    const body = `<!DOCTYPE html><html lang="en">
<head><meta charset="utf-8"><title>${title}</title><script src="/probe.js"></script></head>
<body style="font:16px/1.5 sans-serif;padding:2rem"><h1>${title}</h1><p>${escape(text)}</p></body></html>`;
    return new Response(body, { status, headers: { ...HEADERS, 'Content-Type': 'text/html; charset=utf-8' } });
  }

  async function digest(text: string): Promise<string> {
    const bytes = new Uint8Array(await crypto.subtle.digest('SHA-256', new TextEncoder().encode(text)));
    return [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  }

  const secret = async (token: string) =>
    crypto.subtle.importKey(
      'raw',
      await crypto.subtle.digest('SHA-256', new TextEncoder().encode(`keep ${token}`)),
      'AES-GCM',
      false,
      ['encrypt', 'decrypt'],
    );
  const shelfmark = async (token: string, path: string) => `/kept/${await digest(`${token} ${path}`)}`;

  async function remember(token: string, path: string, blob: Blob): Promise<void> {
    const iv = crypto.getRandomValues(new Uint8Array(12));
    const sealed = await crypto.subtle.encrypt(
      { name: 'AES-GCM', iv, additionalData: new TextEncoder().encode(path) },
      await secret(token),
      await blob.arrayBuffer(),
    );
    const store = await caches.open(STORE);
    await store.put(await shelfmark(token, path), new Response(new Blob([iv, sealed])));
  }

  /** Any page of this origin can write over what is kept: only what was sealed for this path is given out. */
  async function recall(token: string, path: string): Promise<Found | null> {
    try {
      const kept = await (await caches.open(STORE)).match(await shelfmark(token, path));
      if (!kept) return null;
      const bytes = new Uint8Array(await kept.arrayBuffer());
      const open = await crypto.subtle.decrypt(
        { name: 'AES-GCM', iv: bytes.slice(0, 12), additionalData: new TextEncoder().encode(path) },
        await secret(token),
        bytes.slice(12),
      );
      // The application is closed: nobody says that outside addresses may be asked.
      return { blob: new Blob([open]), ...AS_KEPT };
    } catch {
      return null;
    }
  }
})();
