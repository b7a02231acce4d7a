/** A new page: from a clean skeleton, or from one that is there, whose head, menu, scripts and layout it keeps. */
import { type EmptiedPlace, skeletonPage, SKELETON_STYLE, type NewItem } from '../markup/index.ts';
import { notesChange, type PageReading, sharedMenu, type SiteReading } from '../model/index.ts';
import { isOfKit } from '../wiring/index.ts';
import {
  cleanPath,
  type FileChange,
  folderOf,
  isPagePath,
  isStylePath,
  type Planned,
  refuse,
  relativeReference,
  type Result,
  type SiteNotes,
} from '../site/index.ts';
import { copyOfPage, type CopyWish, mainGallery } from './copyPage.ts';
import { enterInMenus } from './menuWork.ts';
import type { NewPicture } from './intent.ts';

interface NewPageWish {
  path: string;
  title: string;
  /** The page that it is made from; undefined begins with a skeleton. */
  from?: string | undefined;
  /** The pictures of its gallery, instead of those of the page it is made from. */
  pictures?: readonly NewPicture[] | undefined;
  /** What the menus shall call it; undefined leaves them as they are. */
  entry?: string | undefined;
  /** Which gallery of the other page the pictures come into; by itself the largest that is no slideshow. */
  fills?: number | undefined;
  /** Galleries of the other page that come along as they are. */
  keep?: readonly number[] | undefined;
}

/** `itemFor` writes a picture's addresses as they stand in a page at that path. */
export function newPage(
  site: SiteReading,
  wish: NewPageWish,
  itemFor: (page: string, picture: NewPicture) => NewItem,
): Planned {
  const parts = pageParts(site, wish, itemFor);
  if (!parts.ok) return parts;
  const { path, files, hints } = parts;
  const label = wish.from === undefined ? `New page ${path}` : `New page ${path} from ${wish.from}`;
  const noted = withHints(site, [hints]);
  return {
    ok: true,
    change: { label, files: [...files, ...(Object.keys(noted).length === 0 ? [] : notesChange(site, noted))] },
  };
}

export interface PageParts {
  path: string;
  /** Without the notes. */
  files: FileChange[];
  /** Where its pictures come, if it was made without any from a page that had some. */
  place: EmptiedPlace | null;
  hints: Hints;
}

/** For whoever notes more of the new page. */
export function pageParts(
  site: SiteReading,
  { path: raw, title, from, pictures = [], entry, fills, keep = [] }: NewPageWish,
  itemFor: (page: string, picture: NewPicture) => NewItem,
): Result<PageParts> {
  const place = freePlace(site, raw);
  if (!place.ok) return place;
  const { path } = place;
  const source = from === undefined ? undefined : site.pages.find((one) => one.path === from);
  if (from !== undefined && !source) return refuse(`There is no page ${from} any more.`);
  const made = source
    ? copied(site, source, {
        path,
        title,
        items: pictures.map((picture) => itemFor(path, picture)),
        entry: entry ?? null,
        gallery: fills ?? mainGallery(source),
        keep,
      })
    : skeleton(site, path, title);
  if (!made.ok) return made;
  const entered = entry === undefined ? NOTHING : entriesFor(site, path, entry);
  if (!entered.ok) return entered;
  return {
    ok: true,
    path,
    files: [...made.files, ...entered.files],
    place: made.emptied ?? null,
    hints: hintsFor(site, path, from, made.emptied),
  };
}

function freePlace(site: SiteReading, raw: string): Result<{ path: string }> {
  const clean = cleanPath(raw.trim());
  if (!clean.ok) return refuse(`“${raw}” cannot be a page’s name: ${clean.reason}.`);
  if (!isPagePath(clean.path)) return refuse(`“${clean.path}” does not end in .html.`);
  return site.index.lookup(clean.path).found === 'nothing' ? clean : refuse(`There is a file ${clean.path} already.`);
}

const NOTHING: Made = { ok: true, files: [] };

function entriesFor(site: SiteReading, path: string, label: string): Made {
  const shared = sharedMenu(site.pages);
  return shared
    ? enterInMenus(shared, path, label)
    : refuse('No two pages here share a menu, so there is none to add the page to.');
}

type Hints = Pick<SiteNotes, 'emptied' | 'links' | 'units'>;

/** What was said of the items of the page that it is made from goes for those of the new one. */
function hintsFor(
  site: SiteReading,
  path: string,
  from: string | undefined,
  place: EmptiedPlace | null | undefined,
): Hints {
  const { emptied, links, units } = site.notes.known;
  const more = <One extends { page: string }>(all: readonly One[]): One[] =>
    all.filter(({ page }) => page === from).map((one) => ({ ...one, page: path }));
  // A pattern may hold addresses, which are those of its folder.
  const beside = from !== undefined && folderOf(from) === folderOf(path) ? more(emptied) : [];
  return {
    emptied: [...beside, ...(place ? [{ page: path, ...place }] : [])],
    links: more(links),
    units: more(units),
  };
}

/** Those parts of the notes that are other with these. */
export function withHints({ notes: { known } }: SiteReading, hints: readonly Hints[]): Partial<SiteNotes> {
  const more = <One>(before: readonly One[], of: (one: Hints) => readonly One[]): One[] | null => {
    const added = hints.flatMap((one) => [...of(one)]);
    return added.length === 0 ? null : [...before, ...added];
  };
  const emptied = more(known.emptied, (one) => one.emptied);
  const links = more(known.links, (one) => one.links);
  const units = more(known.units, (one) => one.units);
  return { ...(emptied && { emptied }), ...(links && { links }), ...(units && { units }) };
}

type Made = Result<{ files: FileChange[]; emptied?: EmptiedPlace | null }>;

function copied(site: SiteReading, source: PageReading, wish: CopyWish): Made {
  const copy = copyOfPage(site, source, wish);
  if (!copy.ok) return copy;
  return {
    ok: true,
    files: [{ kind: 'put', path: wish.path, before: null, after: { kind: 'text', text: copy.text } }],
    emptied: copy.emptied,
  };
}

function skeleton(site: SiteReading, path: string, title: string): Made {
  const styles = [...site.files.keys()].filter(
    (one) => isStylePath(one) && !site.kits.some((kit) => isOfKit(kit, one)),
  );
  const style = styles[0] ?? `${folderOf(path)}style.css`;
  const files: FileChange[] = [
    {
      kind: 'put',
      path,
      before: null,
      after: { kind: 'text', text: skeletonPage(title, relativeReference(path, style)) },
    },
  ];
  if (styles.length === 0)
    files.push({ kind: 'put', path: style, before: null, after: { kind: 'text', text: SKELETON_STYLE } });
  return { ok: true, files };
}
