/** Similarity by file size, a line for each format, with the point that is suggested and the one that is chosen. */
import Box from '@mui/material/Box';
import { scaleLinear, scaleLog } from 'd3-scale';
import { line } from 'd3-shape';
import { FORMAT_NAMES, type Encoded, type Format } from '~core/photo/index.ts';
import { inBytes } from '~core/site/index.ts';
import { color, type Token } from '../../../ui/theme';

export interface CurvePoint extends Encoded {
  format: Format;
}

interface CurveProps {
  points: readonly CurvePoint[];
  chosen: CurvePoint | null;
  suggested: CurvePoint | null;
  onChoose: (point: CurvePoint) => void;
}

const SIZE = { width: 340, height: 210 };
const EDGE = { left: 44, right: 12, top: 10, bottom: 34 };
const INK: Record<Format, Token> = { jpeg: 'heather', webp: 'lichen', avif: 'rust', png: 'stone' };
const DASH: Record<Format, string | undefined> = { jpeg: undefined, webp: '6 3', avif: '2 3', png: undefined };

const WAITING = { height: SIZE.height, display: 'grid', placeItems: 'center', color: color('stone') };

export function Curve({ points, chosen, suggested, onChoose }: CurveProps) {
  const drawn = points.filter((point) => point.similarity !== null);
  if (drawn.length === 0)
    return (
      <Box sx={WAITING} role="status">
        Trying qualities…
      </Box>
    );
  const bytes = drawn.map((point) => point.bytes);
  const least = Math.min(...drawn.map((point) => point.similarity ?? 1));
  const x = scaleLog([Math.min(...bytes) * 0.9, Math.max(...bytes) * 1.1], [EDGE.left, SIZE.width - EDGE.right]);
  const y = scaleLinear([Math.min(0.98, least - 0.005), 1], [SIZE.height - EDGE.bottom, EDGE.top]);
  const at = line<CurvePoint>(
    (point) => x(point.bytes),
    (point) => y(point.similarity ?? 0),
  );
  const formats = [...new Set(drawn.map((point) => point.format))];
  const ticks = x.ticks(3).filter((tick) => /^[125]/.test(String(tick)));
  return (
    <svg
      width={SIZE.width}
      height={SIZE.height}
      role="group"
      aria-label={`Similarity by file size; ${formats.map((format) => FORMAT_NAMES[format]).join(' and ')}`}
      style={{ display: 'block', fontSize: 11, fill: color('stone') }}
    >
      {y.ticks(4).map((tick) => (
        <g key={tick}>
          <line x1={EDGE.left} x2={SIZE.width - EDGE.right} y1={y(tick)} y2={y(tick)} stroke={color('hair')} />
          <text x={EDGE.left - 6} y={y(tick) + 4} textAnchor="end">
            {tick.toFixed(2)}
          </text>
        </g>
      ))}
      {ticks.map((tick) => (
        <text key={tick} x={x(tick)} y={SIZE.height - EDGE.bottom + 15} textAnchor="middle">
          {inBytes(tick)}
        </text>
      ))}
      <text x={SIZE.width - EDGE.right} y={SIZE.height - 4} textAnchor="end">
        file size
      </text>
      <text x={4} y={SIZE.height - 4}>
        similarity
      </text>
      {formats.map((format, n) => {
        const all = drawn.filter((point) => point.format === format).sort((a, b) => a.quality - b.quality);
        return (
          <g key={format}>
            <path
              d={at(all) ?? undefined}
              fill="none"
              stroke={color(INK[format])}
              strokeWidth={1.75}
              strokeDasharray={DASH[format]}
            />
            {all.map((point) => (
              <circle
                key={point.quality}
                cx={x(point.bytes)}
                cy={y(point.similarity ?? 0)}
                r={same(point, chosen) ? 6 : 3.5}
                fill={color(INK[format])}
                stroke={same(point, chosen) ? color('peat') : 'none'}
                strokeWidth={2}
                style={{ cursor: 'pointer' }}
                onClick={() => onChoose(point)}
              >
                <title>{`${FORMAT_NAMES[format]} ${point.quality}: ${inBytes(point.bytes)}, likeness ${(point.similarity ?? 0).toFixed(3)}`}</title>
              </circle>
            ))}
            <g transform={`translate(${EDGE.left + 8} ${EDGE.top + 8 + n * 15})`}>
              <line
                x1={0}
                x2={22}
                y1={-4}
                y2={-4}
                stroke={color(INK[format])}
                strokeWidth={1.75}
                strokeDasharray={DASH[format]}
              />
              <text x={27} style={{ fill: color(INK[format]), fontWeight: 600 }}>
                {FORMAT_NAMES[format]}
              </text>
            </g>
          </g>
        );
      })}
      {suggested && (
        <path
          d={`M${x(suggested.bytes)} ${y(suggested.similarity ?? 0) - 11} l6 6 -6 6 -6 -6z`}
          transform="translate(0 5)"
          fill="none"
          stroke={color('peat')}
          strokeWidth={1.5}
          pointerEvents="none"
        />
      )}
    </svg>
  );
}

const same = (a: CurvePoint, b: CurvePoint | null): boolean =>
  b !== null && a.format === b.format && a.quality === b.quality;
