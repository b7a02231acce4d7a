import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useCallback, useMemo, useState } from 'react';
import { useFetcher, useNavigate } from 'react-router';
import { isPicturePath, resolveInSite, type Edit } from '~core/site/index.ts';
import type { Outcome } from '../data/session';
import { AddPictures } from '../stations/markup/AddPictures';
import { ItemsDialog } from '../stations/markup/ItemsDialog';
import { Ladder, LADDER_WIDTH } from '../stations/markup/Ladder';
import { LayoutSheet } from '../stations/markup/layout/LayoutSheet';
import { LivePane } from '../stations/markup/LivePane';
import { Menus } from '../stations/markup/Menus';
import { NewPage } from '../stations/markup/NewPage';
import { PagePicker } from '../stations/markup/PagePicker';
import { PatternDialog } from '../stations/markup/PatternDialog';
import { PatternStrip } from '../stations/markup/PatternStrip';
import { SourceEditor, type LineGeometry } from '../stations/markup/source/SourceEditor';
import { useTies } from '../stations/markup/ties';
import { countOf, Nothing, Sheet, StationHead } from '../ui/parts';
import { useChosenPage, useChosenStrand, useFix, useSite } from '../ui/site';
import { ink } from '../ui/theme';

export const meta = () => [{ title: 'Markup – Heathmoor' }];

/** Widths of the live page for a wide window, and for one up to a breakpoint of at most so much; CSS px. */
const PHONE = 390;

type SheetName = 'pattern' | 'items' | 'menus' | 'add' | 'new page';

