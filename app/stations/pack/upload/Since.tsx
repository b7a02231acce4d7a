/** What has changed since the site left before: to be uploaded, and to be deleted on the host. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { SinceFile } from '~core/pack/index.ts';
import { countOf } from '~core/site/index.ts';
import type { Tone } from '../../../ui/parts/small';
import { announce } from '../../../ui/shell/announce';
import { color } from '../../../ui/theme';
import { Difference, DifferencesButton, isText } from '../Difference';
import { FileLine } from '../FileLine';

const NOTE = {
  px: 1.75,
  py: 1,
  fontSize: '0.8125rem',
  display: 'flex',
  flexWrap: 'wrap',
  alignItems: 'center',
  gap: 1,
};

export function Since({ files }: { files: readonly SinceFile[] }) {
  const gone = files.filter(({ doing }) => doing === 'deleted').map(({ path }) => path);
  if (files.length === 0) return <Box sx={NOTE}>Nothing has changed since.</Box>;
  return (
    <>
      <Box component="ul" aria-label="Changed files" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {files.map((file) => (
          <SinceRow key={file.path} file={file} />
        ))}
      </Box>
      {gone.length > 0 && (
        <Box sx={{ ...NOTE, borderTop: `1px solid ${color('hair')}` }}>
          <Box sx={{ flex: '1 1 14rem' }}>
            {`A ZIP deletes nothing: delete ${countOf(gone.length, 'file')} on your host.`}
          </Box>
          <CopyList paths={gone} />
        </Box>
      )}
    </>
  );
}

const TONES: Record<SinceFile['doing'], Tone> = { new: 'chosen', changed: 'chosen', deleted: 'broken' };

function SinceRow({ file: { path, doing, bytes, other, before, now } }: { file: SinceFile }) {
  const [open, setOpen] = useState(false);
  return (
    <FileLine
      tag={doing}
      tone={TONES[doing]}
      path={path}
      what={saidOf(doing, other)}
      bytes={bytes}
      below={open && <Difference path={path} note="" before={before} after={now} />}
    >
      {isText(before) && isText(now) && <DifferencesButton path={path} open={open} onOpen={setOpen} />}
    </FileLine>
  );
}

function saidOf(doing: SinceFile['doing'], other: string | null): string {
  if (other === null) return '';
  return doing === 'new' ? `renamed from ${other}` : `renamed to ${other}`;
}

function CopyList({ paths }: { paths: readonly string[] }) {
  const [copied, setCopied] = useState('');
  const copy = async () => {
    await navigator.clipboard.writeText(paths.join('\n'));
    setCopied(paths.join('\n'));
    announce(`Copied ${countOf(paths.length, 'path')}`);
  };
  return (
    <>
      {copied === paths.join('\n') && <Box sx={{ color: color('lichen') }}>copied</Box>}
      <Button onClick={() => void copy()}>Copy the list of deleted files</Button>
    </>
  );
}
