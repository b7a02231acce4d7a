import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useCallback, useMemo, useState } from 'react';
import { useFetcher } from 'react-router';
import type { Outcome } from '../data/session/shared';
import { NewPage } from '../stations/markup/NewPage';
import { PagePicker } from '../stations/markup/PagePicker';
import { unplacedPairs } from '../stations/markup/PairChoice';
import { PatternStrip } from '../stations/markup/PatternStrip';
import { Sheets, type SheetName } from '../stations/markup/Sheets';
import { DropPictures, useTakeIn } from '../stations/markup/takeIn';
import { Workplace } from '../stations/markup/Workplace';
import { countOf, Nothing, StationHead } from '../ui/parts/small';
import { useChosenPage, useChosenStrand, useSite } from '../ui/site';
import { color } from '../ui/theme';

export const meta = () => [{ title: 'Markup – Heathmoor' }];

export default function Markup() {
  const { site, page: chosenFile, spot } = useSite();
  const page = useChosenPage();
  const strand = useChosenStrand();
  const typing = useFetcher<Outcome>({ key: 'typing' });
  const [sheet, setSheet] = useState<SheetName | null>(null);
  const [layout, setLayout] = useState<{ at: number | null } | null>(null);
  // A place of the source that is asked for is shown, and not the layout that led there.
  const [shownSpot, setShownSpot] = useState(spot);
  if (spot !== shownSpot) {
    setShownSpot(spot);
    setLayout(null);
  }
  const { view } = site;
  const strands = useMemo(() => view.strands.filter((one) => one.page === page?.path), [view, page?.path]);
  const file = chosenFile !== null && site.files.get(chosenFile)?.kind === 'text' ? chosenFile : (page?.path ?? null);
  const here = strand?.page === page?.path ? strand : null;
  const firstGallery = page && page.galleries.length > 0 ? 0 : null;
  const gallery = here ? here.gallery : firstGallery;
  const taking = useTakeIn(
    page && { page: page.path, gallery },
    useCallback(() => setSheet({ name: 'add' }), []),
  );
  const close = () => {
    setSheet(null);
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
            onClick={() => setSheet({ name: 'new page' })}
          >
            New page
          </Button>
        </StationHead>
        <Nothing
          title="No page yet"
          says="This site holds pictures but no page. A new page starts as a clean skeleton with a stylesheet; then the pictures are added to it."
        />
        {sheet?.name === 'new page' && <NewPage onClose={close} />}
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
        <Button onClick={() => setSheet({ name: 'page' })}>This page</Button>
        {view.menu && <Button onClick={() => setSheet({ name: 'menus' })}>Menus</Button>}
        <Button disabled={site.readOnly} onClick={() => setSheet({ name: 'new page' })}>
          New page
        </Button>
        <Button
          {...(unplaced.length > 0 ? { variant: 'contained' as const, color: 'primary' as const } : {})}
          disabled={unwritable || view.unread > 0}
          onClick={() => setSheet({ name: 'add' })}
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
          onChange={() => setSheet({ name: 'pattern' })}
          onItems={() => setSheet({ name: 'items', chosen: [] })}
          onLayout={() => setLayout({ at: null })}
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
          onLayout={setLayout}
          onSheet={setSheet}
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
          onSheet={setSheet}
          onClose={close}
        />
      )}
    </>
  );
}
