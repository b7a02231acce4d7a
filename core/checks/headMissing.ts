import {
  attributeOf,
  encodeAttribute,
  hasViewport,
  LAID_OUT,
  metaIn,
  valueOf,
  type PageDocument,
} from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import { type FileChange, relativeReference, type Edit } from '../site/index.ts';
import { placeIn, planPage, type Fix, type Rule } from './finding.ts';

/** Behind the declaration of the encoding, which comes first, else as the first thing in the head; null without one. */
function inHead({ elements, text }: PageDocument, markup: string): Edit | null {
  const head = elements.find(({ tag, open }) => tag === 'head' && open && open.end > open.start);
  if (!head?.open) return null;
  const declared = head.children.find((child) => attributeOf(child, 'charset') ?? attributeOf(child, 'http-equiv'));
  const first = head.children.find(({ range }) => range);
  const before = declared?.range ?? null;
  const from = before?.start ?? first?.range?.start ?? head.open.end;
  const space = /(?:\r?\n)?[ \t]*$/.exec(text.slice(0, from))?.[0] ?? '';
  const at = before?.end ?? head.open.end;
  return { start: at, end: at, text: space + markup };
}

const headOf = ({ document }: PageReading) => document.elements.find(({ tag }) => tag === 'head')?.open;

const pagesWith = (site: SiteReading): PageReading[] =>
  // A piece that other pages take in has no head of its own.
  site.pages.filter(({ document }) => document.elements.some(({ tag, range }) => tag === 'head' && range));

const VIEWPORT = '<meta name="viewport" content="width=device-width, initial-scale=1">';

/** A few pages by name: `index.html and 3 other pages`. */
function someOf([first, ...others]: readonly PageReading[]): string {
  const more = others.length === 1 ? '1 other page' : `${others.length} other pages`;
  return (first?.path ?? '') + (others.length === 0 ? '' : ` and ${more}`);
}

const have = (pages: readonly PageReading[]): string => (pages.length === 1 ? 'has' : 'have');

export const viewportMissing: Rule = {
  id: 'viewport-missing',
  station: 'proof',
  title: 'Every page says how wide a phone is to lay it out',
  find: (site) => {
    const without = pagesWith(site).filter(({ document }) => !hasViewport(document));
    const [first] = without;
    if (!first) return [];
    const added = without.flatMap((page) => {
      const edit = inHead(page.document, VIEWPORT);
      return edit ? [{ page, edit }] : [];
    });
    return [
      {
        matter: 'site',
        severity: 'warning',
        says: `${someOf(without)} ${have(without)} no viewport tag.`,
        why: `Phones and tablets lay such a page out ${LAID_OUT} px wide and show it shrunken; what is set for narrow windows never counts there.`,
        place: placeIn(first, headOf(first)),
        strand: null,
        joint: null,
        fixes: added.length === 0 ? [] : [onAll('Add the viewport tag', 'Add the viewport tag', added)],
      },
    ];
  },
};

export const descriptionMissing: Rule = {
  id: 'description-missing',
  station: 'proof',
  title: 'Every page describes itself for searches and shared links',
  find: (site) => {
    const without = pagesWith(site).filter(({ document }) =>
      ['description', 'og:description'].every((name) => (metaIn(document, name) ?? '').trim() === ''),
    );
    const [first] = without;
    if (!first) return [];
    return [
      {
        matter: 'site',
        severity: 'warning',
        says: `${someOf(without)} ${have(without)} no description.`,
        why: 'Where a search or a message shows the page, it takes some words out of it. Write a meta tag with the name “description” in the head.',
        place: placeIn(first, headOf(first)),
        strand: null,
        joint: null,
        fixes: [],
      },
    ];
  },
};

/** What browsers ask for by themselves (common practice, no source). */
const BY_ITSELF = 'favicon.ico';
const ICONS = /(?:^|\/)(?:favicon|icon|apple-touch-icon)[^/]*\.(?:ico|png|svg)$/i;

export const iconMissing: Rule = {
  id: 'icon-missing',
  station: 'proof',
  title: 'The site has an icon for tabs and bookmarks',
  find: (site) => {
    const isIcon = (rel: string | undefined) => /(?:^|\s)(?:shortcut\s+)?icon(?:\s|$)/i.test(rel ?? '');
    const without = pagesWith(site).filter(
      ({ document }) => !document.elements.some((one) => one.tag === 'link' && isIcon(valueOf(one, 'rel'))),
    );
    const [first] = without;
    if (!first || site.files.has(BY_ITSELF)) return [];
    const icon = [...site.files.keys()].find((path) => ICONS.test(path));
    const linked = without.flatMap((page) => {
      const edit =
        icon === undefined ? null : inHead(page.document, `<link rel="icon" href="${hrefFrom(page, icon)}">`);
      return edit ? [{ page, edit }] : [];
    });
    return [
      {
        matter: 'site',
        severity: 'warning',
        says: without.length === site.pages.length ? 'The site has no icon.' : `${first.path} names no icon.`,
        why: `Browsers ask for ${BY_ITSELF} and get an error; tabs and bookmarks show a blank sheet.`,
        place: placeIn(first, headOf(first)),
        strand: null,
        joint: null,
        fixes:
          icon === undefined || linked.length === 0 ? [] : [onAll(`Link ${icon}`, `Link ${icon} as the icon`, linked)],
      },
    ];
  },
};

const hrefFrom = ({ base }: PageReading, icon: string): string => encodeAttribute(relativeReference(base, icon), '"');

/** One element more in each of the pages, as one change. */
const onAll = (label: string, done: string, added: readonly { page: PageReading; edit: Edit }[]): Fix => ({
  kind: 'change',
  states: { gives: ['tags', 'attributes'] },
  label,
  plan: () => {
    const files: FileChange[] = [];
    for (const { page, edit } of added) {
      const planned = planPage(page, done, [edit], 1);
      if (!planned.ok) return planned;
      files.push(...planned.change.files);
    }
    return {
      ok: true,
      change: {
        label: added.length === 1 ? `${done} (${added[0]?.page.path ?? ''})` : `${done} (${added.length} pages)`,
        files,
      },
    };
  },
});
