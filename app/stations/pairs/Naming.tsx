/** How thumbnails are named here: the rules that were found, each may be turned off, and rules of one's own. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { troubleOf } from '~core/pairing/index.ts';
import type { SiteView } from '~core/view/index.ts';
import { Mono, Tag } from '../../ui/parts/small';
import { useIntent } from '../../ui/site/work';
import { color } from '../../ui/theme';

const RULE = { display: 'grid', gridTemplateColumns: '1fr 1fr auto', gap: 1, mb: 1, alignItems: 'start' };

export function Naming({
  rules,
  naming,
  onClose,
}: {
  rules: SiteView['rules'];
  naming: SiteView['naming'];
  onClose: () => void;
}) {
  const { intent } = useIntent();
  const [own, setOwn] = useState(naming.own);
  const [off, setOff] = useState<readonly string[]>(naming.off);
  const troubles = own.map(troubleOf);
  // A rule that is off is followed by none, but can be turned on again.
  const found = [
    ...rules.filter(({ says }) => !own.some((rule) => says === `${rule.thumbnail} ↔ ${rule.full}`)),
    ...naming.off.filter((says) => !rules.some((rule) => rule.says === says)).map((says) => ({ says, count: 0 })),
  ];
  const change = (n: number, part: Partial<(typeof own)[number]>) =>
    setOwn(own.map((rule, at) => (at === n ? { ...rule, ...part } : rule)));
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="naming-title">
      <DialogTitle id="naming-title">Naming rules</DialogTitle>
      <DialogContent>
        {found.length > 0 && <Box sx={{ mb: 0.5 }}>Found in the files. Untick a rule to ignore it.</Box>}
        {found.map(({ says, count }) => (
          <Box key={says}>
            <FormControlLabel
              control={
                <Checkbox
                  size="small"
                  checked={!off.includes(says)}
                  onChange={({ target }) => setOff(target.checked ? off.filter((one) => one !== says) : [...off, says])}
                />
              }
              label={
                <>
                  <Mono>{says}</Mono> <Tag tone="chosen">{count}</Tag>
                </>
              }
            />
          </Box>
        ))}
        <Box sx={{ mt: 2, mb: 1 }}>
          Your own rules, used first. <Mono>{'{name}'}</Mono> stands for what both have in common; any picture format
          will do.
        </Box>
        {own.map((rule, n) => (
          <Box key={n} sx={RULE}>
            <TextField
              label="Thumbnail"
              value={rule.thumbnail}
              error={troubles[n] !== null}
              helperText={troubles[n]}
              onChange={({ target }) => change(n, { thumbnail: target.value })}
            />
            <TextField
              label="Full-size"
              value={rule.full}
              onChange={({ target }) => change(n, { full: target.value })}
            />
            <Button size="small" onClick={() => setOwn(own.filter((_, at) => at !== n))}>
              Remove
            </Button>
          </Box>
        ))}
        <Button size="small" onClick={() => setOwn([...own, { thumbnail: 'thumbs/{name}-k.jpg', full: '{name}.jpg' }])}>
          Add a rule
        </Button>
        <Box sx={{ mt: 2, color: color('stone'), fontSize: '0.8125rem' }}>
          Contents are compared as well: a pair that shows two different pictures is reported, whatever the names say.
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          variant="contained"
          color="primary"
          disabled={troubles.some((one) => one !== null)}
          onClick={() => {
            intent({ kind: 'set-naming', own: [...own], off: [...off] });
            onClose();
          }}
        >
          Save naming rules
        </Button>
      </DialogActions>
    </Dialog>
  );
}
