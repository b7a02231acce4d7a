/** For a site that was edited elsewhere and has no folder linked: a copy is picked and compared with what is here. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import type { Result } from '~core/site/index.ts';
import type { IntakeFile } from '../../../data/intake/incoming';
import { unzip } from '../../../data/intake/intake';
import { Panel } from '../../../ui/parts/small';
import { useSite } from '../../../ui/site/openSite';
import { color } from '../../../ui/theme';

const BUTTONS = { display: 'flex', flexWrap: 'wrap', gap: 0.75, mt: 1 };

export function CompareAgain() {
  const { session } = useSite().site;
  const folder = useRef<HTMLInputElement>(null);
  const archive = useRef<HTMLInputElement>(null);
  const [reason, setReason] = useState<string | null>(null);
  const compare = async (input: HTMLInputElement) => {
    const files = [...(input.files ?? [])];
    input.value = '';
    const [first] = files;
    if (!first) return;
    setReason(null);
    const picked = await pickedFiles(files);
    if (picked.ok) await session.folder.compareWith(picked.name, picked.files);
    else setReason(picked.reason);
  };
  return (
    <Panel label="Edited elsewhere" sx={{ p: 1.75, fontSize: '0.8125rem' }}>
      <Box>
        <b>Edited elsewhere?</b> Compare a copy with what is here, and apply what changed there.
      </Box>
      {reason !== null && (
        <Box role="alert" sx={{ color: color('rust'), mt: 0.75 }}>
          {reason}
        </Box>
      )}
      <input
        ref={folder}
        type="file"
        hidden
        multiple
        aria-label="Folder to compare"
        {...{ webkitdirectory: '' }}
        onChange={(event) => void compare(event.target)}
      />
      <input
        ref={archive}
        type="file"
        hidden
        accept=".zip,application/zip"
        aria-label="ZIP to compare"
        onChange={(event) => void compare(event.target)}
      />
      <Box sx={BUTTONS}>
        <Button onClick={() => folder.current?.click()}>Compare a folder…</Button>
        <Button onClick={() => archive.current?.click()}>Compare a ZIP…</Button>
      </Box>
    </Panel>
  );
}

type Picked = Result<{ name: string; files: IntakeFile[] }>;

async function pickedFiles(files: readonly File[]): Promise<Picked> {
  const [first] = files;
  if (files.length === 1 && first && /\.zip$/i.test(first.name)) {
    const opened = await unzip(first);
    return opened.ok ? { ok: true, name: first.name, files: opened.files } : opened;
  }
  const all = files.map((file) => ({ path: file.webkitRelativePath || file.name, blob: file }));
  return { ok: true, name: `${all[0]?.path.split('/')[0] ?? ''}/`, files: all };
}
