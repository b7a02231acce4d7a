/**
 * Pages of words with pictures among them: a new one, and a text that is kept as Markdown beside its page. Of a page
 * that it is made from, head, menu, scripts and layout come along, and none of its words.
 */
import { beginOf, endOf, pageLines, textRegion, titleIn } from '../markdown/index.ts';
import {
  asReferences,
  elementBy,
  lacksLetters,
  type NewItem,
  newlineOf,
  type PageDocument,
  type PageElement,
  parsePage,
  placeOf,
  textOf,
  type Range,
} from '../markup/index.ts';
import { notesChange, rebased, sourceWritten, type SiteReading, textsOf } from '../model/index.ts';
import {
  applyEdits,
  type FileChange,
  isMarkdownPath,
  nameOf,
  planEdits,
  type Planned,
  refuse,
  relativeReference,
  type Result,
} from '../site/index.ts';
import type { Shown } from '../story/index.ts';
import { blockPlace, putGroup } from './groups.ts';
import type { Intent, NewPicture } from './intent.ts';
import { pageParts, type PageParts, withHints } from './newPage.ts';
import { Steps } from './steps.ts';

type Of<Kind extends Intent['kind']> = Extract<Intent, { kind: Kind }>;
type ItemFor = (page: string, picture: NewPicture) => NewItem;

/** A page with a text, and with its first pictures behind that. */
export function newStory(site: SiteReading, wish: Of<'new-story'>, itemFor: ItemFor): Planned {
  const { path, title, from, entry, keep, pictures, shown } = wish;
  const text = withoutTitle(wish.text, title);
  const parts = pageParts(site, { path, title, from, entry }, itemFor);
  if (!parts.ok) return parts;
  const source = keep ? freeSource(site, parts.path) : null;
  if (source?.ok === false) return source;
  const page = withText(parts, title, text, source?.path ?? null);
  if (!page.ok) return page;
  const steps = new Steps(site);
  const label = `New page ${parts.path} with a text`;
  const hints = withHints(site, [{ ...parts.hints, emptied: [] }]);
  const files: FileChange[] = [
    page.file,
    ...parts.files.filter((file) => file.kind !== 'put' || file.path !== parts.path),
    ...(source ? [{ kind: 'put', path: source.path, before: null, after: { kind: 'text', text } } as const] : []),
    ...(Object.keys(hints).length === 0 ? [] : notesChange(site, hints)),
  ];
  const trouble =
    steps.do({ ok: true, change: { label: '', files } }) ??
    (pictures.length === 0 ? null : withPictures(steps, parts.path, page.end, pictures, shown, itemFor));
  return trouble === null ? { ok: true, change: { label, files: steps.files() } } : refuse(trouble);
}

/** The page has a heading of its own, which a text may begin with as well. */
function withoutTitle(text: string, title: string): string {
  const found = titleIn(text);
  return found?.title === title.trim() ? found.rest : text;
}

/** Beside the page, under its name. */
function freeSource(site: SiteReading, page: string): Result<{ path: string }> {
  const path = page.replace(/\.[^./]+$/, '.md');
  return site.index.lookup(path).found === 'nothing'
    ? { ok: true, path }
    : refuse(`There is a file ${path} already. Choose another name for the page, or keep the text in the page.`);
}

function withPictures(
  steps: Steps,
  page: string,
  offset: number,
  pictures: readonly NewPicture[],
  shown: Shown,
  itemFor: ItemFor,
): string | null {
  const wish = { kind: 'put-group' as const, page, offset, pictures: [...pictures], shown };
  const put = steps.do(putGroup(steps.site, wish, itemFor));
  if (put !== null) return put;
  // What was put into the part that is made from Markdown belongs into that.
  const text = textsOf(steps.site).find((one) => one.page.path === page);
  if (!text || text.state === 'same') return null;
  const written = sourceWritten(text);
  return written.ok ? steps.do({ ok: true, change: { label: '', files: written.files } }) : written.reason;
}

/** The new page with its text; `end` is where that ends. */
function withText(
  { path, files, place }: PageParts,
  title: string,
  text: string,
  source: string | null,
): Result<{ file: FileChange; end: number }> {
  const before = textOfNew(files, path);
  if (before === null) return refuse(`${path} cannot be written.`);
  const document = parsePage(before);
  const range = rangeFor(document, place, title);
  const lead = before.slice(before.lastIndexOf('\n', range.start - 1) + 1, range.start);
  const line = newlineOf(document) + (/^[ \t]*/.exec(lead)?.[0] ?? '');
  const isOwnLine = lead.trim() === '';
  const written = linesOf(document, pageLines(text), source === null ? null : relativeReference(path, source), line);
  const now = (isOwnLine ? '' : line) + written;
  const applied = applyEdits(before, [{ ...range, text: now }]);
  if (!applied.ok) return applied;
  // Before the line of the last mark, where there is one.
  const end = range.start + (source === null ? now.length : now.lastIndexOf('\n') + 1);
  return { ok: true, file: { kind: 'put', path, before: null, after: { kind: 'text', text: applied.text } }, end };
}

