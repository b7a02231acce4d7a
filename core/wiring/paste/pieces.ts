/** What lines out of a manual are, piece by piece: includes, a start call, an example, an attribute, rules of style. */
import { fragmentTree, parsePage, rangeOf, SourceElement, type SourceNode, SourceText } from '../../markup/index.ts';
import { LineIndex } from '../../site/index.ts';
import { readCode } from '../read/scriptFacts.ts';
import { cleaned, straight } from './clean.ts';

export type PieceKind = 'script' | 'style' | 'start' | 'map' | 'rules' | 'example' | 'attribute' | 'markup' | 'words';

export interface Piece {
  kind: PieceKind;
  /** From 1, in what was pasted. */
  line: number;
  /** The address of an include, the code of a start call, the rules; else the markup as it was pasted. */
  text: string;
  /** An include that says it is a module. */
  module?: true;
}

interface Told {
  pieces: Piece[];
  /** What was copied along and left out. */
  mended: string[];
}

export function piecesIn(pasted: string): Told {
  const { text, mended } = cleaned(pasted);
  const lines = new LineIndex(text);
  const pieces: Piece[] = [];
  const add: Add = (kind, at, piece, more = {}) => {
    if (/[\p{L}\p{N}]/u.test(piece)) pieces.push({ kind, line: lines.lineAt(at), text: piece.trim(), ...more });
  };
  const visit = (node: SourceNode) => {
    const range = rangeOf(node);
    if (!range) return;
    const written = text.slice(range.start, range.end);
    if (node instanceof SourceText) tellLoose(written, range.start, add);
    if (node instanceof SourceElement) tellElement(node, written, visit, add);
  };
  fragmentTree(text).children.forEach(visit);
  return { pieces, mended };
}

type Add = (kind: PieceKind, at: number, piece: string, more?: Pick<Piece, 'module'>) => void;

const valueIn = ({ attributes }: SourceElement, name: string): string | undefined =>
  attributes.find((one) => one.name === name)?.value;

function tellElement(element: SourceElement, written: string, visit: (node: SourceNode) => void, add: Add): void {
  const { tag, start } = element;
  const own = TOLD_BY_TAG[tag];
  if (own) own(element, add);
  else if (holds(element, isInclude)) element.children.forEach(visit);
  else if (tag === 'a' || tag.includes('-') || holds(element, (one) => one.tag === 'a')) add('example', start, written);
  else if (OF_MANUALS.test(tag)) element.children.forEach(visit);
  else add('markup', start, written);
}

/** Words of a manual stand in elements of their own. */
const OF_MANUALS = /^(?:p|h[1-6]|li|ul|ol|dl|dt|dd|blockquote|table)$/;

/** Elements that say by their tag what stands in them. */
const TOLD_BY_TAG: Readonly<Record<string, (element: SourceElement, add: Add) => void>> = {
  script: (element, add) => {
    const src = valueIn(element, 'src');
    const type = (valueIn(element, 'type') ?? '').trim().toLowerCase();
    if (type === 'importmap') add('map', firstLetter(element), textIn(element));
    else if (src === undefined) add('start', firstLetter(element), codeIn(textIn(element)));
    else add('script', element.start, src, type === 'module' ? { module: true } : {});
  },
  link: (element, add) => {
    if (/\bstylesheet\b/i.test(valueIn(element, 'rel') ?? ''))
      add('style', element.start, valueIn(element, 'href') ?? '');
  },
  style: (element, add) => add('rules', firstLetter(element), textIn(element)),
  pre: (element, add) => tellLoose(textIn(element), element.start, add),
  code: (element, add) => tellLoose(textIn(element), element.start, add),
  // The example's own, not the page's.
  title: () => undefined,
  meta: () => undefined,
};

const isInclude = ({ tag }: SourceElement): boolean => ['script', 'link', 'style', 'pre'].includes(tag);

