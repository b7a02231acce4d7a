/** A size before and after it is compressed, its weight and likeness, and the curve that both lie on. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Slider from '@mui/material/Slider';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { PictureTask } from '~core/model/index.ts';
import { FORMAT_NAMES, LIGHTENINGS, QUALITIES, suggestedPoint, type Format, type Size } from '~core/photo/index.ts';
import { inBytes } from '~core/site/index.ts';
import { color } from '../../../ui/theme';
import { Curve, type CurvePoint } from './Curve';
import { Detail } from './Detail';
import { useStage } from './useStage';
import { useTrials } from './useTrials';
import { Wipe } from './Wipe';

interface WeightProps {
  task: PictureTask;
  /** Bytes of what stands there now; null where nothing does. */
  now: number | null;
  /** The file's own pixels are kept, whatever the recipe says. */
  pixelsKept: boolean;
  fit: boolean;
  idle: boolean;
  onTake: (format: Format, quality: number, forAll: boolean) => void;
}

const PLAIN: readonly Format[] = ['jpeg', 'webp'];
const WITH_AVIF: readonly Format[] = ['jpeg', 'webp', 'avif'];
/** Beside the picture at its narrowest; CSS px. */
const SIDE_WIDTH = 340;

/** Where a picture leaves it more room, the curve comes beside the fields. */
const SIDE = {
  display: 'grid',
  gridTemplateColumns: `repeat(auto-fit, minmax(min(100%, ${SIDE_WIDTH - 20}px), 1fr))`,
  gap: 2,
  alignContent: 'start',
  fontSize: '0.8125rem',
  minWidth: 0,
};

const MIDDLE = { x: 0.5, y: 0.5 };

/** The curve and what is said under it; CSS px. */
const CURVE_HEIGHT = 300;

const FIELDS = { display: 'grid', gap: 1.5, alignContent: 'start', minWidth: 0 };

export function Weight({ task, now, pixelsKept, fit, idle, onTake }: WeightProps) {
  const [avif, setAvif] = useState(task.size.format === 'avif');
  const formats = avif ? WITH_AVIF : PLAIN;
  const trials = useTrials(task, formats);
  const [format, setFormat] = useState<Format>(task.size.format === 'png' ? 'jpeg' : task.size.format);
  const [quality, setQuality] = useState(task.size.quality);
  const over = useMade(trials, format, quality);
  const ready = trials.state === 'ready' ? trials.prepared : null;
  const { home, stage, columns } = useStage(SIDE_WIDTH, fit ? ready : null);
  const upright = uprightOf(fit, ready);
  const [at, setAt] = useState(MIDDLE);
  const says = `${FORMAT_NAMES[format]} ${quality}`;
  const points = useMemo(() => (trials.state === 'ready' ? trials.points : []), [trials]);
  const chosen = points.find((one) => one.format === format && one.quality === quality) ?? null;
  const suggested = suggestedPoint(points.filter((one) => one.format === format));
  const choose = (point: CurvePoint) => {
    setFormat(point.format);
    setQuality(point.quality);
  };
  /** Of what was tried, the lightest that is so alike. */
  const lighten = (similarity: number) => {
    const good = points
      .filter((one) => one.format === format && (one.similarity ?? 0) >= similarity)
      .sort((a, b) => a.bytes - b.bytes)[0];
    if (good) choose(good);
  };
  if (trials.state === 'failed')
    return (
      <Box role="alert" sx={{ color: color('rust'), p: 2 }}>
        {trials.reason}
      </Box>
    );
  return (
    <Box ref={home} sx={columns}>
      <Stage trials={trials} over={over} says={says} room={stage} fit={fit} onPoint={upright && setAt} />
      <Box sx={SIDE}>
        <Box sx={FIELDS}>
          <Formats formats={formats} format={format} onFormat={setFormat} onAvif={avif ? null : () => setAvif(true)} />
          <Box>
            <Box id="close-quality">{`Quality ${quality}`}</Box>
            <Slider
              size="small"
              aria-labelledby="close-quality"
              min={QUALITIES.least}
              max={QUALITIES.most}
              value={quality}
              onChange={(_event, value) => setQuality(value)}
            />
          </Box>
          <Figures trials={trials} chosen={chosen} now={now} />
          {pixelsKept && <Lighten idle={points.length === 0} onLighten={lighten} />}
          <Box sx={{ display: 'flex', gap: 1, mt: 0.5 }}>
            <Button
              variant="contained"
              color="primary"
              disabled={idle || !chosen}
              onClick={() => onTake(format, quality, false)}
            >
              Apply to this picture
            </Button>
            {!pixelsKept && (
              <Button disabled={idle || !chosen} onClick={() => onTake(format, quality, true)}>
                Apply to all
              </Button>
            )}
          </Box>
        </Box>
        <Box sx={FIELDS}>
          <Curve points={points} chosen={chosen} suggested={suggested} onChoose={choose} />
          {suggested && <Suggestion point={suggested} onChoose={choose} />}
        </Box>
        <UprightDetail shown={upright} over={over} says={says} at={at} height={stage.height} />
      </Box>
    </Box>
  );
}

/** A picture that is shown whole and is higher than wide; null for others, whose pointer nobody follows. */
const uprightOf = <Shown extends Size>(fit: boolean, shown: Shown | null): Shown | null =>
  fit && shown && shown.height > shown.width ? shown : null;

