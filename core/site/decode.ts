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

type ReadText = Result<{
  text: string;
  /** As the standard calls it; `utf-8` where nothing else was recognised. */
  encoding: string;
}>;

/** A declaration within the first bytes, of XML, HTML or CSS. */
const DECLARED = /^(?:[^>]*<\?xml[^>]*encoding=|[\s\S]{0,1024}<meta[^>]*charset=|@charset )["']?([\w:.-]+)/i;
/** Bytes that Windows-1252 leaves free (WHATWG Encoding, index windows-1252); no text of that encoding has them. */
const FREE = new Set([0x81, 0x8d, 0x8f, 0x90, 0x9d]);

/**
 * A text that is only read, in whatever encoding it is: by its byte order mark, as UTF-8, by what it declares, by the
 * zeros of UTF-16, and else as Windows-1252, which is what the web takes such bytes for (WHATWG HTML §13.2.3.2). What
 * would come out wrong is refused.
 */
export function readText(bytes: Uint8Array): ReadText {
  const marked = markedEncoding(bytes);
  const plain = marked === null ? decodeText(bytes) : null;
  if (plain?.ok && !plain.text.includes('\0')) return { ok: true, text: plain.text, encoding: 'utf-8' };
  const declared = DECLARED.exec(new TextDecoder('latin1').decode(bytes.subarray(0, 1100)))?.[1];
  for (const label of [marked, utf16In(bytes), declared]) {
    const read = label ? inEncoding(bytes, label) : null;
    if (read) return read;
  }
  const isNone = bytes.some((byte) => FREE.has(byte) || byte === 0);
  const guess = isNone ? null : inEncoding(bytes, 'windows-1252');
  return guess ?? refuse('its encoding cannot be told; save it as UTF-8 and try again');
}

function markedEncoding(bytes: Uint8Array): string | null {
  const [first, second, third] = bytes;
  if (first === 0xff && second === 0xfe) return 'utf-16le';
  if (first === 0xfe && second === 0xff) return 'utf-16be';
  return first === 0xef && second === 0xbb && third === 0xbf ? 'utf-8' : null;
}

/** Where most letters are of the first 256, every second byte is zero. */
function utf16In(bytes: Uint8Array): string | null {
  const some = bytes.subarray(0, 2000);
  const zeros = [0, 0];
  some.forEach((byte, n) => {
    if (byte === 0) zeros[n % 2] = (zeros[n % 2] ?? 0) + 1;
  });
  const [even = 0, odd = 0] = zeros.map((count) => count / (some.length / 2));
  if (odd > 0.4 && even < 0.1) return 'utf-16le';
  return even > 0.4 && odd < 0.1 ? 'utf-16be' : null;
}

/** What Windows-1252 has where Latin-1 has controls, from 0x80 on; some versions of Node take the one for the other. */
const HIGH = '€\x81‚ƒ„…†‡ˆ‰Š‹Œ\x8dŽ\x8f\x90‘’“”•–—˜™š›œ\x9džŸ';

const C1 = /[\u0080-\u009f]/g;
const whole = (letter: string): string => HIGH.charAt(letter.charCodeAt(0) - 0x80);

function inEncoding(bytes: Uint8Array, label: string): (ReadText & { ok: true }) | null {
  try {
    const decoder = new TextDecoder(label, { fatal: true });
    const text = decoder.decode(bytes);
    const { encoding } = decoder;
    return { ok: true, encoding, text: encoding === 'windows-1252' ? text.replace(C1, whole) : text };
  } catch {
    return null;
  }
}

/** As people know it: `Windows-1252`, `UTF-16LE`. */
export const encodingName = (encoding: string): string =>
  encoding.startsWith('windows') ? encoding.replace('w', 'W') : encoding.toUpperCase();
