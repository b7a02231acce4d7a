/** Where a link leads, by choosing: the address is worked out from the page and never typed. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { Range } from '~core/markup/index.ts';
import type { Intent, LinkTarget } from '~core/plans/index.ts';
import { isPagePath, isPicturePath, keysOf, oneOf } from '~core/site/index.ts';
import { FilePick } from '../../../ui/parts/FilePick';
import { changesOf, PlanShown, usePlan } from '../../../ui/parts/PlanShown';
import { useSite } from '../../../ui/site/openSite';
import { useIntent } from '../../../ui/site/work';

const KINDS = {
  page: 'a page',
  picture: 'a picture',
  other: 'another file',
  address: 'a web address (URL)',
  mail: 'a mail address',
  phone: 'a telephone number',
} as const;
type Kind = keyof typeof KINDS;

const FIELDS: Readonly<Partial<Record<Kind, { label: string; says: string }>>> = {
  address: { label: 'Address', says: 'With its scheme, as in https://kites.example/' },
  mail: { label: 'Mail address', says: 'Opens the visitor’s mail program.' },
  phone: { label: 'Telephone number', says: 'With + and the country’s number it works from everywhere.' },
};

const FILE_LABELS: Readonly<Record<string, string>> = { page: 'Page', picture: 'Picture' };

interface Props {
  page: string;
  /** The cursor's place in a link, or the words that become one. */
  at: Range;
  onClose: () => void;
}

export function LinkDialog({ page, at, onClose }: Props) {
  const { site } = useSite();
  const { intent } = useIntent('seen');
  const { view } = site;
  const [kind, setKind] = useState<Kind>('page');
  const [file, setFile] = useState<string | null>(null);
  const [anchor, setAnchor] = useState('');
  const [words, setWords] = useState('');
  const paths = view.files.map(({ path }) => path);
  const offered: Readonly<Partial<Record<Kind, string[]>>> = {
    page: view.pages.map(({ path }) => path),
    picture: paths.filter(isPicturePath),
    other: paths.filter((path) => !isPicturePath(path) && !isPagePath(path)),
  };
  const anchors = kind === 'page' ? (view.pages.find(({ path }) => path === file)?.anchors ?? []) : [];
  const target = targetOf(kind, file, anchors.includes(anchor) ? anchor : '', words.trim());
  const wish: Intent | null = target && { kind: 'link-to', page, at, target };
  const plan = usePlan(wish);
  const typed = FIELDS[kind];
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="link-title">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (wish && changesOf(plan) > 0) {
            intent(wish);
            onClose();
          }
        }}
      >
        <DialogTitle id="link-title">Where the link leads</DialogTitle>
        <DialogContent sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 1.75 }}>
          <TextField
            select
            label="To"
            value={kind}
            onChange={({ target: { value } }) => {
              setKind(oneOf(keysOf(KINDS), value));
              setFile(null);
            }}
            sx={{ mt: 1 }}
          >
            {Object.entries(KINDS).map(([value, says]) => (
              <MenuItem key={value} value={value}>
                {says}
              </MenuItem>
            ))}
          </TextField>
          {typed ? (
            <TextField
              label={typed.label}
              helperText={typed.says}
              value={words}
              onChange={({ target: { value } }) => setWords(value)}
            />
          ) : (
            <Box sx={{ display: 'grid', gridTemplateColumns: anchors.length > 0 ? '1fr 200px' : '1fr', gap: 1 }}>
              <FilePick
                key={kind}
                label={FILE_LABELS[kind] ?? 'File'}
                paths={offered[kind] ?? []}
                value={file}
                onPick={setFile}
              />
              {anchors.length > 0 && (
                <TextField
                  select
                  label="Place on the page"
                  value={anchors.includes(anchor) ? anchor : ''}
                  onChange={({ target: { value } }) => setAnchor(value)}
                  slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
                >
                  <MenuItem value="">its top</MenuItem>
                  {anchors.map((id) => (
                    <MenuItem key={id} value={id}>
                      {id}
                    </MenuItem>
                  ))}
                </TextField>
              )}
            </Box>
          )}
          <PlanShown plan={plan} wished={wish !== null} same="The link leads there already." height={120} />
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" color="primary" disabled={changesOf(plan) === 0 || site.readOnly}>
            Link
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}

function targetOf(kind: Kind, file: string | null, anchor: string, words: string): LinkTarget | null {
  switch (kind) {
    case 'address':
      return words === '' ? null : { to: 'address', url: words };
    case 'mail':
      return words === '' ? null : { to: 'mail', address: words };
    case 'phone':
      return words === '' ? null : { to: 'phone', number: words };
    default:
      return file === null ? null : { to: 'file', path: file, ...(anchor === '' ? {} : { anchor }) };
  }
}
