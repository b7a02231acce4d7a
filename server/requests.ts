/** What a request asks for. Anybody can send anything: what is no proper request is answered, and ends nothing. */
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { type Hosts, isKnownHost } from './hosts.ts';

/**
 * Bytes that the headers of a request may have. Cookies go to every port of a host, so a page of the preview could
 * set so many that nobody is answered any more; a browser keeps less for a host than this (about 180 of 4 kB each,
 * from memory).
 */
const MOST_HEADERS = 2 ** 20;

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

function refuse(response: ServerResponse, status: number, reason: string): void {
  response
    .writeHead(status, { 'Content-Type': 'text/plain; charset=utf-8', 'X-Content-Type-Options': 'nosniff' })
    .end(reason);
}

/**
 * A server that hears only of requests with a proper address under a name of its own; behind this `url` is path and
 * query.
 */
export function serverOf(
  hosts: Pick<Hosts, 'names'>,
  answer: (request: IncomingMessage, response: ServerResponse, address: URL) => void,
): Server {
  return createServer({ maxHeaderSize: MOST_HEADERS }, (request, response) => {
    const address = addressOf(request);
    if (!address) return refuse(response, 400, 'This request has no proper address.');
    const { hostname } = address;
    // RFC 9110 §15.5.20
    if (!isKnownHost(hosts, hostname))
      return refuse(
        response,
        421,
        `This server is not called ${hostname}. If it should be, start it with HEATHMOOR_NAMES=${hostname}.`,
      );
    request.url = address.pathname + address.search;
    answer(request, response, address);
  });
}
