import { type PageElement, replaceValue } from '../markup/index.ts';
import { resolved, THUMBNAIL } from '../model/index.ts';
import { isPicturePath, nameOf, planEdits, relativeReference } from '../site/index.ts';
import { placeIn, type Observation, type Fix, type Rule } from './finding.ts';
import { soughtReferences } from './references.ts';

export const fileMissing: Rule = {
  id: 'file-missing',
  station: 'pairs',
  title: 'Every path leads to a file that is there',
  find: (site) =>
    site.pages.flatMap((page) =>
      soughtReferences(page).flatMap(({ element, attribute, loads }): Observation[] => {
        const file = resolved(attribute.value, page.path, site.index);
        if (!file || file.real !== null || file.path === '') return [];
        const strand =
          page.strands
            .flat()
            .find((one) => attribute.range.start >= one.range.start && attribute.range.start < one.range.end) ?? null;
        const isThumbnail = element.tag === 'img';
        const fixes: Fix[] = [];
        // A thumbnail that is missing beside a full-size picture that is there can be made.
        const full = strand?.full ?? null;
        if (isThumbnail && full && isPicturePath(full) && isPicturePath(file.path))
          fixes.push({
            kind: 'picture',
            label: `Make it from ${nameOf(full)}`,
            tasks: [{ from: full, to: file.path, size: site.recipe.thumbnail, as: THUMBNAIL, times: 1 }],
          });
        const namesakes = site.index.namesakes(file.path);
        const [twin] = namesakes;
        if (namesakes.length === 1 && twin && twin !== full)
          fixes.push({
            kind: 'change',
            label: `Point it at ${twin}`,
            plan: () =>
              planEdits(`Point at ${twin} in ${page.path}`, page.path, {
                ok: true,
                edits: [replaceValue(attribute, relativeReference(page.path, twin))],
              }),
          });
        // A viewer's own file that is nowhere in the site is copied in, where the page asks for it.
        const kit =
          loads && namesakes.length === 0
            ? site.kits.find(({ files }) => Object.hasOwn(files, nameOf(file.path)))
            : undefined;
        const text = kit?.files[nameOf(file.path)];
        if (kit && text !== undefined)
          fixes.push({
            kind: 'change',
            label: `Copy ${nameOf(file.path)} there`,
            plan: () => ({
              ok: true,
              change: {
                label: `Copy ${file.path}`,
                files: [{ kind: 'put', path: file.path, before: null, after: { kind: 'text', text } }],
              },
            }),
          });
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
            fixes,
          },
        ];
      }),
    ),
};

function whyMissed({ tag }: PageElement, isThumbnail: boolean): string {
  if (isThumbnail) return 'The page shows a broken picture, or its alt text, in this place.';
  if (tag === 'a') return 'A click ends on the host’s error page.';
  return 'The browser asks for it in vain; what it should do does not happen.';
}
