/** The options and the look of a viewer on a page, as plain data: what each is now, and where that is written. */
import { pathTo, type PageElement } from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import { informationFields, type InformationField, styledSite } from '../plans/index.ts';
import { LineIndex } from '../site/index.ts';
import { placeOf, situationOf, WIDE, winnerFor } from '../style/index.ts';
import {
  argumentName,
  isSaidAs,
  markerName,
  optionSaid,
  type KitLook,
  type KitManifest,
  type KitOption,
  type KitPreset,
  type KitUse,
  type OptionSaid,
  type OptionValue,
  targetsOf,
} from '../wiring/index.ts';

export interface WrittenAt {
  path: string;
  line: number;
  start: number;
  /** What stands there: an attribute, an argument, a declaration. */
  text: string;
}

export interface OptionView {
  option: KitOption;
  /** How it is written: the attribute's name, or that of the argument. */
  name: string;
  /** Null where it is not the same for all. */
  value: OptionValue | null;
  /** Null where nothing says it. */
  place: WrittenAt | null;
  /** Why it does nothing as things are; null where it does. */
  idle: string | null;
}

export interface LookView {
  look: KitLook;
  value: string | null;
  place: WrittenAt | null;
}

export interface ViewerView {
  kit: string;
  title: string;
  says: string;
  does: KitManifest['does'];
  marker: string;
  /** Galleries of the page that it answers. */
  galleries: { number: number; title: string; items: number }[];
  options: OptionView[];
  look: LookView[];
  /** Whether a look may be set for this gallery alone. */
  looksAlone: boolean;
  /** What the files of this gallery say and the viewer can show for each; null where it has no place for it. */
  information: InformationField[] | null;
  presets: KitPreset[];
  /** The preset that holds now; null where none does. */
  preset: string | null;
  /** The first and the third of its pictures, by their child numbers from `html`. */
  pictures: number[][];
}

interface Wanted {
  kit: string;
  gallery: number;
  /** One link alone; null for all of the gallery. */
  strand: string | null;
}

/** Viewers of a page that have options, by their names and titles. */
export const viewersOn = (site: SiteReading, path: string): { kit: string; title: string }[] =>
  (site.pages.find((page) => page.path === path)?.wiring.uses ?? [])
    .filter(({ kit: { manifest }, claimed }) => claimed.size > 0 && manifest.options.length + manifest.look.length > 0)
    .map(({ kit: { manifest } }) => ({ kit: manifest.name, title: manifest.title }));

/** Null where the page, the viewer or the gallery is not there, or the viewer answers none of it. */
export function viewerOptions(site: SiteReading, path: string, { kit, gallery: n, strand }: Wanted): ViewerView | null {
  const page = site.pages.find((one) => one.path === path);
  const use = page?.wiring.uses.find((one) => one.kit.manifest.name === kit);
  const gallery = page?.galleries[n];
  if (!page || !use || !gallery) return null;
  const { manifest } = use.kit;
  const item = strand === null ? undefined : page.strands[n]?.find(({ id }) => id === strand)?.item;
  const link = item === undefined ? null : (gallery.items[item]?.link ?? null);
  const targets = targetsOf({ use, gallery, link });
  if (targets.length === 0) return null;
  const options = manifest.options.map((option) => optionView(site, page, use, targets, option));
  const look = looksOf(site, page, manifest, targets[0] ?? gallery.container);
  const answered = page.galleries.flatMap((one, number) => {
    const count = targetsOf({ use, gallery: one, link: null }).length;
    return count === 0 ? [] : [{ number, title: titleOf(site, path, number), items: one.items.length }];
  });
  return {
    kit,
    title: manifest.title,
    says: manifest.says,
    does: manifest.does,
    marker: markerName(manifest),
    galleries: answered,
    options: options.map((one) => ({ ...one, idle: idleFor(manifest, options, one.option.name) })),
    look,
    looksAlone: manifest.looksAlone,
    information: manifest.information === undefined ? null : informationFields(site, path, n),
    presets: manifest.presets,
    preset: presetOf(manifest, options, look),
    pictures: [0, 2].flatMap((at) => {
      const element = gallery.items[at]?.link ?? gallery.items[at]?.elements[0];
      return element ? [pathTo(element)] : [];
    }),
  };
}

