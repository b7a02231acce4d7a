/** The practice kits as strangers would publish them: under another name, made small, with their manual. */
import { readFileSync } from 'node:fs';
import { transformSync } from 'esbuild';
import { kitNamed } from '../kits.ts';

export function download(kit: string, name: string): Record<string, string> {
  const renamed = (text: string) =>
    text
      .replaceAll(kit, name)
      .replaceAll(kit.charAt(0).toUpperCase() + kit.slice(1), name.charAt(0).toUpperCase() + name.slice(1));
  const readme = readFileSync(new URL(`../../kits/${kit}/README.md`, import.meta.url), 'utf8');
  const files = Object.entries(kitNamed(kit).files).map(([file, text]): [string, string] => {
    if (file.endsWith('.min.js')) return [file, text];
    const small = file.endsWith('.js') ? transformSync(renamed(text), { minify: true }).code : renamed(text);
    return [renamed(file), small];
  });
  return { ...Object.fromEntries(files), 'README.md': renamed(readme) };
}

/** The lines that a download’s manual shows. */
export function linesOf(files: Readonly<Record<string, string>>): string {
  return /```html\n([\s\S]*?)```/.exec(files['README.md'] ?? '')?.[1] ?? '';
}
