/** An element of a viewer's own that its script defines: around what, with which options. */
import { descendants, type PageElement } from '../../markup/index.ts';
import type { KitManifestInput } from '../kit/manifest.ts';
import type { DraftScript, Note } from './draft.ts';
import type { FoundMarker } from './draftMarker.ts';
import type { Sample } from './manual.ts';

interface FoundElement {
  marker: FoundMarker;
  group: KitManifestInput['group'] | null;
  options: Pick<KitManifestInput, 'options'>;
}

/** The one that the examples put around links, else the first that is defined. */
export function elementIn(
  scripts: readonly DraftScript[],
  samples: readonly Sample[],
  note: Note,
): FoundElement | null {
  const defined = scripts.flatMap((script) => script.facts.elements.map((one) => ({ ...one, script })));
  const shown = (name: string) => samples.flatMap(({ page }) => page.elements.filter(({ tag }) => tag === name));
  const found = defined.find(({ name }) => shown(name).some(holdsLink)) ?? defined[0];
  if (!found) return null;
  const { name, at, script } = found;
  note('marker', `<${name}>`, script.name, at);
  const links = linksAsked(script);
  const isAround = links !== null || shown(name).some((one) => linksIn(one).length > 1);
  if (links) note('group', `all ${links.name} in it`, script.name, links.at);
  return {
    marker: {
      on: isAround ? 'gallery' : 'link',
      element: name,
      ...(links && links.name !== 'a' ? { links: links.name } : {}),
    },
    group: isAround ? { in: 'gallery' } : null,
    options: optionsOf(script, note),
  };
}

const linksIn = (element: PageElement): PageElement[] => [...descendants(element)].filter(({ tag }) => tag === 'a');
const holdsLink = (element: PageElement): boolean => linksIn(element).length > 0;

/** `this.querySelectorAll('a[href]')`. */
const linksAsked = ({ facts }: DraftScript) =>
  facts.selectors.find(({ name, by }) => by === 'querySelectorAll' && /^a(?![\w-])/.test(name)) ?? null;

/** What every element has, and what is read of the link and not of the element. */
const OF_ALL = /^(?:class|id|style|title|alt|src|href|rel|lang|dir|hidden|data-)/;

/** Attributes that it reads of itself; of one that is compared with “off” it is known what holds without it. */
function optionsOf({ name: file, text, facts }: DraftScript, note: Note): Pick<KitManifestInput, 'options'> {
  const read = facts.attributes.filter(({ name, by }) => /^(?:get|has)Attribute$/.test(by) && !OF_ALL.test(name));
  const names = [...new Set(read.map(({ name }) => name))].filter((name) => /^[a-z][a-z0-9-]*$/.test(name));
  const options = names.map((name) => {
    const at = read.find((one) => one.name === name)?.at ?? 0;
    const quoted = `\\(\\s*["'\`]${name}["'\`]\\s*\\)`;
    const off = `["'\`](?:off|false|no)["'\`]`;
    const isSwitch = new RegExp(`${quoted}\\s*[!=]==?\\s*${off}|${off}\\s*[!=]==?\\s*[\\w$.]+${quoted}`).test(text);
    const isBare = read.some((one) => one.name === name && one.by === 'hasAttribute');
    note('options', `reads ${name}`, file, at);
    const withoutIt = isBare ? false : '';
    const holds = isSwitch ? true : withoutIt;
    return { name, type: holds === '' ? ('text' as const) : ('switch' as const), without: holds, says: '' };
  });
  return options.length === 0 ? {} : { options };
}
