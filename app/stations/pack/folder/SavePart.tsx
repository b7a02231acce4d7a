/** One page with all that it needs, saved into a folder of a larger site that exists. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useEffect, useState } from 'react';
import type { PartFile } from '~core/pack/index.ts';
import { countOf } from '~core/site/index.ts';
import { canLink, chooseFolder } from '../../../data/folder/access';
import { openLarger, preparePart, savePart, type LargerSite, type PreparedPart } from '../../../data/folder/largerSite';
import { Mono, Tag, type Tone } from '../../../ui/parts/small';
import { useChosenPage, useSite } from '../../../ui/site/openSite';
import { color } from '../../../ui/theme';

/** Nothing where the browser cannot write into a folder, or there is no page. */
export function SavePart() {
  const { view } = useSite().site;
  const [open, setOpen] = useState(false);
  if (!canLink() || view.pages.length === 0) return null;
  return (
    <>
      <Button onClick={() => setOpen(true)}>Save one page…</Button>
      {open && <PartDialog onClose={() => setOpen(false)} />}
    </>
  );
}

const FIELDS = {
  display: 'grid',
  gridTemplateColumns: 'repeat(auto-fit, minmax(min(100%, 13rem), 1fr))',
  gap: 1.5,
  pt: 1,
};

function PartDialog({ onClose }: { onClose: () => void }) {
  const { site } = useSite();
  const { session, view } = site;
  const chosen = useChosenPage();
  const [page, setPage] = useState(chosen?.path ?? view.pages[0]?.path ?? '');
  const [target, setTarget] = useState('gallery/');
  const [larger, setLarger] = useState<LargerSite | null>(null);
  const [replaces, setReplaces] = useState<readonly string[]>([]);
  const [reason, setReason] = useState<string | null>(null);
  const { part, refused } = usePart(larger, page, target, replaces);
  const saved = part?.files.filter(({ stands }) => stands !== 'there') ?? [];
  const choose = async () => {
    try {
      const root = await chooseFolder();
      const opened = root && (await openLarger(root));
      if (opened?.ok) setLarger(opened.larger);
      setReason(opened && !opened.ok ? opened.reason : null);
    } catch (error) {
      setReason(`The folder could not be opened: ${String(error)}.`);
    }
  };
  const save = async () => {
    if (!part) return;
    const outcome = await savePart(session, part);
    session.tellOutcome(outcome);
    if (outcome.ok) onClose();
    else setReason(outcome.reason);
  };
  const trouble = reason ?? refused;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="part-title">
      <DialogTitle id="part-title">Save one page into a larger site</DialogTitle>
      <DialogContent>
        <Box sx={FIELDS}>
          <TextField select label="Page" value={page} onChange={({ target: { value } }) => setPage(value)}>
            {view.pages.map(({ path }) => (
              <MenuItem key={path} value={path}>
                {path}
              </MenuItem>
            ))}
          </TextField>
          <TextField
            label="Folder in the larger site"
            value={target}
            onChange={({ target: { value } }) => setTarget(value)}
            onBlur={() => setTarget(asFolder(target))}
            helperText="Leave empty for its top folder"
          />
          <Box>
            <Button onClick={() => void choose()}>
              {larger ? `Larger site: ${larger.root.name}/` : 'Choose the larger site…'}
            </Button>
          </Box>
        </Box>
        {trouble !== null && (
          <Box role="alert" sx={{ color: color('rust'), mt: 1 }}>
            {trouble}
          </Box>
        )}
        {part && <PartFiles part={part} replaces={replaces} onReplace={setReplaces} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" color="primary" disabled={saved.length === 0} onClick={() => void save()}>
          {part && larger ? `Save ${countOf(saved.length, 'file')} to ${larger.root.name}/` : 'Save'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}

const asFolder = (target: string): string => {
  const bare = target.trim().replace(/^\/+|\/+$/g, '');
  return bare === '' ? '' : `${bare}/`;
};

/** What it comes to, each time that something else is wished. */
function usePart(
  larger: LargerSite | null,
  page: string,
  target: string,
  replaces: readonly string[],
): { part: PreparedPart | null; refused: string | null } {
  const { session, version } = useSite().site;
  const [found, setFound] = useState<Awaited<ReturnType<typeof preparePart>> | null>(null);
  useEffect(() => {
    if (!larger) return undefined;
    let gone = false;
    void preparePart(session, larger, { page, target: asFolder(target), replaces }).then((part) => {
      if (!gone) setFound(part);
    });
    return () => {
      gone = true;
    };
  }, [session, version, larger, page, target, replaces]);
  return { part: found?.ok ? found : null, refused: found && !found.ok ? found.reason : null };
}

const SAYS: Record<PartFile['stands'], { tag: string; tone: Tone }> = {
  new: { tag: 'new', tone: 'chosen' },
  there: { tag: 'there already', tone: 'whole' },
  renamed: { tag: 'name taken', tone: 'look' },
  replaces: { tag: 'replaces', tone: 'broken' },
};

const LIST = { m: 0, mt: 1.5, p: 0, listStyle: 'none' };

const ROW = {
  display: 'flex',
  flexWrap: 'wrap',
  gap: '2px 12px',
  alignItems: 'center',
  minHeight: 34,
  borderTop: `1px solid ${color('hair')}`,
};

interface PartFilesProps {
  part: PreparedPart;
  replaces: readonly string[];
  onReplace: (replaces: readonly string[]) => void;
}

function PartFiles({ part: { files, behind }, replaces, onReplace }: PartFilesProps) {
  return (
    <>
      {behind.length > 0 && (
        <Box sx={{ color: color('gorse'), mt: 1.5, fontSize: '0.8125rem' }}>
          {`Links to ${behind.join(', ')} lead nowhere there until ${behind.length === 1 ? 'it is' : 'they are'} saved, too.`}
        </Box>
      )}
      <Box component="ul" aria-label="Files of the page" sx={LIST}>
        {files.map(({ path, to, stands, meets }) => (
          <Box component="li" key={path} sx={ROW}>
            <Box sx={{ flex: '0 0 104px' }}>
              <Tag tone={SAYS[stands].tone}>{SAYS[stands].tag}</Tag>
            </Box>
            <Box sx={{ flex: '1 1 14rem' }}>
              <Mono>{to}</Mono>
            </Box>
            {meets !== null && stands === 'renamed' && (
              <Button aria-label={`Replace ${meets}`} onClick={() => onReplace([...replaces, meets])}>
                Replace
              </Button>
            )}
            {meets !== null && stands === 'replaces' && (
              <Button aria-label={`Keep ${meets}`} onClick={() => onReplace(replaces.filter((one) => one !== meets))}>
                Keep
              </Button>
            )}
          </Box>
        ))}
      </Box>
    </>
  );
}
