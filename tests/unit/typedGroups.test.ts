/**
 * Groups of pictures in thirty hand-typed pages of words: fifteen out of two Debian packages, fifteen in manners of
 * their own. Precision and recall are printed.
 */
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { galleriesOf, parsePage } from '../../core/markup/index.ts';
import { groupsOf } from '../../core/story/index.ts';
import { BETWEEN, DRAWING, type LabelledPage, LIBRARY } from '../groups/labels.ts';
import { TYPED } from '../groups/typed.ts';

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

it('there are thirty pages', () => {
  expect(LIBRARY.length + DRAWING.length + TYPED.length).toBe(30);
});

describe('groups among words are recognised', () => {
  it('on pages in manners of their own', () => {
    const count = sum(
      TYPED.map((page) => countOn(page, `<!DOCTYPE html>\n<title>x</title>\n<body>\n${page.body}\n</body>\n`)),
    );
    print('typed', count);
    expect(shares(count).precision).toBeGreaterThanOrEqual(0.9);
    expect(shares(count).recall).toBeGreaterThanOrEqual(0.8);
  });

  it.skipIf(!existsSync('/usr/share/doc/imagemagick-6-common/html/www'))('in the manual of an image library', () => {
    // An iframe that is closed like an element of XML swallows the rest of these pages in a browser.
    const read = (name: string) =>
      readFileSync(join('/usr/share/doc/imagemagick-6-common/html/www', name), 'utf8').replace(/<iframe[^>]*\/>/, '');
    const count = sum(LIBRARY.map((page) => countOn(page, read(page.name))));
    print('image library', count);
    expect(shares(count).precision).toBeGreaterThanOrEqual(0.9);
    expect(shares(count).recall).toBeGreaterThanOrEqual(0.8);
  });

  it.skipIf(!existsSync('/usr/share/doc/xfig/html'))('in the manual of a drawing program', () => {
    const read = (name: string) => readFileSync(join('/usr/share/doc/xfig/html', name), 'latin1');
    const count = sum(DRAWING.map((page) => countOn(page, read(page.name))));
    print('drawing program', count);
    expect(shares(count).precision).toBeGreaterThanOrEqual(0.9);
    expect(shares(count).recall).toBeGreaterThanOrEqual(0.8);
  });
});
