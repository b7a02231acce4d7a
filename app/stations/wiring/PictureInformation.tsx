/** Which of what the files say of themselves is written for each link, for the viewer to show. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useState } from 'react';
import { INFORMATION_FIELDS, type InformationField } from '~core/plans/index.ts';
import { color } from '../../ui/theme';

const TITLES: Readonly<Record<InformationField, string>> = {
  taken: 'Date taken',
  camera: 'Camera',
  lens: 'Lens',
  exposure: 'Exposure, aperture, ISO, focal length',
  credit: 'Credit',
  copyright: 'Copyright',
};

interface Props {
  /** What some file of the gallery says. */
  known: readonly InformationField[];
  disabled: boolean;
  onWrite: (fields: InformationField[]) => void;
}

const HINT = { fontSize: '0.8125rem', color: color('stone') } as const;

export function PictureInformation({ known, disabled, onWrite }: Props) {
  const [chosen, setChosen] = useState<readonly InformationField[]>(known);
  const fields = chosen.filter((field) => known.includes(field));
  return (
    <Box component="fieldset" sx={{ border: 0, m: 0, p: 0 }}>
      <Box component="legend" sx={HINT}>
        Read from the full-size files and from Text and credits, and written at each link.
      </Box>
      {INFORMATION_FIELDS.map((field) => (
        <FormControlLabel
          key={field}
          disabled={disabled || !known.includes(field)}
          control={
            <Checkbox
              size="small"
              checked={fields.includes(field)}
              onChange={({ target }) =>
                setChosen(target.checked ? [...chosen, field] : chosen.filter((one) => one !== field))
              }
            />
          }
          label={known.includes(field) ? TITLES[field] : `${TITLES[field]} (no file says it)`}
          slotProps={{ typography: { variant: 'body2' } }}
          sx={{ display: 'flex' }}
        />
      ))}
      <Box sx={{ display: 'flex', gap: 1, mt: 0.5 }}>
        <Button disabled={disabled || fields.length === 0} onClick={() => onWrite(fields)}>
          Write information
        </Button>
        <Button disabled={disabled} onClick={() => onWrite([])}>
          Remove information
        </Button>
      </Box>
    </Box>
  );
}
