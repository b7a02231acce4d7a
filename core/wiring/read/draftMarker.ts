/** What marks the links, and their groups, as far as a script and the examples of its use tell. */
import { valueOf } from '../../markup/index.ts';
import type { KitManifestInput } from '../kit/manifest.ts';
import type { DraftScript, FoundName, FoundStart, Note } from './draft.ts';
import type { Sample } from './manual.ts';

export type FoundMarker = Partial<KitManifestInput['marker']>;

interface Found {
  selectors: readonly FoundName[];
  attributes: readonly FoundName[];
  samples: readonly Sample[];
  scripts: readonly DraftScript[];
}

/** `a[rel^="flare"]`, `[data-room]`: the attribute, and the value where one is asked for. */
const BY_ATTRIBUTE = /^a?\[([a-z][a-z0-9-]*)(?:[~^|*$]?=["']?([\w-]*)["']?)?/i;
const NEVER_MARKER = /^(?:href|src|id|class)$/i;

export function markerIn(found: Found, start: FoundStart | null, note: Note): FoundMarker {
  const { selectors, attributes, samples } = found;
  const handler = start ? null : markerByHandler(found, note);
  if (handler) return handler;
  if (start?.items) return markerOfHolder(start, note);
  // Links in something are found by where they stand; nothing marks them.
  if (/\S[\s>]+a$/.test(start?.selector ?? '')) return {};
  const chosen = start && markerOfCall(start, selectors, note);
  if (chosen) return chosen;
  return (
    markerBySelector(selectors, note) ??
    markerByWord(found, note) ??
    markerByLooks(selectors, attributes, samples, note)
  );
}

function markerBySelector(selectors: readonly FoundName[], note: Note): FoundMarker | null {
  for (const { name, file, at } of selectors) {
    const [, attribute, value] = BY_ATTRIBUTE.exec(name) ?? [];
    if (attribute === undefined || NEVER_MARKER.test(attribute)) continue;
    note('marker', `a[${attribute}]`, file, at);
    return { attribute: attribute.toLowerCase(), ...(value ? { value } : {}) };
  }
  return null;
}

/** Code in a link that calls what the scripts give: `onclick="return gloss(this)"`. */
function markerByHandler({ samples, scripts }: Found, note: Note): FoundMarker | null {
  const given = scripts.flatMap(({ facts }) => facts.gives.map(({ name }) => name));
  for (const { file, page, inFile } of samples)
    for (const { tag, attributes } of page.elements) {
      const handler = attributes.find(({ name }) => name === 'onclick');
      const called = /([\w$]+)[\w$.]*\s*\(/.exec(handler?.value ?? '')?.[1];
      if (tag !== 'a' || !handler || called === undefined || !given.includes(called)) continue;
      note('marker', `onclick="${handler.value}"`, file, inFile(handler.range.start));
      return { attribute: 'onclick', value: handler.value.trim().replace(/;$/, '') };
    }
  return null;
}

/** What holds the links is found by the call. */
function markerOfHolder({ selector, place }: FoundStart, note: Note): FoundMarker {
  const holder = /\.([A-Za-z_-][\w-]*)$/.exec(selector ?? '')?.[1];
  if (holder === undefined) return {};
  if (place) note('marker', `class “${holder}”`, place.file, place.at);
  return { on: 'gallery', class: holder };
}

/** A text or a pattern with which a script compares what it has read. */
const COMPARED = /(?:indexOf|startsWith|test|match|search|[!=]==?)\s*\(?\s*["'/]\^?([a-z][\w-]*)/gi;

/** A word at the beginning of `rel`, where a script looks all links through for it. */
function markerByWord({ attributes, samples, scripts }: Found, note: Note): FoundMarker | null {
  if (!attributes.some(({ name }) => name === 'rel')) return null;
  const shown = samples.flatMap(({ page }) => page.elements.flatMap((one) => valueOf(one, 'rel') ?? []));
  const compared = scripts.flatMap(({ name, text }) =>
    [...text.matchAll(COMPARED)].map(({ 1: word = '', index }) => ({ word, file: name, at: index })),
  );
  const told = compared.find(({ word }) => shown.some((rel) => rel.split(/[\s[]/)[0] === word));
  if (!told) return null;
  note('marker', `a[rel^="${told.word}"]`, told.file, told.at);
  return { attribute: 'rel', value: told.word };
}

function markerByLooks(
  selectors: readonly FoundName[],
  attributes: readonly FoundName[],
  samples: readonly Sample[],
  note: Note,
): FoundMarker {
  for (const { name, file, at } of selectors) {
    const found = /^a\.([A-Za-z_-][\w-]*)/.exec(name)?.[1];
    if (found === undefined) continue;
    note('marker', `class “${found}”`, file, at);
    return { class: found };
  }
  const own = attributes.filter(({ name }) => name.startsWith('data-'));
  const isShown = ({ name }: FoundName) =>
    samples.some(({ page }) => page.elements.some((one) => one.tag === 'a' && valueOf(one, name) !== undefined));
  const told = own.find(isShown) ?? own[0];
  if (!told) return {};
  note('marker', told.name, told.file, told.at);
  return { attribute: told.name };
}

/** In the examples the marker's value is another than the script asks for: it names the group. */
export function groupInMarker(
  { attribute, value = '' }: FoundMarker,
  samples: readonly Sample[],
  note: Note,
): Pick<KitManifestInput, 'group'> | null {
  if (attribute === undefined) return null;
  for (const { file, page, inFile } of samples)
    for (const element of page.elements) {
      const written = element.attributes.find(({ name }) => name === attribute);
      if (element.tag !== 'a' || !written || written.value === value || written.value === '') continue;
      const within = value !== '' && written.value.startsWith(`${value}[`) ? 'brackets' : 'marker';
      if (value !== '' && within === 'marker') continue;
      note('group', `${attribute}="${written.value}"`, file, inFile(written.range.start));
      return { group: { in: within } };
    }
  return null;
}

/** By what the call chooses its links. */
function markerOfCall(
  { selector, place }: FoundStart,
  selectors: readonly FoundName[],
  note: Note,
): FoundMarker | null {
  const noteChosen = (says: string, piece: string) => {
    const found = selectors.find(({ name }) => name.includes(piece)) ?? place;
    if (found) note('marker', says, found.file, found.at);
  };
  const [, attribute, value] = BY_ATTRIBUTE.exec(selector ?? '') ?? [];
  if (attribute !== undefined && !NEVER_MARKER.test(attribute)) {
    noteChosen(`a[${attribute}]`, `[${attribute}`);
    return { attribute: attribute.toLowerCase(), ...(value ? { value } : {}) };
  }
  const byClass = /^a?\.([A-Za-z_-][\w-]*)/.exec(selector ?? '')?.[1];
  if (byClass === undefined) return null;
  noteChosen(`class “${byClass}”`, `.${byClass}`);
  return { class: byClass };
}
