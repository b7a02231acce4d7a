/** One picture of all: its pages hang on a thread from it; one on no page has none. */
import Box from '@mui/material/Box';
import Checkbox, { type CheckboxProps } from '@mui/material/Checkbox';
import { inBytes, nameOf } from '~core/site/index.ts';
import type { PairView } from '~core/view/index.ts';
import { PlaceLink } from '../../../ui/parts/pressable';
import { Mono, Picture, Tag } from '../../../ui/parts/small';
import { gridOf, rowProps, type RowPlace, type TableColumn } from '../../../ui/parts/table';
import { color } from '../../../ui/theme';

/** More pages are counted. */
const MOST_PAGES = 3;

const ROW = {
  alignItems: 'center',
  py: 0.75,
  borderTop: `1px solid ${color('hair')}`,
  minHeight: 74,
  boxSizing: 'border-box',
  fontSize: '0.8125rem',
} as const;

const THREAD = {
  m: 0,
  p: 0,
  pl: 1.25,
  display: 'grid',
  gap: '5px',
  listStyle: 'none',
  borderLeft: `2px solid ${color('lichen')}`,
} as const;

const TAGS = { display: 'flex', flexWrap: 'wrap', gap: 0.5, minWidth: 0 } as const;

const PALE = { color: color('stone'), fontSize: '0.75rem' };

interface AllRowProps extends RowPlace {
  pair: PairView;
  columns: readonly TableColumn<PairView>[];
  box: CheckboxProps;
  onFollow: (full: string, page: string) => void;
}

export function AllRow({ pair, columns, box, onFollow, ...place }: AllRowProps) {
  const { full, fullSize, shownOn, tags, takenAt, words, trouble } = pair;
  return (
    <Box {...rowProps(place)} sx={{ ...gridOf(columns), ...ROW }}>
      <Box role="cell">
        <Checkbox {...box} slotProps={{ input: { 'aria-label': `Choose ${pair.name}` } }} />
      </Box>
      <Box role="cell">
        <Picture path={pair.thumbnail ?? full} width={80} height={58} />
      </Box>
      <Box role="cell" sx={{ minWidth: 0 }}>
        <Mono>{nameOf(full)}</Mono>
        <Box sx={PALE}>
          {fullSize
            ? `${fullSize.width} × ${fullSize.height}, ${inBytes(fullSize.bytes)}`
            : (trouble ?? 'not read yet')}
        </Box>
        {words.alt.trim() === '' && fullSize !== null && <Tag tone="look">no alt text</Tag>}
        {words.alt.trim() !== '' && <Box sx={PALE}>{words.alt}</Box>}
      </Box>
      <Box role="cell" sx={{ minWidth: 0 }}>
        {shownOn.length === 0 ? (
          <Tag tone="plain">on no page</Tag>
        ) : (
          <Pages full={full} pages={shownOn} onFollow={onFollow} />
        )}
      </Box>
      <Box role="cell" sx={TAGS}>
        {tags.map((tag) => (
          <Tag key={tag} tone="plain">
            {tag}
          </Tag>
        ))}
      </Box>
      <Box role="cell" sx={PALE}>
        {takenAt?.slice(0, 10) ?? 'no date'}
      </Box>
    </Box>
  );
}

function Pages({ full, pages, onFollow }: { full: string; pages: string[]; onFollow: AllRowProps['onFollow'] }) {
  return (
    <Box component="ul" aria-label={`Pages with ${nameOf(full)}`} sx={THREAD}>
      {pages.slice(0, MOST_PAGES).map((page) => (
        <li key={page}>
          <PlaceLink onClick={() => onFollow(full, page)}>
            <Mono>{page}</Mono>
          </PlaceLink>
        </li>
      ))}
      {pages.length > MOST_PAGES && <Box component="li" sx={PALE}>{`and ${pages.length - MOST_PAGES} more`}</Box>}
    </Box>
  );
}
