/** A table whose rows may be thousands: its headings put it in order, and only rows in sight are made. */
import Box from '@mui/material/Box';
import TableSortLabel from '@mui/material/TableSortLabel';
import {
  createColumnHelper,
  createSortedRowModel,
  rowSortingFeature,
  tableFeatures,
  useTable,
  type SortDirection,
} from '@tanstack/react-table';
import { useCallback, useMemo, type ReactNode } from 'react';
import { color } from '../theme';
import { useRowsInSight } from './rowsInSight';

const features = tableFeatures({ rowSortingFeature, sortedRowModel: createSortedRowModel() });

/** Names with numbers in them stand as people count: 2 before 10. */
const names = new Intl.Collator('en', { numeric: true });

export interface TableColumn<Row> {
  id: string;
  title: string;
  /** Of the grid's columns. */
  width: string;
  /** What the heading puts the rows in the order of; without it the heading is only words. */
  order?: (row: Row) => string;
}

/** Where a row stands. */
export interface RowPlace {
  /** From 0, as the rows are shown. */
  index: number;
  /** CSS px from the top of the list. */
  top: number;
  measure: (element: Element | null) => void;
}

interface RowsTableProps<Row> {
  label: string;
  columns: readonly TableColumn<Row>[];
  rows: readonly Row[];
  keyOf: (row: Row) => string;
  /** What a row is thought to measure before it is made; CSS px. */
  rowHeight: number;
  /** A row with role and number of {@link rowProps}, with a cell for each column. */
  children: (row: Row, place: RowPlace, show: (index: number) => void) => ReactNode;
}

/** The grid that headings and rows share. */
export const gridOf = <Row,>(columns: readonly TableColumn<Row>[]) =>
  ({
    display: 'grid',
    gridTemplateColumns: columns.map(({ width }) => width).join(' '),
    gap: 1.25,
    px: 1.5,
  }) as const;

/** What makes an element the row at a place, to the eye and to whoever has it read. */
export const rowProps = ({ index, top, measure }: RowPlace) => ({
  role: 'row',
  ref: measure,
  'data-index': index,
  // The headings are the first.
  'aria-rowindex': index + 2,
  style: { position: 'absolute', left: 0, right: 0, top } as const,
});

const HEAD = { py: 0.75, color: color('stone'), fontSize: '0.75rem', alignItems: 'center' } as const;

const SORT_LABEL = { color: 'inherit', '&.Mui-active': { color: color('peat') } };

const SAYS_ORDER = { asc: 'ascending', desc: 'descending' } as const satisfies Record<SortDirection, string>;

export function RowsTable<Row extends object>({
  label,
  columns,
  rows: data,
  keyOf,
  rowHeight,
  children,
}: RowsTableProps<Row>) {
  const defined = useMemo(() => {
    const helper = createColumnHelper<typeof features, Row>();
    return columns.map(({ id, order }) =>
      helper.accessor((row): unknown => order?.(row) ?? '', {
        id,
        enableSorting: order !== undefined,
        sortFn: (a, b) => names.compare(String(a.getValue(id)), String(b.getValue(id))),
      }),
    );
  }, [columns]);
  const table = useTable({ features, columns: defined, data, getRowId: keyOf });
  const { rows } = table.getRowModel();
  const inSight = useRowsInSight<HTMLDivElement>(
    rows.length,
    rowHeight,
    useCallback((n: number) => rows[n]?.id ?? n, [rows]),
  );
  return (
    <Box role="table" aria-label={label} aria-rowcount={rows.length + 1}>
      <Box role="rowgroup">
        <Box role="row" aria-rowindex={1} sx={{ ...gridOf(columns), ...HEAD }}>
          {columns.map(({ id, title }) => {
            const column = table.getColumn(id);
            const sorted = column?.getIsSorted() || undefined;
            return (
              <Box key={id} role="columnheader" aria-sort={sorted && SAYS_ORDER[sorted]}>
                {column?.getCanSort() ? (
                  <TableSortLabel
                    active={sorted !== undefined}
                    direction={sorted ?? 'asc'}
                    onClick={() => column.toggleSorting()}
                    sx={SORT_LABEL}
                  >
                    {title}
                  </TableSortLabel>
                ) : (
                  title
                )}
              </Box>
            );
          })}
        </Box>
      </Box>
      <Box role="rowgroup" ref={inSight.list} style={{ position: 'relative', height: inSight.height }}>
        {inSight.items.map((item) => {
          const row = rows[item.index];
          const place = { index: item.index, top: inSight.topOf(item), measure: inSight.measure };
          return row && children(row.original, place, inSight.show);
        })}
      </Box>
    </Box>
  );
}
