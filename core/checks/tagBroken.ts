import { attributeOf, parsePage, type Attribute, type PageElement, STATES } from '../markup/index.ts';
import type { PageReading } from '../model/index.ts';
import { applyEdits, type Edit, planEdits } from '../site/index.ts';
import { placeIn, type Observation, type Fix, type Rule } from './finding.ts';

/** Quotes of text programs, which are letters to a browser. */
const CURLY = /[\u201C\u201D\u201E\u2018\u2019]/;

interface Break {
  says: string;
  why: string;
  at: { start: number; end: number };
  label: string;
  edits: Edit[];
}

/** So many letters of a broken tag tell it from others. */
const SAID = 80;

export const tagBroken: Rule = {
  id: 'tag-broken',
  station: 'wiring',
  title: 'No tag is broken by a quote or a space',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.document.elements.flatMap((element): Observation[] => {
        const found = element.open ? breakIn(page, element) : null;
        if (!found) return [];
        const { says, why, at, label, edits } = found;
        const fixes: Fix[] = mends(page, element, edits)
          ? [
              {
                kind: 'change',
                states: STATES.mends,
                label,
                plan: () =>
                  planEdits(`Fix the tag on line ${page.document.lines.lineAt(at.start)} of ${page.path}`, page.path, {
                    ok: true,
                    edits,
                  }),
              },
            ]
          : [];
        const strand = page.strands.flat().find((one) => at.start >= one.range.start && at.start < one.range.end);
        return [
          {
            matter: `${page.path}:${page.text.slice(at.start, Math.min(at.end, at.start + SAID))}`,
            severity: 'error',
            says,
            why,
            place: placeIn(page, at),
            strand: strand?.id ?? null,
            joint: null,
            fixes,
          },
        ];
      }),
    ),
};

function breakIn({ text }: PageReading, element: PageElement): Break | null {
  for (const n of element.attributes.keys())
    for (const look of [typographicQuotes, missingQuote, strayQuote]) {
      const found = look(text, element.attributes, n);
      if (found) return found;
    }
  return spacedName(element, text);
}

type Look = (text: string, attributes: readonly Attribute[], n: number) => Break | null;

/** Unquoted to a browser: it ends at the first space. The author's closing quote may stand in a later attribute. */
const typographicQuotes: Look = (text, attributes, n) => {
  const attribute = attributes[n];
  if (attribute?.quote !== '' || !CURLY.test(text.charAt(attribute.valueRange.start))) return null;
  const { name, range, valueRange } = attribute;
  const end = closingCurly(text, attribute, attributes.slice(n));
  const straight = (at: number) => ({ start: at, end: at + 1, text: '"' });
  return {
    says: `${name} stands between typographic quotes.`,
    why: 'To a browser these quotes are letters of the value, which then ends at the first space.',
    at: range,
    label: 'Write straight quotes',
    edits: end > valueRange.start ? [straight(valueRange.start), straight(end)] : [],
  };
};

/** Offset of the quote that ends what one begins; -1 where there is none. */
function closingCurly(text: string, attribute: Attribute, following: readonly Attribute[]): number {
  for (const one of following) {
    const after = one === attribute ? one.name.length + 2 : 0;
    if (!CURLY.test(text.slice(one.range.start + after, one.range.end))) continue;
    const sought = one === attribute ? /[\u201C\u201D\u201E\u2018\u2019](?=\s*$)/ : CURLY;
    return one.range.start + text.slice(one.range.start, one.range.end).search(sought);
  }
  return -1;
}

/** Attributes whose values may well hold markup. */
const HOLDS_MARKUP = /^(?:srcdoc|style|content|data-[\w-]*(?:caption|text|html))$/;

