/**
 * All pictures of the site in one list: where each is used, what is said of it, its tags and its date; those chosen are
 * put on pages and tagged beside it.
 */
import Box from '@mui/material/Box';
import { useCallback, useMemo, useState } from 'react';
import { countOf, nameOf } from '~core/site/index.ts';
import type { PairView } from '~core/view/index.ts';
import { ChooseAll, useChoosing } from '../../../ui/parts/choosing';
import { Nothing, Panel } from '../../../ui/parts/small';
import { RowsTable, type TableColumn } from '../../../ui/parts/table';
import { besideColumn } from '../../../ui/narrow';
import { NO_STRAND, useSite } from '../../../ui/site/openSite';
import { color } from '../../../ui/theme';
import { Collections } from './Collections';
import { AllRow } from './AllRow';
import { Lists } from '../lists/Lists';
import { FromSite } from './FromSite';
import { FilterBar } from './FilterBar';
import { ALL, type Filter, picked } from './picked';
import { PutOnPage } from './PutOnPage';
import { TagChosen } from './TagChosen';
import { TextsByPage } from './TextsByPage';
import { TextsByRule } from './TextsByRule';

const ROW = 76;

const COLUMNS = besideColumn(300);

const LIST_HEAD = {
  display: 'flex',
  flexWrap: 'wrap',
  gap: '0 16px',
  alignItems: 'center',
  px: 1.5,
  pt: 0.75,
} as const;

const TABLE: readonly TableColumn<PairView>[] = [
  { id: 'choose', title: 'Select', width: '46px' },
  { id: 'picture', title: 'Picture', width: '84px' },
  { id: 'name', title: 'Name', width: 'minmax(0, 1.2fr)', order: ({ full }) => nameOf(full) },
  { id: 'pages', title: 'On pages', width: 'minmax(0, 1fr)', order: ({ shownOn }) => shownOn.join(' ') },
  { id: 'tags', title: 'Tags', width: 'minmax(0, 1fr)', order: ({ tags }) => tags.join(' ') },
  { id: 'taken', title: 'Taken', width: '88px', order: ({ takenAt }) => takenAt ?? '' },
];

export function AllPictures() {
  const { site, go } = useSite();
  const { pairs, strands } = site.view;
  const [filter, setFilter] = useState<Filter>(ALL);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const shown = useMemo(() => picked(pairs, filter), [pairs, filter]);
  const ids = useMemo(() => shown.map(({ full }) => full), [shown]);
  const boxOf = useChoosing(ids, { chosen, onChoose: setChosen });
  const follow = useCallback(
    (full: string, page: string) =>
      go({
        station: 'markup',
        page,
        strand: strands.find((one) => one.page === page && one.full === full)?.id ?? NO_STRAND,
      }),
    [go, strands],
  );
  /** Of the pictures that are there now, in the order of the list. */
  const taken = useMemo(() => pairs.filter(({ full }) => chosen.has(full)), [pairs, chosen]);
  const [only] = taken;
  if (pairs.length === 0)
    return (
      <Nothing title="No pictures yet" says="Every picture of the site is listed here, wherever it is used.">
        <FromSite />
      </Nothing>
    );
  return (
    <>
      <FilterBar pairs={pairs} filter={filter} onFilter={setFilter} />
      <Box sx={COLUMNS}>
        <Panel label="All pictures" sx={{ minWidth: 0 }}>
          <Box sx={LIST_HEAD}>
            <ChooseAll ids={ids} chosen={chosen} onChoose={setChosen} />
            <Box role="status" sx={{ color: color('stone'), fontSize: '0.8125rem', pb: 0.5 }}>
              {shown.length === pairs.length
                ? countOf(pairs.length, 'picture')
                : `${shown.length} of ${countOf(pairs.length, 'picture')}`}
            </Box>
            <Box sx={{ ml: 'auto', mb: 0.5 }}>
              <FromSite />
            </Box>
          </Box>
          <RowsTable label="All pictures" columns={TABLE} rows={shown} keyOf={({ full }) => full} rowHeight={ROW}>
            {(pair, place) => (
              <AllRow key={pair.full} pair={pair} columns={TABLE} {...place} box={boxOf(pair.full)} onFollow={follow} />
            )}
          </RowsTable>
          {shown.length === 0 && (
            <Box sx={{ p: 2, color: color('stone') }}>No picture is like that. Change what is shown above.</Box>
          )}
        </Panel>
        <Box sx={{ display: 'grid', gap: 1.5 }}>
          <PutOnPage pairs={taken} onDone={() => setChosen(new Set())} />
          {only && taken.length === 1 && <TextsByPage pair={only} />}
          <TagChosen pairs={taken} />
          <TextsByRule pairs={taken} />
          <Collections filter={filter} />
          <Lists />
        </Box>
      </Box>
    </>
  );
}
