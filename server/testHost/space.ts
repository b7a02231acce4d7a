/** The files of one site on the test host. Their names are kept in memory: so capitals count on every computer. */
import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream, mkdirSync, rmSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import { Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { USUAL_HOST, type HostSettings, type HostState } from '../../protocol/testHost.ts';
import { Line } from './line.ts';

export interface HostFile {
  bytes: number;
  /** SHA-256 of the content in hexadecimal: the strong validator of its ETag (RFC 9110 §8.8.3). */
  hash: string;
  /** ms since 1970. */
  modified: number;
}

interface Held extends HostFile {
  /** Where its content lies. */
  at: string;
}

export class Space {
  settings: HostSettings = USUAL_HOST;
  /** Origins of the application that may show its pages in a frame. */
  readonly framedBy = new Set<string>();
  readonly line = new Line(() => this.settings.speed);
  readonly #folder: string;
  readonly #files = new Map<string, Held>();
  /** Each ends with a slash; the empty one is the root. */
  readonly #folders = new Set<string>(['']);
  #begun = 0;
  #written = 0;
  #sent = 0;
  #lost = 0;

  constructor(folder: string) {
    this.#folder = folder;
    mkdirSync(folder, { recursive: true });
  }

  get state(): HostState {
    return {
      settings: this.settings,
      files: this.#files.size,
      bytes: this.bytes,
      written: this.#written,
      lost: this.#lost,
    };
  }

  get bytes(): number {
    let sum = 0;
    for (const { bytes } of this.#files.values()) sum += bytes;
    return sum;
  }

  file(path: string): HostFile | undefined {
    return this.#files.get(path);
  }

  hasFolder(folder: string): boolean {
    return this.#folders.has(folder);
  }

  addFolder(folder: string): void {
    this.#folders.add(folder);
  }

  /** What stands directly in a folder: paths of files, and of folders with a slash behind them. */
  within(folder: string): string[] {
    return [...this.#folders, ...this.#files.keys()].filter((path) => {
      if (path === folder || !path.startsWith(folder)) return false;
      const cut = path.indexOf('/', folder.length);
      return cut < 0 || cut === path.length - 1;
    });
  }

  /** A part of a content; `end` is the last byte. */
  read(path: string, start: number, end: number): Readable {
    const held = this.#files.get(path);
    if (!held) throw new Error(`There is no ${path}.`);
    return createReadStream(held.at, { start, end });
  }

  /**
   * Whole or not at all: what comes is written beside, and takes its place when it has ended.
   * @returns false where the quota does not hold it.
   * @throws where the connection ends before the content does.
   */
  async write(path: string, content: Readable): Promise<boolean> {
    const at = join(this.#folder, String(++this.#begun));
    const hash = createHash('sha256');
    const room = this.settings.quota - this.bytes + (this.#files.get(path)?.bytes ?? 0);
    let bytes = 0;
    let isOver = false;
    const count = new Transform({
      transform(chunk: Buffer, _encoding, done) {
        bytes += chunk.length;
        isOver = bytes > room;
        hash.update(chunk);
        done(null, isOver ? undefined : chunk);
      },
    });
    try {
      await pipeline(content, this.line.stream(), count, createWriteStream(at));
    } catch (error) {
      await forget(at);
      throw error;
    }
    if (isOver) {
      await forget(at);
      return false;
    }
    const before = this.#files.get(path);
    this.#files.set(path, { at, bytes, hash: hash.digest('hex'), modified: Date.now() });
    this.#written++;
    if (before) await forget(before.at);
    return true;
  }

  /** A file, or a folder with all that is in it; the root is emptied. */
  async remove(path: string): Promise<void> {
    const isWithin = (one: string) =>
      one === path || (path === '' || path.endsWith('/') ? one.startsWith(path) : false);
    for (const [one, { at }] of this.#files) {
      if (!isWithin(one)) continue;
      this.#files.delete(one);
      await forget(at);
    }
    for (const folder of this.#folders) if (folder !== '' && isWithin(folder)) this.#folders.delete(folder);
  }

  /**
   * How the connection of the file that is being sent is lost: with a part of it, or after all of it, before that was
   * said. Null where it is not.
   */
  loss(): 'part' | 'answer' | null {
    const { losesOneIn } = this.settings;
    this.#sent++;
    if (losesOneIn === null || this.#sent % losesOneIn > 0) return null;
    this.#lost++;
    return this.#lost % 2 === 0 ? 'answer' : 'part';
  }

  close(): void {
    rmSync(this.#folder, { recursive: true, force: true });
  }
}

/** Where somebody still reads it, another system keeps it until the end. */
const forget = (at: string): Promise<void> => rm(at, { force: true }).catch(() => undefined);
