import { describe, expect, it } from 'vitest';
import { VIEWERS } from '../kits.ts';
import { languagesKnown, wordsFor } from '../../core/wiring/words/languages.ts';

it('there are a dozen languages', () => expect(languagesKnown).toHaveLength(12));

describe.each(VIEWERS.filter(({ manifest }) => Object.keys(manifest.words).length > 0).map(({ manifest }) => manifest))(
  'the words of the $name',
  (manifest) => {
    it.each(languagesKnown)('are all there in %s, and can be told apart again', (language) => {
      const said = wordsFor(manifest, `${language}-XX`) ?? '';
      const pairs = said.split('; ').map((one) => one.split(': '));
      expect(pairs.map(([name]) => name)).toEqual(Object.keys(manifest.words));
      // A semicolon would end the word; what is in braces is filled in by the script.
      for (const [name = '', ...rest] of pairs) {
        const word = rest.join(': ');
        expect(word).not.toMatch(/[;"]/);
        const holes = manifest.words[name]?.match(/\{\w+\}/g) ?? [];
        expect(word.match(/\{\w+\}/g) ?? []).toEqual(expect.arrayContaining(holes));
      }
    });

    it.each(['', 'en', 'en-GB', 'xx', 'EN'])('are its own on a page in “%s”', (language) =>
      expect(wordsFor(manifest, language)).toBeNull(),
    );
  },
);

it('Norwegian is found by each of its codes', () => {
  const manifest = { words: { close: 'Close' } };
  expect(['no', 'nb', 'nn', 'NB-no'].map((code) => wordsFor(manifest, code))).toEqual(Array(4).fill('close: Lukk'));
});
