/** Whose pictures these are, where a picture itself does not say. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { SiteView } from '~core/view/index.ts';
import { useIntent } from '../../../ui/site/work';

export function Rights({ rights, idle }: { rights: SiteView['rights']; idle: boolean }) {
  const { intent } = useIntent();
  const [draft, setDraft] = useState(rights);
  const changed = draft.copyright !== rights.copyright || draft.credit !== rights.credit;
  return (
    <Box
      component="form"
      sx={{ display: 'flex', gap: 1, alignItems: 'center' }}
      onSubmit={(event) => {
        event.preventDefault();
        if (changed) intent({ kind: 'set-rights', rights: draft });
      }}
    >
      <TextField
        label="Default copyright"
        value={draft.copyright}
        onChange={({ target }) => setDraft({ ...draft, copyright: target.value })}
        sx={{ width: 260 }}
      />
      <TextField
        label="Credit"
        value={draft.credit}
        onChange={({ target }) => setDraft({ ...draft, credit: target.value })}
        sx={{ width: 180 }}
      />
      <Button size="small" type="submit" disabled={idle || !changed}>
        Save
      </Button>
    </Box>
  );
}
