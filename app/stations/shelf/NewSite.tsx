/** A first site without files: a name, and a page and a stylesheet with nothing in them that would have to go. */
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { z } from 'zod';
import { SKELETON_STYLE, skeletonPage } from '~core/markup/index.ts';
import { importFiles } from '../../data/intake/intake';
import { Form, FormField, useCheckedForm } from '../../ui/parts/form';
import { Named } from './named';

const FORM = 'new-site';

const PAGE = 'index.html';
const STYLE = 'css/style.css';

export function NewSite() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button onClick={() => setOpen(true)}>New site</Button>
      {open && <NewSiteDialog onClose={() => setOpen(false)} />}
    </>
  );
}

function NewSiteDialog({ onClose }: { onClose: () => void }) {
  const navigate = useNavigate();
  const [failed, setFailed] = useState<string | null>(null);
  const form = useCheckedForm(Named, { name: '' });
  const create = async ({ name }: z.infer<typeof Named>) => {
    const texts = { [PAGE]: skeletonPage(name, STYLE), [STYLE]: SKELETON_STYLE };
    const files = Object.entries(texts).map(([path, text]) => ({ path, blob: new Blob([text]) }));
    const made = await importFiles(files, { name, onProgress: () => undefined });
    if (!made.ok) return setFailed(made.reason);
    return navigate(`/site/${made.site.id}/markup?page=${PAGE}`);
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="new-site-title">
      <DialogTitle id="new-site-title">New site</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 1.5 }}>
        <Form id={FORM} form={form} onSend={(named) => void create(named)}>
          <FormField<z.infer<typeof Named>>
            name="name"
            label="Name"
            required
            autoFocus
            fullWidth
            helperText={`Creates ${PAGE} with this title and ${STYLE}. Pictures come next.`}
            sx={{ mt: 1 }}
          />
        </Form>
        {failed !== null && <div role="alert">{`The site could not be created: ${failed}`}</div>}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button type="submit" form={FORM} variant="contained" color="primary" disabled={form.formState.isSubmitting}>
          Create the site
        </Button>
      </DialogActions>
    </Dialog>
  );
}