export default function Markup() {
  const { site, choose, page: chosenFile, work, spot, showSource } = useSite();
  const page = useChosenPage();
  const strand = useChosenStrand();
  const typing = useFetcher<Outcome>({ key: 'typing' });
  const mend = useFix();
  const navigate = useNavigate();
  const [sheet, setSheet] = useState<SheetName | null>(null);
  const [layout, setLayout] = useState<{ at: number | null } | null>(null);
  const [geometry, setGeometry] = useState<LineGeometry | null>(null);
  const [places, setPlaces] = useState<(number | null)[]>([]);
  const [width, setWidth] = useState<number>(768);
  const close = useCallback(() => setSheet(null), []);
  const { view, session } = site;
  const ties = useTies(session, page?.path ?? null);

  const strands = useMemo(() => view.strands.filter((one) => one.page === page?.path), [view, page?.path]);
  const watched = useMemo(() => strands.map((one) => one.element), [strands]);
  const { submit } = typing;
  const siteId = site.site.id;
  const file = chosenFile !== null && site.files.get(chosenFile)?.kind === 'text' ? chosenFile : (page?.path ?? null);
  const findings = useMemo(() => view.findings.filter(({ place }) => place.path === file), [view, file]);
  const surroundings = useMemo(() => ({ path: file ?? '', view, pictureUrl: async (path: string) => {
    const content = session.files.get(path);
    return content?.kind === 'binary' ? session.pictures.glanceUrl(content.hash, AbortSignal.timeout(5000)) : null;
  } }), [file, view, session]);
  const onType = useCallback((length: number, edits: Edit[]) => void submit({ do: 'intent', intent: { kind: 'type', path: file, length, edits } } as never, { method: 'post', encType: 'application/json', action: `/site/${siteId}` }), [submit, siteId, file]);
  const follow = useCallback((address: string) => {
    const target = file === null ? null : resolveInSite(address, file);
    if (target?.kind !== 'file') return;
    const content = session.files.get(target.path);
    if (content?.kind === 'text') showSource(target.path);
    else if (content && isPicturePath(target.path)) {
      const shown = view.strands.find((one) => one.full === target.path || one.thumbnail === target.path);
      if (shown) choose(shown.id);
      void navigate(`/site/${siteId}/pairs`);
    }
  }, [file, session, showSource, view, choose, navigate, siteId]);

  const content = file === null ? undefined : site.files.get(file);
  if (!page || file === null || content?.kind !== 'text') {
    return (
      <>
        <StationHead title="Markup" says="no page yet">
          <Button variant="contained" color="primary" disabled={site.readOnly} onClick={() => setSheet('new page')}>
            New page
          </Button>
        </StationHead>
        <Nothing title="No page yet" says="This site holds pictures but no page. A new page starts as a clean skeleton with a stylesheet; then the pictures are added to it." />
        {sheet === 'new page' && <NewPage onClose={close} />}
      </>
    );
  }

  const unplaced = view.pairs.filter((pair) => pair.thumbnail !== null && pair.usedOn.length === 0 && pair.state !== 'unreadable');
  const here = strand?.page === page.path ? strand : null;
  const gallery = here ? here.gallery : page.galleries.length > 0 ? 0 : null;
  const shownGallery = gallery === null ? undefined : page.galleries[gallery];
  const broken = strands.filter((one) => one.state === 'broken').length;
  const isPage = file === page.path;
  // What the cursor or a click has found may be no item; then that is shown and not the strand.
  const held = isPage && ties.chosen && !strands.some((one) => one.id === here?.id && ties.chosen!.range.start >= one.range.start && ties.chosen!.range.end <= one.range.end) ? ties.chosen : null;
  const takeStrand = (id: string) => {
    ties.choose('source', null);
    choose(id);
  };
  return (
    <>
      <StationHead title={<PagePicker withStyles />} says={`${countOf(strands.length, 'item')} in ${countOf(page.galleries.length, 'gallery', 'galleries')}${broken > 0 ? `, ${broken} broken` : ''}`}>
        {view.menu && <Button onClick={() => setSheet('menus')}>Menus</Button>}
        <Button disabled={site.readOnly} onClick={() => setSheet('new page')}>
          New page
        </Button>
        {unplaced.length > 0 && (
          <Button variant="contained" color="primary" disabled={site.readOnly || page.hazards.length > 0 || view.unread > 0} onClick={() => setSheet('add')}>
            {`Add ${countOf(unplaced.length, 'pair')}`}
          </Button>
        )}
      </StationHead>
      {typing.data && !typing.data.ok && <Box role="alert" sx={{ color: ink('rust'), mb: 1 }}>{typing.data.reason}</Box>}
      {page.hazards.map((hazard) => (
        <Box key={hazard.line + hazard.says} role="note" sx={{ color: ink('gorse'), mb: 1 }}>{`Line ${hazard.line}: ${hazard.says}. Until it is mended, items here cannot be added, moved or removed.`}</Box>
      ))}
      {shownGallery && !layout && <PatternStrip gallery={shownGallery} idle={site.readOnly || page.hazards.length > 0} onChange={() => setSheet('pattern')} onItems={() => setSheet('items')} onLayout={() => setLayout({ at: null })} />}
      <Sheet sx={{ flex: 1, minHeight: 360, display: 'flex', overflow: 'hidden' }}>
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
          <>
            <Box sx={{ flex: '1.15 1 0', minWidth: 0 }}>
              <SourceEditor
                path={file}
                text={content.text}
                readOnly={site.readOnly}
                lit={held?.range ?? (isPage && here ? here.range : null)}
                hinted={isPage ? (ties.onPage?.range ?? null) : null}
                spot={spot?.path === file ? spot : null}
                findings={findings}
                surroundings={surroundings}
                onType={onType}
                onCursor={(offset) => {
                  if (!isPage) return;
                  const under = strands.find((one) => offset >= one.range.start && offset <= one.range.end);
                  if (under) choose(under.id);
                  ties.choose('source', offset);
                }}
                onHover={(offset) => ties.pointInSource(isPage ? offset : null)}
                onGeometry={setGeometry}
                onUndo={(way) => work({ do: 'step', way })}
                onFollow={follow}
                onMend={mend}
              />
            </Box>
            {isPage ? <Ladder strands={strands} geometry={geometry} places={places} chosen={here?.id ?? null} onChoose={takeStrand} /> : <Box sx={{ width: LADDER_WIDTH }} />}
          </>
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
      {sheet === 'add' && <AddPictures page={page.path} gallery={gallery} pairs={unplaced} onClose={close} />}
      {sheet === 'new page' && <NewPage onClose={close} />}
      {sheet === 'menus' && view.menu && <Menus menu={view.menu} onClose={close} />}
      {sheet === 'pattern' && shownGallery && gallery !== null && <PatternDialog page={page.path} number={gallery} gallery={shownGallery} onClose={close} />}
      {sheet === 'items' && shownGallery && gallery !== null && <ItemsDialog page={page.path} number={gallery} gallery={shownGallery} strands={strands.filter((one) => one.gallery === gallery)} onClose={close} />}
    </>
  );
}
