import { type PageElement, replaceValue, STATES } from '../markup/index.ts';
import { resolved, THUMBNAIL, type PageReading, type SiteReading, type Strand } from '../model/index.ts';
import { isPicturePath, nameOf, planEdits, relativeReference, type FileChange } from '../site/index.ts';
import { placeIn, type Observation, type Fix, type Rule } from './finding.ts';
import { deadEnds } from './menuDeadEnd.ts';
import { soughtReferences, type SoughtReference } from './references.ts';

export const fileMissing: Rule = {
  id: 'file-missing',
  station: 'pairs',
  title: 'Every path leads to a file that is there',
  find: (site) => {
    // An entry of the menu of several pages is one matter.
    const ofMenus = new Set([...deadEnds(site).values()].flat().map(({ menu, n }) => menu.entries[n]?.link));
    return site.pages.flatMap((page) =>
      soughtReferences(page).flatMap((reference): Observation[] => {
        const { element, attribute, loads } = reference;
        const file = ofMenus.has(element) ? null : resolved(attribute.value, page.base, site.index);
        if (!file || file.real !== null || file.path === '') return [];
        const strand = strandAt(page, attribute.range.start);
        const isThumbnail = element.tag === 'img';
        const missed: Missed = { ...reference, page, path: file.path, full: strand?.full ?? null };
        return [
          {
            matter: `${page.path}:${file.path}`,
            station: loads ? 'wiring' : 'pairs',
            severity: 'error',
            says: `There is no ${file.path}.`,
            why: whyMissed(element, isThumbnail),
            place: placeIn(page, attribute.range),
            strand: strand?.id ?? null,
            joint: strand && (isThumbnail ? 'thumbnail' : 'full-size'),
            fixes: [makeIt, pointAtNamesake, copyKitFile].flatMap((fix) => fix(site, missed) ?? []),
          },
        ];
      }),
    );
  },
};

interface Missed extends SoughtReference {
  page: PageReading;
  path: string;
  /** The full-size picture of the item in which it is missed. */
  full: string | null;
}

const strandAt = ({ strands }: PageReading, offset: number): Strand | null =>
  strands.flat().find(({ range }) => offset >= range.start && offset < range.end) ?? null;

/** A thumbnail that is missing beside a full-size picture that is there can be made. */
function makeIt(site: SiteReading, { element, path, full }: Missed): Fix | null {
  if (element.tag !== 'img' || full === null || !isPicturePath(full) || !isPicturePath(path)) return null;
  return {
    kind: 'picture',
    label: `Create the file from ${nameOf(full)}`,
    tasks: [{ from: full, to: path, size: site.recipe.thumbnail, as: THUMBNAIL, times: 1 }],
  };
}

function pointAtNamesake(site: SiteReading, { page, attribute, path, full }: Missed): Fix | null {
  const [twin, ...more] = site.index.namesakes(path);
  if (twin === undefined || more.length > 0 || twin === full) return null;
  const edits = () => [replaceValue(attribute, relativeReference(page.base, twin))];
  return {
    kind: 'change',
    label: `Point the address at ${twin}`,
    plan: () => planEdits(`Point at ${twin} in ${page.path}`, page.path, { ok: true, edits: edits() }),
  };
}

/** A viewer's own file that is nowhere in the site is copied in, where the page asks for it. */
function copyKitFile(site: SiteReading, { loads, path }: Missed): Fix | null {
  return !loads || site.index.namesakes(path).length > 0 ? null : copyOfKitFile(site, path);
}

export function copyOfKitFile(site: SiteReading, path: string): Fix | null {
  const name = nameOf(path);
  const text = site.kits.find(({ files }) => Object.hasOwn(files, name))?.files[name];
  if (text === undefined) return null;
  const file: FileChange = { kind: 'put', path, before: null, after: { kind: 'text', text } };
  return {
    kind: 'change',
    states: STATES.nothing,
    label: `Copy ${name} there`,
    plan: () => ({ ok: true, change: { label: `Copy ${path}`, files: [file] } }),
  };
}

function whyMissed({ tag }: PageElement, isThumbnail: boolean): string {
  if (isThumbnail) return 'The page shows a broken picture, or its alt text, in this place.';
  if (tag === 'a') return 'A click ends on the host’s error page.';
  return 'The browser requests it and gets an error; what it should do does not happen.';
}
