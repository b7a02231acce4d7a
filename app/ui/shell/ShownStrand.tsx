/** A strand, joint by joint, with what each is and what fixes it. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import ArrowDownward from '@mui/icons-material/ArrowDownward';
import ArrowUpward from '@mui/icons-material/ArrowUpward';
import type { Joint, JointName, JointState, Strand } from '~core/model/index.ts';
import type { Station } from '~core/checks/index.ts';
import { inBytes } from '~core/site/index.ts';
import { Fixes, Mono, Picture, toneColor } from '../parts/small';
import { useSite } from '../site/openSite';
import { useIntent } from '../site/work';
import { color } from '../theme';
import type { PairView } from '~core/view/index.ts';
import { Pressable } from '../parts/pressable';
import { Words } from '../parts/Words';

const NAMES: Record<JointName, string> = {
  thumbnail: 'Thumbnail file',
  image: 'Image tag',
  link: 'Link',
  viewer: 'Viewer',
  'full-size': 'Full-size file',
};

/** Where each joint lives. */
const HOME: Record<JointName, Station> = {
  thumbnail: 'pairs',
  image: 'markup',
  link: 'markup',
  viewer: 'wiring',
  'full-size': 'pairs',
};

export const WHAT_IT_IS = 'A strand is one picture’s way: thumbnail file, image tag, link, viewer, full-size file.';

export const TONE = { whole: 'whole', look: 'look', broken: 'broken', none: 'plain' } as const;
export const WORD: Record<JointState, string> = { whole: 'whole', look: 'to check', broken: 'broken', none: 'missing' };

/** A bead: a ring where whole, a notch of another shape where broken. */
function Bead({ state }: { state: JointState }) {
  const colour = toneColor(TONE[state]);
  return (
    <svg width="24" height="24" viewBox="-12 -12 24 24" aria-hidden style={{ display: 'block', flexShrink: 0 }}>
      {state === 'broken' && (
        <path d="M0-10.5 10.5 0 0 10.5-10.5 0Z" fill={color('rustWash')} stroke={colour} strokeWidth="1.8" />
      )}
      {state === 'look' && (
        <path d="M-7.5-7.5h15v15h-15z" fill={color('gorseWash')} stroke={colour} strokeWidth="1.8" />
      )}
      {state !== 'broken' && state !== 'look' && (
        <circle
          r="7.5"
          fill={color('paper')}
          stroke={colour}
          strokeWidth="1.8"
          strokeDasharray={state === 'none' ? '2.5 3' : undefined}
        />
      )}
    </svg>
  );
}

export function ShownStrand({ strand }: { strand: Strand }) {
  const { site } = useSite();
  const page = site.view.pages.find((one) => one.path === strand.page);
  const count = page?.galleries[strand.gallery]?.strands.length ?? 0;
  const broken =
    strand.joints.find((joint) => joint.state === 'broken') ?? strand.joints.find((joint) => joint.state === 'look');
  return (
    <>
      <Typography variant="h2" sx={{ overflowWrap: 'anywhere', fontSize: '1rem' }}>
        {strand.name}
      </Typography>
      <Typography variant="body2" sx={{ mb: 0.5, fontSize: '0.78rem' }} color="textSecondary">
        <Box component="span" sx={{ color: toneColor(TONE[strand.state]), fontWeight: 600 }}>
          {broken
            ? `${broken.state === 'broken' ? 'broken' : 'to check'} at ${NAMES[broken.name].toLowerCase()}`
            : 'whole'}
        </Box>
        {` · item ${strand.item + 1} of ${count}`}
      </Typography>
      <Box component="details" sx={EXPLAINED}>
        <summary>What is a strand?</summary>
        {WHAT_IT_IS} It is whole, or broken at one of these five joints.
      </Box>
      <Box component="ol" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {strand.joints.map((joint, n) => (
          <JointRow key={joint.name} joint={joint} strand={strand} next={strand.joints[n + 1]} />
        ))}
      </Box>
    </>
  );
}

const EXPLAINED = {
  mb: 1.5,
  fontSize: '0.78rem',
  color: color('stone'),
  '& > summary': { cursor: 'pointer', minHeight: 24 },
} as const;

const JOINT = { display: 'flex', gap: 0.75, position: 'relative', pb: 2, minHeight: 62 } as const;

const threadStyle = ({ cut, bare }: { cut: boolean; bare: boolean }) =>
  ({
    position: 'absolute',
    left: 11,
    top: 20,
    bottom: -3,
    borderLeft: cut ? `2px dotted ${color('rust')}` : `2px solid ${color(bare ? 'hair' : 'lichen')}`,
  }) as const;

const BEAD = {
  cursor: 'pointer',
  alignSelf: 'flex-start',
  zIndex: 1,
  '&:focus-visible': { outline: `2px solid ${color('heather')}`, borderRadius: 1 },
};

const SAYS = { minWidth: 0, flex: 1, fontSize: '0.78rem', lineHeight: 1.45 };

const FIXES = { display: 'flex', flexDirection: 'column', alignItems: 'flex-start', gap: 0.5, mt: 0.75 } as const;

