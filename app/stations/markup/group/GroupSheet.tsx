/**
 * A group of pictures among the words of a page, beside the source: where the cursor is on one, each press changes it;
 * between groups a new one is put together and written at the cursor.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useMemo, useState } from 'react';
import { countOf } from '~core/site/index.ts';
import type { Shown } from '~core/story/index.ts';
import type { GroupView } from '~core/view/index.ts';
import { Panel, Picture } from '../../../ui/parts/small';
import { useSite } from '../../../ui/site/openSite';
import { useIntent } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import { saysText } from '../saysText';
import { InOrder } from './InOrder';
import { picturesOf } from './pictures';
import { ShownAs } from './ShownAs';

const PANEL = {
  mb: 1.5,
  display: 'grid',
  gridTemplateColumns: 'minmax(280px, 2fr) 3fr',
  fontSize: '0.8125rem',
} as const;

const SIDE = { p: 1.75, minWidth: 0, display: 'grid', gap: 1.25, alignContent: 'start' } as const;

const TITLE = { m: 0, fontSize: '0.9rem', fontWeight: 600, flex: 1 } as const;

const STOCK = { ...SIDE, borderLeft: `1px solid ${color('hair')}` } as const;

const TILES = {
  m: 0,
  p: 0,
  display: 'grid',
  gridTemplateColumns: 'repeat(auto-fill, minmax(84px, 1fr))',
  gap: 0.75,
  maxHeight: 210,
  overflowY: 'auto',
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

const NEW: Shown = { as: 'grid', columns: 3 };

interface Props {
  page: string;
  groups: readonly GroupView[];
  /** The cursor is in the Markdown file that the page has its text from. */
  inText: boolean;
  /** Where the cursor is in that, or in the page's source; null while the editor shows something else. */
  cursor: number | null;
  /** Its line, from 1. */
  line: number | null;
  onClose: () => void;
}

export function GroupSheet({ page, groups, inText, cursor, line, onClose }: Props) {
  const { site } = useSite();
  const { intent, busy } = useIntent('seen');
  const [held, setHeld] = useState<{ cursor: number | null; number: number } | null>(null);
  const places = groups.map((one) => (inText ? one.inText : one));
  const around =
    cursor === null ? -1 : places.findIndex((one) => one !== null && cursor >= one.start && cursor <= one.end);
  // What a change writes before the group moves it; as long as the cursor stays, it is the one that is meant.
  const number = held?.cursor === cursor && groups[held.number] ? held.number : around;
  const group = groups[number] ?? null;
  const lines = places[number]?.lines ?? null;
  const [fresh, setFresh] = useState<{ fulls: readonly string[]; shown: Shown }>({ fulls: [], shown: NEW });
  const { pairs } = site.view;
  const idle = busy || site.readOnly;
  const fulls = group ? group.fulls : fresh.fulls;
  const shown = group ? group.shown : fresh.shown;
  const change = (wanted: readonly string[], as: Shown | null = null) => {
    if (!group) setFresh({ fulls: wanted, shown: as ?? fresh.shown });
    else {
      const [first = ''] = group.fulls;
      setHeld(wanted.length === 0 ? null : { cursor, number });
      intent({ kind: 'set-group', page, group: number, first, pictures: picturesOf(wanted, site.view), shown: as });
    }
  };
  const put = () => {
    if (cursor === null) return;
    intent({
      kind: 'put-group',
      page,
      offset: cursor,
      inText,
      pictures: picturesOf(fresh.fulls, site.view),
      shown: fresh.shown,
    });
    setFresh({ ...fresh, fulls: [] });
  };
  return (
    <Panel label="Picture group" sx={PANEL}>
      <Box sx={SIDE}>
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline' }}>
          <Box component="h2" sx={TITLE}>
            {group ? 'This group' : 'New group'}
          </Box>
          <Box component="span" sx={{ color: color('stone') }}>
            {lines ? `lines ${lines.first}–${lines.last}` : cursorSays(line)}
          </Box>
        </Box>
        <ShownAs shown={shown} idle={idle} onShow={(as) => change(fulls, as)} />
        <InOrder fulls={fulls} pairs={pairs} idle={idle} onOrder={(wanted) => change(wanted)} />
        <Box sx={{ display: 'flex', gap: 0.75, flexWrap: 'wrap' }}>
          {group ? (
            <Button disabled={idle} onClick={() => change([])}>
              Remove the group
            </Button>
          ) : (
            <Button
              variant="contained"
              color="primary"
              disabled={idle || fulls.length === 0 || cursor === null}
              onClick={put}
            >
              {fulls.length === 0 ? 'Put pictures here' : `Put ${countOf(fulls.length, 'picture')} here`}
            </Button>
          )}
          <Button onClick={onClose}>Close</Button>
        </Box>
      </Box>
      <Stock
        fulls={fulls}
        idle={idle}
        onPress={(full) => change(fulls.includes(full) ? fulls.filter((one) => one !== full) : [...fulls, full])}
      />
    </Panel>
  );
}

