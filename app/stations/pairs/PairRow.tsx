/** A pair: thumbnail and full-size picture joined by a thread as sure as the match is. */
import Box from '@mui/material/Box';
import type { PairState } from '~core/pairing/index.ts';
import type { PairView } from '~core/view/index.ts';
import { inBytes, Mono, Picture, Tag, toneInk, type Tone } from '../../ui/parts';
import { ink } from '../../ui/theme';

export const STATES: Record<PairState, { tone: Tone; word: string; dash: string | undefined }> = {
  sure: { tone: 'whole', word: 'sure', dash: undefined },
  'case differs': { tone: 'look', word: 'case differs', dash: '7 4' },
  'another picture': { tone: 'broken', word: 'another picture', dash: '2 3' },
  'no thumbnail': { tone: 'look', word: 'to be made', dash: '7 4' },
  swapped: { tone: 'broken', word: 'swapped', dash: '2 3' },
  unreadable: { tone: 'broken', word: 'unreadable', dash: '2 3' },
};

function says(pair: PairView): [string, string] {
  if (pair.thumbnail === null) return ['no thumbnail', `will be ${pair.thumbnailPath}`];
  const rests = pair.restsOn.map((reason) => (reason.kind === 'name' ? 'name' : 'page')).join(' and ') || 'name';
  const bits = pair.distance === null ? 'content not read yet' : `${pair.distance} of 64 bits apart`;
  if (pair.shows !== undefined) return [`${rests} only`, `shows ${pair.shows.replace(/^.*\//, '')}; ${bits}`];
  return [pair.state === 'case differs' ? `${rests}, but for case` : rests, bits];
}

export function PairRow({ pair, chosen, onChoose }: { pair: PairView; chosen: boolean; onChoose: () => void }) {
  const { tone, word, dash } = STATES[pair.state];
  const [rests, detail] = says(pair);
  return (
    <Box component="li" sx={{ borderTop: `1px solid ${ink('hair')}`, '&:first-of-type': { borderTop: 0 } }}>
      <Box
        component="button"
        type="button"
        aria-pressed={chosen}
        onClick={onChoose}
        sx={{ all: 'unset', boxSizing: 'border-box', cursor: 'pointer', display: 'grid', gridTemplateColumns: '84px 40px 96px minmax(0, 1fr) 210px 130px', alignItems: 'center', gap: 1.25, width: '100%', minHeight: 68, px: 1.5, py: 0.5, bgcolor: chosen ? ink('heatherWash') : 'transparent', '&:hover': { bgcolor: chosen ? ink('heatherWash') : ink('mist') }, '&:focus-visible': { outline: `2px solid ${ink('heather')}`, outlineOffset: '-2px' } }}
      >
        <Box sx={{ justifySelf: 'end' }}>
          <Picture path={pair.thumbnail} width={76} height={56} />
        </Box>
        <svg width="40" height="8" aria-hidden>
          <path d="M2 4H38" stroke={toneInk(tone)} strokeWidth="2" strokeDasharray={dash} />
        </svg>
        <Picture path={pair.full} width={92} height={60} />
        <Box sx={{ minWidth: 0, lineHeight: 1.5 }}>
          <Box><Mono>{pair.thumbnail ?? '—'}</Mono></Box>
          <Box><Mono tone="stone">{pair.full}</Mono></Box>
        </Box>
        <Box sx={{ fontSize: '0.8125rem' }}>
          <Box>{rests}</Box>
          <Box sx={{ color: ink('stone'), fontSize: '0.75rem', overflowWrap: 'anywhere' }}>{detail}</Box>
        </Box>
        <Box sx={{ textAlign: 'right', fontSize: '0.75rem', color: ink('stone') }}>
          <Tag tone={tone}>{word}</Tag>
          {pair.fullSize && <Box sx={{ mt: 0.5 }}>{`${pair.fullSize.width} × ${pair.fullSize.height} ${inBytes(pair.fullSize.bytes)}`}</Box>}
        </Box>
      </Box>
    </Box>
  );
}
