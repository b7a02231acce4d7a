/** One file that is not the same here and in the folder; opened, what differs. */
import Button from '@mui/material/Button';
import { useState } from 'react';
import { differs, type Doing, type FolderFile } from '~core/folder/index.ts';
import { bytesOf } from '~core/site/index.ts';
import type { Tone } from '../../../ui/parts/small';
import { useWork } from '../../../ui/site/work';
import { Difference, DifferencesButton, isText } from '../Difference';
import { FileLine } from '../FileLine';
import { Choice } from './Choice';

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
  const { path, here, there } = file;
  const content = here ?? there;
  const canOpen = side === 'both' || (isText(here) && isText(there));
  const difference =
    file.doneHere === null ? (
      <Difference path={path} note="on disk" before={here} after={there} />
    ) : (
      <Difference path={path} note="here" before={there} after={here} />
    );
  return (
    <FileLine
      tag={side === 'here' ? SAID[file.doneHere ?? 'changed'] : side}
      tone={TONES[side]}
      path={path}
      what={whatWasDone(file)}
      bytes={content && bytesOf(content)}
      below={open && (side === 'both' ? <Choice key={keyOf(file)} file={file} /> : difference)}
    >
      {canOpen && <DifferencesButton path={path} open={open} onOpen={setOpen} />}
      <OneWay file={file} canSave={canSave} />
    </FileLine>
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

/** Another text on either side begins the choice anew: its pieces are others. */
const keyOf = ({ here, there }: FolderFile): string => JSON.stringify([here, there]);

function whatWasDone({ doneHere, doneThere, agreed }: FolderFile): string {
  if (doneHere !== null && doneThere !== null) {
    return agreed === null ? 'in both, and not the same' : `here: ${SAID[doneHere]} · on disk: ${SAID[doneThere]}`;
  }
  return doneThere === null ? '' : `${SAID[doneThere]} on disk`;
}
