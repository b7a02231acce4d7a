/** Chooses the full-size picture of a thumbnail, large enough to tell them apart. */
import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { nameOf } from '~core/site/index.ts';
import type { PairView } from '~core/view/index.ts';
import { Mono, Picture } from '../../ui/parts/small';
import { color } from '../../ui/theme';

const SHOWN = { width: 220, height: 165 };

interface PairByHandProps {
  thumbnail: string;
  pairs: readonly PairView[];
  onClose: () => void;
  onPair: (full: string) => void;
}

const COMPARED = { display: 'flex', gap: 3, justifyContent: 'center', mb: 2 };

export function PairByHand({ thumbnail, pairs, onClose, onPair }: PairByHandProps) {
  const [chosen, setChosen] = useState<PairView | null>(null);
  return (
    <Dialog
      open
      onClose={onClose}
      aria-labelledby="by-hand-title"
      fullWidth
      maxWidth="sm"
      slotProps={{ paper: { sx: { overflow: 'visible' } } }}
    >
      <DialogTitle id="by-hand-title">{`Pair ${nameOf(thumbnail)}`}</DialogTitle>
      {/* The list of names belongs to the dialog, and may hang out of it. */}
      <DialogContent sx={{ overflow: 'visible' }}>
        <Box sx={COMPARED}>
          <Box sx={{ textAlign: 'center' }}>
            <Picture path={thumbnail} {...SHOWN} alt={nameOf(thumbnail)} />
            <Mono>{nameOf(thumbnail)}</Mono>
          </Box>
          <Box sx={{ textAlign: 'center' }}>
            <Picture path={chosen?.full ?? null} {...SHOWN} alt={chosen ? nameOf(chosen.full) : ''} />
            <Mono tone="stone">{chosen ? nameOf(chosen.full) : 'no picture chosen'}</Mono>
          </Box>
        </Box>
        <Autocomplete
          options={pairs.filter((pair) => pair.full !== thumbnail)}
          getOptionLabel={(pair) => pair.full}
          autoHighlight
          disablePortal
          openOnFocus
          value={chosen}
          onChange={(_event, pair) => setChosen(pair)}
          renderOption={({ key, ...option }, pair) => (
            <Box component="li" key={key} {...option} sx={{ gap: 1 }}>
              <Picture path={pair.full} width={48} height={36} />
              <Mono>{pair.full}</Mono>
            </Box>
          )}
          renderInput={(params) => <TextField {...params} label="Full-size picture" autoFocus />}
        />
        {chosen?.thumbnail && chosen.thumbnail !== thumbnail && (
          <Box
            sx={{ mt: 1, fontSize: '0.8125rem', color: color('stone') }}
          >{`It has ${nameOf(chosen.thumbnail)} now, which becomes unpaired.`}</Box>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" color="primary" disabled={!chosen} onClick={() => chosen && onPair(chosen.full)}>
          Confirm the pair
        </Button>
      </DialogActions>
    </Dialog>
  );
}
