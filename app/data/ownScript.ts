/**
 * Somebody's own viewer script as it is dropped or picked: a ZIP, a folder, or single files, read as texts by their
 * names.
 */
import { decodeText, judgeIntake, nameOf, refuse, type Result, stemOf } from '~core/site/index.ts';
import { neededOf } from '~core/wiring/index.ts';
import { unzip } from './intake/intake';

type OwnScript = Result<{
  name: string;
  texts: Record<string, string>;
  /** Its stylesheets by their paths, and all that is in it besides: what they name comes along. */
  styles: Record<string, string>;
  others: readonly Given[];
}>;

const READ = /\.(?:[cm]?js|css|html?|md|markdown)$/i;
const SAYS_HOW = /\.(?:html?|md|markdown)$/i;
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

interface Given {
  path: string;
  blob: Blob;
}

async function fromFiles(files: readonly Given[], name: string): Promise<OwnScript> {
  const given = files.filter(({ path }) => READ.test(path));
  const large = given.find(({ blob }) => blob.size > LARGEST);
  if (large) return refuse(`${large.path} is larger than 2 MB. Import only the viewer’s own files.`);
  const texts = new Map<string, string>();
  for (const { path, blob } of given) {
    const decoded = decodeText(new Uint8Array(await blob.arrayBuffer()));
    if (!decoded.ok) return refuse(`${path}: ${decoded.reason}`);
    texts.set(path, decoded.text);
  }
  const manuals = [...texts].filter(([path]) => SAYS_HOW.test(path)).map(([, text]) => text);
  const { take } = neededOf([...texts.keys()], manuals);
  if (!take.some((path) => /\.m?js$/i.test(path))) return refuse('There is no script (.js) among these files.');
  // Pages name scripts and styles without a folder; two manuals may have one name.
  const nameFor = (path: string) => (SAYS_HOW.test(path) ? path : nameOf(path));
  const named = Object.fromEntries(take.map((path) => [nameFor(path), texts.get(path) ?? '']));
  const styles = take.filter((path) => /\.css$/i.test(path)).map((path) => [path, texts.get(path) ?? '']);
  const others = files.filter(({ path }) => !READ.test(path));
  return { ok: true, name, texts: named, styles: Object.fromEntries(styles) as Record<string, string>, others };
}
