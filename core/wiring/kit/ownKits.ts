/** The author's own viewer scripts: manifests that are kept with the site, and files that stand in it. */
import type { SiteFiles } from '../../site/index.ts';
import { kitPath, readManifest, type Kit } from './manifest.ts';

/** While manifests and files are the same, so are the kits: what was read by them needs not be read again. */
const known = new WeakMap<readonly unknown[], Kit[]>();

/** A manifest that does not read any more is left out; the files stay what they are. */
export function ownKits(manifests: readonly unknown[], files: SiteFiles): Kit[] {
  const fresh = readKits(manifests, files);
  const before = known.get(manifests);
  if (before && before.length === fresh.length && before.every((kit, n) => sameTexts(kit, fresh[n]))) return before;
  known.set(manifests, fresh);
  return fresh;
}

const sameTexts = (a: Kit, b: Kit | undefined): boolean =>
  a.manifest.files.every(({ name }) => a.files[name] === b?.files[name]);

function readKits(manifests: readonly unknown[], files: SiteFiles): Kit[] {
  return manifests.flatMap((data): Kit[] => {
    const read = readManifest(data);
    if (!read.ok) return [];
    const { manifest } = read;
    const texts = manifest.files.flatMap(({ name }): [string, string][] => {
      const content = files.get(kitPath({ manifest }, name));
      return content?.kind === 'text' ? [[name, content.text]] : [];
    });
    return [{ manifest, files: Object.fromEntries(texts), kind: 'own' }];
  });
}
