/** Looks at pictures that are new: in all workers at once, and what was seen is handed on now and then. */
import type { PictureAnalysis } from '../../workers/pictures';

/** How long what is seen is gathered before the screen follows; ms. */
const REDRAW_MS = 1000;
/**
 * How long the looking then has the machine to itself, in multiples of what the screen took to follow: reading a site
 * of thousands anew takes seconds.
 */
const REST = 3;

interface Looking {
  /** Paths by the hash of what they hold. */
  unread: ReadonlyMap<string, string>;
  analysers: readonly ((blob: Blob, path: string) => Promise<PictureAnalysis>)[];
  blobsOf: (hashes: readonly string[]) => Promise<(Blob | undefined)[]>;
  /** What was seen since the last time. */
  learn: (analyses: ReadonlyMap<string, PictureAnalysis>, done: number) => Promise<void>;
  /** The screen is still following what was learnt before. */
  behind: () => boolean;
  gone: () => boolean;
}

/** How many contents are fetched at a time; they are handles, what they hold is read one by one. */
const FETCHED = 32;

async function* contentsOf(
  unread: ReadonlyMap<string, string>,
  blobsOf: Looking['blobsOf'],
): AsyncGenerator<{ hash: string; path: string; blob: Blob | undefined }> {
  const all = [...unread];
  for (let from = 0; from < all.length; from += FETCHED) {
    const some = all.slice(from, from + FETCHED);
    const blobs = await blobsOf(some.map(([hash]) => hash));
    for (const [n, [hash, path]] of some.entries()) yield { hash, path, blob: blobs[n] };
  }
}

export async function analysePictures({ unread, analysers, blobsOf, learn, behind, gone }: Looking): Promise<void> {
  let analyses = new Map<string, PictureAnalysis>();
  let since = performance.now();
  let due = since + REDRAW_MS;
  let done = 0;
  const waiting = contentsOf(unread, blobsOf);
  const isDue = () => {
    const now = performance.now();
    const isBehind = behind();
    if (isBehind) due = Math.max(due, now + REST * (now - since));
    return !isBehind && now >= due;
  };
  const handOn = async () => {
    // A screen that redraws for every picture, or is asked to before it has, would keep the looking waiting.
    if (done < unread.size && !isDue()) return;
    since = performance.now();
    due = since + REDRAW_MS;
    const seen = analyses;
    analyses = new Map();
    await learn(seen, done);
  };
  await Promise.all(
    analysers.map(async (look) => {
      for await (const { hash, path, blob } of waiting) {
        if (gone()) return;
        const seen = blob && (await look(blob, path));
        // Only now: while it was looked at, what others had seen may have been handed on.
        if (seen) analyses.set(hash, seen);
        done++;
        await handOn();
      }
    }),
  );
}
