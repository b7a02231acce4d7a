import { replaceValue, attributeOf } from '../markup/index.ts';
import { resolved, type SiteReading } from '../model/index.ts';
import { nameOf, planEdits, relativeReference } from '../site/index.ts';
import { placeIn, type Observation, type Rule } from './finding.ts';

/** Most hosts tell `Photo.JPG` from `photo.jpg`, most desktops do not (common practice, no source). */
export const caseDiffers: Rule = {
  id: 'case-differs',
  station: 'pairs',
  title: 'Every path is written with the capitals that the file has',
  find: (site) =>
    site.pages.flatMap((page) =>
      page.document.elements.flatMap((element) =>
        ['src', 'href'].flatMap((name) => {
          const attribute = attributeOf(element, name);
          const file = resolved(attribute?.value, page.base, site.index);
          if (!attribute || !file?.otherCase || file.real === null) return [];
          const { path, real } = file;
          const finding: Observation = {
            matter: `${page.path}:${path}`,
            severity: 'error',
            says: `This ${name === 'href' ? 'link' : 'address'} asks for ${nameOf(path)}; on disk the file is ${nameOf(real)}.`,
            why: 'It works on most desktops and fails on most hosts, which tell capitals apart.',
            place: placeIn(page, attribute.range),
            ...strandAt(site, page.path, attribute.range.start, name),
            fixes: [
              {
                kind: 'rename',
                label: `Rename the file to ${nameOf(path)}`,
                from: real,
                to: path,
              },
              {
                kind: 'change',
                label: `Write ${nameOf(real)} here`,
                plan: () =>
                  planEdits(`Write ${nameOf(real)} in ${page.path}`, page.path, {
                    ok: true,
                    edits: [replaceValue(attribute, relativeReference(page.base, real))],
                  }),
              },
            ],
          };
          return [finding];
        }),
      ),
    ),
};

function strandAt(
  site: SiteReading,
  path: string,
  offset: number,
  name: string,
): Pick<Observation, 'strand' | 'joint'> {
  const page = site.pages.find((one) => one.path === path);
  const strand = page?.strands.flat().find((one) => offset >= one.range.start && offset < one.range.end);
  if (!strand) return { strand: null, joint: null };
  return { strand: strand.id, joint: name === 'href' ? 'full-size' : 'thumbnail' };
}
