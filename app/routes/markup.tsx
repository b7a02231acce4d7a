import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { type ComponentProps, useCallback, useMemo, useState, type ReactNode } from 'react';
import type { Strand } from '~core/model/index.ts';
import { countOf } from '~core/site/index.ts';
import type { PageView } from '~core/view/index.ts';
import { stationAction } from '../data/siteAction';
import { layoutIn, sheetIn, toLayout, toSheet, type LayoutPlace, type SheetName } from '../stations/markup/address';
import { NewPage } from '../stations/markup/NewPage';
import { PagePicker } from '../stations/markup/PagePicker';
import { unplacedPairs } from '../stations/markup/PairChoice';
import { PatternStrip } from '../stations/markup/PatternStrip';
import { ScriptLists } from '../stations/markup/ScriptLists';
import { Sheets } from '../stations/markup/Sheets';
import { DropPictures, useImportPictures } from '../stations/markup/ImportPictures';
import { GroupSheet } from '../stations/markup/group/GroupSheet';
import { TextFrom } from '../stations/markup/TextFrom';
import { Tray } from '../stations/markup/tray/Tray';
import { Workplace } from '../stations/markup/Workplace';
import { besideColumn } from '../ui/narrow';
import { Nothing, StationHead } from '../ui/parts/small';
import { useChosenPage, useChosenStrand, useSite } from '../ui/site/openSite';
import { stationLoader } from '../ui/site/stationLoader';
import { color } from '../ui/theme';

export const meta = () => [{ title: 'Markup – Heathmoor' }];

export const clientLoader = stationLoader({
  hasTab: (place) => layoutIn(place) !== null,
  hasSheet: (place) => sheetIn(place) !== null,
});

export const clientAction = stationAction;

export default function Markup() {
  const { site, place, go } = useSite();
  const page = useChosenPage();
  const file = useChosenText(page);
  const content = file === null ? undefined : site.files.get(file);
  if (page && file !== null && content?.kind === 'text')
    return <PageWork page={page} file={file} text={content.text} />;
  return (
    <NoPage idle={site.readOnly} onNew={() => go(toSheet({ name: 'new-page' }))}>
      {sheetIn(place)?.name === 'new-page' && <NewPage onClose={() => go({ sheet: null })} />}
    </NoPage>
  );
}

