/** A viewer's options and look beside the live page: each is one small change, seen at once in the state that is held. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import type { PageView, ViewerView } from '~core/view/index.ts';
import { LivePage, type Held } from '../../ui/preview/LivePage';
import { Nothing } from '../../ui/parts/small';
import { useChosenStrand, useSite } from '../../ui/site/openSite';
import { useIntent } from '../../ui/site/work';
import { color } from '../../ui/theme';
import { LookRow, OptionRow } from './OptionRow';
import { PictureInformation } from './PictureInformation';
import { Presets } from './Presets';

/** Windows that people try first; CSS px (common practice, no source). */
const WIDTHS = [390, 768, 1280] as const;

const SHEET = {
  display: 'grid',
  gridTemplateColumns: 'minmax(300px, 420px) minmax(320px, 1fr)',
  gap: 2,
  height: 'calc(100vh - 170px)',
  minHeight: 420,
  '@media (max-width: 900px)': { gridTemplateColumns: '1fr', height: 'auto' },
} as const;

const PANEL = {
  display: 'flex',
  flexDirection: 'column',
  minHeight: 0,
  bgcolor: color('paper'),
  border: `1px solid ${color('hair')}`,
  borderRadius: 1,
} as const;

const HEAD = {
  display: 'flex',
  flexWrap: 'wrap',
  gap: 1,
  alignItems: 'center',
  p: 1.5,
  borderBottom: `1px solid ${color('hair')}`,
};

/** Room below, so that what was just done, told over the foot of the window, hides no setting. */
const LIST = { flex: 1, minHeight: 0, overflow: 'auto', px: 2, pt: 1, pb: '140px' } as const;

interface State {
  name: string;
  says: string;
  held: (pictures: readonly number[][]) => Held | null;
}

const asLoaded: State = { name: 'loads', says: 'as it loads', held: () => null };
const on = (how: Held['how'], steps: number): State['held'] => {
  return ([first]) => (first ? { how, element: [...first], steps } : null);
};

/** States that can be held open, by what a viewer does. */
const STATES: Readonly<Record<ViewerView['does'], readonly State[]>> = {
  overlay: [
    asLoaded,
    { name: 'opened', says: 'opened', held: on('click', 0) },
    { name: 'third', says: 'third picture', held: on('click', 2) },
  ],
  show: [asLoaded, { name: 'third', says: 'third picture', held: on('step', 2) }],
  stage: [asLoaded, { name: 'opened', says: 'picture chosen', held: on('click', 0) }],
  page: [asLoaded, { name: 'pointed', says: 'hover', held: on('point', 0) }],
};

interface Props {
  page: PageView;
  onClose: () => void;
}

export function OptionsSheet({ page, onClose }: Props) {
  const choice = useChoice(page.path);
  const { viewers, viewer } = choice;
  if (viewers?.length === 0)
    return (
      <Nothing
        title="No viewer with options on this page"
        says="Add a viewer first. The options of a script of your own come from its description."
      />
    );
  return (
    <Box sx={SHEET}>
      <Box component="section" aria-label="Options" sx={PANEL}>
        <Box sx={HEAD}>
          <Typography variant="h2" sx={{ flex: 1 }}>
            Options
          </Typography>
          <Button onClick={onClose}>Back to the scripts</Button>
          {viewers && viewers.length > 1 && <ViewerPick {...choice} viewers={viewers} />}
          {viewer && <Scope {...choice} viewer={viewer} />}
        </Box>
        {viewer ? (
          <Fields page={page.path} gallery={choice.gallery} strand={choice.strand} viewer={viewer} />
        ) : (
          <Box role="status" sx={{ p: 2, color: color('stone') }}>
            {viewers ? 'This viewer has no links there.' : 'Reading the options…'}
          </Box>
        )}
      </Box>
      <Live key={viewer?.does ?? 'none'} page={page.path} viewer={viewer} />
    </Box>
  );
}

type Viewers = readonly { kit: string; title: string }[];

