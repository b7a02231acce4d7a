/** What a download shows of its own use: its demo pages, and the examples in its manual. */
import { parsePage, textOf, type PageDocument } from '../../markup/index.ts';

export interface Sample {
  file: string;
  page: PageDocument;
  /** Where a place of the page stands in the file. */
  inFile: (at: number) => number;
}

/** Text between three marks, with the name of its language (CommonMark 0.31, “Fenced code blocks”). */
const FENCED = /^[ \t]*(`{3,}|~{3,})[ \t]*([\w-]*)[^\n]*\n([\s\S]*?)^[ \t]*\1[ \t]*$/gm;
/** Languages of what no page holds. */
const FOR_OTHERS = /^(?:sh|bash|console|shell|json)$/i;
const OPEN = '<script>';

export function samplesIn(files: Readonly<Record<string, string>>): Sample[] {
  return Object.entries(files).flatMap(([file, text]): Sample[] => {
    if (/\.html?$/i.test(file)) return ofPage(file, text);
    return /\.(?:md|markdown)$/i.test(file) ? ofManual(file, text) : [];
  });
}

/** A page, and the examples that it shows as text. */
function ofPage(file: string, text: string): Sample[] {
  const page = parsePage(text);
  const shown = page.elements.filter(({ tag, parent }) => tag === 'pre' && parent !== null);
  const examples = shown.flatMap((pre): Sample[] => {
    const code = textOf(pre);
    const at = pre.open?.end ?? 0;
    return /<\w|\(/.test(code) ? [{ file, page: parsePage(asPage(code)), inFile: () => at }] : [];
  });
  return [{ file, page, inFile: (at) => at }, ...examples];
}

const ofManual = (file: string, text: string): Sample[] =>
  [...text.matchAll(FENCED)].flatMap((match): Sample[] => {
    const [whole, , language = '', code = ''] = match;
    if (/^css$/i.test(language) || FOR_OTHERS.test(language)) return [];
    const start = match.index + whole.indexOf(code);
    const page = asPage(code);
    const shift = page === code ? 0 : OPEN.length;
    return [{ file, page: parsePage(page), inFile: (at) => start + Math.max(0, at - shift) }];
  });

/** Code without a tag is what stands in a script. */
const asPage = (code: string): string =>
  /^\s*</.test(code) || /<\w+[\s>]/.test(code) ? code : `${OPEN}${code}</script>`;

/** The examples of a Markdown manual, one after the other; empty where it shows none. */
export const linesInManual = (files: Readonly<Record<string, string>>): string =>
  Object.entries(files)
    .filter(([file]) => /\.(?:md|markdown)$/i.test(file))
    .flatMap(([, text]) => [...text.matchAll(FENCED)])
    .flatMap(([, , language = '', code = '']) => (FOR_OTHERS.test(language) ? [] : [code.trim()]))
    .join('\n\n');
