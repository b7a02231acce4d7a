/** Wiring, unwiring and changing from one viewer to another, asked for by the names of kits. */
import { countOf, type FileChange, type Planned, refuse } from '../site/index.ts';
import type { Gallery } from '../markup/index.ts';
import { notesChange, resolved, type PageReading, type SiteReading } from '../model/index.ts';
import { withOptions } from './carryOptions.ts';
import { broughtFiles, type BroughtFile } from './styleFiles.ts';
import {
  kitPath,
  paste,
  type Pasting,
  rewire,
  type Kit,
  type KitManifest,
  type LinkMemory,
  type WiringSite,
} from '../wiring/index.ts';

function onPage(site: SiteReading, path: string, plan: (page: PageReading) => Planned): Planned {
  const page = site.pages.find((one) => one.path === path);
  return page ? plan(page) : refuse(`There is no page ${path} any more.`);
}

/** Tags are kept by the contents of pictures, links by the paths of their pictures. */
const withNotes = (site: SiteReading): WiringSite => ({
  ...site,
  sizeOf: (path) => site.factsOf(path),
  remembered: (page) => site.notes.known.links.filter((one) => one.page === page),
  tagsOf: (page, item) => {
    const full = resolved(item.target?.value, site.bases.get(page) ?? page, site.index)?.real;
    const content = full ? site.files.get(full) : undefined;
    return content?.kind === 'binary' ? (site.notes.known.tags[content.hash] ?? []) : [];
  },
});

/** The change, and what is kept in mind of the page's links. */
const rewired = (site: SiteReading, page: PageReading, kits: { from: Kit | null; to: Kit | null }): Planned =>
  rewiredTogether(site, [page], kits, (label) => label);

/** The same of several pages: what they share, a viewer's files and the notes, is written once. */
function rewiredTogether(
  site: SiteReading,
  pages: readonly PageReading[],
  kits: { from: Kit | null; to: Kit | null },
  labelOf: (label: string) => string,
): Planned {
  let { links } = site.notes.known;
  let label = '';
  const files = new Map<string, FileChange>();
  for (const page of pages) {
    const outcome = rewire(withNotes(site), page, kits);
    if (!outcome.ok) return pages.length > 1 ? refuse(`${page.path}: ${outcome.reason}`) : outcome;
    label ||= outcome.change.label;
    for (const one of outcome.change.files) {
      const other = files.get(one.path);
      if (other && JSON.stringify(other) !== JSON.stringify(one))
        return refuse(`${page.path} and a page before it would change ${one.path} differently. Wire them one by one`);
      files.set(one.path, one);
    }
    links = linksBeside(links, page.path, outcome.remembers).links ?? links;
  }
  const kept = links === site.notes.known.links ? [] : notesChange(site, { links });
  return { ok: true, change: { label: labelOf(label), files: [...files.values(), ...kept] } };
}

type Links = SiteReading['notes']['known']['links'];

/** What is kept in mind of a page's links, beside that of other pages; nothing where nothing changes. */
function linksBeside(links: Links, path: string, remembers: readonly LinkMemory[]): { links?: Links } {
  const others = links.filter(({ page }) => page !== path);
  const now = remembers.map((one) => ({ page: path, ...one }));
  return links.length === others.length && now.length === 0 ? {} : { links: [...others, ...now] };
}

const kitBy = (site: SiteReading, name: string): Kit | undefined =>
  site.kits.find(({ manifest }) => manifest.name === name);
const unknown = (name: string): Planned => refuse(`There is no viewer “${name}” here.`);

export function wire(
  site: SiteReading,
  {
    page: path,
    kit: name,
    also = [],
  }: { page: string; kit?: string | undefined; also?: readonly string[] | undefined },
): Planned {
  return onPage(site, path, (page) => {
    const kit = name === undefined ? (page.wiring.main?.kit ?? site.kits[0]) : kitBy(site, name);
    if (!kit) return unknown(name ?? '');
    const others = also.flatMap((one) => site.pages.find((other) => other.path === one) ?? []);
    if (others.length < also.length) return refuse('One of these pages is not there any more.');
    const { title } = kit.manifest;
    return rewiredTogether(site, [page, ...others], { from: null, to: kit }, (label) =>
      others.length === 0 ? label : `Add the ${title} to ${path} and ${countOf(others.length, 'other page')}`,
    );
  });
}

/** One gallery of a page gets a viewer, the others stay as they are; it may be a group of one picture. */
export function wireGallery(
  site: SiteReading,
  { page: path, gallery: find, kit }: { page: string; gallery: (page: PageReading) => Gallery | undefined; kit: Kit },
): Planned {
  return onPage(site, path, (page) => {
    const gallery = find(page);
    if (!gallery) return refuse(`There is no such gallery on ${path} any more.`);
    const strands = page.strands[page.galleries.indexOf(gallery)] ?? [];
    return rewired(site, { ...page, galleries: [gallery], strands: [strands] }, { from: null, to: kit });
  });
}