const titleOf = (site: SiteReading, path: string, n: number): string => {
  const page = site.pages.find((one) => one.path === path);
  const count = page?.galleries[n]?.items.length ?? 0;
  return `Gallery ${n + 1}, ${count} pictures`;
};

function optionView(
  site: SiteReading,
  page: PageReading,
  use: KitUse,
  targets: readonly PageElement[],
  option: KitOption,
): Omit<OptionView, 'idle'> {
  const said = targets.map((target) => optionSaid(use, target, option));
  const [first] = said;
  const isSame = said.every(({ value }) => value === first?.value);
  const isCalled = first?.from === 'call' || use.kit.manifest.prefix === '';
  return {
    option,
    name: isCalled ? argumentName(option.name) : use.kit.manifest.prefix + option.name,
    value: first && isSame ? first.value : null,
    place: first ? placeOfSaid(site, page, use, option, first) : null,
  };
}

function placeOfSaid(
  site: SiteReading,
  page: PageReading,
  use: KitUse,
  option: KitOption,
  said: OptionSaid,
): WrittenAt | null {
  if (said.from === 'markup') {
    const name = use.kit.manifest.prefix + option.name;
    const attribute = said.element.attributes.find((one) => one.name === name);
    if (!attribute) return null;
    const { start, end } = attribute.range;
    return {
      path: page.path,
      line: page.document.lines.lineAt(start),
      start,
      text: page.document.text.slice(start, end),
    };
  }
  if (said.from !== 'call') return null;
  const { include, call } = said.start;
  const key = argumentName(option.name);
  const at = call.namesAt[key]?.start ?? call.at;
  const text = `${key}: ${String(said.value)}`;
  if (include.inline) {
    const start = include.inline.start + at;
    return { path: page.path, line: page.document.lines.lineAt(start), start, text };
  }
  const content = include.path === null ? undefined : site.files.get(include.path);
  if (include.path === null || content?.kind !== 'text') return null;
  return { path: include.path, line: new LineIndex(content.text).lineAt(at), start: at, text };
}

/** Custom properties go down from what is around an element. */
function looksOf(site: SiteReading, page: PageReading, manifest: KitManifest, element: PageElement): LookView[] {
  const styled = styledSite(site);
  const situation = situationOf(styled, page.path, WIDE);
  return manifest.look.map((look): LookView => {
    for (let at: PageElement | null = element; situation && at; at = at.parent) {
      const winner = winnerFor(situation, at, look.property);
      if (!winner || styled.foreign(winner.rule.stylesheet.path)) continue;
      const { path, line, start } = placeOf(winner);
      const text = `${winner.rule.prelude} { ${look.property}: ${winner.declaration.value} }`;
      return { look, value: winner.declaration.value, place: { path, line, start, text } };
    }
    return { look, value: null, place: null };
  });
}

type Said = Pick<OptionView, 'option' | 'value'>;

const valueIn = (options: readonly Said[], name: string): OptionValue | null =>
  options.find(({ option }) => option.name === name)?.value ?? null;

function idleFor({ idle }: KitManifest, options: readonly Said[], name: string): string | null {
  const rule = idle.find(
    ({ when, options: names }) =>
      names.includes(name) && Object.entries(when).every(([key, value]) => isSaidAs(valueIn(options, key), value)),
  );
  return rule ? rule.says : null;
}

/** The preset all of whose options and looks are as it says, that says most. */
function presetOf({ presets }: KitManifest, options: readonly Said[], look: readonly LookView[]): string | null {
  const holding = presets.filter(
    (preset) =>
      Object.entries(preset.options).every(([name, value]) => isSaidAs(valueIn(options, name), value)) &&
      Object.entries(preset.look).every(
        ([property, value]) => look.find((one) => one.look.property === property)?.value === value,
      ),
  );
  const size = ({ options: set, look: looks }: KitPreset) => Object.keys(set).length + Object.keys(looks).length;
  return holding.sort((a, b) => size(b) - size(a))[0]?.name ?? null;
}