interface UprightDetailProps {
  shown: (Size & { url: string }) | null;
  over: string | null;
  says: string;
  at: { x: number; y: number };
  /** Of the picture; CSS px. */
  height: number;
}

/** An upright picture leaves room beside it, under the curve. */
function UprightDetail({ shown, says, height, ...detail }: UprightDetailProps) {
  if (shown === null) return null;
  return (
    <Detail
      {...detail}
      under={shown.url}
      says={['uncompressed', says]}
      picture={shown}
      height={Math.max(120, height - CURVE_HEIGHT)}
    />
  );
}

type Trials = ReturnType<typeof useTrials>;

/** Address of the picture made in a format and quality; null until it is made. */
function useMade(trials: Trials, format: Format, quality: number): string | null {
  const [over, setOver] = useState<string | null>(null);
  const tell = trials.state === 'ready' ? trials.tell : null;
  const ready = trials.state === 'ready' ? trials.prepared.url : null;
  const latest = useRef(tell);
  useEffect(() => {
    latest.current = tell;
  });
  useEffect(() => {
    if (ready === null) return undefined;
    let gone = false;
    let url: string | null = null;
    void latest.current?.(format, quality).then((made) => {
      if (gone && made !== null) URL.revokeObjectURL(made);
      if (gone) return;
      url = made;
      setOver(made);
    });
    return () => {
      gone = true;
      if (url !== null) URL.revokeObjectURL(url);
    };
  }, [ready, format, quality]);
  return over;
}

const stageStyle = (room: Size, fit: boolean) => ({
  ...room,
  overflow: 'auto',
  display: 'grid',
  placeItems: fit ? 'center' : 'start',
  bgcolor: color('mist'),
  border: `1px solid ${color('hair')}`,
});

/** The size uncompressed, and over it what compression makes of it. */
function Stage({
  trials,
  over,
  says,
  room,
  fit,
  onPoint,
}: {
  trials: Trials;
  over: string | null;
  says: string;
  room: Size;
  fit: boolean;
  /** Where in the picture the pointer is, as shares of its width and height; null where nobody asks. */
  onPoint: ((at: { x: number; y: number }) => void) | null;
}) {
  return (
    <Box role="region" aria-label="Before and after" tabIndex={fit ? undefined : 0} sx={stageStyle(room, fit)}>
      {trials.state === 'ready' ? (
        <Wipe
          under={trials.prepared.url}
          over={over}
          says={['uncompressed', says]}
          width={trials.prepared.width}
          height={trials.prepared.height}
          fit={fit ? room : null}
          onPoint={onPoint}
        />
      ) : (
        <Box sx={{ width: 240 }} role="status">
          <p>Creating it…</p>
          <LinearProgress aria-label="Creating the size" />
        </Box>
      )}
    </Box>
  );
}

const CHOICE = { py: 0.25, px: 1.5, textTransform: 'none' } as const;

function Formats({
  formats,
  format,
  onFormat,
  onAvif,
}: {
  formats: readonly Format[];
  format: Format;
  onFormat: (format: Format) => void;
  /** Null where it is tried already. */
  onAvif: (() => void) | null;
}) {
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      value={format}
      aria-label="Format"
      onChange={(_event, value: Format | '' | null) => value && onFormat(value)}
    >
      {formats.map((one) => (
        <ToggleButton key={one} value={one} sx={CHOICE}>
          {FORMAT_NAMES[one]}
        </ToggleButton>
      ))}
      {onAvif && (
        <ToggleButton value="" onClick={onAvif} sx={CHOICE}>
          try AVIF (slow)
        </ToggleButton>
      )}
    </ToggleButtonGroup>
  );
}

const FIGURES = {
  m: 0,
  display: 'grid',
  gridTemplateColumns: 'auto 1fr',
  columnGap: 2,
  rowGap: 0.25,
  '& dt': { color: color('stone') },
  '& dd': { m: 0 },
};

function Figures({ trials, chosen, now }: { trials: Trials; chosen: CurvePoint | null; now: number | null }) {
  const stands = now === null ? '' : `; now ${inBytes(now)}`;
  return (
    <Box component="dl" sx={FIGURES}>
      <dt>Size</dt>
      <dd>{trials.state === 'ready' ? `${trials.prepared.width} × ${trials.prepared.height} px` : '…'}</dd>
      <dt>File size</dt>
      <dd>{chosen ? `${inBytes(chosen.bytes)}${stands}` : '…'}</dd>
      <dt>Similarity</dt>
      <dd>{chosen?.similarity?.toFixed(3) ?? '…'}</dd>
    </Box>
  );
}

function Suggestion({ point, onChoose }: { point: CurvePoint; onChoose: (point: CurvePoint) => void }) {
  const { format, quality, bytes, similarity } = point;
  const says = `${FORMAT_NAMES[format]} ${quality}, ${inBytes(bytes)}, similarity ${(similarity ?? 0).toFixed(3)}`;
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
      <Box sx={{ flex: 1 }}>{`Suggested: ${says}`}</Box>
      <Button size="small" onClick={() => onChoose(point)}>
        Use the suggestion
      </Button>
    </Box>
  );
}

function Lighten({ idle, onLighten }: { idle: boolean; onLighten: (similarity: number) => void }) {
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.75 }}>
      <Box sx={{ flex: 1 }}>Compress</Box>
      {LIGHTENINGS.map(({ name, similarity }) => (
        <Button key={name} size="small" disabled={idle} onClick={() => onLighten(similarity)}>
          {name}
        </Button>
      ))}
    </Box>
  );
}
