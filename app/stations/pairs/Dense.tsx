/** Pages that could offer their thumbnails at twice the size. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { SiteView } from '~core/view/index.ts';
import { countOf } from '~core/site/index.ts';
import { Mono, Panel } from '../../ui/parts/small';
import { useIntent } from '../../ui/site/work';

const OFFERS = { px: 1.75, py: 1, mb: 1.5, fontSize: '0.8125rem', display: 'grid', gap: 0.5 };

export function Dense({ dense, idle }: { dense: SiteView['dense']; idle: boolean }) {
  const { intent } = useIntent();
  return (
    <Panel label="For high-density screens" sx={OFFERS}>
      {dense.map(({ page, count }) => (
        <Box key={page} sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
          <Box
            sx={{ flex: 1 }}
          >{`${countOf(count, 'thumbnail')} of ${page} ${count === 1 ? 'has' : 'have'} a copy of twice the size that the page does not offer.`}</Box>
          <Button size="small" disabled={idle} onClick={() => intent({ kind: 'set-sources', page })}>
            Add <Mono>&nbsp;srcset</Mono>
          </Button>
        </Box>
      ))}
    </Panel>
  );
}
