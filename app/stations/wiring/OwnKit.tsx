/**
 * A viewer script of the author's own becomes a kit: what was read from it fills the form, and the author completes
 * it beside the lines it rests on.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useRef, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { readManifest, type Draft } from '~core/wiring/index.ts';
import { readOwnScript } from '../../data/ownScript';
import { useSite } from '../../ui/site/openSite';
import { useIntent } from '../../ui/site/work';
import { color } from '../../ui/theme';
import { fieldsOf, manifestFrom, OwnKitForm, type OwnFields } from './OwnKitForm';

interface Read {
  draft: Draft;
  texts: Record<string, string>;
}

const pathOf = (file: File & { path?: string }): string =>
  (file.webkitRelativePath || file.path || file.name).replace(/^\.?\//, '');

export function OwnKit({ onClose }: { onClose: () => void }) {
  const { site } = useSite();
  const { session } = site;
  const { intent, busy } = useIntent('seen');
  const picker = useRef<HTMLInputElement>(null);
  const [read, setRead] = useState<Read | null>(null);
  const [fields, setFields] = useState<OwnFields | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);

  const take = async (files: readonly File[]) => {
    if (files.length === 0) return;
    const own = await readOwnScript(files.map((file) => ({ path: pathOf(file), blob: file })));
    if (!own.ok) return setTrouble(own.reason);
    const draft = await session.analysis.draftKit(own.name, own.texts);
    setTrouble(null);
    setRead({ draft, texts: own.texts });
    setFields(fieldsOf(draft.manifest));
  };
  const { getRootProps, isDragActive } = useDropzone({
    onDrop: (files) => void take(files),
    noClick: true,
    noKeyboard: true,
  });
  const checked = fields && readManifest(manifestFrom(fields));
  const keep = () => {
    if (!read || !checked?.ok) return;
    const files = Object.fromEntries(checked.manifest.files.map(({ name }) => [name, read.texts[name] ?? '']));
    intent({ kind: 'keep-kit', manifest: checked.manifest, files });
    onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="lg" aria-labelledby="own-title">
      <DialogTitle id="own-title">A script of your own</DialogTitle>
      <DialogContent sx={{ minHeight: 420 }}>
        {read && fields ? (
          <OwnKitForm draft={read.draft} fields={fields} onChange={setFields} />
        ) : (
          <Box
            {...getRootProps()}
            role="group"
            aria-label="Bring in a script by dropping"
            sx={{
              border: `1px dashed ${isDragActive ? color('heather') : color('edge')}`,
              bgcolor: isDragActive ? color('heatherWash') : 'transparent',
              borderRadius: 1,
              p: 5,
              textAlign: 'center',
              color: color('stone'),
            }}
          >
            <Box sx={{ mb: 1.5 }}>
              Drop the viewer’s folder or ZIP here: its scripts and styles, and a page that shows how it is used, if
              there is one. Nothing of it is run.
            </Box>
            <Button onClick={() => picker.current?.click()}>Choose files…</Button>
            <input
              ref={picker}
              type="file"
              hidden
              multiple
              accept=".js,.css,.html,.htm,.zip"
              aria-label="Files of the script"
              data-pick="script"
              onChange={(event) => void take([...(event.target.files ?? [])])}
            />
          </Box>
        )}
        {trouble !== null && (
          <Box role="alert" sx={{ color: color('rust'), mt: 1.5, fontSize: '0.8125rem' }}>
            {trouble}
          </Box>
        )}
        {read?.draft.unread.map((one) => (
          <Box
            key={one.file}
            role="alert"
            sx={{ color: color('rust'), mt: 1, fontSize: '0.8125rem' }}
          >{`${one.file}, line ${one.line}: ${one.reason}. A browser runs nothing of it.`}</Box>
        ))}
        {checked && !checked.ok && (
          <Box role="alert" sx={{ color: color('rust'), mt: 1, fontSize: '0.8125rem' }}>
            {checked.reason.replace(/^kit\.json, /, '')}
          </Box>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" color="primary" disabled={busy || site.readOnly || !checked?.ok} onClick={keep}>
          Keep as a kit
        </Button>
      </DialogActions>
    </Dialog>
  );
}
