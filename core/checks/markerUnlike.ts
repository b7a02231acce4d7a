import { attributeOf, classValue, rewriteTag, verified, type GalleryItem, type PageElement } from '../markup/index.ts';
import type { PageReading } from '../model/index.ts';
import {
  answers,
  commonGroup,
  groupWritten,
  isHandler,
  isSlipOf,
  markerName,
  misspeltMarker,
  openable,
  type KitUse,
} from '../wiring/index.ts';
import { itemsOf, placeIn, type Observation, type Rule } from './finding.ts';
import { type Edit, planEdits, type Planned } from '../site/index.ts';

export const markerUnlike: Rule = {
  id: 'marker-unlike',
  station: 'wiring',
  title: 'Every picture’s link carries the viewer’s marker, spelt right',
  find: (site) =>
    [...itemsOf(site)].flatMap(({ page, strand, item }): Observation[] =>
      page.wiring.uses.flatMap((use): Observation[] => {
        const link = unmarkedLink(item, use);
        if (!link) return [];
        const { manifest } = use.kit;
        const items = page.galleries[strand.gallery]?.items ?? [];
        const wrong = misspeltMarker(link, use.kit);
        const neighbours = items.filter((one) => one.link && use.marked.includes(one.link)).length;
        if (!wrong && (neighbours === 0 || !openable(page.base, item))) return [];
        const meant = markerName(manifest);
        const misspelt = wrong && attributeOf(link, wrong.attribute);
        return [
          {
            matter: `${page.path}:${strand.name}`,
            severity: 'error',
            ...(handlerUnlike(manifest, link) ?? {
              says: wrong
                ? `This link’s marker reads ${wrong.is}; the ${manifest.name} looks for ${wrong.meant}.`
                : `This link has no ${meant}; ${neighbours} of its neighbours have.`,
              why: `The ${manifest.name} does not find it: a click leaves the page and shows the picture alone.`,
            }),
            place: placeIn(page, misspelt?.range ?? link.open),
            strand: strand.id,
            joint: 'viewer',
            fixes: [
              {
                kind: 'change',
                label: labelOf(manifest, wrong?.meant ?? null),
                plan: () => mend(page, use, link, strand.name, commonGroup(items, use.kit)),
              },
            ],
          },
        ];
      }),
    ),
};

function labelOf(manifest: KitUse['kit']['manifest'], corrected: string | null): string {
  const { marker } = manifest;
  if (isHandler(marker)) return `Write ${marker.attribute}="${marker.value}"`;
  return corrected === null ? `Add ${markerName(manifest)}` : `Correct to ${corrected}`;
}

/** A handler that is there and reads otherwise. */
function handlerUnlike(
  { marker, name }: KitUse['kit']['manifest'],
  link: PageElement,
): Pick<Observation, 'says' | 'why'> | null {
  const code = isHandler(marker) ? attributeOf(link, marker.attribute ?? '')?.value : undefined;
  if (code === undefined) return null;
  const isKept = code.includes('return');
  return {
    says: `This link’s ${marker.attribute} reads “${code}”; for the ${name} it is “${marker.value}”.`,
    why: isKept
      ? `The ${name} is not called as it asks to be; a click leaves the page and shows the picture alone.`
      : 'What the function gives back is lost without “return”: the browser follows the link after it.',
  };
}

/** The item's link, where the viewer looks for its marker and does not find it. */
function unmarkedLink(item: GalleryItem, use: KitUse): PageElement | null {
  const { link } = item;
  if (!link || use.kit.manifest.marker.on !== 'link' || use.marked.includes(link) || answers(use, item)) return null;
  // A marker that sits on the picture is a matter of its own.
  return use.marked.some((one) => within(one, link)) ? null : link;
}

/** The part that is the viewer's own is put right; what its author has besides stays. */
function handlerMended(
  link: PageElement,
  { attribute: name = '', value }: KitUse['kit']['manifest']['marker'],
): string {
  const code = attributeOf(link, name)?.value ?? '';
  const called = value.replace(/^return\s+/, '').replace(/\(.*$/, '');
  const own = code.split(';').map((one) => one.trim());
  const calls = (one: string) => /([\w$.]+)\s*\(/.exec(one)?.[1] ?? '';
  const others = own.filter((one) => one !== '' && calls(one) !== called && !isSlipOf(calls(one), called));
  return [...others, value].join('; ');
}

function within(element: PageElement, outer: PageElement): boolean {
  for (let at: PageElement | null = element; at; at = at.parent) if (at === outer) return true;
  return false;
}

function mend(page: PageReading, { kit }: KitUse, link: PageElement, name: string, group: string | null): Planned {
  const { marker, group: grouping } = kit.manifest;
  const wrong = misspeltMarker(link, kit);
  const within = grouping && 'in' in grouping ? grouping.in : null;
  const named = within === 'brackets' && group !== null ? groupWritten(kit.manifest, group) : marker.value;
  const carried = within === 'marker' ? (group ?? '') : named;
  const misspelt = wrong && wrong.attribute !== 'class' ? attributeOf(link, wrong.attribute) : undefined;
  const written = (): Edit[] => {
    if (misspelt && wrong) {
      const { start } = misspelt.range;
      return [{ start, end: start + misspelt.name.length, text: wrong.meant }];
    }
    const [name, value] =
      marker.attribute !== undefined
        ? [marker.attribute, isHandler(marker) ? handlerMended(link, marker) : carried]
        : ['class', classValue(link, [marker.class ?? ''], wrong ? [wrong.is] : [])];
    return rewriteTag(link, new Map([[name, value]]), page.text);
  };
  const edits = written();
  return planEdits(
    `Mark ${name} with ${markerName(kit.manifest)}`,
    page.path,
    verified(page.document, edits, (after) => {
      const twin = after.elements[link.index];
      return twin && attributeOf(twin, marker.attribute ?? 'class') ? null : 'the marker would not be read';
    }),
  );
}
