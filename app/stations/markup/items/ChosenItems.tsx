/** Where chosen items go: to another place of their gallery, or as copies to a page. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useSite } from '../../../ui/site/openSite';
import { galleryTargets } from '../../../ui/parts/galleryTargets';

export function MoveTo({
  count,
  disabled,
  onMove,
}: {
  count: number;
  disabled: boolean;
  onMove: (to: number) => void;
}) {
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

export function CopyTo({
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
