/** A setting of a gallery's look, written into the author's stylesheets. */
import { galleriesOf, insertStylesheet, parsePage, SKELETON_STYLE } from '../markup/index.ts';
import type { SiteReading } from '../model/index.ts';
import {
  applyEdits,
  type FileChange,
  type FileContent,
  folderOf,
  isStylePath,
  PathIndex,
  type Planned,
  refuse,
  relativeReference,
  smallestEdit,
} from '../site/index.ts';
import {
  declareAll,
  layoutOf,
  linkedStyles,
  type Setting,
  SETTINGS,
  situationOf,
  WIDE,
  type StyledSite,
  type Layout,
} from '../style/index.ts';
import { isOfKit } from '../wiring/index.ts';
import { GALLERY_GONE } from './items.ts';

interface StyleSettingWish {
  page: string;
  gallery: number;
  setting: string;
  /** Null takes away what is declared. */
  value: string | null;
  /** The width of the window up to which it counts, in CSS px; null for every width. */
  at: number | null;
}

const isForeign = ({ kits }: Pick<SiteReading, 'kits'>, path: string): boolean =>
  kits.some((kit) => isOfKit(kit, path));

export function styledSite(site: SiteReading): StyledSite {
  return { files: site.files, index: site.index, pages: site.pages, foreign: (path) => isForeign(site, path) };
}

/** Stylesheets that are the author's own. */
const ownStyles = (site: SiteReading): string[] =>
  [...site.files.keys()].filter((path) => isStylePath(path) && !isForeign(site, path));

export function setStyle(
  site: SiteReading,
  { page: path, gallery, setting: id, value, at }: StyleSettingWish,
): Planned {
  const setting = SETTINGS.find((one) => one.id === id);
  if (!setting) return refuse(`There is no setting ${id}.`);
  const start = withOwnStylesheet(site, path);
  if (typeof start === 'string') return refuse(start);
  const layout = layoutAt(start, path, gallery, at);
  if (!layout) return refuse(GALLERY_GONE);
  const idle = setting.idle?.(layout);
  if (idle) return refuse(idle);
  const wishes = setting.wishes(layout, value);
  if (typeof wishes === 'string') return refuse(wishes);
  const upTo = at === null ? '' : ` up to ${at} px`;
  const purpose = `Gallery of ${path}: ${setting.purpose}${at === null ? '' : `,${upTo}`}`;
  const done = declareAll(start, { page: path, gallery }, wishes, at, purpose);
  if (!done.ok) return done;
  const trouble = untold(done.site, { path, gallery, at }, setting, value);
  if (trouble !== null) return refuse(`Nothing was changed: ${trouble}.`);
  const files = changesBetween(site.files, done.site.files);
  if (files.length === 0)
    return refuse(value === null ? 'There is no declaration for that.' : 'The stylesheet has this already.');
  return {
    ok: true,
    change: {
      label: `${setting.title}${upTo}${setting.field.kind === 'act' ? '' : `: ${value ?? 'taken away'}`} (${path})`,
      files,
    },
  };
}

/** Settings that are read back in the very words in which they are set. */
const READ_BACK = new Set(['columns', 'column-gap', 'row-gap']);

/** Why a setting would not do what it says, or why nobody can tell here; null where it does. */
function untold(
  site: StyledSite,
  { path, gallery, at }: { path: string; gallery: number; at: number | null },
  setting: Setting,
  value: string | null,
): string | null {
  const layout = layoutAt(site, path, gallery, at);
  const told = layout && setting.read(layout);
  if (!told) return null;
  if (told.unread !== undefined) return `nobody can say here whether a browser does it: ${told.unread}`;
  if (value === null || !READ_BACK.has(setting.id) || told.value === value) return null;
  return `other declarations for these pictures stand in the way; it would come to ${told.value ?? 'nothing'}`;
}

function layoutAt(site: StyledSite, path: string, n: number, at: number | null): Layout | null {
  const situation = situationOf(site, path, at ?? WIDE);
  const gallery = situation && site.pages.find((one) => one.path === path)?.galleries[n];
  return situation && gallery ? layoutOf(situation, gallery) : null;
}

export function changesBetween(
  before: ReadonlyMap<string, FileContent>,
  after: ReadonlyMap<string, FileContent>,
): FileChange[] {
  return [...after].flatMap(([path, content]): FileChange[] => {
    const was = before.get(path);
    if (was === content) return [];
    if (was?.kind !== 'text' || content.kind !== 'text')
      return [{ kind: 'put', path, before: was ?? null, after: content }];
    const edits = smallestEdit(was.text, content.text);
    return edits.length === 0 ? [] : [{ kind: 'edit', path, edits }];
  });
}

/** The site as it would be with a stylesheet of the author's on the page: the shared one, or a first one. */
export function withOwnStylesheet(site: SiteReading, path: string): StyledSite | string {
  const styled = styledSite(site);
  const page = site.pages.find((one) => one.path === path);
  if (!page) return `There is no page ${path} any more.`;
  if (
    linkedStyles(page, site.index).some((one) => !styled.foreign(one)) ||
    page.document.elements.some(({ tag, texts }) => tag === 'style' && texts.length > 0)
  )
    return styled;
  const [shared] = ownStyles(site);
  const stylesheet = shared ?? `${folderOf(path)}style.css`;
  const edit = insertStylesheet(page.document, relativeReference(page.base, stylesheet));
  const text = edit ? applyEdits(page.document.text, [edit]) : null;
  if (!text?.ok) return 'The page has no head to link a stylesheet from. Write one in the source first.';
  const files = new Map(styled.files);
  files.set(path, { kind: 'text', text: text.text });
  if (shared === undefined) files.set(stylesheet, { kind: 'text', text: SKELETON_STYLE });
  const document = parsePage(text.text, page.document.units);
  return {
    ...styled,
    files,
    index: new PathIndex(files.keys()),
    pages: styled.pages.map((one) =>
      one.path === path ? { ...one, document, galleries: galleriesOf(document) } : one,
    ),
  };
}
