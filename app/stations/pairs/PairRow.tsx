/**
 * A pair: thumbnail and full-size picture joined by a thread as sure as the match is; chosen, it shows its ways out.
 */
import type { DraggableSyntheticListeners } from '@dnd-kit/core';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { memo, useCallback, useState, type ReactNode } from 'react';
import type { SizeRecipe } from '~core/photo/index.ts';
import type { PairView } from '~core/view/index.ts';
import { inBytes, keysOf } from '~core/site/index.ts';
import type { Work } from '../../data/work';
import { toneColor } from '../../ui/parts/small';
import { usePicture } from '../../ui/site/pictureUrls';
import { RowDrag } from './RowDrag';
import { LARGE } from './rowStyles';
import { grounds, outlined, shownState, waysOut } from './states';

/** Where a row stands in a list of which only a part is made. */
interface RowPlace {
  index: number;
  of: number;
  /** CSS px from the top of the list. */
  top: number;
  measure: (element: Element | null) => void;
}

interface PairRowProps {
  pair: PairView;
  chosen: boolean;
  /** Nothing can be written now. */
  idle: boolean;
  /** What a thumbnail is made to. */
  size: SizeRecipe;
  onChoose: (pair: PairView) => void;
  onWork: (work: Work) => void;
  onPairByHand: (thumbnail: string) => void;
  onCloseLook: (full: string) => void;
  /** Something is being dragged, and may be dropped here. */
  dragging: boolean;
  place?: RowPlace;
}

const WAYS = { display: 'flex', flexWrap: 'wrap', gap: 0.75, pl: '145px', pr: 1.5, pb: 1 } as const;

export const PairRow = memo(function PairRow({
  pair,
  chosen,
  idle,
  size,
  onChoose,
  onWork,
  onPairByHand,
  onCloseLook,
  dragging,
  place,
}: PairRowProps) {
  const [element, setElement] = useState<HTMLElement | null>(null);
  const [pointed, setPointed] = useState(false);
  const [grip, setGrip] = useState<DraggableSyntheticListeners>();
  const [over, setOver] = useState(false);
  const measure = chosen ? place?.measure : undefined;
  const attach = useCallback(
    (made: HTMLElement | null) => {
      setElement(made);
      // Rows that are not chosen are all of one height, and measuring costs; what was measured once is watched on.
      measure?.(made);
    },
    [measure],
  );
  const armed = (pointed || dragging) && element !== null;
  const unmoved = chosen ? 'chosen' : undefined;
  return (
    <li
      ref={attach}
      className={over ? 'onto' : unmoved}
      {...(place
        ? {
            'data-index': place.index,
            'aria-setsize': place.of,
            'aria-posinset': place.index + 1,
            style: { position: 'absolute', left: 0, right: 0, top: place.top },
          }
        : {})}
      onPointerEnter={() => setPointed(true)}
      onPointerLeave={() => setPointed(false)}
      {...(armed ? grip : undefined)}
    >
      {armed && <RowDrag pair={pair} element={element} idle={idle} onGrip={setGrip} onOver={setOver} />}
      <PairFace pair={pair} chosen={chosen} onChoose={onChoose} />
      {chosen && (
        <Box role="group" aria-label={`More actions for ${pair.name}`} sx={WAYS}>
          {pair.trouble === null && pair.fullSize && (
            <Button size="small" onClick={() => onCloseLook(pair.full)}>
              Close look
            </Button>
          )}
          {waysOut(pair, size).map(({ label, work }) => (
            <Button key={label} size="small" disabled={idle} onClick={() => onWork(work)}>
              {label}
            </Button>
          ))}
          {pair.thumbnail !== null && (
            <Button size="small" disabled={idle} onClick={() => onPairByHand(pair.thumbnail ?? '')}>
              Pair the thumbnail with another…
            </Button>
          )}
        </Box>
      )}
    </li>
  );
}, sameRow);

/** What a row shows; apart, for rows are told of every row that comes and goes while something may be dragged. */
const PairFace = memo(function PairFace({
  pair,
  chosen,
  onChoose,
}: Pick<PairRowProps, 'pair' | 'chosen' | 'onChoose'>) {
  const { tone, word, dash } = shownState(pair);
  const [rests, detail] = grounds(pair);
  return (
    <button type="button" className="pair" aria-pressed={chosen} onClick={() => onChoose(pair)}>
      <span className="end">
        <Shown path={pair.thumbnail} kind="small" />
      </span>
      <svg width="40" height="8" aria-hidden>
        <path d="M2 4H38" stroke={toneColor(tone)} strokeWidth="2" strokeDasharray={dash} />
      </svg>
      <Shown path={pair.full} kind="large">
        <Crop pair={pair} />
      </Shown>
      <span className="names">
        <div>{pair.thumbnail ?? '—'}</div>
        <div className="quiet">{pair.full}</div>
      </span>
      <span className="grounds">
        <div>{rests}</div>
        <div className="quiet">{detail}</div>
      </span>
      <span className="state">
        <span className={`tag ${tone}`}>{word}</span>
        {pair.fullSize && (
          <div>{`${pair.fullSize.width} × ${pair.fullSize.height} ${inBytes(pair.fullSize.bytes)}`}</div>
        )}
        {pair.animated && <div>animated; a created size is its first frame</div>}
      </span>
    </button>
  );
});

/** Places are made anew for each scroll; only where they differ has a row to follow. */
function sameRow(a: PairRowProps, b: PairRowProps): boolean {
  const { place: before, ...left } = a;
  const { place: after, ...right } = b;
  return (
    keysOf(left).every((key) => left[key] === right[key]) &&
    before?.top === after?.top &&
    before?.index === after?.index &&
    before?.of === after?.of
  );
}

/** A picture in its place; a dashed frame where there is none. */
function Shown({ path, kind, children }: { path: string | null; kind: 'small' | 'large'; children?: ReactNode }) {
  const url = usePicture(path);
  if (path === null) return <span className={`${kind} empty`} aria-hidden />;
  return (
    <span className={kind}>
      {url !== null && <img src={url} alt="" loading="lazy" decoding="async" />}
      {children}
    </span>
  );
}

/** The outline of the part that the thumbnail shows. */
function Crop({ pair }: { pair: PairView }) {
  const crop = outlined(pair);
  const size = pair.fullSize;
  if (!crop || !size || size.width === 0) return null;
  const scale = Math.min(LARGE.width / size.width, LARGE.height / size.height);
  const shown = { width: size.width * scale, height: size.height * scale };
  return (
    <span
      role="img"
      aria-label="The part that the thumbnail shows"
      className="crop"
      style={{
        left: (LARGE.width - shown.width) / 2 + crop.left * shown.width,
        top: (LARGE.height - shown.height) / 2 + crop.top * shown.height,
        width: crop.width * shown.width,
        height: crop.height * shown.height,
      }}
    />
  );
}
