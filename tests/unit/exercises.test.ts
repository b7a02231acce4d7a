/** Each exercise has the one fault that it says, its right answer mends it, and a wrong try is told what is wrong. */
import { describe, expect, it } from 'vitest';
import { findingsOf } from '../../core/checks/index.ts';
import {
  EXERCISE_PAGE,
  EXERCISES,
  exerciseTexts,
  isAnswered,
  saidOfTry,
  SOUND_PICTURES,
  VIEWER_FOLDERS,
  type Exercise,
} from '../../core/exercises/index.ts';
import { soundPage } from '../../core/exercises/soundSite.ts';
import { readSite } from '../../core/model/index.ts';
import type { PhotoFacts } from '../../core/photo/index.ts';
import type { FileContent } from '../../core/site/index.ts';
import { kitNamed, KITS } from '../kits.ts';

const factsOf = (n: number, width: number, height: number): PhotoFacts => ({
  width,
  height,
  orientation: 1,
  likeness: `${n}`.repeat(16),
  mean: [n * 60, 0, 0],
  luma: { width: 1, height: 1, data: new Uint8Array([n]) },
  words: {},
});

/** Pictures are told by their paths. */
const FACTS = new Map(
  SOUND_PICTURES.flatMap(({ name, height }, n): [string, PhotoFacts][] => [
    [`small/${name}`, factsOf(n, 150, height)],
    [`large/${name}`, factsOf(n, 1500, height * 10)],
  ]),
);

function rulesBroken(exercise: Exercise, page: string): string[] {
  const folder = VIEWER_FOLDERS[exercise.viewer];
  const { files } = kitNamed(exercise.viewer);
  const texts = {
    ...exerciseTexts(exercise),
    [EXERCISE_PAGE]: page,
    ...Object.fromEntries(Object.entries(files).map(([name, text]) => [`${folder}/${name}`, text])),
  };
  const site = new Map<string, FileContent>([
    ...Object.entries(texts).map(([path, text]): [string, FileContent] => [path, { kind: 'text', text }]),
    ...[...FACTS.keys()].map((path): [string, FileContent] => [path, { kind: 'binary', hash: path, bytes: 1000 }]),
  ]);
  return findingsOf(readSite(site, FACTS, KITS)).map(({ rule }) => rule);
}

