/**
 * What a stylesheet needs for groups of pictures: one rule for all of them, under a comment that says what it is for,
 * and one for each presentation that is used. Lengths are our own choice, no source.
 */
import type { WholeRule } from '../style/index.ts';
import { GROUP, type Shown } from './presentation.ts';

const rule = (selector: string, said: Readonly<Record<string, string>>, comment?: string): WholeRule => ({
  selector,
  declarations: Object.entries(said).map(([property, value]) => ({ property, value })),
  comment,
});

const ALL: readonly WholeRule[] = [
  rule(
    `.${GROUP}`,
    { display: 'grid', gap: '0.75rem', margin: '1.5rem 0', padding: '0', 'list-style': 'none' },
    'Groups of pictures among words: class "pictures" with the name of how they are shown',
  ),
  // A caption stands below its picture, whatever element it is.
  rule(`.${GROUP} img`, { display: 'block', 'max-width': '100%', height: 'auto' }),
  rule(`.${GROUP} figure`, { margin: '0' }),
];

/** Said by each of them: a stylesheet may have given the class more columns before. */
const ONE_COLUMN = { 'grid-template-columns': 'minmax(0, 1fr)' } as const;

const ONE: Readonly<Record<Shown['as'], (shown: Shown) => WholeRule[]>> = {
  grid: ({ columns }) => [
    rule(`.${GROUP}.of-${columns}`, { 'grid-template-columns': `repeat(${columns}, minmax(0, 1fr))` }),
  ],
  large: () => [rule(`.${GROUP}.large`, ONE_COLUMN)],
  still: () => [rule(`.${GROUP}.still`, ONE_COLUMN)],
  slideshow: () => [rule(`.${GROUP}.slides`, { display: 'block' })],
  left: () => [
    rule(`.${GROUP}.left`, { ...ONE_COLUMN, float: 'left', 'max-width': '40%', margin: '0.25rem 1.5rem 1rem 0' }),
  ],
  right: () => [
    rule(`.${GROUP}.right`, { ...ONE_COLUMN, float: 'right', 'max-width': '40%', margin: '0.25rem 0 1rem 1.5rem' }),
  ],
  wide: () => [rule(`.${GROUP}.wide`, ONE_COLUMN), rule(`.${GROUP}.wide img`, { width: '100%' })],
};

/** Every rule that a group shown so needs, in order. */
export const rulesFor = (shown: Shown): WholeRule[] => [...ALL, ...ONE[shown.as](shown)];
