/**
 * The pattern of a gallery, changed by hand and applied to all items; what it would do is shown while it is written.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { SLOTS } from '~core/markup/index.ts';
import type { CaptionSource, Intent } from '~core/plans/index.ts';
import type { GalleryView } from '~core/view/index.ts';
import { countOf, keysOf, oneOf } from '~core/site/index.ts';
import { Mono } from '../../ui/parts/small';
import { changesOf, PlanShown, usePlan } from '../../ui/parts/PlanShown';
import { useSite } from '../../ui/site/openSite';
import { useIntent } from '../../ui/site/work';
import { color, MONO } from '../../ui/theme';
import { Beside } from './Beside';

const SOURCES: Readonly<Record<CaptionSource, string>> = {
  none: 'left empty',
  title: 'from the title',
  alt: 'from the alt text',
  picture: 'from the picture’s metadata',
};

interface Props {
  page: string;
  /** Number of the gallery on the page. */
  number: number;
  gallery: GalleryView;
  onClose: () => void;
}

const SLOT_LIST = {
  display: 'grid',
  gridTemplateColumns: 'auto 1fr auto 1fr',
  columnGap: 1,
  rowGap: 0.25,
  m: 0,
  mb: 1.5,
  fontSize: '0.75rem',
  color: color('stone'),
  '& dd': { m: 0 },
};

export function PatternSheet({ page, number, gallery, onClose }: Props) {
  const { site } = useSite();
  const { intent } = useIntent('seen');
  const [pattern, setPattern] = useState(gallery.text ?? '');
  const [words, setWords] = useState<CaptionSource>('none');
  const empty = pattern.trim() === '';
  const wish: Intent | null = empty ? null : { kind: 'apply-pattern', page, gallery: number, pattern, words };
  const plan = usePlan(wish);
  const changes = changesOf(plan);
  const refused = plan?.ok === false ? plan.reason : null;
  const wrong = empty ? 'An empty pattern would remove every item.' : refused;
  const slots = [...Object.entries(SLOTS), ...gallery.free.map((name) => [name, 'text of this item only'] as const)];
  return (
    <Beside title="Pattern" says={`of ${countOf(gallery.strands.length, 'item')} on ${page}`} onClose={onClose}>
      <Box
        component="form"
        onSubmit={(event) => {
          event.preventDefault();
          if (wish && changes > 0) intent(wish);
        }}
      >
        <TextField
          label="One item"
          multiline
          minRows={3}
          maxRows={10}
          fullWidth
          value={pattern}
          onChange={({ target }) => setPattern(target.value)}
          error={wrong !== null}
          helperText={wrong ?? ' '}
          sx={{ mt: 1 }}
          slotProps={{
            htmlInput: { spellCheck: false, style: { fontFamily: MONO, fontSize: '0.75rem', lineHeight: 1.6 } },
          }}
        />
        <Box component="dl" sx={SLOT_LIST}>
          {slots.map(([name, says]) => (
            <Box key={name} sx={{ display: 'contents' }}>
              <dt>
                <Mono>{`{${name}}`}</Mono>
              </dt>
              <dd>{says}</dd>
            </Box>
          ))}
        </Box>
        <TextField
          select
          label="Missing captions and titles"
          value={words}
          onChange={({ target }) => setWords(oneOf(keysOf(SOURCES), target.value))}
          sx={{ minWidth: 280, mb: 1.5 }}
        >
          {Object.entries(SOURCES).map(([value, says]) => (
            <MenuItem key={value} value={value}>
              {says}
            </MenuItem>
          ))}
        </TextField>
        <PlanShown
          plan={plan}
          wished={wrong === null}
          same="Nothing is changed yet. What you change here is changed in every item, and only that."
          height={230}
        />
        <Button
          type="submit"
          variant="contained"
          color="primary"
          disabled={changes === 0 || site.readOnly}
          sx={{ mt: 1.5 }}
        >
          Apply to all items
        </Button>
      </Box>
    </Beside>
  );
}
