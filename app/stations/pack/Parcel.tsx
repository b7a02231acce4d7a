/** The files that would leave, folders of pictures folded into one row each. */
import Box from '@mui/material/Box';
import { scaleLinear } from 'd3-scale';
import type { ParcelEntry } from '~core/pack/index.ts';
import { folderOf, isPicturePath, countOf, inBytes } from '~core/site/index.ts';
import { Mono, Tag } from '../../ui/parts/small';
import { color } from '../../ui/theme';

/** `written` where it is no file of the site and comes about when that is saved. */
export type FileToUpload = Pick<ParcelEntry, 'path' | 'bytes' | 'unused'> & { written?: true };

interface Row {
  name: string;
  entries: FileToUpload[];
  bytes: number;
}

/** Pictures by folder, everything else by itself. */
function rowsOf(entries: readonly FileToUpload[]): Row[] {
  const rows = new Map<string, FileToUpload[]>();
  for (const entry of entries) {
    const key = isPicturePath(entry.path) ? folderOf(entry.path) || './' : entry.path;
    rows.set(key, [...(rows.get(key) ?? []), entry]);
  }
  return [...rows].map(([key, list]) => ({
    name: list.length === 1 && list[0] ? list[0].path : key,
    entries: list,
    bytes: list.reduce((sum, entry) => sum + entry.bytes, 0),
  }));
}

const COLUMNS = {
  display: 'grid',
  gridTemplateColumns: 'minmax(0, 1fr) 130px 170px 80px',
  gap: 1.5,
  alignItems: 'center',
  minHeight: 32,
  px: 1.75,
};

interface ParcelProps {
  entries: readonly FileToUpload[];
  leftOut: ReadonlySet<string>;
}

export function Parcel({ entries, leftOut }: ParcelProps) {
  const rows = rowsOf(entries);
  const width = scaleLinear([0, Math.max(1, ...rows.map((row) => row.bytes))], [0, 160]);
  return (
    <Box component="ul" aria-label="Files to upload" sx={{ m: 0, p: 0, listStyle: 'none' }}>
      {rows.map((row) => (
        <Box
          component="li"
          key={row.name}
          sx={{ borderTop: `1px solid ${color('hair')}`, '&:first-of-type': { borderTop: 0 } }}
        >
          {row.entries.length === 1 ? (
            <Box sx={COLUMNS}>
              <Cells row={row} leftOut={leftOut} width={width(row.bytes)} />
            </Box>
          ) : (
            <Folder row={row} leftOut={leftOut} width={width(row.bytes)} />
          )}
        </Box>
      ))}
    </Box>
  );
}

interface RowProps {
  row: Row;
  leftOut: ReadonlySet<string>;
  /** Of its bar; CSS px. */
  width: number;
}

const FOLDER = {
  ...COLUMNS,
  cursor: 'pointer',
  listStyle: 'none',
  '&:focus-visible': { outlineOffset: '-2px' },
  '&::-webkit-details-marker': { display: 'none' },
} as const;

const ENTRIES = { m: 0, p: 0, pb: 0.5, listStyle: 'none' } as const;

/** A folder of pictures; opened, each of its files with its size and whether a page uses it. */
function Folder({ row, leftOut, width }: RowProps) {
  return (
    <Box component="details" sx={{ '&[open] > summary': { bgcolor: color('mist') } }}>
      <Box component="summary" sx={FOLDER}>
        <Cells row={row} leftOut={leftOut} width={width} />
      </Box>
      <Box component="ul" aria-label={`Files in ${row.name}`} sx={ENTRIES}>
        {row.entries.map((entry) => (
          <Box component="li" key={entry.path} sx={{ ...COLUMNS, minHeight: 26, pl: 4 }}>
            <Mono tone="stone">{entry.path}</Mono>
            <Box>
              {leftOut.has(entry.path) && <Tag tone="plain">left out</Tag>}
              {entry.unused && !leftOut.has(entry.path) && <Tag tone="look">unused</Tag>}
            </Box>
            <span />
            <Box sx={{ textAlign: 'right', color: color('stone') }}>{inBytes(entry.bytes)}</Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

/** In true proportion; the smallest is still to be seen. */
const BAR = { height: 8, minWidth: '1px', bgcolor: color('stone') } as const;

const COUNT = {
  color: color('stone'),
  ml: 1,
  fontSize: '0.78rem',
  textDecoration: 'underline',
  textUnderlineOffset: 3,
};

function Cells({ row, leftOut, width }: RowProps) {
  const out = row.entries.filter((entry) => leftOut.has(entry.path)).length;
  const unused = row.entries.filter((entry) => entry.unused).length;
  return (
    <>
      <Box>
        <Mono>{row.name}</Mono>
        {row.entries.length > 1 && (
          <Box component="span" sx={COUNT}>
            {countOf(row.entries.length, 'file')}
          </Box>
        )}
      </Box>
      <Box>
        {out > 0 && <Tag tone="plain">{out === row.entries.length ? 'left out' : `${out} left out`}</Tag>}
        {row.entries[0]?.written && <Tag tone="plain">written for the upload</Tag>}
        {out === 0 && unused > 0 && <Tag tone="look">{`${unused} unused`}</Tag>}
      </Box>
      <Box aria-hidden sx={{ ...BAR, width: `${width}px` }} />
      <Box sx={{ textAlign: 'right' }}>{inBytes(row.bytes)}</Box>
    </>
  );
}
