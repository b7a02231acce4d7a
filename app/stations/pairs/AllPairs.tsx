/** All pairs: the rows, what has no partner here, how thumbnails are named and what is made of pictures. */
import { DndContext, DragOverlay, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useCallback, useMemo, useState } from 'react';
import { sayRecipe } from '~core/photo/index.ts';
import type { PairView, SiteView } from '~core/view/index.ts';
import { useStationKeys } from '../../ui/shell/keys';
import { Mono, Nothing, Picture, Panel, Tag, type Tone } from '../../ui/parts/small';
import { NO_STRAND, useChosenStrand, useSite } from '../../ui/site/openSite';
import { color } from '../../ui/theme';
import { sheetIn, toSheet, type SheetName } from './address';
import { FromSite } from './all/FromSite';
import { CloseLook } from './close/CloseLook';
import { Decisions } from './Decisions';
import { Dense } from './Dense';
import { Elsewhere } from './Elsewhere';
import { LooseTray } from './LooseTray';
import { Naming } from './Naming';
import { PairByHand } from './PairByHand';
import { PairList } from './PairList';
import { RecipeDialog } from './recipe/RecipeDialog';
import { ReplaceThumbnails } from './ReplaceThumbnails';
import { shownState } from './states';
import { useWork } from '../../ui/site/work';

/** What asks for attention comes first; otherwise the order of the site. */
function inOrderOfNeed(pairs: readonly PairView[]): PairView[] {
  const rank: Record<Tone, number> = { broken: 0, look: 1, chosen: 2, plain: 2, whole: 2 };
  return [...pairs].sort((a, b) => rank[shownState(a).tone] - rank[shownState(b).tone]);
}

type Strand = SiteView['strands'][number];

/** Whether a strand shows a pair. */
const isOf = (strand: Strand, pair: PairView): boolean =>
  strand.full === pair.full || (strand.thumbnail !== null && strand.thumbnail === pair.thumbnail);

/** What a row hands on while it is dragged. */
function thumbnailOf({ data }: DragEndEvent['active']): string | null {
  const thumbnail: unknown = data.current?.thumbnail;
  return typeof thumbnail === 'string' ? thumbnail : null;
}

/** What was dragged onto what; null where that makes no pair. */
function draggedPair({ active, over }: DragEndEvent): { thumbnail: string; full: string } | null {
  const thumbnail = thumbnailOf(active);
  const full: unknown = over?.data.current?.full;
  return thumbnail !== null && typeof full === 'string' && thumbnail !== full ? { thumbnail, full } : null;
}

export function AllPairs() {
  const { site, place, go } = useSite();
  const { work, busy } = useWork();
  const strand = useChosenStrand();
  const { pairs, loose, strands, recipe, elsewhere, dense } = site.view;
  const sheet = useMemo(() => sheetIn(place), [place]);
  const open = useCallback((name: SheetName) => go(toSheet(name)), [go]);
  /** The row in hand: chosen here, or the one of the strand that is followed. */
  const [row, setRow] = useState<{ id: string; strand: string | null } | null>(null);
  const [dragged, setDragged] = useState<string | null>(null);
  const idle = busy || site.readOnly;
  const close = useCallback(() => go({ sheet: null }), [go]);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const onChoose = useCallback(
    (pair: PairView) => {
      const shown = strands.find((one) => isOf(one, pair))?.id ?? null;
      setRow({ id: pair.id, strand: shown });
      go({ strand: shown ?? NO_STRAND });
    },
    [go, strands],
  );
  const onPairByHand = useCallback((thumbnail: string) => open({ name: 'by-hand', of: thumbnail }), [open]);
  const onCloseLook = useCallback((full: string) => open({ name: 'look', of: full }), [open]);
  const pairByHand = (thumbnail: string, full: string) =>
    work({ do: 'intent', intent: { kind: 'decide', thumbnail, full, belong: true } });
  const onDragEnd = (event: DragEndEvent) => {
    setDragged(null);
    const wish = draggedPair(event);
    if (wish && !pairs.some(({ full, thumbnail }) => full === wish.full && thumbnail === wish.thumbnail))
      pairByHand(wish.thumbnail, wish.full);
  };
  const followed = (strand && pairs.find((pair) => isOf(strand, pair))?.id) ?? null;
  const isHere = row !== null && (row.strand === null ? place.strand === NO_STRAND : row.strand === strand?.id);
  const chosen = isHere ? row.id : followed;
  const ordered = useMemo(() => inOrderOfNeed(pairs), [pairs]);
  const inHand = pairs.find((pair) => pair.id === chosen && pair.trouble === null)?.full;
  useStationKeys(
    useMemo(
      () => [
        {
          key: 'l',
          keys: 'L',
          does: 'close look at the pair in hand',
          act: inHand === undefined ? null : () => onCloseLook(inHand),
        },
      ],
      [inHand, onCloseLook],
    ),
  );

  if (pairs.length === 0 && loose.length === 0)
    return (
      <Nothing
        title="No pictures yet"
        says="This site holds no pictures. Import a folder with pictures on the start page, or bring pictures of another site; each full-size picture is listed here beside its thumbnail."
      >
        <FromSite />
      </Nothing>
    );
  return (
    <DndContext
      sensors={sensors}
      onDragStart={({ active }) => setDragged(thumbnailOf(active))}
      onDragEnd={onDragEnd}
      onDragCancel={() => setDragged(null)}
    >
      <Decisions idle={idle} />
      {dense.length > 0 && <Dense dense={dense} idle={idle} />}
      {pairs.length > 0 && (
        <Panel>
          <PairList
            pairs={ordered}
            chosen={chosen}
            idle={idle}
            size={recipe.thumbnail}
            onChoose={onChoose}
            onWork={work}
            onPairByHand={onPairByHand}
            onCloseLook={onCloseLook}
            dragging={dragged !== null}
          />
        </Panel>
      )}
      <WithoutPair
        elsewhere={elsewhere}
        loose={loose}
        idle={idle}
        hasPairs={pairs.length > 0}
        onPairByHand={onPairByHand}
      />
      <NamesAndRecipe view={site.view} idle={idle} onOpen={open} />
      <DragOverlay dropAnimation={null}>
        {dragged !== null && <Picture path={dragged} width={76} height={56} />}
      </DragOverlay>
      <PairSheet sheet={sheet} view={site.view} onClose={close} onPair={pairByHand} />
    </DndContext>
  );
}

