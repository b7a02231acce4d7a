/** The author's own viewer scripts: manifests that are kept with the site, and files that stand in it. */
import type { SiteFiles } from '../site/index.ts';
import { readManifest, type Kit } from './kit.ts';

/** A manifest that does not read any more is left out; the files stay what they are. */
export function ownKits(manifests: readonly unknown[], files: SiteFiles): Kit[] {
  return manifests.flatMap((data): Kit[] => {
    const read = readManifest(data);
    if (!read.ok) return [];
    const { manifest } = read;
    const texts = manifest.files.flatMap(({ name }): [string, string][] => {
      const content = files.get(`${manifest.folder}/${name}`);
      return content?.kind === 'text' ? [[name, content.text]] : [];
    });
    return [{ manifest, files: Object.fromEntries(texts), kind: 'own' }];
  });
}
