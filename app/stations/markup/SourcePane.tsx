/** The source with the ladder beside it, both tied to the live page. */
import Box from '@mui/material/Box';
import { useCallback, useMemo, useState } from 'react';
import type { Range, Tie } from '~core/markup/index.ts';
import type { Strand } from '~core/model/index.ts';
import { isPicturePath, resolveInSite, type Edit } from '~core/site/index.ts';
import { useShowSource, useSite } from '../../ui/site/openSite';
import { useFix, useWork } from '../../ui/site/work';
import { Ladder, LADDER_WIDTH } from './Ladder';
import { newLineSights } from './source/lineSight';
import type { Selected } from './source/openEditor';
import { SourceEditor } from './source/SourceEditor';
import { BAR_HEIGHT, SourceBar } from './source/SourceBar';
import type { Ties } from './ties';

interface Props {
  /** Something else stands in its place; what is typed, the cursor and the scroll stay with it. */
  away: boolean;
  /** The file that is shown: the page in hand or another text of the site. */
  file: string;
  text: string;
  isPage: boolean;
  strands: readonly Strand[];
  /** The chosen strand, where it is one of this page. */
  chosen: Strand | null;
  ties: Ties;
  /** What was found at the cursor or by a click that is no item. */
  held: Tie | null;
  /** Middles of the items on the live page; CSS px, null where out of sight. */
  places: readonly (number | null)[];
  onStrand: (id: string) => void;
  /** Where the cursor is in the page's source. */
  onPlace: (offset: number) => void;
  /** Pictures of the site were dropped there. */
  onPictures: (offset: number) => void;
  /** Work on these items of one gallery. */
  onItems: (strands: string[]) => void;
  onLink: (at: Range) => void;
  onUnits: (at: number) => void;
}

/** The lines to light and to hint at: what is held, else the item in hand; outside of a page nothing else. */
function litIn(isPage: boolean, chosen: Strand | null, ties: Ties, held: Tie | null) {
  const own = isPage ? chosen : null;
  const pointed = isPage ? ties.onPage : null;
  return { lit: held?.range ?? own?.range ?? null, hinted: pointed?.range ?? null };
}

/** Items of the gallery in hand that what is selected touches. */
const touchedItems = (strands: readonly Strand[], at: Selected, chosen: Strand | null): string[] =>
  strands
    .filter(({ range }) => range.start <= at.end && at.start <= range.end)
    .flatMap((one) => (one.gallery === chosen?.gallery ? [one.id] : []));

/** Where what is typed into a file goes. No action: it has to be kept before this returns, for the page may be going. */
function useTyping(file: string) {
  const { typing } = useSite().site.session;
  return useMemo(
    () => ({
      onKeep: (before: string, edits: Edit[]) => typing.keep(file, before, edits),
      onType: (before: string, edits: Edit[]) => void typing.write(file, before, edits),
      onLeave: () => typing.leave(),
      unwritten: () => typing.textOf(file),
    }),
    [typing, file],
  );
}

/** What the editor completes from: the site, with small pictures to look at. */
function useSurroundings(file: string) {
  const { view, session } = useSite().site;
  return useMemo(
    () => ({
      path: file,
      view,
      pictureUrl: async (path: string) => {
        const content = session.files.get(path);
        return content?.kind === 'binary' ? session.pictures.glanceUrl(content.hash, AbortSignal.timeout(5000)) : null;
      },
    }),
    [file, view, session],
  );
}

/** Goes to what an address of this file names: a text in the editor, a picture among the pairs. */
function useFollow(file: string): (address: string) => void {
  const { site, go } = useSite();
  const showSource = useShowSource();
  const { view, session } = site;
  return useCallback(
    (address: string) => {
      const base = view.pages.find(({ path }) => path === file)?.base ?? file;
      const target = resolveInSite(address, base);
      if (target.kind !== 'file') return;
      const content = session.files.get(target.path);
      if (content?.kind === 'text') showSource(target.path);
      else if (content && isPicturePath(target.path)) {
        const shown = view.strands.find((one) => one.full === target.path || one.thumbnail === target.path);
        go({ station: 'pairs', ...(shown ? { strand: shown.id } : {}) });
      }
    },
    [file, session, showSource, view, go],
  );
}

const PANE = {
  flex: `1.15 1 ${LADDER_WIDTH}px`,
  minWidth: 0,
  minHeight: 0,
  display: 'flex',
  flexDirection: 'column',
} as const;

const AWAY = { display: 'none' };

export function SourcePane({
  away,
  file,
  text,
  isPage,
  strands,
  chosen,
  ties,
  held,
  places,
  onStrand,
  onPlace,
  onPictures,
  onItems,
  onLink,
  onUnits,
}: Props) {
  const { site, place, go } = useSite();
  const { work } = useWork();
  const { view } = site;
  const { fix: mend } = useFix();
  const [sights] = useState(newLineSights);
  const [selected, setSelected] = useState<Selected | null>(null);
  const findings = useMemo(() => view.findings.filter(({ place }) => place.path === file), [view, file]);
  const surroundings = useSurroundings(file);
  const typing = useTyping(file);
  const follow = useFollow(file);
  const at = isPage ? selected : null;
  const items = at ? touchedItems(strands, at, chosen) : [];
  const { lit, hinted } = litIn(isPage, chosen, ties, held);
  const onCursor = (selection: Selected) => {
    setSelected(selection);
    onPlace(selection.head);
    const under = strands.find(({ range }) => selection.head >= range.start && selection.head <= range.end);
    if (under) go({ strand: under.id });
    ties.choose('source', selection.head);
  };
  return (
    <Box sx={away ? AWAY : PANE}>
      {isPage && (
        <SourceBar
          trail={at && (ties.chosen?.trail ?? [])}
          idle={site.readOnly}
          items={items.length}
          onItems={() => onItems(items)}
          onLink={() => at && onLink({ start: at.start, end: at.end })}
          onUnits={() => at && onUnits(at.head)}
        />
      )}
      <Box sx={{ flex: 1, minHeight: 0, display: 'flex' }}>
        <Box sx={{ flex: 1, minWidth: 0 }}>
          <SourceEditor
            path={file}
            text={text}
            readOnly={site.readOnly}
            lit={lit}
            hinted={hinted}
            spot={place.page === file ? place.spot : null}
            findings={findings}
            surroundings={surroundings}
            {...typing}
            onCursor={(selection) => (isPage ? onCursor(selection) : onPlace(selection.head))}
            onPictures={(offset) => isPage && onPictures(offset)}
            onHover={(offset) => ties.pointInSource(isPage ? offset : null)}
            onSight={sights.set}
            onUndo={(way) => work({ do: 'step', way })}
            onFollow={follow}
            onMend={mend}
            onLink={(place) => isPage && onLink(place)}
          />
        </Box>
        {isPage ? (
          <Ladder
            strands={strands}
            sights={sights}
            above={BAR_HEIGHT}
            places={places}
            chosen={chosen && chosen.id}
            onChoose={onStrand}
          />
        ) : (
          <Box sx={{ width: LADDER_WIDTH }} />
        )}
      </Box>
    </Box>
  );
}
