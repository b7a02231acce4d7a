/** A page that loads less: pictures that wait, and smaller files of pictures that are shown small. */
import { elementBy, setAttribute, verifiedSameShape } from '../markup/index.ts';
import type { SiteReading } from '../model/index.ts';
import { type Edit, nameOf, planEdits, type Planned, refuse, relativeReference } from '../site/index.ts';

interface SavedBytes {
  page: string;
  /** Child numbers of each picture that is to wait. */
  lazy: readonly number[][];
  instead: readonly { element: number[]; path: string }[];
}

export function saveBytes(site: SiteReading, { page: path, lazy, instead }: SavedBytes): Planned {
  const page = site.pages.find((one) => one.path === path);
  if (!page) return refuse(`There is no page ${path} any more.`);
  const { document } = page;
  const edits: Edit[] = [];
  const set = (place: readonly number[], name: string, value: string): string | null => {
    const image = elementBy(document, place);
    if (image?.tag !== 'img') return `There is no picture any more where one stood in ${path}. Measure the page again.`;
    const edit = setAttribute(image, name, value, document.text);
    if (edit) edits.push(edit);
    return null;
  };
  for (const { element, path: file } of instead) {
    if (!site.files.has(file)) return refuse(`There is no file ${nameOf(file)} any more.`);
    const trouble = set(element, 'src', relativeReference(page.base, file));
    if (trouble !== null) return refuse(trouble);
  }
  for (const element of lazy) {
    const trouble = set(element, 'loading', 'lazy');
    if (trouble !== null) return refuse(trouble);
  }
  if (edits.length === 0) return refuse('The page is so already.');
  const sorted = edits.sort((a, b) => a.start - b.start);
  return planEdits(`Load less on ${nameOf(path)}`, path, verifiedSameShape(document, sorted));
}
