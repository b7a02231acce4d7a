/** One picture of the page: what a click does as the text says, and what the browser did. */
import Box from '@mui/material/Box';
import type { Strand } from '~core/model/index.ts';
import { nameOf } from '~core/site/index.ts';
import type { Prediction } from '~core/wiring/index.ts';
import type { Rehearsed } from '../../data/session/rehearsals';
import { Picture } from '../../ui/parts/small';
import { color } from '../../ui/theme';
import { Pressable } from '../../ui/parts/pressable';

interface Props {
  strand: Strand;
  prediction: Prediction | undefined;
  rehearsed: Rehearsed | undefined;
  stale: boolean;
  chosen: boolean;
  onChoose: () => void;
}

const cardStyle = ({ chosen, broken }: { chosen: boolean; broken: boolean }) =>
  ({
    width: '100%',
    gap: 1.25,
    alignItems: 'center',
    contentVisibility: 'auto',
    containIntrinsicSize: 'auto 56px',
    bgcolor: chosen ? color('heatherWash') : color('paper'),
    border: `1px solid ${broken ? color('rust') : color('hair')}`,
    borderRadius: 1,
    px: 0.75,
    py: 0.5,
  }) as const;

export function StrandCard({ strand, prediction, rehearsed, stale, chosen, onChoose }: Props) {
  const broken = strand.joints.find((joint) => joint.state === 'broken');
  return (
    <Pressable aria-pressed={chosen} onClick={onChoose} sx={cardStyle({ chosen, broken: broken !== undefined })}>
      <Picture path={strand.thumbnail} width={48} height={36} />
      <Box sx={{ minWidth: 0, fontSize: '0.8125rem', overflowWrap: 'anywhere' }}>
        <Box>{strand.name}</Box>
        <Box sx={{ fontSize: '0.75rem', color: broken ? color('rust') : color('stone') }}>
          {broken?.says ?? (prediction ? foretold(prediction) : strand.joints[3]?.shows)}
        </Box>
        {rehearsed && <Outcome rehearsed={rehearsed} stale={stale} />}
      </Box>
    </Pressable>
  );
}

/** A prediction in a few words. */
function foretold({ opens, by, shows, asks, counter, clash }: Prediction): string {
  if (clash.length > 1) return `opens in ${clash.join(' and in ')} at once`;
  if (opens === 'nothing') return 'a click does nothing';
  if (opens === 'broken') return `the ${by} stops with an error`;
  if (opens === 'address') return `leaves the page for ${nameOf(asks ?? '') || asks || ''}`;
  if (shows === null) return `the ${by} opens and shows nothing`;
  return `${nameOf(shows)} in the ${by}${counter ? `, ${counter.at} of ${counter.of}` : ''}`;
}

function saysOf(seen: Rehearsed['seen'], first: Rehearsed['disagreements'][number] | undefined): string {
  if (seen === null) return 'The page gave no answer.';
  if (first) return `Seen otherwise: ${first.about}: ${first.seen}; foretold: ${first.predicted}`;
  if (seen.opened !== 'viewer' || !seen.loaded) return 'Seen so';
  return `Seen so, ${Math.round(seen.time)} ms, ${seen.size?.width ?? 0} × ${seen.size?.height ?? 0}`;
}

type Disagreement = Rehearsed['disagreements'][number];

const troublesOf = (seen: NonNullable<Rehearsed['seen']>, first: Disagreement | undefined): string[] => [
  ...seen.errors.map((error) => `error: ${error}`),
  ...seen.missing.map((path) => `did not load: ${path ?? 'an address'}`),
  ...(seen.opened === 'viewer' && seen.loaded && !seen.whole ? ['not all of it fits into the window'] : []),
  ...(seen.closed === 'no' && first?.about === 'closing' ? ['it does not close'] : []),
];

function Outcome({ rehearsed: { seen, disagreements }, stale }: { rehearsed: Rehearsed; stale: boolean }) {
  const [first] = disagreements;
  const tone = seen === null || first ? 'gorse' : 'lichen';
  const says = saysOf(seen, first);
  const troubles = seen ? troublesOf(seen, first) : [];
  return (
    <Box sx={{ fontSize: '0.75rem', fontWeight: 600, color: color(tone) }}>
      {`${says}${stale ? ' · before the last change' : ''}`}
      {troubles.slice(0, 3).map((trouble) => (
        <Box key={trouble} sx={{ fontWeight: 400, color: color('rust') }}>
          {trouble}
        </Box>
      ))}
    </Box>
  );
}
