/** Thumbnails that were not created here, many at once created again by the site's sizes. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState } from 'react';
import { sayRecipe } from '~core/photo/index.ts';
import { countOf, nameOf } from '~core/site/index.ts';
import { ChooseAll, useChoosing } from '../../ui/parts/choosing';
import { Mono, Picture } from '../../ui/parts/small';
import { useSite } from '../../ui/site/openSite';
import { useWork } from '../../ui/site/work';
import { color } from '../../ui/theme';

const LIST = { m: 0, p: 0, listStyle: 'none' } as const;

const ROW = {
  display: 'grid',
  gridTemplateColumns: '38px 84px minmax(0, 1fr) 1fr',
  alignItems: 'center',
  gap: 1.25,
  py: 0.5,
  borderTop: `1px solid ${color('hair')}`,
  fontSize: '0.8125rem',
};

export function ReplaceThumbnails({ onClose }: { onClose: () => void }) {
  const { site } = useSite();
  const { work, busy } = useWork();
  const { byHand, recipe } = site.view;
  const ids = byHand.map(({ thumbnail }) => thumbnail);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(() => new Set());
  const boxOf = useChoosing(ids, { chosen, onChoose: setChosen });
  const wanted = byHand.filter(({ thumbnail }) => chosen.has(thumbnail));
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="replace-title">
      <DialogTitle id="replace-title">Replace thumbnails</DialogTitle>
      <DialogContent>
        <Box sx={{ color: color('stone'), mb: 1 }}>
          {byHand.length === 0
            ? 'Every thumbnail was created here; it is created again when its size changes.'
            : `These were not created here, so they are left alone. Selected ones are created again: ${sayRecipe(recipe.thumbnail)}. Undo brings the old ones back.`}
        </Box>
        {byHand.length > 0 && <ChooseAll ids={ids} chosen={chosen} onChoose={setChosen} />}
        <Box component="ul" aria-label="Thumbnails not created here" sx={LIST}>
          {byHand.map(({ thumbnail, full }) => (
            <Box component="li" key={thumbnail} sx={ROW}>
              <Checkbox {...boxOf(thumbnail)} slotProps={{ input: { 'aria-label': `Replace ${nameOf(thumbnail)}` } }} />
              <Picture path={thumbnail} width={80} height={56} />
              <Mono>{thumbnail}</Mono>
              <Box sx={{ color: color('stone') }}>
                from <Mono>{nameOf(full)}</Mono>
              </Box>
            </Box>
          ))}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          variant="contained"
          color="primary"
          disabled={busy || site.readOnly || wanted.length === 0}
          onClick={() => {
            onClose();
            work({ do: 'make', tasks: wanted.flatMap(({ tasks }) => tasks) });
          }}
        >
          {`Replace ${countOf(wanted.length, 'thumbnail')}`}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
