/** The order of the pictures: by name, by day, or by hand; tags, names and galleries for many of them at once. */
import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useCallback, useMemo, useState } from 'react';
import type { SiteView } from '~core/view/index.ts';
import { countOf } from '~core/site/index.ts';
import { Nothing, Panel } from '../../../ui/parts/small';
import { useRowsInSight } from '../../../ui/parts/rowsInSight';
import { useSite } from '../../../ui/site/openSite';
import { sayGallery } from '../../../ui/parts/galleryTargets';
import { useIntent } from '../../../ui/site/work';
import { color } from '../../../ui/theme';
import { sheetIn, toSheet } from '../address';
import { ListDialog } from '../lists/ListDialog';
import { movedTogether } from './moved';
import { OrderRow } from './OrderRow';
import { Rename } from './Rename';

const ROW = 57;
const ORDERS: readonly { by: SiteView['order']; says: string }[] = [
  { by: 'name', says: 'by name' },
  { by: 'taken', says: 'by date taken' },
  { by: 'hand', says: 'by hand' },
];

const BAR = {
  display: 'flex',
  flexWrap: 'wrap',
  gap: 1.5,
  alignItems: 'center',
  px: 1.75,
  py: 1.25,
  mb: 1.5,
  fontSize: '0.8125rem',
};

const ACTIONS = { ml: 'auto', display: 'flex', gap: 0.75, alignItems: 'center' };

export function Order() {
  const { site, place, go } = useSite();
  const { intent, busy } = useIntent();
  const { pairs, pages } = site.view;
  const [taken, setTaken] = useState<ReadonlySet<string>>(new Set());
  const [only, setOnly] = useState('');
  /** Not in the address: it is about what is chosen here. */
  const [renaming, setRenaming] = useState(false);
  const sheet = sheetIn(place);
  const idle = busy || site.readOnly;
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const tags = useMemo(
    () => [...new Set(pairs.flatMap((pair) => pair.tags))].sort((a, b) => a.localeCompare(b)),
    [pairs],
  );
  const shown = useMemo(() => (only === '' ? pairs : pairs.filter((pair) => pair.tags.includes(only))), [pairs, only]);
  const rows = useRowsInSight<HTMLUListElement>(
    shown.length,
    ROW,
    useCallback((n: number) => shown[n]?.full ?? n, [shown]),
  );
  /** What is done to many is done to the chosen ones, or to all where none is. */
  const many = shown.filter((pair) => taken.has(pair.full));
  const meant = many.length > 0 ? many : shown;

  const orderBy = (paths: string[]) => intent({ kind: 'set-order', by: 'hand', hand: paths });
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    orderBy(
      movedTogether(
        pairs.map((pair) => pair.full),
        taken.has(String(active.id)) ? taken : new Set([String(active.id)]),
        String(active.id),
        String(over.id),
      ),
    );
  };
  const step = useCallback(
    (full: string, by: 1 | -1) => {
      const paths = pairs.map((pair) => pair.full);
      const other = shown[shown.findIndex((pair) => pair.full === full) + by]?.full;
      if (other !== undefined)
        intent({ kind: 'set-order', by: 'hand', hand: movedTogether(paths, new Set([full]), full, other) });
    },
    [pairs, shown, intent],
  );
  const toggle = useCallback(
    (full: string) =>
      setTaken((before) => {
        const after = new Set(before);
        if (!after.delete(full)) after.add(full);
        return after;
      }),
    [],
  );
  if (pairs.length === 0)
    return (
      <Nothing title="No pictures yet" says="Pictures stand here in the order in which they are added to pages." />
    );
  return (
    <>
      <Panel label="Order and names" sx={BAR}>
        <OrderBy view={site.view} idle={idle} />
        <OrderGallery pages={pages} idle={idle} />
        {tags.length > 0 && <OnlyTagged tags={tags} only={only} onOnly={setOnly} />}
        <Box sx={ACTIONS}>
          <Box sx={{ color: color('stone') }} role="status">
            {many.length > 0 ? `${countOf(many.length, 'picture')} chosen` : `all ${shown.length}`}
          </Box>
          {many.length > 0 && (
            <Button size="small" onClick={() => setTaken(new Set())}>
              Clear the selection
            </Button>
          )}
          <TagThem paths={meant.map((pair) => pair.full)} idle={idle} />
          <Button size="small" disabled={idle} onClick={() => setRenaming(true)}>
            Rename…
          </Button>
          <Button size="small" disabled={idle} onClick={() => go(toSheet({ name: 'from-list' }))}>
            From a list…
          </Button>
        </Box>
      </Panel>
      <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={onDragEnd}>
        <SortableContext items={shown.map((pair) => pair.full)} strategy={verticalListSortingStrategy} disabled={idle}>
          <Panel>
            <Box
              component="ul"
              aria-label="Pictures in order"
              ref={rows.list}
              sx={{ m: 0, p: 0, listStyle: 'none' }}
              style={{ position: 'relative', height: rows.height }}
            >
              {rows.items.map((item) => {
                const pair = shown[item.index];
                return (
                  pair && (
                    <OrderRow
                      key={pair.full}
                      pair={pair}
                      index={item.index}
                      of={shown.length}
                      top={rows.topOf(item)}
                      chosen={taken.has(pair.full)}
                      idle={idle}
                      onToggle={toggle}
                      onStep={step}
                    />
                  )
                );
              })}
            </Box>
          </Panel>
        </SortableContext>
      </DndContext>
      {renaming && <Rename pairs={meant} onClose={() => setRenaming(false)} />}
      {sheet?.name === 'from-list' && <ListDialog onClose={() => go({ sheet: null })} />}
    </>
  );
}

