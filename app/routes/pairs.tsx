import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { THUMBNAIL_BOX } from '~core/photo/index.ts';
import type { PairView } from '~core/view/index.ts';
import { PairRow, STATES } from '../stations/pairs/PairRow';
import { countOf, Mono, Nothing, Picture, Sheet, StationHead, Tag, type Tone } from '../ui/parts';
import { useChosenStrand, useSite } from '../ui/site';
import { ink } from '../ui/theme';

export const meta = () => [{ title: 'Pairs – Heathmoor' }];

/** What asks for attention comes first; otherwise the order of names. */
function inOrderOfNeed(pairs: readonly PairView[]): PairView[] {
  const rank: Record<Tone, number> = { broken: 0, look: 1, chosen: 2, plain: 2, whole: 2 };
  return [...pairs].sort((a, b) => rank[STATES[a.state].tone] - rank[STATES[b.state].tone]);
}

export default function Pairs() {
  const { site, work, busy, choose } = useSite();
  const chosen = useChosenStrand();
  const { pairs, rules, loose, missing, strands, unread } = site.view;
  const sure = pairs.filter((pair) => pair.state === 'sure').length;
  const look = pairs.length - sure;
  return (
    <>
      <StationHead title="Pairs" says={`${countOf(pairs.length, 'picture')}, ${sure} sure, ${look} to look at${loose.length > 0 ? `, ${countOf(loose.length, 'loose file')}` : ''}${unread > 0 ? `; ${unread} still being read` : ''}`}>
        {missing.length > 0 && (
          <Button variant="contained" color="primary" disabled={busy || site.readOnly || unread > 0} onClick={() => work({ do: 'make', tasks: missing })}>
            {`Make ${missing.length} missing`}
          </Button>
        )}
      </StationHead>
      {pairs.length === 0 ? (
        <Nothing title="No pictures yet" says="This site holds no pictures. Bring in a folder with pictures from the shelf; each full-size picture stands here beside its thumbnail." />
      ) : (
        <>
          <Sheet label="Naming and recipe" sx={{ display: 'flex', gap: 4, px: 1.75, py: 1.25, mb: 1.5, fontSize: '0.8125rem' }}>
            <Box sx={{ display: 'flex', gap: 1.5, flex: 1, minWidth: 0, flexWrap: 'wrap', alignItems: 'baseline' }}>
              <Box sx={{ color: ink('stone') }}>Names here</Box>
              {rules.length === 0 && <Box>no thumbnails yet; new ones go to a folder “thumbs” beside their pictures</Box>}
              {rules.slice(0, 3).map((rule) => (
                <Box key={rule.says} sx={{ display: 'flex', gap: 0.75, alignItems: 'baseline' }}>
                  <Mono>{rule.says}</Mono>
                  <Tag tone="chosen">{rule.count}</Tag>
                </Box>
              ))}
            </Box>
            <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'baseline', flexShrink: 0 }}>
              <Box sx={{ color: ink('stone') }}>Recipe</Box>
              <Box><b>thumbnail</b> {`at most ${THUMBNAIL_BOX.width} px wide, JPEG 80`}</Box>
            </Box>
          </Sheet>
          <Sheet>
            <Box component="ul" aria-label="Pairs" sx={{ m: 0, p: 0, listStyle: 'none' }}>
              {inOrderOfNeed(pairs).map((pair) => (
                <PairRow key={pair.id} pair={pair} chosen={chosen !== null && (chosen.full === pair.full || (chosen.thumbnail !== null && chosen.thumbnail === pair.thumbnail))} onChoose={() => choose(strands.find((one) => one.full === pair.full || (pair.thumbnail !== null && one.thumbnail === pair.thumbnail))?.id ?? null)} />
              ))}
            </Box>
          </Sheet>
        </>
      )}
      {loose.length > 0 && (
        <Sheet label="Loose files" sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap', px: 1.75, py: 1, mt: 1.5 }}>
          <b>Loose</b>
          {loose.map(({ path, unused }) => (
            <Box key={path} sx={{ display: 'flex', gap: 0.75, alignItems: 'center' }}>
              <Picture path={path} width={44} height={34} />
              <Mono>{path}</Mono>
              {unused && <Tag tone="plain">on no page</Tag>}
            </Box>
          ))}
        </Sheet>
      )}
    </>
  );
}
