/** The dialogs of the station, one at a time. */
import type { Strand } from '~core/model/index.ts';
import type { GalleryView, PageView } from '~core/view/index.ts';
import { useSite } from '../../ui/site/openSite';
import type { SheetName } from './address';
import { AddPictures } from './AddPictures';
import { AddSlide } from './slide/AddSlide';
import { ItemsDialog } from './items/ItemsDialog';
import { UnitsDialog } from './items/UnitsDialog';
import { Menus } from './Menus';
import { NewPage } from './NewPage';
import { LinkDialog } from './source/LinkDialog';

interface Props {
  sheet: SheetName;
  page: PageView;
  /** Number of the gallery in hand; null where the page has none. */
  gallery: number | null;
  strand: Strand | null;
  fresh: readonly string[];
  onPick: (files: readonly File[]) => void;
  onSheet: (sheet: SheetName) => void;
  onClose: () => void;
}

export function Sheets({ sheet, page, gallery, strand, fresh, onPick, onSheet, onClose }: Props) {
  const { site } = useSite();
  const { view } = site;
  const shown = galleryAt(page, gallery);
  switch (sheet.name) {
    case 'new-page':
      return <NewPage onClose={onClose} />;
    case 'add':
      return (
        <AddPictures
          page={page.path}
          gallery={gallery}
          behind={strand?.gallery === gallery ? strand : null}
          fresh={fresh}
          onPick={onPick}
          onClose={onClose}
        />
      );
    case 'menus':
      return view.menu && <Menus menu={view.menu} onClose={onClose} />;
    case 'link':
      return <LinkDialog page={page.path} at={sheet.at} onClose={onClose} />;
    case 'units':
      return <UnitsDialog page={page} at={sheet.at} onClose={onClose} />;
    case 'items':
    case 'add-slide':
      return shown && <GallerySheets {...{ sheet, page, shown, strand, onSheet, onClose }} />;
    default:
      return null; // Beside the live page, or above the source.
  }
}

type OfGallery = Extract<SheetName, { name: 'items' } | { name: 'add-slide' }>;

/** Those that are about the gallery in hand. */
function GallerySheets({
  sheet,
  page,
  shown,
  strand,
  onSheet,
  onClose,
}: Pick<Props, 'page' | 'strand' | 'onSheet' | 'onClose'> & { sheet: OfGallery; shown: Shown }) {
  const { view } = useSite().site;
  const { number } = shown;
  const strands = view.strands.filter((one) => one.page === page.path && one.gallery === number);
  switch (sheet.name) {
    case 'add-slide':
      return (
        <AddSlide
          page={page}
          gallery={number}
          strands={strands}
          behind={strand?.gallery === number ? strand : null}
          onClose={onClose}
        />
      );
    case 'items':
      return (
        <ItemsDialog
          page={page.path}
          {...shown}
          strands={strands}
          chosenFirst={sheet.chosen}
          onUnits={(at) => onSheet({ name: 'units', at })}
          onLink={(at) => onSheet({ name: 'link', at })}
          onClose={onClose}
        />
      );
  }
}

interface Shown {
  number: number;
  gallery: GalleryView;
}

/** A gallery with its number; null where there is none. */
function galleryAt({ galleries }: PageView, number: number | null): Shown | null {
  const gallery = number === null ? undefined : galleries[number];
  return gallery && number !== null ? { number, gallery } : null;
}
