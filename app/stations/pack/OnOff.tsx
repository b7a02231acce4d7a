/** A switch with its words, on a line of its own. */
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';

interface OnOffProps {
  label: string;
  on: boolean;
  idle?: boolean;
  onSet: (on: boolean) => void;
}

export const OnOff = ({ label, on, idle = false, onSet }: OnOffProps) => (
  <FormControlLabel
    control={<Switch size="small" checked={on} disabled={idle} onChange={(_event, next) => onSet(next)} />}
    label={label}
    slotProps={{ typography: { variant: 'body2' } }}
    sx={{ mt: 0.5, display: 'flex' }}
  />
);
