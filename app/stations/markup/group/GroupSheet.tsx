/**
 * A group of pictures among the words of a page, beside the source: where the cursor is on one, each press changes it;
 * between groups a new one is put together and written at the cursor.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { countOf } from '~core/site/index.ts';
import type { Shown } from '~core/story/index.ts';
import type { GroupView, PageView } from '~core/view/index.ts';
import { Panel } from '../../../ui/parts/small';
import { useSite } from '../../../ui/site/openSite';
import { useIntent } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import { InOrder } from './InOrder';
import { picturesOf } from './pictures';
import { ShownAs } from './ShownAs';
import { Stock } from './Stock';
import { SIDE } from './styles';
import { GroupWords } from './GroupWords';

const PANEL = { overflowY: 'auto', fontSize: '0.8125rem', minHeight: 0, flex: 1 } as const;

const TITLE = { m: 0, fontSize: '0.9rem', fontWeight: 600, flex: 1 } as const;

const BUTTONS = { display: 'flex', gap: 0.75, flexWrap: 'wrap' } as const;

const NEW: Shown = { as: 'grid', columns: 3 };

interface Fresh {
  fulls: readonly string[];
  shown: Shown;
  /** Not as the galleries of the site are written. */
  clean: boolean;
}

interface Props {
  page: Pick<PageView, 'path' | 'groups' | 'hand'>;
  /** The cursor is in the Markdown file that the page has its text from. */
  inText: boolean;
  /** Where the cursor is in that, or in the page's source; null while the editor shows something else. */
  cursor: number | null;
  /** Its line, from 1. */
  line: number | null;
  onClose: () => void;
}

/** Which group the cursor means: what a change writes before it moves it, so it is held as long as the cursor stays. */
function useMeant({ groups }: Pick<PageView, 'groups'>, inText: boolean, cursor: number | null) {
  const [held, setHeld] = useState<{ cursor: number | null; number: number } | null>(null);
  const places = groups.map((one) => (inText ? one.inText : one));
  const isAround = (one: (typeof places)[number]) =>
    one !== null && cursor !== null && cursor >= one.start && cursor <= one.end;
  const isHeld = held?.cursor === cursor && groups[held.number] !== undefined;
  const number = isHeld ? held.number : places.findIndex(isAround);
  const hold = (on: boolean) => setHeld(on ? { cursor, number } : null);
  return { number, group: groups[number] ?? null, lines: places[number]?.lines ?? null, hold };
}

export function GroupSheet({ page, inText, cursor, line, onClose }: Props) {
  const { site } = useSite();
  const { intent, busy } = useIntent('seen');
  const { number, group, lines, hold } = useMeant(page, inText, cursor);
  const [fresh, setFresh] = useState<Fresh>({ fulls: [], shown: NEW, clean: false });
  const idle = busy || site.readOnly;
  const { fulls } = group ?? fresh;
  const change = (wanted: readonly string[], as: Shown | null = null) => {
    if (!group) setFresh({ ...fresh, fulls: wanted, shown: as ?? fresh.shown });
    else {
      const [first = ''] = group.fulls;
      hold(wanted.length > 0);
      const pictures = picturesOf(wanted, site.view);
      intent({ kind: 'set-group', page: page.path, group: number, first, pictures, shown: as });
    }
  };
  const put = () => {
    if (cursor === null) return;
    const { shown, clean } = fresh;
    const pictures = picturesOf(fresh.fulls, site.view);
    intent({ kind: 'put-group', page: page.path, offset: cursor, inText, clean, pictures, shown });
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
        {group ? (
          <ThisGroup page={page.path} {...{ number, group, idle }} onChange={change} onClose={onClose} />
        ) : (
          <NewGroup
            {...{ fresh, idle }}
            hand={page.hand}
            isPlaced={cursor !== null}
            onChange={change}
            onClean={(clean) => setFresh({ ...fresh, clean })}
            onPut={put}
            onClose={onClose}
          />
        )}
      </Box>
      <Stock
        fulls={fulls}
        idle={idle}
        onPress={(full) => change(fulls.includes(full) ? fulls.filter((one) => one !== full) : [...fulls, full])}
      />
    </Panel>
  );
}

interface PartProps {
  idle: boolean;
  /** Its pictures from now on, and how they are shown where that is another. */
  onChange: (fulls: readonly string[], shown?: Shown) => void;
  onClose: () => void;
}

interface ThisGroupProps extends PartProps {
  page: string;
  number: number;
  group: GroupView;
}

function ThisGroup({ page, number, group, idle, onChange, onClose }: ThisGroupProps) {
  const { pairs } = useSite().site.view;
  const [chosen, setChosen] = useState<{ number: number; full: string; n: number } | null>(null);
  const { fulls } = group;
  const spoken = chosen?.number === number && fulls[chosen.n] === chosen.full ? chosen.n : null;
  return (
    <>
      <ShownAs shown={group.shown} idle={idle} onShow={(as) => onChange(fulls, as)} />
      <InOrder
        {...{ fulls, pairs, idle }}
        chosen={spoken}
        onChoose={(n) => setChosen(spoken === n ? null : { number, full: fulls[n] ?? '', n })}
        onOrder={(wanted) => onChange(wanted)}
      />
      {spoken !== null && <GroupWords {...{ page, number, group, idle }} item={spoken} />}
      <Box sx={BUTTONS}>
        <Button disabled={idle} onClick={() => onChange([])}>
          Remove the group
        </Button>
        <Button onClick={onClose}>Close</Button>
      </Box>
    </>
  );
}

interface NewGroupProps extends PartProps {
  fresh: Fresh;
  /** Whose galleries it may be written like. */
  hand: string | null;
  isPlaced: boolean;
  onClean: (clean: boolean) => void;
  onPut: () => void;
}

function NewGroup({ fresh, hand, isPlaced, idle, onChange, onClean, onPut, onClose }: NewGroupProps) {
  const { pairs } = useSite().site.view;
  const { fulls, shown, clean } = fresh;
  return (
    <>
      <ShownAs shown={shown} idle={idle} onShow={(as) => onChange(fulls, as)} />
      {hand !== null && <WrittenLike page={hand} clean={clean} onClean={onClean} />}
      <InOrder {...{ fulls, pairs, idle }} chosen={null} onChoose={null} onOrder={(wanted) => onChange(wanted)} />
      <Box sx={BUTTONS}>
        <Button variant="contained" color="primary" disabled={idle || fulls.length === 0 || !isPlaced} onClick={onPut}>
          {fulls.length === 0 ? 'Put pictures here' : `Put ${countOf(fulls.length, 'picture')} here`}
        </Button>
        <Button onClick={onClose}>Close</Button>
      </Box>
    </>
  );
}

const cursorSays = (line: number | null): string =>
  line === null ? 'Put the cursor into the source' : `at the cursor, line ${line}`;

interface WrittenLikeProps {
  /** Whose galleries it may be written like. */
  page: string;
  clean: boolean;
  onClean: (clean: boolean) => void;
}

function WrittenLike({ page, clean, onClean }: WrittenLikeProps) {
  return (
    <TextField
      select
      label="Written like"
      value={clean ? 'clean' : 'site'}
      onChange={({ target }) => onClean(target.value === 'clean')}
    >
      <MenuItem value="site">{`the gallery of ${page}`}</MenuItem>
      <MenuItem value="clean">clean markup</MenuItem>
    </TextField>
  );
}
