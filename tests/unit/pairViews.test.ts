/** What is shown of pairs while pictures are still being read. */
import { expect, test } from 'vitest';
import { readSite } from '../../core/model/index.ts';
import { patterned } from '../../core/photo/patterned.fixture.ts';
import type { PhotoFacts } from '../../core/photo/index.ts';
import type { FileContent } from '../../core/site/index.ts';
import { pagesOf, pairView, unreadIn } from '../../core/view/pairs.ts';
import { pagesShowing } from '../../core/view/shownOn.ts';
import { grounds, shownState, waysOut } from '../../app/stations/pairs/states.ts';

const FILES = ['l/a.jpg', 'l/b.jpg', 's/thumb-of-b.jpg'];

const facts = (path: string): PhotoFacts => ({
  width: path.startsWith('s/') ? 150 : 1200,
  height: path.startsWith('s/') ? 100 : 800,
  orientation: 1,
  likeness: '0123456789abcdef',
  mean: [9, 9, 9],
  luma: patterned(path.includes('a') ? 1 : 2),
  words: {},
});

function views(known: readonly string[]) {
  const files = new Map(
    FILES.map((path): [string, FileContent] => [path, { kind: 'binary', hash: path, bytes: 9000 }]),
  );
  const site = readSite(files, new Map(known.map((path) => [path, facts(path)])), []);
  const unread = unreadIn(site);
  const pages = { used: pagesOf(site), shown: pagesShowing(site) };
  return {
    unread,
    size: site.recipe.thumbnail,
    pairs: site.pairing.pairs.map((pair) => pairView(site, pair, pages, unread, new Map())),
  };
}

test('what may have its thumbnail among the unread is not called one to create', () => {
  const { unread, size, pairs } = views(['l/a.jpg']);
  expect(unread).toBe(2);
  const a = pairs.find(({ full }) => full === 'l/a.jpg');
  expect(a).toMatchObject({ state: 'no thumbnail', unsettled: true });
  expect(a && [shownState(a).word, ...grounds(a), waysOut(a, size)]).toEqual(['being read', 'being read', '', []]);
});

test('once all are read, it is', () => {
  const { unread, size, pairs } = views(FILES);
  expect(unread).toBe(0);
  const a = pairs.find(({ full }) => full === 'l/a.jpg');
  expect(a).toMatchObject({ state: 'no thumbnail', unsettled: false });
  expect(a && [shownState(a).word, waysOut(a, size).map(({ label }) => label)]).toEqual([
    'to create',
    ['Create a.jpg'],
  ]);
});
