/** Source, or what decides how the page looks, on the left, the live page on the right, and what ties them together. */
import Box from '@mui/material/Box';
import { memo, useCallback, useMemo, useState } from 'react';
import type { Strand } from '~core/model/index.ts';
import type { PageView } from '~core/view/index.ts';
import { STACKED } from '../../ui/narrow';
import { Panel } from '../../ui/parts/small';
import { useSite } from '../../ui/site/openSite';
import type { LayoutPlace, SheetName } from './address';
import { LayoutSheet } from './layout/LayoutSheet';
import { LivePane } from './LivePane';
import { PageSheet } from './page/PageSheet';
import { PatternSheet } from './PatternSheet';
import { SourcePane } from './SourcePane';
import { useTies } from './ties';
import { takeDragged } from './tray/dragged';
import { usePut } from './tray/usePut';

/** Widths of the live page: as it opens, and for windows up to a breakpoint of at most so much; CSS px. */
const USUAL = 768;
const PHONE = 390;

interface Props {
  /** A group stands beside it, so that the live page stands below the source. */
  isBesideGroup: boolean;
  page: PageView;
  /** Number of the gallery in hand; null where the page has none. */
  gallery: number | null;
  /** The file that the editor shows: the page, or another text of the site. */
  file: string;
  text: string;
  /** Items of the page. */
  strands: readonly Strand[];
  /** The chosen item, where it is one of this page. */
  here: Strand | null;
  /** The windows that the layout is set for, while it is shown: up to a width in CSS px, or null for every one. */
  layout: LayoutPlace | null;
  onLayout: (layout: LayoutPlace | null) => void;
  /** What stands in place of the source, where it is not the layout. */
  beside: 'page' | 'pattern' | null;
  onClose: () => void;
  onSheet: (sheet: SheetName) => void;
  /** Where the cursor is in the page's source. */
  onPlace: (offset: number) => void;
}

const BESIDE = { flex: '1.25 1 0', minWidth: 0, minHeight: 0 };

const PANES = {
  flex: 1,
  minWidth: 0,
  minHeight: 320,
  display: 'flex',
  overflow: 'hidden',
  [STACKED]: { flexDirection: 'column', height: 'max(40rem, calc(100vh - 20rem))', '& > *': { minHeight: 0 } },
} as const;

const STACKED_PANES = { ...PANES, flexDirection: 'column', '&& > *': { flex: '1 1 0', minHeight: 0 } } as const;

export const Workplace = memo(function Workplace({
  isBesideGroup,
  page,
  gallery,
  file,
  text,
  strands,
  here,
  layout,
  onLayout,
  beside,
  onClose,
  onSheet,
  onPlace,
}: Props) {
  const { site, go } = useSite();
  const put = usePut(page.path);
  const ties = useTies(site.session, page.path);
  const [places, setPlaces] = useState<(number | null)[]>([]);
  const [width, setWidth] = useState<number>(USUAL);
  const watched = useMemo(() => strands.map(({ element }) => element), [strands]);
  const isPage = file === page.path;
  // What the cursor or a click has found may be no item; then that is shown and not the strand.
  const { chosen, choose: chooseTie } = ties;
  const isItem =
    chosen !== null &&
    strands.some(
      ({ id, range }) => id === here?.id && chosen.range.start >= range.start && chosen.range.end <= range.end,
    );
  const held = isPage && !isItem ? chosen : null;
  const takeStrand = useCallback(
    (id: string) => {
      chooseTie('source', null);
      go({ strand: id });
    },
    [chooseTie, go],
  );
  const onPointed = (element: number[]) => {
    const key = `${element.join()},`;
    const hit =
      strands.find((one) => key.startsWith(`${one.element.join()},`)) ??
      strands.find((one) => `${one.element.join()},`.startsWith(key));
    if (hit) takeStrand(hit.id);
    else ties.choose('page', element);
  };
  /** Only what somebody drags here at this moment. */
  const onDrop = (at: Parameters<typeof put>[1]) => {
    const dragged = takeDragged();
    if (dragged) put(dragged, at);
  };
  const sheetBeside = () => {
    const shown = gallery === null ? undefined : page.galleries[gallery];
    if (layout && gallery !== null)
      return (
        <LayoutSheet
          page={page.path}
          number={gallery}
          at={layout.at}
          onAt={(at) => {
            onLayout({ at });
            setWidth(at === null ? USUAL : Math.min(at, PHONE));
          }}
          onClose={() => onLayout(null)}
        />
      );
    if (beside === 'page') return <PageSheet key={page.path} page={page} onClose={onClose} />;
    if (beside === 'pattern' && shown && gallery !== null)
      return (
        <PatternSheet
          key={`${gallery} ${page.path}`}
          page={page.path}
          number={gallery}
          gallery={shown}
          onClose={onClose}
        />
      );
    return null;
  };
  const sheet = sheetBeside();
  return (
    <Panel sx={isBesideGroup ? STACKED_PANES : PANES}>
      {sheet && <Box sx={BESIDE}>{sheet}</Box>}
      <SourcePane
        key={file}
        away={sheet !== null}
        file={file}
        text={text}
        isPage={isPage}
        strands={strands}
        chosen={here}
        ties={ties}
        held={held}
        places={places}
        onStrand={takeStrand}
        onPlace={onPlace}
        onPictures={(offset) => onDrop({ by: 'offset', offset })}
        onItems={(chosen) => onSheet({ name: 'items', chosen })}
        onLink={(at) => onSheet({ name: 'link', at })}
        onUnits={(at) => onSheet({ name: 'units', at })}
      />
      <LivePane
        path={page.path}
        width={width}
        onWidth={setWidth}
        onPictures={() => onSheet({ name: 'pictures' })}
        onGroup={() => onSheet({ name: 'group' })}
        show={held?.element ?? here?.element ?? null}
        hint={ties.inSource?.element ?? null}
        watched={watched}
        onPlaces={setPlaces}
        onOver={ties.pointOnPage}
        onPointed={onPointed}
        takesDrops
        onReport={(report) =>
          report.type === 'dropped' && onDrop({ by: 'element', element: report.element, side: report.side })
        }
      />
    </Panel>
  );
});
