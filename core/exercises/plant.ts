/** Small changes to a page's text, by which faults are planted. */

/** Opening tags of links to full-size pictures. */
const LINKS = /<a\b[^>]*\bhref="large\/[^>]*>/g;

/** Changes the opening tag of one link to a picture; `at` counts from 0. */
export function inLink(at: number, from: RegExp | string, to: string): (page: string) => string {
  return (page) => {
    const tag = linkTags(page)[at];
    return tag === undefined ? page : page.replace(tag, tag.replace(from, to));
  };
}

/** Opening tags of the links to pictures, in the order of the page. */
export const linkTags = (page: string): readonly string[] => page.match(LINKS) ?? [];
