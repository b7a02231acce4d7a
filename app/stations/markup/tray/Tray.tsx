/**
 * All pictures of the site above the source: dragged into it or onto the live page, or put at the cursor by keyboard.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useMemo, useState, type PointerEvent } from 'react';
import type { Strand } from '~core/model/index.ts';
import { countOf } from '~core/site/index.ts';
import type { PairView } from '~core/view/index.ts';
import { followDrag } from '../../../ui/parts/dropTargets';
import { Panel, Picture } from '../../../ui/parts/small';
import { useSite } from '../../../ui/site/openSite';
import { color } from '../../../ui/theme';
import { saysText } from '../saysText';
import { endDrag, startDrag } from './dragged';
import { usePut } from './usePut';

const BAR = { display: 'flex', flexWrap: 'wrap', gap: 1.25, alignItems: 'center', px: 1.75, pt: 1.25 } as const;

const TILES = { m: 0, px: 1.75, py: 1, display: 'flex', gap: 1, overflowX: 'auto', listStyle: 'none' } as const;

const tileStyle = (chosen: boolean) =>
  ({
    p: 0.5,
    width: 112,
    border: `2px solid ${chosen ? color('heather') : 'transparent'}`,
    borderRadius: 1,
    bgcolor: chosen ? color('heatherWash') : 'transparent',
    color: color('peat'),
    font: 'inherit',
    fontSize: '0.75rem',
    textAlign: 'left',
    overflowWrap: 'anywhere',
    cursor: 'grab',
    // The row scrolls sideways under a finger; up and down drags.
    touchAction: 'pan-x',
    userSelect: 'none',
    '& img': { pointerEvents: 'none' },
    '&:focus-visible': { outline: `2px solid ${color('heather')}`, outlineOffset: 2 },
  }) as const;

/** So many are shown at once; others are found by their words. */
const SHOWN = 120;

const WHICH = { all: 'all pictures', loose: 'on no page' } as const;

interface Props {
  page: string;
  /** Where the cursor is in the page's source; null while the editor shows something else. */
  cursor: number | null;
  /** Its line, from 1. */
  line: number | null;
  /** The item in hand, where it is one of this page. */
  here: Strand | null;
  onClose: () => void;
}

export function Tray({ page, cursor, line, here, onClose }: Props) {
  const { site } = useSite();
  const put = usePut(page);
  const [sought, setSought] = useState('');
  const [which, setWhich] = useState<keyof typeof WHICH>('all');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const { pairs } = site.view;
  const found = useMemo(
    () =>
      pairs.filter(
        (pair) =>
          pair.thumbnail !== null &&
          pair.trouble === null &&
          (which === 'all' || pair.shownOn.length === 0) &&
          saysText(pair, sought),
      ),
    [pairs, which, sought],
  );
  const taken = found.filter(({ full }) => chosen.has(full)).map(({ full }) => full);
  const toggle = (full: string) =>
    setChosen(new Set(chosen.has(full) ? [...chosen].filter((one) => one !== full) : [...chosen, full]));
  const drag = (event: PointerEvent<HTMLElement>, pair: PairView) => {
    if (site.readOnly) return;
    followDrag(event.nativeEvent, event.currentTarget, {
      start: () => {
        const dragged = chosen.has(pair.full) ? taken : [pair.full];
        startDrag(dragged);
        return dragged.length === 1 ? pair.name : countOf(dragged.length, 'picture');
      },
      end: endDrag,
    });
  };
  const putAt = (at: Parameters<typeof put>[1]) => {
    put(taken, at);
    setChosen(new Set());
  };
  return (
    <Panel label="All pictures" sx={{ mb: 1.5 }}>
      <Box sx={BAR}>
        <TextField
          type="search"
          label="Name or text"
          value={sought}
          onChange={({ target }) => setSought(target.value)}
          sx={{ width: 180 }}
        />
        <TextField
          select
          label="Which"
          value={which}
          onChange={({ target }) => setWhich(target.value === 'loose' ? 'loose' : 'all')}
          sx={{ width: 150 }}
        >
          {Object.entries(WHICH).map(([id, label]) => (
            <MenuItem key={id} value={id}>
              {label}
            </MenuItem>
          ))}
        </TextField>
        <Button
          variant="contained"
          color="primary"
          disabled={site.readOnly || taken.length === 0 || cursor === null}
          onClick={() => cursor !== null && putAt({ by: 'offset', offset: cursor })}
        >
          {line === null ? 'Put at the cursor' : `Put at the cursor, line ${line}`}
        </Button>
        {here && (
          <Button
            disabled={site.readOnly || taken.length === 0}
            onClick={() => putAt({ by: 'element', element: here.element, side: 'after' })}
          >
            {`Put behind ${here.name}`}
          </Button>
        )}
        <Box role="status" sx={{ color: color('stone'), fontSize: '0.8125rem', flex: 1 }}>
          {taken.length > 0
            ? `${countOf(taken.length, 'picture')} chosen`
            : 'Drag pictures into the source or onto the page, or choose some.'}
        </Box>
        <Button onClick={onClose}>Close</Button>
      </Box>
      <Box component="ul" aria-label="Pictures to put" sx={TILES}>
        {found.slice(0, SHOWN).map((pair) => (
          <Box component="li" key={pair.full}>
            <Box
              component="button"
              type="button"
              aria-pressed={chosen.has(pair.full)}
              onClick={() => toggle(pair.full)}
              onPointerDown={(event: PointerEvent<HTMLElement>) => drag(event, pair)}
              sx={tileStyle(chosen.has(pair.full))}
            >
              <Picture path={pair.thumbnail} width={100} height={66} />
              {pair.name}
            </Box>
          </Box>
        ))}
        {found.length > SHOWN && (
          <Box component="li" sx={{ color: color('stone'), alignSelf: 'center', minWidth: 150 }}>
            {`and ${found.length - SHOWN} more; say a name or a text`}
          </Box>
        )}
        {found.length === 0 && (
          <Box component="li" sx={{ color: color('stone'), py: 2 }}>
            No picture with a thumbnail is like that.
          </Box>
        )}
      </Box>
    </Panel>
  );
}
