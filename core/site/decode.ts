/** Text files keep their bytes: what does not decode and encode back to the same bytes is not treated as text. */
import { refuse, type Result } from './result.ts';

type DecodedText = Result<{ text: string }>;

/**
 * UTF-8 text, its byte order mark kept as the first character, or the reason why the file can only be kept as it is.
 * A lone wrong byte would be silently replaced by a lenient decoder and lost at the first save.
 */
export function decodeText(bytes: Uint8Array): DecodedText {
  try {
    return { ok: true, text: new TextDecoder('utf-8', { fatal: true, ignoreBOM: true }).decode(bytes) };
  } catch {
    return refuse('it is not UTF-8; it is kept byte for byte and opened read-only');
  }
}

export const encodeText = (text: string): Uint8Array => new TextEncoder().encode(text);
