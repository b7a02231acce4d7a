/** What a request asks for. Anybody can send anything: what is no proper request is answered, and ends nothing. */
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';

/** The address that is asked for; null where request target or host are none (RFC 9112 §3.2, RFC 9110 §7.2). */
function addressOf({ url: target = '', headers }: Pick<IncomingMessage, 'url' | 'headers'>): URL | null {
  const host = headers.host ?? 'localhost';
  const home = parsed(`http://${host}`);
  if (!home || home.pathname !== '/' || /[\s/\\@?#]/.test(host)) return null;
  if (target.startsWith('/')) return parsed(home.origin + target);
  return /^https?:\/\//i.test(target) ? parsed(target) : null;
}

function parsed(address: string): URL | null {
  try {
    return new URL(address);
  } catch {
    return null;
  }
}

/** A server that hears only of requests with a proper address; behind this `url` is path and query. */
export function serverOf(answer: (request: IncomingMessage, response: ServerResponse, address: URL) => void): Server {
  return createServer((request, response) => {
    const address = addressOf(request);
    if (!address) {
      response
        .writeHead(400, { 'Content-Type': 'text/plain; charset=utf-8' })
        .end('This request has no proper address.');
      return;
    }
    request.url = address.pathname + address.search;
    answer(request, response, address);
  });
}