/** Which viewer, and which pictures: those of the chosen strand until somebody says otherwise. */
function useChoice(page: string) {
  const { session, view } = useSite().site;
  const chosen = useChosenStrand();
  const [viewers, setViewers] = useState<Viewers | null>(null);
  const [picked, onKit] = useState<string | null>(null);
  const [number, onGallery] = useState<number | null>(null);
  const [alone, onAlone] = useState(false);
  useEffect(() => {
    let current = true;
    void session.analysis.viewers(page).then((all) => current && setViewers(all));
    return () => {
      current = false;
    };
  }, [session, view, page]);
  const here = chosen?.page === page ? chosen : null;
  const kit = keptOf(viewers ?? [], picked);
  const strand = alone && here ? here.id : null;
  const own = here?.gallery ?? 0;
  const gallery = alone ? own : (number ?? own);
  const viewer = useViewer(page, kit, gallery, strand);
  return { viewers, viewer, kit, gallery, strand, alone, picture: here?.name ?? null, onKit, onGallery, onAlone };
}

/** The one that was picked, as long as it is there; else the first. */
const keptOf = (viewers: Viewers, picked: string | null): string | null =>
  (viewers.find((one) => one.kit === picked) ?? viewers[0])?.kit ?? null;

function ViewerPick({ viewers, kit, onKit }: { viewers: Viewers; kit: string | null; onKit: (kit: string) => void }) {
  return (
    <TextField
      select
      label="Viewer"
      value={kit ?? ''}
      onChange={({ target }) => onKit(target.value)}
      sx={{ minWidth: 150 }}
    >
      {viewers.map((one) => (
        <MenuItem key={one.kit} value={one.kit}>
          {one.title}
        </MenuItem>
      ))}
    </TextField>
  );
}

/** What a viewer's options are now; asked for again with every view. */
function useViewer(page: string, kit: string | null, gallery: number, strand: string | null): ViewerView | null {
  const { session, view } = useSite().site;
  const [viewer, setViewer] = useState<ViewerView | null>(null);
  useEffect(() => {
    let current = true;
    if (kit === null) return undefined;
    void session.analysis.options(page, { kit, gallery, strand }).then((made) => current && setViewer(made));
    return () => {
      current = false;
    };
  }, [session, view, page, kit, gallery, strand]);
  return viewer;
}

interface ScopeProps {
  viewer: ViewerView;
  gallery: number;
  alone: boolean;
  /** The name of the chosen picture; null where none of this page is. */
  picture: string | null;
  onGallery: (number: number) => void;
  onAlone: (alone: boolean) => void;
}

/** For which pictures something is set. */
function Scope({ viewer, gallery, alone, picture, onGallery, onAlone }: ScopeProps) {
  const canBeAlone = picture !== null && viewer.does === 'overlay';
  return (
    <>
      {viewer.galleries.length > 1 && (
        <TextField
          select
          label="Gallery"
          value={viewer.galleries.some(({ number }) => number === gallery) ? gallery : ''}
          disabled={alone}
          onChange={({ target }) => onGallery(Number(target.value))}
          sx={{ minWidth: 170 }}
        >
          {viewer.galleries.map(({ number, title }) => (
            <MenuItem key={number} value={number}>
              {title}
            </MenuItem>
          ))}
        </TextField>
      )}
      {canBeAlone && (
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="Set for"
          value={alone ? 'link' : 'gallery'}
          onChange={(_event, value: string | null) => value !== null && onAlone(value === 'link')}
        >
          <ToggleButton value="gallery">whole gallery</ToggleButton>
          <ToggleButton value="link">{`only ${picture}`}</ToggleButton>
        </ToggleButtonGroup>
      )}
    </>
  );
}

const HEADING = { fontSize: '0.9375rem', fontFamily: 'inherit', fontWeight: 700, mt: 1.5, mb: 0.5 } as const;

