/** The states of a pair as they are shown, and the ways out of each. */
import { OTHER_CONTENT, type PairState } from '~core/pairing/index.ts';
import type { PictureTask } from '~core/model/index.ts';
import { formatOf, type SizeRecipe } from '~core/photo/index.ts';
import { extensionOf, folderOf, nameOf, stemOf } from '~core/site/index.ts';
import type { PairView } from '~core/view/index.ts';
import type { Work } from '../../data/work';
import type { Tone } from '../../ui/parts/small';

interface Shown {
  tone: Tone;
  word: string;
  /** Dashes of the thread; unbroken where the pair is whole. */
  dash?: string;
}

const LOOK = '7 4';
const BROKEN = '2 3';

const STATES: Record<PairState, Shown> = {
  sure: { tone: 'whole', word: 'matched' },
  'case differs': { tone: 'look', word: 'case differs', dash: LOOK },
  'name only': { tone: 'look', word: 'by name only', dash: LOOK },
  'another picture': { tone: 'broken', word: 'another picture', dash: BROKEN },
  'content only': { tone: 'look', word: 'names disagree', dash: LOOK },
  several: { tone: 'look', word: 'several fit', dash: LOOK },
  'no thumbnail': { tone: 'look', word: 'to create', dash: LOOK },
  swapped: { tone: 'broken', word: 'swapped', dash: BROKEN },
  twice: { tone: 'look', word: 'duplicate', dash: LOOK },
  unreadable: { tone: 'broken', word: 'unreadable', dash: BROKEN },
};

/** While files are read, nothing is said of what may have its thumbnail among them. */
const UNSETTLED: Shown = { tone: 'plain', word: 'being read', dash: '1 5' };

export const shownState = ({ state, unsettled }: PairView): Shown => (unsettled ? UNSETTLED : STATES[state]);

interface Way {
  label: string;
  work: Work;
}

const decide = (thumbnail: string, full: string, belong: boolean | null): Work => ({
  do: 'intent',
  intent: { kind: 'decide', thumbnail, full, belong },
});
/** A thumbnail that is there keeps its name, and with it its format. */
function thumbnailTask({ full, thumbnail, thumbnailPath }: PairView, size: SizeRecipe): PictureTask {
  const to = thumbnail ?? thumbnailPath;
  return { from: full, to, size: { ...size, format: formatOf(to) ?? size.format }, as: 'thumbnail', times: 1 };
}

const make = (pair: PairView, size: SizeRecipe): Way => ({
  label:
    pair.thumbnail === null
      ? `Create ${nameOf(pair.thumbnailPath)}`
      : `Create the thumbnail again from ${nameOf(pair.full)}`,
  work: {
    do: 'make',
    tasks: [thumbnailTask(pair, size)],
  },
});

/** The name that a thumbnail would have if it were called after its picture, in its own folder and format. */
const namedAfter = (thumbnail: string, full: string): string =>
  `${folderOf(thumbnail)}${stemOf(full)}${folderOf(thumbnail) === folderOf(full) ? '-thumb' : ''}.${extensionOf(thumbnail)}`;

