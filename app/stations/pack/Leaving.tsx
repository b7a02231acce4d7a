/** How far an archive is, what was saved, and what is not in it. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { countOf } from '~core/site/index.ts';
import { stopPacking } from '../../data/export';
import { Panel } from '../../ui/parts/small';
import { color } from '../../ui/theme';

export type LeavingState =
  | { kind: 'idle' }
  | { kind: 'working'; doing: 'packing' | 'checking'; done: number; of: number }
  /**
   * `missing` are paths of files whose contents are not there any more; out of `struck` pictures went where they were
   * taken.
   */
  | { kind: 'done'; says: string; missing: string[]; struck: number }
  | { kind: 'failed'; reason: string };

const DOING = { packing: 'Packing', checking: 'Checking' };

/** There before it has anything to say, and without a gap of its own until then. */
const QUIET = { '&:empty': { position: 'absolute' } } as const;

export function Leaving({ state }: { state: LeavingState }) {
  return (
    <Box role="status" aria-live="polite" sx={QUIET}>
      {state.kind === 'working' && <Working {...state} />}
      {state.kind === 'done' && (
        <Panel sx={{ p: 1.75, color: color('lichen') }}>
          <Box>{`Saved: ${state.says}`}</Box>
          {state.struck > 0 && <Box>{`The location was removed from ${countOf(state.struck, 'picture')}.`}</Box>}
        </Panel>
      )}
      {state.kind === 'done' && state.missing.length > 0 && <LeftOut paths={state.missing} />}
      {state.kind === 'failed' && <Panel sx={{ p: 1.75, color: color('rust') }}>{state.reason}</Panel>}
    </Box>
  );
}

function Working({ doing, done, of }: { doing: keyof typeof DOING; done: number; of: number }) {
  return (
    <Panel sx={{ p: 1.75 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', mb: 1 }}>
        <Box sx={{ flex: 1 }}>{`${DOING[doing]} ${done} of ${of}`}</Box>
        <Button onClick={() => void stopPacking()}>Stop</Button>
      </Box>
      <LinearProgress aria-label="Packing" variant="determinate" value={of === 0 ? 0 : (done / of) * 100} />
    </Panel>
  );
}

const MOST_NAMED = 8;

function LeftOut({ paths }: { paths: readonly string[] }) {
  const more = paths.length - MOST_NAMED;
  return (
    <Panel sx={{ p: 1.75, mt: 1, color: color('rust') }}>
      <b>{`Left out: ${countOf(paths.length, 'file')} whose content is missing from the browser’s storage`}</b>
      <Box component="ul" sx={{ my: 1, pl: 2.5 }}>
        {paths.slice(0, MOST_NAMED).map((path) => (
          <li key={path}>{path}</li>
        ))}
      </Box>
      {more > 0 && <Box>{`and ${more} more`}</Box>}
      <Box>Import these files again, or from an earlier archive.</Box>
    </Panel>
  );
}
