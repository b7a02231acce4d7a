/** The rows of pairs. Of long lists only those in sight are made: a site may hold thousands. */
import Box from '@mui/material/Box';
import { useCallback, type ComponentProps } from 'react';
import type { PairView } from '~core/view/index.ts';
import { useRowsInSight } from '../../ui/parts/rowsInSight';
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
  const { list, items, height, topOf, measure } = useRowsInSight<HTMLUListElement>(
    pairs.length,
    ROW,
    useCallback((n: number) => pairs[n]?.id ?? n, [pairs]),
  );
  return (
    <Box {...LIST} ref={list} sx={ROW_STYLES} style={{ position: 'relative', height }}>
      {items.map((item) => {
        const pair = pairs[item.index];
        return (
          pair && (
            <PairRow
              key={pair.id}
              pair={pair}
              chosen={chosen === pair.id}
              place={{ index: item.index, of: pairs.length, top: topOf(item), measure }}
              {...row}
            />
          )
        );
      })}
    </Box>
  );
}
