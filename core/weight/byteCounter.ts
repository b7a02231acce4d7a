/** How many bytes of UTF-8 stand before a place of a text. */
import { encodeText } from '../site/index.ts';

/** Places are asked for from the first to the last; one before the last is counted anew. */
export function byteCounter(text: string): (offset: number) => number {
  let at = 0;
  let bytes = 0;
  return (offset) => {
    if (offset < at) at = bytes = 0;
    bytes += encodeText(text.slice(at, offset)).length;
    at = offset;
    return bytes;
  };
}
