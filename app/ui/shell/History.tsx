/**
 * What was done to the site, in plain words and with its differences; the way back to any point, and names for some.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import { useEffect, useState } from 'react';
import type { FileDiff } from '../../data/session/diffs';
import type { HistoryEntry } from '../../data/session/history';
import { DiffView } from '../parts/DiffView';
import { Tag } from '../parts/small';
import { useSite } from '../site/openSite';
import { useWork } from '../site/work';
import { color } from '../theme';
import { sayWhen } from '../parts/times';
import { inHand } from '../parts/inHand';

const COLUMNS = { display: 'grid', gridTemplateColumns: 'minmax(0, 1fr) minmax(0, 1.25fr)', gap: 2.5, minHeight: 420 };

const LIST = { m: 0, p: 0, listStyle: 'none', maxHeight: 460, overflow: 'auto' } as const;

const entryStyle = ({ undone, shown }: { undone: boolean; shown: boolean }) =>
  ({
    display: 'block',
    width: '100%',
    textAlign: 'left',
    border: 0,
    px: 1,
    py: 0.75,
    font: 'inherit',
    fontSize: '0.8125rem',
    cursor: 'pointer',
    color: undone ? color('stone') : 'inherit',
    bgcolor: 'transparent',
    ...inHand(shown),
    overflowWrap: 'anywhere',
  }) as const;

const META = { display: 'flex', gap: 1, alignItems: 'center', color: color('stone'), fontSize: '0.75rem' };

const DETAIL = { minWidth: 0, display: 'grid', gap: 1.5, alignContent: 'start' };

export function History({ onClose }: { onClose: () => void }) {
  const { site, shownBefore, setShownBefore } = useSite();
  const { work, busy } = useWork();
  const { session } = site;
  const [entries, setEntries] = useState<readonly HistoryEntry[] | null>(null);
  const [chosen, setChosen] = useState<number | null>(null);
  // Whatever is done while this is open makes another snapshot.
  useEffect(() => {
    let current = true;
    void session.commits.history().then((found) => current && setEntries(found));
    return () => {
      current = false;
    };
  }, [session, site]);
  const { head } = site.site;
  const at = chosen ?? head;
  const entry = entries?.find(({ number }) => number === at) ?? null;
  const idle = busy || site.readOnly;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="history-title">
      <DialogTitle id="history-title">History</DialogTitle>
      <DialogContent sx={COLUMNS}>
        <Box component="ul" aria-label="Changes, latest first" sx={LIST}>
          {[...(entries ?? [])].reverse().map(({ number, label, name, at: when }) => (
            <Box component="li" key={number} sx={{ borderBottom: `1px solid ${color('hair')}` }}>
              <Box
                component="button"
                type="button"
                aria-pressed={number === at}
                onClick={() => setChosen(number)}
                sx={entryStyle({ undone: number > head, shown: number === at })}
              >
                {name !== null && <Box sx={{ fontWeight: 600 }}>{name}</Box>}
                {label}
                <Box sx={META}>
                  {sayWhen(when)}
                  {number === head && <Tag tone="chosen">current state</Tag>}
                  {number > head && 'undone'}
                </Box>
              </Box>
            </Box>
          ))}
        </Box>
        {entry && (
          <Box sx={DETAIL}>
            <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
              <Button
                variant="contained"
                color="primary"
                disabled={idle || entry.number === head}
                onClick={() => work({ do: 'go', to: entry.number })}
              >
                {entry.number > head ? 'Redo to here' : 'Undo to here'}
              </Button>
              <Box sx={{ fontSize: '0.75rem', color: color('stone') }}>
                {entry.number === head
                  ? 'The site is as it was after this.'
                  : 'Nothing is lost by it until you change something there.'}
              </Box>
            </Box>
            <PointName
              key={`${entry.number} ${entry.name}`}
              entry={entry}
              idle={idle}
              onName={(name) => work({ do: 'name-point', number: entry.number, name })}
            />
            <EntryDiff number={entry.number} head={head} />
          </Box>
        )}
      </DialogContent>
      <DialogActions sx={{ pl: 3 }}>
        <FormControlLabel
          control={
            <Checkbox size="small" checked={shownBefore} onChange={({ target }) => setShownBefore(target.checked)} />
          }
          label="Show each change before it is applied"
          slotProps={{ typography: { variant: 'body2' } }}
          sx={{ flex: 1 }}
        />
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

function PointName({
  entry,
  idle,
  onName,
}: {
  entry: HistoryEntry;
  idle: boolean;
  onName: (name: string | null) => void;
}) {
  const [name, setName] = useState(entry.name ?? '');
  const trimmed = name.trim();
  return (
    <Box
      component="form"
      sx={{ display: 'flex', gap: 1 }}
      onSubmit={(event) => {
        event.preventDefault();
        onName(trimmed === '' ? null : trimmed);
      }}
    >
      <TextField
        label="Name of this restore point"
        value={name}
        onChange={({ target }) => setName(target.value)}
        sx={{ flex: 1 }}
        slotProps={{ htmlInput: { maxLength: 80 } }}
      />
      <Button type="submit" disabled={idle || trimmed === (entry.name ?? '')}>
        {trimmed === '' && entry.name !== null ? 'Remove the name' : 'Save the name'}
      </Button>
    </Box>
  );
}

function EntryDiff({ number, head }: { number: number; head: number }) {
  const { site } = useSite();
  const { session } = site;
  const [shown, setShown] = useState<{ number: number; diffs: FileDiff[] | null } | null>(null);
  useEffect(() => {
    let current = true;
    if (number > 0) void session.commits.diffsAt(number).then((diffs) => current && setShown({ number, diffs }));
    return () => {
      current = false;
    };
  }, [session, number, head]);
  if (number === 0)
    return <Box sx={{ fontSize: '0.8125rem', color: color('stone') }}>There was no change before this.</Box>;
  if (shown?.number !== number)
    return <Box sx={{ fontSize: '0.8125rem', color: color('stone') }}>Loading the change…</Box>;
  if (shown.diffs === null)
    return <Box sx={{ fontSize: '0.8125rem', color: color('stone') }}>What it did can no longer be shown.</Box>;
  if (shown.diffs.length === 0)
    return (
      <Box sx={{ fontSize: '0.8125rem', color: color('stone') }}>
        It changed no file of the site, only its settings.
      </Box>
    );
  return <DiffView diffs={shown.diffs} height={330} />;
}