/** `file` is the text in the editor: the page's own source, or another text of the site. */
function PageWork({ page, file, text }: { page: PageView; file: string; text: string }) {
  const { site, place, go } = useSite();
  const sheet = useMemo(() => sheetIn(place), [place]);
  const layout = useMemo(() => layoutIn(place), [place]);
  const strand = useChosenStrand();
  const open = useCallback((name: SheetName) => go(toSheet(name)), [go]);
  const beside = besideIn(sheet);
  const [cursor, onPlace] = useCursor(page, file);
  const onLayout = useCallback((to: LayoutPlace | null) => go(toLayout(to)), [go]);
  const { view } = site;
  const strands = useMemo(() => view.strands.filter((one) => one.page === page.path), [view, page.path]);
  const here = strand?.page === page.path ? strand : null;
  const gallery = here ? here.gallery : firstGallery(page);
  const taking = useImportPictures(
    { page: page.path, gallery },
    useCallback(() => open({ name: 'add' }), [open]),
  );
  const { forget } = taking;
  const close = useCallback(() => {
    go({ sheet: null });
    forget();
  }, [go, forget]);
  const unwritable = site.readOnly || page.hazards.length > 0;
  return (
    <>
      <Head page={page} strands={strands} onOpen={open} />
      <Troubles page={page} />
      <AboveSource
        {...{ page, file, sheet, here, gallery, idle: unwritable }}
        at={placeIn(text, cursor)}
        isBeside={layout !== null || beside !== null}
        onSheet={open}
        onLayout={onLayout}
        onClose={close}
      />
      <DropPictures
        disabled={unwritable}
        onTake={taking.take}
        says={
          gallery === null ? `Drop pictures to add them to ${page.path}` : 'Drop pictures to add them to this gallery'
        }
      >
        <WithGroup {...{ page, file, sheet }} at={placeIn(text, cursor)} onClose={close}>
          <Workplace
            isBesideGroup={sheet?.name === 'group'}
            page={page}
            gallery={gallery}
            file={file}
            text={text}
            strands={strands}
            here={here}
            layout={layout}
            onLayout={onLayout}
            beside={beside}
            onClose={close}
            onSheet={open}
            onPlace={onPlace}
          />
        </WithGroup>
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

/** Where the cursor is: its offset, and its line from 1. */
type At = Pick<ComponentProps<typeof GroupSheet>, 'cursor' | 'line'>;

const placeIn = (text: string, cursor: number | null): At => ({
  cursor,
  line: cursor === null ? null : text.slice(0, cursor).split('\n').length,
});

interface Around {
  page: PageView;
  /** In the editor: the page or another text. */
  file: string;
  sheet: SheetName | null;
  at: At;
  onClose: () => void;
}

interface AboveSourceProps extends Around {
  here: Strand | null;
  gallery: number | null;
  idle: boolean;
  /** Something stands in place of the source. */
  isBeside: boolean;
  onSheet: (sheet: SheetName) => void;
  onLayout: (layout: LayoutPlace | null) => void;
}

/** What is said of the page over its source, or the pictures of the site to put into it. */
function AboveSource({ page, file, sheet, at, here, gallery, idle, isBeside, ...does }: AboveSourceProps) {
  const { onSheet, onLayout, onClose } = does;
  const shown = gallery === null || isBeside || needsRoom(sheet) ? undefined : page.galleries[gallery];
  return (
    <>
      {shown && (
        <PatternStrip
          gallery={shown}
          idle={idle}
          onChange={() => onSheet({ name: 'pattern' })}
          onItems={() => onSheet({ name: 'items', chosen: [] })}
          onLayout={() => onLayout({ at: null })}
        />
      )}
      {!isBeside && <ScriptLists page={page} />}
      <TextFrom page={page} file={file} />
      {sheet?.name === 'pictures' && (
        <Tray page={page.path} {...(file === page.path ? at : NOWHERE)} here={here} onClose={onClose} />
      )}
    </>
  );
}

/** A group of pictures stands beside the workplace. */
function WithGroup({ page, file, sheet, at, onClose, children }: Around & { children: ReactNode }) {
  if (sheet?.name !== 'group') return <Box sx={ALONE}>{children}</Box>;
  return (
    <Box sx={WITH_GROUP}>
      {children}
      <GroupSheet page={page} inText={file === page.text?.source} {...at} onClose={onClose} />
    </Box>
  );
}

const ALONE = { display: 'flex', flex: 1, minWidth: 0, minHeight: 0 } as const;

/** Source over live page, and the group beside both. */
const WITH_GROUP = {
  ...besideColumn(350),
  flex: 1,
  minHeight: 0,
  alignItems: 'stretch',
  gridTemplateRows: 'minmax(0, 1fr)',
} as const;

const NOWHERE = { cursor: null, line: null } as const;

const needsRoom = (sheet: SheetName | null): boolean => sheet?.name === 'pictures' || sheet?.name === 'group';

/** Where the cursor is in the page's source or in its text; null while the editor shows something else. */
function useCursor({ path, text }: PageView, file: string): [number | null, (offset: number) => void] {
  const [spot, setSpot] = useState<{ file: string; offset: number } | null>(null);
  const onPlace = useCallback((offset: number) => setSpot({ file, offset }), [file]);
  const isOfPage = file === path || file === text?.source;
  return [isOfPage && spot?.file === file ? spot.offset : null, onPlace];
}

/** What stands in place of the source, where it is not the layout. */
const besideIn = (sheet: SheetName | null): 'page' | 'pattern' | null =>
  sheet?.name === 'page' || sheet?.name === 'pattern' ? sheet.name : null;

/** The text in the editor: any text file that the address names, else the page itself. */
function useChosenText(page: PageView | null): string | null {
  const { site, place } = useSite();
  const isText = place.page !== null && site.files.get(place.page)?.kind === 'text';
  return isText ? place.page : (page?.path ?? null);
}

const firstGallery = ({ galleries }: PageView): number | null => (galleries.length > 0 ? 0 : null);

function NoPage({ idle, onNew, children }: { idle: boolean; onNew: () => void; children: ReactNode }) {
  return (
    <>
      <StationHead title="Markup" says="no page yet">
        <Button variant="contained" color="primary" disabled={idle} onClick={onNew}>
          New page
        </Button>
      </StationHead>
      <Nothing
        title="No page yet"
        says="This site holds pictures but no page. A new page starts as a clean skeleton with a stylesheet; then the pictures are added to it."
      />
      {children}
    </>
  );
}

const PROMINENT = { variant: 'contained', color: 'primary' } as const;

/** A page of words is told by its groups. */
function saysOf({ galleries, groups, text }: PageView, strands: readonly Strand[]): string {
  const isStory = text !== null || (groups.length > 0 && groups.every(({ shown }) => shown !== null));
  if (!isStory) return `${countOf(strands.length, 'item')} in ${countOf(galleries.length, 'gallery', 'galleries')}`;
  const pictures = groups.reduce((count, { fulls }) => count + fulls.length, 0);
  return `text with ${countOf(groups.length, 'group')} of ${countOf(pictures, 'picture')}`;
}

/** The page in hand, and what can be done with pages. */
function Head({
  page,
  strands,
  onOpen,
}: {
  page: PageView;
  strands: readonly Strand[];
  onOpen: (sheet: SheetName) => void;
}) {
  const { site } = useSite();
  const { view, readOnly } = site;
  const waiting = unplacedPairs(view.pairs).length;
  const broken = strands.filter((one) => one.state === 'broken').length;
  const unread = view.unread > 0 ? `; ${countOf(view.unread, 'picture')} still being read` : '';
  const items = saysOf(page, strands);
  return (
    <StationHead title={<PagePicker withStyles />} says={`${items}${broken > 0 ? `, ${broken} broken` : ''}${unread}`}>
      <Button onClick={() => onOpen({ name: 'page' })}>This page</Button>
      {view.menu && <Button onClick={() => onOpen({ name: 'menus' })}>Menus</Button>}
      <Button disabled={readOnly} onClick={() => onOpen({ name: 'new-page' })}>
        New page
      </Button>
      <Button
        {...(waiting > 0 || strands.length === 0 ? PROMINENT : {})}
        disabled={readOnly || page.hazards.length > 0 || view.unread > 0}
        onClick={() => onOpen({ name: 'add' })}
      >
        {waiting > 0 ? `Add ${countOf(waiting, 'pair')}` : 'Add pictures'}
      </Button>
      <Button
        disabled={readOnly || page.hazards.length > 0 || page.galleries.length === 0}
        onClick={() => onOpen({ name: 'add-slide' })}
      >
        Add video or text
      </Button>
    </StationHead>
  );
}

/** Why what was typed could not be written, and what keeps items from being worked on. */
function Troubles({ page }: { page: PageView }) {
  const { typingTrouble } = useSite().site;
  return (
    <>
      {typingTrouble !== null && (
        <Box role="alert" sx={{ color: color('rust'), mb: 1 }}>
          {`What you typed is in the editor, but not written yet: ${typingTrouble}`}
        </Box>
      )}
      {page.hazards.map(({ line, says }) => (
        <Box key={line + says} role="note" sx={{ color: color('gorse'), mb: 1 }}>
          {`Line ${line}: ${says}. Until it is fixed, items here cannot be added, moved or removed.`}
        </Box>
      ))}
    </>
  );
}
