/** The foot of a dialog in which one thing after the other is done: what came of the last one, and the way out. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import DialogActions from '@mui/material/DialogActions';
import { useState } from 'react';
import { useSite } from '../site/openSite';
import { color } from '../theme';
import { saysOf } from '../../data/session/shared';

export function DialogFoot({ onClose }: { onClose: () => void }) {
  const { outcome } = useSite();
  // What was done before the dialog was opened is no news in it.
  const [before] = useState(outcome);
  const news = outcome === before ? null : outcome;
  return (
    <DialogActions sx={{ pl: 3 }}>
      <Box role="status" sx={{ flex: 1, fontSize: '0.8125rem', color: color(news?.ok === false ? 'rust' : 'lichen') }}>
        {saysOf(news)}
      </Box>
      <Button onClick={onClose}>Close</Button>
    </DialogActions>
  );
}
