/** Photographs out of Debian's wallpaper packages: pictures that nobody here took. Installed, never kept here. */
import { execFileSync } from 'node:child_process';
import { copyFileSync, existsSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { extname, join } from 'node:path';
import { install } from './strangers/packages';

const PACKAGES = ['lomiri-wallpapers-16.04', 'lomiri-wallpapers-20.04', 'mate-backgrounds'] as const;

/** Other folders of these packages hold drawings. */
const PHOTOGRAPHS = /^\/usr\/share\/backgrounds\/(?:mate\/nature\/)?[^/]+\.jpe?g$/i;

const filesOf = (name: string): string[] =>
  execFileSync('dpkg', ['-L', name], { encoding: 'utf8' })
    .split('\n')
    .filter((path) => PHOTOGRAPHS.test(path) && existsSync(path))
    .sort();

/** Their files by name, JPEG only: what is PNG or SVG there was drawn. Fails where the packages cannot be installed. */
export function photographs(): string[] {
  const missing = install(PACKAGES);
  if (missing.length > 0) throw new Error(`Debian’s packages ${missing.join(', ')} could not be installed.`);
  return PACKAGES.flatMap(filesOf);
}

/** The first of them in a folder of their own, called as a camera calls its files. */
export function cameraFolder(count: number): string {
  const folder = mkdtempSync(join(tmpdir(), 'photographs-'));
  for (const [n, path] of photographs().slice(0, count).entries())
    copyFileSync(path, join(folder, `DSC_${String(117 + n).padStart(4, '0')}${extname(path).toUpperCase()}`));
  return folder;
}
