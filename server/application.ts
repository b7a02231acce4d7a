/**
 * The application's own server: built files, the demo site, and React Router for the rest. It keeps nothing of the
 * user's.
 */
import { createRequestHandler } from '@react-router/express';
import compression from 'compression';
import express, { type ErrorRequestHandler, type Express } from 'express';
import { randomBytes } from 'node:crypto';
import { existsSync } from 'node:fs';
import type { Server } from 'node:http';
import { join } from 'node:path';
import type { ServerBuild } from 'react-router';
import sirv from 'sirv';
import { applicationHeaders } from './headers.ts';
import type { Hosts } from './hosts.ts';
import { applicationSourceFor, previewSourceFor, testHostSource, type Origins } from './origins.ts';
import { serverOf } from './requests.ts';

/** In seconds. */
const YEAR = 31_536_000;

interface ApplicationOptions {
  root: string;
  port: number;
  origins: Origins;
  hosts: Pick<Hosts, 'names'>;
  development: boolean;
  build: ServerBuild | (() => Promise<ServerBuild>);
  /** Vite's middleware while developing. */
  before?: (server: Express) => void;
}

/** In few words: where in the program it happened is nothing for whoever asked. */
const tellError: ErrorRequestHandler = (error: { status?: number }, _request, response, next) => {
  const status = error.status ?? 500;
  if (status >= 500) console.error(error);
  if (response.headersSent) return next(error);
  response
    .status(status)
    .type('text/plain')
    .send(status < 500 ? 'This request cannot be answered.' : 'Something went wrong on the server; its log says what.');
};

export function applicationServer(options: ApplicationOptions): Server {
  const { root, port, origins, hosts, development, build, before } = options;
  const server = express();
  server.disable('x-powered-by');
  server.use(compression());
  server.use((request, response, next) => {
    const nonce = randomBytes(16).toString('base64');
    response.locals.nonce = nonce;
    response.set(
      applicationHeaders(
        nonce,
        { preview: previewSourceFor(origins, request.headers.host), testHost: testHostSource(origins) },
        development,
      ),
    );
    const origin = request.headers.origin;
    if (
      request.method !== 'GET' &&
      request.method !== 'HEAD' &&
      origin !== applicationSourceFor(origins, request.headers.host, port)
    ) {
      response.status(403).type('text/plain').send('This request comes from another site.');
      return;
    }
    next();
  });
  before?.(server);
  // The build has compressed them already: at each request it would cost as much as everything else together.
  const built = { brotli: true, gzip: true, etag: true };
  const assets = join(root, 'build/client/assets');
  // While developing there may be no build yet.
  if (existsSync(assets)) server.use('/assets', sirv(assets, { ...built, immutable: true, maxAge: YEAR }));
  server.get('/demo.zip', (_request, response) => {
    const file = join(root, 'demo/.made/demo.zip');
    if (existsSync(file)) response.sendFile(file, { dotfiles: 'allow' });
    else response.status(404).type('text/plain').send('The demo site has not been made yet: run “npm run demo:site”.');
  });
  server.use(express.static(join(root, 'build/client'), { maxAge: '1h', index: false }));
  server.use(
    createRequestHandler({
      build,
      mode: development ? 'development' : 'production',
      getLoadContext: (_request, response) => ({
        ...(development ? {} : { nonce: response.locals.nonce as string }), // set by the policy

        previewPort: origins.previewPort,
        previewOrigin: origins.previewOrigin,
        testHostPort: origins.testHostPort,
      }),
    }),
  );
  server.use(tellError);
  return serverOf(hosts, (request, response) => void server(request, response));
}
