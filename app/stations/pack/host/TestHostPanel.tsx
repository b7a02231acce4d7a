/** The test host: what it is like, the upload to it, and the site as a visitor finds it there. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { useRouteLoaderData } from 'react-router';
import { countOf, inBytes } from '~core/site/index.ts';
import type { HostState } from '~protocol/testHost.ts';
import type { HostStanding, UploadRun } from '../../../data/host/testHost';
import type { Uploaded } from '../../../workers/uploading';
import { Panel } from '../../../ui/parts/small';
import { sayAgo } from '../../../ui/parts/times';
import { useSite } from '../../../ui/site/openSite';
import { color } from '../../../ui/theme';
import type { Upload } from '../upload/useUpload';
import { HostHabits } from './HostHabits';
import { sayLeft } from './sayLeft';
import { WalkDialog } from './WalkDialog';
import { WalkReport } from './WalkReport';

const TITLE = { m: 0, mb: 0.75, fontSize: '0.9rem', fontWeight: 600 };

const WAYS = { display: 'flex', flexWrap: 'wrap', gap: 0.75, mt: 1.25 };

interface TestHostPanelProps {
  upload: Upload;
  withChecksums: boolean;
}

/** Nothing where the application is deployed: the test host answers its own computer alone. */
export function TestHostPanel(props: TestHostPanelProps) {
  const port = useRouteLoaderData<{ testHostPort: number | null }>('root')?.testHostPort ?? null;
  return port === null ? null : <Host {...props} port={port} />;
}

function Host({ upload, withChecksums, port }: TestHostPanelProps & { port: number }) {
  const { testHost } = useSite().site.session;
  const standing = useSyncExternalStore(testHost.watch, () => testHost.standing);
  const { state, silent, run, walk } = standing;
  useEffect(() => void testHost.look(port), [testHost, port]);
  const running = run?.state === 'running';
  return (
    <Panel label="Test host" sx={{ p: 1.75, fontSize: '0.8125rem' }}>
      <Box component="h2" sx={TITLE}>
        Test host
      </Box>
      <Box>As strict as a real one: capitals count, folders are not listed. Nothing leaves this computer.</Box>
      {silent && <Silent onTry={() => void testHost.look(port)} />}
      {state && !running && <Holds state={state} />}
      {running && <Running {...run} onPause={() => void testHost.pause()} />}
      <Ended run={run} />
      {state && (
        <>
          <Ways standing={standing} state={state} upload={upload} withChecksums={withChecksums} />
          <HostHabits settings={state.settings} idle={running} onSet={(part) => void testHost.set(part)} />
        </>
      )}
      {walk && (
        <Box component="section" aria-label="Last walk" sx={{ mt: 1.5 }}>
          <Box component="h3" sx={{ m: 0, fontSize: '0.8125rem' }}>
            {`Last walk as a visitor, ${sayAgo(walk.began, Date.now())}`}
          </Box>
          <WalkReport walk={walk} />
        </Box>
      )}
    </Panel>
  );
}

interface WaysProps extends TestHostPanelProps {
  standing: HostStanding;
  state: HostState;
}

/** What can be done, as long as nothing is uploaded just now. */
function Ways({ standing: { root, run }, state, upload, withChecksums }: WaysProps) {
  const { testHost } = useSite().site.session;
  const [walking, setWalking] = useState(false);
  if (run?.state === 'running' || root === null) return null;
  const isBroken = run?.state === 'paused' || run?.state === 'failed';
  return (
    <Box sx={WAYS}>
      <Button onClick={() => void testHost.upload(upload.leaving, withChecksums)}>
        {isBroken ? 'Resume the upload' : uploadSaid(state, upload)}
      </Button>
      {state.files > 0 && (
        <>
          <Button onClick={() => setWalking(true)}>Walk as a visitor</Button>
          <Button component="a" href={root} target="_blank" rel="noreferrer">
            Open in a tab
          </Button>
          <Button onClick={() => void testHost.empty()}>Empty the host</Button>
        </>
      )}
      {walking && <WalkDialog root={root} onClose={() => setWalking(false)} />}
    </Box>
  );
}

const uploadSaid = ({ files }: HostState, { leaving }: Upload): string =>
  files === 0 ? `Upload ${countOf(leaving.size, 'file')} to the test host` : 'Upload what changed to the test host';

