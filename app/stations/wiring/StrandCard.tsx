/** One picture of the page: what a click does as the text says, and what the browser did. */
import Box from '@mui/material/Box';
import type { Strand } from '~core/model/index.ts';
import { nameOf } from '~core/site/index.ts';
import type { Prediction } from '~core/wiring/index.ts';
import type { Outcome, Rehearsed } from '../../data/session/rehearsals';
import { Picture } from '../../ui/parts/small';
import { color } from '../../ui/theme';
import { Pressable } from '../../ui/parts/pressable';
import { detailsOf, inWords } from './outcome';
import { inHand } from '../../ui/parts/inHand';

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
    bgcolor: color('paper'),
    ...inHand(chosen),
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
        {rehearsed && <Outcomes rehearsed={rehearsed} stale={stale} />}
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

function Outcomes({ rehearsed: { outcomes }, stale }: { rehearsed: Rehearsed; stale: boolean }) {
  return (
    <>
      {outcomes.map((outcome) => (
        <Box key={outcome.window} sx={{ fontSize: '0.75rem' }}>
          <Box sx={{ fontWeight: 600, color: color(toneOf(outcome)) }}>
            {`${inWords(outcome)}${stale ? ' · before the last change' : ''}`}
          </Box>
          <Box sx={{ color: color('stone') }}>{detailsOf(outcome)}</Box>
          {outcome.sights.filter(isFound).map(({ rule, about, severity, says }) => (
            <Box key={`${rule} ${about}`} sx={{ color: color(severity === 'error' ? 'rust' : 'gorse') }}>
              {says}
            </Box>
          ))}
        </Box>
      ))}
    </>
  );
}

const isFound = ({ severity }: Outcome['sights'][number]): boolean => severity !== 'unconfirmed';

const toneOf = ({ sights }: Outcome) => (sights.some(({ severity }) => severity === 'error') ? 'rust' : 'lichen');
