import { attributeOf, replaceValue } from '../markup/index.ts';
import { resolved, THUMBNAIL } from '../model/index.ts';
import { isPicturePath, nameOf, relativeReference } from '../site/index.ts';
import { placeIn, planEdits, type Finding, type Fix, type Rule } from './finding.ts';

/** Elements whose reference a browser fetches or follows. */
const SOUGHT: Record<string, string> = { img: 'src', a: 'href', script: 'src', link: 'href', source: 'src', video: 'src', audio: 'src', iframe: 'src' };

export const fileMissing: Rule = {
  id: 'file-missing',
  station: 'pairs',
  title: 'Every path leads to a file that is there',
  find: (site) => site.pages.flatMap((page) => page.document.elements.flatMap((element): Finding[] => {
    const name = SOUGHT[element.tag];
    const attribute = name === undefined ? undefined : attributeOf(element, name);
    const file = resolved(attribute?.value, page.path, site.index);
    if (!attribute || !file || file.real !== null || file.path === '') return [];
    const strand = page.strands.flat().find((one) => attribute.range.start >= one.range.start && attribute.range.start < one.range.end) ?? null;
    const isThumbnail = element.tag === 'img';
    const fixes: Fix[] = [];
    // A thumbnail that is missing beside a full-size picture that is there can be made.
    const full = strand?.full ?? null;
    if (isThumbnail && full && isPicturePath(full) && isPicturePath(file.path)) fixes.push({ kind: 'picture', label: `Make it from ${nameOf(full)}`, tasks: [{ from: full, to: file.path, size: site.recipe.thumbnail, as: THUMBNAIL, times: 1 }] });
    const namesakes = site.index.namesakes(file.path);
    const [twin] = namesakes;
    if (namesakes.length === 1 && twin && twin !== full) fixes.push({ kind: 'change', label: `Point it at ${twin}`, plan: () => planEdits(`Point at ${twin} in ${page.path}`, page.path, { ok: true, edits: [replaceValue(attribute, relativeReference(page.path, twin))] }) });
    return [{
      id: `file-missing:${page.path}:${file.path}`,
      rule: 'file-missing',
      station: 'pairs',
      severity: 'broken',
      says: `There is no ${file.path}.`,
      why: isThumbnail ? 'The page shows a broken picture, or its alt text, in this place.' : element.tag === 'a' ? 'A click ends on the host’s error page.' : 'The browser asks for it in vain; what it should do does not happen.',
      place: placeIn(page, attribute.range),
      strand: strand?.id ?? null,
      joint: strand ? (isThumbnail ? 'thumbnail' : 'full-size') : null,
      fixes,
    }];
  })),
};
