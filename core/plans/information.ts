/** Picture information out of the files, written for each link of a gallery where its viewer looks for it. */
import { resolved, takenAtOf, wordsFor, type PageReading, type SiteReading } from '../model/index.ts';
import { valueOf, type GalleryItem } from '../markup/index.ts';
import { countOf, editFiles, type Edit, type Planned, refuse, type Result } from '../site/index.ts';
import { setOptions } from '../wiring/index.ts';
import { INFORMATION_FIELDS, informationOf, type Information, type InformationField } from './informationText.ts';
import { GALLERY_GONE } from './items.ts';
import { changesBetween } from './style.ts';

interface InformationWish {
  page: string;
  gallery: number;
  kit: string;
  /** None takes the information away. */
  fields: readonly InformationField[];
}

export function writeInformation(site: SiteReading, wish: InformationWish): Planned {
  const page = site.pages.find(({ path }) => path === wish.page);
  const gallery = page?.galleries[wish.gallery];
  const use = page?.wiring.uses.find(({ kit }) => kit.manifest.name === wish.kit);
  if (!page || !gallery) return refuse(GALLERY_GONE);
  if (!use) return refuse(`${wish.kit} is not on ${wish.page}.`);
  const { title, information: option } = use.kit.manifest;
  if (option === undefined) return refuse(`${title} has no place for picture information.`);
  const edited = editsFor(site, { page, use, gallery, option }, wish.fields);
  if (!edited.ok) return edited;
  if (edited.count === 0) return refuse('None of these files says any of it.');
  const done = editFiles(site.files, edited.edits);
  if (!done.ok) return done;
  const files = changesBetween(site.files, done.files);
  if (files.length === 0) return refuse('There is nothing to change.');
  const label = wish.fields.length > 0 ? 'Write picture information' : 'Remove picture information';
  return { ok: true, change: { label: `${label} (${countOf(edited.count, 'link')}, ${page.path})`, files } };
}

interface Place {
  page: PageReading;
  use: PageReading['wiring']['uses'][number];
  gallery: PageReading['galleries'][number];
  option: string;
}

/** The edits of every link whose file says something, and how many these are. */
function editsFor(
  site: SiteReading,
  { page, use, gallery, option }: Place,
  fields: readonly InformationField[],
): Result<{ edits: { path: string; edits: readonly Edit[] }[]; count: number }> {
  const root = page.document.elements.find(({ tag }) => tag === 'html');
  const language = (root && valueOf(root, 'lang')) ?? '';
  const edits: { path: string; edits: readonly Edit[] }[] = [];
  let count = 0;
  for (const item of gallery.items) {
    const { link } = item;
    if (!link || !use.claimed.has(link)) continue;
    const text = informationOf(saidOf(site, page.base, item), fields, language);
    if (fields.length > 0 && text === '') continue;
    const set = setOptions(site.files, page, { use, gallery, link }, { [option]: text === '' ? null : text });
    if (!set.ok) return set;
    edits.push({ path: page.path, edits: set.edits });
    edits.push(...set.files.flatMap((one) => (one.kind === 'edit' ? [one] : [])));
    count += 1;
  }
  return { ok: true, edits, count };
}

/** The fields that some file of a gallery says. */
export function informationFields(site: SiteReading, path: string, n: number): InformationField[] {
  const page = site.pages.find((one) => one.path === path);
  const said = (page?.galleries[n]?.items ?? []).map((item) => saidOf(site, page?.base ?? path, item));
  return INFORMATION_FIELDS.filter((field) => said.some((one) => informationOf(one, [field], '') !== ''));
}

/** What the full-size file and its author say; of what is on another host nothing. */
function saidOf(site: SiteReading, base: string, item: GalleryItem): Information {
  const full = resolved(item.target?.value, base, site.index)?.real ?? null;
  const content = full === null ? undefined : site.files.get(full);
  if (full === null || content?.kind !== 'binary') return {};
  const facts = site.factsOf(full);
  const notes = site.notes.known;
  const { credit, copyright } = wordsFor(notes, content.hash, facts, full);
  return { ...facts?.capture, takenAt: takenAtOf(notes, content.hash, facts, full), credit, copyright };
}
