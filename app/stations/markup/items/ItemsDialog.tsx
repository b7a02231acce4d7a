/**
 * Work on the items of a gallery, one or many: what they lack, their order, their attributes and words, and where
 * else they go.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { Range } from '~core/markup/index.ts';
import type { Strand } from '~core/model/index.ts';
import { FILLABLE, type Intent } from '~core/plans/index.ts';
import type { GalleryView, OddView } from '~core/view/index.ts';
import { countOf, oneOf } from '~core/site/index.ts';
import { DialogFoot } from '../../../ui/parts/DialogFoot';
import { Mono, Part, Picture, Tag } from '../../../ui/parts/small';
import { useSite } from '../../../ui/site/openSite';
import { useIntent } from '../../../ui/site/work';
import { galleryTargets } from '../../../ui/parts/galleryTargets';
import { color } from '../../../ui/theme';
import { ItemSlots } from './ItemSlots';

type Fill = Extract<Intent, { kind: 'fill-words' }>;

const SLOT_SAYS: Readonly<Record<(typeof FILLABLE)[number], string>> = {
  alt: 'alt texts',
  title: 'titles',
  caption: 'captions',
};
const FROM: readonly { from: Fill['from']; says: string }[] = [
  { from: 'picture', says: 'the picture’s metadata' },
  { from: 'caption', says: 'the captions' },
  { from: 'title', says: 'the titles' },
  { from: 'alt', says: 'the alt texts' },
  { from: 'name', says: 'the files’ names' },
];
const SOURCES = FROM.map(({ from }) => from);

const lackSays = ({ lacks, on, value }: OddView): string =>
  on === 'item' && value === null ? `no ${lacks}` : `no ${lacks}${value ? `="${value}"` : ''} on the ${on}`;

interface Props {
  page: string;
  number: number;
  gallery: GalleryView;
  strands: readonly Strand[];
  /** Strands that are chosen when it opens. */
  chosenFirst: readonly string[];
  /** Somebody says that an item is another element. */
  onUnits: (at: number) => void;
  /** Somebody chooses where an item's link leads. */
  onLink: (at: Range) => void;
  onClose: () => void;
}

const LIST = { m: 0, p: 0, listStyle: 'none', maxHeight: 'max(300px, calc(100vh - 220px))', overflow: 'auto' } as const;

const ALL = { height: 30, ml: '-3px', pb: 0.5 } as const;

/** Why a button cannot be pressed. */
const REASON = { fontSize: '0.75rem', color: color('stone') } as const;

const rowStyle = ({ first, chosen }: { first: boolean; chosen: boolean }) =>
  ({
    display: 'grid',
    gridTemplateColumns: '38px 28px 56px minmax(0, 1fr)',
    alignItems: 'center',
    gap: 1,
    py: 0.5,
    borderTop: first ? 0 : `1px solid ${color('hair')}`,
    bgcolor: chosen ? color('heatherWash') : undefined,
  }) as const;

const WORDS = { color: color('stone'), overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' } as const;

export function ItemsDialog({ page, number, gallery, strands, chosenFirst, onUnits, onLink, onClose }: Props) {
  const { site } = useSite();
  const { intent, busy } = useIntent();
  const [chosen, setChosen] = useState<ReadonlySet<string>>(() => new Set(chosenFirst));
  const idle = busy || site.readOnly;
  const marked = strands.filter(({ id }) => chosen.has(id)).map(({ id }) => id);
  const none = marked.length === 0;
  const only = marked.length === 1 ? strands.find(({ id }) => id === marked[0]) : undefined;
  // What stands where changes with every change, so what was chosen by its place is let go.
  const act = (wish: Intent) => {
    intent(wish);
    setChosen(new Set());
  };
  const oddOf = (id: string) => gallery.odd.filter(({ strand }) => strand === id);
  const mendable = strands.flatMap(({ id, item }) => (oddOf(id).some(({ value }) => value !== null) ? [item] : []));
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="items-title">
      <DialogTitle id="items-title">{`${countOf(strands.length, 'item')} on ${page}`}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr) 300px', gap: 2.5 }}>
        <ItemList strands={strands} chosen={chosen} onChoose={setChosen} oddOf={oddOf} />
        <Box sx={{ display: 'grid', gap: 2, alignContent: 'start' }}>
          <Part title={none ? 'No item chosen' : `${countOf(marked.length, 'item')} chosen`}>
            {none ? (
              <Box sx={REASON}>Choose items on the left to move, copy or remove them, or one to edit its texts.</Box>
            ) : (
              <>
                <MoveTo
                  count={strands.length}
                  disabled={idle}
                  onMove={(to) => act({ kind: 'move-items', strands: marked, to })}
                />
                <CopyTo disabled={idle} onCopy={(to) => act({ kind: 'copy-items', strands: marked, ...to })} />
                <Button disabled={idle} onClick={() => act({ kind: 'remove-items', strands: marked })}>
                  {`Remove ${countOf(marked.length, 'item')}`}
                </Button>
              </>
            )}
          </Part>
          {only && (
            <Part title={`Item ${only.item + 1}, ${only.name}`}>
              <ItemSlots
                key={only.id}
                strand={only}
                disabled={site.readOnly}
                busy={busy}
                onSet={(slot, value) => intent({ kind: 'set-slot', strand: only.id, slot, value })}
                onLink={only.linkable && onLink}
              />
            </Part>
          )}
          {mendable.length > 0 && (
            <Part
              title={`${countOf(mendable.length, 'item')} ${mendable.length === 1 ? 'lacks' : 'lack'} what all neighbours have`}
            >
              <Button
                disabled={idle}
                onClick={() => act({ kind: 'complete-items', page, gallery: number, items: mendable })}
              >
                Add what is missing
              </Button>
            </Part>
          )}
          {gallery.miscounted > 0 && (
            <Part title={`${countOf(gallery.miscounted, 'counter')} with a wrong number`}>
              <Button disabled={idle} onClick={() => act({ kind: 'renumber', page, gallery: number })}>
                Renumber
              </Button>
            </Part>
          )}
          <Spread
            gallery={gallery}
            disabled={idle}
            onSplit={(size) => act({ kind: 'split-gallery', page, gallery: number, size })}
          />
          <OnLinks
            disabled={idle}
            onSet={(name, value) => act({ kind: 'set-on-links', page, gallery: number, name, value })}
          />
          <Part title="Which element is one item?">
            <Button disabled={!strands[0]} onClick={() => strands[0] && onUnits(strands[0].range.start)}>
              Choose the element
            </Button>
          </Part>
          <FillWords disabled={idle} onFill={(fill) => act({ kind: 'fill-words', page, gallery: number, ...fill })} />
        </Box>
      </DialogContent>
      <DialogFoot onClose={onClose} />
    </Dialog>
  );
}

