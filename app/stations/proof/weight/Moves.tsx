/** Whether the page moved under a visitor's eyes while it loaded. */
import Box from '@mui/material/Box';
import { Panel } from '../../../ui/parts/small';
import { color } from '../../../ui/theme';

/** What is no more than that counts as good (web.dev, “Cumulative Layout Shift”, from memory). */
const GOOD = 0.1;
/** What is less is nobody's to see. */
const STILL = 0.001;

export function Moves({ shift, width }: { shift: number; width: number }) {
  const isStill = shift < STILL;
  return (
    <Panel label="Layout shift" sx={{ p: 1.75 }}>
      <Box component="h2" sx={{ m: 0, fontSize: '0.875rem', fontWeight: 600 }}>
        {isStill ? 'Nothing moves' : 'The page moves while it loads'}
      </Box>
      <Box sx={{ fontSize: '0.8125rem', color: color(shift > GOOD ? 'rust' : 'stone') }}>
        {`Layout shift ${shift.toFixed(3)} at ${width} px. ${isStill ? '' : adviceFor(shift)}`}
      </Box>
    </Panel>
  );
}

const adviceFor = (shift: number): string =>
  `${shift > GOOD ? 'More than 0.1 is felt. ' : ''}Pictures with width and height keep their place.`;
