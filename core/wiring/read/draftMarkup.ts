/** What a script wants of the markup besides a marker: classes, the file and its size in attributes, elements. */
import { descendants, matches, valueOf, type PageElement } from '../../markup/index.ts';
import { isPicturePath } from '../../site/index.ts';
import type { KitManifestInput } from '../kit/manifest.ts';
import type { FoundName, Note } from './draft.ts';
import type { FoundMarker } from './draftMarker.ts';
import type { Sample } from './manual.ts';

interface FoundMarkup {
  /** What holds the items is found by a class; null where it is not. */
  holder: { marker: FoundMarker; classes: NonNullable<KitManifestInput['classes']> } | null;
  full?: KitManifestInput['full'];
  size?: KitManifestInput['size'];
  container?: KitManifestInput['container'];
  /** The class of the element that holds a caption, and where it stands. */
  caption: { class: string; place: 'inside' | 'next' } | null;
  /** Attributes that are told by what they say, and mark nothing. */
  names: string[];
}

interface Asked extends FoundName {
  by: string;
}

interface Given {
  selectors: readonly Asked[];
  attributes: readonly FoundName[];
  samples: readonly Sample[];
}

export function markupIn({ selectors, attributes, samples }: Given, note: Note): FoundMarkup {
  const links = samples.flatMap(({ page }) => page.elements.filter(({ tag }) => tag === 'a'));
  const size = sizeIn(attributes, links, note);
  const full = fullIn(attributes, links, note);
  return {
    holder: holderIn(selectors, samples, note),
    ...(full ? { full: { attribute: full } } : {}),
    ...(size ? { size } : {}),
    ...containerIn(selectors, samples, note),
    caption: captionIn(selectors, links, note),
    names: [full, ...Object.values(size ?? {})].flatMap((name) => name ?? []),
  };
}

const CLASS_ALONE = /^\.([A-Za-z_-][\w-]*)$/;
const LINK_IN_IT = /^(?:\.([A-Za-z_-][\w-]*)[\s>]+)?a(?:[.[][^\s]*)?$/;
const SEVERAL = /^(?:querySelectorAll|find|\$|jQuery|getElementsByClassName)$/;

/** A class, and within what has it links: as the examples have both. */
function holderIn(selectors: readonly Asked[], samples: readonly Sample[], note: Note): FoundMarkup['holder'] {
  const several = selectors.filter(({ by }) => SEVERAL.test(by));
  const within = several.filter(({ name }) => LINK_IN_IT.test(name));
  for (const holder of several) {
    const [, name] = CLASS_ALONE.exec(holder.name) ?? [];
    if (name === undefined) continue;
    const links = within.find((one) => samples.some((sample) => holds(sample, holder.name, one.name)));
    if (!links) continue;
    note('marker', `class “${name}”`, holder.file, holder.at);
    note('group', `all ${links.name} in it`, links.file, links.at);
    const [, item] = LINK_IN_IT.exec(links.name) ?? [];
    return { marker: { on: 'gallery', class: name, links: links.name }, classes: item === undefined ? {} : { item } };
  }
  return null;
}

function holds({ page }: Sample, holder: string, links: string): boolean {
  const found = matches(page, `${holder} :is(${links})`);
  return found.ok && found.elements.length > 0;
}

const read = (attributes: readonly FoundName[], fits: (name: string) => boolean): FoundName | undefined =>
  attributes.find(({ name }) => name.startsWith('data-') && fits(name));

const saidOn = (links: readonly PageElement[], name: string): string[] =>
  links.flatMap((link) => valueOf(link, name) ?? []);

/** An attribute that the script reads and in which the examples have a picture's address. */
function fullIn(attributes: readonly FoundName[], links: readonly PageElement[], note: Note): string | undefined {
  const found = read(attributes, (name) => saidOn(links, name).some((value) => isPicturePath(value)));
  if (found) note('full', found.name, found.file, found.at);
  return found?.name;
}

/** `900x600` in one attribute, or two of numbers. */
function sizeIn(
  attributes: readonly FoundName[],
  links: readonly PageElement[],
  note: Note,
): KitManifestInput['size'] | undefined {
  const both = read(attributes, (name) => saidOn(links, name).some((value) => /^\d+x\d+$/.test(value)));
  if (both) {
    note('size', both.name, both.file, both.at);
    return { attribute: both.name };
  }
  const isNumber = (name: string) => saidOn(links, name).some((value) => /^\d+$/.test(value));
  const width = read(attributes, (name) => /width|-w$/.test(name) && isNumber(name));
  const height = read(attributes, (name) => /height|-h$/.test(name) && isNumber(name));
  if (!width || !height) return undefined;
  note('size', `${width.name}, ${height.name}`, width.file, width.at);
  return { width: width.name, height: height.name };
}

/** An id that the script asks for and the examples have, on what holds no link. */
function containerIn(
  selectors: readonly Asked[],
  samples: readonly Sample[],
  note: Note,
): Pick<FoundMarkup, 'container'> {
  for (const { name, file, at } of selectors) {
    const id = /^#([A-Za-z][\w-]*)$/.exec(name)?.[1];
    if (id === undefined) continue;
    const found = samples.flatMap(({ page }) => page.elements.filter((one) => valueOf(one, 'id') === id));
    if (found.length === 0 || found.some((one) => [...descendants(one)].some(({ tag }) => tag === 'a'))) continue;
    note('container', `#${id}`, file, at);
    return { container: { id } };
  }
  return {};
}

/** A class that the script asks for, of an element in the examples' links or behind them. */
function captionIn(selectors: readonly Asked[], links: readonly PageElement[], note: Note): FoundMarkup['caption'] {
  for (const { name, file, at } of selectors) {
    const wanted = CLASS_ALONE.exec(name)?.[1];
    if (wanted === undefined) continue;
    const has = (one: PageElement) => (valueOf(one, 'class') ?? '').split(/\s+/).includes(wanted);
    const isInside = links.some((link) => [...descendants(link)].some((one) => one.tag !== 'img' && has(one)));
    const isNext = links.some(({ parent, index }) => parent?.children.some((one) => one.index > index && has(one)));
    if (!isInside && !isNext) continue;
    note('caption', `class “${wanted}”`, file, at);
    return { class: wanted, place: isInside ? 'inside' : 'next' };
  }
  return null;
}
