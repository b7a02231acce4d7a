import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { differs } from '~core/folder/index.ts';
import type { SiteView } from '~core/view/index.ts';
import { countOf, inBytes } from '~core/site/index.ts';
import { pack, save } from '../data/export';
import type { FolderStanding } from '../data/folder/standing';
import { CompareAgain } from '../stations/pack/folder/CompareAgain';
import { FolderPanel } from '../stations/pack/folder/FolderPanel';
import { LinkFolder } from '../stations/pack/folder/LinkFolder';
import { SavePart } from '../stations/pack/folder/SavePart';
import { useFolder } from '../stations/pack/folder/useFolder';
import { Leaving, type LeavingState } from '../stations/pack/Leaving';
import { Parcel } from '../stations/pack/Parcel';
import { Mono, Nothing, Panel, StationHead } from '../ui/parts/small';
import { useSite } from '../ui/site/openSite';
import { useWork } from '../ui/site/work';
import { stationLoader } from '../ui/site/stationLoader';
import { color, type Token } from '../ui/theme';
import { stationAction } from '../data/siteAction';
import { besideColumn } from '../ui/narrow';

export const meta = () => [{ title: 'Pack – Heathmoor' }];

export const clientLoader = stationLoader({});

export const clientAction = stationAction;

const COLUMNS = besideColumn(300);

export default function Pack() {
  const { site } = useSite();
  const [without, setWithout] = useState(false);
  const [state, setState] = useState<LeavingState>({ kind: 'idle' });
  const { parcel, findings, strands } = site.view;
  const folder = useFolder();
  const unused = useMemo(() => parcel.filter((entry) => entry.unused).map((entry) => entry.path), [parcel]);
  const leftOut = useMemo(() => new Set(without ? unused : []), [without, unused]);
  const entries = parcel.filter((entry) => !leftOut.has(entry.path));
  const bytes = entries.reduce((sum, entry) => sum + entry.bytes, 0);
  const places = placesIn(site.view, leftOut);
  const whole = strands.filter((strand) => strand.state !== 'broken').length;

  const leave = async (kind: 'parcel' | 'archive') => {
    setState({ kind: 'working', doing: 'packing', done: 0, of: entries.length });
    try {
      const packed = await pack(
        site.session,
        kind,
        kind === 'parcel' ? leftOut : new Set(),
        new Set(parcel.filter(({ place }) => place === 'kept').map(({ path }) => path)),
        (progress, of) => setState({ kind: 'working', ...progress, of }),
      );
      if (!packed) {
        setState({ kind: 'idle' });
        return;
      }
      save(packed);
      setState({
        kind: 'done',
        says: `${packed.name}, ${inBytes(packed.blob.size)}`,
        missing: packed.missing,
        struck: packed.struck.length,
      });
    } catch (error) {
      setState({ kind: 'failed', reason: error instanceof Error ? error.message : String(error) });
    }
  };

  if (parcel.length === 0)
    return (
      <Nothing title="Nothing to pack yet" says="Once the site holds files, what would be uploaded is listed here." />
    );
  const busy = state.kind === 'working';
  return (
    <>
      <StationHead title="Pack" says={`${countOf(entries.length, 'file')}, ${inBytes(bytes)}`}>
        <Ways folder={folder} busy={busy} onLeave={(kind) => void leave(kind)} />
      </StationHead>
      <Box sx={COLUMNS}>
        <Box>
          {folder && <FolderPanel standing={folder} />}
          <Parcel entries={parcel} leftOut={leftOut} />
        </Box>
        <Box sx={{ display: 'grid', gap: 1.5 }}>
          <Panel label="Before upload" sx={{ p: 1.75 }}>
            <Typography variant="h2" sx={{ fontSize: '0.9rem', fontFamily: 'inherit', mb: 1 }}>
              Before upload
            </Typography>
            <Line
              tone={whole === strands.length ? 'lichen' : 'rust'}
              word={whole === strands.length ? 'whole' : 'broken'}
              says={`${whole === strands.length ? whole : strands.length - whole} of ${countOf(strands.length, 'strand')}`}
            />
            {!site.view.exercise && (
              <Line
                tone={findings.length === 0 ? 'lichen' : 'gorse'}
                word="open"
                says={findings.length === 0 ? 'no findings' : `${countOf(findings.length, 'finding')}, see Proof`}
              />
            )}
            {places.removed > 0 && (
              <Line tone="lichen" word="location" says={`removed from ${countOf(places.removed, 'picture')}`} />
            )}
            {places.kept > 0 && (
              <Line tone="gorse" word="location" says={`kept on purpose in ${countOf(places.kept, 'picture')}`} />
            )}
            <Line
              tone={unused.length === 0 ? 'lichen' : 'gorse'}
              word="unused"
              says={unused.length === 0 ? 'no picture' : `${countOf(unused.length, 'picture')} on no page`}
            />
            {unused.length > 0 && (
              <FormControlLabel
                control={
                  <Switch size="small" checked={without} onChange={(event) => setWithout(event.target.checked)} />
                }
                label="Leave unused pictures out"
                slotProps={{ typography: { variant: 'body2' } }}
                sx={{ mt: 0.5 }}
              />
            )}
          </Panel>
          <Panel label="ZIP or archive" sx={{ p: 1.75, fontSize: '0.8125rem' }}>
            <Box>
              <b>ZIP</b> holds the site only, with its paths unchanged: unpack it on your host.
            </Box>
            <Box sx={{ mt: 0.75 }}>
              <b>Archive</b> holds all files and <Mono>heathmoor.json</Mono>, to go on in another browser.
            </Box>
          </Panel>
          {!folder && <CompareAgain />}
          <Leaving state={state} />
        </Box>
      </Box>
    </>
  );
}

/** Pictures that say where they were taken, and what becomes of it. */
function placesIn({ parcel }: SiteView, leftOut: ReadonlySet<string>): { removed: number; kept: number } {
  const leaving = parcel.filter(({ path }) => !leftOut.has(path));
  return {
    removed: leaving.filter(({ place }) => place === 'removed').length,
    kept: leaving.filter(({ place }) => place === 'kept').length,
  };
}

interface WaysProps {
  folder: FolderStanding | null;
  busy: boolean;
  onLeave: (kind: 'parcel' | 'archive') => void;
}

/** How the site leaves; into its folder, where it has one. */
function Ways({ folder, busy, onLeave }: WaysProps) {
  const first = folder?.linked ? {} : { variant: 'contained' as const, color: 'primary' as const };
  return (
    <>
      <SavePart />
      {!folder?.linked && <LinkFolder>Link a folder…</LinkFolder>}
      <Button disabled={busy} onClick={() => onLeave('archive')}>
        Save archive
      </Button>
      <Button {...first} disabled={busy} onClick={() => onLeave('parcel')}>
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

function Line({ tone, word, says }: { tone: Token; word: string; says: string }) {
  return (
    <Box sx={{ fontSize: '0.8125rem', py: 0.25 }}>
      <Box component="span" sx={{ color: color(tone), fontWeight: 600, mr: 0.75 }}>
        {word}
      </Box>
      {says}
    </Box>
  );
}
