/** The practice kits as strangers would publish them: under another name, made small, with their manual. */
import { readFileSync } from 'node:fs';
import { transformSync } from 'esbuild';
import { kitNamed } from '../kits.ts';
import { NAMES, wiredPage } from './faults.fixture.ts';

const capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);

const renamer = (kit: string, name: string) => (text: string) =>
  text.replaceAll(kit, name).replaceAll(capital(kit), capital(name));

export function download(kit: string, name: string): Record<string, string> {
  const renamed = renamer(kit, name);
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

/** A page of another time: capitals, no quotes, a table, words below the pictures. */
export const OLD_PAGE = `<HTML><HEAD><TITLE>Kites</TITLE></HEAD>
<BODY BGCOLOR=white>
<TABLE ID=pics><TR>
${NAMES.map((name) => `<TD><A HREF=large/${name}.jpg><IMG SRC=small/${name}.jpg ALT="${name}" BORDER=0></A><BR>The ${name}</TD>`).join('\n')}
</TR></TABLE>
</BODY></HTML>
`;

/** What somebody leaves who has begun to wire a page by hand: no stylesheet, one link forgotten, nothing started. */
export function halfWired(kit: string, name: string): string {
  const page = renamer(kit, name)(wiredPage(kit));
  return page
    .replace(/<link rel="stylesheet"[^>]*>\n/, '')
    .replace(/(mere\.jpg")[^>]*? title/, '$1 title')
    .replace(/(class="\w+" href="large\/mere)/, 'href="large/mere')
    .replace(/<script>[^\n]*<\/script>\n/, '')
    .replace(/<script type="module">[\s\S]*?<\/script>\n/, '');
}
