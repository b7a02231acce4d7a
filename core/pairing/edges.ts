/** All that speaks for a thumbnail and a full-size file, gathered; the pairs are the choice with the greatest sum. */
import { type Place } from '../photo/index.ts';
import { bestAssignment, type Worth } from './assignment.ts';
import { type Reason } from './pair.ts';

/** What each kind of evidence is worth to the assignment (chosen on the labelled sets of `npm run bench:pairing`). */
export const WORTH = { key: 1, bare: 0.7, page: 0.8, made: 1, content: 1.2, otherContent: -0.5, hand: 100 };

export interface Edge {
  thumbnail: string;
  full: string;
  reasons: Reason[];
  worth: number;
  place: Place | null;
}

/** All that speaks for a thumbnail and a full-size file, gathered. */
export class Edges {
  readonly #byPair = new Map<string, Edge>();
  readonly #forbidden = new Set<string>();

  at(thumbnail: string, full: string): Edge {
    const key = `${thumbnail}\n${full}`;
    const edge = this.#byPair.get(key) ?? { thumbnail, full, reasons: [], worth: 0, place: null };
    this.#byPair.set(key, edge);
    return edge;
  }

  add(thumbnail: string, full: string, worth: number, reason: Reason): void {
    const edge = this.at(thumbnail, full);
    edge.worth += worth;
    if (!edge.reasons.some(({ kind }) => kind === reason.kind)) edge.reasons.push(reason);
  }

  has(thumbnail: string, full: string): boolean {
    return this.#byPair.has(`${thumbnail}\n${full}`);
  }

  forbid(thumbnail: string, full: string): void {
    this.#forbidden.add(`${thumbnail}\n${full}`);
  }

  [Symbol.iterator](): IterableIterator<Edge> {
    return this.#byPair.values();
  }

  best(): Edge[] {
    const edges = [...this.#byPair].flatMap(([key, edge]) => (this.#forbidden.has(key) ? [] : [edge]));
    const numbers = new Map<string, number>();
    const numberOf = (path: string) => numbers.get(path) ?? numbers.set(path, numbers.size).size - 1;
    const worths = edges.map((edge): Worth & { edge: Edge } => ({
      row: numberOf(edge.thumbnail),
      column: numberOf(edge.full),
      worth: edge.worth,
      edge,
    }));
    // A file that is taken as a thumbnail cannot be a full-size picture as well: the pair with more for it stays.
    const chosen = (bestAssignment(worths) as typeof worths).sort((a, b) => b.worth - a.worth).map(({ edge }) => edge);
    const thumbnails = new Set<string>();
    const fulls = new Set<string>();
    return chosen.filter(({ thumbnail, full }) => {
      if (fulls.has(thumbnail) || thumbnails.has(full)) return false;
      thumbnails.add(thumbnail);
      fulls.add(full);
      return true;
    });
  }
}
