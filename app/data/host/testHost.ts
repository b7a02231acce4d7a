/** The test host of the open site: what it is like and how full it is, and the upload to it. */
import type { Leaving } from '~core/pack/index.ts';
import { refuse, type Result } from '~core/site/index.ts';
import { HostState, USUAL_HOST, type HostSettings } from '~protocol/testHost.ts';
import { uploading, withProgress } from '../../workers/start';
import type { Source } from '../../workers/sourceBytes';
import type { Uploaded, UploadProgress } from '../../workers/uploading';
import { Emitter } from '../emitter';
import { contentHash } from '../hash';
import { sourcesOf } from '../leaving';
import type { Walk } from './walk';
import type { SharedSite } from '../session/shared';
import type { SitePictures } from '../session/sitePictures';

export interface UploadRun {
  /** Null before the first file. */
  progress: UploadProgress | null;
  /** ms since 1970. */
  began: number;
  state: 'running' | 'paused' | 'done' | 'failed';
  outcome: Result<Uploaded> | null;
}

export interface HostStanding {
  /** Origin of the site's part of the host, with a slash behind it; null before it is known. */
  root: string | null;
  /** Null where it does not answer, or has not been asked yet. */
  state: HostState | null;
  /** Whether it was asked and gave no answer. */
  silent: boolean;
  run: UploadRun | null;
  /** The last one; null before the first. */
  walk: Walk | null;
}

const AT_START: HostStanding = { root: null, state: null, silent: false, run: null, walk: null };

export class TestHost {
  readonly #site: SharedSite;
  readonly #pictures: SitePictures;
  readonly #changed = new Emitter();
  #standing = AT_START;
  /** Somebody wants it to pause, maybe before the first file is under way. */
  #pausing = false;

  constructor(site: SharedSite, pictures: SitePictures) {
    this.#site = site;
    this.#pictures = pictures;
    site.leaving.addEventListener('abort', () => this.#standing.run?.state === 'running' && void this.pause());
  }

  get standing(): HostStanding {
    return this.#standing;
  }

  watch = (watcher: () => void): (() => void) => this.#changed.on(watcher);

  /** Looks how the host stands; `port` is that of this computer's test host. */
  async look(port: number): Promise<void> {
    const root = this.#standing.root ?? `http://${await spaceOf(this.#site.site.token)}.localhost:${port}/`;
    this.#show({ root });
    await this.#ask({ method: 'GET' });
  }

  set(part: Partial<HostSettings>): Promise<void> {
    const settings = { ...(this.#standing.state?.settings ?? USUAL_HOST), ...part };
    return this.#ask({ method: 'PUT', body: JSON.stringify(settings) });
  }

  noteWalk(walk: Walk): void {
    this.#show({ walk });
  }

  /** All files leave the host. */
  async empty(): Promise<void> {
    const { root } = this.#standing;
    if (root === null) return;
    await fetch(root, { method: 'DELETE', credentials: 'omit' }).catch(() => undefined);
    this.#show({ run: null, walk: null });
    await this.#ask({ method: 'GET' });
  }

  /** Goes on where an upload was stopped before: what the host holds whole is not sent again. */
  async upload(leaving: Leaving, withChecksums: boolean): Promise<void> {
    const { root } = this.#standing;
    if (root === null || this.#standing.run?.state === 'running') return;
    this.#pausing = false;
    const began = Date.now();
    const show = (part: Partial<UploadRun>) =>
      this.#show({ run: { progress: null, began, state: 'running', outcome: null, ...this.#standing.run, ...part } });
    show({ progress: null, began, state: 'running', outcome: null });
    // Whether pages may ask for what is elsewhere is decided for the site.
    await this.set({ outside: this.#site.site.outside ?? false });
    const sources = await sourcesOf(this.#pictures, leaving);
    const outcome = this.#pausing
      ? null
      : await this.#run(root, sources, withChecksums, (progress) => show({ progress }));
    if (outcome === null) show({ state: 'paused' });
    else show({ state: outcome.ok ? 'done' : 'failed', outcome });
    await this.#ask({ method: 'GET' });
  }

  async #run(
    root: string,
    sources: Source[],
    withChecksums: boolean,
    onProgress: (progress: UploadProgress) => void,
  ): Promise<Result<Uploaded> | null> {
    try {
      return await withProgress(onProgress, async (tell) => await uploading().run(root, sources, withChecksums, tell));
    } catch (error) {
      return refuse(error instanceof Error ? error.message : String(error));
    }
  }

  /** What is on the host stays. */
  pause(): Promise<void> {
    this.#pausing = true;
    return uploading().stop();
  }

  async #ask(request: RequestInit): Promise<void> {
    const { root } = this.#standing;
    if (root === null) return;
    try {
      const answer = await fetch(`${root}.test-host/state`, { ...request, credentials: 'omit', cache: 'no-store' });
      const state = HostState.safeParse(await answer.json());
      this.#show({ state: state.data ?? this.#standing.state, silent: !state.success });
    } catch {
      this.#show({ state: null, silent: true });
    }
  }

  #show(part: Partial<HostStanding>): void {
    this.#standing = { ...this.#standing, ...part };
    this.#changed.tell();
  }
}

/** The name of a site's part of the host: as hard to guess as the site's own token, and another word. */
async function spaceOf(token: string): Promise<string> {
  return (await contentHash(new TextEncoder().encode(`test host ${token}`))).slice(0, 32);
}
