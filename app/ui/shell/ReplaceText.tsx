/** A text found and replaced in all text files, with the differences before it is done. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import { useEffect, useState } from 'react';
import { type Intent } from '~core/plans/index.ts';
import { countOf } from '~core/site/index.ts';
import { ChooseAll, useChoosing } from '../parts/choosing';
import { DialogFoot } from '../parts/DialogFoot';
import { changesOf, PlanShown, usePlan } from '../parts/PlanShown';
import { Mono } from '../parts/small';
import { useSite } from '../site/openSite';
import { useIntent } from '../site/work';
import { color } from '../theme';

type Wish = Extract<Intent, { kind: 'replace-text' }>;
type Sought = Pick<Wish, 'find' | 'matchCase' | 'wholeWords'>;
type Found = readonly { path: string; count: number }[];

/** After this long without another letter it is looked for; ms. */
const PAUSE = 200;

/** Null while it is looked for, or where nothing is. */
function useFound({ find, matchCase, wholeWords }: Sought): Found | null {
  const { session, view } = useSite().site;
  const [found, setFound] = useState<{ key: string; files: Found } | null>(null);
  const key = JSON.stringify([find, matchCase, wholeWords]);
  useEffect(() => {
    if (find === '') return undefined;
    let current = true;
    const look = () =>
      void session.analysis
        .textFound({ find, matchCase, wholeWords })
        .then((files) => current && setFound({ key, files }));
    const timer = setTimeout(look, PAUSE);
    return () => {
      current = false;
      clearTimeout(timer);
    };
    // Another view is another site to look through.
  }, [session, key, find, matchCase, wholeWords, view]);
  return found?.key === key ? found.files : null;
}

const FIELDS = { display: 'grid', gridTemplateColumns: '1fr 1fr', columnGap: 2, rowGap: 1, pt: 1 };

const FILES = { m: 0, p: 0, mb: 1, listStyle: 'none', maxHeight: 150, overflow: 'auto' } as const;

const FILE = { display: 'flex', alignItems: 'center', fontSize: '0.8125rem', gap: 0.5 } as const;

const OPTIONS: readonly { name: 'matchCase' | 'wholeWords'; label: string }[] = [
  { name: 'matchCase', label: 'Match case' },
  { name: 'wholeWords', label: 'Whole words only' },
];

const BEGINNING: Sought = { find: '', matchCase: true, wholeWords: false };

export function ReplaceText({ onClose }: { onClose: () => void }) {
  const { site } = useSite();
  const { intent, busy } = useIntent('seen');
  const [sought, setSought] = useState(BEGINNING);
  const [replace, setReplace] = useState('');
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const found = useFound(sought);
  const ids = (found ?? []).map(({ path }) => path);
  const paths = ids.filter((path) => !left.has(path));
  const wish: Wish | null = paths.length > 0 ? { kind: 'replace-text', ...sought, replace, paths } : null;
  const plan = usePlan(wish);
  const count = (found ?? []).reduce((sum, file) => sum + (left.has(file.path) ? 0 : file.count), 0);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="replace-text-title">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (wish && plan?.ok) intent(wish);
        }}
      >
        <DialogTitle id="replace-text-title">Find and replace</DialogTitle>
        <DialogContent>
          <Box sx={FIELDS}>
            <TextField
              label="Find"
              value={sought.find}
              multiline
              maxRows={4}
              autoFocus
              onChange={({ target }) => setSought({ ...sought, find: target.value })}
            />
            <TextField
              label="Replace with"
              value={replace}
              multiline
              maxRows={4}
              onChange={({ target }) => setReplace(target.value)}
            />
            <Box>
              {OPTIONS.map(({ name, label }) => (
                <FormControlLabel
                  key={name}
                  control={
                    <Checkbox
                      size="small"
                      checked={sought[name]}
                      onChange={(_event, on) => setSought({ ...sought, [name]: on })}
                    />
                  }
                  label={label}
                  slotProps={{ typography: { variant: 'body2' } }}
                />
              ))}
            </Box>
            <Box sx={{ textAlign: 'right' }}>
              <Button
                type="submit"
                variant="contained"
                color="primary"
                disabled={busy || site.readOnly || changesOf(plan) === 0}
              >
                {`Replace in ${countOf(count, 'place')}`}
              </Button>
            </Box>
          </Box>
          <FoundFiles found={found} sought={sought} left={left} onLeave={setLeft} />
          <PlanShown plan={plan} wished={wish !== null} height={300} />
        </DialogContent>
      </form>
      <DialogFoot onClose={onClose} />
    </Dialog>
  );
}

interface FoundFilesProps {
  found: Found | null;
  sought: Sought;
  /** Files in which nothing is replaced. */
  left: ReadonlySet<string>;
  onLeave: (left: ReadonlySet<string>) => void;
}

/** Files to choose from; all of them are at first. */
function FoundFiles({ found, sought: { find }, left, onLeave }: FoundFilesProps) {
  const ids = (found ?? []).map(({ path }) => path);
  const choosing = {
    chosen: new Set(ids.filter((path) => !left.has(path))),
    onChoose: (chosen: ReadonlySet<string>) => onLeave(new Set(ids.filter((path) => !chosen.has(path)))),
  };
  const boxOf = useChoosing(ids, choosing);
  if (find === '') return null;
  if (found === null || found.length === 0)
    return (
      <Box role="status" sx={{ color: color('stone'), fontSize: '0.8125rem', mb: 1 }}>
        {found === null ? 'Searching…' : `“${find}” is in no text file.`}
      </Box>
    );
  return (
    <>
      {found.length > 1 && <ChooseAll ids={ids} {...choosing} />}
      <Box component="ul" aria-label="Files with this text" sx={FILES}>
        {found.map(({ path, count }) => (
          <Box component="li" key={path}>
            <Box component="label" sx={FILE}>
              <Checkbox {...boxOf(path)} />
              <Mono>{path}</Mono>
              <Box sx={{ color: color('stone') }}>{countOf(count, 'place')}</Box>
            </Box>
          </Box>
        ))}
      </Box>
    </>
  );
}
