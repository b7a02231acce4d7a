/** A kit's files as they come into a site and leave it again. */
import { sameContent, type FileChange, type FileContent } from '../../site/index.ts';
import { kitPath, type Kit } from '../kit/manifest.ts';
import type { WiringPage, WiringSite } from './site.ts';

/** A file of that name that the author has changed is the author's; it is used as it is. */
export function copiedFiles({ files }: WiringSite, kit: Kit, meanwhile: readonly FileChange[] = []): FileChange[] {
  const leaving = new Set(
    meanwhile.flatMap((change) => (change.kind === 'put' && change.after === null ? [change.path] : [])),
  );
  return kit.manifest.files.flatMap(({ name }): FileChange[] => {
    const path = kitPath(kit, name);
    const text = kit.files[name];
    return (files.has(path) && !leaving.has(path)) || text === undefined
      ? []
      : [{ kind: 'put', path, before: null, after: { kind: 'text', text } }];
  });
}

/** Files that no page needs any more and that nobody has changed. The author's own kit stays with the author. */
export function droppedFiles({ files, pages }: WiringSite, page: WiringPage, kit: Kit, next: Kit | null): FileChange[] {
  if (
    kit.kind === 'own' ||
    pages.some((one) => one.path !== page.path && one.wiring.uses.some((use) => use.kit === kit))
  )
    return [];
  return kit.manifest.files.flatMap(({ name }): FileChange[] => {
    const path = kitPath(kit, name);
    const shipped: FileContent = { kind: 'text', text: kit.files[name] ?? '' };
    const present = files.get(path) ?? null;
    const shared =
      next?.manifest.folder === kit.manifest.folder && next.manifest.files.some((file) => file.name === name);
    return present && !shared && sameContent(present, shipped)
      ? [{ kind: 'put', path, before: present, after: null }]
      : [];
  });
}
