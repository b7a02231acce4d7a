/** How this author writes an item: the learnt markup with its slots named. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { GalleryView } from '~core/view/index.ts';
import { countOf } from '~core/site/index.ts';
import { Panel } from '../../ui/parts/small';
import { color, MONO } from '../../ui/theme';

interface Props {
  gallery: GalleryView;
  /** Nothing can be written now. */
  idle: boolean;
  onChange: () => void;
  onItems: () => void;
  onLayout: () => void;
}

const STRIP = { display: 'flex', gap: 2, alignItems: 'baseline', px: 1.75, py: 1, mb: 1.5, fontSize: '0.8125rem' };

const PATTERN = {
  flex: 1,
  minWidth: 0,
  fontFamily: MONO,
  fontSize: '0.75rem',
  lineHeight: 1.8,
  overflowWrap: 'anywhere',
  maxHeight: 66,
  overflow: 'hidden',
} as const;

const slotStyle = (free: boolean) =>
  ({
    color: free ? color('gorse') : color('heather'),
    bgcolor: free ? color('gorseWash') : color('heatherWash'),
    borderRadius: '3px',
    px: 0.5,
  }) as const;

const BUTTONS = { display: 'flex', gap: 0.75, flexShrink: 0, alignSelf: 'center' };

export function PatternStrip({ gallery, idle, onChange, onItems, onLayout }: Props) {
  const odd = new Set(gallery.odd.map(({ strand }) => strand)).size;
  const told = [
    ...(odd > 0 ? [`${countOf(odd, 'item')} different from the others`] : []),
    ...(gallery.miscounted > 0 ? [`${countOf(gallery.miscounted, 'counter')} with a wrong number`] : []),
  ];
  if (!gallery.pattern) return null;
  return (
    <Panel label="Pattern" sx={STRIP}>
      <Box sx={{ color: color('stone'), flexShrink: 0 }}>
        {`Pattern of ${countOf(gallery.strands.length, 'item')}`}
        {told.length > 0 && <Box sx={{ color: color('gorse'), fontSize: '0.75rem' }}>{told.join(', ')}</Box>}
      </Box>
      <Box component="code" sx={PATTERN}>
        {gallery.pattern.map((part, n) =>
          part.kind === 'text' ? (
            <span key={n}>{part.text.replace(/\s+/g, ' ')}</span>
          ) : (
            <Box component="b" key={n} sx={slotStyle(part.free)}>
              {part.name}
            </Box>
          ),
        )}
      </Box>
      <Box sx={BUTTONS}>
        <Button disabled={idle} onClick={onChange}>
          Edit the pattern
        </Button>
        <Button onClick={onItems}>Items…</Button>
        <Button onClick={onLayout}>Layout</Button>
      </Box>
    </Panel>
  );
}
