/**
 * A viewer that somebody has pasted into a page by hand: a script that belongs to no kit and answers pictures of the
 * page. What it is asked by is read from the script, with the page as the example of its use.
 */
import { matches, valueOf, type PageDocument } from '../../markup/index.ts';
import { PathIndex, type SiteFiles } from '../../site/index.ts';
import type { Kit } from '../kit/manifest.ts';
import type { Include } from '../read/includes.ts';
import type { ScriptRun } from '../read/scripts.ts';
import type { ScriptFacts } from '../read/scriptFacts.ts';
import { answers, wiringOf } from '../read/uses.ts';
import type { WiringPage, WiringSite } from '../write/site.ts';
import { draftedKit, isBase, scriptsOfNobody } from './draftedKit.ts';

interface UnknownViewer {
  kit: Kit;
  /** Where its script is loaded. */
  include: Include;
  /** How many pictures of the page it answers. */
  answered: number;
}

/** Viewers are small; more than this is a library of something else. Characters. */
const LARGEST = 300_000;

interface Known {
  kits: readonly Kit[];
  texts: readonly (string | null)[];
  found: UnknownViewer | null;
}

/** A page that is as it was, with the same scripts, has the same viewer. */
const known = new WeakMap<PageDocument, Known>();

export function unknownViewer(site: WiringSite, page: WiringPage): UnknownViewer | null {
  const texts = page.wiring.scripts.map(({ text }) => text);
  const before = known.get(page.document);
  const isSame =
    before?.kits.length === site.kits.length &&
    before.kits.every((kit, n) => kit === site.kits[n]) &&
    before.texts.length === texts.length &&
    before.texts.every((text, n) => text === texts[n]);
  if (isSame) return before.found;
  const found = findViewer(site, page);
  known.set(page.document, { kits: site.kits, texts, found });
  return found;
}

function findViewer(site: WiringSite, page: WiringPage): UnknownViewer | null {
  const items = page.galleries.flatMap((gallery) => gallery.items);
  const used = scriptsOfNobody(page);
  if (items.length === 0 || used.length === 0) return null;
  for (const run of page.wiring.scripts) {
    const { include, text } = run;
    const own = used.find(({ path }) => path === include.path);
    if (!own || text === null || text.length > LARGEST || isBase(text)) continue;
    if (isKnownTwice(page, run) || !mayAnswer(page, run)) continue;
    const bases = used.filter((one) => isBase(one.text));
    const drafted = draftedKit(site, [...bases, own], page.document.text);
    if (!drafted.ok) continue;
    const { kit } = drafted;
    const wiring = wiringWith(page, site.files, [...site.kits, kit]);
    const use = wiring.uses.find((one) => one.kit === kit);
    const answered = use ? items.filter((item) => answers(use, item)).length : 0;
    if (answered > 0) return { kit, include, answered };
  }
  return null;
}

/** Another copy of a script that a kit has: that it is loaded twice is told elsewhere. */
function isKnownTwice({ wiring }: WiringPage, { reading }: ScriptRun): boolean {
  const given = wiring.uses.flatMap(({ kit }) => kit.manifest.files.flatMap(({ gives }) => gives));
  return reading?.ok === true && reading.gives.some(({ name }) => given.includes(name));
}

/** Its reading is not kept for the page: the next one is without this kit again. */
const wiringWith = (page: WiringPage, files: SiteFiles, kits: readonly Kit[]) =>
  wiringOf({ ...page.document }, page.base, files, new PathIndex(files.keys()), kits);

/** Whether something of a script speaks of the links of the page's pictures: most scripts do not. */
function mayAnswer({ document, galleries, wiring }: WiringPage, { include, reading }: ScriptRun): boolean {
  if (!reading?.ok) return false;
  // A module that a script of the page imports may be what that one calls.
  if (include.imported?.by.inline) return true;
  const links = galleries.flatMap(({ items }) => items.flatMap(({ link }) => link ?? []));
  const hasAttribute = reading.attributes.some(
    ({ name }) => /^(?:rel|data-)/.test(name) && links.some((link) => valueOf(link, name) !== undefined),
  );
  const around = reading.elements.some(({ name }) => document.elements.some(({ tag }) => tag === name));
  return (
    hasAttribute ||
    around ||
    isCalled(
      reading,
      wiring.scripts.flatMap((run) => (run.reading?.ok ? run.reading.calls : [])),
    ) ||
    reading.selectors.some(({ name }) => {
      const found = matches(document, name);
      return found.ok && found.elements.some((element) => links.includes(element));
    })
  );
}

function isCalled({ plugIns, gives }: ScriptFacts, calls: ScriptFacts['calls']): boolean {
  const given = new Set(gives.map(({ name }) => name));
  return calls.some(({ way, name, of }) => {
    if (way === 'collection') return plugIns.some((one) => one.name === name);
    return given.has(way === 'method' ? (of ?? '') : name);
  });
}
