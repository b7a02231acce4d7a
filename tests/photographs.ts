/** Photographs out of Debian's wallpaper packages: pictures that nobody here took. Installed, never kept here. */
import { mkdtempSync, readdirSync, copyFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { extname, join } from 'node:path';
import { install } from './strangers/packages';

const PACKAGES = ['lomiri-wallpapers-16.04', 'lomiri-wallpapers-20.04', 'mate-backgrounds'] as const;

/** Where these packages put photographs; other folders of theirs hold drawings. */
const FOLDERS = ['/usr/share/backgrounds', '/usr/share/backgrounds/mate/nature'] as const;

/** Their files by name, JPEG only: what is PNG or SVG there was drawn. Fails where the packages cannot be installed. */
export function photographs(): string[] {
  const missing = install(PACKAGES);
  if (missing.length > 0) throw new Error(`Debian’s packages ${missing.join(', ')} could not be installed.`);
  return FOLDERS.flatMap((folder) =>
    readdirSync(folder)
      .filter((name) => /\.jpe?g$/i.test(name) && !name.startsWith('warty'))
      .sort()
      .map((name) => join(folder, name)),
  );
}

/** The first of them in a folder of their own, called as a camera calls its files. */
export function cameraFolder(count: number): string {
  const folder = mkdtempSync(join(tmpdir(), 'photographs-'));
  for (const [n, path] of photographs().slice(0, count).entries())
    copyFileSync(path, join(folder, `DSC_${String(117 + n).padStart(4, '0')}${extname(path).toUpperCase()}`));
  return folder;
}
