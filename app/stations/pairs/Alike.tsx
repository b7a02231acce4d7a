/** Pictures that are there more than once: one of each group is kept, every reference leads to it. */
import { saysNothing } from '~core/photo/index.ts';
import { firstOf, countOf, inBytes, stemOf } from '~core/site/index.ts';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Radio from '@mui/material/Radio';
import { useMemo, useState } from 'react';
import type { PairView } from '~core/view/index.ts';
import { Mono, Nothing, Picture, Panel, Tag } from '../../ui/parts/small';
import { useSite } from '../../ui/site/openSite';
import { useIntent } from '../../ui/site/work';
import { color } from '../../ui/theme';

/** A full-size file as it stands in a group, with the pages that link to it itself. */
interface Copy {
  pair: PairView;
  pages: string[];
}

/** What speaks for keeping a copy, the weightiest first: pages that link to it, its thumbnail, its size, its name. */
const WORTH: readonly ((copy: Copy) => number)[] = [
  ({ pages }) => pages.length,
  ({ pair }) => pair.usedOn.length,
  ({ pair }) => (pair.thumbnail === null ? 0 : 1),
  ({ pair }) => pair.fullSize?.width ?? 0,
  ({ pair }) => (isCopysName(pair.full) ? 0 : 1),
  ({ pair }) => (saysNothing(stemOf(pair.full)) ? 0 : 1),
  ({ pair }) => pair.fullSize?.bytes ?? 0,
  ({ pair }) => -pair.full.length,
];

/** What programs call a second copy: `kite (1).jpg`, `kite - Copy.jpg`, `kite-copy.jpg`, `Copy of kite.jpg`. */
const isCopysName = (path: string): boolean => /\(\d+\)$|\bcopy\b|\bkopie\b|[ _-]copy\d*$/i.test(stemOf(path));

function compareWorth(a: Copy, b: Copy): number {
  for (const worth of WORTH) {
    const difference = worth(b) - worth(a);
    if (difference !== 0) return difference;
  }
  return 0;
}

/** Each copy, and its thumbnail where the one that is kept has a thumbnail, gives way. */
const givenUp = (group: readonly Copy[], { pair: kept }: Copy) =>
  group
    .map(({ pair }) => pair)
    .filter((pair) => pair.full !== kept.full)
    .flatMap((pair) => [
      { from: pair.full, into: kept.full },
      ...(pair.thumbnail !== null && kept.thumbnail !== null && pair.thumbnail !== kept.thumbnail
        ? [{ from: pair.thumbnail, into: kept.thumbnail }]
        : []),
    ]);

const SUMMARY = { display: 'flex', alignItems: 'center', px: 1.75, py: 1, mb: 1.5, fontSize: '0.8125rem' };

const GROUP_LIST = { m: 0, p: 0, listStyle: 'none', display: 'grid', gap: 1.5 } as const;

export function Alike() {
  const { site } = useSite();
  const { intent, busy } = useIntent();
  const { alike, similar, pairs, strands } = site.view;
  const idle = busy || site.readOnly;
  const byFull = useMemo(
    () =>
      new Map(
        pairs.map((pair): [string, Copy] => [
          pair.full,
          { pair, pages: [...new Set(strands.filter(({ full }) => full === pair.full).map(({ page }) => page))] },
        ]),
      ),
    [pairs, strands],
  );
  const groupsIn = (all: readonly string[][]) =>
    all.map((paths) => paths.flatMap((path) => byFull.get(path) ?? [])).filter((group) => group.length > 1);
  const groups = groupsIn(alike);
  const edited = groupsIn(similar);
  const exact = groups.filter(isExact);
  if (groups.length + edited.length === 0)
    return (
      <Nothing
        title="No duplicates"
        says="Pictures that are identical, differ only in size and compression, or were edited are listed here in groups."
      />
    );
  return (
    <>
      {exact.length > 1 && (
        <Panel sx={SUMMARY}>
          <Box sx={{ flex: 1 }}>{`${countOf(exact.length, 'group')} of identical files`}</Box>
          <Button
            size="small"
            disabled={idle}
            onClick={() =>
              intent({ kind: 'merge-many', merges: exact.flatMap((group) => givenUp(group, preferred(group))) })
            }
          >
            Keep one of each
          </Button>
        </Panel>
      )}
      <Box component="ul" aria-label="Groups of duplicates" sx={GROUP_LIST}>
        {[...groups, ...edited].map((group, n) => (
          <Group
            key={`${n < groups.length ? 'same' : 'edited'} ${group[0]?.pair.full}`}
            group={group}
            edited={n >= groups.length}
            idle={idle}
            onKeep={(kept) => intent({ kind: 'merge-many', merges: givenUp(group, kept) })}
          />
        ))}
      </Box>
    </>
  );
}