function textOfNew(files: readonly FileChange[], path: string): string | null {
  const put = files.find((one) => one.kind === 'put' && one.path === path);
  return put?.kind === 'put' && put.after?.kind === 'text' ? put.after.text : null;
}

/** The words of the other page, or the gallery that it had elsewhere. */
function rangeFor(document: PageDocument, place: PageParts['place'], title: string): Range {
  const words = textPlace(document, title);
  const container = place ? elementBy(document, place.at) : null;
  if (!container?.range) return words;
  const emptied = placeOf(container);
  // What stands beside an emptied gallery are words of the other page as well.
  return emptied.start < words.start || emptied.end > words.end ? emptied : words;
}

/** A text as it stands on a page: between its marks where it has a file, else in the page’s own indentation. */
function linesOf(document: PageDocument, lines: string, reference: string | null, line: string): string {
  const html = (lacksLetters(document) ? asReferences(lines) : lines).trimEnd();
  const newline = newlineOf(document);
  // Where white space counts, none may come in.
  const isFree = !/<(?:pre|textarea|script|style)\b/i.test(html);
  if (reference === null) return html.replaceAll('\n', isFree ? line : newline);
  const body = html === '' ? '' : html.replaceAll('\n', newline) + newline;
  return `${beginOf(reference)}${newline}${body}${line.slice(newline.length)}${endOf(reference)}`;
}

const WORDS = new Set([
  ...['p', 'h2', 'h3', 'h4', 'h5', 'h6', 'ul', 'ol', 'dl', 'blockquote', 'pre', 'table', 'figure', 'hr', 'address'],
  ...['section', 'article', 'div', 'center', 'br', 'img', 'a', 'em', 'strong', 'b', 'i', 'small', 'font', 'video'],
]);
const AROUND = /(?:^|[\s_-])(?:foot(?:er)?|nav(?:igation)?|menu|side(?:bar)?|copyright)(?:$|[\s_-])/i;

/** The words behind the heading of the page; where it has none, the end of its main part. */
function textPlace(document: PageDocument, title: string): Range {
  const isHeading = ({ tag, range }: PageElement) => range !== null && /^h[1-3]$/.test(tag);
  const headings = document.elements.filter(isHeading);
  const heading = headings.find((one) => textOf(one).trim() === title.trim()) ?? headings[0];
  if (!heading?.range) return endOfMain(document);
  const siblings = document.elements.filter((one) => one.parent === heading.parent && one.range);
  const behind = siblings.slice(siblings.indexOf(heading) + 1);
  const count = behind.findIndex((one) => !isWords(one));
  const words = count === -1 ? behind : behind.slice(0, count);
  const [first, last] = [words[0], words.at(-1)];
  if (!first || !last) return { start: heading.range.end, end: heading.range.end };
  return { start: placeOf(first).start, end: placeOf(last).end };
}

function isWords({ tag, attributes }: PageElement): boolean {
  const isNamedAround = attributes.some(({ name, value }) => (name === 'class' || name === 'id') && AROUND.test(value));
  return WORDS.has(tag) && !isNamedAround;
}

function endOfMain(document: PageDocument): Range {
  const main =
    document.elements.find(({ tag }) => tag === 'main') ?? document.elements.find(({ tag }) => tag === 'body');
  const foot = document.elements.find(({ tag, parent, range }) => tag === 'footer' && parent === main && range);
  const at = foot?.range?.start ?? main?.close?.start ?? document.text.length;
  const end = document.text.slice(0, at).trimEnd().length;
  return { start: end, end };
}

/** A Markdown file of the site becomes the text of a page. */
export function putText(site: SiteReading, { page: path, source, offset }: Of<'put-text'>): Planned {
  const page = site.pages.find((one) => one.path === path);
  const content = site.files.get(source);
  if (!page) return refuse(`There is no page ${path} any more.`);
  if (content?.kind !== 'text' || !isMarkdownPath(source)) return refuse(`${source} is no Markdown file of the site.`);
  if (textRegion(page.document)) return refuse(`${path} has a text out of a Markdown file already.`);
  const { document, text } = page;
  const place = offset === null ? endOfMain(document).start : blockPlace(document, Math.min(offset, text.length));
  if (typeof place === 'string') return refuse(place);
  const lead = text.slice(text.lastIndexOf('\n', place - 1) + 1, place);
  const line = newlineOf(document) + (/^[ \t]*/.exec(lead)?.[0] ?? '');
  const lines = rebased(pageLines(content.text), source, page.base);
  const written = linesOf(document, lines, relativeReference(page.base, source), line);
  const edit = { start: place, end: place, text: lead.trim() === '' ? written + line : line + written };
  return planEdits(`Put ${nameOf(source)} on ${path}`, path, { ok: true, edits: [edit] });
}
