/** When each file of a page is there: bytes so far over time, and each picture where a visitor sees it first. */
import Box from '@mui/material/Box';
import { scaleLinear } from 'd3-scale';
import { area, curveLinear, line } from 'd3-shape';
import { inBytes } from '~core/site/index.ts';
import type { WeightFile, WeightView } from '~core/view/index.ts';
import { usePicture } from '../../../ui/site/pictureUrls';
import { color } from '../../../ui/theme';

/** CSS px. */
const EDGE = { top: 26, right: 24, bottom: 30, left: 64 };
const HEIGHT = 440;
const PICTURE = { width: 54, height: 38, gap: 6 };
const ROWS = 4;

/** When a file was there in the browser; ms. */
interface MeasuredFile {
  path: string;
  end: number;
}

interface Props {
  view: WeightView;
  measured: readonly MeasuredFile[];
  width: number;
}

export function WeightChart({ view, measured, width }: Props) {
  const coming = view.files.filter(({ times }) => times !== null);
  const steps = soFar(coming);
  const end = Math.max(view.clickable, ...steps.map(({ at }) => at), ...measured.map((one) => one.end), 1);
  const most = Math.max(view.bytes, view.limit ?? 0, 1);
  const x = scaleLinear([0, end * 1.04], [EDGE.left, width - EDGE.right]);
  const hangs = EDGE.top + ROWS * (PICTURE.height + PICTURE.gap);
  const y = scaleLinear([0, most], [HEIGHT - EDGE.bottom, hangs + 14]);
  const points: [number, number][] = [[x(0), y(0)], ...steps.map((one): [number, number] => [x(one.at), y(one.bytes)])];
  const curve = line().curve(curveLinear)(points) ?? '';
  const under = area().y0(y(0)).curve(curveLinear)(points) ?? '';
  return (
    <Box
      component="svg"
      width={width}
      height={HEIGHT}
      role="img"
      aria-label={`${inBytes(view.bytes)} in ${seconds(end)}; all files are listed below.`}
      sx={{ display: 'block', fontSize: '0.75rem', fill: color('stone') }}
    >
      <Ticks x={x} />
      <path d={under} fill={color('heatherWash')} />
      <path d={curve} fill="none" stroke={color('heather')} strokeWidth="2" />
      <text x={EDGE.left - 8} y={y(0)} textAnchor="end">
        0
      </text>
      <text x={EDGE.left - 8} y={y(view.bytes) + 4} textAnchor="end">
        {inBytes(view.bytes)}
      </text>
      {view.limit !== null && <Limit limit={view.limit} y={y(view.limit)} right={width - EDGE.right} />}
      <Clickable x={x(view.clickable)} at={view.clickable} isLate={x(view.clickable) > width - 160} />
      <Pictures files={coming} x={x} foot={y(0)} />
      {ringsOf(coming, measured).map(({ at, bytes }) => (
        <circle key={`${at} ${bytes}`} cx={x(at)} cy={y(bytes)} r="4" fill={color('paper')} stroke={color('peat')} />
      ))}
    </Box>
  );
}

const seconds = (ms: number): string => `${(ms / 1000).toFixed(1)} s`;

interface Step {
  /** ms. */
  at: number;
  bytes: number;
}

/** After each file that is there. */
function soFar(files: readonly WeightFile[]): Step[] {
  const sorted = files
    .flatMap(({ times, bytes }) => (times ? [{ at: times.done, bytes }] : []))
    .sort((a, b) => a.at - b.at);
  let sum = 0;
  return sorted.map(({ at, bytes }) => ({ at, bytes: (sum += bytes) }));
}

/** What the browser measured, by the bytes that the files have. */
function ringsOf(files: readonly WeightFile[], measured: readonly MeasuredFile[]): Step[] {
  const bytes = new Map(files.map((one) => [one.path, one.bytes]));
  const known = measured.filter(({ path }) => bytes.has(path)).sort((a, b) => a.end - b.end);
  let sum = 0;
  return known.map(({ path, end }) => ({ at: end, bytes: (sum += bytes.get(path) ?? 0) }));
}

type Scale = ReturnType<typeof scaleLinear<number, number>>;

const Ticks = ({ x }: { x: Scale }) =>
  x.ticks(6).map((ms) => (
    <g key={ms}>
      <line x1={x(ms)} x2={x(ms)} y1={EDGE.top - 8} y2={HEIGHT - EDGE.bottom} stroke={color('hair')} />
      <text x={x(ms)} y={14} textAnchor="middle">
        {`${ms / 1000} s`}
      </text>
    </g>
  ));

const Limit = ({ limit, y, right }: { limit: number; y: number; right: number }) => (
  <g fill={color('gorse')}>
    <line x1={EDGE.left} x2={right} y1={y} y2={y} stroke={color('gorse')} strokeDasharray="4 3" />
    <text x={right} y={y - 6} textAnchor="end" fontWeight="600">{`your limit ${inBytes(limit)}`}</text>
  </g>
);

function Clickable({ x, at, isLate }: { x: number; at: number; isLate: boolean }) {
  return (
    <g fill={color('lichen')}>
      <line x1={x} x2={x} y1={EDGE.top - 8} y2={HEIGHT - EDGE.bottom} stroke={color('lichen')} strokeDasharray="4 3" />
      <text
        x={isLate ? x - 6 : x + 6}
        y={HEIGHT - EDGE.bottom + 18}
        textAnchor={isLate ? 'end' : 'start'}
        fontWeight="600"
      >
        {`can be clicked at ${seconds(at)}`}
      </text>
    </g>
  );
}

interface Hung {
  file: WeightFile;
  at: number;
  row: number;
}

/** Each in the first row that has room; where none has, only its thread is drawn. */
function hung(files: readonly WeightFile[], x: Scale): Hung[] {
  const free = new Array<number>(ROWS).fill(-Infinity);
  const pictures = files.filter(({ kind, missing }) => kind === 'picture' && !missing);
  const sorted = pictures.sort((a, b) => (a.times?.done ?? 0) - (b.times?.done ?? 0));
  return sorted.map((file) => {
    const at = x(file.times?.done ?? 0);
    const row = free.findIndex((end) => end <= at);
    if (row >= 0) free[row] = at + PICTURE.width + PICTURE.gap;
    return { file, at, row };
  });
}

function Pictures({ files, x, foot }: { files: readonly WeightFile[]; x: Scale; foot: number }) {
  return hung(files, x).map(({ file, at, row }) => (
    <g key={file.path}>
      <line x1={at} x2={at} y1={topOf(Math.max(row, 0))} y2={foot} stroke={color('heather')} strokeOpacity="0.35" />
      {row >= 0 && <Hanging path={file.path} x={at} y={topOf(row)} />}
    </g>
  ));
}

const topOf = (row: number): number => EDGE.top + row * (PICTURE.height + PICTURE.gap);

function Hanging({ path, x, y }: { path: string; x: number; y: number }) {
  const url = usePicture(path);
  return (
    <>
      <rect x={x} y={y} width={PICTURE.width} height={PICTURE.height} fill={color('mist')} stroke={color('hair')} />
      {url !== null && (
        <image
          href={url}
          x={x}
          y={y}
          width={PICTURE.width}
          height={PICTURE.height}
          preserveAspectRatio="xMidYMid slice"
        />
      )}
    </>
  );
}
