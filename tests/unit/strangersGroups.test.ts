/** Groups in pages that nobody here wrote are changed in every way; parse5 tells what became of the pages. */
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { readSite } from '../../core/model/index.ts';
import { type FileContent, resolveInSite } from '../../core/site/index.ts';
import { groupsOf } from '../../core/story/index.ts';
import { randomFrom } from '../robust/part.ts';
import { KITS } from '../kits.ts';
import { COLLECTIONS } from '../groups/collections.ts';
import { TYPED } from '../groups/typed.ts';
import { newGroup, ON_GROUPS } from '../strangers/onGroups.ts';
import { newOutcome, type Outcome, tryOne } from '../strangers/trials.ts';

/** Of each page; the others are like them. */
const GROUPS = 2;
/** Longer pages say nothing else, and take long; characters. */
const LONGEST = 40_000;

/** A page with the pictures that it shows, as a site. */
function siteOf(name: string, text: string) {
  const files = new Map<string, FileContent>([[name, { kind: 'text', text }]]);
  for (const [, address = ''] of text.matchAll(/<(?:img|a)\b[^>]*?(?:src|href)\s*=\s*"?([^"\s>]+)/gi)) {
    const target = resolveInSite(address, name);
    if (target.kind === 'file' && /\.(?:jpe?g|png|gif)$/i.test(target.path))
      files.set(target.path, { kind: 'binary', hash: target.path, bytes: 1000 });
  }
  return readSite(files, new Map(), KITS);
}

function tried(pages: readonly { name: string; text: string }[]): Outcome {
  const outcome = newOutcome();
  const random = randomFrom(7);
  const pick = (end: number) => Math.floor(random() * end);
  for (const { name, text } of pages.filter((one) => one.text.length <= LONGEST)) {
    const site = siteOf(name, text);
    const [page] = site.pages;
    if (!page) continue;
    const place = { site, page, pick };
    for (const [n, group] of [...groupsOf(page).entries()].slice(0, GROUPS))
      for (const [what, trialOf] of Object.entries(ON_GROUPS)) {
        const trial = trialOf(place, group, n);
        if (trial) tryOne(site, what, `${name} ${n}`, trial, outcome);
      }
    for (let times = 0; times < 5; times++) tryOne(site, `a new group on ${name}`, name, newGroup(place), outcome);
  }
  return outcome;
}

function judge(what: string, { operations, refusals, losses, badUndos }: Outcome): void {
  const refused = [...refusals].map(([reason, times]) => `${times} ${reason}`);
  console.log(`${what}: ${operations} changes; refused:\n${refused.join('\n')}`);
  expect(losses).toEqual([]);
  expect(badUndos).toEqual([]);
}

describe('groups are changed, and nothing else', () => {
  it('on pages in manners of their own', () => {
    const framed = (body: string) => `<!DOCTYPE html>\n<title>x</title>\n<body>\n${body}\n</body>\n`;
    const outcome = tried(TYPED.map(({ body }, n) => ({ name: `${n}.html`, text: framed(body) })));
    expect(outcome.operations).toBeGreaterThan(150);
    judge('typed', outcome);
  });

  for (const { what, folder, pages, encoding = 'utf8', mended = (text: string) => text } of COLLECTIONS)
    it.skipIf(!existsSync(folder))(`in ${what}`, () => {
      const read = (name: string) => mended(readFileSync(join(folder, name), encoding));
      judge(what, tried(pages.map(({ name }) => ({ name, text: read(name) }))));
    });
});
