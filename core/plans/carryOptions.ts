/** Options that go along from one viewer to another by what they mean, and those that the other has no word for. */
import { galleriesOf, parsePage } from '../markup/index.ts';
import type { PageReading, SiteReading } from '../model/index.ts';
import {
  applyChange,
  editFiles,
  type Change,
  type FileContent,
  NOTES_FILE,
  PathIndex,
  type Planned,
  refuse,
} from '../site/index.ts';
import {
  optionSaid,
  setOptions,
  targetsOf,
  troubleWithValue,
  wiringOf,
  type KitManifest,
  type KitOption,
  type KitUse,
  type OptionValue,
} from '../wiring/index.ts';
import { changesBetween } from './style.ts';

/** Other names for the same thing, the viewer’s own name coming first. */
const ALSO: Readonly<Record<string, readonly string[]>> = {
  autoplay: ['play'],
  play: ['autoplay'],
  interval: ['seconds', 'delay', 'speed', 'time'],
  seconds: ['interval'],
  counter: ['numbers', 'count', 'show-counter'],
  caption: ['captions', 'title', 'titles', 'show-caption'],
  loop: ['wrap', 'around', 'infinite', 'cycle'],
  arrows: ['buttons', 'navigation', 'controls'],
};

/** What one viewer says by a switch another says by a choice. */
const AS_CHOICE: readonly { name: string; option: string; value: string }[] = [
  { name: 'strip', option: 'picker', value: 'thumbnails' },
];

interface Carried {
  /** Options of the new viewer by their names. */
  options: Record<string, OptionValue>;
  /** Titles of those that it has nothing for. */
  lost: string[];
}

function meant(option: KitOption, value: OptionValue, { options }: KitManifest): [string, OptionValue] | null {
  for (const name of [option.name, ...(ALSO[option.name] ?? [])]) {
    const other = options.find((one) => one.name === name);
    if (other && troubleWithValue(other, value) === null) return [name, value];
  }
  for (const { name, option: choice, value: chosen } of AS_CHOICE) {
    if (option.name === name && value === true && options.some((one) => one.name === choice)) return [choice, chosen];
    if (option.name === choice && value === chosen && options.some((one) => one.name === name)) return [name, true];
  }
  return null;
}

/** Of what is said for all of a gallery; words for one link are seen to with its caption. */
function carriedTo(use: KitUse, page: PageReading, to: KitManifest): Map<number, Carried> {
  const all = new Map<number, Carried>();
  page.galleries.forEach((gallery, n) => {
    const targets = targetsOf({ use, gallery, link: null });
    const carried: Carried = { options: {}, lost: [] };
    for (const option of use.kit.manifest.options.filter(({ each }) => !each)) {
      const said = targets.map((target) => optionSaid(use, target, option));
      const [first] = said;
      if (!first || said.some(({ value }) => value !== first.value) || first.value === option.without) continue;
      const found = meant(option, first.value, to);
      if (found) carried.options[found[0]] = found[1];
      else carried.lost.push(option.title ?? option.name);
    }
    all.set(n, carried);
  });
  return all;
}

/** A change from one viewer to another with its options carried over. */
export function withOptions(
  site: SiteReading,
  page: PageReading,
  { from, to }: { from: string; to: KitManifest },
  change: Change,
): Planned {
  const use = page.wiring.uses.find(({ kit }) => kit.manifest.name === from);
  const carried = use ? carriedTo(use, page, to) : new Map<number, Carried>();
  const lost = [...new Set([...carried.values()].flatMap((one) => one.lost))];
  const label = lost.length > 0 ? `${change.label}; not carried over: ${lost.join(', ')}` : change.label;
  const before = new Map<string, FileContent>(site.files);
  const { file } = site.notes;
  if (file) before.set(NOTES_FILE, file);
  const applied = applyChange(before, change);
  if (!applied.ok) return refuse(applied.reason);
  const files = new Map(applied.files);
  for (const [n, { options }] of carried) {
    const trouble = Object.keys(options).length === 0 ? null : setOn(site, page, files, n, to, options);
    if (trouble !== null) return refuse(trouble);
  }
  const kept = change.files.filter(({ kind }) => kind !== 'edit');
  const others = new Set(kept.flatMap((one) => ('path' in one ? [one.path] : [])));
  const edited = changesBetween(before, files).filter((one) => !('path' in one) || !others.has(one.path));
  return { ok: true, change: { ...change, label, files: [...kept, ...edited] } };
}

/** Writes options for a gallery of the page as it stands in `files`; why not, where it cannot be. */
function setOn(
  site: SiteReading,
  page: PageReading,
  files: Map<string, FileContent>,
  n: number,
  { name }: KitManifest,
  options: Record<string, OptionValue>,
): string | null {
  const content = files.get(page.path);
  if (content?.kind !== 'text') return `${page.path} is no text any more.`;
  const document = parsePage(content.text, page.document.units);
  const galleries = galleriesOf(document);
  const wiring = wiringOf(document, page.base, files, new PathIndex(files.keys()), site.kits);
  const use = wiring.uses.find(({ kit }) => kit.manifest.name === name);
  const gallery = galleries[n];
  if (!use || !gallery || targetsOf({ use, gallery, link: null }).length === 0) return null;
  const there = { path: page.path, base: page.base, document, galleries, wiring };
  const set = setOptions(files, there, { use, gallery, link: null }, options);
  // A viewer that takes options only in a call that is not there keeps its own.
  if (!set.ok) return null;
  const scripts = set.files.flatMap((one) => (one.kind === 'edit' ? [one] : []));
  const done = editFiles(files, [{ path: page.path, edits: set.edits }, ...scripts]);
  if (done.ok) for (const [path, text] of done.changed) files.set(path, { kind: 'text', text });
  return null;
}