const cursorSays = (line: number | null): string =>
  line === null ? 'Put the cursor into the source' : `at the cursor, line ${line}`;

interface StockProps {
  fulls: readonly string[];
  idle: boolean;
  onPress: (full: string) => void;
}

/** All pictures of the site; those of the group have their numbers. */
function Stock({ fulls, idle, onPress }: StockProps) {
  const { view } = useSite().site;
  const [sought, setSought] = useState('');
  const [from, setFrom] = useState(ANY);
  const [tag, setTag] = useState(ANY);
  const tags = useMemo(() => [...new Set(view.pairs.flatMap((pair) => pair.tags))].sort(), [view.pairs]);
  const found = useMemo(
    () =>
      view.pairs.filter(
        (pair) =>
          pair.trouble === null &&
          (from === ANY || (from === NO_PAGE ? pair.shownOn.length === 0 : pair.shownOn.includes(from))) &&
          (tag === ANY || pair.tags.includes(tag)) &&
          saysText(pair, sought),
      ),
    [view.pairs, from, tag, sought],
  );
  return (
    <Box sx={STOCK}>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <TextField
          type="search"
          label="Name or text"
          value={sought}
          onChange={({ target }) => setSought(target.value)}
          sx={{ width: 160 }}
        />
        <TextField
          select
          label="On page"
          value={from}
          onChange={({ target }) => setFrom(target.value)}
          sx={{ minWidth: 150 }}
        >
          <MenuItem value={ANY}>any page</MenuItem>
          <MenuItem value={NO_PAGE}>on no page</MenuItem>
          {view.pages.map(({ path }) => (
            <MenuItem key={path} value={path}>
              {path}
            </MenuItem>
          ))}
        </TextField>
        {tags.length > 0 && (
          <TextField
            select
            label="Tag"
            value={tag}
            onChange={({ target }) => setTag(target.value)}
            sx={{ minWidth: 120 }}
          >
            <MenuItem value={ANY}>any tag</MenuItem>
            {tags.map((one) => (
              <MenuItem key={one} value={one}>
                {one}
              </MenuItem>
            ))}
          </TextField>
        )}
        <Box role="status" sx={{ color: color('stone'), alignSelf: 'center' }}>
          {countOf(found.length, 'picture')}
        </Box>
      </Box>
      <Box component="ul" aria-label="Pictures for the group" sx={TILES}>
        {found.slice(0, SHOWN).map((pair) => {
          const at = fulls.indexOf(pair.full);
          return (
            <li key={pair.full}>
              <Box
                component="button"
                type="button"
                disabled={idle}
                aria-pressed={at !== -1}
                aria-label={at === -1 ? pair.name : `${at + 1} ${pair.name}`}
                title={pair.name}
                onClick={() => onPress(pair.full)}
                sx={tileStyle(at !== -1)}
              >
                <Picture path={pair.thumbnail ?? pair.full} width={80} height={54} />
                {at !== -1 && <Box sx={NUMBER}>{at + 1}</Box>}
              </Box>
            </li>
          );
        })}
      </Box>
      {found.length > SHOWN && <Box sx={{ color: color('stone') }}>{`and ${found.length - SHOWN} more`}</Box>}
      {found.length === 0 && <Box sx={{ color: color('stone') }}>No picture is like that.</Box>}
    </Box>
  );
}

/** No paths of pages, and no tags: a tag holds no comma. */
const ANY = ',any';
const NO_PAGE = ',none';
