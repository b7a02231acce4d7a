import { describe, expect, it } from 'vitest';
import type { PairView } from '~core/view/index.ts';
import { ALL, type Filter, inPutOrder, NO_PAGE, picked, type PutOrder } from './picked';

const WORDS = { title: '', caption: '', alt: '', isFromName: false, credit: '', copyright: '' };

const pair = (full: string, part: Partial<Omit<PairView, 'words'>> & { words?: Partial<PairView['words']> }) =>
  ({ full, tags: [], shownOn: [], takenAt: null, ...part, words: { ...WORDS, ...part.words } }) as unknown as PairView;

const PAIRS = [
  pair('large/reel-10.jpg', {
    tags: ['reel'],
    shownOn: ['a.html'],
    takenAt: '2026-06-20T09:13:00',
    words: { alt: 'A reel' },
  }),
  pair('large/reel-2.jpg', { tags: ['reel', 'red'], shownOn: ['a.html', 'b.html'], takenAt: '2026-06-21' }),
  pair('large/moor.jpg', { words: { caption: 'Over the Moor', alt: 'Kites' } }),
  pair('large/sky.jpg', { takenAt: '2025-01-01', words: { caption: 'sky', isFromName: true, alt: 'Sky' } }),
];
const names = (pairs: readonly PairView[]) => pairs.map(({ full }) => full.slice(6, -4)).join(' ');

describe('which of all pictures are shown', () => {
  it.each<[Partial<Filter>, string]>([
    [{}, 'reel-10 reel-2 moor sky'],
    [{ text: ' MOOR ' }, 'moor'],
    [{ text: 'red' }, 'reel-2'],
    [{ tag: 'reel' }, 'reel-10 reel-2'],
    [{ page: 'b.html' }, 'reel-2'],
    [{ page: NO_PAGE }, 'moor sky'],
    [{ since: '2026-06-21' }, 'reel-2'],
    [{ until: '2026-06-20' }, 'reel-10 sky'],
    [{ since: '2026-06-20', until: '2026-06-20' }, 'reel-10'],
    [{ lacks: 'alt' }, 'reel-2'],
    [{ lacks: 'caption' }, 'reel-10 reel-2 sky'],
    [{ lacks: 'tags' }, 'moor sky'],
    [{ lacks: 'date' }, 'moor'],
    [{ tag: 'reel', lacks: 'alt' }, 'reel-2'],
  ])('%j: %s', (filter, shown) => expect(names(picked(PAIRS, { ...ALL, ...filter }))).toBe(shown));

  it.each<[PutOrder, string]>([
    ['list', 'reel-10 reel-2 moor sky'],
    ['name', 'moor reel-2 reel-10 sky'],
    ['taken', 'sky reel-10 reel-2 moor'],
    ['newest', 'reel-2 reel-10 sky moor'],
  ])('in the order %s: %s', (order, shown) => expect(names(inPutOrder(PAIRS, order))).toBe(shown));
});
