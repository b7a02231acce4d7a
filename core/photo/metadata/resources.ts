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

export function blocksInResources(bytes: Uint8Array): Block[] {
  const view = viewOf(bytes);
  const blocks: Block[] = [];
  for (let at = 0; at + 12 <= bytes.length && startsWith(bytes, '8BIM', at);) {
    const id = view.getUint16(at + 4);
    const named = at + 6 + even(1 + (bytes[at + 6] ?? 0));
    if (named + 4 > bytes.length) break;
    const start = named + 4;
    const end = start + view.getUint32(named);
    if (end > bytes.length) break;
    const known = KINDS[id];
    if (known && start + known.skipped < end) blocks.push({ kind: known.kind, start: start + known.skipped, end });
    at = start + even(end - start);
  }
  return blocks;
}
