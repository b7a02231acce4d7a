/** Offsets to line numbers and back. Lines count from 1 and end at `\n`, so that CRLF files count the same. */
export class LineIndex {
  readonly #text: string;
  #found: readonly number[] | null = null;

  constructor(text: string) {
    this.#text = text;
  }

  /** Looked for when the first line is asked for: most pages that are read are never asked. */
  get #starts(): readonly number[] {
    this.#found ??= lineStarts(this.#text);
    return this.#found;
  }

  lineAt(offset: number): number {
    let low = 0;
    let high = this.#starts.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if ((this.#starts[middle] ?? 0) <= offset) low = middle;
      else high = middle - 1;
    }
    return low + 1;
  }

  startOf(line: number): number {
    return this.#starts[line - 1] ?? 0;
  }
}

function lineStarts(text: string): number[] {
  const starts = [0];
  for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1)) starts.push(at + 1);
  return starts;
}
