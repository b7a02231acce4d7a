/** Brings a host to hold what leaves: file by file, away from the main thread. */
import * as Comlink from 'comlink';
import { CHECKSUMS, checksumLine, uploadSteps, type UploadStep } from '~core/pack/index.ts';
import { refuse, type Result } from '~core/site/index.ts';
import { contentHash } from '../data/hash';
import { DavHost, HostRefused } from './davHost';
import { bytesOf, type Source } from './sourceBytes';
import { sparingly } from './sparingly';

export interface UploadProgress {
  doing: 'comparing' | 'uploading';
  /** What is under way; empty before the first. */
  path: string;
  /** What is done, and how much there is to do; of bytes only those that are sent. */
  files: number;
  ofFiles: number;
  bytes: number;
  ofBytes: number;
  /** Connections that were lost until now. */
  lost: number;
}

export interface Uploaded {
  sent: number;
  /** Files that the host held already. */
  same: number;
  deleted: number;
  bytes: number;
  lost: number;
  /** Paths of files whose content is missing from the browser's storage. */
  missing: string[];
  /** Paths in the order in which they were sent. */
  order: string[];
}

let stopped = new AbortController();

const uploading = {
  /** Null where it was stopped; then what is on the host stays, and the next time goes on there. */
  async run(
    root: string,
    sources: Source[],
    withChecksums: boolean,
    onProgress: (progress: UploadProgress) => void,
  ): Promise<Result<Uploaded> | null> {
    stopped = new AbortController();
    const { signal } = stopped;
    try {
      const host = new DavHost(root, signal);
      return { ok: true, ...(await upload(host, sources, withChecksums, sparingly(onProgress), signal)) };
    } catch (error) {
      if (signal.aborted) return null;
      if (error instanceof HostRefused) return refuse(error.message);
      throw error;
    }
  },

  stop(): void {
    stopped.abort();
  },
};

interface Known {
  source: Source;
  hash: string;
  bytes: number;
}

async function upload(
  host: DavHost,
  sources: readonly Source[],
  withChecksums: boolean,
  tell: (progress: UploadProgress) => void,
  signal: AbortSignal,
): Promise<Uploaded> {
  const listing = await host.list();
  const { known, missing } = await hashed(sources, withChecksums, signal, (path, files) =>
    tell({ doing: 'comparing', path, files, ofFiles: sources.length, bytes: 0, ofBytes: 0, lost: host.lost }),
  );
  const steps = uploadSteps(known, listing);
  const ofBytes = steps.reduce((sum, step) => sum + (step.do === 'send' ? step.bytes : 0), 0);
  const order: string[] = [];
  let bytes = 0;
  for (const [files, step] of steps.entries()) {
    signal.throwIfAborted();
    const { path } = step;
    tell({ doing: 'uploading', path, files, ofFiles: steps.length, bytes, ofBytes, lost: host.lost });
    const sent = await take(host, step, known);
    if (sent === null) continue;
    bytes += sent;
    order.push(path);
  }
  const deleted = steps.filter((step) => step.do === 'delete' || step.do === 'delete folder').length;
  return {
    sent: order.length,
    same: known.size - order.length,
    deleted,
    bytes,
    lost: host.lost,
    missing,
    order,
  };
}

/** Bytes that were sent; null where nothing was. */
async function take(host: DavHost, step: UploadStep, known: ReadonlyMap<string, Known>): Promise<number | null> {
  if (step.do === 'make folder') await host.makeFolder(step.path);
  else if (step.do !== 'send') await host.delete(step.path);
  else {
    const one = known.get(step.path);
    const content = one && (await bytesOf(one.source));
    // It was there a moment ago, when it was hashed.
    if (!content) throw new HostRefused(`The content of ${step.path} is missing from the browser’s storage.`);
    await host.send(step.path, content.bytes, one.hash);
    return content.bytes.length;
  }
  return null;
}

interface Hashed {
  known: Map<string, Known>;
  missing: string[];
}

async function hashed(
  sources: readonly Source[],
  withChecksums: boolean,
  signal: AbortSignal,
  onNext: (path: string, n: number) => void,
): Promise<Hashed> {
  const known = new Map<string, Known>();
  const missing: string[] = [];
  const add = async (source: Source) => {
    const content = await bytesOf(source);
    if (!content) return void missing.push(source.path);
    known.set(source.path, { source, hash: await contentHash(content.bytes), bytes: content.bytes.length });
  };
  for (const [n, source] of sources.entries()) {
    signal.throwIfAborted();
    onNext(source.path, n);
    await add(source);
  }
  if (withChecksums) {
    const content = [...known].map(([path, { hash }]) => checksumLine(path, hash)).join('');
    await add({ path: CHECKSUMS, content });
  }
  return { known, missing };
}

export type Uploading = typeof uploading;
Comlink.expose(uploading);