/** A joint that leads to where it lives. */
export function JointBead({ joint, page }: { joint: Joint; page: string }) {
  const { go } = useSite();
  return (
    <Pressable
      data-joint={joint.name}
      aria-label={`${NAMES[joint.name]}: ${WORD[joint.state]}. Go to ${HOME[joint.name]}`}
      onClick={() => go({ station: HOME[joint.name], page })}
      sx={BEAD}
    >
      <Bead state={joint.state} />
    </Pressable>
  );
}

function JointRow({ joint, strand, next }: { joint: Joint; strand: Strand; next: Joint | undefined }) {
  const { site } = useSite();
  const findings = site.view.findings.filter((finding) => finding.strand === strand.id && finding.joint === joint.name);
  const ends = [joint.state, next?.state];
  return (
    <Box component="li" sx={JOINT}>
      {next && <Box aria-hidden sx={threadStyle({ cut: ends.includes('broken'), bare: ends.includes('none') })} />}
      <JointBead joint={joint} page={strand.page} />
      <Box sx={SAYS}>
        <Box sx={{ color: color('stone'), fontWeight: 600, mb: 0.25 }}>{NAMES[joint.name]}</Box>
        <Shown joint={joint} strand={strand} />
        {joint.says !== '' && <Box sx={{ color: toneColor(TONE[joint.state]), mt: 0.25 }}>{joint.says}</Box>}
        {findings.map((finding) => (
          <Box key={finding.id} sx={FIXES}>
            <Fixes finding={finding.id} fixes={finding.fixes.filter((fix) => fix.kind !== 'ask')} />
          </Box>
        ))}
        {joint.name === 'image' && joint.state !== 'none' && <ItemWords key={strand.id} strand={strand} />}
        {joint.name === 'link' && <Order strand={strand} />}
      </Box>
    </Box>
  );
}

function Shown({ joint, strand }: { joint: Joint; strand: Strand }) {
  const { site } = useSite();
  const paths: Partial<Record<Joint['name'], string | null>> = {
    thumbnail: strand.thumbnail,
    'full-size': strand.full,
  };
  const path = paths[joint.name] ?? null;
  const pair = site.view.pairs.find((one) => one.full === strand.full);
  const sizes: Partial<Record<Joint['name'], PairView['fullSize']>> = {
    thumbnail: pair?.thumbnail === path ? (pair?.thumbnailSize ?? null) : null,
    'full-size': pair?.fullSize ?? null,
  };
  const size = sizes[joint.name] ?? null;
  return (
    <>
      {joint.name === 'thumbnail' && path !== null && (
        <Box sx={{ mb: 0.5, width: 'fit-content' }}>
          <Picture path={path} width={72} height={54} />
        </Box>
      )}
      <Mono>{joint.name === 'image' ? `${strand.page}, ${joint.shows}` : joint.shows}</Mono>
      {size && path !== null && <Box>{`${size.width} × ${size.height}, ${inBytes(size.bytes)}`}</Box>}
    </>
  );
}

function ItemWords({ strand }: { strand: Strand }) {
  const { site, asked } = useSite();
  const { intent } = useIntent();
  return (
    <>
      <Words
        label="Alt text"
        value={strand.alt ?? ''}
        disabled={site.readOnly}
        focus={asked}
        onSet={(value) => intent({ kind: 'set-alt', strand: strand.id, value })}
      />
      {strand.caption !== null && (
        <Words
          label="Caption"
          value={strand.caption}
          disabled={site.readOnly}
          onSet={(value) => intent({ kind: 'set-caption', strand: strand.id, value })}
        />
      )}
    </>
  );
}

const MOVES = { display: 'flex', alignItems: 'center', gap: 0.25, mt: 0.5, ml: -0.5 };

function Order({ strand }: { strand: Strand }) {
  const { site, go } = useSite();
  const { intent } = useIntent();
  const page = site.view.pages.find((one) => one.path === strand.page);
  const count = page?.galleries[strand.gallery]?.strands.length ?? 0;
  if (site.readOnly || count === 0) return null;
  const move = (to: number) => {
    intent({ kind: 'move-item', strand: strand.id, to });
    go({ strand: `${strand.page}#${strand.gallery}.${to}` });
  };
  return (
    <Box sx={MOVES}>
      <Tooltip title="Move the item up">
        <span>
          <IconButton aria-label="Move the item up" disabled={strand.item === 0} onClick={() => move(strand.item - 1)}>
            <ArrowUpward fontSize="small" />
          </IconButton>
        </span>
      </Tooltip>
      <Tooltip title="Move the item down">
        <span>
          <IconButton
            aria-label="Move the item down"
            disabled={strand.item >= count - 1}
            onClick={() => move(strand.item + 1)}
          >
            <ArrowDownward fontSize="small" />
          </IconButton>
        </span>
      </Tooltip>
      {/* The second press of a double one would hit the item that has moved up. */}
      <Button
        onClick={({ detail }) => detail < 2 && intent({ kind: 'remove-item', strand: strand.id })}
        sx={{ ml: 0.5 }}
      >
        Remove item
      </Button>
    </Box>
  );
}
