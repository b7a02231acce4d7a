/** Many pictures under other names by a pattern, each shown before anything is done. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import { useMemo, useState } from 'react';
import { renamesBy } from '~core/plans/index.ts';
import { NAME_TOKENS, nameOf, countOf } from '~core/site/index.ts';
import type { PairView } from '~core/view/index.ts';
import { Mono } from '../../../ui/parts/small';
import { useSite } from '../../../ui/site/openSite';
import { useIntent } from '../../../ui/site/work';
import { color } from '../../../ui/theme';

/** More lines than this say nothing new. */
const SHOWN = 100;

const PATTERN = { display: 'grid', gridTemplateColumns: '1fr auto', gap: 2, alignItems: 'start', pt: 0.75 };

const NAMES = { m: 0, p: 0, listStyle: 'none', maxHeight: 320, overflowY: 'auto' } as const;

const ROW = {
  display: 'grid',
  gridTemplateColumns: '1fr 24px 1fr',
  py: 0.25,
  borderTop: `1px solid ${color('hair')}`,
};

export function Rename({ pairs, onClose }: { pairs: readonly PairView[]; onClose: () => void }) {
  const { intent } = useIntent();
  const { site } = useSite();
  const [pattern, setPattern] = useState('{name}');
  const [tidy, setTidy] = useState(true);
  const companions = useMemo(() => new Map(site.view.companions), [site.view.companions]);
  const plan = useMemo(() => renamesBy({ pattern, tidy }, pairs, companions), [pattern, tidy, pairs, companions]);
  const renames = plan.ok ? plan.renames : [];
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="rename-title">
      <DialogTitle id="rename-title">{`Rename ${countOf(pairs.length, 'picture')}`}</DialogTitle>
      <DialogContent>
        <Box sx={PATTERN}>
          <TextField
            label="Pattern"
            autoFocus
            value={pattern}
            onChange={({ target }) => setPattern(target.value)}
            error={!plan.ok}
            helperText={plan.ok ? NAME_TOKENS.map(({ token, says }) => `${token} ${says}`).join(' · ') : plan.reason}
            slotProps={{ htmlInput: { style: { fontFamily: 'var(--hm-mono, monospace)' } } }}
          />
          <FormControlLabel
            control={<Checkbox size="small" checked={tidy} onChange={({ target }) => setTidy(target.checked)} />}
            label="lower case, hyphens for spaces, no accents"
            slotProps={{ typography: { variant: 'body2' } }}
          />
        </Box>
        <Box sx={{ color: color('stone'), fontSize: '0.8125rem', my: 1.5 }}>
          Thumbnails and other sizes keep in step. Pages, <Mono>srcset</Mono>, stylesheets and script texts that lead to
          a file are updated.
        </Box>
        <Box component="ul" aria-label="New names" sx={NAMES} tabIndex={0}>
          {renames.slice(0, SHOWN).map(({ from, to }) => (
            <Box component="li" key={from} sx={ROW}>
              <Mono tone="stone">{from}</Mono>
              <span aria-hidden>→</span>
              <Mono>{nameOf(to)}</Mono>
            </Box>
          ))}
        </Box>
        {renames.length > SHOWN && (
          <Box sx={{ color: color('stone'), mt: 1 }}>{`and ${renames.length - SHOWN} more`}</Box>
        )}
        {plan.ok && renames.length === 0 && (
          <Box sx={{ color: color('stone') }}>All files have these names already.</Box>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          variant="contained"
          color="primary"
          disabled={renames.length === 0}
          onClick={() => {
            intent({ kind: 'rename-many', renames });
            onClose();
          }}
        >{`Rename ${countOf(renames.length, 'file')}`}</Button>
      </DialogActions>
    </Dialog>
  );
}
