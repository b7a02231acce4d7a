/** What a file holds when it leaves. */
import { withoutPlace } from '~core/photo/index.ts';
import { encodeText } from '~core/site/index.ts';

export interface Source {
  path: string;
  /** Null where it is missing. */
  content: string | Blob | null;
  /** Where it was taken is struck out. */
  withoutPlace?: true;
}

export interface SourceBytes {
  bytes: Uint8Array<ArrayBuffer>;
  /** It said where it was taken, and does not any more. */
  struck: boolean;
}

/** Null where the content is not there. */
export async function bytesOf({ content, withoutPlace: strike }: Source): Promise<SourceBytes | null> {
  if (content === null) return null;
  if (typeof content === 'string') return { bytes: new Uint8Array(encodeText(content)), struck: false };
  // A content can be in the list of what is stored, and be gone from the disk.
  const buffer = await content.arrayBuffer().catch(() => null);
  if (buffer === null) return null;
  const bytes = new Uint8Array(buffer);
  const without = strike ? withoutPlace(bytes) : null;
  return without ? { bytes: new Uint8Array(without), struck: true } : { bytes, struck: false };
}
