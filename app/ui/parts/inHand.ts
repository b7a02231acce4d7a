/** The row in hand among its neighbours. */
import { color } from '../theme';

/** A wash alone is 1.2 : 1 against the paper; the bar at the edge is seen, and stays in forced colours. */
export const IN_HAND = {
  position: 'relative',
  bgcolor: color('heatherWash'),
  '&::before': {
    content: '""',
    position: 'absolute',
    insetBlock: 0,
    left: 0,
    borderLeft: `3px solid ${color('heather')}`,
  },
} as const;

/** For styles: those of the row in hand, or none. */
export const inHand = (is: boolean) => (is ? IN_HAND : {});
