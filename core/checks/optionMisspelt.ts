import { STATES } from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import { argumentName, isSlipOf, type Include, type KitUse } from '../wiring/index.ts';
import { editScript, inScript } from './editScript.ts';
import { placeIn, planPage, type Observation, type Rule } from './finding.ts';
import { optionsInMarkup, type OptionInMarkup } from './optionsInMarkup.ts';

export const optionMisspelt: Rule = {
  id: 'option-misspelt',
  station: 'wiring',
  title: 'Options of a viewer are written as the viewer reads them',
  find: (site) =>
    site.pages.flatMap((page) => [
      ...page.wiring.uses.flatMap((use) => saidOn(use).flatMap((said) => findingOf(site, page, use, said) ?? [])),
      ...optionsInMarkup(page).flatMap((said) => (said.option ? [] : (inMarkup(page, said) ?? []))),
    ]),
};

/** An attribute that begins as the viewer's options do, a letter or two off one of them. */
function inMarkup(page: PageReading, { use, attribute }: OptionInMarkup): Observation | null {
  const { name: kit, prefix, options } = use.kit.manifest;
  const meant = options.map(({ name }) => prefix + name).find((one) => isSlipOf(attribute.name, one));
  if (meant === undefined) return null;
  const { start } = attribute.range;
  return {
    matter: `${page.path}:${kit}:${attribute.name}`,
    severity: 'warning',
    says: `This says ${attribute.name}; the ${kit} reads ${meant}.`,
    why: WHY,
    place: placeIn(page, attribute.range),
    strand: null,
    joint: 'viewer',
    fixes: [
      {
        kind: 'change',
        states: { takes: ['attributes'], gives: ['attributes'] },
        label: `Correct to ${meant}`,
        plan: () =>
          planPage(page, `Correct ${attribute.name} on ${page.path}`, [
            { start, end: start + attribute.name.length, text: meant },
          ]),
      },
    ],
  };
}

const WHY = 'A name that a script does not know is passed over without a word; it does what it does by itself.';

/** All that a start call may say, by the names that it has there. */
function knownTo({ kit: { manifest } }: KitUse): string[] {
  const { options, start } = manifest;
  const others = [start?.key, start?.items?.option].filter((name) => name !== undefined);
  return [...options.map(({ name }) => argumentName(name)), ...others];
}

/** A name that somebody gives an option, and where. */
interface SaidOption {
  name: string;
  include: Include;
  at: { start: number; end: number };
}

/** In start calls, and in what is set before them. */
function saidOn({ starts, mentions }: KitUse): SaidOption[] {
  return [
    ...starts.flatMap(({ call, include }) => Object.entries(call.namesAt).map(([name, at]) => ({ name, include, at }))),
    ...mentions.flatMap(({ include, sets }): SaidOption[] =>
      sets ? [{ name: sets.name, include, at: { start: sets.at, end: sets.at + sets.name.length } }] : [],
    ),
  ];
}

function findingOf(site: SiteReading, page: PageReading, use: KitUse, said: SaidOption): Observation | null {
  const { name, include, at } = said;
  const known = knownTo(use);
  const kit = use.kit.manifest.name;
  const meant = known.includes(name) ? undefined : known.find((one) => isSlipOf(name, one) || sameLetters(name, one));
  if (meant === undefined) return null;
  return {
    matter: `${page.path}:${kit}:${name}`,
    severity: 'warning',
    says: `This sets ${name}; the ${kit} reads ${meant}.`,
    why: WHY,
    place: inScript(page, include, at),
    strand: null,
    joint: 'viewer',
    fixes: [
      {
        kind: 'change',
        states: STATES.code,
        label: `Correct to ${meant}`,
        plan: () => editScript(page, include, [{ ...at, text: meant }], `Correct ${name} on ${page.path}`, site),
      },
    ],
  };
}

const sameLetters = (one: string, other: string): boolean => one.toLowerCase() === other.toLowerCase();