/** What students try, and what they are told; each changes the page as it is given to them. */
const TRIES: Record<string, readonly [string, (page: string) => string, RegExp][]> = {
  'dummy-link': [
    ['nothing at all', (page) => page.replace('href="#"', 'href=""'), /empty address/],
    ['the bare name', (page) => page.replace('href="#"', 'href="star-field.jpg"'), /in a folder/],
    ['the thumbnail', (page) => page.replace('href="#"', 'href="small/star-field.jpg"'), /That is the thumbnail/],
  ],
  'link-to-page': [
    ['the thumbnail', (page) => page.replace('href="index.html"', 'href="small/sled-morning.jpg"'), /the thumbnail/],
    ['a slip', (page) => page.replace('href="index.html"', 'href="large/sled-moring.jpg"'), /letter by letter/],
  ],
  'no-arrows': [
    ['a capital', (page) => page.replace(third, '$1 data-enlarge-group="Kites"'), /a capital makes another group/],
    ['a group of its own', (page) => page.replace(third, '$1 data-enlarge-group="third"'), /one of its own/],
    ['no group at all', (page) => page.replaceAll(' data-enlarge-group="kites"', ''), /Without any group/],
  ],
  'marker-left-off': [
    ['on the image', (page) => page.replace('src="small/star', 'data-enlarge src="small/star'), /link around it/],
    ['as a class', (page) => page.replace(second, '$1 class="data-enlarge"'), /attribute of its own/],
    ['misspelt', (page) => page.replace(second, '$1 data-enlrage'), /compare the letters/],
  ],
  'forgotten-link': [
    [
      'the thumbnail changed',
      (page) => page.replace('small/sled', 'small/star-field.jpg?').replace(/\?-morning.jpg/, ''),
      /green kite was right/,
    ],
    ['the thumbnail', (page) => swapLast(page, 'large/star-field.jpg', 'small/sled-morning.jpg'), /the thumbnail/],
  ],
  capitals: [
    ['all capitals', (page) => page.replace('large/Eye', 'large/EYE'), /capitals in it still/],
    ['the thumbnail too', (page) => page.replace('small/eye', 'small/Eye'), /missing as well/],
  ],
  'split-group': [
    ['one more capital', (page) => page.replace('group="kites"', 'group="Kites"'), /all four are written alike/],
    ['a space', (page) => page.replace('"Kites"', '"kites "'), /counts as a letter/],
  ],
  'wrong-folder': [
    ['no script', (page) => page.replace(/<script.*\n/, ''), /Without its script/],
    ['a folder up', (page) => page.replace('src="js/', 'src="../viewer/'), /beside the page/],
    ['no folder', (page) => page.replace('src="js/', 'src="'), /folder’s name/],
  ],
  'selector-dot': [
    ['a hash', (page) => page.replace("'peep'", "'#peep'"), /looks for an id/],
    ['a space behind the dot', (page) => page.replace("'peep'", "'. peep'"), /right after it/],
    ['the pictures', (page) => page.replace("'peep'", "'.peep img'"), /wants the links/],
    ['the dot in the class', (page) => page.replaceAll('class="peep"', 'class=".peep"'), /without it/],
  ],
  'call-too-early': [
    [
      'both in the head',
      (page) =>
        page
          .replace(/<script>.*\n<script.*\n/, '')
          .replace(
            '</head>',
            '<script src="peephole/peephole.js"></script>\n<script>peephole(\'.peep\');</script>\n</head>',
          ),
      /above the pictures/,
    ],
    ['deferred', (page) => page.replace(/(<script>.*\n)(<script.*)"(><.*\n)/, '$2" defer$3$1'), /waits with defer/],
    ['no script', (page) => page.replace(/<script src.*\n/, ''), /is gone/],
  ],
  'curly-quotes': [
    ['no quotes', (page) => page.replace('‘.peep’', '.peep'), /no text/],
    ['one of two', (page) => page.replace('‘.peep', "'.peep"), /One of the two/],
    ['curved double ones', (page) => page.replace('‘.peep’', '“.peep”'), /double quotes/],
    ['not closed', (page) => page.replace('‘.peep’', '`.peep'), /not closed/],
  ],
  'root-address': [
    ['a folder up', (page) => page.replace('"/viewer', '"../viewer'), /Two dots/],
    ['the stylesheet too', (page) => page.replace('href="viewer', 'href="/viewer'), /stylesheet/],
  ],
};

const second = /(large\/star-field\.jpg")/;
const third = /(large\/sled-morning\.jpg" data-enlarge)/;

/** The last place only. */
function swapLast(text: string, from: string, to: string): string {
  const at = text.lastIndexOf(from);
  return text.slice(0, at) + to + text.slice(at + from.length);
}

it('are eight to twelve, each under a name of its own', () => {
  expect(EXERCISES.length).toBeGreaterThanOrEqual(8);
  expect(EXERCISES.length).toBeLessThanOrEqual(12);
  expect(new Set(EXERCISES.map(({ id }) => id)).size).toBe(EXERCISES.length);
  expect(Object.keys(TRIES).sort()).toEqual(EXERCISES.map(({ id }) => id).sort());
});

describe.each(EXERCISES.map((exercise) => [exercise.id, exercise] as const))('%s', (id, exercise) => {
  const sound = soundPage(exercise.viewer);
  const planted = exerciseTexts(exercise)[EXERCISE_PAGE]!;

  it('has the one fault that is planted, and none where it is mended', () => {
    expect(rulesBroken(exercise, planted)).toEqual([exercise.rule]);
    expect(rulesBroken(exercise, sound)).toEqual([]);
  });

  it('says nothing of what was not tried, nor of the right answer', () => {
    expect(saidOfTry(exercise, planted)).toBeNull();
    expect(isAnswered(exercise, planted)).toBe(false);
    expect(saidOfTry(exercise, sound)).toBeNull();
    expect(isAnswered(exercise, sound)).toBe(true);
  });

  it.each(TRIES[id]!)('tells who tries %s what is wrong with it', (_name, attempt, says) => {
    const page = attempt(planted);
    expect(page).not.toBe(planted);
    expect(isAnswered(exercise, page)).toBe(false);
    expect(saidOfTry(exercise, page)).toMatch(says);
  });

  it('does not take a picture that is gone for one that works', () => {
    const without = sound.replace(/ {2}<li>[^]*?<\/li>\n/, '');
    expect(isAnswered(exercise, without)).toBe(false);
    expect(saidOfTry(exercise, without)).toMatch(/is gone/);
  });
});