function OrderBy({ view: { pairs, order }, idle }: { view: SiteView; idle: boolean }) {
  const { intent } = useIntent();
  const set = (by: SiteView['order']) =>
    intent({ kind: 'set-order', by, hand: by === 'hand' ? pairs.map((pair) => pair.full) : null });
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      value={order}
      aria-label="Order of the pictures"
      disabled={idle}
      onChange={(_event, by: SiteView['order'] | null) => by && set(by)}
    >
      {ORDERS.map(({ by, says }) => (
        <ToggleButton key={by} value={by} sx={{ py: 0.25, px: 1.5, textTransform: 'none' }}>
          {says}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}

/** Writes the items of a gallery in the order of the pictures. */
function OrderGallery({ pages, idle }: Pick<SiteView, 'pages'> & { idle: boolean }) {
  const { intent } = useIntent();
  const galleries = pages.flatMap((page) =>
    page.galleries.flatMap(({ strands }, n) =>
      strands.length > 1 ? [{ page: page.path, gallery: n, says: sayGallery(page, n) }] : [],
    ),
  );
  if (galleries.length === 0) return null;
  return (
    <TextField
      select
      size="small"
      label="Apply this order to a gallery"
      value=""
      disabled={idle}
      onChange={({ target }) => {
        const found = galleries[Number(target.value)];
        if (found) intent({ kind: 'order-gallery', page: found.page, gallery: found.gallery });
      }}
      sx={{ minWidth: 200 }}
    >
      {galleries.map(({ says }, n) => (
        <MenuItem key={says} value={n}>
          {says}
        </MenuItem>
      ))}
    </TextField>
  );
}

function OnlyTagged({ tags, only, onOnly }: { tags: readonly string[]; only: string; onOnly: (tag: string) => void }) {
  return (
    <TextField
      select
      size="small"
      label="Only pictures tagged"
      value={only}
      onChange={({ target }) => onOnly(target.value)}
      sx={{ minWidth: 150 }}
    >
      <MenuItem value="">all pictures</MenuItem>
      {tags.map((one) => (
        <MenuItem key={one} value={one}>
          {one}
        </MenuItem>
      ))}
    </TextField>
  );
}

function TagThem({ paths, idle }: { paths: string[]; idle: boolean }) {
  const { intent } = useIntent();
  const [tag, setTag] = useState('');
  const typed = tag.trim();
  return (
    <Box
      component="form"
      sx={{ display: 'flex', gap: 0.5 }}
      onSubmit={(event) => {
        event.preventDefault();
        if (typed !== '') intent({ kind: 'set-tags', paths, add: [typed], remove: [] });
        setTag('');
      }}
    >
      <TextField
        size="small"
        label="Tag"
        value={tag}
        onChange={({ target }) => setTag(target.value)}
        sx={{ width: 120 }}
      />
      <Button size="small" type="submit" disabled={idle || typed === ''}>
        Add tag
      </Button>
    </Box>
  );
}
