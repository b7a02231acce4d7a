/** A part of a picture in its own pixels, before and after: for an upright one there is room beside it. */
import Box from '@mui/material/Box';
import type { Size } from '~core/photo/index.ts';
import { useWidth } from '../../../ui/parts/useWidth';
import { color } from '../../../ui/theme';

interface DetailProps {
  /** Addresses of the picture before and after; the second is null while it is made. */
  under: string;
  over: string | null;
  says: readonly [string, string];
  /** Image px. */
  picture: Size;
  /** What is in the middle, as shares of the picture's width and height. */
  at: { x: number; y: number };
  /** CSS px. */
  height: number;
}

const BOTH = { gridColumn: '1 / -1', display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 };

export function Detail({ under, over, says, ...place }: DetailProps) {
  return (
    <Box component="section" aria-label="Detail in actual pixels" sx={BOTH}>
      <Part url={under} says={says[0]} {...place} />
      <Part url={over ?? under} says={over === null ? '…' : says[1]} {...place} />
    </Box>
  );
}

const partStyle = (height: number) =>
  ({
    height,
    overflow: 'hidden',
    position: 'relative',
    bgcolor: color('mist'),
    border: `1px solid ${color('hair')}`,
  }) as const;

interface PartProps extends Pick<DetailProps, 'picture' | 'at' | 'height'> {
  url: string;
  says: string;
}

function Part({ url, says, picture, at, height }: PartProps) {
  const { box: room, width } = useWidth();
  const pixel = 1 / globalThis.devicePixelRatio;
  const shown = { width: picture.width * pixel, height: picture.height * pixel };
  const left = startOf(at.x, shown.width, width);
  const top = startOf(at.y, shown.height, height);
  return (
    <Box>
      <Box ref={room} sx={partStyle(height)}>
        <img src={url} alt="" {...shown} style={{ position: 'absolute', left: -left, top: -top }} />
      </Box>
      <Box sx={{ fontSize: '0.75rem', color: color('stone') }}>{says}</Box>
    </Box>
  );
}

/** Where a window of `room` begins that has a share of `whole` in its middle and does not reach out of it. */
const startOf = (share: number, whole: number, room: number): number =>
  Math.max(0, Math.min(share * whole - room / 2, whole - room));
