/**
 * Memory for decoded pixels that is used again. A system hands out fresh memory page by page as it is first written to,
 * which takes more than half as long as copying the pixels there (see `docs/benchmarks.md`).
 */

/** A larger one is not kept: a worker's memory would stay at what one odd picture needed. Bytes. */
const LARGEST_KEPT = 64 * 1024 * 1024;

let spare: ArrayBuffer | null = null;

/** At least so many bytes, of any content; nobody else has them until they are given back. */
export function takeBuffer(bytes: number): ArrayBuffer {
  const kept = spare;
  if (kept === null || kept.byteLength < bytes) return new ArrayBuffer(bytes);
  spare = null;
  return kept;
}

export function giveBack(buffer: ArrayBuffer): void {
  const { byteLength } = buffer;
  if (byteLength <= LARGEST_KEPT && byteLength > (spare?.byteLength ?? 0)) spare = buffer;
}
