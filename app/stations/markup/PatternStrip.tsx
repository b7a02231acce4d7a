/** How this author writes an item: the learnt markup with its slots named. */
import Box from '@mui/material/Box';
import type { GalleryView } from '~core/view/index.ts';
import { countOf, Sheet } from '../../ui/parts';
import { ink, MONO } from '../../ui/theme';

export function PatternStrip({ gallery }: { gallery: GalleryView }) {
  if (!gallery.pattern) return null;
  return (
    <Sheet label="Pattern" sx={{ display: 'flex', gap: 2, alignItems: 'baseline', px: 1.75, py: 1, mb: 1.5, fontSize: '0.8125rem' }}>
      <Box sx={{ color: ink('stone'), flexShrink: 0 }}>{`Pattern of ${countOf(gallery.strands.length, 'item')}`}</Box>
      <Box component="code" sx={{ fontFamily: MONO, fontSize: '0.75rem', lineHeight: 1.8, overflowWrap: 'anywhere', maxHeight: 66, overflow: 'hidden' }}>
        {gallery.pattern.map((part, n) =>
          part.kind === 'text' ? (
            <span key={n}>{part.text.replace(/\s+/g, ' ')}</span>
          ) : (
            <Box component="b" key={n} sx={{ color: part.free ? ink('gorse') : ink('heather'), bgcolor: part.free ? ink('gorseWash') : ink('heatherWash'), borderRadius: '3px', px: 0.5 }}>
              {part.name}
            </Box>
          ),
        )}
      </Box>
    </Sheet>
  );
}
