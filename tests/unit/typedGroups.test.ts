/**
 * Groups of pictures in hand-typed pages of words: fifteen out of two Debian packages, fifteen in manners of their own,
 * and sixteen out of three packages, labelled later. Precision and recall are printed.
 */
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { galleriesOf, parsePage } from '../../core/markup/index.ts';
import { groupsOf } from '../../core/story/index.ts';
import { BETWEEN, DRAWING, type LabelledPage, LIBRARY } from '../groups/labels.ts';
import { TYPED } from '../groups/typed.ts';
import { COLLECTIONS } from '../groups/collections.ts';
import { DRAWING_TOO, JOINING, PLOTTING } from '../groups/unseen.ts';

const fileIn = (address: string): string => address.replace(/^.*\//, '');

/** Pictures of each group that is found, by the names of their files. */
function foundIn(text: string): string[][] {
  const document = parsePage(text);
  return groupsOf({ document, galleries: galleriesOf(document) }).map(({ gallery }) =>
    gallery.items.map(({ source }) => fileIn(source?.value ?? '')).filter((name) => !BETWEEN.includes(name)),
  );
}

interface Count {
  right: number;
  found: number;
  labelled: number;
  /** What was found otherwise than labelled. */
  others: string[];
}

const sum = (counts: readonly Count[]): Count =>
  counts.reduce((all, one) => ({
    right: all.right + one.right,
    found: all.found + one.found,
    labelled: all.labelled + one.labelled,
    others: [...all.others, ...one.others],
  }));

/** A group is right where it has just the labelled pictures, in their order. */
function countOn({ name, groups }: LabelledPage, text: string): Count {
  const found = foundIn(text).map((one) => one.join());
  const labelled = groups.map((one) => one.join());
  const left = [...labelled];
  const wrong = found.filter((one) => {
    const at = left.indexOf(one);
    if (at >= 0) left.splice(at, 1);
    return at < 0;
  });
  const others = [...wrong.map((one) => `${name}: ${one} is none`), ...left.map((one) => `${name}: ${one} is missing`)];
  return { right: found.length - wrong.length, found: found.length, labelled: labelled.length, others };
}

/** Shares of 1. */
function shares({ right, found, labelled }: Count): { precision: number; recall: number } {
  return { precision: right / Math.max(1, found), recall: right / Math.max(1, labelled) };
}

function print(what: string, count: Count): void {
  const { precision, recall } = shares(count);
  console.log(
    `${what}: ${count.labelled} groups labelled, ${count.found} found, ${count.right} right; precision ${precision.toFixed(2)}, recall ${recall.toFixed(2)}\n${count.others.join('\n')}`,
  );
}

it('there are thirty pages, and ten that no rule was made from', () => {
  expect(LIBRARY.length + DRAWING.length + TYPED.length).toBe(30);
  expect([...JOINING, ...PLOTTING, ...DRAWING_TOO]).toHaveLength(10);
});

describe('groups among words are recognised', () => {
  const judge = (what: string, count: Count) => {
    print(what, count);
    expect(shares(count).precision).toBeGreaterThanOrEqual(0.9);
    expect(shares(count).recall).toBeGreaterThanOrEqual(0.8);
  };

  it('on pages in manners of their own', () => {
    const framed = ({ body }: { body: string }) => `<!DOCTYPE html>\n<title>x</title>\n<body>\n${body}\n</body>\n`;
    judge('typed', sum(TYPED.map((page) => countOn(page, framed(page)))));
  });

  for (const { what, folder, pages, encoding = 'utf8', mended = (text: string) => text } of COLLECTIONS)
    it.skipIf(!existsSync(folder))(`in ${what}`, () => {
      const read = (name: string) => mended(readFileSync(join(folder, name), encoding));
      judge(what, sum(pages.map((page) => countOn(page, read(page.name)))));
    });
});
