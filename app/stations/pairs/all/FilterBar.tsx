/** What of all pictures is shown. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useMemo } from 'react';
import type { PairView } from '~core/view/index.ts';
import { Panel } from '../../../ui/parts/small';
import { useSite } from '../../../ui/site/openSite';
import { ALL, type Filter, NO_PAGE } from './picked';

const BAR = {
  display: 'flex',
  flexWrap: 'wrap',
  gap: 1.25,
  alignItems: 'center',
  px: 1.75,
  py: 1.25,
  mb: 1.5,
} as const;

/** A select holds texts: this one is no page's path. */
const ANY = '*';

const LACKS: readonly { id: NonNullable<Filter['lacks']>; says: string }[] = [
  { id: 'alt', says: 'without alt text' },
  { id: 'caption', says: 'without caption' },
  { id: 'tags', says: 'without tags' },
  { id: 'date', says: 'without date' },
];

interface FilterBarProps {
  pairs: readonly PairView[];
  filter: Filter;
  onFilter: (filter: Filter) => void;
}

export function FilterBar({ pairs, filter, onFilter }: FilterBarProps) {
  const { pages } = useSite().site.view;
  const tags = useMemo(
    () => [...new Set(pairs.flatMap((pair) => pair.tags))].sort((a, b) => a.localeCompare(b)),
    [pairs],
  );
  const set = (part: Partial<Filter>) => onFilter({ ...filter, ...part });
  return (
    <Panel label="Pictures shown" sx={BAR}>
      <TextField
        size="small"
        type="search"
        label="Name or text"
        value={filter.text}
        onChange={({ target }) => set({ text: target.value })}
        sx={{ width: 170 }}
      />
      <Choice
        label="Page"
        value={filter.page ?? ANY}
        options={[
          { id: ANY, says: 'any page' },
          { id: NO_PAGE, says: 'on no page' },
          ...pages.map(({ path }) => ({ id: path, says: path })),
        ]}
        onChoose={(page) => set({ page: page === ANY ? null : page })}
      />
      <Choice
        label="Tag"
        value={filter.tag ?? ''}
        options={[{ id: '', says: 'any tag' }, ...tags.map((tag) => ({ id: tag, says: tag }))]}
        onChoose={(tag) => set({ tag: tag === '' ? null : tag })}
      />
      <Choice
        label="Missing"
        value={filter.lacks ?? ''}
        options={[{ id: '', says: 'with and without texts' }, ...LACKS]}
        onChoose={(lacks) => set({ lacks: LACKS.find(({ id }) => id === lacks)?.id ?? null })}
      />
      <Day label="Taken from" value={filter.since} onDay={(since) => set({ since })} />
      <Day label="Taken until" value={filter.until} onDay={(until) => set({ until })} />
      {filter !== ALL && <Button onClick={() => onFilter(ALL)}>Show all pictures</Button>}
    </Panel>
  );
}

interface ChoiceProps {
  label: string;
  value: string;
  options: readonly { id: string; says: string }[];
  onChoose: (id: string) => void;
}

function Choice({ label, value, options, onChoose }: ChoiceProps) {
  return (
    <TextField
      select
      size="small"
      label={label}
      value={value}
      onChange={({ target }) => onChoose(target.value)}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      sx={{ minWidth: 130, maxWidth: 220 }}
    >
      {options.map(({ id, says }) => (
        <MenuItem key={id} value={id}>
          {says}
        </MenuItem>
      ))}
    </TextField>
  );
}

function Day({ label, value, onDay }: { label: string; value: string; onDay: (day: string) => void }) {
  return (
    <Box>
      <TextField
        size="small"
        type="date"
        label={label}
        value={value}
        onChange={({ target }) => onDay(target.value)}
        slotProps={{ inputLabel: { shrink: true } }}
        sx={{ width: 150 }}
      />
    </Box>
  );
}
