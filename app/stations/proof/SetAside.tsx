/** Why a finding is to stay as it is, and those of which somebody has said so. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { countOf } from '~core/site/index.ts';
import type { FindingView } from '~core/view/index.ts';
import { Panel } from '../../ui/parts/small';
import { useSite } from '../../ui/site/openSite';
import { useIntent } from '../../ui/site/work';
import { color } from '../../ui/theme';

export function SetAside({ finding, onClose }: { finding: FindingView; onClose: () => void }) {
  const { intent, busy } = useIntent();
  const [reason, setReason] = useState('');
  const set = () => {
    intent({ kind: 'set-aside', finding: finding.id, reason });
    onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="aside-title">
      <DialogTitle id="aside-title">Set this finding aside?</DialogTitle>
      <DialogContent>
        <Box sx={{ mb: 2 }}>{finding.says}</Box>
        <TextField
          autoFocus
          fullWidth
          label="Why it stays as it is"
          value={reason}
          onChange={({ target }) => setReason(target.value)}
          onKeyDown={({ key }) => key === 'Enter' && reason.trim() !== '' && set()}
          helperText="Kept with the site. It is not counted any more, and can be brought back."
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" color="primary" disabled={busy || reason.trim() === ''} onClick={set}>
          Set it aside
        </Button>
      </DialogActions>
    </Dialog>
  );
}

const ROW = {
  display: 'grid',
  gridTemplateColumns: 'minmax(0, 1fr) auto',
  gap: 1.5,
  alignItems: 'center',
  px: 1.75,
  py: 1,
  borderTop: `1px solid ${color('hair')}`,
  fontSize: '0.8125rem',
};

const SUMMARY = { px: 1.75, py: 1, cursor: 'pointer', fontSize: '0.8125rem', fontWeight: 600 };

export function Aside() {
  const { view, readOnly } = useSite().site;
  const { intent, busy } = useIntent();
  const { aside } = view;
  if (aside.length === 0) return null;
  return (
    <Panel label="Set aside" sx={{ minWidth: 0 }}>
      <Box component="details">
        <Box component="summary" sx={SUMMARY}>
          {`${countOf(aside.length, 'finding')} set aside`}
        </Box>
        <Box component="ul" aria-label="Findings that are set aside" sx={{ m: 0, p: 0, listStyle: 'none' }}>
          {aside.map(({ finding, reason }) => (
            <Box component="li" key={finding.id} sx={ROW}>
              <Box>
                {finding.says}
                <Box sx={{ color: color('stone') }}>{reason}</Box>
              </Box>
              <Button
                disabled={busy || readOnly}
                aria-label={`Bring back: ${finding.says}`}
                onClick={() => intent({ kind: 'set-aside', finding: finding.id, reason: null })}
              >
                Bring back
              </Button>
            </Box>
          ))}
        </Box>
      </Box>
    </Panel>
  );
}
