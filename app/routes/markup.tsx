import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import { useCallback, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { useFetcher } from 'react-router';
import type { Edit } from '~core/site/index.ts';
import type { Outcome } from '../data/session';
import { AddPictures } from '../stations/markup/AddPictures';
import { ItemsDialog } from '../stations/markup/ItemsDialog';
import { Ladder, LADDER_WIDTH } from '../stations/markup/Ladder';
import { Menus } from '../stations/markup/Menus';
import { NewPage } from '../stations/markup/NewPage';
import { PagePicker } from '../stations/markup/PagePicker';
import { PatternDialog } from '../stations/markup/PatternDialog';
import { PatternStrip } from '../stations/markup/PatternStrip';
import { SourceEditor, type LineGeometry } from '../stations/markup/SourceEditor';
import { countOf, Nothing, Sheet, StationHead } from '../ui/parts';
import { LivePage } from '../ui/preview';
import { useChosenPage, useChosenStrand, useSite } from '../ui/site';
import { ink } from '../ui/theme';

export const meta = () => [{ title: 'Markup – Heathmoor' }];

export const WIDTHS = [390, 768, 1280] as const;

export default function Markup() {
  const { site, choose, page: chosenFile, work } = useSite();
  const page = useChosenPage();
  const strand = useChosenStrand();
  const typing = useFetcher<Outcome>({ key: 'typing' });
  const [adding, setAdding] = useState(false);
  const [making, setMaking] = useState(false);
  const [sheet, setSheet] = useState<'pattern' | 'items' | 'menus' | null>(null);
  const [geometry, setGeometry] = useState<LineGeometry | null>(null);
  const [places, setPlaces] = useState<(number | null)[]>([]);
  const [width, setWidth] = useState<number>(768);
  const closeSheet = useCallback(() => setSheet(null), []);
  const room = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState<{ width: number; height: number } | null>(null);
  const { view } = site;

  useLayoutEffect(() => {
    const box = room.current;
    if (!box) return undefined;
    const measure = () => setSize({ width: box.clientWidth, height: box.clientHeight });
    const watcher = new ResizeObserver(measure);
    watcher.observe(box);
    return () => watcher.disconnect();
  }, [page?.path]);

  const strands = useMemo(() => view.strands.filter((one) => one.page === page?.path), [view, page?.path]);
  const watched = useMemo(() => strands.map((one) => one.element), [strands]);
  const { submit } = typing;
  const siteId = site.site.id;
  const file = chosenFile !== null && site.files.get(chosenFile)?.kind === 'text' ? chosenFile : (page?.path ?? null);
  const onType = useCallback((length: number, edits: Edit[]) => void submit({ do: 'intent', intent: { kind: 'type', path: file, length, edits } } as never, { method: 'post', encType: 'application/json', action: `/site/${siteId}` }), [submit, siteId, file]);

  const content = file === null ? undefined : site.files.get(file);
  if (!page || file === null || content?.kind !== 'text') {
    return (
      <>
        <StationHead title="Markup" says="no page yet">
          <Button variant="contained" color="primary" disabled={site.readOnly} onClick={() => setMaking(true)}>
            New page
          </Button>
        </StationHead>
        <Nothing title="No page yet" says="This site holds pictures but no page. A new page starts as a clean skeleton with a stylesheet; then the pictures are added to it." />
        {making && <NewPage onClose={() => setMaking(false)} />}
      </>
    );
  }

  const unplaced = view.pairs.filter((pair) => pair.thumbnail !== null && pair.usedOn.length === 0 && pair.state !== 'unreadable');
  const gallery = strand && strand.page === page.path ? strand.gallery : page.galleries.length > 0 ? 0 : null;
  const shownGallery = gallery === null ? undefined : page.galleries[gallery];
  const broken = strands.filter((one) => one.state === 'broken').length;
  const isPage = file === page.path;
  return (
    <>
      <StationHead title={<PagePicker withStyles />} says={`${countOf(strands.length, 'item')} in ${countOf(page.galleries.length, 'gallery', 'galleries')}${broken > 0 ? `, ${broken} broken` : ''}`}>
        {view.menu && <Button onClick={() => setSheet('menus')}>Menus</Button>}
        <Button disabled={site.readOnly} onClick={() => setMaking(true)}>
          New page
        </Button>
        {unplaced.length > 0 && (
          <Button variant="contained" color="primary" disabled={site.readOnly || page.hazards.length > 0 || view.unread > 0} onClick={() => setAdding(true)}>
            {`Add ${countOf(unplaced.length, 'pair')}`}
          </Button>
        )}
      </StationHead>
      {typing.data && !typing.data.ok && <Box role="alert" sx={{ color: ink('rust'), mb: 1 }}>{typing.data.reason}</Box>}
      {page.hazards.map((hazard) => (
        <Box key={hazard.line + hazard.says} role="note" sx={{ color: ink('gorse'), mb: 1 }}>{`Line ${hazard.line}: ${hazard.says}. Until it is mended, items here cannot be added, moved or removed.`}</Box>
      ))}
      {shownGallery && <PatternStrip gallery={shownGallery} idle={site.readOnly || page.hazards.length > 0} onChange={() => setSheet('pattern')} onItems={() => setSheet('items')} />}
      <Sheet sx={{ flex: 1, minHeight: 360, display: 'flex', overflow: 'hidden' }}>
        <Box sx={{ flex: '1.15 1 0', minWidth: 0 }}>
          <SourceEditor
            path={file}
            text={content.text}
            readOnly={site.readOnly}
            lit={isPage && strand?.page === page.path ? { start: strand.range.start, end: strand.range.end } : null}
            onType={onType}
            onCursor={(offset) => {
              const under = isPage && strands.find((one) => offset >= one.range.start && offset <= one.range.end);
              if (under) choose(under.id);
            }}
            onGeometry={setGeometry}
            onUndo={(way) => work({ do: 'step', way })}
          />
        </Box>
        {isPage ? <Ladder strands={strands} geometry={geometry} places={places} chosen={strand?.id ?? null} onChoose={choose} /> : <Box sx={{ width: LADDER_WIDTH }} />}
        <Box sx={{ flex: '1 1 0', minWidth: 0, borderLeft: `1px solid ${ink('hair')}`, display: 'flex', flexDirection: 'column' }}>
          <Box ref={room} sx={{ flex: 1, minHeight: 0, overflow: 'hidden' }}>
            {size && (
              <LivePage
                path={page.path}
                title={`Live page ${page.path}`}
                width={width}
                room={size}
                show={strand?.page === page.path ? strand.element : null}
                watched={watched}
                onPlaces={setPlaces}
                onPointed={(element) => {
                  const key = element.join();
                  const hit = strands.find((one) => key.startsWith(one.element.join()) || one.element.join().startsWith(`${key},`));
                  if (hit) choose(hit.id);
                }}
              />
            )}
          </Box>
          <ToggleButtonGroup exclusive size="small" value={width} aria-label="Width of the live page" onChange={(_event, value: number | null) => value !== null && setWidth(value)} sx={{ alignSelf: 'flex-end', m: 0.75 }}>
            {WIDTHS.map((one) => (
              <ToggleButton key={one} value={one} sx={{ py: 0.25, textTransform: 'none' }}>
                {`${one} px`}
              </ToggleButton>
            ))}
          </ToggleButtonGroup>
        </Box>
      </Sheet>
      {adding && <AddPictures page={page.path} gallery={gallery} pairs={unplaced} onClose={() => setAdding(false)} />}
      {making && <NewPage onClose={() => setMaking(false)} />}
      {sheet === 'menus' && view.menu && <Menus menu={view.menu} onClose={closeSheet} />}
      {sheet === 'pattern' && shownGallery && gallery !== null && <PatternDialog page={page.path} number={gallery} gallery={shownGallery} onClose={closeSheet} />}
      {sheet === 'items' && shownGallery && gallery !== null && <ItemsDialog page={page.path} number={gallery} gallery={shownGallery} strands={strands.filter((one) => one.gallery === gallery)} onClose={closeSheet} />}
    </>
  );
}
