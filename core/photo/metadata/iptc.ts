/** IPTC-IIM 4.2 (§1.5, §1.6): datasets of a marker, a record, a number, a length and a content. */
import { viewOf } from './container.ts';
import { DATASETS } from './placeNames.ts';

const MARKER = 0x1c;
/** From this length on, the length itself has a length. */
const EXTENDED = 0x8000;

/**
 * The contents of datasets that name a place become spaces: no byte moves. Behind what is damaged it goes on with the
 * next marker. Whether there was one.
 */
export function strikePlaceInIptc(iim: Uint8Array): boolean {
  const view = viewOf(iim);
  let struck = false;
  for (let at = iim.indexOf(MARKER); at >= 0 && at + 5 <= iim.length;) {
    const { from, length } = content(view, at);
    const end = Math.min(from + length, iim.length);
    const place = iim[at + 1] === 2 && DATASETS.has(iim[at + 2] ?? 0);
    if (place && iim.subarray(from, end).some((byte) => byte !== 0x20)) {
      iim.fill(0x20, from, end);
      struck = true;
    }
    at = iim[end] === MARKER ? end : iim.indexOf(MARKER, at + 1);
  }
  return struck;
}

function content(view: DataView, at: number): { from: number; length: number } {
  const short = view.getUint16(at + 3);
  if (short < EXTENDED) return { from: at + 5, length: short };
  const digits = short & 0x7fff;
  const from = at + 5 + digits;
  if (digits > 4 || from > view.byteLength) return { from, length: Infinity };
  let length = 0;
  for (let n = at + 5; n < from; n++) length = length * 256 + view.getUint8(n);
  return { from, length };
}
