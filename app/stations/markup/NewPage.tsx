import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useIntent, useSite } from '../../ui/site';

export function NewPage({ onClose }: { onClose: () => void }) {
  const { site, choosePage, choose } = useSite();
  const intent = useIntent();
  const [path, setPath] = useState(site.view.pages.some((page) => page.path === 'index.html') ? 'gallery.html' : 'index.html');
  const [title, setTitle] = useState(site.site.name);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="new-page-title">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          intent({ kind: 'new-page', path, title });
          choosePage(path.trim());
          choose(null);
          onClose();
        }}
      >
        <DialogTitle id="new-page-title">New page</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2 }}>
          <TextField label="Title" value={title} required onChange={(event) => setTitle(event.target.value)} sx={{ mt: 1 }} />
          <TextField label="File" value={path} required onChange={(event) => setPath(event.target.value)} helperText="Lower case and no spaces work on every host." />
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" color="primary" autoFocus>
            Write the page
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
