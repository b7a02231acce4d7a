/** The point about which a picture is cut: moved on the picture, shown for every size. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState, type KeyboardEvent } from 'react';
import { FULL_SIZE, THUMBNAIL } from '~core/model/index.ts';
import { partAround, sayRecipe, type Recipe, type Size, type SizeRecipe } from '~core/photo/index.ts';
import type { PairView } from '~core/view/index.ts';
import { color } from '../../../ui/theme';
import { heldPointer } from './pointer';
import { useStage } from './useStage';
import { useWork } from '../../../ui/site/work';

interface CropProps {
  pair: PairView;
  url: string;
  recipe: Recipe;
  idle: boolean;
}

/** Beside the picture at its narrowest; CSS px. */
const SIDE_WIDTH = 420;
const PREVIEW = { usual: 150, large: 230 };
const STEP = 0.01;
const MOVES: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
  ArrowUp: [0, -STEP],
  ArrowDown: [0, STEP],
};

const kept = (share: number) => Math.min(1, Math.max(0, share));

/** Sizes that are cut; where none is, the shapes that people cut to, so that the point can be judged. */
function shapesOf({ thumbnail, fullSize, further }: Recipe): { title: string; width: number; height: number }[] {
  const all: { title: string; size: SizeRecipe }[] = [
    { title: THUMBNAIL, size: thumbnail },
    { title: FULL_SIZE, size: fullSize },
    ...further,
  ];
  const cut = all.flatMap(({ title, size }) =>
    size.shape === 'crop' && size.width !== null && size.height !== null
      ? [{ title: `${title}: ${sayRecipe(size)}`, width: size.width, height: size.height }]
      : [],
  );
  return cut.length > 0
    ? cut
    : [
        { title: 'a square', width: 1, height: 1 },
        { title: '4 to 3', width: 4, height: 3 },
        { title: 'upright, 3 to 4', width: 3, height: 4 },
      ];
}

const STAGE_STYLE = {
  display: 'grid',
  placeItems: 'center',
  bgcolor: color('mist'),
  border: `1px solid ${color('hair')}`,
};

const SIDE = { display: 'grid', gap: 1.5, alignContent: 'start', fontSize: '0.8125rem' };

export function Crop({ pair, url, recipe, idle }: CropProps) {
  const { work } = useWork();
  const [moved, setMoved] = useState<{ x: number; y: number } | null>(null);
  const full: Size = pair.fullSize ?? { width: 1, height: 1 };
  const focus = moved ?? pair.focus;
  const { home, stage, columns } = useStage(SIDE_WIDTH, full);
  const scale = Math.min(stage.width / full.width, stage.height / full.height);
  const shown = { width: full.width * scale, height: full.height * scale };
  const onKey = (event: KeyboardEvent) => {
    const step = MOVES[event.key];
    if (!step) return;
    event.preventDefault();
    const times = event.shiftKey ? 5 : 1;
    setMoved({ x: kept(focus.x + step[0] * times), y: kept(focus.y + step[1] * times) });
  };
  const keep = (point: { x: number; y: number } | null) => {
    work({
      do: 'intent',
      intent: {
        kind: 'set-focus',
        picture: pair.full,
        focus: point && { x: Number(point.x.toFixed(4)), y: Number(point.y.toFixed(4)) },
      },
    });
    setMoved(null);
  };
  const shapes = shapesOf(recipe);
  const none =
    recipe.thumbnail.shape !== 'crop' &&
    recipe.fullSize.shape !== 'crop' &&
    recipe.further.every(({ size }) => size.shape !== 'crop');
  return (
    <Box ref={home} sx={columns}>
      <Box sx={STAGE_STYLE} style={stage}>
        <Box
          sx={{ position: 'relative', cursor: 'crosshair', touchAction: 'none' }}
          style={shown}
          {...heldPointer((x, y) => setMoved({ x, y }))}
        >
          <img
            src={url}
            alt=""
            draggable={false}
            width={shown.width}
            height={shown.height}
            style={{ display: 'block' }}
          />
          {shapes.map((box, n) => (
            <Cut key={box.title} part={partAround(full, box, focus)} scale={scale} first={n === 0} />
          ))}
          <Point at={focus} onKeyDown={onKey} />
        </Box>
      </Box>
      <Box sx={SIDE}>
        <Box>
          {pair.focus.chosen
            ? 'The point was chosen by hand.'
            : 'The point is suggested: the middle of what has detail.'}
          {none ? ' No image size is cropped; these shapes show what it would do.' : ''}
        </Box>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5 }}>
          {shapes.map((box) => (
            <Preview key={box.title} title={box.title} url={url} full={full} part={partAround(full, box, focus)} />
          ))}
        </Box>
        {moved === null && (
          <Box sx={{ color: color('stone') }}>
            Move the point, with the pointer or the arrow keys, to crop elsewhere.
          </Box>
        )}
        <Box sx={{ display: 'flex', gap: 1 }}>
          <Button variant="contained" color="primary" disabled={idle || moved === null} onClick={() => keep(focus)}>
            Crop around this point
          </Button>
          {pair.focus.chosen && (
            <Button disabled={idle} onClick={() => keep(null)}>
              Use the suggested point
            </Button>
          )}
        </Box>
      </Box>
    </Box>
  );
}

