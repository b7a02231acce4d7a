/** Where the test host keeps its files: a folder among the temporary ones, which goes when the host ends. */
import { mkdirSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Space } from './space.ts';

const NAME = /^heathmoor-test-host-(\d+)$/;

/** More sites at once would only fill the disk; the one that was used longest ago makes room. */
const MOST_SPACES = 8;

export class Spaces {
  readonly #root: string;
  readonly #spaces = new Map<string, Space>();

  constructor(temporary = tmpdir()) {
    sweep(temporary);
    this.#root = join(temporary, `heathmoor-test-host-${process.pid}`);
    mkdirSync(this.#root, { recursive: true });
    process.once('exit', () => this.close());
  }

  of(name: string): Space {
    const space = this.#spaces.get(name) ?? new Space(join(this.#root, name));
    // The last in the map was used last.
    this.#spaces.delete(name);
    this.#spaces.set(name, space);
    if (this.#spaces.size > MOST_SPACES) this.#drop(this.#spaces.keys().next().value ?? name);
    return space;
  }

  #drop(name: string): void {
    this.#spaces.get(name)?.close();
    this.#spaces.delete(name);
  }

  close(): void {
    this.#spaces.clear();
    rmSync(this.#root, { recursive: true, force: true });
  }
}

/** What a host that was ended by force has left behind. */
function sweep(temporary: string): void {
  for (const name of readdirSync(temporary)) {
    const pid = Number(NAME.exec(name)?.[1]);
    if (pid > 0 && !isAlive(pid)) rmSync(join(temporary, name), { recursive: true, force: true });
  }
}

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    // It is there, and somebody else's.
    return error instanceof Error && 'code' in error && error.code === 'EPERM';
  }
}
