/** The keys that go for every station, and the sheet that lists them. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useEffect, useSyncExternalStore } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
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
  { keys: 'H', does: 'history: changes and restore points' },
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

const stationKeysNow = (): readonly StationKey[] => stationKeys;

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

/** For an element in which single letters do nothing, though no text is edited there. */
export const QUIET = { 'data-quiet': '' } as const;

/** Over a dialog only what belongs to it goes; and what somebody else has taken is not taken twice. */
const isTaken = (event: KeyboardEvent): boolean =>
  event.defaultPrevented ||
  document.querySelector('[role="dialog"]') !== null ||
  (document.activeElement?.closest('[data-quiet]') ?? null) !== null;

const OFF = 'heathmoor-letters-off';
const offWatchers = new Set<() => void>();
const areOn = (): boolean => localStorage.getItem(OFF) === null;

function watchLetters(watcher: () => void): () => void {
  offWatchers.add(watcher);
  return () => offWatchers.delete(watcher);
}

/** Whether keys of a single letter do something (WCAG 2.2, 2.1.4 Character Key Shortcuts); kept in this browser. */
const useLetters = (): boolean => useSyncExternalStore(watchLetters, areOn, () => true);

function setLetters(on: boolean): void {
  if (on) localStorage.removeItem(OFF);
  else localStorage.setItem(OFF, 'yes');
  for (const watcher of offWatchers) watcher();
}

/** A plain key is pressed without a modifier, but for the one that it takes to type it. */
const isPlain = (event: KeyboardEvent): boolean => !event.ctrlKey && !event.metaKey && !event.altKey;

export function useKeys(actions: KeyActions): void {
  const always = { enableOnFormTags: true, enableOnContentEditable: true, preventDefault: true };
  useHotkeys(
    ['alt+1', 'alt+2', 'alt+3', 'alt+4', 'alt+5'],
    ({ code }) => actions.station(Number(code.at(-1)) - 1),
    always,
  );
  useHotkeys('mod+k', actions.find, always);
  const undoing = { preventDefault: true, ignoreEventWhen: (event: KeyboardEvent) => event.defaultPrevented };
  useHotkeys('mod+z', () => actions.step('undo'), undoing);
  useHotkeys(['mod+shift+z', 'mod+y'], () => actions.step('redo'), undoing);

  const here = useSyncExternalStore(watchStationKeys, stationKeysNow, stationKeysNow);
  const plain: Readonly<Record<string, (() => void) | null>> = {
    ...Object.fromEntries(here.map(({ key, act }) => [key, act])),
    j: () => actions.strand(1),
    k: () => actions.strand(-1),
    '[': () => actions.joint(-1),
    ']': () => actions.joint(1),
    f: actions.files,
    h: actions.history,
    '?': actions.sheet,
  };
  // By what a key types, not by where it lies: brackets lie elsewhere on other keyboards.
  useHotkeys(
    '*',
    (event) => {
      const act = plain[event.key];
      if (!act) return;
      event.preventDefault();
      act();
    },
    {
      useKey: true,
      ignoreModifiers: true,
      ignoreEventWhen: (event) => isTaken(event) || !isPlain(event) || !areOn(),
    },
  );
}

const LIST = { display: 'grid', gridTemplateColumns: 'auto 1fr', gap: '6px 20px', m: 0 };

export function KeysSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const here = useSyncExternalStore(watchStationKeys, stationKeysNow, stationKeysNow);
  const letters = useLetters();
  return (
    <Dialog open={open} onClose={onClose} aria-labelledby="keys-title">
      <DialogTitle id="keys-title">Keys</DialogTitle>
      {/* It holds nothing to press, and is scrolled by keyboard all the same where the window is low. */}
      <DialogContent tabIndex={0} role="region" aria-labelledby="keys-title">
        <Box component="dl" sx={LIST}>
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
      <DialogActions sx={{ pl: 3 }}>
        <FormControlLabel
          control={<Checkbox size="small" checked={letters} onChange={(_event, on) => setLetters(on)} />}
          label="Keys of a single letter"
          slotProps={{ typography: { variant: 'body2' } }}
          sx={{ flex: 1 }}
        />
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
