/** A change as source lines: what goes and what comes, signed as well as coloured. */
import Box from '@mui/material/Box';
import type { FileDiff } from '../../data/session/diffs';
import { color, MONO, type Token } from '../theme';

const lineStyle = ({ tone, wash }: Record<'tone' | 'wash', Token>) =>
  ({ color: color(tone), bgcolor: color(wash), whiteSpace: 'pre', px: 1, minWidth: 'fit-content' }) as const;

function Line({ sign, text, tone, wash }: { sign: string; text: string; tone: Token; wash: Token }) {
  return (
    <Box component="div" sx={lineStyle({ tone, wash })}>
      <Box component="span" sx={{ userSelect: 'none' }}>{`${sign} `}</Box>
      {text || ' '}
    </Box>
  );
}

const viewStyle = (height: number) =>
  ({ fontFamily: MONO, fontSize: '0.75rem', lineHeight: 1.6, maxHeight: height, overflow: 'auto' }) as const;

export function DiffView({ diffs, height = 220 }: { diffs: readonly FileDiff[]; height?: number }) {
  return (
    <Box tabIndex={0} role="region" aria-label="Difference" sx={viewStyle(height)}>
      {diffs.map((diff) => (
        <Box key={`${diff.path} ${diff.note}`} sx={{ mb: 0.75 }}>
          <Box sx={{ color: color('stone') }}>
            {diff.path}
            {diff.note && ` · ${diff.note}`}
          </Box>
          {diff.hunks.map((hunk, n) => (
            <Box key={n} sx={{ mb: 0.5 }}>
              <Box sx={{ color: color('stone') }}>{`line ${hunk.line}`}</Box>
              {hunk.removed.map((text, i) => (
                <Line key={`-${i}`} sign="−" text={text} tone="rust" wash="rustWash" />
              ))}
              {hunk.added.map((text, i) => (
                <Line key={`+${i}`} sign="+" text={text} tone="lichen" wash="lichenWash" />
              ))}
            </Box>
          ))}
        </Box>
      ))}
    </Box>
  );
}
