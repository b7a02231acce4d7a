/** What each part of `npm run test:robust` gives, and how damage is made. */

export interface Row {
  /** What was counted. */
  what: string;
  /** How many were tried. */
  tried: number;
  /** How many went wrong: none may. */
  wrong: number;
  /** The first that went wrong, or what else there is to say. */
  note?: string;
}

export interface Part {
  name: string;
  /** `from` counts what earlier runs have tried, so that others are tried now. */
  run: (from: number) => Promise<Row[]>;
}

/** The same numbers for the same seed, 0 to below 1 (Park and Miller, “Random number generators”, 1988). */
export function randomFrom(seed: number): () => number {
  let state = (seed % 2147483646) + 1;
  for (let n = 0; n < 3; n++) state = (state * 48271) % 2147483647;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}

const below = (random: () => number, end: number): number => Math.floor(random() * end);

/** One damage, as disks, transfers and careless programs do it. */
export function damaged(bytes: Uint8Array, random: () => number): Uint8Array {
  const copy = Buffer.from(bytes);
  const at = below(random, copy.length);
  const length = 1 + below(random, Math.min(200, copy.length - at));
  const piece = copy.subarray(at, at + length);
  switch (below(random, 6)) {
    case 0:
      copy[at] = (copy[at] ?? 0) ^ (1 << below(random, 8));
      return copy;
    case 1:
      copy[at] = below(random, 256);
      return copy;
    case 2:
      piece.fill(0);
      return copy;
    case 3:
      return copy.subarray(0, at);
    case 4:
      return Buffer.concat([copy.subarray(0, at), copy.subarray(at + length)]);
    default:
      return Buffer.concat([copy.subarray(0, at + length), piece, copy.subarray(at + length)]);
  }
}

/** Counts what went wrong, and keeps the first. */
export class Count {
  tried = 0;
  wrong = 0;
  first = '';

  one(wrong: string | null): void {
    this.tried++;
    if (wrong === null) return;
    this.wrong++;
    this.first ||= wrong;
  }

  row(what: string, note = ''): Row {
    return { what, tried: this.tried, wrong: this.wrong, note: this.first || note };
  }
}
