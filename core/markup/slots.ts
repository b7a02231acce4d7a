/** The slots of an item that is there, set one by one: its files, its words, attributes of its link. */
import { type Edit, type Edited, refuse } from '../site/index.ts';
import { attributeOf, type PageDocument, type PageElement, type Range } from './document.ts';
import { encodeMarkup } from './encode.ts';
import { type Gallery, type GalleryItem } from './galleries.ts';
import { verified, verifiedSameShape } from './verify.ts';
import { editAttribute, editAttributes } from './attributes.ts';

export function setAlt(page: PageDocument, item: GalleryItem, alt: string): Edited {
  return item.image
    ? editAttribute(page, item.image, 'alt', alt)
    : refuse('This item has no image tag to carry an alt text.');
}

/** Sets the caption where the item has a place for it. The inner markup of a caption is replaced by the text. */
export function setCaption(page: PageDocument, item: GalleryItem, caption: string): Edited {
  if (!item.caption) return refuse('This item has no element for a caption; write one in the source first.');
  const edit = captionEdit(page, item.caption.range, caption);
  if (edit.text === page.text.slice(edit.start, edit.end)) return { ok: true, edits: [] };
  // Loose text that is emptied is gone for good: nothing would say where it stood.
  if (item.caption.element === null && caption.trim() === '')
    return refuse(
      'This caption has no element of its own; emptied, it could not be set again. Remove it in the source.',
    );
  return verified(page, [edit], (after) =>
    after.elements.length + (item.caption?.plain === false ? page.elements.length : 0) >= page.elements.length
      ? sameAround(page, after, edit)
      : 'other elements would vanish',
  );
}

function captionEdit(page: PageDocument, range: Range, caption: string): Edit {
  const inside = page.text.slice(range.start, range.end);
  const lead = /^\s*/.exec(inside)?.[0] ?? '';
  const tail = inside.trim() === '' ? '' : (/\s*$/.exec(inside)?.[0] ?? '');
  return { ...range, text: lead + encodeMarkup(caption) + tail };
}

/** Elements outside of an edited range must parse as they did. */
function sameAround(before: PageDocument, after: PageDocument, { start, end, text }: Edit): string | null {
  const shift = text.length - (end - start);
  const outside = (page: PageDocument, to: number) =>
    page.elements.flatMap(({ tag, range }) =>
      range && (range.start < start || range.start >= to)
        ? [`${tag} ${range.start >= to ? range.start - (to - end) : range.start}`]
        : [],
    );
  const [was, is] = [outside(before, end), outside(after, end + shift)];
  return was.join('\n') === is.join('\n') ? null : 'other elements would be read otherwise';
}

/** Slots that can be set on an item that is there; any other attribute is set on the link or the image by name. */
export type SettableSlot = 'thumbnail' | 'full' | 'alt' | 'title' | 'caption' | 'width' | 'height';

export function setSlot(page: PageDocument, item: GalleryItem, slot: SettableSlot, value: string): Edited {
  if (slot === 'caption') return setCaption(page, item, value);
  if (slot === 'thumbnail' || slot === 'full') {
    const place = slot === 'thumbnail' ? item.source : item.target;
    if (!place)
      return refuse(slot === 'full' ? 'This item has no link to carry the address.' : 'This item shows no picture.');
    if (place.range === place.attribute.valueRange)
      return editAttribute(page, place.element, place.attribute.name, value);
    const address = value.replace(/[()'"\s&<>]/g, (letter) => `%${letter.charCodeAt(0).toString(16)}`);
    return verifiedSameShape(page, [{ ...place.range, text: address }]);
  }
  const holder = slot === 'alt' ? item.image : holderOf(item, slot);
  return holder ? editAttribute(page, holder, slot, value) : refuse('This item has no image tag.');
}

/** WHATWG HTML §13.1.2.3; control characters are what it excludes. */
// eslint-disable-next-line no-control-regex -- see above
const ATTRIBUTE_NAME = /^[^\s"'<>/=\u0000-\u001f]+$/;

/** Which element carries an attribute slot of an item, or would. */
export const holderOf = (item: GalleryItem, slot: 'title' | 'width' | 'height'): PageElement | null =>
  slot === 'title' && !(item.image && attributeOf(item.image, 'title')) ? (item.link ?? item.image) : item.image;

/** An attribute put on every link of a gallery, or taken away from all; items without a link are passed over. */
export function setOnLinks(page: PageDocument, gallery: Gallery, name: string, value: string | null): Edited {
  if (!ATTRIBUTE_NAME.test(name)) return refuse(`“${name}” cannot be the name of an attribute.`);
  const links = gallery.items.flatMap(({ link }) => (link?.open ? [link] : []));
  if (links.length === 0) return refuse('No item here has a link.');
  return editAttributes(
    page,
    links.map((element) => ({ element, name: name.toLowerCase(), value })),
  );
}
