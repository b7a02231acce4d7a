/** What rehearsals of the open site's pages saw, until something of the site changes. */
import type { Strand } from '~core/model/index.ts';
import { rehearsalFindings, type FindingView, type SightOf } from '~core/view/index.ts';
import type { Seen, Sight, WindowName } from '~core/wiring/index.ts';
import { Emitter } from '../emitter';

export interface Outcome {
  window: WindowName;
  /** Null where the page gave no answer. */
  seen: Seen | null;
  /** What is to be said of it; empty where all is as expected and well. */
  sights: readonly Sight[];
}

export interface Rehearsed {
  strand: Strand;
  /** One for each window. */
  outcomes: readonly Outcome[];
}

export interface PageRehearsal {
  strands: ReadonlyMap<string, Rehearsed>;
  /** Something of the site is another since; what was seen may not hold. */
  stale: boolean;
}

const NONE: PageRehearsal = { strands: new Map(), stale: false };

/** All sights of a page, in the order in which they came. */
export const sightsIn = ({ strands }: PageRehearsal): SightOf[] =>
  [...strands.values()].flatMap(({ strand, outcomes }) =>
    outcomes.flatMap(({ window, sights }) => sights.map((sight) => ({ strand, window, sight }))),
  );

export const isDifferent = ({ outcomes }: Rehearsed): boolean =>
  outcomes.some(({ sights }) => sights.some(({ severity }) => severity === 'error'));

export class Rehearsals {
  readonly #pages = new Map<string, PageRehearsal>();
  readonly #changed = new Emitter();
  /** Null until somebody asks again: a rehearsal notes hundreds of outcomes that nobody looks at one by one. */
  #findings: readonly FindingView[] | null = null;

  of(page: string): PageRehearsal {
    return this.#pages.get(page) ?? NONE;
  }

  /** Of all pages that were rehearsed; the same array until something changes. */
  get findings(): readonly FindingView[] {
    this.#findings ??= [...this.#pages].flatMap(([page, one]) => rehearsalFindings(page, sightsIn(one), one.stale));
    return this.#findings;
  }

  begin(page: string): void {
    this.#pages.set(page, NONE);
    this.#tell();
  }

  note(page: string, strand: Strand, outcome: Outcome): void {
    const before = this.of(page);
    const outcomes = [...(before.strands.get(strand.id)?.outcomes ?? []), outcome];
    this.#pages.set(page, { ...before, strands: new Map([...before.strands, [strand.id, { strand, outcomes }]]) });
    this.#tell();
  }

  /** Another file is another site. */
  age(): void {
    for (const [page, one] of this.#pages) this.#pages.set(page, { ...one, stale: true });
    this.#tell();
  }

  watch = (tell: () => void): (() => void) => this.#changed.on(tell);

  #tell(): void {
    this.#findings = null;
    this.#changed.tell();
  }
}
