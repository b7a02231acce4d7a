/** Two texts of one file, line by line. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { lineEdits } from '~core/folder/index.ts';
import { hunksOf, type FileContent } from '~core/site/index.ts';
import { DiffView } from '../../ui/parts/DiffView';

type Text = Extract<FileContent, { kind: 'text' }>;

export const isText = (content: FileContent | null): content is Text => content?.kind === 'text';

interface DifferenceProps {
  path: string;
  note: string;
  before: FileContent | null;
  after: FileContent | null;
}

export function Difference({ path, note, before, after }: DifferenceProps) {
  const hunks = useMemo(() => {
    if (!isText(before) || !isText(after)) return [];
    return hunksOf(before.text, lineEdits(before.text, after.text));
  }, [before, after]);
  return (
    <Box sx={{ px: 1.75, pb: 1 }}>
      <DiffView diffs={[{ path, note, hunks }]} height={320} label={`Difference of ${path}`} />
    </Box>
  );
}

interface DifferencesButtonProps {
  path: string;
  open: boolean;
  onOpen: (open: boolean) => void;
}

export const DifferencesButton = ({ path, open, onOpen }: DifferencesButtonProps) => (
  <Button aria-expanded={open} aria-label={`Differences of ${path}`} onClick={() => onOpen(!open)}>
    Differences
  </Button>
);
