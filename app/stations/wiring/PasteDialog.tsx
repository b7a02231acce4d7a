/** Lines from a viewer's manual: what each of them is, and where it would stand, before anything is written. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useEffect, useRef, useState } from 'react';
import type { Intent } from '~core/plans/index.ts';
import { linesInManual, type PastedPiece } from '~core/wiring/index.ts';
import { bringAlong, filesAlong, type AlongFile } from '../../data/filesAlong';
import { readOwnScript } from '../../data/ownScript';
import { Mono } from '../../ui/parts/small';
import { changesOf, PlanShown, usePlan } from '../../ui/parts/PlanShown';
import { useSite } from '../../ui/site/openSite';
import { useIntent } from '../../ui/site/work';
import { color, MONO } from '../../ui/theme';
import type { PastedView } from '../../workers/analysis';

const COLUMNS = {
  display: 'grid',
  gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) minmax(0, 1.15fr)' },
  gap: 2.5,
  minHeight: 520,
  alignItems: 'start',
} as const;

/** After this long without another key the lines are read; ms. */
const PAUSE = 200;

/** Only what comes into a site: a manual is for its reader. */
const filesFor = (texts: Readonly<Record<string, string>>): Record<string, string> =>
  Object.fromEntries(Object.entries(texts).filter(([name]) => /\.(?:m?js|css)$/i.test(name)));

const NONE: Readonly<Record<string, string>> = {};

function usePasted(page: string, text: string, files: Record<string, string>): PastedView | null {
  const { session, view } = useSite().site;
  const [pasted, setPasted] = useState<PastedView | null>(null);
  useEffect(() => {
    let current = true;
    const timer = setTimeout(
      () => void session.analysis.pasted(page, text, files).then((read) => current && setPasted(read)),
      PAUSE,
    );
    return () => {
      current = false;
      clearTimeout(timer);
    };
  }, [session, view, page, text, files]);
  return text.trim() === '' ? null : pasted;
}

