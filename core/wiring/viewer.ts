/** What answers when a picture's link is clicked: the kits that a page loads, and the links that each one claims. */
import { attributeOf, matches, textOf, valueOf, type GalleryItem, type PageDocument, type PageElement } from '../markup/index.ts';
import type { PathIndex, SiteFiles } from '../site/index.ts';
import type { Kit } from './kit.ts';
import { includesOf, type Include } from './scripts.ts';
import { readScript, type StartCall } from './startCalls.ts';

export interface StartingScript {
  include: Include;
  call: StartCall;
  /** Runs before the kit's script has defined the function. */
  tooEarly: boolean;
}

export interface PageWiring {
  includes: Include[];
  /** The kit that the page uses or means to use; null where none of its traces is there. */
  kit: Kit | null;
  /** The include of the kit's script, if there is one. */
  script: Include | null;
  starts: StartingScript[];
  /** The links that the viewer will answer. */
  claimed: Set<PageElement>;
}

export function wiringOf(page: PageDocument, path: string, files: SiteFiles, index: PathIndex, kits: readonly Kit[]): PageWiring {
  const includes = includesOf(page, path, index);
  const kit = kits.find((candidate) => usesKit(page, includes, candidate)) ?? null;
  if (!kit) return { includes, kit, script: null, starts: [], claimed: new Set() };
  const { marker, start } = kit.manifest;
  const script = includes.find((include) => definesStart(include, files, kit)) ?? null;
  const starts = includes.flatMap((include, place) => {
    const text = scriptText(include, files);
    const reading = text === null || include === script ? null : readScript(text, start.call);
    if (!reading?.ok || reading.defines) return [];
    const loaded = script !== null && includes.indexOf(script) < place;
    return reading.calls.map((call) => ({ include, call, tooEarly: call.immediate && script !== null && !loaded }));
  });
  const claimed = new Set<PageElement>();
  if (script?.lookup.found === 'exact') {
    const selectors = [`a[${marker.attribute}]`, ...starts.filter((one) => !one.tooEarly).flatMap(({ call }) => call.selector ?? [])];
    for (const selector of selectors) {
      const found = matches(page, selector);
      if (found.ok) found.elements.filter((element) => element.tag === 'a').forEach((element) => claimed.add(element));
    }
  }
  return { includes, kit, script, starts, claimed };
}

/** A page uses a kit when it loads one of its scripts by name, or marks a link for it. */
function usesKit(page: PageDocument, includes: readonly Include[], { manifest }: Kit): boolean {
  const scripts = manifest.files.filter((file) => file.role === 'script').map((file) => file.name.toLowerCase());
  if (includes.some((include) => include.kind === 'script' && scripts.includes((include.written ?? '').split(/[?#]/)[0]?.split('/').at(-1)?.toLowerCase() ?? ''))) return true;
  return page.elements.some((element) => element.tag === 'a' && attributeOf(element, manifest.marker.attribute));
}

function scriptText(include: Include, files: SiteFiles): string | null {
  if (include.kind !== 'script') return null;
  if (include.written === null) return textOf(include.element);
  const content = include.lookup.found === 'exact' ? files.get(include.lookup.path) : undefined;
  return content?.kind === 'text' ? content.text : null;
}

function definesStart(include: Include, files: SiteFiles, { manifest }: Kit): boolean {
  if (include.kind !== 'script') return false;
  const text = scriptText(include, files);
  if (text !== null) {
    const reading = readScript(text, manifest.start.call);
    return reading.ok && reading.defines;
  }
  // The file is not there, but its name says what it was meant to be.
  return manifest.files.some((file) => file.role === 'script' && (include.written ?? '').toLowerCase().endsWith(file.name.toLowerCase()));
}

/** An attribute of the link whose name is one or two letters off the marker's: `data-enlagre`. */
export function misspeltMarker(link: PageElement, marker: string): string | null {
  return link.attributes.find((attribute) => attribute.name !== marker && lettersApart(attribute.name, marker) <= 2)?.name ?? null;
}

/** Optimal string alignment: insertions, deletions, replacements and swaps of neighbours. */
export function lettersApart(a: string, b: string): number {
  const rows: number[][] = Array.from({ length: a.length + 1 }, (_, i) => [i]);
  for (let j = 0; j <= b.length; j++) rows[0]![j] = j;
  for (let i = 1; i <= a.length; i++) {
    for (let j = 1; j <= b.length; j++) {
      const change = a[i - 1] === b[j - 1] ? 0 : 1;
      let least = Math.min(rows[i - 1]![j]! + 1, rows[i]![j - 1]! + 1, rows[i - 1]![j - 1]! + change);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) least = Math.min(least, rows[i - 2]![j - 2]! + 1);
      rows[i]![j] = least;
    }
  }
  return rows[a.length]![b.length]!;
}

/** The group that most marked links of the items are in; null where they have none. */
export function commonGroup(items: readonly GalleryItem[], kit: Kit): string | null {
  const counts = new Map<string, number>();
  for (const { link } of items) {
    const group = link && valueOf(link, kit.manifest.group.attribute);
    if (group) counts.set(group, (counts.get(group) ?? 0) + 1);
  }
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}
