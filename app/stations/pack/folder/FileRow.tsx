/** One file that is not the same here and in the folder; opened, what differs. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { differs, lineEdits, type Doing, type FolderFile } from '~core/folder/index.ts';
import { bytesOf, hunksOf, inBytes, type FileContent } from '~core/site/index.ts';
import { DiffView } from '../../../ui/parts/DiffView';
import { Mono, Tag, type Tone } from '../../../ui/parts/small';
import { useWork } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import { Choice } from './Choice';

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

const SAID: Record<Doing, string> = { new: 'new', changed: 'changed', deleted: 'deleted' };

const TONES: Record<'here' | 'there' | 'both', Tone> = { here: 'chosen', there: 'look', both: 'broken' };

interface FileRowProps {
  file: FolderFile;
  /** Whether the folder can be written. */
  canSave: boolean;
}

export function FileRow({ file, canSave }: FileRowProps) {
  const [open, setOpen] = useState(false);
  const side = differs(file);
  const content = file.here ?? file.there;
  const canOpen = side === 'both' || (isText(file.here) && isText(file.there));
  return (
    <Box component="li" sx={LINE}>
      <Box sx={ROW}>
        <Box sx={{ flex: '0 0 76px' }}>
          <Tag tone={TONES[side]}>{side === 'here' ? SAID[file.doneHere ?? 'changed'] : side}</Tag>
        </Box>
        <Box sx={{ flex: '1.4 1 11rem' }}>
          <Mono>{file.path}</Mono>
        </Box>
        <Box sx={WHAT}>{whatWasDone(file)}</Box>
        <Box sx={WAYS}>
          {canOpen && (
            <Button aria-expanded={open} aria-label={`Differences of ${file.path}`} onClick={() => setOpen(!open)}>
              Differences
            </Button>
          )}
          <OneWay file={file} canSave={canSave} />
        </Box>
        <Box sx={SIZE}>{content && inBytes(bytesOf(content))}</Box>
      </Box>
      {open && (side === 'both' ? <Choice key={keyOf(file)} file={file} /> : <Difference file={file} />)}
    </Box>
  );
}

/** This file alone, the way that it can go. */
function OneWay({ file, canSave }: FileRowProps) {
  const { work, busy } = useWork('seen');
  const side = differs(file);
  if (side === 'both' || (side === 'here' && !canSave)) return null;
  const label = side === 'here' ? 'Save' : 'Apply';
  const go = () => work({ do: 'folder', way: side === 'there' ? 'apply' : 'save', paths: [file.path] });
  return (
    <Button disabled={busy} aria-label={`${label} ${file.path}`} onClick={go}>
      {label}
    </Button>
  );
}

const isText = (content: FileContent | null): content is Extract<FileContent, { kind: 'text' }> =>
  content?.kind === 'text';

/** Another text on either side begins the choice anew: its pieces are others. */
const keyOf = ({ here, there }: FolderFile): string => JSON.stringify([here, there]);

function whatWasDone({ doneHere, doneThere, agreed }: FolderFile): string {
  if (doneHere !== null && doneThere !== null) {
    return agreed === null ? 'in both, and not the same' : `here: ${SAID[doneHere]} · on disk: ${SAID[doneThere]}`;
  }
  return doneThere === null ? '' : `${SAID[doneThere]} on disk`;
}

function Difference({ file: { path, here, there, doneHere } }: { file: FolderFile }) {
  const hunks = useMemo(() => {
    if (!isText(here) || !isText(there)) return [];
    const [before, after] = doneHere === null ? [here.text, there.text] : [there.text, here.text];
    return hunksOf(before, lineEdits(before, after));
  }, [here, there, doneHere]);
  return (
    <Box sx={{ px: 1.75, pb: 1 }}>
      <DiffView diffs={[{ path, note: doneHere === null ? 'on disk' : 'here', hunks }]} height={320} />
    </Box>
  );
}
