/** The files that leave, all of them or what has changed since they left before. */
import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useState } from 'react';
import { countOf } from '~core/site/index.ts';
import { Panel } from '../../../ui/parts/small';
import { sayWhen } from '../../../ui/parts/times';
import { color } from '../../../ui/theme';
import { Parcel, type FileToUpload } from '../Parcel';
import { Since } from './Since';
import type { Upload } from './useUpload';

const HEAD = {
  display: 'flex',
  flexWrap: 'wrap',
  alignItems: 'center',
  gap: '8px 14px',
  px: 1.75,
  py: 1.25,
};

interface FilesToUploadProps {
  entries: readonly FileToUpload[];
  leftOut: ReadonlySet<string>;
  upload: Upload;
}

type Shown = 'all' | 'since';

export function FilesToUpload({ entries, leftOut, upload }: FilesToUploadProps) {
  const { before, handOvers, since, compareWith } = upload;
  const [shown, setShown] = useState<Shown>('all');
  const count = entries.filter(({ path }) => !leftOut.has(path)).length;
  if (!before)
    return (
      <Panel label="Files to upload">
        <Parcel entries={entries} leftOut={leftOut} />
      </Panel>
    );
  return (
    <Panel label="Files to upload">
      <Box sx={HEAD}>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={shown}
          aria-label="Files that are listed"
          onChange={(_event, next: Shown | null) => next && setShown(next)}
        >
          <ToggleButton value="all" sx={{ py: 0.25 }}>
            {`All ${countOf(count, 'file')}`}
          </ToggleButton>
          <ToggleButton value="since" sx={{ py: 0.25 }}>
            {`Changed: ${since.length}`}
          </ToggleButton>
        </ToggleButtonGroup>
        <TextField
          select
          label="Compared with the upload of"
          value={before.at}
          onChange={({ target }) => compareWith(Number(target.value))}
          sx={{ width: 220 }}
        >
          {handOvers.map(({ at, files }) => (
            <MenuItem key={at} value={at}>
              {`${sayWhen(at)} · ${countOf(files.size, 'file')}`}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      {shown === 'all' ? (
        <Box sx={{ borderTop: `1px solid ${color('hair')}` }}>
          <Parcel entries={entries} leftOut={leftOut} />
        </Box>
      ) : (
        <Since files={since} />
      )}
    </Panel>
  );
}
