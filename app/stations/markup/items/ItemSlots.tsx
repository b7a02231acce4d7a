/** The slots of one item: where its picture and its link lead, its title and its size. Words are set at the strand. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { Range } from '~core/markup/index.ts';
import type { Strand } from '~core/model/index.ts';
import type { Intent } from '~core/plans/index.ts';
import { isPicturePath } from '~core/site/index.ts';
import { FilePick } from '../../../ui/parts/FilePick';
import { useSite } from '../../../ui/site/openSite';

type Slot = Extract<Intent, { kind: 'set-slot' }>['slot'];

const TYPED: readonly { slot: keyof Strand['slots']; label: string }[] = [
  { slot: 'title', label: 'Title' },
  { slot: 'width', label: 'Width' },
  { slot: 'height', label: 'Height' },
];

export function ItemSlots({
  strand,
  disabled,
  busy,
  onSet,
  onLink,
}: {
  strand: Strand;
  disabled: boolean;
  /** What was set before is still being written; typing goes on meanwhile, and what is set waits its turn. */
  busy: boolean;
  onSet: (slot: Slot, value: string) => void;
  /** Somebody wants to choose where its link leads: a page, a mail address, any file. */
  onLink: ((at: Range) => void) | null;
}) {
  const { site } = useSite();
  const pictures = site.view.files.flatMap(({ path }) => (isPicturePath(path) ? [path] : []));
  const [typed, setTyped] = useState<Partial<Record<Slot, string>>>({});
  return (
    <Box sx={{ display: 'grid', gap: 1.25, pt: 0.75 }}>
      <FilePick
        label="Thumbnail"
        paths={pictures}
        value={strand.thumbnail}
        disabled={disabled || busy}
        onPick={(path) => path !== null && onSet('thumbnail', path)}
      />
      <FilePick
        label="Full-size picture"
        paths={pictures}
        value={strand.full}
        disabled={disabled || busy}
        onPick={(path) => path !== null && onSet('full', path)}
      />
      <Button disabled={disabled || busy || !onLink} onClick={() => strand.linkable && onLink?.(strand.linkable)}>
        Link to a page, mail address or file
      </Button>
      {TYPED.map(({ slot, label }) => {
        const value = typed[slot] ?? strand.slots[slot] ?? '';
        return (
          <Box
            key={slot}
            component="form"
            sx={{ display: 'flex', gap: 0.75 }}
            onSubmit={(event) => {
              event.preventDefault();
              onSet(slot, value);
            }}
          >
            <TextField
              label={label}
              value={value}
              disabled={disabled}
              onChange={({ target }) => setTyped({ ...typed, [slot]: target.value })}
              sx={{ flex: 1 }}
              {...(slot === 'title' ? {} : { slotProps: { htmlInput: { inputMode: 'numeric' as const } } })}
            />
            <Button
              type="submit"
              aria-label={`Set the ${label.toLowerCase()}`}
              disabled={disabled || typed[slot] === undefined || typed[slot] === (strand.slots[slot] ?? '')}
            >
              Set
            </Button>
          </Box>
        );
      })}
    </Box>
  );
}
