/** Thumbnail and full-size picture at true relative size: one scale for both, the crop outlined. */
import Box from '@mui/material/Box';
import type { PairView } from '~core/view/index.ts';
import { inBytes } from '~core/site/index.ts';
import { color } from '../../../ui/theme';
import { outlined } from '../states';
import { useStage } from './useStage';

const stageStyle = (gap: number, height: number) =>
  ({
    height,
    overflow: 'auto',
    display: 'flex',
    gap: `${gap}px`,
    alignItems: 'flex-start',
    bgcolor: color('mist'),
  }) as const;

const CROP = {
  position: 'absolute',
  border: '1px solid #fff',
  outline: '1.5px solid #2A2320',
  boxSizing: 'border-box',
} as const;

export function Beside({
  pair,
  small,
  large,
  fit,
}: {
  pair: PairView;
  small: string | null;
  large: string;
  fit: boolean;
}) {
  const full = pair.fullSize ?? { width: 1, height: 1, bytes: 0 };
  const thumbnail = pair.thumbnailSize;
  const gap = 24;
  const { home, stage } = useStage(0, null);
  const scale = fit
    ? Math.min(
        1,
        (stage.width - gap) / (full.width + (thumbnail?.width ?? 0)),
        stage.height / Math.max(full.height, thumbnail?.height ?? 0),
      )
    : 1 / globalThis.devicePixelRatio;
  const crop = outlined(pair);
  return (
    <Box ref={home}>
      <Box
        role="region"
        aria-label="At true relative size"
        tabIndex={fit ? undefined : 0}
        sx={stageStyle(gap, stage.height)}
      >
        {small !== null && thumbnail && (
          <img
            src={small}
            alt={`Thumbnail ${pair.thumbnail ?? ''}`}
            width={thumbnail.width * scale}
            height={thumbnail.height * scale}
            style={{ flexShrink: 0 }}
          />
        )}
        <Box
          sx={{ position: 'relative', flexShrink: 0 }}
          style={{ width: full.width * scale, height: full.height * scale }}
        >
          <img
            src={large}
            alt={`Full-size ${pair.full}`}
            width={full.width * scale}
            height={full.height * scale}
            style={{ display: 'block' }}
          />
          {crop && (
            <Box
              role="img"
              aria-label="The part that the thumbnail shows"
              sx={CROP}
              style={{
                left: `${crop.left * 100}%`,
                top: `${crop.top * 100}%`,
                width: `${crop.width * 100}%`,
                height: `${crop.height * 100}%`,
              }}
            />
          )}
        </Box>
      </Box>
      <Box sx={{ mt: 1, fontSize: '0.8125rem', color: color('stone') }}>
        {thumbnail
          ? `Thumbnail ${thumbnail.width} × ${thumbnail.height} px, ${inBytes(thumbnail.bytes)}. `
          : 'No thumbnail yet. '}
        {`Full-size ${full.width} × ${full.height} px, ${inBytes(full.bytes)}.`}
        {thumbnail ? ` One to ${(full.width / thumbnail.width).toFixed(1)}.` : ''}
      </Box>
    </Box>
  );
}
