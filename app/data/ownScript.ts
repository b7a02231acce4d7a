/**
 * Somebody's own viewer script as it is dropped or picked: a ZIP, a folder, or single files, read as texts by their
 * names.
 */
import { decodeText, judgeIntake, nameOf, refuse, type Result, stemOf } from '~core/site/index.ts';
import { unzip } from './intake/intake';

type OwnScript = Result<{ name: string; texts: Record<string, string> }>;

const READ = /\.(?:js|css|html?)$/i;
/** A viewer is small; more than this is a whole site. Bytes of one file. */
const LARGEST = 2_000_000;

export async function readOwnScript(files: readonly { path: string; blob: Blob }[]): Promise<OwnScript> {
  const [only] = files;
  if (files.length === 1 && only && /\.zip$/i.test(only.path)) {
    const read = await unzip(only.blob);
    return read.ok ? fromFiles(read.files, stemOf(only.path)) : read;
  }
  const judged = judgeIntake(files.map(({ path, blob }) => ({ path, bytes: blob.size })));
  if (!judged.ok) return refuse(judged.reason);
  const byRaw = new Map(files.map((file) => [file.path, file.blob]));
  return fromFiles(
    judged.accepted.map(({ raw, path }) => ({ path, blob: byRaw.get(raw) ?? new Blob([]) })),
    judged.folder || stemOf(only?.path ?? 'own script'),
  );
}

async function fromFiles(files: readonly { path: string; blob: Blob }[], name: string): Promise<OwnScript> {
  const texts: Record<string, string> = {};
  for (const { path, blob } of files) {
    if (!READ.test(path)) continue;
    const file = nameOf(path);
    if (blob.size > LARGEST) return refuse(`${path} is larger than 2 MB. Bring in only the viewer’s own files.`);
    if (texts[file] !== undefined)
      return refuse(`There are two files of the name ${file}. Bring in only those that pages load.`);
    const decoded = decodeText(new Uint8Array(await blob.arrayBuffer()));
    if (!decoded.ok) return refuse(`${path}: ${decoded.reason}`);
    texts[file] = decoded.text;
  }
  if (!Object.keys(texts).some((file) => /\.js$/i.test(file)))
    return refuse('There is no script (.js) among these files.');
  return { ok: true, name, texts };
}