const WAYS: Record<PairState, (pair: PairView, thumbnail: string, size: SizeRecipe) => Way[]> = {
  sure: () => [],
  'case differs': (pair, thumbnail) => [
    {
      label: `Rename to ${stemOf(pair.full)}.${extensionOf(thumbnail)}`,
      work: {
        do: 'intent',
        intent: {
          kind: 'rename',
          from: thumbnail,
          to: `${folderOf(thumbnail)}${stemOf(pair.full)}.${extensionOf(thumbnail)}`,
        },
      },
    },
  ],
  'name only': (pair, thumbnail, size) => [
    make(pair, size),
    { label: 'Confirm the pair', work: decide(thumbnail, pair.full, true) },
  ],
  'another picture': (pair, thumbnail, size) => [
    make(pair, size),
    { label: 'Confirm the pair', work: decide(thumbnail, pair.full, true) },
  ],
  'content only': (pair, thumbnail) => [
    { label: 'Confirm the pair', work: decide(thumbnail, pair.full, true) },
    ...(stemOf(thumbnail) === stemOf(pair.full)
      ? []
      : [
          {
            label: `Rename to ${nameOf(namedAfter(thumbnail, pair.full))}`,
            work: { do: 'intent', intent: { kind: 'rename', from: thumbnail, to: namedAfter(thumbnail, pair.full) } },
          } satisfies Way,
        ]),
  ],
  several: (pair, thumbnail) =>
    [pair.full, ...pair.others].map((full) => ({
      label: `Pair with ${nameOf(full)}`,
      work: decide(thumbnail, full, true),
    })),
  'no thumbnail': (pair, _thumbnail, size) => [make(pair, size)],
  swapped: (pair, thumbnail) =>
    extensionOf(thumbnail) === extensionOf(pair.full)
      ? [
          {
            label: 'Swap the two files',
            work: { do: 'intent', intent: { kind: 'exchange', one: thumbnail, other: pair.full } },
          },
        ]
      : [],
  twice: (pair) =>
    pair.others.slice(0, 3).map((other) => ({
      label: `Use ${other} instead`,
      work: { do: 'intent', intent: { kind: 'merge', from: pair.full, into: other } },
    })),
  unreadable: () => [],
};

/** `size` is what a thumbnail is made to. */
export function waysOut(pair: PairView, size: SizeRecipe): Way[] {
  if (pair.unsettled) return [];
  const ways = WAYS[pair.state](pair, pair.thumbnail ?? pair.thumbnailPath, size);
  if (pair.thumbnail === null) return ways;
  const byHand = pair.restsOn.some(({ kind }) => kind === 'hand');
  return [
    ...ways,
    byHand
      ? { label: 'Remove the decision', work: decide(pair.thumbnail, pair.full, null) }
      : { label: 'Not a pair', work: decide(pair.thumbnail, pair.full, false) },
  ];
}

/** What the pair rests on, and what the pictures say to it. */
export function grounds(pair: PairView): [string, string] {
  if (pair.trouble !== null) return ['cannot be shown', pair.trouble];
  if (pair.unsettled) return ['being read', ''];
  if (pair.thumbnail === null)
    return [
      pair.state === 'twice' ? `same as ${pair.others[0] ?? ''}` : 'no thumbnail',
      `will be ${pair.thumbnailPath}`,
    ];
  if (pair.restsOn.some(({ kind }) => kind === 'hand')) return ['decided by hand', agreement(pair)];
  return [rests(pair), pair.shows === undefined ? agreement(pair) : `shows ${nameOf(pair.shows)}`];
}

const RESTS = [
  ['name', 'name'],
  ['page', 'page'],
  ['made', 'created here'],
  ['content', 'content'],
] as const;

const LIST = new Intl.ListFormat('en-GB', { type: 'conjunction' });

function rests({ restsOn, crop, state }: PairView): string {
  const kinds = new Set(restsOn.map(({ kind }) => kind));
  const said = RESTS.flatMap(([kind, says]) => (kinds.has(kind) ? [says] : []));
  const only = said.length === 1 && crop !== null ? ' only' : '';
  const but = state === 'case differs' ? ', except for case' : '';
  return `${LIST.format(said) || 'name'}${only}${but}`;
}

const CROPPED = 0.97;
const percent = (share: number) => `${Math.round(share * 100)} %`;

function agreement({ crop, state, others }: PairView): string {
  if (state === 'twice') return `same as ${others[0] ?? ''}`;
  if (crop === null) return 'content not read yet';
  if (crop.agreement < OTHER_CONTENT) return `only ${percent(Math.max(0, crop.agreement))} alike`;
  if (crop.width < CROPPED || crop.height < CROPPED) return `a crop, from ${percent(crop.left)}, ${percent(crop.top)}`;
  return `${percent(crop.agreement)} alike`;
}

/** Where a crop is outlined on its picture; null where the thumbnail shows the whole or nothing of it. */
export const outlined = ({ crop }: PairView): PairView['crop'] =>
  crop && crop.agreement >= OTHER_CONTENT && (crop.width < CROPPED || crop.height < CROPPED) ? crop : null;