function Fields({
  page,
  gallery,
  strand,
  viewer,
}: {
  page: string;
  gallery: number;
  strand: string | null;
  viewer: ViewerView;
}) {
  const { readOnly } = useSite().site;
  const { intent, busy } = useIntent();
  const wish = { kind: 'set-options' as const, page, gallery, kit: viewer.kit, strand, options: {}, look: {} };
  // What is for one link alone is no question for a gallery, and a look is none for a link.
  const options = viewer.options.filter(({ option }) => strand !== null || !option.each);
  // A field is open while what was set before is being written: what is set next waits its turn.
  const idle = busy || readOnly;
  return (
    <Box sx={LIST}>
      {strand === null && viewer.presets.length > 0 && (
        <Presets
          viewer={viewer}
          disabled={idle}
          onPreset={(preset) => intent({ ...wish, options: preset.options, look: preset.look, preset: preset.title })}
        />
      )}
      <Typography variant="h3" sx={HEADING}>
        Behaviour
      </Typography>
      {options.map((one) => (
        <OptionRow
          key={one.option.name}
          view={one}
          disabled={readOnly}
          onSet={(value) => intent({ ...wish, options: { [one.option.name]: value } })}
        />
      ))}
      {strand === null && viewer.information && (
        <>
          <Typography variant="h3" sx={HEADING}>
            Picture information
          </Typography>
          <PictureInformation
            key={gallery}
            known={viewer.information}
            disabled={idle}
            onWrite={(fields) => intent({ kind: 'write-information', page, gallery, kit: viewer.kit, fields })}
          />
        </>
      )}
      {strand === null && viewer.look.length > 0 && (
        <>
          <Typography variant="h3" sx={HEADING}>
            Look
          </Typography>
          <Box sx={{ fontSize: '0.8125rem', color: color('stone') }}>
            {viewer.looksAlone ? 'Set for this gallery alone.' : 'Set for every page that loads the same stylesheet.'}
          </Box>
          {viewer.look.map((one) => (
            <LookRow
              key={one.look.property}
              view={one}
              disabled={readOnly}
              onSet={(value) => intent({ ...wish, look: { [one.look.property]: value } })}
            />
          ))}
        </>
      )}
    </Box>
  );
}

/** The page at a width and in a state that stay while things are set. */
function Live({ page, viewer }: { page: string; viewer: ViewerView | null }) {
  const [width, setWidth] = useState<number>(768);
  const [name, setName] = useState('loads');
  const box = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState({ width: 600, height: 500 });
  useEffect(() => {
    const { current } = box;
    if (!current) return undefined;
    const measure = () => setRoom({ width: current.clientWidth, height: Math.max(200, current.clientHeight) });
    const watcher = new ResizeObserver(measure);
    watcher.observe(current);
    return () => watcher.disconnect();
  }, []);
  const states = STATES[viewer?.does ?? 'page'];
  const state = states.find((one) => one.name === name) ?? asLoaded;
  return (
    <Box component="section" aria-label="Live page" sx={PANEL}>
      <Box sx={HEAD}>
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="Width of the window, px"
          value={width}
          onChange={(_event, value: number | null) => value !== null && setWidth(value)}
        >
          {WIDTHS.map((one) => (
            <ToggleButton key={one} value={one} aria-label={`${one} px wide`}>
              {one}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <ToggleButtonGroup
          exclusive
          size="small"
          aria-label="Held state"
          value={state.name}
          onChange={(_event, value: string | null) => value !== null && setName(value)}
        >
          {states.map((one) => (
            <ToggleButton key={one.name} value={one.name}>
              {one.says}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      </Box>
      <Box ref={box} sx={{ flex: 1, minHeight: 320, overflow: 'hidden' }}>
        <LivePage
          path={page}
          width={width}
          room={{ width: Math.min(room.width, width), height: room.height }}
          title={`${page} at ${width} px`}
          held={viewer ? state.held(viewer.pictures) : null}
        />
      </Box>
    </Box>
  );
}