export function unwire(site: SiteReading, { page: path, kit: name }: { page: string; kit: string }): Planned {
  return onPage(site, path, (page) => {
    const kit = kitBy(site, name);
    return kit ? rewired(site, page, { from: kit, to: null }) : unknown(name);
  });
}

export function changeKit(
  site: SiteReading,
  { page: path, from, to }: { page: string; from: string; to: string },
): Planned {
  return onPage(site, path, (page) => {
    const [before, after] = [kitBy(site, from), kitBy(site, to)];
    if (!before || !after) return unknown(before ? to : from);
    if (before === after) return refuse(`${path} is wired with the ${from} already.`);
    const planned = rewired(site, page, { from: before, to: after });
    return planned.ok ? withOptions(site, page, { from, to: after.manifest }, planned.change) : planned;
  });
}

/** The author's own script becomes a kit: its files stand in the site, its manifest in the notes. */
export function saveKit(
  site: SiteReading,
  {
    manifest,
    files,
    brought = [],
  }: { manifest: KitManifest; files: Record<string, string>; brought?: readonly BroughtFile[] | undefined },
): Planned {
  const { name } = manifest;
  const known = site.kits.find((kit) => kit.manifest.name === name);
  if (known && known.kind !== 'own') return refuse(`“${name}” is the name of a built-in viewer. Choose another name.`);
  const kit: Kit = { manifest, files, kind: 'own' };
  const absent = manifest.files.find(
    (file) => files[file.name] === undefined && !site.files.has(kitPath(kit, file.name)),
  );
  if (absent) return refuse(`${kitPath(kit, absent.name)} is not in the site and was not imported with it.`);
  const puts = manifest.files.flatMap((file): FileChange[] => {
    const path = kitPath(kit, file.name);
    const text = files[file.name];
    const before = site.files.get(path) ?? null;
    if (text === undefined || (before?.kind === 'text' && before.text === text)) return [];
    return [{ kind: 'put', path, before, after: { kind: 'text', text } }];
  });
  const others = site.notes.known.kits.filter((one) => nameIn(one) !== name);
  return {
    ok: true,
    change: {
      label: `Save ${manifest.title} as a viewer`,
      files: [
        ...puts,
        ...broughtFiles(site.files, kit, brought),
        ...notesChange(site, { kits: [...others, manifest] }),
      ],
    },
  };
}

interface LinesWish {
  page: string;
  text: string;
  files: Readonly<Record<string, string>>;
  brought?: readonly BroughtFile[] | undefined;
}

/** What becomes of pasted lines, piece by piece; null where there is no such page. */
export function pastedOn(site: SiteReading, { page: path, text, files }: LinesWish): Pasting | null {
  const page = site.pages.find((one) => one.path === path);
  return page ? paste(withNotes(site), page, { text, files }) : null;
}

/** Lines out of a manual are put where they belong, and the script that they speak of is known from then on. */
export function pasteLines(site: SiteReading, wish: LinesWish): Planned {
  const pasting = pastedOn(site, wish);
  if (!pasting) return refuse(`There is no page ${wish.page} any more.`);
  const { outcome } = pasting;
  if (!outcome.ok) return outcome;
  const { change, kit, remembers } = outcome;
  const { kits, links } = site.notes.known;
  const notes = {
    ...(kit ? { kits: [...kits, kit.manifest] } : {}),
    ...linksBeside(links, wish.page, remembers),
  };
  const kept = Object.keys(notes).length === 0 ? [] : notesChange(site, notes);
  const more = kit ? broughtFiles(site.files, kit, wish.brought ?? []) : [];
  return { ok: true, change: { ...change, files: [...change.files, ...more, ...kept] } };
}

export function forgetKit(site: SiteReading, { name }: { name: string }): Planned {
  const using = site.pages.find((page) =>
    page.wiring.uses.some(({ kit }) => kit.manifest.name === name && kit.kind === 'own'),
  );
  if (using) return refuse(`${using.path} uses it. Remove it from that page first.`);
  const left = site.notes.known.kits.filter((one) => nameIn(one) !== name);
  if (left.length === site.notes.known.kits.length) return unknown(name);
  // The files are the author's and stay.
  return { ok: true, change: { label: `Remove the viewer ${name}`, files: notesChange(site, { kits: left }) } };
}

const nameIn = (data: unknown): unknown =>
  typeof data === 'object' && data !== null && 'name' in data ? data.name : undefined;