export function PasteDialog({ page, onClose }: { page: string; onClose: () => void }) {
  const { site } = useSite();
  const { intent, busy } = useIntent('seen');
  const [text, setText] = useState('');
  const [files, setFiles] = useState<Record<string, string>>(NONE);
  const [along, setAlong] = useState<readonly AlongFile[]>([]);
  const [trouble, setTrouble] = useState<string | null>(null);
  const empty = text.trim() === '';
  const wish: Extract<Intent, { kind: 'paste-lines' }> | null = empty
    ? null
    : { kind: 'paste-lines', page, text, files };
  const plan = usePlan(wish);
  const pasted = usePasted(page, text, files);
  const take = async (picked: readonly File[]) => {
    if (picked.length === 0) return;
    const read = await readOwnScript(
      picked.map((file) => ({ path: (file.webkitRelativePath || file.name).replace(/^\.?\//, ''), blob: file })),
    );
    setTrouble(read.ok ? null : read.reason);
    if (!read.ok) return;
    setFiles(filesFor(read.texts));
    setAlong(await filesAlong(site.session, read));
    const lines = linesInManual(read.texts);
    if (empty && lines !== '') setText(lines);
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xl" aria-labelledby="paste-title">
      <DialogTitle id="paste-title">{`Paste lines from a manual into ${page}`}</DialogTitle>
      <DialogContent sx={COLUMNS}>
        <Box sx={{ minWidth: 0 }}>
          <TextField
            label="Lines"
            multiline
            minRows={14}
            maxRows={18}
            fullWidth
            value={text}
            onChange={({ target }) => setText(target.value)}
            helperText="Script and link tags, an example link, an attribute, a start call, CSS: any of them, in any order."
            sx={{ mt: 1 }}
            slotProps={{
              htmlInput: { spellCheck: false, style: { fontFamily: MONO, fontSize: '0.75rem', lineHeight: 1.6 } },
            }}
          />
          <Files
            names={[...Object.keys(files), ...along.map(({ address }) => address)]}
            onTake={(picked) => void take(picked)}
          />
          {trouble !== null && (
            <Box role="alert" sx={{ color: color('rust'), mt: 1, fontSize: '0.8125rem' }}>
              {trouble}
            </Box>
          )}
        </Box>
        <Box sx={{ minWidth: 0 }}>
          {pasted && <Pieces {...pasted} />}
          <PlanShown plan={plan} wished={!empty} height={260} />
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button
          variant="contained"
          color="primary"
          disabled={busy || site.readOnly || changesOf(plan) === 0}
          onClick={() => {
            if (wish && along.length > 0) bringAlong(site.session, along, (brought) => ({ ...wish, brought }));
            else if (wish) intent(wish);
            onClose();
          }}
        >
          Apply
        </Button>
      </DialogActions>
    </Dialog>
  );
}

function Files({ names, onTake }: { names: readonly string[]; onTake: (files: readonly File[]) => void }) {
  const picker = useRef<HTMLInputElement>(null);
  return (
    <Box sx={{ mt: 1.5, fontSize: '0.8125rem', color: color('stone') }}>
      <Button variant="outlined" color="inherit" onClick={() => picker.current?.click()}>
        Add the script’s files…
      </Button>
      <Box sx={{ mt: 0.75 }}>
        {names.length === 0 ? (
          'Not needed where the files are in the site already. A folder’s files or a ZIP; nothing of it is run.'
        ) : (
          <Mono>{names.join(', ')}</Mono>
        )}
      </Box>
      <input
        ref={picker}
        type="file"
        hidden
        multiple
        accept=".js,.mjs,.css,.html,.htm,.md,.markdown,.zip,image/*,.woff,.woff2,.ttf"
        aria-label="Files of the script"
        data-pick="script"
        onChange={(event) => onTake([...(event.target.files ?? [])])}
      />
    </Box>
  );
}

const KINDS: Record<PastedPiece['kind'], string> = {
  script: 'Script',
  style: 'Stylesheet',
  start: 'Start call',
  map: 'Import map',
  rules: 'CSS',
  example: 'Example link',
  attribute: 'Attribute',
  markup: 'Markup',
  words: 'Text',
};

const TABLE = { width: '100%', borderSpacing: '0 4px', fontSize: '0.8125rem', '& td': { pr: 1.5 } } as const;

/** More than these are scrolled to; CSS px. */
const LIST_HEIGHT = 240;

function toneOf(kind: PastedPiece['kind'], placed: boolean): 'peat' | 'stone' | 'gorse' {
  if (kind === 'words') return 'stone';
  return placed ? 'peat' : 'gorse';
}

function Pieces({ pieces, mended, added }: PastedView) {
  return (
    <Box sx={{ mb: 1.5 }}>
      <Box
        sx={{ maxHeight: LIST_HEIGHT, overflowY: 'auto' }}
        tabIndex={0}
        role="region"
        aria-label="What the lines are"
      >
        <Box component="table" sx={TABLE}>
          <tbody>
            {pieces.map(({ kind, line, says, placed }) => (
              <Box component="tr" key={`${line} ${kind} ${says}`} sx={{ verticalAlign: 'top' }}>
                <Box component="td" sx={{ color: color('stone'), whiteSpace: 'nowrap' }}>{`Line ${line}`}</Box>
                <Box component="td" sx={{ fontWeight: 600, whiteSpace: 'nowrap' }}>
                  {KINDS[kind]}
                </Box>
                <Box component="td" sx={{ width: '100%', color: color(toneOf(kind, placed)) }}>
                  {says}
                </Box>
              </Box>
            ))}
          </tbody>
        </Box>
      </Box>
      {added.length > 0 && (
        <Box sx={{ mt: 1, fontSize: '0.8125rem' }}>{`Not in these lines, but needed: ${added.join('; ')}.`}</Box>
      )}
      {mended.length > 0 && (
        <Box sx={{ mt: 1, fontSize: '0.8125rem', color: color('stone') }}>{`Left out: ${mended.join(', ')}.`}</Box>
      )}
    </Box>
  );
}