/** What is no pair: thumbnails of pictures elsewhere, and those that lead to none. */
function WithoutPair({
  elsewhere,
  loose,
  ...work
}: Pick<SiteView, 'elsewhere' | 'loose'> & {
  idle: boolean;
  hasPairs: boolean;
  onPairByHand: (thumbnail: string) => void;
}) {
  return (
    <>
      {elsewhere.length > 0 && <Elsewhere elsewhere={elsewhere} />}
      {loose.length > 0 && <LooseTray loose={loose} {...work} />}
    </>
  );
}

const NAMES_AND_RECIPE = {
  display: 'flex',
  flexWrap: 'wrap',
  gap: '10px 16px',
  px: 1.75,
  py: 1.25,
  mt: 1.5,
  fontSize: '0.8125rem',
};

const NAMES = {
  display: 'flex',
  gap: 1.5,
  flex: '1 1 20rem',
  minWidth: 0,
  flexWrap: 'wrap',
  alignItems: 'baseline',
} as const;

const RECIPE = {
  display: 'flex',
  gap: 1.5,
  alignItems: 'baseline',
  borderLeft: `1px solid ${color('hair')}`,
  pl: 2,
};

/** How thumbnails are named here and what is made of pictures, each with the way to change it. */
function NamesAndRecipe({
  view: { rules, recipe, byHand },
  idle,
  onOpen,
}: {
  view: SiteView;
  idle: boolean;
  onOpen: (sheet: SheetName) => void;
}) {
  return (
    <Panel label="File names and image sizes" sx={NAMES_AND_RECIPE}>
      <Box sx={NAMES}>
        <Box sx={{ color: color('stone') }}>File names</Box>
        {rules.length === 0 && <Box>no thumbnails yet; new ones go to a folder “thumbs” beside their pictures</Box>}
        {rules.slice(0, 3).map((rule) => (
          <Box key={rule.says} sx={{ display: 'flex', gap: 0.75, alignItems: 'baseline' }}>
            <Mono>{rule.says}</Mono>
            <Tag tone="chosen">{rule.count}</Tag>
          </Box>
        ))}
      </Box>
      <Button
        size="small"
        disabled={idle}
        aria-label="Change naming rules"
        onClick={() => onOpen({ name: 'naming' })}
        sx={{ alignSelf: 'start' }}
      >
        Change
      </Button>
      <Box sx={RECIPE}>
        <Box sx={{ color: color('stone') }}>Image sizes</Box>
        <Box>
          <b>thumbnail</b> {sayRecipe(recipe.thumbnail)}
          <br />
          <b>full-size</b> {sayRecipe(recipe.fullSize)}
          {recipe.further.map(({ title, size }) => (
            <Box key={title}>
              <b>{title}</b> {sayRecipe(size)}
            </Box>
          ))}
        </Box>
        <Button size="small" disabled={idle} aria-label="Change image sizes" onClick={() => onOpen({ name: 'sizes' })}>
          Change
        </Button>
        {byHand.length > 0 && (
          <Button size="small" disabled={idle} onClick={() => onOpen({ name: 'thumbnails' })}>
            Replace thumbnails
          </Button>
        )}
      </Box>
    </Panel>
  );
}

/** What is open over the pairs. */
function PairSheet({
  sheet,
  view: { pairs, recipe, rules, naming },
  onClose,
  onPair,
}: {
  sheet: SheetName | null;
  view: SiteView;
  onClose: () => void;
  onPair: (thumbnail: string, full: string) => void;
}) {
  const { work } = useWork();
  switch (sheet?.name) {
    case 'sizes':
      return (
        <RecipeDialog
          recipe={recipe}
          onClose={onClose}
          onChange={(changed) => {
            onClose();
            work({ do: 'intent', intent: { kind: 'set-recipe', recipe: changed } });
          }}
        />
      );
    case 'naming':
      return <Naming rules={rules} naming={naming} onClose={onClose} />;
    case 'thumbnails':
      return <ReplaceThumbnails onClose={onClose} />;
    case 'look': {
      const looked = pairs.find((pair) => pair.full === sheet.of);
      return looked && <CloseLook pair={looked} onClose={onClose} />;
    }
    case 'by-hand':
      return (
        <PairByHand
          thumbnail={sheet.of}
          pairs={pairs}
          onClose={onClose}
          onPair={(full) => {
            onClose();
            onPair(sheet.of, full);
          }}
        />
      );
    default:
      return null;
  }
}