const isExact = (group: readonly Copy[]): boolean => group.every(({ pair }) => pair.hash === group[0]?.pair.hash);

const preferred = (group: readonly Copy[]): Copy => firstOf([...group].sort(compareWorth));

const GROUP_HEAD = { display: 'flex', alignItems: 'center', gap: 1.5, mb: 1 };

const choiceStyle = (chosen: boolean) =>
  ({
    display: 'grid',
    gridTemplateColumns: 'auto 132px',
    gap: 0.5,
    alignItems: 'start',
    cursor: 'pointer',
    bgcolor: chosen ? color('heatherWash') : undefined,
    borderRadius: 1,
    pr: 1,
  }) as const;

interface GroupProps {
  group: readonly Copy[];
  /** They show the same, but one was changed. */
  edited: boolean;
  idle: boolean;
  onKeep: (kept: Copy) => void;
}

function saysOf(group: readonly Copy[], edited: boolean): string {
  if (edited) return 'similar: edited, cropped or taken again';
  return isExact(group) ? 'identical files' : 'same picture, other size or compression';
}

function Group({ group, edited, idle, onKeep }: GroupProps) {
  const [kept, setKept] = useState(preferred(group).pair.full);
  const chosen = group.find(({ pair }) => pair.full === kept) ?? preferred(group);
  return (
    <Box component="li">
      <Panel label={`Duplicates: ${chosen.pair.name}`} sx={{ px: 1.75, py: 1.25 }}>
        <Box sx={GROUP_HEAD}>
          <Tag tone={!edited && isExact(group) ? 'plain' : 'look'}>{saysOf(group, edited)}</Tag>
          <Box sx={{ flex: 1 }} />
          <Button
            size="small"
            disabled={idle}
            onClick={() => onKeep(chosen)}
          >{`Keep ${chosen.pair.full}, delete ${countOf(group.length - 1, 'copy', 'copies')}`}</Button>
        </Box>
        <Box role="radiogroup" aria-label="File to keep" sx={{ display: 'flex', flexWrap: 'wrap', gap: 2 }}>
          {group.map(({ pair, pages }) => (
            <Box component="label" key={pair.full} sx={choiceStyle(pair.full === chosen.pair.full)}>
              <Radio
                size="small"
                sx={{ mt: '30px' }}
                checked={pair.full === chosen.pair.full}
                onChange={() => setKept(pair.full)}
              />
              <Box sx={{ py: 0.5, minWidth: 0 }}>
                <Picture path={pair.full} width={128} height={90} />
                <Mono>{pair.full}</Mono>
                <Box sx={{ fontSize: '0.75rem', color: color('stone') }}>
                  {pair.fullSize && `${pair.fullSize.width} × ${pair.fullSize.height}, ${inBytes(pair.fullSize.bytes)}`}
                  <br />
                  {pages.length > 0 ? `linked from ${pages.join(', ')}` : 'linked from no page'}
                </Box>
              </Box>
            </Box>
          ))}
        </Box>
      </Panel>
    </Box>
  );
}