const CUT = {
  position: 'absolute',
  border: '1px solid #fff',
  outline: '1px solid #2A2320',
  pointerEvents: 'none',
  boxSizing: 'border-box',
} as const;

/** What of the picture a shape would show. */
function Cut({ part, scale, first }: { part: ReturnType<typeof partAround>; scale: number; first: boolean }) {
  const place = {
    left: part.left * scale,
    top: part.top * scale,
    width: part.width * scale,
    height: part.height * scale,
    outlineStyle: first ? ('solid' as const) : ('dashed' as const),
  };
  return <Box aria-hidden sx={CUT} style={place} />;
}

const POINT = {
  position: 'absolute',
  width: 24,
  height: 24,
  ml: '-12px',
  mt: '-12px',
  borderRadius: '50%',
  border: '2px solid #fff',
  bgcolor: 'rgb(116 70 140 / 0.55)',
  boxShadow: '0 0 0 1.5px #2A2320',
} as const;

function Point({ at, onKeyDown }: { at: { x: number; y: number }; onKeyDown: (event: KeyboardEvent) => void }) {
  const [left, top] = [Math.round(at.x * 100), Math.round(at.y * 100)];
  return (
    <Box
      role="slider"
      tabIndex={0}
      aria-label="Crop point; arrow keys move it"
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuenow={left}
      aria-valuetext={`${left} % from the left, ${top} % from the top`}
      onKeyDown={onKeyDown}
      sx={POINT}
      style={{ left: `${at.x * 100}%`, top: `${at.y * 100}%` }}
    />
  );
}

function Preview({
  title,
  url,
  full,
  part,
}: {
  title: string;
  url: string;
  full: Size;
  part: { left: number; top: number; width: number; height: number };
}) {
  // An upright picture leaves them more room.
  const size = full.height > full.width ? PREVIEW.large : PREVIEW.usual;
  const scale = size / Math.max(part.width, part.height);
  return (
    <Box component="figure" sx={{ m: 0, maxWidth: size + 20 }}>
      <Box
        sx={{ overflow: 'hidden', position: 'relative' }}
        style={{ width: part.width * scale, height: part.height * scale }}
      >
        <img
          src={url}
          alt=""
          style={{
            position: 'absolute',
            left: -part.left * scale,
            top: -part.top * scale,
            width: full.width * scale,
            height: full.height * scale,
          }}
        />
      </Box>
      <Box component="figcaption" sx={{ color: color('stone'), mt: 0.5 }}>
        {title}
      </Box>
    </Box>
  );
}
