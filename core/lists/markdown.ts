/** Lists of pictures in Markdown (CommonMark 0.31): one picture an item, as people keep them beside a site. */
import type { Image, Link, ListItem, Nodes, Paragraph, PhrasingContent, Root } from 'mdast';
import { fromMarkdown } from 'mdast-util-from-markdown';
import { toMarkdown } from 'mdast-util-to-markdown';
import { toString } from 'mdast-util-to-string';

/** `[![alt](thumbnail)](picture "title") caption`; each part but the first may be missing. */
export const MARKDOWN_COLUMNS = ['picture', 'thumbnail', 'title', 'alt', 'caption'] as const;

type Row = Record<string, string>;

/** Items of lists; of a text without lists its paragraphs. What names no picture is no row. */
export function markdownRows(text: string): Row[] {
  const tree = fromMarkdown(text.replace(/^\ufeff/, ''));
  const items = all(tree, 'listItem').filter((item) => all(item, 'listItem').length === 1);
  const pieces = items.length > 0 ? items : all(tree, 'paragraph');
  return pieces.flatMap((piece) => {
    const row = rowOf(piece);
    return row ? [row] : [];
  });
}

function rowOf(piece: ListItem | Paragraph): Row | null {
  const [link] = all(piece, 'link');
  const [image] = all(piece, 'image');
  const isAround = link !== undefined && image !== undefined && all(link, 'image').includes(image);
  const picture = link ?? image;
  if (!picture) return null;
  const others = textWithout(
    piece,
    [link, image].filter((one) => one !== undefined),
  );
  return {
    picture: picture.url,
    thumbnail: link && image ? image.url : '',
    title: picture.title ?? (link && !isAround ? toString(link) : (image?.title ?? '')),
    alt: image?.alt ?? '',
    caption: others.replace(/^[\s:;,.–—-]+/, '').trim(),
  };
}

/** Every node of a kind, in their order, with the one itself. */
function all<Kind extends Nodes['type']>(node: Nodes, kind: Kind): Extract<Nodes, { type: Kind }>[] {
  const own = node.type === kind ? [node as Extract<Nodes, { type: Kind }>] : []; // as the kind says
  return 'children' in node ? [...own, ...node.children.flatMap((child) => all(child, kind))] : own;
}

function textWithout(node: Nodes, without: readonly Nodes[]): string {
  if (without.includes(node)) return '';
  if (!('children' in node)) return node.type === 'break' ? ' ' : toString(node);
  const between = node.type === 'listItem' || node.type === 'list' ? ' ' : '';
  return node.children
    .map((child) => textWithout(child, without))
    .join(between)
    .replace(/\s+/g, ' ');
}

/** The same list back; a row without a picture is left out. */
export function writeMarkdown(rows: readonly Row[]): string {
  const items = rows.filter(({ picture = '' }) => picture !== '').map(itemOf);
  const tree: Root = { type: 'root', children: [{ type: 'list', spread: false, children: items }] };
  return toMarkdown(tree, { bullet: '-', listItemIndent: 'one' });
}

function itemOf({ picture = '', thumbnail = '', title = '', alt = '', caption = '' }: Row): ListItem {
  const image = (url: string): Image => ({ type: 'image', url, alt, title: null });
  const link: Link = { type: 'link', url: picture, title: title || null, children: [image(thumbnail)] };
  const shown: PhrasingContent = thumbnail === '' ? { ...image(picture), title: title || null } : link;
  const words: PhrasingContent[] = caption === '' ? [] : [{ type: 'text', value: ` ${caption}` }];
  return { type: 'listItem', spread: false, children: [{ type: 'paragraph', children: [shown, ...words] }] };
}
