/** The pictures of a gallery as a list: into a file, or among the files of the site, where the gallery may follow it. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { LIST_FORMATS, type ListFormat } from '~core/lists/index.ts';
import { oneOf, slugOf, stemOf } from '~core/site/index.ts';
import { save } from '../../../data/export';
import { galleryTargets } from '../../../ui/parts/galleryTargets';
import { useSite } from '../../../ui/site/openSite';
import { useAttempt } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import { ACTIONS, FORM } from '../all/arrangement';

const SAYS: Readonly<Record<ListFormat, string>> = { csv: 'CSV', json: 'JSON', xml: 'XML', md: 'Markdown' };

export function SaveList({ onClose }: { onClose: () => void }) {
  const { site } = useSite();
  const { attempt, reason, busy } = useAttempt(onClose);
  const galleries = galleryTargets(site.view.pages).flatMap((one) =>
    one.gallery === null ? [] : [{ ...one, gallery: one.gallery }],
  );
  const [chosen, setChosen] = useState(0);
  const [format, setFormat] = useState<ListFormat>('csv');
  const [own, setOwn] = useState<string | null>(null);
  const target = galleries[chosen] ?? galleries[0];
  if (!target) return <Box sx={{ mt: 1 }}>There is no gallery yet. Put pictures on a page first.</Box>;
  const path = own ?? `${slugOf(stemOf(target.page)) || 'pictures'}.${format}`;
  const saveFile = async () => {
    const text = await site.session.analysis.galleryList(target, format);
    if (text !== null) save({ name: path.split('/').at(-1) ?? path, blob: new Blob([text]) });
  };
  return (
    <Box component="form" aria-label="Save a gallery as a list" sx={FORM} onSubmit={(event) => event.preventDefault()}>
      <TextField select label="Gallery" value={chosen} onChange={({ target: field }) => setChosen(Number(field.value))}>
        {galleries.map(({ says }, n) => (
          <MenuItem key={says} value={n}>
            {says}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        label="Format"
        value={format}
        onChange={({ target: field }) => {
          setFormat(oneOf(LIST_FORMATS, field.value));
          setOwn(null);
        }}
      >
        {LIST_FORMATS.map((one) => (
          <MenuItem key={one} value={one}>
            {SAYS[one]}
          </MenuItem>
        ))}
      </TextField>
      <TextField label="File name" value={path} onChange={({ target: field }) => setOwn(field.value)} />
      {reason !== null && <Box sx={{ color: color('rust') }}>{reason}</Box>}
      <Box sx={ACTIONS}>
        <Button
          variant="contained"
          color="primary"
          disabled={busy || site.readOnly}
          onClick={() => attempt({ kind: 'save-list', page: target.page, gallery: target.gallery, path })}
        >
          Add the list to the site
        </Button>
        <Button onClick={() => void saveFile()}>Save the list as a file</Button>
        <Button onClick={onClose}>Cancel</Button>
      </Box>
    </Box>
  );
}
