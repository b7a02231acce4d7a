import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { differs } from '~core/folder/index.ts';
import { countOf, inBytes } from '~core/site/index.ts';
import type { PackOrder } from '../data/export';
import type { FolderStanding } from '../data/folder/standing';
import { leavingOf } from '../data/leaving';
import { BeforeUpload } from '../stations/pack/BeforeUpload';
import { External } from '../stations/pack/External';
import { CompareAgain } from '../stations/pack/folder/CompareAgain';
import { TestHostPanel } from '../stations/pack/host/TestHostPanel';
import { FolderPanel } from '../stations/pack/folder/FolderPanel';
import { LinkFolder } from '../stations/pack/folder/LinkFolder';
import { SavePart } from '../stations/pack/folder/SavePart';
import { useFolder } from '../stations/pack/folder/useFolder';
import { Leaving } from '../stations/pack/Leaving';
import type { FileToUpload } from '../stations/pack/Parcel';
import { FilesToUpload } from '../stations/pack/upload/FilesToUpload';
import { useUpload } from '../stations/pack/upload/useUpload';
import { WrittenFiles } from '../stations/pack/upload/WrittenFiles';
import { useLeaving } from '../stations/pack/useLeaving';
import { Mono, Nothing, Panel, StationHead } from '../ui/parts/small';
import { useSite } from '../ui/site/openSite';
import { useWork } from '../ui/site/work';
import { stationLoader } from '../ui/site/stationLoader';
import { stationAction } from '../data/siteAction';
import { besideColumn } from '../ui/narrow';

export const meta = () => [{ title: 'Pack – Heathmoor' }];

export const clientLoader = stationLoader({});

export const clientAction = stationAction;

const COLUMNS = besideColumn(300);

/** Side by side where there is room. */
const BELOW = {
  display: 'grid',
  gridTemplateColumns: 'repeat(auto-fit, minmax(260px, 1fr))',
  gap: 1.5,
  alignItems: 'start',
  mt: 1.5,
};

export default function Pack() {
  const { site } = useSite();
  const [without, setWithout] = useState(false);
  const { parcel, upload: written } = site.view;
  const folder = useFolder();
  const unused = useMemo(() => parcel.filter((entry) => entry.unused).map((entry) => entry.path), [parcel]);
  const leftOut = useMemo(() => new Set(without ? unused : []), [without, unused]);
  const upload = useUpload(leftOut);
  const { state, busy, leave } = useLeaving();
  const entries: FileToUpload[] = useMemo(
    () => [
      ...parcel,
      ...written.written.map(({ path, bytes }) => ({ path, bytes, unused: false, written: true as const })),
    ],
    [parcel, written],
  );
  const leaving = entries.filter((entry) => !leftOut.has(entry.path));
  const bytes = leaving.reduce((sum, entry) => sum + entry.bytes, 0);
  const changed = upload.since.filter(({ doing }) => doing !== 'deleted').map(({ path }) => path);

  const withChecksums = written.written.some(({ text }) => text === null);

  const leaveAs = async (kind: PackOrder['kind']) => {
    const whole = kind === 'archive' ? leavingOf(site.files, site.view, new Set()) : upload.leaving;
    const only = kind === 'changes' ? new Set(changed) : null;
    const left = await leave({
      kind,
      leaving: whole,
      only,
      checksums: withChecksums,
    });
    if (left) upload.compareWith(null);
  };

  if (parcel.length === 0)
    return (
      <Nothing title="Nothing to pack yet" says="Once the site holds files, what would be uploaded is listed here." />
    );
  return (
    <>
      <StationHead title="Pack" says={`${countOf(leaving.length, 'file')}, ${inBytes(bytes)}`}>
        <Ways folder={folder} busy={busy} changed={changed.length} onLeave={(kind) => void leaveAs(kind)} />
      </StationHead>
      <Box sx={COLUMNS}>
        <Box>
          {folder && <FolderPanel standing={folder} />}
          <FilesToUpload entries={entries} leftOut={leftOut} upload={upload} />
          <Box sx={BELOW}>
            <WrittenFiles />
            <External />
            <Box sx={{ display: 'grid', gap: 1.5 }}>
              <ZipOrArchive />
              {!folder && <CompareAgain />}
            </Box>
          </Box>
        </Box>
        <Box sx={{ display: 'grid', gap: 1.5 }}>
          <Leaving state={state} />
          <BeforeUpload unused={unused} leftOut={leftOut} without={without} onWithout={setWithout} />
          <TestHostPanel upload={upload} withChecksums={withChecksums} />
        </Box>
      </Box>
    </>
  );
}

const ZipOrArchive = () => (
  <Panel label="ZIP or archive" sx={{ p: 1.75, fontSize: '0.8125rem' }}>
    <Box>
      <b>ZIP</b> holds the site only, with its paths unchanged: unpack it on your host.
    </Box>
    <Box sx={{ mt: 0.75 }}>
      <b>Archive</b> holds all files and <Mono>heathmoor.json</Mono>, to go on in another browser.
    </Box>
  </Panel>
);

interface WaysProps {
  folder: FolderStanding | null;
  busy: boolean;
  /** Files that are new or changed since the last upload. */
  changed: number;
  onLeave: (kind: PackOrder['kind']) => void;
}

/** How the site leaves; into its folder, where it has one. */
function Ways({ folder, busy, changed, onLeave }: WaysProps) {
  const first = folder?.linked ? {} : { variant: 'contained' as const, color: 'primary' as const };
  return (
    <>
      <SavePart />
      {!folder?.linked && <LinkFolder>Link a folder…</LinkFolder>}
      <Button disabled={busy} onClick={() => onLeave('archive')}>
        Save archive
      </Button>
      {changed > 0 && (
        <Button disabled={busy} onClick={() => onLeave('changes')}>
          {`Save ${countOf(changed, 'changed file')} as ZIP`}
        </Button>
      )}
      <Button {...first} disabled={busy} onClick={() => onLeave('zip')}>
        Save as ZIP
      </Button>
      {folder?.linked && <SaveToFolder standing={folder} />}
    </>
  );
}

/** What was changed here alone, as long as nothing stands in the way. */
function SaveToFolder({ standing: { name, files, access, compared } }: { standing: FolderStanding }) {
  const { work, busy } = useWork('seen');
  const mine = files.filter((file) => differs(file) === 'here').length;
  return (
    <Button
      variant="contained"
      color="primary"
      disabled={busy || mine === 0 || access !== 'granted' || !compared}
      onClick={() => work({ do: 'folder', way: 'save', paths: null })}
    >
      {mine === 0 ? `Nothing to save to ${name}` : `Save ${countOf(mine, 'file')} to ${name}`}
    </Button>
  );
}
