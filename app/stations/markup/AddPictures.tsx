/** Pairs that stand on no page yet, with the words for their slots, written in the page's own pattern. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { PairView } from '~core/view/index.ts';
import { countOf, Picture } from '../../ui/parts';
import { useIntent } from '../../ui/site';
import { ink } from '../../ui/theme';

interface Row {
  pair: PairView;
  taken: boolean;
  title: string;
  alt: string;
}

interface Props {
  page: string;
  /** Number of the gallery on the page; null writes a first one. */
  gallery: number | null;
  pairs: readonly PairView[];
  onClose: () => void;
}

export function AddPictures({ page, gallery, pairs, onClose }: Props) {
  const intent = useIntent();
  const [rows, setRows] = useState<Row[]>(() => pairs.map((pair) => ({ pair, taken: true, title: pair.words.title, alt: pair.words.alt })));
  const change = (id: string, part: Partial<Row>) => setRows((all) => all.map((row) => (row.pair.id === id ? { ...row, ...part } : row)));
  const taken = rows.filter((row) => row.taken);
  const write = () => {
    intent({ kind: 'add-pictures', page, gallery, pictures: taken.map(({ pair, title, alt }) => ({ thumbnail: pair.thumbnail ?? '', full: pair.full, title, alt, caption: title })) });
    onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="add-title">
      <DialogTitle id="add-title">{`Add to ${page}`}</DialogTitle>
      <DialogContent>
        <Box sx={{ color: ink('stone'), mb: 1.5 }}>{gallery === null ? 'A first gallery is written: a figure with a link, the image and a caption for each.' : 'They are written behind the last item, as this page writes its items.'} The words come from the pictures where they have any; put right what is not.</Box>
        <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
          {rows.map(({ pair, taken: on, title, alt }) => (
            <Box component="li" key={pair.id} sx={{ display: 'grid', gridTemplateColumns: '40px 84px 1fr 1.6fr', gap: 1.25, alignItems: 'center', py: 0.75, borderTop: `1px solid ${ink('hair')}` }}>
              <Checkbox checked={on} onChange={(event) => change(pair.id, { taken: event.target.checked })} slotProps={{ input: { 'aria-label': `Add ${pair.name}` } }} />
              <Picture path={pair.thumbnail} width={80} height={56} />
              <TextField label="Title and caption" value={title} onChange={(event) => change(pair.id, { title: event.target.value })} />
              <TextField label="Alt text" value={alt} onChange={(event) => change(pair.id, { alt: event.target.value })} />
            </Box>
          ))}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" color="primary" disabled={taken.length === 0} onClick={write}>
          {`Write ${countOf(taken.length, 'item')}`}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
