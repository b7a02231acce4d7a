/** Offsets to line numbers and back. Lines count from 1 and end at `\n`, so that CRLF files count the same. */
export class LineIndex {
  readonly #starts: number[] = [0];

  constructor(text: string) {
    for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1)) this.#starts.push(at + 1);
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
