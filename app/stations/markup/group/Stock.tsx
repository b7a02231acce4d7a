/** All pictures of the site, to be chosen for a group; those that it has show their place in it. */
import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useMemo, useState } from 'react';
import { countOf } from '~core/site/index.ts';
import type { PairView } from '~core/view/index.ts';
import { Picture } from '../../../ui/parts/small';
import { sayMonth } from '../../../ui/parts/times';
import { useSite } from '../../../ui/site/openSite';
import { color } from '../../../ui/theme';
import { saysText } from '../saysText';
import { SIDE } from './styles';

const FIELDS = { display: 'grid', gridTemplateColumns: 'repeat(2, minmax(0, 1fr))', gap: 1 } as const;

const TILES = {
  m: 0,
  p: 0,
  display: 'grid',
  gridTemplateColumns: 'repeat(auto-fill, minmax(76px, 1fr))',
  gap: 0.5,
  listStyle: 'none',
} as const;

const tileStyle = (taken: boolean) =>
  ({
    position: 'relative',
    p: 0.25,
    width: '100%',
    border: `2px solid ${taken ? color('heather') : 'transparent'}`,
    borderRadius: 1,
    bgcolor: 'transparent',
    cursor: 'pointer',
    '&:focus-visible': { outline: `2px solid ${color('heather')}`, outlineOffset: 1 },
  }) as const;

const NUMBER = {
  position: 'absolute',
  top: 4,
  left: 4,
  minWidth: 20,
  px: 0.5,
  borderRadius: 2,
  bgcolor: color('heather'),
  color: color('onHeather'),
  fontWeight: 600,
  fontSize: '0.75rem',
  textAlign: 'center',
} as const;

/** So many are shown at once; others are found by their words. */
const SHOWN = 200;

/** No paths of pages, no months and no tags: a tag holds no comma. */
const ANY = ',any';
const NO_PAGE = ',none';

interface Sieve {
  text: string;
  page: string;
  month: string;
  tag: string;
}

const ALL: Sieve = { text: '', page: ANY, month: ANY, tag: ANY };

const monthOf = ({ takenAt }: PairView): string => takenAt?.slice(0, 7) ?? '';

function isMeant(pair: PairView, { text, page, month, tag }: Sieve): boolean {
  if (pair.trouble !== null) return false;
  if (page === NO_PAGE ? pair.shownOn.length > 0 : page !== ANY && !pair.shownOn.includes(page)) return false;
  if (month !== ANY && monthOf(pair) !== month) return false;
  return (tag === ANY || pair.tags.includes(tag)) && saysText(pair, text);
}

interface StockProps {
  fulls: readonly string[];
  idle: boolean;
  onPress: (full: string) => void;
}

export function Stock({ fulls, idle, onPress }: StockProps) {
  const { view } = useSite().site;
  const [sieve, setSieve] = useState(ALL);
  const tags = useMemo(() => [...new Set(view.pairs.flatMap((pair) => pair.tags))].sort(), [view.pairs]);
  const months = useMemo(
    () => [...new Set(view.pairs.flatMap((pair) => monthOf(pair) || []))].sort().reverse(),
    [view.pairs],
  );
  const found = useMemo(() => view.pairs.filter((pair) => isMeant(pair, sieve)), [view.pairs, sieve]);
  const choose = (part: Partial<Sieve>) => setSieve({ ...sieve, ...part });
  return (
    <Box sx={{ ...SIDE, borderTop: `1px solid ${color('hair')}` }}>
      <Box sx={FIELDS}>
        <TextField
          type="search"
          label="Name or text"
          value={sieve.text}
          onChange={({ target }) => choose({ text: target.value })}
        />
        <TextField select label="On page" value={sieve.page} onChange={({ target }) => choose({ page: target.value })}>
          <MenuItem value={ANY}>any page</MenuItem>
          <MenuItem value={NO_PAGE}>on no page</MenuItem>
          {view.pages.map(({ path }) => (
            <MenuItem key={path} value={path}>
              {path}
            </MenuItem>
          ))}
        </TextField>
        {months.length > 0 && (
          <Choice label="Month" any="any month" value={sieve.month} onChoose={(month) => choose({ month })}>
            {months.map((month) => [month, sayMonth(month)])}
          </Choice>
        )}
        {tags.length > 0 && (
          <Choice label="Tag" any="any tag" value={sieve.tag} onChoose={(tag) => choose({ tag })}>
            {tags.map((tag) => [tag, tag])}
          </Choice>
        )}
      </Box>
      <Box role="status" sx={{ color: color('stone') }}>
        {countOf(found.length, 'picture')}
      </Box>
      <Box component="ul" aria-label="Pictures for the group" sx={TILES}>
        {found.slice(0, SHOWN).map((pair) => (
          <Tile key={pair.full} pair={pair} place={fulls.indexOf(pair.full) + 1} idle={idle} onPress={onPress} />
        ))}
      </Box>
      {found.length > SHOWN && <Box sx={{ color: color('stone') }}>{`and ${found.length - SHOWN} more`}</Box>}
      {found.length === 0 && <Box sx={{ color: color('stone') }}>No picture is like that.</Box>}
    </Box>
  );
}

interface ChoiceProps {
  label: string;
  any: string;
  value: string;
  onChoose: (value: string) => void;
  /** Values with what each is called. */
  children: [value: string, says: string][];
}

function Choice({ label, any, value, onChoose, children }: ChoiceProps) {
  return (
    <TextField select label={label} value={value} onChange={({ target }) => onChoose(target.value)}>
      <MenuItem value={ANY}>{any}</MenuItem>
      {children.map(([one, says]) => (
        <MenuItem key={one} value={one}>
          {says}
        </MenuItem>
      ))}
    </TextField>
  );
}

interface TileProps {
  pair: PairView;
  /** In the group, from 1; 0 for one that is not in it. */
  place: number;
  idle: boolean;
  onPress: (full: string) => void;
}

function Tile({ pair: { full, thumbnail, name }, place, idle, onPress }: TileProps) {
  return (
    <li>
      <Box
        component="button"
        type="button"
        disabled={idle}
        aria-pressed={place > 0}
        aria-label={place > 0 ? `${place} ${name}` : name}
        title={name}
        onClick={() => onPress(full)}
        sx={tileStyle(place > 0)}
      >
        <Picture path={thumbnail ?? full} width={72} height={48} />
        {place > 0 && <Box sx={NUMBER}>{place}</Box>}
      </Box>
    </li>
  );
}