interface ItemListProps {
  strands: readonly Strand[];
  chosen: ReadonlySet<string>;
  onChoose: (chosen: ReadonlySet<string>) => void;
  oddOf: (strand: string) => readonly OddView[];
}

function ItemList({ strands, chosen, onChoose, oddOf }: ItemListProps) {
  const none = chosen.size === 0;
  const all = chosen.size === strands.length && !none;
  const toggle = (id: string) =>
    onChoose(new Set(chosen.has(id) ? [...chosen].filter((one) => one !== id) : [...chosen, id]));
  return (
    <Box sx={{ minWidth: 0 }}>
      <FormControlLabel
        control={
          <Checkbox
            size="small"
            checked={all}
            indeterminate={!none && !all}
            onChange={() => onChoose(new Set(none ? strands.map(({ id }) => id) : []))}
          />
        }
        label={none ? `Choose all ${strands.length}` : 'Choose none'}
        slotProps={{ typography: { variant: 'body2' } }}
        sx={ALL}
      />
      <Box component="ul" aria-label="Items" sx={LIST}>
        {strands.map((strand, n) => (
          <Box component="li" key={strand.id} sx={rowStyle({ first: n === 0, chosen: chosen.has(strand.id) })}>
            <Checkbox
              size="small"
              checked={chosen.has(strand.id)}
              onChange={() => toggle(strand.id)}
              slotProps={{ input: { 'aria-label': `Choose ${strand.name}` } }}
            />
            <Box sx={{ color: color('stone'), textAlign: 'right', fontSize: '0.8125rem' }}>{n + 1}</Box>
            <Picture path={strand.thumbnail} width={56} height={42} />
            <Box sx={{ minWidth: 0, fontSize: '0.8125rem' }}>
              <Mono>{strand.name}</Mono>
              <Box sx={WORDS}>{strand.caption ?? strand.alt ?? ''}</Box>
              {oddOf(strand.id).map((odd) => (
                <Tag key={`${odd.on} ${odd.lacks}`} tone="look" long>
                  {lackSays(odd)}
                </Tag>
              ))}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

function MoveTo({ count, disabled, onMove }: { count: number; disabled: boolean; onMove: (to: number) => void }) {
  const [place, setPlace] = useState('1');
  const to = Number(place);
  const isPlace = Number.isInteger(to) && to >= 1 && to <= count;
  return (
    <Box sx={{ display: 'flex', gap: 0.75, alignItems: 'start' }}>
      <TextField
        type="number"
        label="Place"
        value={place}
        onChange={({ target }) => setPlace(target.value)}
        error={!isPlace}
        helperText={isPlace ? null : `from 1 to ${count}`}
        sx={{ width: 90 }}
        slotProps={{ htmlInput: { min: 1, max: count } }}
      />
      <Button disabled={disabled || !isPlace} onClick={() => onMove(to - 1)}>
        Move to place
      </Button>
    </Box>
  );
}

function CopyTo({
  disabled,
  onCopy,
}: {
  disabled: boolean;
  onCopy: (to: { page: string; gallery: number | null }) => void;
}) {
  const { site } = useSite();
  const targets = galleryTargets(site.view.pages);
  const [at, setAt] = useState('');
  const target = at === '' ? undefined : targets[Number(at)];
  return (
    <Box sx={{ display: 'flex', gap: 0.75, alignItems: 'start' }}>
      <TextField
        select
        label="Page"
        value={at}
        onChange={({ target: { value } }) => setAt(value)}
        helperText={target ? null : 'Choose where the copies go'}
        sx={{ flex: 1 }}
      >
        {targets.map(({ says }, n) => (
          <MenuItem key={says} value={String(n)}>
            {says}
          </MenuItem>
        ))}
      </TextField>
      <Button
        disabled={disabled || !target}
        onClick={() => target && onCopy({ page: target.page, gallery: target.gallery })}
      >
        Copy to page
      </Button>
    </Box>
  );
}

const isPageSize = (size: number): boolean => Number.isInteger(size) && size >= 1 && size <= 10_000;

interface Split {
  valid: boolean;
  done: boolean;
  fits: boolean;
  size: number;
  count: number;
}

function whyNoSplit({ valid, done, fits, size, count }: Split): string | null {
  if (!valid) return 'A page holds from 1 to 10,000 items.';
  if (done) return 'The split pages are up to date.';
  return fits ? `All ${count} items fit on one page of ${size}.` : null;
}

/** A gallery on several pages, and those put in step when pictures came or went. */
function Spread({
  gallery: { spread, strands },
  disabled,
  onSplit,
}: {
  gallery: GalleryView;
  disabled: boolean;
  onSplit: (size: number) => void;
}) {
  const [text, setText] = useState(String(spread?.size ?? 12));
  const size = Number(text);
  const valid = isPageSize(size);
  const done = spread?.inStep === true && spread.size === size;
  const fits = !spread && valid && strands.length <= size;
  const reason = whyNoSplit({ valid, done, fits, size, count: strands.length });
  return (
    <Part
      title={
        spread
          ? `On ${spread.pages.length} pages of ${spread.size}${spread.inStep ? '' : ', to be updated'}`
          : 'Items per page'
      }
    >
      <Box sx={{ display: 'flex', gap: 0.75 }}>
        <TextField
          type="number"
          label="On a page"
          value={text}
          onChange={({ target }) => setText(target.value)}
          sx={{ width: 112 }}
          slotProps={{ htmlInput: { min: 1 } }}
        />
        <Button disabled={disabled || !valid || done || fits} onClick={() => onSplit(size)} sx={{ flex: 1 }}>
          {spread ? 'Update the split pages' : 'Split into pages'}
        </Button>
      </Box>
      {reason !== null && <Box sx={REASON}>{reason}</Box>}
    </Part>
  );
}

function OnLinks({ disabled, onSet }: { disabled: boolean; onSet: (name: string, value: string | null) => void }) {
  const [name, setName] = useState('');
  const [value, setValue] = useState('');
  const empty = name.trim() === '';
  return (
    <Part title="Attribute of every link">
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 0.75 }}>
        <TextField label="Attribute" value={name} onChange={({ target }) => setName(target.value)} />
        <TextField label="Value" value={value} onChange={({ target }) => setValue(target.value)} />
        <Button disabled={disabled || empty} onClick={() => onSet(name.trim(), value)}>
          Add attribute
        </Button>
        <Button disabled={disabled || empty} onClick={() => onSet(name.trim(), null)}>
          Remove attribute
        </Button>
      </Box>
      {empty && <Box sx={REASON}>Name an attribute first.</Box>}
    </Part>
  );
}

function FillWords({
  disabled,
  onFill,
}: {
  disabled: boolean;
  onFill: (fill: Pick<Fill, 'slot' | 'from' | 'over'>) => void;
}) {
  const [slot, setSlot] = useState<Fill['slot']>('alt');
  const [from, setFrom] = useState<Fill['from']>('picture');
  const [over, setOver] = useState(false);
  return (
    <Part title="Fill in texts">
      <Box sx={{ display: 'grid', gridTemplateColumns: '112px 1fr', gap: 0.75 }}>
        <TextField select label="Fill" value={slot} onChange={({ target }) => setSlot(oneOf(FILLABLE, target.value))}>
          {FILLABLE.map((one) => (
            <MenuItem key={one} value={one}>
              {SLOT_SAYS[one]}
            </MenuItem>
          ))}
        </TextField>
        <TextField select label="From" value={from} onChange={({ target }) => setFrom(oneOf(SOURCES, target.value))}>
          {FROM.filter((one) => one.from !== slot).map((one) => (
            <MenuItem key={one.from} value={one.from}>
              {one.says}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      <FormControlLabel
        control={<Checkbox size="small" checked={over} onChange={({ target }) => setOver(target.checked)} />}
        label="also where there is text already"
        slotProps={{ typography: { variant: 'body2' } }}
      />
      <Button
        disabled={disabled || from === slot}
        onClick={() => onFill({ slot, from, over })}
      >{`Fill the ${SLOT_SAYS[slot]}`}</Button>
    </Part>
  );
}
