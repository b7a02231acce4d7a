/** What a walk came to, in few lines. */
import Box from '@mui/material/Box';
import { useState } from 'react';
import Button from '@mui/material/Button';
import { countOf } from '~core/site/index.ts';
import { walkedCounts, walkTroubles, type Walk } from '../../../data/host/walk';
import { Mono } from '../../../ui/parts/small';
import { color } from '../../../ui/theme';

const MOST_SHOWN = 8;

export function WalkReport({ walk }: { walk: Walk }) {
  const [all, setAll] = useState(false);
  const troubles = walkTroubles(walk);
  const { pages, pictures, links, outside, rehearsed, asRehearsed, slowest } = walkedCounts(walk);
  const shown = all ? troubles : troubles.slice(0, MOST_SHOWN);
  return (
    <Box sx={{ fontSize: '0.8125rem' }}>
      <Box>{[countOf(pages, 'page'), countOf(pictures, 'picture'), countOf(links, 'link')].join(', ')}</Box>
      {troubles.length === 0 ? (
        <Box sx={{ color: color('lichen'), fontWeight: 600 }}>All as expected</Box>
      ) : (
        <Box component="ul" aria-label="What was different" sx={{ m: 0, my: 0.5, pl: 2.25 }}>
          {shown.map(({ page, says }) => (
            <Box component="li" key={`${page} ${says}`} sx={{ overflowWrap: 'anywhere' }}>
              <Mono>{page}</Mono> {says}
            </Box>
          ))}
        </Box>
      )}
      {shown.length < troubles.length && (
        <Button onClick={() => setAll(true)}>{`Show all ${troubles.length} differences`}</Button>
      )}
      {rehearsed > 0 && <Box>{`${asRehearsed} of ${countOf(rehearsed, 'picture')} opened as rehearsed here`}</Box>}
      {slowest && slowest.ms > 0 && (
        <Box sx={{ color: color('stone') }}>
          {`Slowest: ${slowest.path}, ${(slowest.ms / 1000).toFixed(1)} s to the last picture`}
        </Box>
      )}
      {outside > 0 && (
        <Box sx={{ color: color('stone') }}>{`${countOf(outside, 'link')} to other sites, not followed`}</Box>
      )}
      {walk.stopped && <Box sx={{ color: color('gorse') }}>Stopped before the end</Box>}
    </Box>
  );
}
