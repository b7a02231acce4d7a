/** What decides how the page looks, in place of the source and beside the live page: it is seen as it is set. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, type ReactNode } from 'react';
import { color } from '../../ui/theme';

const PANE = { height: '100%', display: 'flex', flexDirection: 'column', minHeight: 0 } as const;

const HEAD = { px: 2, pt: 1.5, pb: 1, borderBottom: `1px solid ${color('hair')}` };

const TITLE = { display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: 1 } as const;

/** Room below, so that what was just done, told over the foot of the window, hides no field. */
const BODY = { flex: 1, minHeight: 0, overflow: 'auto', px: 2, pt: 1, pb: '190px' } as const;

const FIELD = 'textarea, input:not([type="checkbox"], [type="radio"])';

interface Props {
  title: string;
  says: string;
  onClose: () => void;
  /** Below the title, and always in sight. */
  head?: ReactNode;
  children: ReactNode;
}

export function Beside({ title, says, onClose, head, children }: Props) {
  const heading = useRef<HTMLHeadingElement>(null);
  // What it was opened with has gone with the source.
  useEffect(() => heading.current?.focus(), []);
  return (
    <Box
      component="section"
      aria-label={title}
      sx={PANE}
      onKeyDown={(event) => {
        // A list that is open has taken the key already, and in a field it takes back what was typed there.
        const inField = event.target instanceof Element && event.target.matches(FIELD);
        if (event.key === 'Escape' && !event.defaultPrevented && !inField) onClose();
      }}
    >
      <Box sx={HEAD}>
        <Box sx={TITLE}>
          <Typography variant="h2" ref={heading} tabIndex={-1} sx={{ outline: 'none' }}>
            {title}
          </Typography>
          <Box sx={{ flex: '1 1 8rem', fontSize: '0.8125rem', color: color('stone') }}>{says}</Box>
          <Button onClick={onClose}>Back to the source</Button>
        </Box>
        {head}
      </Box>
      <Box sx={BODY}>{children}</Box>
    </Box>
  );
}
