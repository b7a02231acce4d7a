/** Another name for a site; its pages keep their titles. */
import EditOutlined from '@mui/icons-material/EditOutlined';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import { useState } from 'react';
import type { z } from 'zod';
import type { SiteRecord } from '../../data/store/records';
import { Form, FormField, useCheckedForm } from '../../ui/parts/form';
import { Named } from './named';

interface Props {
  site: SiteRecord;
  onRename: (name: string) => void;
}

export function RenameSite({ site, onRename }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Tooltip title="Rename site">
        <IconButton aria-label={`Rename ${site.name}`} onClick={() => setOpen(true)} sx={{ zIndex: 1 }}>
          <EditOutlined fontSize="small" />
        </IconButton>
      </Tooltip>
      {open && <RenameDialog site={site} onRename={onRename} onClose={() => setOpen(false)} />}
    </>
  );
}

const FORM = 'rename-site';

function RenameDialog({ site, onRename, onClose }: Props & { onClose: () => void }) {
  const form = useCheckedForm(Named, { name: site.name });
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="rename-site-title">
      <DialogTitle id="rename-site-title">Rename site</DialogTitle>
      <DialogContent>
        <Form
          id={FORM}
          form={form}
          onSend={({ name }) => {
            onRename(name);
            onClose();
          }}
        >
          <FormField<z.infer<typeof Named>>
            name="name"
            label="Name"
            required
            autoFocus
            fullWidth
            helperText="Its name in this list and of its exported files. Titles of pages stay as they are."
            sx={{ mt: 1 }}
          />
        </Form>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button type="submit" form={FORM} variant="contained" color="primary">
          Rename site
        </Button>
      </DialogActions>
    </Dialog>
  );
}
