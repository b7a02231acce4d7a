/**
 * Image resources, in which JPEG and TIFF keep IPTC (segment APP13; “8BIM”, an identifier, a name, a length, a content;
 * common practice, as files have it).
 */
import { startsWith, viewOf, type Block, type BlockKind } from './container.ts';

/** Kinds by identifiers, and how many bytes stand before the content proper. */
const KINDS: Record<number, { kind: BlockKind; skipped: number }> = {
  0x0404: { kind: 'iptc', skipped: 0 },
  0x0409: { kind: 'picture', skipped: 28 },
  0x040c: { kind: 'picture', skipped: 28 },
  0x0422: { kind: 'exif', skipped: 0 },
  0x0424: { kind: 'xmp', skipped: 0 },
};

const even = (n: number): number => n + (n % 2);

const NAME = '8BIM';

/** What stands between resources, where a length is damaged, is looked through for datasets. */
export function blocksInResources(bytes: Uint8Array): Block[] {
  const view = viewOf(bytes);
  const blocks: Block[] = [];
  for (let at = 0; at + 12 <= bytes.length;) {
    if (!startsWith(bytes, NAME, at)) {
      const next = nextResource(bytes, at);
      blocks.push({ kind: 'iptc', start: at, end: next });
      at = next;
      continue;
    }
    const named = at + 6 + even(1 + (bytes[at + 6] ?? 0));
    if (named + 4 > bytes.length) break;
    const start = named + 4;
    const end = Math.min(start + view.getUint32(named), bytes.length);
    const known = KINDS[view.getUint16(at + 4)];
    if (known && start + known.skipped < end) blocks.push({ kind: known.kind, start: start + known.skipped, end });
    at = start + even(end - start);
  }
  return blocks;
}

function nextResource(bytes: Uint8Array, from: number): number {
  const first = NAME.charCodeAt(0);
  for (let at = bytes.indexOf(first, from); at >= 0; at = bytes.indexOf(first, at + 1))
    if (startsWith(bytes, NAME, at)) return at;
  return bytes.length;
}
