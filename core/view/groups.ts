/** Groups of pictures on a page, as the interface shows them. */
import { type Range, valueOf } from '../markup/index.ts';
import { type PageReading, type PageText, placeInText, type SiteReading, textsOf } from '../model/index.ts';
import { fullsOf } from '../plans/index.ts';
import { groupsOf, rangeOf, type Shown } from '../story/index.ts';

export interface GroupView {
  /** Of the page's source, in characters. */
  start: number;
  end: number;
  /** From 1. */
  lines: { first: number; last: number };
  /** The same in the Markdown file that the page has its text from; null where it does not stand in that. */
  inText: Pick<GroupView, 'start' | 'end' | 'lines'> | null;
  /** Null where its class says nothing: it is shown as its author has it. */
  shown: Shown | null;
  /** Full-size files, in the order of the group; empty for what leads out of the site. */
  fulls: string[];
  /** What each says on this page; a caption is null where there is no place for one, or where it holds markup. */
  words: { alt: string; caption: string | null }[];
}

export function groupsView(site: SiteReading, page: PageReading): GroupView[] {
  const text = textsOf(site).find((one) => one.page === page && one.state === 'same');
  return groupsOf(page).map((group) => {
    const { start, end } = rangeOf(page.document, group);
    const { lines } = page.document;
    return {
      start,
      end,
      lines: { first: lines.lineAt(start), last: lines.lineAt(Math.max(start, end - 1)) },
      inText: text ? inTextOf(text, { start, end }) : null,
      shown: group.shown,
      fulls: fullsOf(site, page, group),
      words: group.gallery.items.map(({ image, caption }) => ({
        alt: (image && valueOf(image, 'alt')) ?? '',
        caption: caption?.plain ? caption.text : null,
      })),
    };
  });
}

function inTextOf(text: PageText, range: Range): GroupView['inText'] {
  const [start, end] = [placeInText(text, range.start), placeInText(text, range.end)];
  if (start === null || end === null) return null;
  const lineAt = (offset: number) => text.markdown.slice(0, offset).split('\n').length;
  return { start, end, lines: { first: lineAt(start), last: lineAt(Math.max(start, end - 1)) } };
}
