/** Thumbnails whose full-size picture is at an outside address: kept as it is written, and never fetched. */
import Box from '@mui/material/Box';
import type { SiteView } from '~core/view/index.ts';
import { Mono, Picture, Panel, Tag } from '../../ui/parts/small';
import { color } from '../../ui/theme';

const HEAD = { display: 'flex', gap: 1.5, alignItems: 'baseline', mb: 1 };

const LIST = { m: 0, p: 0, listStyle: 'none', display: 'grid', gap: 0.75 } as const;

export function Elsewhere({ elsewhere }: { elsewhere: SiteView['elsewhere'] }) {
  return (
    <Panel label="At external URLs" sx={{ px: 1.75, py: 1.25, mt: 1.5 }}>
      <Box sx={HEAD}>
        <b>External URLs</b>
        <Box sx={{ color: color('stone'), fontSize: '0.8125rem' }}>
          full-size pictures at external URLs; they are kept as written and never fetched here
        </Box>
      </Box>
      <Box component="ul" sx={LIST}>
        {elsewhere.map(({ thumbnail, address, page, line }) => (
          <Box
            component="li"
            key={`${page} ${line} ${address}`}
            sx={{ display: 'flex', gap: 1.25, alignItems: 'center' }}
          >
            <Picture path={thumbnail} width={44} height={34} />
            <Mono>{thumbnail}</Mono>
            <Tag tone="plain">external</Tag>
            <Mono tone="stone">{address}</Mono>
            <Box sx={{ color: color('stone'), fontSize: '0.75rem', ml: 'auto' }}>{`${page}, line ${line}`}</Box>
          </Box>
        ))}
      </Box>
    </Panel>
  );
}
