/**
 * The kits that ship with the application, their files as text. A new one is one more folder below `viewers` or
 * `kits`.
 */
import { readManifest, type Kit } from '~core/wiring/index.ts';

const MANIFESTS = import.meta.glob<unknown>('../../{viewers,kits}/*/kit.json', { eager: true, import: 'default' });
const TEXTS = import.meta.glob<string>('../../{viewers,kits}/*/*.{js,css}', {
  eager: true,
  query: '?raw',
  import: 'default',
});

/** What opens pictures before what only shows or serves them; those to practise with come last. */
const DOES = ['overlay', 'show', 'stage', 'page'] as const;
const rank = ({ manifest, kind }: Kit): number => DOES.indexOf(manifest.does) + (kind === 'practice' ? DOES.length : 0);

export const KITS: readonly Kit[] = Object.entries(MANIFESTS)
  .map(([path, data]): Kit => {
    const read = readManifest(data);
    const folder = path.slice(0, path.lastIndexOf('/') + 1);
    if (!read.ok) throw new Error(`${folder}${read.reason}`);
    const files = Object.fromEntries(
      Object.entries(TEXTS)
        .filter(([file]) => file.startsWith(folder))
        .map(([file, text]) => [file.slice(folder.length), text]),
    );
    return { manifest: read.manifest, files, kind: path.includes('/kits/') ? 'practice' : 'viewer' };
  })
  .sort((a, b) => rank(a) - rank(b) || a.manifest.title.localeCompare(b.manifest.title));
