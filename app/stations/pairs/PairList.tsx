/** The rows of pairs. Of long lists only those in sight are made: a site may hold thousands. */
import { useVirtualizer } from '@tanstack/react-virtual';
import Box from '@mui/material/Box';
import { useCallback, useLayoutEffect, useRef, useState, type ComponentProps } from 'react';
import type { PairView } from '~core/view/index.ts';
import { PairRow } from './PairRow';
import { ROW_STYLES } from './rowStyles';

/** Up to here all rows are made, so that the browser's own search finds them. */
const ALL = 120;
/** Height of a row that is not chosen, with its line; CSS px. */
const ROW = 69;

interface PairListProps extends Omit<ComponentProps<typeof PairRow>, 'pair' | 'chosen' | 'place'> {
  pairs: readonly PairView[];
  chosen: string | null;
}

export function PairList({ pairs, ...rest }: PairListProps) {
  return pairs.length <= ALL ? <AllRows pairs={pairs} {...rest} /> : <RowsInSight pairs={pairs} {...rest} />;
}

const LIST = { component: 'ul', 'aria-label': 'Pairs' } as const;

function AllRows({ pairs, chosen, ...row }: PairListProps) {
  return (
    <Box {...LIST} sx={ROW_STYLES}>
      {pairs.map((pair) => (
        <PairRow key={pair.id} pair={pair} chosen={chosen === pair.id} {...row} />
      ))}
    </Box>
  );
}

function RowsInSight({ pairs, chosen, ...row }: PairListProps) {
  const list = useRef<HTMLUListElement>(null);
  const [above, setAbove] = useState(0);
  useLayoutEffect(() => {
    const scroller = list.current?.closest('main');
    if (list.current && scroller) setAbove(list.current.getBoundingClientRect().top - scroller.getBoundingClientRect().top + scroller.scrollTop);
  }, []);
  const rows = useVirtualizer({
    count: pairs.length,
    getScrollElement: useCallback(() => list.current?.closest('main') ?? null, []),
    estimateSize: useCallback(() => ROW, []),
    getItemKey: useCallback((n: number) => pairs[n]?.id ?? n, [pairs]),
    scrollMargin: above,
    overscan: 4,
  });
  return (
    <Box {...LIST} ref={list} sx={ROW_STYLES} style={{ position: 'relative', height: rows.getTotalSize() }}>
      {rows.getVirtualItems().map(({ index, start }) => {
        const pair = pairs[index];
        return pair && <PairRow key={pair.id} pair={pair} chosen={chosen === pair.id} place={{ index, of: pairs.length, top: start - above, measure: rows.measureElement }} {...row} />;
      })}
    </Box>
  );
}
