/** The kits as they ship, read from their folders. */
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { readManifest, type Kit } from '../core/wiring/index.ts';

const ROOT = new URL('../', import.meta.url);

function kitsIn(folder: 'viewers' | 'kits'): Kit[] {
  return readdirSync(new URL(folder, ROOT))
    .filter((name) => existsSync(new URL(`${folder}/${name}/kit.json`, ROOT)))
    .map((name): Kit => {
      const home = new URL(`${folder}/${name}/`, ROOT);
      const read = readManifest(JSON.parse(readFileSync(new URL('kit.json', home), 'utf8')));
      if (!read.ok) throw new Error(`${name}: ${read.reason}`);
      const files = Object.fromEntries(
        read.manifest.files.map((file) => [file.name, readFileSync(new URL(file.name, home), 'utf8')]),
      );
      return { manifest: read.manifest, files, kind: folder === 'kits' ? 'practice' : 'viewer' };
    });
}

export const VIEWERS: readonly Kit[] = kitsIn('viewers');
export const PRACTICE: readonly Kit[] = kitsIn('kits');
export const KITS: readonly Kit[] = [...VIEWERS, ...PRACTICE];

export function kitNamed(name: string): Kit {
  const kit = KITS.find(({ manifest }) => manifest.name === name);
  if (!kit) throw new Error(`There is no kit ${name}.`);
  return kit;
}
