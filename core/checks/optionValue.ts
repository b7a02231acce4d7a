import { removeAttribute, replaceValue, STATES } from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import { argumentName, asArgument, asValue, isSlipOf, troubleWithValue, type KitOption } from '../wiring/index.ts';
import { editScript, inScript } from './editScript.ts';
import { placeIn, planPage, type Observation, type Rule } from './finding.ts';
import { optionsInMarkup, type OptionInMarkup } from './optionsInMarkup.ts';

export const optionValue: Rule = {
  id: 'option-value',
  station: 'wiring',
  title: 'Options of a viewer have values that it knows',
  find: (site) =>
    site.pages.flatMap((page) => [
      ...optionsInMarkup(page).flatMap((said) => inMarkup(page, said) ?? []),
      ...inCalls(site, page),
    ]),
};

const WHY = 'A value that a script does not know is passed over, or taken for something else, without a word.';

/** The value that was meant, where one is a letter or two off. */
const meantBy = ({ values = [] }: KitOption, written: string): string | undefined =>
  values.find((one) => isSlipOf(written.toLowerCase(), one));

function inMarkup(page: PageReading, { use, attribute, option }: OptionInMarkup): Observation | null {
  // What holds words takes any; “off” among them is a switch.
  if (!option || option.type === 'text') return null;
  const { value } = attribute;
  const isOdd = option.type === 'switch' && !['', 'on', 'off'].includes(value.trim().toLowerCase());
  const trouble = isOdd ? `${option.name} is on or off.` : troubleWithValue(option, asValue(option, value));
  if (trouble === null) return null;
  const meant = isOdd ? undefined : meantBy(option, value);
  const label = meant === undefined ? `Remove ${attribute.name}` : `Correct to ${meant}`;
  const edit = () =>
    meant === undefined ? removeAttribute(attribute, page.document.text) : replaceValue(attribute, meant);
  return {
    matter: `${page.path}:${use.kit.manifest.name}:${option.name}:${value}`,
    severity: 'warning',
    says: `${attribute.name} is “${value}”. ${trouble}`,
    why: WHY,
    place: placeIn(page, attribute.range),
    strand: null,
    joint: 'viewer',
    fixes: [
      {
        kind: 'change',
        states: { takes: ['attributes'], gives: ['attributes'] },
        label,
        plan: () => planPage(page, `${label} on ${page.path}`, [edit()]),
      },
    ],
  };
}

function inCalls(site: SiteReading, page: PageReading): Observation[] {
  return page.wiring.uses.flatMap(({ kit: { manifest }, starts }) =>
    starts.flatMap(({ call, include }) =>
      manifest.options.flatMap((option): Observation[] => {
        const key = argumentName(option.name);
        const value = call.options[key];
        const at = call.optionsAt[key];
        if (value === undefined || !at || option.type === 'text') return [];
        const trouble = troubleWithValue(option, value);
        if (trouble === null) return [];
        const meant = (typeof value === 'string' ? meantBy(option, value) : undefined) ?? option.without;
        const text = asArgument(meant);
        return [
          {
            matter: `${page.path}:${manifest.name}:${key}:${String(value)}`,
            severity: 'warning',
            says: `This sets ${key} to ${asArgument(value)}. ${trouble}`,
            why: WHY,
            place: inScript(page, include, at),
            strand: null,
            joint: 'viewer',
            fixes: [
              {
                kind: 'change',
                states: STATES.code,
                label: `Correct to ${text}`,
                plan: () => editScript(page, include, [{ ...at, text }], `Correct ${key} on ${page.path}`, site),
              },
            ],
          },
        ];
      }),
    ),
  );
}