function Silent({ onTry }: { onTry: () => void }) {
  return (
    <Box role="alert" sx={{ color: color('rust'), mt: 0.75 }}>
      The test host does not answer. It runs beside the application and answers on the same computer only.
      <Box sx={WAYS}>
        <Button onClick={onTry}>Ask the test host again</Button>
      </Box>
    </Box>
  );
}

function Holds({ state: { files, bytes, settings } }: { state: HostState }) {
  const says = files === 0 ? 'It is empty.' : `It holds ${countOf(files, 'file')}, ${inBytes(bytes)}`;
  const isTight = bytes > settings.quota * 0.9;
  return (
    <Box sx={{ mt: 0.75, color: color(isTight ? 'gorse' : 'stone') }}>
      {isTight ? `${says} of ${inBytes(settings.quota)}.` : says}
    </Box>
  );
}

/** What an upload came to, read out as well; how far one is would be read out without end. */
function Ended({ run }: { run: UploadRun | null }) {
  const outcome = run?.outcome ?? null;
  return (
    <Box role="status" aria-live="polite" sx={{ '&:not(:empty)': { mt: 1 } }}>
      {run?.state === 'paused' && <Box>Paused. What is on the host stays.</Box>}
      {outcome && !outcome.ok && <Box sx={{ color: color('rust') }}>{outcome.reason}</Box>}
      {outcome?.ok && (
        <>
          <Box sx={{ color: color('lichen') }}>{doneSaid(outcome)}</Box>
          {outcome.lost > 0 && <Box>{lostSaid(outcome)}</Box>}
          {outcome.missing.length > 0 && (
            <Box sx={{ color: color('rust') }}>
              {`Left out, for the browser’s storage has them no more: ${outcome.missing.join(', ')}`}
            </Box>
          )}
        </>
      )}
    </Box>
  );
}

const lostSaid = ({ lost, missing }: Uploaded): string =>
  `The connection was lost ${timesSaid(lost)}${missing.length === 0 ? '; nothing is missing' : ''}.`;

const timesSaid = (n: number): string => (n === 1 ? 'once' : `${n} times`);

function doneSaid({ sent, same, deleted, bytes }: Uploaded): string {
  if (sent === 0 && deleted === 0) return `Up to date: the host holds all ${countOf(same, 'file')}.`;
  const gone = deleted === 0 ? '' : `, ${deleted} deleted`;
  const already = same === 0 ? '' : `, ${same} there already`;
  return `Uploaded ${countOf(sent, 'file')}, ${inBytes(bytes)}${already}${gone}.`;
}

interface RunningProps extends Pick<UploadRun, 'progress' | 'began'> {
  onPause: () => void;
}

function Running({ progress, began, onPause }: RunningProps) {
  const { doing, files, ofFiles, bytes, ofBytes, path, lost } = progress ?? AT_START;
  const left = doing === 'uploading' ? sayLeft(Date.now() - began, bytes, ofBytes) : null;
  const counts = [
    `${files} of ${countOf(ofFiles, doing === 'uploading' ? 'step' : 'file')}`,
    ...(doing === 'uploading' ? [`${inBytes(bytes)} of ${inBytes(ofBytes)}`] : []),
    ...(left === null ? [] : [left]),
  ];
  return (
    <Box sx={{ mt: 1 }}>
      <Box sx={{ mb: 0.5 }}>
        {doing === 'uploading' ? counts.join(' · ') : `Comparing with the host: ${counts.join()}`}
      </Box>
      <LinearProgress
        aria-label="Upload"
        variant="determinate"
        value={ofFiles === 0 ? 0 : (100 * files) / ofFiles}
        sx={{ mb: 0.5 }}
      />
      <Box sx={{ color: color('stone'), overflowWrap: 'anywhere' }}>{path}</Box>
      {lost > 0 && (
        <Box sx={{ color: color('gorse') }}>{`The connection was lost ${timesSaid(lost)}; the upload goes on.`}</Box>
      )}
      <Box sx={WAYS}>
        <Button onClick={onPause}>Pause the upload</Button>
      </Box>
    </Box>
  );
}

const AT_START = { doing: 'comparing' as const, files: 0, ofFiles: 0, bytes: 0, ofBytes: 0, path: '', lost: 0 };
