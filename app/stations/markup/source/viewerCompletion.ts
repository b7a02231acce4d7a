/** Attributes, values and arguments of the viewers that are on a page, with what they mean. */
import type { Completion, CompletionResult } from '@codemirror/autocomplete';
import type { KitView, SiteView } from '~core/view/index.ts';

type Option = KitView['options'][number];

interface Known {
  path: string;
  view: Pick<SiteView, 'pages' | 'kits'>;
}

/** Viewers of the page that is shown; of every page where it is a script. */
function kitsFor({ path, view }: Known): KitView[] {
  const pages = view.pages.filter((page) => page.path === path);
  const names = new Set((pages.length > 0 ? pages : view.pages).flatMap(({ uses }) => uses.map(({ name }) => name)));
  return view.kits.filter(({ name }) => names.has(name));
}

const meaning = ({ says, without }: Option): string => `${says}. Without it: ${without}.`;

/** `before` is the text up to the cursor, which stands at `at`. */
export function viewerCompletions(before: string, at: number, known: Known): CompletionResult | null {
  const kits = kitsFor(known);
  if (kits.length === 0) return null;
  return inTag(before, at, kits) ?? inCall(before, at, kits);
}

/** What stands open of a tag: `<ul data-slides data-sl`, `<ul data-slides-picker="`. */
const TAG = /<[a-z][\w-]*(?=[\s/])(?:[^<>"']|"[^"]*"|'[^']*')*$/i;
const OPEN_VALUE = /<[a-z][\w-]*(?=[\s/])(?:[^<>"']|"[^"]*"|'[^']*')*\s([\w-]+)=["']([^"'<>]*)$/i;

function inTag(before: string, at: number, kits: readonly KitView[]): CompletionResult | null {
  const value = OPEN_VALUE.exec(before);
  if (value) {
    const [, name, typed = ''] = value;
    const option = kits.flatMap(({ options }) => options).find(({ attribute }) => attribute === name);
    return option ? valuesOf(option, at - typed.length) : null;
  }
  const typed = TAG.test(before) ? /\s([\w-]*)$/.exec(before)?.[1] : undefined;
  if (typed === undefined) return null;
  const options = kits.flatMap(({ title, options: all }) =>
    all.flatMap((option): Completion[] =>
      option.attribute === null
        ? []
        : [{ label: option.attribute, type: 'property', detail: title, info: meaning(option) }],
    ),
  );
  return options.length > 0 ? { from: at - typed.length, options, validFor: /^[\w-]*$/ } : null;
}

function inCall(before: string, at: number, kits: readonly KitView[]): CompletionResult | null {
  for (const { title, call, options } of kits) {
    const begins = call === null ? -1 : before.lastIndexOf(`${call}(`);
    const rest = begins < 0 ? '' : before.slice(begins);
    // Within the object that is handed over, and not behind the call.
    if (!rest.includes('{') || rest.includes('}')) continue;
    const value = /(\w+)\s*:\s*(["'])([\w-]*)$/.exec(rest);
    const option = options.find(({ argument }) => argument === value?.[1]);
    if (option && value) return valuesOf(option, at - (value[3] ?? '').length);
    const typed = /[{,]\s*(\w*)$/.exec(rest)?.[1];
    if (typed === undefined) continue;
    return {
      from: at - typed.length,
      options: options.map((one) => ({
        label: one.argument,
        type: 'property',
        detail: title,
        info: meaning(one),
        apply: `${one.argument}: `,
      })),
      validFor: /^\w*$/,
    };
  }
  return null;
}

const valuesOf = (option: Option, from: number): CompletionResult => ({
  from,
  options: option.values.map((label) => ({ label, type: 'enum', info: meaning(option) })),
  validFor: /^[\w-]*$/,
});
