/** Where a folder or a ZIP comes in: dropped or picked, with progress, and with the reason where it cannot. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { useCallback, useRef, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { useNavigate, useRevalidator } from 'react-router';
import type { IntakeProgress, IntakeResult } from '../../data/intake/importSite';
import { canLink, chooseFolder } from '../../data/folder/access';
import { importLinked } from '../../data/folder/importLinked';
import { importFiles, importZip } from '../../data/intake/intake';
import { saveRemarks } from '../../data/intake/importRemarks';
import { color } from '../../ui/theme';

type Refused = Extract<IntakeResult, { ok: false }>;

/** The path inside the folder that was picked or dropped. */
function pathOf(file: File & { path?: string; relativePath?: string }): string {
  const path = file.webkitRelativePath || file.relativePath || file.path || file.name;
  return path.replace(/^\.?\//, '');
}

type ImportOptions = Parameters<typeof importFiles>[1];

export function useImport() {
  const navigate = useNavigate();
  const { revalidate } = useRevalidator();
  const [progress, setProgress] = useState<IntakeProgress | null>(null);
  const [refused, setRefused] = useState<Refused | null>(null);
  const stop = useRef<AbortController | null>(null);
  const bringIn = useCallback(
    async (work: (options: ImportOptions) => Promise<IntakeResult>) => {
      const control = new AbortController();
      stop.current = control;
      setRefused(null);
      setProgress({ says: 'Reading the files', share: null });
      const result = await work({ onProgress: setProgress, signal: control.signal });
      setProgress(null);
      if (!result.ok) {
        setRefused(result);
        return;
      }
      saveRemarks(result.site.id, result.notes);
      await revalidate();
      void navigate(`/site/${result.site.id}/pairs`);
    },
    [navigate, revalidate],
  );
  const run = useCallback(
    async (files: readonly File[]) => {
      const [only] = files;
      if (!only) return;
      await bringIn((options) =>
        files.length === 1 && /\.zip$/i.test(only.name)
          ? importZip(only, only.name, options)
          : importFiles(
              files.map((file) => ({ path: pathOf(file), blob: file })),
              options,
            ),
      );
    },
    [bringIn],
  );
  /** A folder that the site is kept in step with from then on. */
  const link = useCallback(async () => {
    try {
      const handle = await chooseFolder();
      if (handle) await bringIn((options) => importLinked(handle, options));
    } catch (error) {
      setRefused({ ok: false, reason: `The folder could not be linked: ${String(error)}.`, refused: [] });
    }
  }, [bringIn]);
  return { run, link, progress, refused, stop: () => stop.current?.abort(), forget: () => setRefused(null) };
}

const targetStyle = (isDragActive: boolean) =>
  ({
    border: `1px dashed ${isDragActive ? color('heather') : color('edge')}`,
    bgcolor: isDragActive ? color('heatherWash') : 'transparent',
    borderRadius: 1,
    minHeight: 106,
    display: 'grid',
    placeItems: 'center',
    p: 2,
    textAlign: 'center',
    color: color('stone'),
  }) as const;

const SAYS = { mb: 1, overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' } as const;

export function DropPlace({ importing }: { importing: ReturnType<typeof useImport> }) {
  const { getRootProps, isDragActive } = useDropzone({
    onDrop: (files) => void importing.run(files),
    noClick: true,
    noKeyboard: true,
  });
  const { progress, refused } = importing;
  return (
    <Box {...getRootProps()} role="group" aria-label="Import by dropping" sx={targetStyle(isDragActive)}>
      {progress && (
        <Box role="status" sx={{ width: 420 }}>
          <Box sx={SAYS}>{progress.says}</Box>
          <LinearProgress
            aria-label={progress.says}
            {...(progress.share === null ? {} : { variant: 'determinate' as const, value: progress.share * 100 })}
          />
          <Button onClick={importing.stop} sx={{ mt: 1.5 }}>
            Stop
          </Button>
        </Box>
      )}
      {!progress && refused && (
        <Box role="alert" sx={{ color: color('rust'), textAlign: 'left', width: '100%' }}>
          <b>{refused.reason}</b>
          <Box component="ul" sx={{ my: 1, pl: 2.5 }}>
            {refused.refused.slice(0, 8).map((one) => (
              <li key={one.path}>{`${one.path}: ${one.reason}`}</li>
            ))}
          </Box>
          {refused.refused.length > 8 && <Box>{`and ${refused.refused.length - 8} more`}</Box>}
          <Button onClick={importing.forget}>Close</Button>
        </Box>
      )}
      {!progress && !refused && (
        <Box>
          Drop a folder or a ZIP here: a site you have begun, or just the pictures.
          <br />
          It stays on this computer, in this browser.
        </Box>
      )}
    </Box>
  );
}

/** Buttons over hidden inputs, for a folder and for an archive. */
export function PickButtons({ importing }: { importing: ReturnType<typeof useImport> }) {
  const folder = useRef<HTMLInputElement>(null);
  const archive = useRef<HTMLInputElement>(null);
  const picked = (input: HTMLInputElement) => {
    void importing.run([...(input.files ?? [])]);
    input.value = '';
  };
  const busy = importing.progress !== null;
  return (
    <>
      <input
        ref={folder}
        type="file"
        hidden
        multiple
        aria-label="Folder to import"
        data-pick="folder"
        {...{ webkitdirectory: '' }}
        onChange={(event) => picked(event.target)}
      />
      <input
        ref={archive}
        type="file"
        hidden
        accept=".zip,application/zip"
        aria-label="ZIP to import"
        data-pick="archive"
        onChange={(event) => picked(event.target)}
      />
      {canLink() && (
        <Button disabled={busy} onClick={() => void importing.link()}>
          Link a folder…
        </Button>
      )}
      <Button disabled={busy} onClick={() => archive.current?.click()}>
        Import a ZIP
      </Button>
      <Button disabled={busy} variant="contained" color="primary" onClick={() => folder.current?.click()}>
        Import a folder
      </Button>
    </>
  );
}
