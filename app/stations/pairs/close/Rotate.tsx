/** A picture rotated by quarters and brought level, as it will be; its original stays as it is. */
import RotateLeft from '@mui/icons-material/RotateLeft';
import RotateRight from '@mui/icons-material/RotateRight';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Slider from '@mui/material/Slider';
import { useId, useState } from 'react';
import {
  isRotated,
  MOST_DEGREES,
  rotationBetween,
  shareLeft,
  UNROTATED,
  type Rotation,
  type Size,
} from '~core/photo/index.ts';
import type { PairView } from '~core/view/index.ts';
import { useOriginal } from '../../../ui/site/pictureUrls';
import { useWork } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import { useStage } from './useStage';

/** Beside the picture at its narrowest; CSS px. */
const SIDE_WIDTH = 340;

/** Finer than the eye tells on a screen; degrees. */
const STEP = 0.1;

/** With a true minus. */
const sayDegrees = (value: number, places = 1): string => `${value.toFixed(places).replace('-', '−')}°`;

const MARKS = [-MOST_DEGREES, 0, MOST_DEGREES].map((value) => ({ value, label: sayDegrees(value, 0) }));

const STAGE = { display: 'grid', placeItems: 'center', bgcolor: color('mist'), border: `1px solid ${color('hair')}` };
const SIDE = { display: 'grid', gap: 2, alignContent: 'start', fontSize: '0.8125rem', minWidth: 0, maxWidth: 480 };

export function Rotate({ pair, idle }: { pair: PairView; idle: boolean }) {
  const { work } = useWork();
  const original = useOriginal(pair.full);
  const [rotation, setRotation] = useState(pair.rotation);
  const [size, setSize] = useState<Size>(pair.fullSize ?? { width: 1, height: 1 });
  const shown = original ? rotationBetween(original.already, rotation) : UNROTATED;
  const turned = shown.quarters % 2 === 0 ? size : { width: size.height, height: size.width };
  const { home, stage, columns } = useStage(SIDE_WIDTH, turned);
  const by = (quarters: number) => setRotation({ ...rotation, quarters: (rotation.quarters + quarters) % 4 });
  const isAsBefore = rotation.quarters === pair.rotation.quarters && rotation.degrees === pair.rotation.degrees;
  return (
    <Box ref={home} sx={columns}>
      <Box sx={STAGE} style={stage}>
        {original && <Rotated url={original.url} size={size} rotation={shown} room={stage} onSize={setSize} />}
      </Box>
      <Box sx={SIDE}>
        <Box sx={{ display: 'flex', gap: 1 }}>
          <Button startIcon={<RotateLeft />} onClick={() => by(3)}>
            Rotate left
          </Button>
          <Button startIcon={<RotateRight />} onClick={() => by(1)}>
            Rotate right
          </Button>
        </Box>
        <Straighten degrees={rotation.degrees} onChange={(degrees) => setRotation({ ...rotation, degrees })} />
        <Box sx={{ color: color('stone') }}>
          Thumbnail and full-size file are created again, in the site’s image sizes, from the original, which stays.
          Corners that a slant leaves empty are cut off; the picture keeps its shape.
        </Box>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
          <Button
            variant="contained"
            color="primary"
            disabled={idle || isAsBefore}
            onClick={() => work({ do: 'rotate', picture: pair.full, rotation })}
          >
            {`Apply to the files of ${pair.name}`}
          </Button>
          {isRotated(rotation) && <Button onClick={() => setRotation(UNROTATED)}>Back to the original</Button>}
        </Box>
      </Box>
    </Box>
  );
}

function Straighten({ degrees, onChange }: { degrees: number; onChange: (degrees: number) => void }) {
  const id = useId();
  return (
    <Box sx={{ px: 1 }}>
      <Box id={id}>{`Straighten: ${sayDegrees(degrees)}`}</Box>
      <Slider
        size="small"
        track={false}
        min={-MOST_DEGREES}
        max={MOST_DEGREES}
        step={STEP}
        marks={MARKS}
        value={degrees}
        aria-labelledby={id}
        getAriaValueText={(value) => `${value.toFixed(1)} degrees`}
        onChange={(_event, value) => onChange(Number(value.toFixed(1)))}
      />
    </Box>
  );
}

const FRAME = { position: 'relative', overflow: 'hidden' } as const;

const LINE = 'rgb(255 255 255 / 0.55)';
/** Level and plumb lines to judge by, light and dark so that they show on any picture. */
const LEVELS = {
  position: 'absolute',
  inset: 0,
  backgroundImage: [
    `linear-gradient(${LINE} 1px, rgb(0 0 0 / 0.3) 1px 2px, transparent 2px)`,
    `linear-gradient(90deg, ${LINE} 1px, rgb(0 0 0 / 0.3) 1px 2px, transparent 2px)`,
  ].join(', '),
} as const;

/** Squares between the lines across the longer side. */
const SQUARES = 12;

interface RotatedProps {
  url: string;
  /** Of the original; image px. */
  size: Size;
  rotation: Rotation;
  /** CSS px. */
  room: Size;
  onSize: (size: Size) => void;
}

/** The part of the original that is left, as large as there is room for. */
function Rotated({ url, size, rotation, room, onSize }: RotatedProps) {
  const { quarters, degrees } = rotation;
  const turned = quarters % 2 === 0 ? size : { width: size.height, height: size.width };
  const share = shareLeft(turned, degrees);
  const scale = Math.min(room.width / (turned.width * share), room.height / (turned.height * share));
  const frame = { width: turned.width * share * scale, height: turned.height * share * scale };
  const square = Math.max(frame.width, frame.height) / SQUARES;
  return (
    <Box sx={FRAME} style={frame}>
      <img
        src={url}
        alt=""
        onLoad={({ currentTarget: { naturalWidth, naturalHeight } }) =>
          onSize({ width: naturalWidth, height: naturalHeight })
        }
        style={{
          position: 'absolute',
          left: '50%',
          top: '50%',
          width: size.width * scale,
          height: size.height * scale,
          transform: `translate(-50%, -50%) rotate(${quarters * 90 + degrees}deg)`,
        }}
      />
      <Box aria-hidden sx={LEVELS} style={{ backgroundSize: `${square}px ${square}px` }} />
    </Box>
  );
}
