/** Sites that nobody here wrote are opened: all that the screens show of them is told, whatever their pictures are. */
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { join, relative } from 'node:path';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { readSite } from '../../core/model/index.ts';
import type { PhotoFacts } from '../../core/photo/index.ts';
import { type FileContent, isPicturePath, isTextPath, readText } from '../../core/site/index.ts';
import { viewOf } from '../../core/view/index.ts';
import { FACTS } from '../../core/plans/asked.fixture.ts';
import { KITS } from '../kits.ts';

const FOLDERS = [
  ['help of a program that joins photographs', '/usr/share/hugin/xrc/data/help_en_EN'],
  ['the manual of a drawing program', '/usr/share/doc/xfig/html'],
] as const;

/** Larger files say nothing else; bytes. */
const LARGEST = 1_500_000;

/** A site as it comes in, with the size of each picture as sharp reads it. */
async function siteIn(folder: string) {
  const files = new Map<string, FileContent>();
  const facts = new Map<string, PhotoFacts>();
  for (const entry of readdirSync(folder, { recursive: true, withFileTypes: true })) {
    const full = join(entry.parentPath, entry.name);
    const path = relative(folder, full);
    if (!entry.isFile() || statSync(full).size > LARGEST) continue;
    const bytes = new Uint8Array(readFileSync(full));
    const read = isTextPath(path) ? readText(bytes) : null;
    files.set(path, read?.ok ? { kind: 'text', text: read.text } : { kind: 'binary', hash: path, bytes: bytes.length });
    const size = isPicturePath(path)
      ? await sharp(bytes)
          .metadata()
          .catch(() => null)
      : null;
    if (size) facts.set(path, { ...FACTS, width: size.width, height: size.height });
  }
  return { site: readSite(files, facts, KITS), facts };
}

describe('a site of a stranger opens', () => {
  for (const [what, folder] of FOLDERS)
    it.skipIf(!existsSync(folder))(`with ${what}`, async () => {
      const { site, facts } = await siteIn(folder);
      const view = viewOf(site);
      expect(view.pages.length).toBe(site.pages.length);
      expect(facts.size).toBeGreaterThan(20);
      // Formulas, bullets and letters are pictures too, of a few pixels.
      expect(Math.min(...[...facts.values()].map(({ height }) => height))).toBeLessThan(16);
      console.log(`${what}: ${view.pages.length} pages, ${facts.size} pictures, ${view.findings.length} findings`);
    });
});
