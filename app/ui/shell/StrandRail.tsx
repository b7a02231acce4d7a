/** The thread with five beads at the right edge: the chosen strand; in a narrow window folded along the foot. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import type { Station } from '~core/checks/index.ts';
import type { Strand } from '~core/model/index.ts';
import { NARROW } from '../narrow';
import { toneColor } from '../parts/small';
import { NO_STRAND, useChosenStrand, useSite } from '../site/openSite';
import { color } from '../theme';
import { JointBead, ShownStrand, TONE, WHAT_IT_IS, WORD } from './ShownStrand';

const RAIL = {
  width: 236,
  flexShrink: 0,
  borderLeft: `1px solid ${color('hair')}`,
  p: 1.75,
  overflowY: 'auto',
} as const;

/** What is about files as such, or about all of them. */
const isWithoutStrand = (station: Station | null, tab: string | null): boolean =>
  station === 'pack' || (station === 'pairs' && (tab === 'order' || tab === 'alike'));

const NONE_CHOSEN = `${WHAT_IT_IS} Choose a picture to see its five joints here.`;

const NONE_YET = `${WHAT_IT_IS} This picture is on no page yet, so it has none.`;

/** In a narrow window it folds to its joints along the foot. */
export function StrandRail() {
  const strand = useChosenStrand();
  const isNarrow = useMediaQuery(NARROW);
  const { station, place } = useSite();
  if (isWithoutStrand(station, place.tab)) return null;
  if (isNarrow) return <FoldedStrand strand={strand} />;
  return (
    <Box component="aside" aria-label="Strand" sx={RAIL}>
      {strand ? (
        <ShownStrand strand={strand} />
      ) : (
        <Typography variant="body2" color="textSecondary">
          {place.strand === NO_STRAND ? NONE_YET : NONE_CHOSEN}
        </Typography>
      )}
    </Box>
  );
}

const FOOT = {
  position: 'relative',
  display: 'flex',
  alignItems: 'center',
  gap: 1.5,
  flexShrink: 0,
  minHeight: 44,
  px: 2.5,
  py: 0.5,
  borderTop: `1px solid ${color('hair')}`,
} as const;

const ABOVE = {
  position: 'absolute',
  right: 0,
  bottom: '100%',
  zIndex: 5,
  width: 'min(22rem, 100vw)',
  maxHeight: 'min(70vh, 40rem)',
  overflowY: 'auto',
  p: 1.75,
  bgcolor: color('mist'),
  border: `1px solid ${color('hair')}`,
} as const;

const JOINTS = { display: 'flex', m: 0, p: 0, listStyle: 'none' } as const;

const FOOT_NAME = { flex: 1, minWidth: 0, fontSize: '0.8125rem', overflowWrap: 'anywhere' } as const;

/** The joints in a row, and the whole strand over the page where it is asked for. */
function FoldedStrand({ strand }: { strand: Strand | null }) {
  const { asked, place } = useSite();
  const [isOpen, setOpen] = useState(false);
  const opener = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (asked > 0) setOpen(true);
  }, [asked]);
  if (!strand)
    return (
      <Box component="aside" aria-label="Strand" sx={FOOT}>
        <Typography variant="body2" color="textSecondary">
          {place.strand === NO_STRAND ? NONE_YET : NONE_CHOSEN}
        </Typography>
      </Box>
    );
  const close = (event: KeyboardEvent) => {
    if (event.key !== 'Escape' || event.defaultPrevented || !isOpen) return;
    setOpen(false);
    opener.current?.focus();
  };
  return (
    <Box component="aside" aria-label="Strand" sx={FOOT} onKeyDown={close}>
      {isOpen && (
        <Box sx={ABOVE}>
          <ShownStrand strand={strand} />
        </Box>
      )}
      <Box sx={FOOT_NAME}>
        <b>{strand.name}</b>{' '}
        <Box component="span" sx={{ color: toneColor(TONE[strand.state]), fontWeight: 600 }}>
          {WORD[strand.state]}
        </Box>
      </Box>
      {!isOpen && (
        <Box component="ol" sx={JOINTS}>
          {strand.joints.map((joint) => (
            <Box component="li" key={joint.name}>
              <JointBead joint={joint} page={strand.page} />
            </Box>
          ))}
        </Box>
      )}
      <Button ref={opener} aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
        {isOpen ? 'Hide the strand' : 'Show the strand'}
      </Button>
    </Box>
  );
}
