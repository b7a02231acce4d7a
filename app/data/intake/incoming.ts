/** What comes in, out of a folder or an archive: judged as a whole, read file by file. */
import { openZip } from '~core/pack/index.ts';
import { countOf, judgeIntake, mediaTypeOf, type Result } from '~core/site/index.ts';

export interface IntakeFile {
  path: string;
  blob: Blob;
}

/** A file that was read; `blob` holds the same bytes and need not be in memory. */
type ReadFile = Result<{ bytes: Uint8Array<ArrayBuffer>; blob: Blob }>;

export interface IncomingFile {
  path: string;
  /** In bytes. */
  bytes: number;
  /** A refusal says, behind the file's name, what is wrong with it. Rejects where it is aborted. */
  read: (signal: AbortSignal) => Promise<ReadFile>;
}

export interface IncomingSite {
  files: IncomingFile[];
  /** The folder that holds everything, or ''. */
  folder: string;
  /** What did not come in, in sentences. */
  notes: string[];
  /** How many files are read at the same time. */
  together: number;
}

export type Incoming = Result<IncomingSite, { refused: { path: string; reason: string }[] }>;

export function fromFolder(files: readonly IntakeFile[]): Incoming {
  const judged = judgeIntake(files.map(({ path, blob }) => ({ path, bytes: blob.size })));
  if (!judged.ok) return judged;
  const byRaw = new Map(files.map(({ path, blob }) => [path, blob]));
  const incoming = judged.accepted.flatMap(({ raw, path }) => {
    const blob = byRaw.get(raw);
    return blob ? [folderFile(path, blob)] : [];
  });
  return { ok: true, files: incoming, folder: judged.folder, notes: litter(judged.skipped.length), together: 8 };
}

function folderFile(path: string, picked: Blob): IncomingFile {
  const blob = picked.slice(0, picked.size, mediaTypeOf(path));
  const read = async (): Promise<ReadFile> => ({ ok: true, bytes: new Uint8Array(await blob.arrayBuffer()), blob });
  return { path, bytes: blob.size, read };
}

export async function fromZip(archive: Blob): Promise<Incoming> {
  const opened = await openZip(archive);
  if (!opened.ok) return opened;
  const { files, folder, skipped, aside } = opened;
  const left = aside.map(({ path, reason }) => `“${path}” ${reason}. It was left out.`);
  return { ok: true, files, folder, notes: [...opened.notes, ...litter(skipped.length), ...left], together: 1 };
}

const litter = (count: number): string[] =>
  count === 0 ? [] : [`${countOf(count, 'file')} left behind by the operating system: not imported.`];
