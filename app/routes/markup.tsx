import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useCallback, useMemo, useState } from 'react';
import { useFetcher } from 'react-router';
import type { Outcome } from '../data/session';
import { LayoutSheet } from '../stations/markup/layout/LayoutSheet';
import { LivePane } from '../stations/markup/LivePane';
import { NewPage } from '../stations/markup/NewPage';
import { PagePicker } from '../stations/markup/PagePicker';
import { unplacedPairs } from '../stations/markup/PairChoice';
import { PatternStrip } from '../stations/markup/PatternStrip';
import { Sheets, type SheetName } from '../stations/markup/Sheets';
import { SourcePane } from '../stations/markup/SourcePane';
import { DropPictures, useTakeIn } from '../stations/markup/takeIn';
import { useTies } from '../stations/markup/ties';
import { countOf, Nothing, Sheet, StationHead } from '../ui/parts';
import { useChosenPage, useChosenStrand, useSite } from '../ui/site';
import { ink } from '../ui/theme';

export const meta = () => [{ title: 'Markup – Heathmoor' }];

/** Widths of the live page for a wide window, and for one up to a breakpoint of at most so much; CSS px. */
const PHONE = 390;

export default function Markup() {
  const { site, choose, page: chosenFile, spot } = useSite();
  const page = useChosenPage();
  const strand = useChosenStrand();
  const typing = useFetcher<Outcome>({ key: 'typing' });
  const [sheet, setSheet] = useState<SheetName | null>(null);
  const [layout, setLayout] = useState<{ at: number | null } | null>(null);
  const [places, setPlaces] = useState<(number | null)[]>([]);
  const [width, setWidth] = useState<number>(768);
  // A place of the source that is asked for is shown, and not the layout that led there.
  const [shownSpot, setShownSpot] = useState(spot);
  if (spot !== shownSpot) {
    setShownSpot(spot);
    setLayout(null);
  }
  const { view, session } = site;
  const ties = useTies(session, page?.path ?? null);

  const strands = useMemo(() => view.strands.filter((one) => one.page === page?.path), [view, page?.path]);
  const watched = useMemo(() => strands.map((one) => one.element), [strands]);
  const file = chosenFile !== null && site.files.get(chosenFile)?.kind === 'text' ? chosenFile : (page?.path ?? null);
  const here = strand?.page === page?.path ? strand : null;
  const gallery = here ? here.gallery : page && page.galleries.length > 0 ? 0 : null;
  const taking = useTakeIn(page && { page: page.path, gallery }, useCallback(() => setSheet({ name: 'add' }), []));
  const close = () => {
    setSheet(null);
    taking.forget();
  };

  const content = file === null ? undefined : site.files.get(file);
  if (!page || file === null || content?.kind !== 'text') {
    return (
      <>
        <StationHead title="Markup" says="no page yet">
          <Button variant="contained" color="primary" disabled={site.readOnly} onClick={() => setSheet({ name: 'new page' })}>
            New page
          </Button>
        </StationHead>
        <Nothing title="No page yet" says="This site holds pictures but no page. A new page starts as a clean skeleton with a stylesheet; then the pictures are added to it." />
        {sheet?.name === 'new page' && <NewPage onClose={close} />}
      </>
    );
  }

  const unplaced = unplacedPairs(view.pairs);
  const shownGallery = gallery === null ? undefined : page.galleries[gallery];
  const broken = strands.filter((one) => one.state === 'broken').length;
  const isPage = file === page.path;
  const unwritable = site.readOnly || page.hazards.length > 0;
  // What the cursor or a click has found may be no item; then that is shown and not the strand.
  const held = isPage && ties.chosen && !strands.some((one) => one.id === here?.id && ties.chosen!.range.start >= one.range.start && ties.chosen!.range.end <= one.range.end) ? ties.chosen : null;
  const takeStrand = (id: string) => {
    ties.choose('source', null);
    choose(id);
  };
  return (
    <>
      <StationHead title={<PagePicker withStyles />} says={`${countOf(strands.length, 'item')} in ${countOf(page.galleries.length, 'gallery', 'galleries')}${broken > 0 ? `, ${broken} broken` : ''}`}>
        <Button onClick={() => setSheet({ name: 'page' })}>This page</Button>
        {view.menu && <Button onClick={() => setSheet({ name: 'menus' })}>Menus</Button>}
        <Button disabled={site.readOnly} onClick={() => setSheet({ name: 'new page' })}>
          New page
        </Button>
        <Button {...(unplaced.length > 0 ? { variant: 'contained' as const, color: 'primary' as const } : {})} disabled={unwritable || view.unread > 0} onClick={() => setSheet({ name: 'add' })}>
          {unplaced.length > 0 ? `Add ${countOf(unplaced.length, 'pair')}` : 'Add pictures'}
        </Button>
      </StationHead>
      {typing.data && !typing.data.ok && <Box role="alert" sx={{ color: ink('rust'), mb: 1 }}>{typing.data.reason}</Box>}
      {page.hazards.map((hazard) => (
        <Box key={hazard.line + hazard.says} role="note" sx={{ color: ink('gorse'), mb: 1 }}>{`Line ${hazard.line}: ${hazard.says}. Until it is mended, items here cannot be added, moved or removed.`}</Box>
      ))}
      {shownGallery && !layout && <PatternStrip gallery={shownGallery} idle={unwritable} onChange={() => setSheet({ name: 'pattern' })} onItems={() => setSheet({ name: 'items' })} onLayout={() => setLayout({ at: null })} />}
      <DropPictures disabled={unwritable} onTake={taking.take} says={gallery === null ? `Drop pictures to add them to ${page.path}` : 'Drop pictures to add them to this gallery'}>
        <Sheet sx={{ flex: 1, minWidth: 0, display: 'flex', overflow: 'hidden' }}>
          {layout && gallery !== null ? (
            <Box sx={{ flex: '1.25 1 0', minWidth: 0 }}>
              <LayoutSheet
                page={page.path}
                number={gallery}
                at={layout.at}
                onAt={(at) => {
                  setLayout({ at });
                  setWidth(at === null ? 768 : Math.min(at, PHONE));
                }}
                onClose={() => setLayout(null)}
              />
            </Box>
          ) : (
            <SourcePane key={file} file={file} text={content.text} isPage={isPage} strands={strands} chosen={here} ties={ties} held={held} places={places} onStrand={takeStrand} onLink={(at) => setSheet({ name: 'link', at })} onUnits={(at) => setSheet({ name: 'units', at })} />
          )}
          <LivePane
            path={page.path}
            width={width}
            onWidth={setWidth}
            show={held?.element ?? here?.element ?? null}
            hint={ties.inSource?.element ?? null}
            watched={watched}
            onPlaces={setPlaces}
            onOver={ties.pointOnPage}
            onPointed={(element) => {
              const key = element.join();
              const hit = strands.find((one) => `${key},`.startsWith(`${one.element.join()},`)) ?? strands.find((one) => `${one.element.join()},`.startsWith(`${key},`));
              if (hit) takeStrand(hit.id);
              else ties.choose('page', element);
            }}
          />
        </Sheet>
      </DropPictures>
      {sheet && <Sheets sheet={sheet} page={page} gallery={gallery} strand={here} fresh={taking.fresh} onPick={taking.take} onSheet={setSheet} onClose={close} />}
    </>
  );
}
