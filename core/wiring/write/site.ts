/** What wiring has to know of a page and its site. */
import type { Gallery, GalleryItem, PageDocument } from '../../markup/index.ts';
import type { PathIndex, SiteFiles } from '../../site/index.ts';
import type { Kit } from '../kit/manifest.ts';
import type { PageWiring } from '../read/uses.ts';

export interface WiringPage {
  path: string;
  /** The path that its addresses count from. */
  base: string;
  document: PageDocument;
  galleries: Gallery[];
  wiring: PageWiring;
}

/** What a change of viewers keeps in mind of a link. */
export interface LinkMemory {
  /** The path of the picture that the link leads to. */
  picture: string;
  /** Its group, where nothing on the page names it. */
  group: string | null;
  /** Words that the program has written, as the link's title or into the link. */
  lent: string | null;
}

export interface WiringSite {
  files: SiteFiles;
  index: PathIndex;
  pages: readonly WiringPage[];
  kits: readonly Kit[];
  /** The tags of an item's picture, for viewers that choose by them. */
  tagsOf?: (page: string, item: GalleryItem) => readonly string[];
  /** Width and height of a picture of the site, image px; undefined until it is read. */
  sizeOf?: (path: string) => { width: number; height: number } | undefined;
  /** What former changes of viewers have kept in mind of a page's links. */
  remembered?: (page: string) => readonly LinkMemory[];
}
