import type { IncomingMessage } from 'node:http';

/** A body longer than this is no request of the host's methods; bytes. */
const LONGEST_BODY = 65_536;

/**
 * The body of a request that is no file, as text.
 * @throws where it is too long, or the connection ends.
 */
export async function bodyOf(request: IncomingMessage): Promise<string> {
  const chunks: Buffer[] = [];
  let bytes = 0;
  for await (const chunk of request as AsyncIterable<Buffer>) {
    bytes += chunk.length;
    if (bytes > LONGEST_BODY) throw new Error('The body of this request is too long.');
    chunks.push(chunk);
  }
  return Buffer.concat(chunks).toString('utf8');
}
