/** The interface says what a web developer would say: words of its own that it once had do not come back. */
import { expect, it } from 'vitest';
import { labelsOf } from '../../scripts/labels';

const labels = labelsOf();

/** Each with what is said instead. */
const RETIRED: Record<string, RegExp> = {
  fix: /\b[Mm]end(s|ed)?\b/,
  again: /\banew\b/,
  'import (verb)': /\b([Bb]ring in|[Bb]rought in|[Bb]ring them in|[Tt]ake in|[Tt]aken in)\b/,
  unpaired: /\b[Ll]oose\b/,
  'image sizes': /\b[Rr]ecipes?\b/,
  'file size': /(?<!\b[Pp]age )\b([Ww]eights?|[Ww]eighs)\b/,
  similarity: /\b([Ll]ikeness|[Aa]like to)\b/,
  compress: /\b[Ll]ighten/,
  'Sites, in this browser': /\b[Ss]helf\b/,
  'Files to upload': /\b[Pp]arcel\b/,
  duplicate: /\bthere twice\b/,
  'as expected': /\bforetold\b/,
  'after the last item': /\bbehind the last (item|one)\b/,
  'not set': /\b(not|nothing) said\b/,
  'external URL': /\b[Oo]utside address/,
  'viewer (verb: add, remove)': /\b([Kk]its?|[Ww]ire this page|[Tt]ake it off)\b/,
  'next, previous': /\bthe way (on|back)\b/,
  'which element is one item': /\bWhat (is an item|an item is)\b/,
  'parts of the code only': /\b([Ll]adder|[Ll]oom|[Tt]rail)\b/,
};

it('reads labels out of elements, attributes, properties and templates', () => {
  const said = labels.map(({ text }) => text);
  expect(said.length).toBeGreaterThan(1500);
  for (const one of ['Import a folder', 'Add a viewer', '{…} has no alt text.', 'Every picture has an alt text'])
    expect(said, one).toContain(one);
});

it.each(Object.entries(RETIRED))('says “%s”', (_, retired) => {
  expect(labels.filter(({ text }) => retired.test(text)).map(({ path, text }) => `${path}: ${text}`)).toEqual([]);
});

it('stammers nowhere', () => {
  const stammering = /\b(\w{4,})\1|\b([a-z]+) \2\b/i;
  expect('Backbackground of the the page').toMatch(stammering);
  expect(labels.filter(({ text }) => stammering.test(text)).map(({ path, text }) => `${path}: ${text}`)).toEqual([]);
});
