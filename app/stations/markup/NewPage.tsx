/** A new page: from a clean skeleton, or from one that is there, with other pictures, entered in the menus. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useSite } from '../../ui/site/openSite';
import { useIntent } from '../../ui/site/work';
import { asPictures, PairChoice, unplacedPairs } from './PairChoice';

export function NewPage({ onClose }: { onClose: () => void }) {
  const { site, go } = useSite();
  const { view } = site;
  const { intent } = useIntent();
  const [path, setPath] = useState(
    view.pages.some((page) => page.path === 'index.html') ? 'gallery.html' : 'index.html',
  );
  const [title, setTitle] = useState(site.site.name);
  const [from, setFrom] = useState('');
  const [entered, setEntered] = useState(false);
  const [entry, setEntry] = useState('');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const pairs = unplacedPairs(view.pairs);
  const pictures = asPictures(pairs.filter(({ id }) => chosen.has(id)));
  const hasGallery = view.pages.some((page) => page.path === from && page.galleries.length > 0);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="new-page-title">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          intent({
            kind: 'new-page',
            path,
            title,
            ...(from === '' ? {} : { from, pictures: hasGallery ? pictures : [] }),
            ...(entered && entry.trim() !== '' ? { entry: entry.trim() } : {}),
          });
          onClose();
          go({ page: path.trim(), strand: null });
        }}
      >
        <DialogTitle id="new-page-title">New page</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2 }}>
          <TextField
            label="Title"
            value={title}
            required
            onChange={(event) => setTitle(event.target.value)}
            sx={{ mt: 1 }}
          />
          <TextField
            label="File"
            value={path}
            required
            onChange={(event) => setPath(event.target.value)}
            helperText="Lower case and no spaces work on every host."
          />
          {view.pages.length > 0 && (
            <TextField
              select
              label="Start from"
              value={from}
              onChange={(event) => setFrom(event.target.value)}
              helperText={
                from === ''
                  ? 'An empty page: there is nothing to delete first.'
                  : 'Head, menu, scripts and layout are kept; title, heading and pictures are new.'
              }
              slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
            >
              <MenuItem value="">a clean skeleton</MenuItem>
              {view.pages.map((page) => (
                <MenuItem key={page.path} value={page.path}>
                  {page.path}
                </MenuItem>
              ))}
            </TextField>
          )}
          {hasGallery && (
            <PairChoice
              pairs={pairs}
              chosen={chosen}
              onChoose={setChosen}
              none="Every pair is on a page already; the gallery will be empty"
            />
          )}
          {view.menu && (
            <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
              <FormControlLabel
                control={
                  <Checkbox
                    size="small"
                    checked={entered}
                    onChange={(event) => {
                      setEntered(event.target.checked);
                      if (entry === '') setEntry(title);
                    }}
                  />
                }
                label="Add to every menu"
                slotProps={{ typography: { variant: 'body2' } }}
                sx={{ flexShrink: 0 }}
              />
              {entered && (
                <TextField
                  label="Label in the menu"
                  value={entry}
                  required
                  onChange={(event) => setEntry(event.target.value)}
                  sx={{ flex: 1 }}
                />
              )}
            </Box>
          )}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" color="primary" autoFocus>
            Create page
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