const missingQuote: Look = (text, attributes, n) => {
  const attribute = attributes[n];
  if (!attribute || attribute.quote === '' || attribute.quote === 'none') return null;
  const { name, quote, range, valueRange } = attribute;
  const raw = text.slice(valueRange.start, valueRange.end);
  const runsOn = /<[a-z/][^<]*>?|\s[a-z-]+=\s*$/i.test(raw) && /[<>]|=$/.test(raw);
  if (!runsOn || HOLDS_MARKUP.test(name)) return null;
  const cut = closingPlace(raw);
  return {
    says: `The value of ${name} runs on over other markup: its closing quote is missing.`,
    why: 'The browser reads on to the next quote, wherever that stands; what lies between is no tag any more.',
    at: range,
    label: 'Close the quote',
    edits: cut === null ? [] : [{ start: valueRange.start + cut, end: valueRange.start + cut, text: quote }],
  };
};

const strayQuote: Look = (text, attributes, n) => {
  const attribute = attributes[n];
  if (!attribute || !/["']/.test(attribute.name)) return null;
  const opener = attributes.slice(0, n).findLast(({ quote }) => quote === '"' || quote === "'");
  // The author's own closing quote is the last that stands at the end of a bare word.
  const last = attributes.slice(n).findLast(({ quote, name }) => quote === 'none' && /["']$/.test(name)) ?? attribute;
  const isClosed = /["']$/.test(text.slice(last.range.start, last.range.end));
  return {
    says: opener
      ? `A quote inside the value of ${opener.name} ends it too early.`
      : 'A quote stands alone in this tag.',
    why: 'What follows the quote is taken for attributes, and the rest of the words is lost.',
    at: opener ? { start: opener.range.start, end: last.range.end } : attribute.range,
    label: 'Write the quote as an entity',
    edits: opener && isClosed ? [withEntities(text, opener, last.range.end - 1)] : [],
  };
};

function withEntities(text: string, { quote, valueRange: { start } }: Attribute, end: number): Edit {
  const entity = quote === '"' ? '&quot;' : '&#39;';
  return { start, end, text: text.slice(start, end).replaceAll(quote, entity) };
}

/** `data-enlarge -group="a"`, `data- enlarge`: a hyphen at the edge of a name. */
function spacedName({ attributes }: PageElement, text: string): Break | null {
  for (const [n, attribute] of attributes.entries()) {
    const next = attributes[n + 1];
    if (!next || !/^\s+$/.test(text.slice(attribute.range.end, next.range.start)) || attribute.quote !== 'none')
      continue;
    if (!attribute.name.endsWith('-') && !next.name.startsWith('-')) continue;
    return {
      says: `A space stands inside the name ${attribute.name}${next.name}.`,
      why: 'The browser reads two attributes of other names; the script finds neither.',
      at: { start: attribute.range.start, end: next.range.end },
      label: 'Remove the space',
      edits: [{ start: attribute.range.end, end: next.range.start, text: '' }],
    };
  }
  return null;
}

/** Where the missing quote belongs: behind a file's ending, else before the next attribute or tag. */
function closingPlace(raw: string): number | null {
  const file = /^[^\s<>"']*\.(?:jpe?g|png|webp|gif|avif|svg|html?|css|js)(?=[\s>])/i.exec(raw);
  if (file) return file[0].length;
  const next = /\s+[a-z][\w-]*=|\s*>/i.exec(raw);
  return next ? next.index : null;
}

/** A mend that leaves the tag broken, or breaks another, is none. */
function mends(page: PageReading, element: PageElement, edits: readonly Edit[]): boolean {
  if (edits.length === 0) return false;
  const applied = applyEdits(page.text, [...edits]);
  if (!applied.ok) return false;
  const after = parsePage(applied.text, page.document.units);
  const twin = after.elements.find((one) => one.open?.start === element.open?.start && one.tag === element.tag);
  return (
    twin !== undefined &&
    after.elements.length >= page.document.elements.length &&
    breakIn({ ...page, text: applied.text, document: after }, twin) === null &&
    element.attributes
      .filter(({ name, quote }) => quote !== 'none' && /^[\w-]+$/.test(name))
      .every(({ name }) => attributeOf(twin, name))
  );
}
