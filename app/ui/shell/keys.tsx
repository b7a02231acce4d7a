/** The keys that go for every station, and the sheet that lists them. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useEffect, useRef, useSyncExternalStore } from 'react';
import { MONO } from '../theme';

interface KeyRow {
  keys: string;
  does: string;
}

const KEYS: readonly KeyRow[] = [
  { keys: 'Alt+1 … Alt+5', does: 'go to a station' },
  { keys: 'J, K', does: 'next and previous strand' },
  { keys: '[, ]', does: 'previous and next joint of the strand' },
  { keys: 'Enter', does: 'go to where the joint lives' },
  { keys: 'Ctrl+K', does: 'find a page, picture, strand or action' },
  { keys: 'F', does: 'all files of the site' },
  { keys: 'H', does: 'history: what was done, and the way back' },
  { keys: 'Ctrl+Z, Ctrl+Shift+Z', does: 'undo and redo, across all files' },
  { keys: 'Alt+L', does: 'in the editor: say where the link at the cursor leads, or make the chosen words one' },
  { keys: 'Ctrl+Enter', does: 'in the editor: go to what the address at the cursor names' },
  { keys: 'F8', does: 'in the editor: the next finding' },
  { keys: 'Escape', does: 'leave the editor or a sheet' },
  { keys: '?', does: 'this sheet' },
];

/** A key of the station that is shown: plain, without a modifier. */
interface StationKey extends KeyRow {
  key: string;
  /** Null where it can do nothing now. */
  act: (() => void) | null;
}

let stationKeys: readonly StationKey[] = [];
const watchers = new Set<() => void>();

function setStationKeys(keys: readonly StationKey[]): void {
  stationKeys = keys;
  for (const watcher of watchers) watcher();
}

/** Keys of a station, as long as it is shown; they work and are listed like those that go for all. */
export function useStationKeys(keys: readonly StationKey[]): void {
  useEffect(() => {
    setStationKeys(keys);
    return () => setStationKeys([]);
  }, [keys]);
}

function watchStationKeys(watcher: () => void): () => void {
  watchers.add(watcher);
  return () => watchers.delete(watcher);
}

interface KeyActions {
  station: (n: number) => void;
  strand: (by: 1 | -1) => void;
  joint: (by: 1 | -1) => void;
  find: () => void;
  files: () => void;
  history: () => void;
  step: (way: 'undo' | 'redo') => void;
  sheet: () => void;
}

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || /^(input|textarea|select)$/i.test(target.tagName));

export function useKeys(actions: KeyActions): void {
  const latest = useRef(actions);
  useEffect(() => {
    latest.current = actions;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const command = event.ctrlKey || event.metaKey;
      const act = actionFor(event, command, latest.current);
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

function actionFor(event: KeyboardEvent, command: boolean, actions: KeyActions): (() => void) | null {
  const { key } = event;
  if (event.altKey && !command && /^Digit[1-5]$/.test(event.code))
    return () => actions.station(Number(event.code.slice(5)) - 1);
  if (command && key.toLowerCase() === 'k') return actions.find;
  if (event.defaultPrevented || isTyping(event.target)) return null;
  if (command && key.toLowerCase() === 'z') return () => actions.step(event.shiftKey ? 'redo' : 'undo');
  if (command && key.toLowerCase() === 'y') return () => actions.step('redo');
  if (command || event.altKey || document.querySelector('[role="dialog"]')) return null;
  const plain: Record<string, () => void> = {
    j: () => actions.strand(1),
    k: () => actions.strand(-1),
    '[': () => actions.joint(-1),
    ']': () => actions.joint(1),
    f: actions.files,
    h: actions.history,
    '?': actions.sheet,
  };
  return plain[key] ?? stationKeys.find((one) => one.key === key)?.act ?? null;
}

export function KeysSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const here = useSyncExternalStore(
    watchStationKeys,
    () => stationKeys,
    () => stationKeys,
  );
  return (
    <Dialog open={open} onClose={onClose} aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys</DialogTitle>
      <DialogContent>
        <Box component="dl" sx={{ display: 'grid', gridTemplateColumns: 'auto 1fr', gap: '6px 20px', m: 0 }}>
          {[...here, ...KEYS].map(({ keys, does }) => (
            <Box key={keys} sx={{ display: 'contents' }}>
              <Box component="dt" sx={{ fontFamily: MONO, fontSize: '0.8125rem' }}>
                {keys}
              </Box>
              <Box component="dd" sx={{ m: 0 }}>
                {does}
              </Box>
            </Box>
          ))}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
