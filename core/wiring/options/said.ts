/** What a viewer's option is for a link or a gallery, and where that is said: in the markup, in a start call, nowhere. */
import { attributeOf, closest, isWithin, type PageElement } from '../../markup/index.ts';
import { argumentName, type KitManifest, type KitOption, type OptionValue } from '../kit/manifest.ts';
import type { StartingScript } from '../read/starts.ts';
import type { KitUse } from '../read/uses.ts';

export type OptionSaid =
  | { from: 'markup'; value: OptionValue; element: PageElement }
  /** `set`: by a statement before the call. */
  | { from: 'call'; value: OptionValue; start: StartingScript }
  | { from: 'set'; value: OptionValue; start: StartingScript }
  | { from: 'default'; value: OptionValue };

/** What an attribute says, as the option's type has it. */
export function asValue({ type }: Pick<KitOption, 'type'>, written: string): OptionValue {
  if (type === 'switch') return written !== 'off';
  return type === 'number' ? Number(written) : written;
}

/** Whether an option is as something says; what holds words may be switched off. */
export const isSaidAs = (value: OptionValue | null, wanted: OptionValue): boolean =>
  value === wanted || (wanted === 'off' && value === false) || (wanted === false && value === 'off');

/** The element whose attribute counts for another one: itself, one around it, or the kit's own around that. */
function sayingElement(manifest: KitManifest, element: PageElement, attribute: string): PageElement | null {
  const { marker, prefix, inherits } = manifest;
  const says = (one: PageElement) => attributeOf(one, attribute) !== undefined;
  if (marker.element !== undefined) {
    const holder = closest(element, ({ tag }) => tag === marker.element);
    return holder && says(holder) ? holder : null;
  }
  if (prefix === '') return null;
  if (inherits) return closest(element, says);
  return says(element) ? element : null;
}

/** Whether a start call speaks of an element: it finds it, or what it stands in, or it chooses nothing. */
const concerns = ({ asked, there }: StartingScript, element: PageElement): boolean =>
  asked === null || there.some((one) => isWithin(element, one) || isWithin(one, element));

/** `element` is the link, or the element that the viewer takes as its gallery. */
export function optionSaid(use: KitUse, element: PageElement, option: KitOption): OptionSaid {
  const { manifest } = use.kit;
  const saying = sayingElement(manifest, element, manifest.prefix + option.name);
  const attribute = saying && attributeOf(saying, manifest.prefix + option.name);
  if (saying && attribute) return { from: 'markup', value: asValue(option, attribute.value), element: saying };
  const key = argumentName(option.name);
  const start = use.starts.findLast((one) => !one.tooEarly && key in one.options && concerns(one, element));
  const value = start?.options[key];
  if (!start || value === undefined) return { from: 'default', value: option.without };
  return { from: key in start.call.options ? 'call' : 'set', value, start };
}

/** The start call by which a viewer has an element, where nothing in the markup marks it. */
export const startOfElement = (use: KitUse, element: PageElement): StartingScript | null =>
  use.starts.findLast((one) => !one.tooEarly && one.there.some((found) => isWithin(element, found))) ?? null;
