/** Writes the tables of the viewers' READMEs anew from their manifests: `npm run manuals`. */
import { readFileSync, writeFileSync } from 'node:fs';
import { withManual } from '../core/wiring/index.ts';
import { VIEWERS } from '../tests/kits.ts';

for (const { manifest } of VIEWERS) {
  const file = new URL(`../viewers/${manifest.name}/README.md`, import.meta.url);
  const written = withManual(readFileSync(file, 'utf8'), manifest);
  if (written === null) throw new Error(`viewers/${manifest.name}/README.md has no place for its tables.`);
  writeFileSync(file, written);
}
