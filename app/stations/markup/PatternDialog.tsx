/** The pattern of a gallery, changed by hand and applied to all items; what it would do is shown while it is written. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useEffect, useState } from 'react';
import { SLOTS } from '~core/markup/index.ts';
import type { CaptionSource, Intent } from '~core/plans/index.ts';
import type { GalleryView } from '~core/view/index.ts';
import { DiffView } from '../../ui/DiffView';
import { countOf, Mono } from '../../ui/parts';
import { useIntent, useSite } from '../../ui/site';
import { ink, MONO } from '../../ui/theme';
import type { PlanView } from '../../workers/analysis';

/** After this long without a key the outcome is worked out; ms. */
const PAUSE = 250;

const SOURCES: Readonly<Record<CaptionSource, string>> = { none: 'left empty', title: 'from the title', alt: 'from the alt text', picture: 'from the picture’s own words' };

interface Props {
  page: string;
  /** Number of the gallery on the page. */
  number: number;
  gallery: GalleryView;
  onClose: () => void;
}

export function PatternDialog({ page, number, gallery, onClose }: Props) {
  const { site } = useSite();
  const intent = useIntent();
  const [pattern, setPattern] = useState(gallery.text ?? '');
  const [words, setWords] = useState<CaptionSource>('none');
  const [plan, setPlan] = useState<PlanView | null>(null);
  const { session } = site;
  useEffect(() => {
    let current = true;
    const timer = setTimeout(() => {
      const wish: Intent = { kind: 'apply-pattern', page, gallery: number, pattern, words };
      if (pattern.trim() === '') setPlan({ ok: false, reason: 'An empty pattern would take every item away.' });
      else void session.plan(wish).then((made) => current && setPlan(made));
    }, PAUSE);
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [session, page, number, pattern, words]);
  const changes = plan?.ok ? plan.diffs.reduce((sum, diff) => sum + diff.hunks.length, 0) : 0;
  const slots = [...Object.entries(SLOTS), ...gallery.free.map((name) => [name, 'what this item alone says there'] as const)];
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="pattern-title">
      <DialogTitle id="pattern-title">{`Pattern of ${countOf(gallery.strands.length, 'item')} on ${page}`}</DialogTitle>
      <DialogContent>
        <TextField label="One item" multiline minRows={3} maxRows={10} fullWidth value={pattern} onChange={({ target }) => setPattern(target.value)} error={plan?.ok === false} helperText={plan?.ok === false ? plan.reason : ' '} sx={{ mt: 1 }} slotProps={{ htmlInput: { spellCheck: false, style: { fontFamily: MONO, fontSize: '0.75rem', lineHeight: 1.6 } } }} />
        <Box component="dl" sx={{ display: 'grid', gridTemplateColumns: 'auto 1fr auto 1fr', columnGap: 1, rowGap: 0.25, m: 0, mb: 1.5, fontSize: '0.75rem', color: ink('stone'), '& dd': { m: 0 } }}>
          {slots.map(([name, says]) => (
            <Box key={name} sx={{ display: 'contents' }}>
              <dt><Mono>{`{${name}}`}</Mono></dt>
              <dd>{says}</dd>
            </Box>
          ))}
        </Box>
        <TextField select label="Captions and titles that an item lacks" value={words} onChange={({ target }) => setWords(target.value as CaptionSource)} sx={{ minWidth: 280, mb: 1.5 }}>
          {Object.entries(SOURCES).map(([value, says]) => <MenuItem key={value} value={value}>{says}</MenuItem>)}
        </TextField>
        <Box aria-live="polite" sx={{ fontSize: '0.8125rem', color: ink('stone'), mb: 0.5 }}>{plan === null ? 'Working it out…' : !plan.ok ? 'Nothing would be changed.' : changes === 0 ? 'Every item is written so already.' : `${countOf(changes, 'place')} would change:`}</Box>
        {plan?.ok && changes > 0 && <DiffView diffs={plan.diffs} height={230} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" color="primary" disabled={!plan?.ok || changes === 0 || site.readOnly} onClick={() => {
          intent({ kind: 'apply-pattern', page, gallery: number, pattern, words });
          onClose();
        }}>
          Write all items so
        </Button>
      </DialogActions>
    </Dialog>
  );
}
