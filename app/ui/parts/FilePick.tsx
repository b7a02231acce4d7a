/** One file of the site, found by a part of its path. */
import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { isPicturePath } from '~core/site/index.ts';
import { Mono, Picture } from './small';

/** More options than this are not drawn; a longer part of the name finds the others. */
const SHOWN = createFilterOptions<string>({ limit: 60 });

interface Props {
  label: string;
  paths: readonly string[];
  value: string | null;
  onPick: (path: string | null) => void;
  disabled?: boolean;
  autoFocus?: boolean;
}

export function FilePick({ label, paths, value, onPick, disabled = false, autoFocus = false }: Props) {
  return (
    <Autocomplete
      options={paths}
      value={value}
      disabled={disabled}
      size="small"
      autoHighlight
      filterOptions={SHOWN}
      noOptionsText="No file of that name"
      onChange={(_event, path) => onPick(path)}
      // What is told of a file that is gone stays to be read.
      isOptionEqualToValue={(option, one) => option === one}
      renderOption={({ key, ...option }, path) => (
        <Box component="li" key={key} {...option} sx={{ gap: 1 }}>
          {isPicturePath(path) && <Picture path={path} width={36} height={28} />}
          <Mono>{path}</Mono>
        </Box>
      )}
      renderInput={(params) => <TextField {...params} label={label} autoFocus={autoFocus} />}
    />
  );
}
