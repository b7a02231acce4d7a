/** A host that is spoken to in WebDAV (RFC 4918), over a connection that may be lost at any time. */
import { hostEntries, type HostListing } from '~core/pack/index.ts';

/** So often in a row one file is tried (our own value, no source). */
const MOST_TRIES = 6;
/** Before it is tried again; ms. It doubles each time. */
const FIRST_PAUSE = 250;

/** The host does not do what it is asked for, or the connection was lost too often; the message is for people. */
export class HostRefused extends Error {}

export class DavHost {
  readonly #root: string;
  readonly #signal: AbortSignal;
  #lost = 0;

  /** @param root is an origin with a slash behind it. */
  constructor(root: string, signal: AbortSignal) {
    this.#root = root;
    this.#signal = signal;
  }

  /** Connections that were lost until now. */
  get lost(): number {
    return this.#lost;
  }

  /** All that is there, folder by folder. */
  async list(): Promise<HostListing> {
    const files = new Map<string, string | null>();
    const folders = new Set<string>(['']);
    const open = [''];
    for (let folder = open.pop(); folder !== undefined; folder = open.pop()) {
      for (const { path, isFolder, etag } of await this.#entries(folder, '1')) {
        if (!isFolder) files.set(path, hashIn(etag));
        else if (!folders.has(path)) {
          folders.add(path);
          open.push(path);
        }
      }
    }
    return { files, folders };
  }

  async makeFolder(path: string): Promise<void> {
    const { status } = await this.#ask('MKCOL', path);
    // It is there where the answer to the first try was lost.
    if (status !== 201 && status !== 405) throw new HostRefused(refusal(path, status));
  }

  async delete(path: string): Promise<void> {
    const { status } = await this.#ask('DELETE', path);
    if (status >= 300 && status !== 404) throw new HostRefused(refusal(path, status));
  }

  /** Sends a file; after a lost connection only if the host does not hold it whole. */
  async send(path: string, bytes: Uint8Array<ArrayBuffer>, hash: string): Promise<void> {
    for (let tries = 1; ; tries++) {
      try {
        // A browser may send a request again by itself where a connection is lost: what is there whole stays then.
        const headers = { 'If-None-Match': `"${hash}"` };
        const answer = await this.#once('PUT', path, { body: new Blob([bytes]), headers });
        if (answer.ok || answer.status === 412) return;
        throw new HostRefused(answer.status === 507 ? await answer.text() : refusal(path, answer.status));
      } catch (error) {
        await this.#afterLoss(error, path, tries);
      }
      const [there] = await this.#entries(path, '0');
      if (hashIn(there?.etag ?? null) === hash) return;
    }
  }

  async #entries(path: string, depth: '0' | '1') {
    const answer = await this.#ask('PROPFIND', path, { headers: { Depth: depth } });
    if (answer.status === 404) return [];
    if (answer.status !== 207) throw new HostRefused(refusal(path, answer.status));
    const read = hostEntries(await answer.text(), this.#root);
    if (!read.ok) throw new HostRefused(read.reason);
    return read.entries;
  }

  /** What does the same when it is done twice is simply asked again. */
  async #ask(method: string, path: string, more: RequestInit = {}): Promise<Response> {
    for (let tries = 1; ; tries++) {
      try {
        return await this.#once(method, path, more);
      } catch (error) {
        await this.#afterLoss(error, path, tries);
      }
    }
  }

  #once(method: string, path: string, more: RequestInit): Promise<Response> {
    const address = this.#root + path.split('/').map(encodeURIComponent).join('/');
    return fetch(address, { method, credentials: 'omit', cache: 'no-store', signal: this.#signal, ...more });
  }

  /** Waits before the next try. */
  async #afterLoss(error: unknown, path: string, tries: number): Promise<void> {
    this.#signal.throwIfAborted();
    // `fetch` tells a lost connection so.
    if (!(error instanceof TypeError)) throw error;
    this.#lost++;
    if (tries >= MOST_TRIES)
      throw new HostRefused(
        tries === this.#lost
          ? 'The test host does not answer. It runs beside the application, on the same computer.'
          : `The connection was lost ${tries} times in a row at ${path}. What is on the host stays; go on later.`,
      );
    await new Promise((resolve) => setTimeout(resolve, FIRST_PAUSE * 2 ** (tries - 1)));
  }
}

/** The host's own ETags are the SHA-256 of what the file holds; another's say nothing. */
function hashIn(etag: string | null): string | null {
  return /^"([\da-f]{64})"$/.exec(etag ?? '')?.[1] ?? null;
}

const refusal = (path: string, status: number): string =>
  `The host refused ${path === '' ? 'its list of files' : path} (status ${status}).`;
