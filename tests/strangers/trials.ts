/** Work on one package: what was tried, what was refused and why, what was lost. */
import { parse } from 'parse5';
import { addressesOfPage, readSite, type PageReading, type SiteReading } from '../../core/model/index.ts';
import { planFor } from '../../core/plans/index.ts';
import { galleriesOf, hazardsOf, menusOf, parsePage, patternOf } from '../../core/markup/index.ts';
import { applyChange, isPagePath, PathIndex, type FileContent, type SiteFiles } from '../../core/site/index.ts';
import { groupsOf } from '../../core/story/index.ts';
import { wiringOf } from '../../core/wiring/index.ts';
import { KITS, VIEWERS } from '../kits.ts';
import { randomFrom } from '../robust/part.ts';
import type { Trial } from './judging.ts';
import { isPlain, ON_GROUPS } from './onGroups.ts';
import { ON_GALLERIES, ON_SITES } from './operations.ts';
import type { Texts } from './outside.ts';

/** What came of work on a site. */
export interface Outcome {
  operations: number;
  /** How often each reason was given; names, numbers and quotations are left out of them. */
  refusals: Map<string, number>;
  /** Each with the operation and the page. */
  losses: string[];
  badUndos: string[];
}

interface OfPackage extends Outcome {
  pages: number;
  galleries: number;
  /** All readers of pages together, in raw parses of the same texts. */
  cost: number;
  /** Of reading the whole site; ms. */
  reading: number;
}

export const newOutcome = (): Outcome => ({ operations: 0, refusals: new Map(), losses: [], badUndos: [] });

const pagesOf = (files: SiteFiles): Texts =>
  new Map(
    [...files].flatMap(([path, content]): [string, string][] =>
      isPagePath(path) && content.kind === 'text' ? [[path, content.text]] : [],
    ),
  );

const isSame = (one: SiteFiles, other: SiteFiles): boolean =>
  one.size === other.size &&
  [...one].every(([path, content]) => {
    const there = other.get(path);
    if (content.kind === 'text') return there?.kind === 'text' && there.text === content.text;
    return there?.kind === 'binary' && there.hash === content.hash;
  });

/** So that reasons of one kind count together. */
const kindOf = (reason: string): string =>
  reason
    .replace(/“[^”]*”|<[^>]*>|\S+="[^"]*"/g, '…')
    .replace(/\S*[/.]\S*\w/g, '…')
    .replace(/\d+/g, 'N')
    .slice(0, 110);

export function tryOne(
  site: SiteReading,
  name: string,
  where: string,
  { intent, judge }: Trial,
  outcome: Outcome,
): void {
  const planned = planFor(site, intent);
  outcome.operations++;
  if (!planned.ok) {
    // What would have vanished was kept, but ought not to have been at stake.
    const reason = /would have/.test(planned.reason)
      ? `${name}, ${where}: ${planned.reason}`
      : `${name}: ${kindOf(planned.reason)}`;
    outcome.refusals.set(reason, (outcome.refusals.get(reason) ?? 0) + 1);
    return;
  }
  const applied = applyChange(site.files, planned.change);
  if (!applied.ok) {
    outcome.losses.push(`${name}, ${where}: it cannot be applied: ${applied.reason}`);
    return;
  }
  const wrong = judge(pagesOf(site.files), pagesOf(applied.files));
  if (wrong !== null) outcome.losses.push(`${name}, ${where}: ${wrong}`);
  const back = applyChange(applied.files, applied.inverse);
  if (!back.ok || !isSame(back.files, site.files)) outcome.badUndos.push(`${name}, ${where}`);
}

/** Every kind of work once: on each gallery of a page, and on its site. */
export function tryAll(site: SiteReading, page: PageReading, where: string, seed: number): Outcome {
  const random = randomFrom(seed);
  const place = { site, page, pick: (end: number) => Math.floor(random() * end) };
  const outcome = newOutcome();
  const work = (name: string, trial: Trial | null) => trial && tryOne(site, name, where, trial, outcome);
  for (const [n, gallery] of page.galleries.entries())
    for (const [name, trialOf] of Object.entries(ON_GALLERIES)) work(name, trialOf(place, gallery, n));
  for (const [name, trialOf] of Object.entries(ON_SITES)) work(name, trialOf(place));
  return outcome;
}

/** In raw parses: every reader on pages of up to two million characters in all. */
function costOf(files: SiteFiles): number {
  const index = new PathIndex(files.keys());
  let [raw, own, left] = [0, 0, 2_000_000];
  const time = (work: () => unknown): number => {
    const began = performance.now();
    work();
    return performance.now() - began;
  };
  for (const [path, text] of pagesOf(files)) {
    left -= text.length;
    if (left < 0) break;
    const parsing = () => parse(text, { sourceCodeLocationInfo: true, scriptingEnabled: false });
    const reading = () => {
      const page = parsePage(text);
      for (const gallery of galleriesOf(page)) patternOf(page, gallery);
      hazardsOf(page);
      menusOf(page, path);
      addressesOfPage(page);
      wiringOf(page, path, files, index, VIEWERS);
    };
    parsing();
    reading();
    // The shortest of some: what others took away is not the reader's.
    raw += Math.min(...[0, 1, 2].map(() => time(parsing)));
    own += Math.min(...[0, 1, 2].map(() => time(reading)));
  }
  return raw === 0 ? 0 : own / raw;
}

const shuffled = <T>(all: readonly T[], random: () => number): T[] =>
  all
    .map((one) => ({ one, at: random() }))
    .sort((a, b) => a.at - b.at)
    .map(({ one }) => one);

/** Tries work on a site until `seconds` are over, other work with every `seed`. */
export function tryOn(
  files: Map<string, FileContent>,
  { seed, seconds }: { seed: number; seconds: number },
): OfPackage {
  const began = performance.now();
  const site = readSite(files, new Map(), KITS);
  const outcome: OfPackage = {
    ...newOutcome(),
    pages: site.pages.length,
    galleries: site.pages.reduce((sum, { galleries }) => sum + galleries.length, 0),
    cost: costOf(files),
    reading: performance.now() - began,
  };
  const random = randomFrom(seed);
  const pick = (end: number) => Math.floor(random() * end);
  const end = performance.now() + seconds * 1000;
  const work = (name: string, page: PageReading, trial: Trial | null) => {
    if (trial) tryOne(site, name, page.path, trial, outcome);
  };
  for (const page of shuffled(site.pages, random)) {
    if (performance.now() > end) break;
    const place = { site, page, pick };
    for (const [n, gallery] of shuffled([...page.galleries.entries()], random).slice(0, 3))
      for (const [name, trialOf] of Object.entries(ON_GALLERIES)) work(name, page, trialOf(place, gallery, n));
    const groups = [...groupsOf(page).entries()].filter(([, group]) => isPlain(group));
    for (const [n, group] of shuffled(groups, random).slice(0, 2))
      for (const [name, trialOf] of Object.entries(ON_GROUPS)) work(name, page, trialOf(place, group, n));
    // One of those on the whole site for each page: each of them reads all pages.
    const [name, trialOf] = shuffled(Object.entries(ON_SITES), random)[0] ?? [];
    if (name !== undefined && trialOf) work(name, page, trialOf(place));
  }
  return outcome;
}
