/** The order of cascade layers (CSS Cascade 5 §6.4.3): as they are first named, each below what stands outside of it. */

export class Layers {
  readonly #names: string[] = [];
  #unnamed = 0;

  /** The full name of a layer within another; those around it are named with it. */
  enter(within: string | null, name: string): string {
    const own = name.trim() === '' ? ` ${++this.#unnamed}` : name.trim();
    let full = within ?? '';
    for (const part of own.split('.')) {
      full = full === '' ? part : `${full}.${part}`;
      if (!this.#names.includes(full)) this.#names.push(full);
    }
    return full;
  }

  /** What is higher wins, if it is not important; `Infinity` is outside of all layers. */
  rankOf(layer: string | null): number {
    if (layer === null) return Infinity;
    return [...this.#names].sort((a, b) => this.#compare(a, b)).indexOf(layer);
  }

  #compare(a: string, b: string): number {
    const [x, y] = [a.split('.'), b.split('.')];
    for (let n = 1; ; n++) {
      // What stands in a layer itself counts for more than what stands in layers of it.
      if (n > x.length || n > y.length) return y.length - x.length;
      const [one, other] = [x.slice(0, n).join('.'), y.slice(0, n).join('.')];
      if (one !== other) return this.#names.indexOf(one) - this.#names.indexOf(other);
    }
  }
}
