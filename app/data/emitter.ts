/** Somebody tells, whoever cares is told. */
export class Emitter<Told extends unknown[] = []> {
  readonly #told = new Set<(...told: Told) => void>();

  /** Gives what ends the listening. */
  on(listener: (...told: Told) => void): () => void {
    this.#told.add(listener);
    return () => this.#told.delete(listener);
  }

  tell(...told: Told): void {
    for (const listener of this.#told) listener(...told);
  }
}
