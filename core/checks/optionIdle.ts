import { isWithin, removeAttribute } from '../markup/index.ts';
import type { PageReading } from '../model/index.ts';
import { isSaidAs, optionSaid, type KitOption, type OptionValue } from '../wiring/index.ts';
import { placeIn, planPage, type Observation, type Rule } from './finding.ts';
import { optionsInMarkup, type OptionInMarkup } from './optionsInMarkup.ts';

export const optionIdle: Rule = {
  id: 'option-idle',
  station: 'wiring',
  title: 'Options of a viewer work together',
  find: (site) => site.pages.flatMap((page) => optionsInMarkup(page).flatMap((said) => idle(page, said) ?? [])),
};

/** What holds for an element and for all that it holds; null where these say otherwise. */
function valueAt({ use, element }: OptionInMarkup, option: KitOption): OptionValue | null {
  const inside = [...use.claimed].filter((one) => isWithin(one, element));
  const values = new Set(inside.map((one) => optionSaid(use, one, option).value));
  const [value] = values;
  return values.size === 1 && value !== undefined ? value : null;
}

function idle(page: PageReading, said: OptionInMarkup): Observation | null {
  const { use, attribute, option } = said;
  const { manifest } = use.kit;
  if (!option || optionSaid(use, said.element, option).value === option.without) return null;
  const rule = manifest.idle.find(
    ({ when, options }) =>
      options.includes(option.name) &&
      Object.entries(when).every(([name, wanted]) => {
        const other = manifest.options.find((one) => one.name === name);
        return other !== undefined && isSaidAs(valueAt(said, other), wanted);
      }),
  );
  if (!rule) return null;
  const label = `Remove ${attribute.name}`;
  return {
    matter: `${page.path}:${manifest.name}:${option.name}:idle`,
    severity: 'warning',
    says: `${attribute.name} does nothing here: ${rule.says}.`,
    why: 'Options that cannot work together leave whoever reads the page looking for what they do.',
    place: placeIn(page, attribute.range),
    strand: null,
    joint: 'viewer',
    fixes: [
      {
        kind: 'change',
        states: { takes: ['attributes'] },
        label,
        plan: () => planPage(page, `${label} on ${page.path}`, [removeAttribute(attribute, page.document.text)]),
      },
    ],
  };
}
