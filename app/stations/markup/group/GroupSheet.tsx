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
import type { PageView } from '~core/view/index.ts';
import { Panel } from '../../../ui/parts/small';
import { useSite } from '../../../ui/site/openSite';
import { useIntent } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import { InOrder } from './InOrder';
import { picturesOf } from './pictures';
import { ShownAs } from './ShownAs';
import { Stock } from './Stock';
import { SIDE } from './styles';
import { Words } from './Words';

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

export function GroupSheet({ page: { path: page, groups, hand }, inText, cursor, line, onClose }: Props) {
  const { site } = useSite();
  const { intent, busy } = useIntent('seen');
  const [held, setHeld] = useState<{ cursor: number | null; number: number } | null>(null);
  const [chosen, setChosen] = useState<{ number: number; full: string; n: number } | null>(null);
  const places = groups.map((one) => (inText ? one.inText : one));
  const around =
    cursor === null ? -1 : places.findIndex((one) => one !== null && cursor >= one.start && cursor <= one.end);
  // What a change writes before the group moves it; as long as the cursor stays, it is the one that is meant.
  const number = held?.cursor === cursor && groups[held.number] ? held.number : around;
  const group = groups[number] ?? null;
  const lines = places[number]?.lines ?? null;
  const [fresh, setFresh] = useState<Fresh>({ fulls: [], shown: NEW, clean: false });
  const { pairs } = site.view;
  const idle = busy || site.readOnly;
  const fulls = group ? group.fulls : fresh.fulls;
  const shown = group ? group.shown : fresh.shown;
  const spoken = chosen?.number === number && fulls[chosen.n] === chosen.full ? chosen.n : null;
  const change = (wanted: readonly string[], as: Shown | null = null) => {
    if (!group) setFresh({ ...fresh, fulls: wanted, shown: as ?? fresh.shown });
    else {
      const [first = ''] = group.fulls;
      setHeld(wanted.length === 0 ? null : { cursor, number });
      const pictures = picturesOf(wanted, site.view);
      intent({ kind: 'set-group', page, group: number, first, pictures, shown: as });
    }
  };
  const put = () => {
    if (cursor === null) return;
    const { shown: as, clean } = fresh;
    const pictures = picturesOf(fresh.fulls, site.view);
    intent({ kind: 'put-group', page, offset: cursor, inText, clean, pictures, shown: as });
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
        {!group && hand !== null && (
          <WrittenLike page={hand} clean={fresh.clean} onClean={(clean) => setFresh({ ...fresh, clean })} />
        )}
        <InOrder
          fulls={fulls}
          pairs={pairs}
          idle={idle}
          chosen={spoken}
          onChoose={group && ((n) => setChosen(spoken === n ? null : { number, full: fulls[n] ?? '', n }))}
          onOrder={(wanted) => change(wanted)}
        />
        {group && spoken !== null && <Words page={page} number={number} group={group} item={spoken} idle={idle} />}
        <Box sx={BUTTONS}>
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
