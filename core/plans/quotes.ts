/**
 * The author's quotes: on a page whose attributes are all in single quotes, what is written is in single ones too.
 * Only what has the form of markup is touched, and no value that holds a quote of its own.
 */
import type { PageDocument } from '../markup/index.ts';
import type { SiteReading } from '../model/index.ts';
import type { FileChange, Planned } from '../site/index.ts';

/** Fewer say nothing of a hand (our own value, no source). */
const LEAST_ATTRIBUTES = 5;

export function inQuotes(site: SiteReading, planned: Planned): Planned {
  if (!planned.ok) return planned;
  const files = planned.change.files.map((file): FileChange => {
    if (file.kind !== 'edit') return file;
    const page = site.pages.find(({ path }) => path === file.path);
    if (!page || !isSingleQuoted(page.document)) return file;
    return { ...file, edits: file.edits.map((edit) => ({ ...edit, text: singleQuoted(edit.text) })) };
  });
  return { ...planned, change: { ...planned.change, files } };
}

const known = new WeakMap<PageDocument, boolean>();

function isSingleQuoted(page: PageDocument): boolean {
  const answer = known.get(page) ?? onlySingle(page);
  known.set(page, answer);
  return answer;
}

function onlySingle({ elements }: PageDocument): boolean {
  const quotes = elements.flatMap(({ attributes }) => attributes.map(({ quote }) => quote));
  return quotes.filter((quote) => quote === "'").length >= LEAST_ATTRIBUTES && !quotes.includes('"');
}

/** With a value in double quotes that holds none of either kind, or any other, which is passed over as a whole. */
const ATTRIBUTE = /(\s[^\s"'<>/=]+=)(?:"([^"']*)"|"[^"]*"|'[^']*')/g;

/** Bodies of scripts and styles, in which what looks like a tag is part of a text. */
const CODE = /(<(?:script|style)\b[^>]*>[^]*?<\/(?:script|style))/i;

/** A start tag as this program writes them, with values in double quotes. */
const TAG = /<[a-z][^\s"'<>/]*(?:\s+[^\s"'<>/=]+(?:="[^"]*"|='[^']*')?)*\s*\/?>/gi;

/** Attributes alone, as they are set on an element that is there; one without a value is a viewer's, and has a hyphen. */
const ATTRIBUTES = /^(?:\s+(?:[^\s"'<>/=]+="[^"]*"|[a-z]+-[\w-]+))+\s*$/;

const turned = (markup: string): string =>
  markup.replace(ATTRIBUTE, (all, name: string, value?: string) => (value === undefined ? all : `${name}'${value}'`));

/** Of code only its own start tag. */
const startTurned = (code: string): string => code.replace(/^<[^>]*>/, turned);

export const singleQuoted = (text: string): string =>
  ATTRIBUTES.test(text)
    ? turned(text)
    : text
        .split(CODE)
        .map((part, n) => (n % 2 === 0 ? part.replace(TAG, turned) : startTurned(part)))
        .join('');
