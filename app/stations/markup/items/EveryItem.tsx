/** What is written in all items of a gallery at once: an attribute of their links, and their texts. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { FILLABLE, type Intent } from '~core/plans/index.ts';
import { oneOf } from '~core/site/index.ts';
import { Part } from '../../../ui/parts/small';
import { REASON } from './reason';

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

export function OnLinks({
  disabled,
  onSet,
}: {
  disabled: boolean;
  onSet: (name: string, value: string | null) => void;
}) {
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

export function FillWords({
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
