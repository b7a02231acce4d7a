import createEmotionServer from '@emotion/server/create-instance';
import { CacheProvider } from '@emotion/react';
import { renderToPipeableStream } from 'react-dom/server';
import { ServerRouter, type EntryContext } from 'react-router';
import { PassThrough } from 'node:stream';
import { createEmotionCache } from './ui/shell/emotion';
import { NonceContext } from './ui/shell/nonce';

const PATIENCE = 10_000; // ms

export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  context: EntryContext,
  load: { nonce?: string },
): Promise<Response> {
  const { nonce } = load;
  const cache = createEmotionCache(nonce);
  const styler = createEmotionServer(cache);
  return new Promise((resolve, reject) => {
    let answer = status;
    const { pipe, abort } = renderToPipeableStream(
      <NonceContext.Provider value={nonce}>
        <CacheProvider value={cache}>
          <ServerRouter context={context} url={request.url} nonce={nonce} />
        </CacheProvider>
      </NonceContext.Provider>,
      {
        nonce,
        onAllReady() {
          const body = new PassThrough();
          const parts: Buffer[] = [];
          body.on('data', (part: Buffer) => parts.push(part));
          body.on('end', () => {
            const html = Buffer.concat(parts).toString('utf8');
            const styles = styler.constructStyleTagsFromChunks(styler.extractCriticalToChunks(html));
            headers.set('Content-Type', 'text/html; charset=utf-8');
            resolve(
              new Response(
                html.replace('</head>', () => `${styles}</head>`),
                { status: answer, headers },
              ),
            );
          });
          pipe(body);
        },
        onShellError: reject,
        onError(error) {
          answer = 500;
          console.error(error);
        },
      },
    );
    setTimeout(abort, PATIENCE);
  });
}
