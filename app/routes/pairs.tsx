import { DndContext, DragOverlay, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useCallback, useMemo, useState } from 'react';
import { sayRecipe } from '~core/photo/index.ts';
import type { PairView } from '~core/view/index.ts';
import type { Work } from '../data/work';
import { LooseTray } from '../stations/pairs/LooseTray';
import { PairByHand } from '../stations/pairs/PairByHand';
import { PairList } from '../stations/pairs/PairList';
import { RecipeDialog } from '../stations/pairs/RecipeDialog';
import { STATES } from '../stations/pairs/states';
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
  const strand = useChosenStrand();
  const { pairs, rules, loose, missing, strands, unread, recipe } = site.view;
  const [recipeOpen, setRecipeOpen] = useState(false);
  /** The row in hand: chosen here, or the one of the strand that is followed. */
  const [row, setRow] = useState<{ id: string; strand: string | null } | null>(null);
  const [byHand, setByHand] = useState<string | null>(null);
  const [dragged, setDragged] = useState<string | null>(null);
  const idle = busy || site.readOnly;
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const strandOf = useCallback((pair: PairView) => strands.find((one) => one.full === pair.full || (pair.thumbnail !== null && one.thumbnail === pair.thumbnail))?.id ?? null, [strands]);
  const onChoose = useCallback((pair: PairView) => {
    setRow({ id: pair.id, strand: strandOf(pair) });
    choose(strandOf(pair));
  }, [choose, strandOf]);
  const onWork = useCallback((one: Work) => work(one), [work]);
  const pairByHand = (thumbnail: string, full: string) => onWork({ do: 'intent', intent: { kind: 'decide', thumbnail, full, belong: true } });
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    setDragged(null);
    const { thumbnail } = active.data.current as { thumbnail: string | null };
    const { full } = (over?.data.current ?? {}) as { full?: string };
    if (thumbnail && full && thumbnail !== full && !pairs.some((pair) => pair.full === full && pair.thumbnail === thumbnail)) pairByHand(thumbnail, full);
  };
  const followed = pairs.find((pair) => strand !== null && (strand.full === pair.full || (strand.thumbnail !== null && strand.thumbnail === pair.thumbnail)))?.id ?? null;
  const chosen = row && (row.strand === null || row.strand === strand?.id) ? row.id : followed;
  const ordered = useMemo(() => inOrderOfNeed(pairs), [pairs]);
  const sure = pairs.filter((pair) => pair.state === 'sure').length;
  const look = pairs.length - sure;
  return (
    <DndContext sensors={sensors} onDragStart={({ active }) => setDragged((active.data.current as { thumbnail: string | null }).thumbnail)} onDragEnd={onDragEnd} onDragCancel={() => setDragged(null)}>
      <StationHead title="Pairs" says={`${countOf(pairs.length, 'picture')}, ${sure} sure, ${look} to look at${loose.length > 0 ? `, ${countOf(loose.length, 'loose file')}` : ''}${unread > 0 ? `; ${unread} still being read` : ''}`}>
        {missing.length > 0 && (
          <Button variant="contained" color="primary" disabled={idle || unread > 0} onClick={() => work({ do: 'make', tasks: missing })}>
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
              <Box><b>thumbnail</b> {sayRecipe(recipe.thumbnail)}<br /><b>full-size</b> {sayRecipe(recipe.fullSize)}</Box>
              <Button size="small" disabled={idle} onClick={() => setRecipeOpen(true)}>Change</Button>
            </Box>
          </Sheet>
          <Sheet>
            <PairList pairs={ordered} chosen={chosen} idle={idle} size={recipe.thumbnail} onChoose={onChoose} onWork={onWork} onPairByHand={setByHand} />
          </Sheet>
        </>
      )}
      {loose.length > 0 && <LooseTray loose={loose} idle={idle} onPairByHand={setByHand} />}
      <DragOverlay dropAnimation={null}>{dragged !== null && <Picture path={dragged} width={76} height={56} />}</DragOverlay>
      {recipeOpen && (
        <RecipeDialog
          recipe={recipe}
          onClose={() => setRecipeOpen(false)}
          onChange={(changed) => {
            setRecipeOpen(false);
            onWork({ do: 'intent', intent: { kind: 'set-recipe', recipe: changed } });
          }}
        />
      )}
      {byHand !== null && (
        <PairByHand
          thumbnail={byHand}
          pairs={pairs}
          onClose={() => setByHand(null)}
          onPair={(full) => {
            setByHand(null);
            pairByHand(byHand, full);
          }}
        />
      )}
    </DndContext>
  );
}
