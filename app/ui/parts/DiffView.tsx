/** A change as source lines: what goes and what comes, signed as well as coloured, the words that differ marked. */
import Box from '@mui/material/Box';
import { useMemo } from 'react';
import { changedWords, type Hunk, type Piece } from '~core/site/index.ts';
import type { FileDiff } from '../../data/session/diffs';
import { color, MONO, type Token } from '../theme';

/** A long line goes on under its own beginning, beside the sign. */
const lineStyle = ({ tone, wash }: Record<'tone' | 'wash', Token>) =>
  ({
    color: color(tone),
    bgcolor: color(wash),
    whiteSpace: 'pre-wrap',
    overflowWrap: 'anywhere',
    px: 1,
    pl: 3,
    textIndent: '-2ch',
  }) as const;

const MARK = {
  color: 'inherit',
  bgcolor: 'transparent',
  fontWeight: 700,
  textDecoration: 'underline',
  textDecorationThickness: 2,
  textUnderlineOffset: '0.2em',
};

interface LineProps {
  sign: string;
  pieces: readonly Piece[];
  tone: Token;
  wash: Token;
}

function Line({ sign, pieces, tone, wash }: LineProps) {
  return (
    <Box component="div" sx={lineStyle({ tone, wash })}>
      <Box component="span" sx={{ userSelect: 'none' }}>{`${sign} `}</Box>
      {pieces.map(({ text, changed }, n) =>
        changed ? (
          <Box key={n} component="mark" sx={MARK}>
            {text}
          </Box>
        ) : (
          text
        ),
      )}
    </Box>
  );
}

function HunkShown({ hunk }: { hunk: Hunk }) {
  const { removed, added } = useMemo(() => changedWords(hunk), [hunk]);
  return (
    <Box sx={{ mb: 0.5 }}>
      <Box sx={{ color: color('stone') }}>{`line ${hunk.line}`}</Box>
      {removed.map((pieces, n) => (
        <Line key={`-${n}`} sign="−" pieces={pieces} tone="rust" wash="rustWash" />
      ))}
      {added.map((pieces, n) => (
        <Line key={`+${n}`} sign="+" pieces={pieces} tone="lichen" wash="lichenWash" />
      ))}
    </Box>
  );
}

const viewStyle = (height: number) =>
  ({ fontFamily: MONO, fontSize: '0.75rem', lineHeight: 1.6, maxHeight: height, overflow: 'auto' }) as const;

interface DiffViewProps {
  diffs: readonly FileDiff[];
  /** CSS px. */
  height?: number;
  /** Where several can be on the screen at once, another one for each. */
  label?: string;
}

export function DiffView({ diffs, height = 220, label = 'Difference' }: DiffViewProps) {
  return (
    <Box tabIndex={0} role="region" aria-label={label} sx={viewStyle(height)}>
      {diffs.map((diff) => (
        <Box key={`${diff.path} ${diff.note}`} sx={{ mb: 0.75 }}>
          <Box sx={{ color: color('stone') }}>
            {diff.path}
            {diff.note && ` · ${diff.note}`}
          </Box>
          {diff.hunks.map((hunk, n) => (
            <HunkShown key={n} hunk={hunk} />
          ))}
        </Box>
      ))}
    </Box>
  );
}
