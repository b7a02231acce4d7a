/** What pasted code imports: which files of the site these are, and how the page has to write them. */
import type { Edit } from '../../site/index.ts';
import { importsOf, specifierTo } from '../read/moduleGraph.ts';
import { readCode } from '../read/scriptFacts.ts';
import type { Imported } from '../read/modules.ts';
import type { WiringPage, WiringSite } from '../write/site.ts';
import { findFile, withBrought, type FoundFile } from './findFile.ts';
import type { Piece } from './pieces.ts';

export interface PastedImport {
  /** As it is written in the code, or as a pasted import map explains it. */
  from: string;
  file: FoundFile;
}

export function importsPasted(
  site: WiringSite,
  page: WiringPage,
  brought: Readonly<Record<string, string>>,
  pieces: readonly Piece[],
): PastedImport[] {
  const map = mapIn(pieces);
  const codes = pieces.flatMap(({ kind, text }) => (kind === 'start' ? [text] : []));
  const names = new Set(codes.flatMap((code) => importsIn(code).map(({ from }) => from)));
  const all = withBrought(site, brought);
  return [...names].map((from) => ({ from, file: findFile(site, page, brought, addressOf(all, map[from] ?? from)) }));
}

const importsIn = (code: string): Imported[] => {
  const reading = readCode(code);
  return reading.ok ? reading.imports : [];
};

/** A bare word is how builders name a package; its file begins with it. */
function addressOf({ files }: WiringSite, from: string): string {
  if (/[./]/.test(from)) return from;
  const begins = new RegExp(`(?:^|/)${from.replace(/[^\w-]/g, '\\$&')}(?:\\.[\\w.]+)?\\.m?js$`, 'i');
  return [...files.keys()].find((path) => begins.test(path)) ?? from;
}

/** What a pasted import map says; nothing where it is no JSON. */
function mapIn(pieces: readonly Piece[]): Readonly<Record<string, string>> {
  const entries = pieces.flatMap(({ kind, text }) => (kind === 'map' ? Object.entries(importsOf(text)) : []));
  return Object.fromEntries(entries);
}

/** Each import by the place that its file really has, seen from the page. */
export function importEdits(page: WiringPage, code: string, imports: readonly PastedImport[]): Edit[] {
  const edits = importsIn(code).flatMap(({ from, fromAt }): Edit[] => {
    const file = imports.find((one) => one.from === from)?.file;
    if (file?.found !== 'here') return [];
    const meant = specifierTo(page.base, file.path);
    const quote = code[fromAt.start] ?? "'";
    return meant === from ? [] : [{ ...fromAt, text: quote + meant + quote }];
  });
  // One statement may import several names.
  return edits.filter(({ start }, n) => edits.findIndex((one) => one.start === start) === n);
}
