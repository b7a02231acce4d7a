import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useCallback, useMemo } from 'react';
import { useFetcher } from 'react-router';
import type { Outcome } from '../data/session/shared';
import { stationAction } from '../data/siteAction';
import { layoutIn, sheetIn, toLayout, toSheet, type LayoutPlace, type SheetName } from '../stations/markup/address';
import { NewPage } from '../stations/markup/NewPage';
import { PagePicker } from '../stations/markup/PagePicker';
import { unplacedPairs } from '../stations/markup/PairChoice';
import { PatternStrip } from '../stations/markup/PatternStrip';
import { Sheets } from '../stations/markup/Sheets';
import { DropPictures, useTakeIn } from '../stations/markup/takeIn';
import { Workplace } from '../stations/markup/Workplace';
import { countOf, Nothing, StationHead } from '../ui/parts/small';
import { useChosenPage, useChosenStrand, useSite } from '../ui/site/openSite';
import { stationLoader } from '../ui/site/stationLoader';
import { color } from '../ui/theme';
import { TYPING } from '../stations/markup/SourcePane';

export const meta = () => [{ title: 'Markup – Heathmoor' }];

export const clientLoader = stationLoader({
  hasTab: (place) => layoutIn(place) !== null,
  hasSheet: (place) => sheetIn(place) !== null,
});

export const clientAction = stationAction;

export default function Markup() {
  const { site, place, go } = useSite();
  const sheet = useMemo(() => sheetIn(place), [place]);
  const layout = useMemo(() => layoutIn(place), [place]);
  const page = useChosenPage();
  const strand = useChosenStrand();
  const typing = useFetcher<Outcome>({ key: TYPING });
  const open = useCallback((name: SheetName) => go(toSheet(name)), [go]);
  const onLayout = useCallback((to: LayoutPlace | null) => go(toLayout(to)), [go]);
  const { view } = site;
  const strands = useMemo(() => view.strands.filter((one) => one.page === page?.path), [view, page?.path]);
  const file = place.page !== null && site.files.get(place.page)?.kind === 'text' ? place.page : (page?.path ?? null);
  const here = strand?.page === page?.path ? strand : null;
  const firstGallery = page && page.galleries.length > 0 ? 0 : null;
  const gallery = here ? here.gallery : firstGallery;
  const taking = useTakeIn(
    page && { page: page.path, gallery },
    useCallback(() => open({ name: 'add' }), [open]),
  );
  const close = () => {
    go({ sheet: null });
    taking.forget();
  };

  const content = file === null ? undefined : site.files.get(file);
  if (!page || file === null || content?.kind !== 'text') {
    return (
      <>
        <StationHead title="Markup" says="no page yet">
          <Button
            variant="contained"
            color="primary"
            disabled={site.readOnly}
            onClick={() => open({ name: 'new-page' })}
          >
            New page
          </Button>
        </StationHead>
        <Nothing
          title="No page yet"
          says="This site holds pictures but no page. A new page starts as a clean skeleton with a stylesheet; then the pictures are added to it."
        />
        {sheet?.name === 'new-page' && <NewPage onClose={close} />}
      </>
    );
  }

  const unplaced = unplacedPairs(view.pairs);
  const shownGallery = gallery === null ? undefined : page.galleries[gallery];
  const broken = strands.filter((one) => one.state === 'broken').length;
  const unwritable = site.readOnly || page.hazards.length > 0;
  return (
    <>
      <StationHead
        title={<PagePicker withStyles />}
        says={`${countOf(strands.length, 'item')} in ${countOf(page.galleries.length, 'gallery', 'galleries')}${broken > 0 ? `, ${broken} broken` : ''}`}
      >
        <Button onClick={() => open({ name: 'page' })}>This page</Button>
        {view.menu && <Button onClick={() => open({ name: 'menus' })}>Menus</Button>}
        <Button disabled={site.readOnly} onClick={() => open({ name: 'new-page' })}>
          New page
        </Button>
        <Button
          {...(unplaced.length > 0 ? { variant: 'contained' as const, color: 'primary' as const } : {})}
          disabled={unwritable || view.unread > 0}
          onClick={() => open({ name: 'add' })}
        >
          {unplaced.length > 0 ? `Add ${countOf(unplaced.length, 'pair')}` : 'Add pictures'}
        </Button>
      </StationHead>
      {typing.data && !typing.data.ok && (
        <Box role="alert" sx={{ color: color('rust'), mb: 1 }}>
          {typing.data.reason}
        </Box>
      )}
      {page.hazards.map((hazard) => (
        <Box
          key={hazard.line + hazard.says}
          role="note"
          sx={{ color: color('gorse'), mb: 1 }}
        >{`Line ${hazard.line}: ${hazard.says}. Until it is mended, items here cannot be added, moved or removed.`}</Box>
      ))}
      {shownGallery && !layout && (
        <PatternStrip
          gallery={shownGallery}
          idle={unwritable}
          onChange={() => open({ name: 'pattern' })}
          onItems={() => open({ name: 'items', chosen: [] })}
          onLayout={() => onLayout({ at: null })}
        />
      )}
      <DropPictures
        disabled={unwritable}
        onTake={taking.take}
        says={
          gallery === null ? `Drop pictures to add them to ${page.path}` : 'Drop pictures to add them to this gallery'
        }
      >
        <Workplace
          page={page}
          gallery={gallery}
          file={file}
          text={content.text}
          strands={strands}
          here={here}
          layout={layout}
          onLayout={onLayout}
          onSheet={open}
        />
      </DropPictures>
      {sheet && (
        <Sheets
          sheet={sheet}
          page={page}
          gallery={gallery}
          strand={here}
          fresh={taking.fresh}
          onPick={taking.take}
          onSheet={open}
          onClose={close}
        />
      )}
    </>
  );
}
