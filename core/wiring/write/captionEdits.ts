/** Words for a viewer that looks for them in an element within the link: written there, and taken away again. */
import { cutLine, encodeMarkup, type GalleryItem, type PageElement } from '../../markup/index.ts';
import type { Edit } from '../../site/index.ts';
import type { Kit } from '../kit/manifest.ts';
import { captionOf, insideOf } from '../read/caption.ts';
import type { Remembered } from './memory.ts';
import type { WiringPage } from './site.ts';

interface CaptionEdits {
  edits: Edit[];
  /** Elements that come, or go, below 0. */
  elements: number;
  /** The words that were written, by their links. */
  lent: Map<PageElement, string>;
}

interface Step {
  from: Kit | null;
  to: Kit | null;
  remembered: Remembered;
  /** The items whose links the viewer opens. */
  items: readonly GalleryItem[];
  /** What is to be on each link besides. */
  wishes: ReadonlyMap<PageElement, ReadonlyMap<string, string | null>>;
}

export function captionEdits(page: WiringPage, { from, to, remembered, items, wishes }: Step): CaptionEdits {
  const out: CaptionEdits = { edits: [], elements: 0, lent: new Map() };
  for (const item of items) {
    const { link } = item;
    if (!link) continue;
    const gone = from && lentInside(link, from, remembered);
    if (gone?.range) {
      out.edits.push(cutLine(page.document, gone.range));
      out.elements--;
    }
    const words = to && wordsFor(item, link, from, to, wishes.get(link));
    if (words === null || !link.close) continue;
    const name = to?.manifest.caption.class ?? '';
    const at = link.close.start;
    out.edits.push({ start: at, end: at, text: `<span class="${name}" hidden>${encodeMarkup(words)}</span>` });
    out.elements++;
    out.lent.set(link, words);
  }
  return out;
}

/** The element that the program has written, if its words are still those. */
function lentInside(link: PageElement, { manifest }: Kit, remembered: Remembered): PageElement | null {
  const lent = remembered.get(link)?.lent ?? null;
  const inside = insideOf(link, manifest.caption.class);
  return inside && lent !== null && inside.text === lent ? inside.element : null;
}

/** The words that a viewer would not find; null where there are none, or it does. */
function wordsFor(
  item: GalleryItem,
  link: PageElement,
  from: Kit | null,
  to: Kit,
  wish: ReadonlyMap<string, string | null> | undefined,
): string | null {
  const { caption } = to.manifest;
  if (!caption.from.includes('inside') || caption.class === undefined || insideOf(link, caption.class)) return null;
  const words = from ? captionOf(item, from) : (item.caption?.text ?? '');
  return words === '' || captionOf(item, to, wish) === words ? null : words;
}
