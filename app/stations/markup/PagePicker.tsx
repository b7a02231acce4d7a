/** The name of the page in hand; the others are one choice away. */
import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';
import { useChosenPage, useSite } from '../../ui/site/openSite';
import { SERIF } from '../../ui/theme';

const PICKER = {
  fontFamily: SERIF,
  fontSize: '1.5rem',
  fontWeight: 600,
  lineHeight: 1.2,
  '& .MuiSelect-select': { py: 0, pb: '2px' },
};

export function PagePicker({ withStyles = false }: { withStyles?: boolean }) {
  const { site, place, go } = useSite();
  const file = place.page;
  const page = useChosenPage();
  const others = withStyles
    ? site.view.files.filter(({ path, hash }) => hash === null && !/\.html?$/i.test(path)).map(({ path }) => path)
    : [];
  const value = withStyles && file !== null && others.includes(file) ? file : (page?.path ?? '');
  return (
    <Select
      variant="standard"
      disableUnderline
      value={value}
      inputProps={{ 'aria-label': 'Page' }}
      onChange={({ target }) => go({ page: target.value, strand: null })}
      sx={PICKER}
    >
      {site.view.pages.map(({ path }) => (
        <MenuItem key={path} value={path}>
          {path}
        </MenuItem>
      ))}
      {others.map((path) => (
        <MenuItem key={path} value={path}>
          {path}
        </MenuItem>
      ))}
    </Select>
  );
}
