/** The folder on disk beside the site: what differs, file by file, and which way it goes. */
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import { useState } from 'react';
import { differs } from '~core/folder/index.ts';
import { countOf } from '~core/site/index.ts';
import type { FolderOptions, FolderStanding, Interrupted } from '../../../data/folder/standing';
import { Panel } from '../../../ui/parts/small';
import { sayAgo } from '../../../ui/parts/times';
import { useSite } from '../../../ui/site/openSite';
import { useWork } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import { FileRow } from './FileRow';
import { LinkFolder } from './LinkFolder';

const HEAD = { display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: '6px 14px', p: 1.75, pb: 1 };

const TITLE = { m: 0, fontSize: '0.8125rem', fontWeight: 600 };

const SAYS = { flex: '1 1 8rem', color: color('stone'), fontSize: '0.8125rem' };

export function FolderPanel({ standing }: { standing: FolderStanding }) {
  const { session } = useSite().site;
  const { name, linked } = standing;
  return (
    <Panel label={linked ? `Folder ${name}` : `Compared with ${name}`} sx={{ mb: 1.5 }}>
      <Box sx={HEAD}>
        <Box component="h2" sx={TITLE}>
          {linked ? `Folder ${name} on this computer` : `Compared with ${name}`}
        </Box>
        <Box sx={SAYS}>{saidOf(standing)}</Box>
        {linked && <LinkFolder>Other folder…</LinkFolder>}
        <Button onClick={() => void session.folder.unlink()}>{linked ? 'Unlink' : 'Close'}</Button>
      </Box>
      {standing.access !== 'granted' && <Access name={name} denied={standing.access === 'denied'} />}
      {standing.trouble !== null && (
        <Alert
          severity="error"
          sx={{ mx: 1.75, mb: 1 }}
          action={<Button onClick={() => void session.folder.compare()}>Compare again</Button>}
        >
          {standing.trouble}
        </Alert>
      )}
      {standing.interrupted && <WasInterrupted interrupted={standing.interrupted} />}
      {standing.heldBack && (
        <Alert severity="info" sx={{ mx: 1.75, mb: 1 }}>
          Many files would be deleted. That is not done automatically: look at the list, then save or apply it.
        </Alert>
      )}
      {standing.access === 'granted' && <Differing standing={standing} />}
      {linked && <Options standing={standing} />}
    </Panel>
  );
}

function saidOf({ access, compared, files, inStep, linked }: FolderStanding): string {
  if (!linked) return compared ? `${countOf(files.length, 'difference')}` : 'Comparing…';
  if (access !== 'granted') return inStep === null ? '' : `up to date ${sayAgo(inStep, Date.now())}`;
  if (!compared) return 'Comparing…';
  if (files.length === 0) return 'up to date';
  return inStep === null ? 'not up to date yet' : `up to date ${sayAgo(inStep, Date.now())}`;
}

function Access({ name, denied }: { name: string; denied: boolean }) {
  const { session } = useSite().site;
  return (
    <Alert
      severity={denied ? 'error' : 'info'}
      sx={{ mx: 1.75, mb: 1 }}
      action={<Button onClick={() => void session.folder.allow()}>{`Allow access to ${name}`}</Button>}
    >
      {denied
        ? 'The browser does not allow this folder to be read. Allow it, or link the folder again.'
        : 'The browser asks again before this folder is read and written.'}
    </Alert>
  );
}

const MOST_NAMED = 6;

const named = (paths: readonly string[]): string =>
  paths.length > MOST_NAMED
    ? `${paths.slice(0, MOST_NAMED).join(', ')} and ${paths.length - MOST_NAMED} more`
    : paths.join(', ');

/** What the last saving left, where it did not come to its end. */
function WasInterrupted({ interrupted: { began, written, old } }: { interrupted: Interrupted }) {
  const { session } = useSite().site;
  return (
    <Alert
      severity="warning"
      sx={{ mx: 1.75, mb: 1 }}
      action={<Button onClick={() => void session.folder.forgetInterrupted()}>Close</Button>}
    >
      {`The saving begun ${sayAgo(began, Date.now())} did not come to its end. Every file is whole.`}
      <Box>{`New: ${written.length === 0 ? 'none' : named(written)}`}</Box>
      <Box>{`As before: ${old.length === 0 ? 'none' : named(old)}`}</Box>
    </Alert>
  );
}

/** More rows say nothing that the first do not, and are made when they are asked for. */
const SHOWN = 200;

function Differing({ standing: { files, name, linked } }: { standing: FolderStanding }) {
  const { work, busy } = useWork('seen');
  const [all, setAll] = useState(false);
  const there = files.filter((file) => differs(file) === 'there').length;
  const shown = all ? files : files.slice(0, SHOWN);
  if (files.length === 0) return null;
  return (
    <>
      {there > 0 && (
        <Box sx={{ px: 1.75, pb: 1 }}>
          <Button disabled={busy} onClick={() => work({ do: 'folder', way: 'apply', paths: null })}>
            {`Apply ${countOf(there, 'disk change')}`}
          </Button>
        </Box>
      )}
      <Box component="ul" aria-label={`Differences to ${name}`} sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {shown.map((file) => (
          <FileRow key={file.path} file={file} canSave={linked} />
        ))}
      </Box>
      {shown.length < files.length && (
        <Button sx={{ m: 1.75 }} onClick={() => setAll(true)}>{`Show all ${files.length} files`}</Button>
      )}
    </>
  );
}

const SWITCHES: readonly { option: keyof FolderOptions; label: string }[] = [
  { option: 'saves', label: 'Save automatically' },
  { option: 'takesIn', label: 'Apply disk changes automatically' },
  { option: 'withNotes', label: 'Also save heathmoor.json' },
];

const OPTIONS = {
  display: 'flex',
  flexWrap: 'wrap',
  columnGap: 2,
  px: 1.75,
  py: 1,
  borderTop: `1px solid ${color('hair')}`,
};

function Options({ standing }: { standing: FolderStanding }) {
  const { session } = useSite().site;
  return (
    <Box sx={OPTIONS}>
      {SWITCHES.map(({ option, label }) => (
        <FormControlLabel
          key={option}
          label={label}
          control={
            <Switch
              size="small"
              checked={standing[option]}
              onChange={(_event, on) => void session.folder.set({ [option]: on })}
            />
          }
          slotProps={{ typography: { variant: 'body2' } }}
        />
      ))}
    </Box>
  );
}
