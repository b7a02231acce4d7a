/** A site on disk that a page of this one is saved into, with all that it needs: read only as far as that takes. */
import type { PartFile } from '~core/pack/index.ts';
import { bytesOf, type FileContent, isTextPath, refuse, type Result } from '~core/site/index.ts';
import type { SiteSession } from '../session/siteSession';
import type { Outcome } from '../session/shared';
import { openStore } from '../store/idbStore';
import { listFolder, type DiskFile } from './disk';
import { readThere, type SeenFile } from './readThere';
import { blobOf, saveThere } from './saveThere';
import { reasonOf, saidOf } from './standing';

export interface LargerSite {
  root: FileSystemDirectoryHandle;
  files: ReadonlyMap<string, DiskFile>;
  /** What was read of it; another wish reads only what this one did not. */
  seen: Map<string, SeenFile>;
}

export async function openLarger(root: FileSystemDirectoryHandle): Promise<Result<{ larger: LargerSite }>> {
  try {
    const listed = await listFolder(root, new AbortController().signal);
    return listed.ok ? { ok: true, larger: { root, files: listed.files, seen: new Map() } } : listed;
  } catch (error) {
    return refuse(reasonOf(error));
  }
}

export interface PreparedPart {
  larger: LargerSite;
  files: PartFile[];
  /** Pages that it links to and that stay behind. */
  behind: string[];
  seen: ReadonlyMap<string, SeenFile>;
}

/**
 * Where everything comes to stand. Of the larger site only what stands in the way and what is as large as a file of this
 * one is read: nothing else can be the same.
 */
export async function preparePart(
  session: SiteSession,
  larger: LargerSite,
  { page, target, replaces }: { page: string; target: string; replaces: readonly string[] },
): Promise<Result<PreparedPart>> {
  try {
    const sizes = new Set([...session.files.values()].map(bytesOf));
    const places = new Set([...session.files.keys()].map((path) => (target + path).toLowerCase()));
    const toRead = new Map(
      [...larger.files].filter(([path, { size }]) => {
        // A page that was saved before has other references, and another size.
        const mayBeSavedBefore = isTextPath(path) && path.startsWith(target);
        return sizes.has(size) || places.has(path.toLowerCase()) || mayBeSavedBefore;
      }),
    );
    const seen = await readThere(toRead, (path) => [larger.seen.get(path)], new AbortController().signal);
    for (const [path, one] of seen) larger.seen.set(path, one);
    const there = [...larger.files.keys()].map((path): [string, FileContent | null] => [
      path,
      seen.get(path)?.content ?? null,
    ]);
    const part = await session.analysis.part(page, target, there, replaces);
    return part.ok ? { ok: true, larger, files: part.files, behind: part.behind, seen } : part;
  } catch (error) {
    return refuse(reasonOf(error));
  }
}

/** Pages behind what they show; what is not as it was compared is left alone. */
export async function savePart(session: SiteSession, { larger, files, seen }: PreparedPart): Promise<Outcome> {
  const { root } = larger;
  const stop = new AbortController();
  const store = await openStore();
  const saved = files.filter(({ stands }) => stands !== 'there');
  const show = (done: number) =>
    session.jobs.show({ says: `Saving to ${root.name}/`, done, of: saved.length, stop: () => stop.abort() });
  try {
    const outcome = await saveThere({
      root,
      files: saved.map(({ to, content }) => ({
        path: to,
        here: content,
        there: seen.get(to)?.content ?? null,
        agreed: null,
        doneHere: 'new',
        doneThere: null,
      })),
      seen: (path) => seen.get(path),
      blobOf: (content) => blobOf(store, content),
      onProgress: show,
      onSaved: () => Promise.resolve(),
      signal: stop.signal,
    });
    return saidOf(outcome, saved.length, `${root.name}/`);
  } catch (error) {
    return refuse(reasonOf(error));
  } finally {
    session.jobs.show(null);
  }
}
