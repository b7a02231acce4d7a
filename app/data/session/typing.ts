/**
 * What is typed, from the key until it stands in its file. It is kept in the store at once, as it is: a change of the
 * site has to wait for its turn, and the page may be gone before that comes.
 */
import { type Change, type Edit, refuse } from '~core/site/index.ts';
import type { Commits } from './commits';
import type { Outcome, SharedSite } from './shared';
import { editsFor, leftFor, textsOf, type Unwritten } from './unwritten';

/** After this long what could not be written is tried again; ms. */
const AGAIN = 5000;

interface Waiting extends Unwritten {
  /** The store keeps more of it than was handed over to be written. */
  ahead: boolean;
}

export class Typing {
  readonly #site: SharedSite;
  readonly #commits: Pick<Commits, 'inTurn' | 'commit' | 'along'>;
  readonly #landed: (outcome: Outcome) => void;
  readonly #waiting = new Map<string, Waiting>();
  #trouble: string | null = null;
  #again: ReturnType<typeof setTimeout> | undefined;

  /** `landed` is told what came of each writing. */
  constructor(
    site: SharedSite,
    commits: Pick<Commits, 'inTurn' | 'commit' | 'along'>,
    landed: (outcome: Outcome) => void,
  ) {
    this.#site = site;
    this.#commits = commits;
    this.#landed = landed;
    site.leaving.addEventListener('abort', () => clearTimeout(this.#again));
  }

  /** Why what was typed last could not be written yet. */
  get trouble(): string | null {
    return this.#trouble;
  }

  /** What a file will hold when all is written that was handed over; null where it does. */
  textOf(path: string): string | null {
    const waiting = this.#waiting.get(path);
    return waiting && waiting.steps.length > 0 ? (textsOf(waiting).at(-1) ?? null) : null;
  }

  /** Keeps in the store what has been typed into `text` so far, until it is handed over. */
  keep(path: string, text: string, edits: Edit[]): void {
    const waiting = this.#begun(path, text);
    waiting.ahead = true;
    this.#save(path, [...waiting.steps, edits], waiting.before);
  }

  /** Writes what was typed into `text` as a change of the site. */
  async write(path: string, text: string, edits: Edit[]): Promise<void> {
    const waiting = this.#begun(path, text);
    waiting.steps = [...waiting.steps, edits];
    waiting.ahead = false;
    this.#save(path, waiting.steps, waiting.before);
    await this.#land(path);
  }

  /** The page is going: what was handed over may not be written any more. */
  leave(): void {
    const { store, site, shut } = this.#site;
    if (shut !== null) return;
    for (const [path, { before, steps }] of this.#waiting)
      if (steps.length > 0) store.saveLastTyping({ siteId: site.id, path, before, steps });
  }

  /** Writes what the page was closed over; what has no file to go to any more stays where it is kept. */
  async recover(): Promise<void> {
    const { store, site, files } = this.#site;
    for (const { path, ...kept } of await store.readTyping(site.id)) {
      const file = files.get(path);
      if (file?.kind !== 'text') continue;
      const left = leftFor(kept, file.text);
      if (left.steps.length === 0) await store.removeTyping(site.id, path);
      else {
        this.#waiting.set(path, { ...left, ahead: false });
        await this.#land(path);
      }
    }
  }

  /** Where nothing waits, what comes begins with the text that it was typed into. */
  #begun(path: string, text: string): Waiting {
    const waiting = this.#waiting.get(path) ?? { before: text, steps: [], ahead: false };
    if (waiting.steps.length === 0) waiting.before = text;
    this.#waiting.set(path, waiting);
    return waiting;
  }

  #save(path: string, steps: Edit[][], before: string): void {
    const { store, site, shut } = this.#site;
    // Where it cannot be kept, it cannot be written either, and that is told.
    if (shut === null) void store.saveTyping({ siteId: site.id, path, before, steps }).catch(() => undefined);
  }

  async #land(path: string): Promise<void> {
    const outcome = await this.#commits.inTurn(() => this.#change(path));
    this.#trouble = outcome.ok ? null : outcome.reason;
    clearTimeout(this.#again);
    if (!outcome.ok && this.#waiting.has(path) && this.#site.shut === null && !this.#site.leaving.aborted)
      this.#again = setTimeout(() => void this.#land(path), AGAIN);
    this.#landed(outcome);
  }

  async #change(path: string): Promise<Outcome> {
    const { store, site, files } = this.#site;
    const waiting = this.#waiting.get(path);
    const label = `Type in ${path}`;
    const file = files.get(path);
    if (!waiting || waiting.steps.length === 0) return { ok: true, label, diffs: [] };
    if (file?.kind !== 'text') {
      this.#waiting.delete(path);
      return refuse(`${path} no longer exists; what was typed into it is kept, and shown when the site is opened.`);
    }
    const { before, steps } = waiting;
    const edits = await editsFor(waiting, file.text);
    const typed: Change = { label, files: [{ kind: 'edit', path, edits }] };
    const written = edits.length === 0 ? null : await store.writeChange(site.id, await this.#withAlong(typed));
    if (written?.ok === false) return written;
    // What was handed over meanwhile waits for its own turn, in the text that this one has left.
    waiting.before = textsOf({ before, steps }).at(-1) ?? before;
    waiting.steps = waiting.steps.slice(steps.length);
    const outcome = written ? await this.#commits.commit(written, []) : { ok: true as const, label, diffs: [] };
    if (waiting.steps.length === 0 && !waiting.ahead) await store.removeTyping(site.id, path);
    return outcome;
  }

  async #withAlong({ label, files }: Change): Promise<Change> {
    return { label, files: [...files, ...(await this.#commits.along({ label, files }))] };
  }
}
