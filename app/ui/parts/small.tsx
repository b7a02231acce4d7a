/** Small parts that every station uses. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { FixView } from '~core/view/index.ts';
import { STATIONS } from '../../stations';
import { useSite } from '../site/openSite';
import { usePicture } from '../site/pictureUrls';
import { useFix } from '../site/work';
import { color, MONO, type Token } from '../theme';

export type Tone = 'whole' | 'look' | 'broken' | 'plain' | 'chosen';

const TONES: Record<Tone, [Token, Token]> = {
  whole: ['lichen', 'lichenWash'],
  look: ['gorse', 'gorseWash'],
  broken: ['rust', 'rustWash'],
  plain: ['stone', 'mist'],
  chosen: ['heather', 'heatherWash'],
};

export const toneColor = (tone: Tone): string => color(TONES[tone][0]);

const tagStyle = ({ text, wash }: Record<'text' | 'wash', Token>) =>
  ({
    color: color(text),
    bgcolor: color(wash),
    borderRadius: '3px',
    px: 0.75,
    py: 0.25,
    fontSize: '0.75rem',
    fontWeight: 600,
    whiteSpace: 'nowrap',
  }) as const;

/** Says more than a word or two, which may be wider than its place. */
const LONG = { display: 'inline-block', maxWidth: '100%', whiteSpace: 'normal', overflowWrap: 'break-word' } as const;

interface TagProps {
  tone: Tone;
  long?: boolean;
  children: ReactNode;
}

/** A word on a wash of colour; the word says it, the colour only helps. */
export function Tag({ tone, long = false, children }: TagProps) {
  const [text, wash] = TONES[tone];
  return (
    <Box component="span" sx={{ ...tagStyle({ text, wash }), ...(long && LONG) }}>
      {children}
    </Box>
  );
}

const sheetStyle = (sx: object | undefined) =>
  ({ bgcolor: color('paper'), border: `1px solid ${color('hair')}`, borderRadius: 1, ...sx }) as const;

export function Panel({ children, sx, label }: { children: ReactNode; sx?: object; label?: string }) {
  return (
    <Box {...(label ? { component: 'section', 'aria-label': label } : {})} sx={sheetStyle(sx)}>
      {children}
    </Box>
  );
}

/** It stays in sight while the station is scrolled, but where the window is too low for that. */
const STATION_HEAD = {
  display: 'flex',
  flexWrap: 'wrap',
  alignItems: 'center',
  gap: '6px 12px',
  // It covers the room above itself, which a browser leaves to what scrolls.
  mt: -2,
  pt: 2,
  pb: 0.75,
  mb: 0.75,
  '@media (min-height: 560px)': { position: 'sticky', top: '-16px', zIndex: 3, bgcolor: color('mist') },
} as const;

const QUESTION = { m: 0, flexBasis: '100%', fontSize: '0.78rem', color: color('stone') } as const;

export function StationHead({ title, says, children }: { title: ReactNode; says: string; children?: ReactNode }) {
  const { station } = useSite();
  const { name, question } = STATIONS.find(({ id }) => id === station) ?? { name: '', question: '' };
  return (
    <Box sx={STATION_HEAD}>
      <Typography variant="h1" component="h1" sx={{ overflowWrap: 'anywhere' }}>
        {title}
      </Typography>
      <Typography variant="body2" color="textSecondary" sx={{ flex: '1 1 12rem' }}>
        {says}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75 }}>{children}</Box>
      <Box component="p" sx={QUESTION}>{`${name}: ${question.charAt(0).toLowerCase()}${question.slice(1)}`}</Box>
    </Box>
  );
}

/** A part of a dialog under a small heading. */
export function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box
      component="section"
      aria-label={title}
      sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr)', gap: 0.9 }}
    >
      <Box sx={{ fontSize: '0.8125rem', fontWeight: 600 }}>{title}</Box>
      {children}
    </Box>
  );
}

const monoStyle = (tone: Token | undefined) =>
  ({
    fontFamily: MONO,
    fontSize: '0.78rem',
    ...(tone ? { color: color(tone) } : {}),
    overflowWrap: 'anywhere',
  }) as const;

export const Mono = ({ children, tone }: { children: ReactNode; tone?: Token }) => (
  <Box component="span" sx={monoStyle(tone)}>
    {children}
  </Box>
);

const missingStyle = ({ width, height }: { width: number; height: number }) =>
  ({ width, height, border: `1px dashed ${color('edge')}`, borderRadius: '2px' }) as const;

const frameStyle = ({ width, height }: { width: number; height: number }) =>
  ({ width, height, display: 'grid', placeItems: 'center' }) as const;

const pictureStyle = ({ width, height }: { width: number; height: number }) =>
  ({ maxWidth: width, maxHeight: height, display: 'block', borderRadius: '2px' }) as const;

/** A picture file of the site, whole, in a box; a dashed frame where there is none. */
export function Picture({
  path,
  width,
  height,
  alt = '',
}: {
  path: string | null;
  width: number;
  height: number;
  alt?: string;
}) {
  const url = usePicture(path);
  if (path === null) return <Box aria-hidden sx={missingStyle({ width, height })} />;
  return (
    <Box sx={frameStyle({ width, height })}>
      {url !== null && (
        <Box component="img" src={url} alt={alt} loading="lazy" decoding="async" sx={pictureStyle({ width, height })} />
      )}
    </Box>
  );
}

/** The buttons that mend a finding, named after what they do. */
export function Fixes({ finding, fixes, most = 2 }: { finding: string; fixes: readonly FixView[]; most?: number }) {
  const { fix: mend, busy } = useFix();
  const { site } = useSite();
  return fixes.slice(0, most).map((fix, n) => (
    <Button
      key={fix.label}
      disabled={busy || site.readOnly}
      onClick={() => mend(finding, n, fix)}
      sx={{ justifyContent: 'flex-start', textAlign: 'left', lineHeight: 1.35 }}
    >
      {fix.label}
    </Button>
  ));
}

const NOTHING = { border: `1px dashed ${color('edge')}`, borderRadius: 1, p: 5, textAlign: 'center' } as const;

/** A screen with nothing on it says what would stand here and how it comes. */
export function Nothing({ title, says, children }: { title: string; says: string; children?: ReactNode }) {
  return (
    <Box sx={NOTHING}>
      <Typography variant="h2">{title}</Typography>
      <Typography color="textSecondary" sx={{ my: 1.5, maxWidth: 460, mx: 'auto' }}>
        {says}
      </Typography>
      {children}
    </Box>
  );
}
