/** A viewer's options and its look, for a gallery or one link, written into the author's own text. */
import { parsePage } from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import {
  type Edit,
  editFiles,
  type FileChange,
  type FileContent,
  type Planned,
  refuse,
  type Result,
} from '../site/index.ts';
import { declareAll, setForPage, troubleWith, type StyledSite } from '../style/index.ts';
import { setOptions, type KitLook, type KitManifest, type OptionValue } from '../wiring/index.ts';
import { GALLERY_GONE, itemOf } from './items.ts';
import { changesBetween, withOwnStylesheet } from './style.ts';

interface OptionsWish {
  page: string;
  gallery: number;
  kit: string;
  /** For this one alone; null for all of the gallery. */
  strand: string | null;
  /** Null takes one back to what holds without it. */
  options: Readonly<Record<string, OptionValue | null>>;
  /** Custom properties; null takes one away. */
  look: Readonly<Record<string, string | null>>;
  /** The title of the preset that they are. */
  preset?: string | undefined;
}

export function setViewerOptions(site: SiteReading, wish: OptionsWish): Planned {
  const page = site.pages.find(({ path }) => path === wish.page);
  const gallery = page?.galleries[wish.gallery];
  const use = page?.wiring.uses.find(({ kit }) => kit.manifest.name === wish.kit);
  if (!page || !gallery) return refuse(GALLERY_GONE);
  if (!use) return refuse(`${wish.kit} is not on ${wish.page}.`);
  const item = wish.strand === null ? null : itemOf(site, wish.strand);
  if (wish.strand !== null && !item)
    return refuse('This picture is no longer at this place; the page has changed meanwhile.');
  const link = item?.item.link ?? null;
  const { manifest } = use.kit;
  const set = setOptions(site.files, page, { use, gallery, link }, wish.options);
  if (!set.ok) return set;
  const changed = withEdits(site, page, set);
  if (!changed.ok) return changed;
  const looked = setLooks({ ...site, files: changed.files }, page, manifest, wish);
  if (!looked.ok) return looked;
  const files = changesBetween(site.files, looked.files);
  if (files.length === 0) return refuse('There is nothing to change.');
  return { ok: true, change: { label: labelOf(manifest, wish), files } };
}

function labelOf({ title, options, look }: KitManifest, wish: OptionsWish): string {
  if (wish.preset !== undefined) return `${title}: ${wish.preset} (${wish.page})`;
  const said = [
    ...Object.entries(wish.options).map(
      ([name, value]) => `${options.find((one) => one.name === name)?.title ?? name} ${spoken(value)}`,
    ),
    ...Object.entries(wish.look).map(
      ([property, value]) => `${look.find((one) => one.property === property)?.title ?? property} ${spoken(value)}`,
    ),
  ];
  return `${title}: ${said.join(', ')} (${wish.page})`;
}

function spoken(value: OptionValue | null): string {
  if (value === null) return 'as without it';
  if (typeof value === 'boolean') return value ? 'on' : 'off';
  return `“${value}”`;
}

type Changed = Result<{ files: ReadonlyMap<string, FileContent> }>;

/** The site's files with the edits of the page and of its scripts. */
function withEdits(site: SiteReading, page: PageReading, set: { edits: Edit[]; files: FileChange[] }): Changed {
  const scripts = set.files.flatMap((change) => (change.kind === 'edit' ? [change] : []));
  return editFiles(site.files, [{ path: page.path, edits: set.edits }, ...scripts]);
}

function setLooks(site: SiteReading, page: PageReading, manifest: KitManifest, wish: OptionsWish): Changed {
  const wishes = Object.entries(wish.look);
  if (wishes.length === 0) return { ok: true, files: site.files };
  const unknown = wishes.find(([property]) => !manifest.look.some((one) => one.property === property));
  if (unknown) return refuse(`${manifest.title} has no ${unknown[0]}.`);
  const trouble = wishes
    .map(([property, value]) => troubleWithLook(manifest, property, value))
    .find((one) => one !== null);
  if (trouble) return refuse(`${trouble}.`);
  const start = withOwnStylesheet(reread(site, page), page.path);
  if (typeof start === 'string') return refuse(start);
  let now: StyledSite = start;
  for (const [property, value] of wishes) {
    const title = manifest.look.find((one) => one.property === property)?.title ?? property;
    const done = manifest.looksAlone
      ? declareAll(
          now,
          { page: page.path, gallery: wish.gallery },
          [{ role: 'holder', property, value }],
          null,
          `Gallery of ${page.path}: ${manifest.title.toLowerCase()}, ${title.toLowerCase()}`,
        )
      : setForPage(now, page.path, {
          property,
          value,
          purpose: `Viewer ${manifest.title.toLowerCase()}: ${title.toLowerCase()}`,
        });
    if (!done.ok) return done;
    now = done.site;
  }
  return { ok: true, files: now.files };
}

/** Properties that take the values of a look's type. */
const STANDS_FOR: Readonly<Record<KitLook['type'], string>> = {
  color: 'color',
  length: 'width',
  time: 'transition-duration',
  number: 'line-height',
  image: 'background-image',
  shadow: 'box-shadow',
};

function troubleWithLook({ look }: KitManifest, property: string, value: string | null): string | null {
  const type = look.find((one) => one.property === property)?.type;
  if (value === null || type === undefined || troubleWith(STANDS_FOR[type], value) === null) return null;
  return troubleWith(STANDS_FOR[type], value)?.replace(STANDS_FOR[type], property) ?? null;
}

/** The site with the page as it reads after its edits. */
function reread(site: SiteReading, page: PageReading): SiteReading {
  const content = site.files.get(page.path);
  if (content?.kind !== 'text' || content.text === page.document.text) return site;
  const document = parsePage(content.text, page.document.units);
  return { ...site, pages: site.pages.map((one) => (one === page ? { ...one, document } : one)) };
}
