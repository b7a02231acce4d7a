/** What can be pressed and does not look like a button: whole rows and cards, and places in the source. */
import ButtonBase, { type ButtonBaseProps } from '@mui/material/ButtonBase';
import Link, { type LinkProps } from '@mui/material/Link';
import { styled } from '@mui/material/styles';
import { color } from '../theme';

/** A row or card that is pressed as a whole; its look is the caller's. */
export const Pressable = styled((props: ButtonBaseProps) => <ButtonBase disableRipple {...props} />)({
  font: 'inherit',
  textAlign: 'left',
  justifyContent: 'flex-start',
  '&:focus-visible': { outline: `2px solid ${color('heather')}` },
});

const PLACE = { font: 'inherit', verticalAlign: 'baseline', textAlign: 'left', textUnderlineOffset: 3 } as const;

/** A place in the source, which opens there. */
export const PlaceLink = (props: LinkProps<'button'>) => (
  <Link component="button" type="button" color="inherit" underline="always" {...props} sx={PLACE} />
);

/** A button without its looks, in styles; for lists so long that a component for every row would be too dear. */
export const BARE = {
  appearance: 'none',
  boxSizing: 'border-box',
  m: 0,
  p: 0,
  border: 0,
  background: 'none',
  color: 'inherit',
  font: 'inherit',
  textAlign: 'left',
  cursor: 'pointer',
} as const;
