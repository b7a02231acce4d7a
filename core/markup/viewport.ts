/** How wide phones and tablets lay out a page: as it says, or as for a desktop. */
import { type PageDocument, valueOf } from './document.ts';

/** The `content` of a `meta` by its name or property; undefined where there is none. */
export const metaIn = ({ elements }: PageDocument, name: string): string | undefined =>
  elements
    .filter(({ tag }) => tag === 'meta')
    .filter((meta) => (valueOf(meta, 'name') ?? valueOf(meta, 'property'))?.trim().toLowerCase() === name)
    .map((meta) => valueOf(meta, 'content') ?? '')[0];

/** CSS Viewport 1 §4: `<meta name="viewport">`. */
export const hasViewport = (page: PageDocument): boolean => metaIn(page, 'viewport') !== undefined;

/** A page without the tag is laid out so wide, and shown shrunken (common practice of browsers, no source). CSS px. */
export const LAID_OUT = 980;
