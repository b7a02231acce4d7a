/** A kit drafted from scripts as they stand in a site, and from an example of their use. */
import { folderOf, nameOf, refuse, resolveInSite, type Result } from '../../site/index.ts';
import { readManifest, type Kit } from '../kit/manifest.ts';
import { draftManifest, kitName } from '../read/evidence.ts';
import { readCode, readScript } from '../read/scriptFacts.ts';
import type { WiringPage, WiringSite } from '../write/site.ts';

interface UsedFile {
  kind: 'script' | 'style';
  path: string;
  text: string;
  /** It is loaded as a module, whatever it holds. */
  module?: true | undefined;
}

/** `sample` is markup that shows the use of the script. */
export function draftedKit(site: WiringSite, named: readonly UsedFile[], sample: string): Result<{ kit: Kit }> {
  const used = withImported(site, named);
  const main = named.findLast(({ kind, text }) => kind === 'script' && !isBase(text));
  if (!main) return refuse('There is no script among these that could be a viewer.');
  const title = titleOf(main.path);
  const texts = Object.fromEntries(used.map((one) => [nameOf(one.path), one.text]));
  const draft = draftManifest(title, { ...texts, 'sample.html': sample });
  const [unread] = draft.unread;
  if (unread) return refuse(`${unread.file}, line ${unread.line}: ${unread.reason}. A browser runs nothing of it.`);
  const modules = new Set(used.flatMap(({ path, module }) => (module ? [nameOf(path)] : [])));
  const folders = new Map(used.map(({ path }) => [nameOf(path), folderOf(path).replace(/\/$/, '')]));
  const read = readManifest({
    ...draft.manifest,
    name: freeName(site, kitName(title)),
    folder: kitName(title),
    files: draft.manifest.files.map((file) => ({
      ...file,
      ...(modules.has(file.name) ? { module: true } : {}),
      folder: folders.get(file.name) ?? '',
    })),
  });
  if (!read.ok)
    return refuse(`What ${nameOf(main.path)} answers is told neither by the script nor by what shows its use.`);
  return { ok: true, kit: { manifest: read.manifest, files: texts, kind: 'own' } };
}

/** What modules import by the places of their files comes along, each once. */
function withImported({ files }: WiringSite, named: readonly UsedFile[]): UsedFile[] {
  const all = [...named];
  for (const one of all) {
    const reading = one.kind === 'script' ? readCode(one.text) : null;
    for (const { from } of reading?.ok ? reading.imports : []) {
      const target = resolveInSite(from, one.path);
      const path = target.kind === 'file' && /^\.{0,2}\//.test(from) ? target.path : null;
      const content = path === null ? undefined : files.get(path);
      if (path !== null && content?.kind === 'text' && !all.some((other) => other.path === path))
        all.push({ kind: 'script', path, text: content.text });
    }
  }
  return all;
}

/** Scripts of a page that belong to no kit. */
export function scriptsOfNobody({ wiring }: WiringPage): UsedFile[] {
  const owned = new Set(wiring.uses.flatMap(({ files }) => files.flatMap(({ includes }) => includes)));
  return wiring.scripts.flatMap(({ include, text }) =>
    include.path !== null && text !== null && !owned.has(include)
      ? [{ kind: 'script' as const, path: include.path, text, ...(include.module ? { module: true as const } : {}) }]
      : [],
  );
}

export const isBase = (text: string): boolean => {
  const reading = readScript(text);
  return reading.ok && reading.gives.some(({ name }) => name === 'jQuery');
};

/** `js/jquery.sheen-1.2.min.js` is “sheen”. */
const titleOf = (path: string): string =>
  nameOf(path)
    .replace(/\.m?js$/i, '')
    .replace(/(?:[.-](?:min|pack|bundle|umd|iife|esm))+$/i, '')
    .replace(/[-.]v?\d+(?:\.\d+)*$/i, '')
    .replace(/^jquery[.-]|[.-](?:jquery|plugin)$/gi, '') || 'own';

function freeName({ kits }: WiringSite, name: string): string {
  const taken = new Set(kits.map(({ manifest }) => manifest.name));
  let free = name;
  for (let n = 2; taken.has(free); n++) free = `${name}-${n}`;
  return free;
}
