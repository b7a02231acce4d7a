/** A strand in small: its thread with five beads, a gap and a notch where it is broken. The words beside it say so. */
import type { Strand } from '~core/model/index.ts';
import { color } from '../theme';
import { toneColor } from './small';

/** CSS px. */
const STEP = 15;
const R = 3.4;
const WIDTH = STEP * 4 + R * 2 + 4;
const HEIGHT = 12;

const TONE = { whole: 'whole', look: 'look', broken: 'broken', none: 'plain' } as const;

const xOf = (n: number): number => R + 2 + n * STEP;

export function Thread({ joints }: { joints: Strand['joints'] }) {
  const y = HEIGHT / 2;
  return (
    <svg width={WIDTH} height={HEIGHT} aria-hidden style={{ display: 'block', flexShrink: 0 }}>
      {joints.slice(1).map(({ name, state }, n) => {
        const isCut = state === 'broken' || joints[n]?.state === 'broken';
        return (
          <path
            key={name}
            d={`M${xOf(n) + R} ${y}H${xOf(n + 1) - R}`}
            stroke={isCut ? color('rust') : color('lichen')}
            strokeWidth="1.6"
            strokeDasharray={isCut ? '1.5 3' : undefined}
          />
        );
      })}
      {joints.map(({ name, state }, n) => (
        <Bead key={name} x={xOf(n)} y={y} state={state} />
      ))}
    </svg>
  );
}

function Bead({ x, y, state }: { x: number; y: number; state: Strand['joints'][number]['state'] }) {
  const colour = toneColor(TONE[state]);
  if (state === 'broken')
    return <path d={`M${x} ${y - R}l${R} ${R}-${R} ${R}-${R}-${R}`} fill="none" stroke={colour} strokeWidth="1.6" />;
  if (state === 'look')
    return <path d={`M${x - R} ${y - R}h${2 * R}v${2 * R}h-${2 * R}z`} fill="none" stroke={colour} strokeWidth="1.6" />;
  const dash = state === 'none' ? '1.5 2' : undefined;
  return <circle cx={x} cy={y} r={R} fill={color('paper')} stroke={colour} strokeWidth="1.6" strokeDasharray={dash} />;
}
