/** Attributes of a page that say options of its viewers. */
import type { Attribute, PageElement } from '../markup/index.ts';
import type { PageReading } from '../model/index.ts';
import { isWithin } from '../markup/index.ts';
import type { KitManifest, KitOption, KitUse } from '../wiring/index.ts';

export interface OptionInMarkup {
  use: KitUse;
  element: PageElement;
  attribute: Attribute;
  /** Null where the viewer has none of that name. */
  option: KitOption | null;
}

/** Attributes of a kit that begin as its options do, and are none. */
function othersOf({ marker, group, caption, full, size, middle, tags, kind, container }: KitManifest): Set<string> {
  const sized = size && 'attribute' in size ? [size.attribute] : [size?.width, size?.height];
  const grouped = group && 'attribute' in group ? group.attribute : undefined;
  const all = [
    marker.attribute,
    grouped,
    caption.attribute,
    caption.description,
    full?.attribute,
    middle?.attribute,
    tags?.attribute,
    kind?.attribute,
    container?.attribute,
    ...sized,
  ];
  return new Set(all.filter((one) => one !== undefined));
}

/** On what a viewer answers and what is around that, for viewers whose options have a beginning of their own. */
export function optionsInMarkup(page: PageReading): OptionInMarkup[] {
  return page.wiring.uses.flatMap((use) => {
    const { manifest } = use.kit;
    if (manifest.prefix === '') return [];
    const others = othersOf(manifest);
    return page.document.elements.flatMap((element) =>
      element.attributes
        .filter(({ name }) => name.startsWith(manifest.prefix))
        .flatMap((attribute): OptionInMarkup[] => {
          const option = manifest.options.find(({ name }) => manifest.prefix + name === attribute.name) ?? null;
          if (!option && others.has(attribute.name)) return [];
          const concerns = [...use.claimed].some((one) => isWithin(one, element));
          return concerns ? [{ use, element, attribute, option }] : [];
        }),
    );
  });
}
