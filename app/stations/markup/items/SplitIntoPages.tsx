/** A gallery on several pages, and those put in step when pictures came or went. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { GalleryView } from '~core/view/index.ts';
import { Part } from '../../../ui/parts/small';
import { REASON } from './reason';

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

export function SplitIntoPages({
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