function holds({ children }: SourceElement, fits: (one: SourceElement) => boolean): boolean {
  return children.some((child) => child instanceof SourceElement && (fits(child) || holds(child, fits)));
}

const textIn = ({ children }: SourceElement): string =>
  children.map((child) => (child instanceof SourceText ? child.value : '')).join('');

const firstLetter = ({ openEnd, children: [first] }: SourceElement): number =>
  first instanceof SourceText ? openEnd + first.value.length - first.value.trimStart().length : openEnd;

/** Code with quotes as code has them, where it cannot be read otherwise. */
function codeIn(code: string): string {
  if (readCode(code).ok) return code;
  return readCode(straight(code)).ok ? straight(code) : code;
}

const ONE = `[a-z][\\w:.-]*\\s*=\\s*(?:"[^"]*"|'[^']*'|[^\\s"'<>=]+)`;
// Parted by spaces: without them, a long query could be cut in more ways than can be tried.
const ATTRIBUTES = new RegExp(`^${ONE}(?:\\s+${ONE})*$`, 'i');
const BARE_DATA = /^data-[\w-]+$/;
const COMMENTS = /\/\*[\s\S]*?\*\//g;
const RULES = /^(?:[@.#:*[\]\w][^{}]*\{[^{}]*(?:\{[^{}]*\}[^{}]*)*\}\s*)+$/;

/** Text that stands in no element: code, rules, an attribute, or what the manual says. */
function tellLoose(text: string, at: number, add: Add): void {
  const whole = kindOfLoose(text.trim());
  if (whole !== 'words') {
    add(whole, at + text.length - text.trimStart().length, looseOf(whole, text));
    return;
  }
  for (const { 0: part, index } of text.matchAll(/\S[\s\S]*?(?=\n[ \t]*\n|$)/g)) {
    const kind = kindOfLoose(part.trim());
    if (kind !== 'words' || part.includes('<')) {
      const inside = kind === 'words' ? markupIn(part) : null;
      if (inside) for (const piece of inside) add(piece.kind, at + index, piece.text);
      else add(kind, at + index, looseOf(kind, part));
    } else add('words', at + index, part);
  }
}

/** Markup that a page shows as text, in `pre`, is markup again. */
function markupIn(text: string): Piece[] | null {
  return /<[a-z]/i.test(text) ? piecesIn(text).pieces : null;
}

const looseOf = (kind: PieceKind, text: string): string => (kind === 'start' ? codeIn(text) : straightIf(kind, text));
const straightIf = (kind: PieceKind, text: string): string => (kind === 'attribute' ? straight(text) : text);

function kindOfLoose(text: string): PieceKind {
  if (text === '') return 'words';
  if (ATTRIBUTES.test(straight(text)) || BARE_DATA.test(text)) return 'attribute';
  const reading = readCode(codeIn(text));
  // A word by itself is code too, and calls nothing.
  if (reading.ok && reading.calls.length + reading.imports.length > 0) return 'start';
  const bare = text.replace(COMMENTS, '').trim();
  return RULES.test(bare) && /:[^;{}]+[;}]/.test(bare) ? 'rules' : 'words';
}

/** The pieces as one page that shows the use of the script. */
export function sampleOf(pieces: readonly Piece[]): string {
  return pieces
    .map(({ kind, text }) => {
      if (kind === 'start') return `<script>${text}</script>`;
      if (kind === 'attribute') return `<a href="picture.jpg" ${text}>picture</a>`;
      return kind === 'example' || kind === 'markup' ? text : '';
    })
    .join('\n');
}

/** The attributes of the links that an example shows, by their names. */
export function shownOnLinks(pieces: readonly Piece[]): { name: string; value: string }[] {
  return parsePage(sampleOf(pieces))
    .elements.filter(({ tag }) => tag === 'a')
    .flatMap(({ attributes }) => attributes.map(({ name, value }) => ({ name, value })));
}
