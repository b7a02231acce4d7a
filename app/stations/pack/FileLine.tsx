/** One file with what has become of it, what can be done with it and its size; what opens below it stands in `below`. */
import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { inBytes } from '~core/site/index.ts';
import { Mono, Tag, type Tone } from '../../ui/parts/small';
import { color } from '../../ui/theme';

/** What finds no room beside the name goes below it. */
const ROW = {
  display: 'flex',
  flexWrap: 'wrap',
  gap: '2px 12px',
  alignItems: 'center',
  minHeight: 34,
  px: 1.75,
  py: 0.25,
};

const WHAT = { flex: '1 1 9rem', color: color('stone'), fontSize: '0.8125rem' };

const WAYS = { display: 'flex', gap: 0.75, justifyContent: 'flex-end', flex: '0 0 176px' };

const SIZE = { flex: '0 0 72px', textAlign: 'right', fontSize: '0.8125rem' };

const LINE = { borderTop: `1px solid ${color('hair')}` };

interface FileLineProps {
  tag: string;
  tone: Tone;
  path: string;
  what: string;
  /** Null where there is no size to tell. */
  bytes: number | null;
  /** Buttons. */
  children?: ReactNode;
  below?: ReactNode;
}

export function FileLine({ tag, tone, path, what, bytes, children, below }: FileLineProps) {
  return (
    <Box component="li" sx={LINE}>
      <Box sx={ROW}>
        <Box sx={{ flex: '0 0 76px' }}>
          <Tag tone={tone}>{tag}</Tag>
        </Box>
        <Box sx={{ flex: '1.4 1 11rem' }}>
          <Mono>{path}</Mono>
        </Box>
        <Box sx={WHAT}>{what}</Box>
        <Box sx={WAYS}>{children}</Box>
        <Box sx={SIZE}>{bytes !== null && inBytes(bytes)}</Box>
      </Box>
      {below}
    </Box>
  );
}
