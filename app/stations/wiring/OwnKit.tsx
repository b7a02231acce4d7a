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
import { useEffect, useRef, useState } from 'react';
import { useDropzone } from 'react-dropzone';
import { readManifest, type Draft } from '~core/wiring/index.ts';
import { readOwnScript } from '../../data/ownScript';
import { bringAlong, filesAlong, type AlongFile } from '../../data/filesAlong';
import { Form, useCheckedForm } from '../../ui/parts/form';
import { Mono } from '../../ui/parts/small';
import { useSite } from '../../ui/site/openSite';
import { useIntent } from '../../ui/site/work';
import { color } from '../../ui/theme';
import { fieldsOf, manifestFrom, OwnFieldsChecked, type OwnFields } from './ownFields';
import { OwnKitForm } from './OwnKitForm';

interface Read {
  draft: Draft;
  texts: Record<string, string>;
  along: readonly AlongFile[];
}

const FORM = 'own-kit';

const pathOf = (file: File & { path?: string }): string =>
  (file.webkitRelativePath || file.path || file.name).replace(/^\.?\//, '');

const targetStyle = (isDragActive: boolean) =>
  ({
    border: `1px dashed ${isDragActive ? color('heather') : color('edge')}`,
    bgcolor: isDragActive ? color('heatherWash') : 'transparent',
    borderRadius: 1,
    p: 5,
    textAlign: 'center',
    color: color('stone'),
  }) as const;

export function OwnKit({ onClose }: { onClose: () => void }) {
  const { site } = useSite();
  const { session } = site;
  const { intent, busy } = useIntent('seen');
  const picker = useRef<HTMLInputElement>(null);
  const [read, setRead] = useState<Read | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);

  const take = async (files: readonly File[]) => {
    if (files.length === 0) return;
    const own = await readOwnScript(files.map((file) => ({ path: pathOf(file), blob: file })));
    if (!own.ok) return setTrouble(own.reason);
    const draft = await session.analysis.draftKit(own.name, own.texts);
    const along = await filesAlong(session, own);
    setTrouble(null);
    setRead({ draft, texts: own.texts, along });
  };
  const { getRootProps, isDragActive } = useDropzone({
    onDrop: (files) => void take(files),
    noClick: true,
    noKeyboard: true,
  });
  const keep = (fields: OwnFields) => {
    const checked = readManifest(manifestFrom(fields));
    if (!read || !checked.ok) return;
    const files = Object.fromEntries(checked.manifest.files.map(({ name }) => [name, read.texts[name] ?? '']));
    const wish = { kind: 'save-kit' as const, manifest: checked.manifest, files };
    if (read.along.length === 0) intent(wish);
    else bringAlong(session, read.along, (brought) => ({ ...wish, brought }));
    onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="lg" aria-labelledby="own-title">
      <DialogTitle id="own-title">A script of your own</DialogTitle>
      <DialogContent sx={{ minHeight: 420 }}>
        {read ? (
          <>
            <OwnForm draft={read.draft} onKeep={keep} />
            <Along files={read.along} />
          </>
        ) : (
          <Box {...getRootProps()} role="group" aria-label="Import a script by dropping" sx={targetStyle(isDragActive)}>
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
              accept=".js,.mjs,.css,.html,.htm,.md,.markdown,.zip,image/*,.woff,.woff2,.ttf"
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
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          type="submit"
          form={FORM}
          variant="contained"
          color="primary"
          disabled={busy || site.readOnly || read === null}
        >
          Save as a viewer
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** What comes along though nobody has to say anything of it. */
function Along({ files }: { files: readonly AlongFile[] }) {
  if (files.length === 0) return null;
  return (
    <Box sx={{ mt: 1.5, fontSize: '0.8125rem', color: color('stone') }}>
      {'Its stylesheet refers to these files, which are added as well: '}
      <Mono>{files.map(({ address }) => address).join(', ')}</Mono>
    </Box>
  );
}

function OwnForm({ draft, onKeep }: { draft: Draft; onKeep: (fields: OwnFields) => void }) {
  const form = useCheckedForm(OwnFieldsChecked, fieldsOf(draft.manifest));
  const { trigger } = form;
  // What the script does not tell is said at once, so that it need not be looked for.
  useEffect(() => void trigger(), [trigger]);
  const whole = form.formState.errors.base?.message;
  return (
    <Form id={FORM} form={form} onSend={onKeep}>
      <OwnKitForm draft={draft} />
      {typeof whole === 'string' && (
        <Box role="alert" sx={{ color: color('rust'), mt: 1, fontSize: '0.8125rem' }}>
          {whole}
        </Box>
      )}
    </Form>
  );
}
